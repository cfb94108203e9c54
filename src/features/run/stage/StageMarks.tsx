'use client';
import { useEffect, useMemo, useRef } from 'react';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { onceAround, paceAlong, type PathPoint } from '@/core/seeing/edgePace';
import type { Rect, Turned } from '@/core/seeing/place';
import type { Aids } from './aids';

const LINE = { fill: 'none', stroke: 'var(--russet)', strokeWidth: 1.6, vectorEffect: 'non-scaling-stroke' } as const;
/** Under each line a light one, so that it is seen on dark pictures too. */
const UNDER = { ...LINE, stroke: 'var(--plate)', strokeWidth: 3.6, strokeOpacity: 0.8 } as const;

function Line({ d, fine = false }: { d: string; fine?: boolean }) {
  return (
    <>
      <path d={d} {...UNDER} strokeWidth={fine ? 2.2 : UNDER.strokeWidth} />
      <path d={d} {...LINE} strokeWidth={fine ? 0.9 : LINE.strokeWidth} />
    </>
  );
}

/** Measuring lines, the envelope, where it was begun, and the pace along the edge: drawn over a picture, in its own shape. */
export function StageMarks({
  answers,
  place,
  turned,
  aids,
  starts,
  startPoint,
  flowLine,
  focal,
  edge,
  spentShare,
}: {
  /** What is known of the figure; undefined until it is. */
  answers: DrawnKey | undefined;
  place: Rect;
  turned: Turned;
  aids: Aids;
  /** Where earlier drawings of it were begun, shares. */
  starts: readonly PathPoint[];
  startPoint: PathPoint | undefined;
  /** The learner's own line of the flow, and where the eye is to go first, shares. */
  flowLine: readonly PathPoint[] | undefined;
  focal: PathPoint | undefined;
  /** An edge for the pace, shares; closed ones go once around. */
  edge: { points: readonly PathPoint[]; closed: boolean } | undefined;
  /** Share of the drawing time that has passed; asked at every frame. */
  spentShare: () => number;
}) {
  const { width: w, height: h } = place;
  // What is drawn keeps its size on the screen however far the picture is zoomed.
  const size = 1 / turned.zoom;
  return (
    <svg
      aria-hidden
      viewBox={`0 0 ${String(w)} ${String(h)}`}
      className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
    >
      {aids.grid === 'thirds' && (
        <Line d={[1, 2].map((k) => `M${(w * k) / 3} 0V${h}M0 ${(h * k) / 3}H${w}`).join('')} />
      )}
      {aids.grid === 'heads' && answers && <Line d={headLines(answers, w, h)} />}
      {aids.plumb && <Line d={`M${aids.plumb[0] * w} ${-h}V${2 * h}M${-w} ${aids.plumb[1] * h}H${2 * w}`} />}
      {aids.envelope && answers && (
        <Line
          d={`M${answers.envelope.map(([x, y]) => `${(x / answers.width) * w} ${(y / answers.height) * h}`).join('L')}Z`}
        />
      )}
      {aids.face && answers && (
        <Line fine d={answers.face.map((line) => polyline(line, w / answers.width, h / answers.height)).join('')} />
      )}
      {starts.map(([x, y]) => (
        <g key={`${String(x)} ${String(y)}`} transform={`translate(${x * w} ${y * h}) scale(${size})`} opacity={0.55}>
          <path d="M-6 -6L6 6M-6 6L6 -6" {...UNDER} />
          <path d="M-6 -6L6 6M-6 6L6 -6" {...LINE} stroke="var(--ink)" />
        </g>
      ))}
      {flowLine && flowLine.length > 1 && <Line d={polyline(flowLine, w, h)} />}
      {focal && (
        <g transform={`translate(${focal[0] * w} ${focal[1] * h}) scale(${size})`} data-focal>
          <circle r={16} {...UNDER} strokeWidth={5} />
          <circle r={16} {...LINE} strokeWidth={2.2} />
        </g>
      )}
      {startPoint && (
        <g transform={`translate(${startPoint[0] * w} ${startPoint[1] * h}) scale(${size})`}>
          <path d="M-9 -9L9 9M-9 9L9 -9" {...UNDER} strokeWidth={5} />
          <path d="M-9 -9L9 9M-9 9L9 -9" {...LINE} strokeWidth={2.4} />
        </g>
      )}
      {aids.pace && edge && edge.points.length > 1 && (
        <Pace edge={edge} from={startPoint} w={w} h={h} size={size} spentShare={spentShare} />
      )}
    </svg>
  );
}

/** A line of an answer key in a picture of another size. */
const polyline = (points: readonly (readonly [number, number])[], sx: number, sy: number): string =>
  `M${points.map(([x, y]) => `${(x * sx).toFixed(1)} ${(y * sy).toFixed(1)}`).join('L')}`;

/** Levels a head height apart, from the top of the figure down. */
function headLines({ envelope, headYs, width, height }: DrawnKey, w: number, h: number): string {
  const xs = envelope.map(([x]) => (x / width) * w);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  return headYs.map((y) => `M${left} ${(y / height) * h}H${right}`).join('');
}

/** The dot goes on ten times a second: slower than it could, and as smooth as a slow contour is. */
const PACE_STEP_MS = 100;

function Pace({
  edge,
  from,
  w,
  h,
  size,
  spentShare,
}: {
  edge: { points: readonly PathPoint[]; closed: boolean };
  from: PathPoint | undefined;
  w: number;
  h: number;
  size: number;
  spentShare: () => number;
}) {
  const dot = useRef<SVGCircleElement>(null);
  // Measured in the shape it is shown in: constant speed to the eye.
  const path = useMemo(() => {
    const points = edge.points.map(([x, y]): PathPoint => [x * w, y * h]);
    return edge.closed ? onceAround(points, from && [from[0] * w, from[1] * h]) : points;
  }, [edge, from, w, h]);
  const along = useMemo(() => paceAlong(path), [path]);
  useEffect(() => {
    let drawn: PathPoint = [-1, -1];
    const draw = (): void => {
      const [x, y] = along(spentShare());
      // Painted again only when it has moved by a fifth of a pixel.
      if (Math.hypot(x - drawn[0], y - drawn[1]) < 0.2) return;
      drawn = [x, y];
      dot.current?.setAttribute('cx', String(x));
      dot.current?.setAttribute('cy', String(y));
    };
    draw();
    const handle = setInterval(draw, PACE_STEP_MS);
    return () => clearInterval(handle);
  }, [along, spentShare]);
  return (
    <>
      <path
        d={`M${path.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`}
        {...LINE}
        strokeWidth={1}
        strokeOpacity={0.45}
      />
      <circle ref={dot} data-pace r={7 * size} fill="var(--russet)" stroke="var(--plate)" strokeWidth={3 * size} />
    </>
  );
}
