'use client';
import { type CSSProperties, useEffect, useMemo, useRef, useState } from 'react';
import { seededRandom } from '@/core/random';
import { brushStroke } from './brush';
import { burntPx, EDGE_INSET, edgePoint, edgeStrips } from './edge';

const BAND = 12;
/** A frame smaller than this has no border to burn along. */
const LEAST_PX = 70;
/** The band turns russet for the last seconds; it does not blink. */
const LAST_MS = 5000;

/** Share of the time that is left, 0 to 1, and the milliseconds. */
export interface TimeLeft {
  share: number;
  ms: number;
}

export interface EdgeClockProps {
  /** Has the clock move: at once, then as time passes, until what it returns is called. */
  follow: (move: (left: TimeLeft) => void) => () => void;
  tone: 'drawing' | 'rest';
  /** Whether the last seconds turn russet. */
  urgent: boolean;
  /** Where stages begin, shares of the time. */
  ticks?: readonly number[];
  /** Put away: nothing of it is seen. */
  hidden?: boolean;
}

/** A charcoal band all around with a wandering inner and outer edge. */
function roughBand(w: number, h: number): string {
  const random = seededRandom(42);
  const ring = (offset: number): string => {
    const [l, t, r, b] = [EDGE_INSET - offset, EDGE_INSET - offset, w - EDGE_INSET + offset, h - EDGE_INSET + offset];
    const corners: [number, number][] = [
      [l, t],
      [r, t],
      [r, b],
      [l, b],
    ];
    const points: string[] = [];
    let drift = 0;
    corners.forEach(([x, y], i) => {
      const [nx, ny] = corners[(i + 1) % 4];
      const steps = Math.max(8, Math.round(Math.hypot(nx - x, ny - y) / 9));
      for (let k = 0; k < steps; k++) {
        drift = drift * 0.6 + (random() - 0.5) * 1.6;
        const [px, py] = [x + ((nx - x) * k) / steps, y + ((ny - y) * k) / steps];
        points.push(
          i % 2 === 0 ? `${px.toFixed(1)},${(py + drift).toFixed(1)}` : `${(px + drift).toFixed(1)},${py.toFixed(1)}`,
        );
      }
    });
    return `M${points.join('L')}Z`;
  };
  return ring(BAND / 2) + ring(-BAND / 2);
}

const SIDES: readonly CSSProperties[] = [
  { left: EDGE_INSET, right: EDGE_INSET, top: EDGE_INSET, height: 1 },
  { left: EDGE_INSET, right: EDGE_INSET, bottom: EDGE_INSET, height: 1 },
  { left: EDGE_INSET, top: EDGE_INSET, bottom: EDGE_INSET, width: 1 },
  { right: EDGE_INSET, top: EDGE_INSET, bottom: EDGE_INSET, width: 1 },
];
/**
 * The path that the clock burns along. Four thin layers under the pictures: painted with the ground it would make of all of the ground a
 * picture, which is put together anew whenever the edge moves; as it is, the ground stays one color.
 */
export const EdgePath = () =>
  SIDES.map((side, i) => (
    <div key={i} className="pointer-events-none absolute bg-ink/38 will-change-transform" style={side} aria-hidden />
  ));

/** The time left, burning along the border of the picture: seen from the corner of the eye without leaving the pose. */
export function EdgeClock({ follow, tone, urgent, ticks = [], hidden = false }: EdgeClockProps) {
  const frame = useRef<HTMLDivElement>(null);
  const ember = useRef<SVGSVGElement>(null);
  const [[w, h], setSize] = useState<[number, number]>([0, 0]);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) =>
      setSize([Math.round(entry.contentRect.width), Math.round(entry.contentRect.height)]),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const shapes = useMemo(
    () => (w > 2 * LEAST_PX && h > LEAST_PX ? { band: roughBand(w, h), strips: edgeStrips(w, h) } : undefined),
    [w, h],
  );
  const color = tone === 'rest' ? 'var(--moss)' : 'var(--charcoal)';

  useEffect(() => {
    const box = frame.current;
    // Put away, it costs nothing.
    if (!shapes || !box || hidden) return;
    const strips = [...box.querySelectorAll<HTMLElement>('[data-strip]')];
    const shifted: number[] = [];
    let filled = '';
    return follow(({ share, ms }) => {
      const spent = 1 - Math.max(0, Math.min(1, share));
      const fill = urgent && ms <= LAST_MS ? 'var(--russet)' : color;
      if (fill !== filled) for (const strip of strips) strip.style.fill = filled = fill;
      shapes.strips.forEach((strip, i) => {
        const px = burntPx(strip, spent);
        if (shifted[i] === px) return;
        shifted[i] = px;
        // The window moves on and its picture stays where it is: nothing is painted anew.
        const [dx, dy] = [strip.along[0] * px, strip.along[1] * px];
        strips[i].style.transform = `translate(${dx}px, ${dy}px)`;
        (strips[i].firstElementChild as SVGElement).style.transform = `translate(${-dx}px, ${-dy}px)`;
        strips[i].style.visibility = spent >= strip.toShare ? 'hidden' : '';
      });
      const at = edgePoint(spent, w, h, EDGE_INSET);
      const turn = `translate(${Math.round(at.x)}px, ${Math.round(at.y)}px) rotate(${at.horizontal ? 0 : 90}deg)`;
      if (ember.current && ember.current.style.transform !== turn) ember.current.style.transform = turn;
    });
  }, [shapes, follow, w, h, color, urgent, hidden]);

  return (
    <div
      ref={frame}
      className={`edge-clock pointer-events-none absolute inset-0 ${hidden ? 'invisible' : ''}`}
      aria-hidden
    >
      {shapes?.strips.map(({ x, y, width, height, fromShare, toShare }) => (
        <div
          key={fromShare}
          data-strip
          className="absolute overflow-hidden will-change-transform"
          style={{ left: x, top: y, width, height }}
        >
          <svg viewBox={`${x} ${y} ${width} ${height}`} width={width} height={height} className="will-change-transform">
            <path d={shapes.band} fillRule="evenodd" />
            {ticks
              .filter((share) => share > fromShare && share <= toShare)
              .map((share) => {
                const at = edgePoint(share, w, h, EDGE_INSET);
                return (
                  <path
                    key={share}
                    data-stage-tick
                    d={at.horizontal ? 'M0 -11V11' : 'M-11 0H11'}
                    transform={`translate(${at.x} ${at.y})`}
                    stroke="var(--plate)"
                    strokeWidth={5}
                  />
                );
              })}
          </svg>
        </div>
      ))}
      {shapes && (
        <div className="absolute h-[23px] w-[2.4px] bg-ink" style={{ left: w / 2 - 1.2, top: EDGE_INSET - 9 }} />
      )}
      {shapes && (
        <svg ref={ember} width={1} height={1} className="absolute top-0 left-0 overflow-visible will-change-transform">
          <path
            d={brushStroke([0, -15], [0, 22], 11, 6)}
            fill="var(--russet)"
            stroke="var(--plate)"
            strokeWidth={2.5}
            paintOrder="stroke"
          />
        </svg>
      )}
    </div>
  );
}
