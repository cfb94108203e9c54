'use client';
import { memo, useEffect, useId, useRef } from 'react';
import { brushBand, brushStroke } from '../brush';
import type { PlacedBlock, positionAt } from './layout';
import { FAMILY_COLOR, isNotch, RibbonPatterns } from './patterns';

export interface Look {
  band: number;
  /** Room above for what stands on the cells. */
  above: number;
  floor: number;
  gap: number;
  edge: number;
  labels: boolean;
}
const NOTCH_SHARE = 0.26;

type Head = ReturnType<typeof positionAt>;
/** Where the playhead stands in a line: at its end where it is past, at its beginning where it is not there yet. */
export const headIn = (head: Head, line: number, width: number): number =>
  head.line === line ? head.x : head.line > line ? width : 0;

interface BandLineProps {
  line: readonly PlacedBlock[];
  look: Look;
  above: number;
  width: number;
  headX: number | undefined;
  showHead: boolean;
  follow: ((move: (head: Head, lineIndex: number) => void) => () => void) | undefined;
  trueMarks: boolean;
}
export function BandLine({ line, look, above, width, headX, showHead, follow, trueMarks }: BandLineProps) {
  const id = useId();
  const spent = useRef<HTMLDivElement>(null);
  const stroke = useRef<SVGSVGElement>(null);
  const following = useRef(follow);
  useEffect(() => {
    following.current = follow;
  });
  const follows = follow !== undefined;
  useEffect(() => {
    if (!follows) return;
    let drawn = -1;
    return following.current?.((head, i) => {
      const x = Math.round(headIn(head, i, width));
      if (x === drawn) return;
      drawn = x;
      const { window, picture } = shownUpTo(x, width);
      if (spent.current) {
        spent.current.style.transform = window;
        (spent.current.firstElementChild as SVGElement).style.transform = picture;
      }
      if (stroke.current) stroke.current.style.transform = `translate(${x}px, 0)`;
    });
  }, [follows, width]);
  const bands = <Bands line={line} y={above} look={look} patternId={id} trueMarks={trueMarks} />;
  const height = above + look.band + 12;
  const svg = { 'aria-hidden': true, width, height };
  // Layers only where the playhead moves: it goes on without the ribbon being painted anew.
  const layer = follows ? 'will-change-transform' : '';
  if (headX === undefined)
    return (
      <svg {...svg} className="absolute inset-0 overflow-visible">
        <RibbonPatterns id={id} />
        {bands}
      </svg>
    );
  const { window, picture } = shownUpTo(Math.round(headX), width);
  return (
    <>
      <svg {...svg} className="absolute inset-0 overflow-visible">
        <RibbonPatterns id={id} />
        <g opacity={0.34}>{bands}</g>
      </svg>
      <div
        ref={spent}
        aria-hidden
        className={`absolute top-0 overflow-hidden ${layer}`}
        style={{ left: -OUTSIDE_PX, width: width + OUTSIDE_PX, height: height + 8, transform: window }}
      >
        <svg
          {...svg}
          className={`absolute top-0 overflow-visible ${layer}`}
          style={{ left: OUTSIDE_PX, transform: picture }}
        >
          {bands}
        </svg>
      </div>
      {showHead && (
        <svg
          ref={stroke}
          aria-hidden
          width={1}
          height={height}
          className={`absolute top-0 left-0 overflow-visible ${layer}`}
          style={{ transform: `translate(${Math.round(headX)}px, 0)` }}
        >
          <path
            d={brushStroke([0, above - 11], [1.5, above + look.band + 11], 7, 5)}
            fill="var(--russet)"
            stroke="var(--ground)"
            strokeWidth={6}
            paintOrder="stroke"
          />
        </svg>
      )}
    </>
  );
}

/** Strokes of the brush reach so far over the ends of a line. */
const OUTSIDE_PX = 8;
/** A window over a line of the ribbon that ends at the playhead, and the ribbon in it, which stays where it is. */
const shownUpTo = (x: number, width: number): { window: string; picture: string } => ({
  window: `translate(${x - width}px, 0)`,
  picture: `translate(${width - x}px, 0)`,
});

interface Drawn {
  y: number;
  look: Look;
  patternId: string;
  trueMarks: boolean;
}
/** All blocks of a line. They are not drawn anew when only the playhead moves: a long session has hundreds of cells. */
const Bands = memo(function Bands({ line, ...how }: Drawn & { line: readonly PlacedBlock[] }) {
  return line.map((b) => <Band key={`${b.index}:${b.x}`} placed={b} {...how} />);
});

interface BandProps extends Drawn {
  placed: PlacedBlock;
}
function Band({ placed, y, look, patternId, trueMarks }: BandProps) {
  const { block, index, cells } = placed;
  const notch = isNotch(block.family);
  const height = notch ? Math.max(5, Math.round(look.band * NOTCH_SHARE)) : look.band;
  const top = y + look.band - height;
  const color = FAMILY_COLOR[block.family];
  const solid = block.family === 'quick' || notch;
  const rule = { stroke: 'var(--quiet)', fill: 'none' };
  return (
    <g>
      <path
        d={brushBand({
          x: placed.x,
          y: top,
          width: placed.width,
          height,
          seed: index + 3,
          edge: look.edge,
          end: notch ? 1.2 : 2.4,
        })}
        fill={`url(#${patternId}-${block.family})`}
        stroke={solid ? 'none' : color}
        strokeWidth={1.4}
      />
      {cells.map(({ cell, x, width, trueWidth }, j) => {
        const share = cell.lengthMs === 0 ? 0 : width / cell.lengthMs;
        const lookPx = cell.lookMs * share;
        const heldPx = cell.heldMs > 0 ? Math.max(7, cell.heldMs * share) : 0;
        return (
          <g key={j}>
            {cell.family && cell.family !== block.family && (
              <path
                d={brushBand({ x, y: top, width, height, seed: index * 17 + j, edge: look.edge, end: 1 })}
                fill={`url(#${patternId}-${cell.family})`}
                stroke={cell.family === 'quick' ? 'var(--ground)' : FAMILY_COLOR[cell.family]}
                strokeWidth={1.4}
              />
            )}
            {j > 0 && !notch && (
              <path
                d={brushBand({
                  x: x - 0.9,
                  y: top - 2,
                  width: 1.8,
                  height: height + 4,
                  seed: index * 31 + j,
                  edge: 0.2,
                  end: 0.7,
                })}
                fill="var(--ground)"
              />
            )}
            {cell.skipped && (
              <>
                <rect x={x + 1} y={top - 2} width={Math.max(2, width - 2)} height={height + 4} fill="var(--ground)" />
                <rect
                  x={x + 2}
                  y={top + 1}
                  width={Math.max(1, width - 4)}
                  height={height - 2}
                  strokeDasharray="3 2.5"
                  {...rule}
                />
              </>
            )}
            {cell.open && !notch && !cell.skipped && !cell.extra && (
              <>
                <rect
                  x={x + 2}
                  y={top + 2}
                  width={Math.max(2, width - 4)}
                  height={height - 4}
                  fill="var(--ground)"
                  fillOpacity={0.72}
                />
                <path
                  d={`M${x + width - 6} ${top + height / 2 - 4}l4 4l-4 4`}
                  fill="none"
                  stroke={color}
                  strokeWidth={1.6}
                />
              </>
            )}
            {cell.extra && !cell.skipped && (
              <>
                <rect x={x} y={top - 2} width={width} height={height + 4} fill="var(--ground)" />
                <path
                  d={brushBand({
                    x: x + 2,
                    y: top + 1,
                    width: Math.max(4, width - 4),
                    height: height - 2,
                    seed: j + 90,
                    edge: 1,
                    end: 1.5,
                  })}
                  fill="none"
                  stroke={color}
                  strokeWidth={1.6}
                />
              </>
            )}
            {lookPx > 0 && !cell.skipped && (
              <>
                <path
                  d={brushBand({
                    x: x + 2,
                    y: top + 2,
                    width: Math.max(3, lookPx),
                    height: height - 4,
                    seed: 77,
                    edge: 1,
                    end: 1,
                  })}
                  fill="var(--sheet)"
                />
                <path d={`M${x + 2 + lookPx} ${top - 3}v${height + 6}`} stroke={color} strokeWidth={1.4} />
                {lookPx > 16 && height > 16 && <Eye x={x + 2 + lookPx / 2} y={top + height / 2} color={color} />}
              </>
            )}
            {heldPx > 0 && (
              <>
                <rect
                  x={x + width - heldPx - 3}
                  y={top - 2}
                  width={heldPx + 4}
                  height={height + 4}
                  fill="var(--ground)"
                />
                <path
                  d={`M${x + width - heldPx / 2 - 2.5} ${top + height / 2 - 5}v10m5 -10v10`}
                  strokeWidth={1.8}
                  {...rule}
                />
              </>
            )}
            {trueMarks && width > trueWidth + 1 && (
              <rect x={x + 1.5} y={y + look.band + 5} width={Math.max(1, trueWidth)} height={2} fill="var(--ink)" />
            )}
          </g>
        );
      })}
    </g>
  );
}

function Eye({ x, y, color }: { x: number; y: number; color: string }) {
  return (
    <g transform={`translate(${x} ${y})`} fill="none" stroke={color} strokeWidth={1.4}>
      <path d="M-7 0Q0 -6.4 7 0Q0 6.4 -7 0Z" />
      <circle r={1.7} fill={color} />
    </g>
  );
}
