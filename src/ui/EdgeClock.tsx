'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { seededRandom } from '@/core/random';
import { brushStroke } from './brush';
import { EDGE_INSET, edgePoint, edgeSection } from './edge';

const BAND = 12;
/** The band turns russet for the last seconds; it does not blink. */
const LAST_MS = 5000;

export interface EdgeClockProps {
  /** Share of the time that is left, 0 to 1, and the milliseconds; asked at every frame. */
  left: () => { share: number; ms: number };
  tone: 'drawing' | 'rest';
  /** Whether the last seconds turn russet. */
  urgent: boolean;
}

/** The border as one path from top center, clockwise: half of the time is exactly bottom center. */
function borderPath(w: number, h: number): string {
  const [l, t, r, b] = [EDGE_INSET, EDGE_INSET, w - EDGE_INSET, h - EDGE_INSET];
  return `M${w / 2} ${t}H${r}V${b}H${l}V${t}H${w / 2}`;
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

/** The time left, burning along the border of the picture: seen from the corner of the eye without leaving the pose. */
export function EdgeClock({ left, tone, urgent }: EdgeClockProps) {
  const frame = useRef<HTMLDivElement>(null);
  const band = useRef<SVGPathElement>(null);
  const ember = useRef<SVGGElement>(null);
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
    () => (w > 60 && h > 60 ? { border: borderPath(w, h), band: roughBand(w, h) } : undefined),
    [w, h],
  );
  const color = tone === 'rest' ? 'var(--moss)' : 'var(--charcoal)';

  useEffect(() => {
    if (!shapes) return;
    let handle = 0;
    const draw = (): void => {
      const { share, ms } = left();
      const spent = 1 - Math.max(0, Math.min(1, share));
      if (band.current) band.current.style.clipPath = `polygon(${edgeSection(spent, w, h)}) view-box`;
      band.current?.setAttribute('fill', urgent && ms <= LAST_MS ? 'var(--russet)' : color);
      const at = edgePoint(spent, w, h, EDGE_INSET);
      ember.current?.setAttribute('transform', `translate(${at.x} ${at.y}) rotate(${at.horizontal ? 0 : 90})`);
      handle = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(handle);
  }, [shapes, left, w, h, color, urgent]);

  return (
    <div ref={frame} className="pointer-events-none absolute inset-0" aria-hidden>
      {shapes && (
        <svg width={w} height={h} className="absolute inset-0">
          <path d={shapes.border} fill="none" stroke="var(--ink)" strokeOpacity={0.38} />
          <path ref={band} d={shapes.band} fill={color} fillRule="evenodd" />
          <path d={`M${w / 2} ${EDGE_INSET - 9}v23`} stroke="var(--ink)" strokeWidth={2.4} />
          <g ref={ember}>
            <path
              d={brushStroke([0, -15], [0, 22], 11, 6)}
              fill="var(--russet)"
              stroke="var(--plate)"
              strokeWidth={2.5}
              paintOrder="stroke"
            />
          </g>
        </svg>
      )}
    </div>
  );
}
