'use client';
import { type ReactNode, type Ref, useRef } from 'react';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import type { Mark, Tilt } from '@/core/figure/facts/measuringLines';
import type { Point } from '@/core/figure/facts/actionLine';
import type { Contour } from '@/core/figure/facts/contours';
import { useSize } from '../useSize';
import { hitsLabel, type PlacedLabel, placeLabels } from './placeLabels';
import { type LayerId, LAYERS } from './layers';

const n = (value: number): string => value.toFixed(1);
const pathOf = ({ points, closed }: Contour): string =>
  points.length === 0 ? '' : `M${points.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}${closed ? 'Z' : ''}`;
const ringsPath = (rings: readonly (readonly Point[])[]): string =>
  rings.map((points) => pathOf({ points: [...points], closed: true })).join('');

const TEXT = { fontSize: 20, fontFamily: 'inherit' };
/** Letters stay legible over the figure by a halo of the plate. */
const HALO = { paintOrder: 'stroke', stroke: 'var(--plate)', strokeWidth: 5, strokeLinejoin: 'round' } as const;

function Label({
  at: [x, y],
  color,
  anchor = 'start',
  children,
}: {
  at: Point;
  color: string;
  anchor?: 'start' | 'middle' | 'end';
  children: ReactNode;
}) {
  return (
    <text x={n(x)} y={n(y)} fill={color} textAnchor={anchor} {...TEXT} {...HALO}>
      {children}
    </text>
  );
}

const NO_ROOM = [0, 0] as const;

/** Room left and right of a picture that is shown whole in the middle of a wider box, in the picture's pixels. */
function letterbox(
  box: { width: number; height: number } | undefined,
  { width, height }: DrawnKey,
): readonly [left: number, right: number] {
  if (!box || box.width === 0 || box.height === 0) return NO_ROOM;
  const left = Math.max(0, (box.width * height) / box.height - width) / 2;
  return [left, left];
}

/**
 * The answer key drawn over a figure's picture: the same coordinates, layer by layer.
 * @param aside Room for labels left and right of the box it is laid over, in the picture's pixels.
 */
export function AnswerKeyOverlay({
  answers,
  shown,
  svgRef,
  label,
  aside,
}: {
  answers: DrawnKey;
  shown: ReadonlySet<LayerId>;
  svgRef?: Ref<SVGSVGElement>;
  label: string;
  aside?: readonly [left: number, right: number];
}) {
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const { width, height } = answers;
  const inBox = letterbox(size, answers);
  const [left, right] = aside ?? inBox;
  const percent = (px: number): string => `${String((100 * px) / width)}%`;
  const xs = answers.envelope.map(([x]) => x);
  const room = { width, height, figure: [Math.min(...xs), Math.max(...xs)] as const, aside: [left, right] as const };
  const labels = shown.has('landmarks') ? placeLabels(answers.marks, room) : [];
  return (
    <div ref={frame} className="pointer-events-none absolute inset-0">
      <svg
        ref={svgRef}
        xmlns="http://www.w3.org/2000/svg"
        viewBox={`${n(-left)} 0 ${n(width + left + right)} ${String(height)}`}
        role="img"
        aria-label={label}
        className="absolute inset-0 h-full w-full max-w-none"
        style={aside && { left: percent(-left), width: percent(width + left + right) }}
      >
        {LAYERS.filter(({ id }) => shown.has(id)).map(({ id, label: title }) => (
          <g key={id} data-layer={id}>
            <title>{title}</title>
            {draw[id](answers, labels)}
          </g>
        ))}
      </svg>
    </div>
  );
}

const draw: Record<LayerId, (a: DrawnKey, labels: readonly PlacedLabel[]) => ReactNode> = {
  light: ({ shadow }) => (
    <path d={shadow.map(ringsPath).join('')} fill="var(--slate)" fillOpacity={0.42} fillRule="evenodd" />
  ),
  negatives: ({ negatives }) =>
    negatives.map(({ shape }, i) => (
      <path key={i} d={pathOf(shape)} fill="var(--ochre)" fillOpacity={0.5} stroke="var(--ochre)" strokeWidth={2} />
    )),
  contours: ({ outline, inner }) => (
    <g fill="none" stroke="var(--ink)" strokeLinecap="round" strokeLinejoin="round">
      <path d={outline.map(pathOf).join('')} strokeWidth={3} />
      <path d={inner.map(pathOf).join('')} strokeWidth={2.2} />
    </g>
  ),
  envelope: ({ envelope }) => (
    <path d={ringsPath([envelope])} fill="none" stroke="var(--moss)" strokeWidth={3} strokeLinejoin="round" />
  ),
  heads: (a) => <Heads answers={a} />,
  plumb: (a) => <PlumbAndLevel answers={a} />,
  planes: ({ planes }) => <FormLines lines={planes} />,
  solids: ({ solids }) => <FormLines lines={solids} />,
  masses: ({ masses, structure }) => (
    <>
      <path
        d={(structure ?? []).map((points) => pathOf({ points, closed: false })).join('')}
        fill="none"
        stroke="var(--plum)"
        strokeWidth={2.5}
        strokeLinejoin="round"
      />
      {masses.map(({ name, center: [x, y], radii: [a, b], angleDeg, turnDeg }) => (
        <g
          key={name}
          transform={`translate(${n(x)} ${n(y)}) rotate(${n(angleDeg)})`}
          fill="none"
          stroke="var(--plum)"
          strokeWidth={3}
        >
          <ellipse rx={n(a)} ry={n(b)} fill="var(--plum)" fillOpacity={0.08} />
          <path d={meridian(a, b, angleDeg, turnDeg)} strokeWidth={2} />
        </g>
      ))}
    </>
  ),
  tilts: ({ shoulders, hips }, labels) => (
    <>
      <TiltLine tilt={shoulders} labels={labels} />
      <TiltLine tilt={hips} labels={labels} />
    </>
  ),
  action: ({ action: { curve } }) => {
    const [p, c1, c2, q] = curve;
    const d = `M${n(p[0])} ${n(p[1])}C${[c1, c2, q].map(([x, y]) => `${n(x)} ${n(y)}`).join(' ')}`;
    return <path d={d} fill="none" stroke="var(--ochre)" strokeWidth={8} strokeLinecap="round" strokeOpacity={0.9} />;
  },
  landmarks: (_, labels) => <Landmarks labels={labels} />,
};

/** Borders of planes or solids; nothing until they are found. */
const FormLines = ({ lines = [] }: { lines: readonly (readonly Point[])[] | undefined }) => (
  <path d={ringsPath(lines)} fill="none" stroke="var(--slate)" strokeWidth={2} strokeLinejoin="round" />
);

/** The middle line of a mass, bowed to the side it is turned to; upright in the picture, so across the longer axis if that lies level. */
function meridian(a: number, b: number, angleDeg: number, turnDeg: number): string {
  const upright = Math.abs(Math.sin((angleDeg * Math.PI) / 180)) > 0.5;
  const aside = Math.sin((turnDeg * Math.PI) / 180);
  // Rotated by about a quarter, the picture's right is the mass's own minus y (clockwise) or plus y.
  const sign = angleDeg > 0 ? -1 : 1;
  return upright
    ? `M${n(-a)} 0Q0 ${n(2 * b * aside * sign * 0.9)} ${n(a)} 0`
    : `M0 ${n(-b)}Q${n(2 * a * aside * 0.9)} 0 0 ${n(b)}`;
}

/** Where the words of a tilt can stand: at either end of its line, above or below. */
const TILT_PLACES = [
  [12, 6],
  [0, -18],
  [0, 30],
] as const;

function TiltLine({ tilt: { from, to, deg, endOn }, labels }: { tilt: Tilt; labels: readonly PlacedLabel[] }) {
  const extend = 0.28;
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const a: Point = [from[0] - dx * extend, from[1] - dy * extend];
  const b: Point = [to[0] + dx * extend, to[1] + dy * extend];
  const words = endOn ? 'end on' : `${String(Math.round(Math.abs(deg)))}°`;
  const places = [b, a].flatMap(([x, y]) => TILT_PLACES.map(([right, down]): Point => [x + right, y + down]));
  const at = places.find((place) => !hitsLabel(place, words, labels)) ?? places[0];
  return (
    <g stroke="var(--slate)">
      <path
        d={`M${n(a[0])} ${n(a[1])}L${n(b[0])} ${n(b[1])}`}
        strokeWidth={4}
        strokeLinecap="round"
        strokeDasharray={endOn ? '4 9' : undefined}
      />
      <Label at={at} color="var(--slate)">
        {words}
      </Label>
    </g>
  );
}

function Heads({ answers: { headYs, bottom, halfY, halfAt, heads, width, envelope } }: { answers: DrawnKey }) {
  const right = Math.min(width - 60, Math.max(...envelope.map(([x]) => x)) + 24);
  const left = Math.max(4, Math.min(...envelope.map(([x]) => x)) - 24);
  return (
    <g stroke="var(--umber)" strokeWidth={2}>
      <path d={`M${n(right)} ${n(headYs[0])}V${n(bottom)}`} />
      {[...headYs, bottom].map((y, i) => (
        <path key={i} d={`M${n(right - 8)} ${n(y)}h16`} />
      ))}
      {headYs.slice(1).map((y, i) => (
        <Label key={i} at={[right + 14, y + 6]} color="var(--umber)">
          {i + 1}
        </Label>
      ))}
      <Label at={[right + 14, bottom + 6]} color="var(--umber)">
        {heads.toFixed(1)}
      </Label>
      <path d={`M${n(left)} ${n(halfY)}H${n(right)}`} strokeWidth={3} strokeDasharray="12 7" />
      <Label at={[left, halfY - 9]} color="var(--umber)">
        half: {halfAt}
      </Label>
    </g>
  );
}

function PlumbAndLevel({ answers: { alignments, marks, top, bottom, envelope } }: { answers: DrawnKey }) {
  const at = (name: string): Point => (marks.find((m) => m.name === name) as Mark).at;
  const [left, right] = [Math.min(...envelope.map(([x]) => x)), Math.max(...envelope.map(([x]) => x))];
  const lines = [
    ...alignments.filter((a) => a.kind === 'plumb').slice(0, 3),
    ...alignments.filter((a) => a.kind === 'level').slice(0, 2),
  ];
  return (
    <g stroke="var(--plum)" strokeWidth={2}>
      {lines.map(({ a, b, kind, at: where }, i) => (
        <g key={i}>
          <path
            d={
              kind === 'plumb'
                ? `M${n(where)} ${n(top - 14)}V${n(bottom + 10)}`
                : `M${n(left - 14)} ${n(where)}H${n(right + 14)}`
            }
            strokeDasharray={kind === 'plumb' ? '2 8' : '14 8'}
          />
          {[a, b].map((name) => (
            <circle key={name} cx={n(at(name)[0])} cy={n(at(name)[1])} r={7} fill="var(--plate)" strokeWidth={3} />
          ))}
        </g>
      ))}
    </g>
  );
}

function Landmarks({ labels }: { labels: readonly PlacedLabel[] }) {
  return (
    <g>
      {labels.map(({ mark: { at, name, visible }, label, anchor }) => (
        <g key={name} opacity={visible ? 1 : 0.55}>
          <path
            d={`M${n(at[0])} ${n(at[1])}L${n(label[0])} ${n(label[1] - 6)}`}
            stroke="var(--charcoal)"
            strokeWidth={1}
          />
          <circle
            cx={n(at[0])}
            cy={n(at[1])}
            r={5.5}
            fill={visible ? 'var(--ink)' : 'var(--plate)'}
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <Label at={[label[0] + (anchor === 'start' ? 4 : -4), label[1]]} color="var(--ink)" anchor={anchor}>
            {visible ? name : `(${name})`}
          </Label>
        </g>
      ))}
    </g>
  );
}
