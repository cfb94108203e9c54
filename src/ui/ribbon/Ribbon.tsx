'use client';
import { type ReactNode, useMemo } from 'react';
import type { RibbonBlock } from '@/core/practice/time/ribbon';
import { useWidth } from '../useWidth';
import { type PlacedBlock, type PlacedCell, layOutLine, layOutWrapped, positionAt } from './layout';
import { BandLine, headIn, type Look } from './BandLine';

/** The same ribbon at four sizes. */
type RibbonSize = 'card' | 'plan' | 'run' | 'journal';
const LOOKS: Record<RibbonSize, Look> = {
  plan: { band: 58, above: 112, floor: 24, gap: 9, edge: 2.2, labels: true },
  journal: { band: 36, above: 0, floor: 13, gap: 6, edge: 1.8, labels: false },
  run: { band: 30, above: 0, floor: 13, gap: 5, edge: 1.6, labels: false },
  card: { band: 14, above: 0, floor: 3, gap: 3, edge: 1.1, labels: false },
};
const WRAP_BELOW_PX = 700;
const LABEL_PX = 44;

export interface RibbonProps {
  blocks: readonly RibbonBlock[];
  size: RibbonSize;
  /** Read out instead of the drawing. */
  label: string;
  /** Time spent, ms from the start: before it the ribbon is restated dark, after it only laid in. */
  playheadMs?: number;
  /** Called with what moves the playhead while time passes; returns how to stop. Given, the ribbon is not drawn anew for that. */
  followPlayhead?: (move: (ms: number) => void) => () => void;
  /** Lay out at a given scale instead of filling the width. */
  pxPerMs?: number;
  /** Stands on a cell, within its width. */
  standing?: (cell: PlacedCell, index: number) => ReactNode;
  /** Clock times under the blocks in place of their measure. */
  times?: (ms: number) => string;
  /** What can be done with a line of it, laid over it; the drawing itself is then not read out. */
  overlay?: (line: readonly PlacedBlock[], place: RibbonPlace) => ReactNode;
  /** Several lines where there is little width; on by default for `plan`. */
  wrap?: boolean;
}

/** Where a line of the ribbon stands and its scale. */
export interface RibbonPlace {
  lineIndex: number;
  above: number;
  band: number;
  height: number;
  pxPerMs: number;
}

/** A session drawn as a band: one cell a drawing, low notches for rests and body, pattern and color by exercise family. */
export function Ribbon(props: RibbonProps) {
  const {
    blocks,
    size,
    label,
    playheadMs,
    followPlayhead,
    pxPerMs,
    standing,
    times,
    overlay,
    wrap = size === 'plan',
  } = props;
  const [ref, width] = useWidth<HTMLDivElement>();
  const look = LOOKS[size];
  const narrow = wrap && width < WRAP_BELOW_PX;
  const layout = useMemo(() => {
    if (width === 0) return undefined;
    const measure = { widthPx: width, floorPx: narrow ? Math.min(26, look.floor) : look.floor, gapPx: look.gap };
    return narrow ? layOutWrapped(blocks, measure) : layOutLine(blocks, measure, pxPerMs);
  }, [blocks, width, narrow, look, pxPerMs]);
  const above = standing ? (narrow ? 64 : overlay ? 92 : look.above) : 4;
  const lineHeight = above + look.band + (look.labels ? LABEL_PX + (narrow || overlay ? 6 : 16) : 6);
  const head = layout && playheadMs !== undefined ? positionAt(layout, playheadMs) : undefined;
  const floored =
    layout?.lines.some((l) => l.blocks.some((b) => b.cells.some((c) => c.width > c.trueWidth + 1))) ?? false;
  return (
    <div
      ref={ref}
      {...(overlay ? {} : { role: 'img', 'aria-label': label })}
      className="w-full"
      style={{ minHeight: lineHeight }}
    >
      {layout?.lines.map((line, i) => (
        <div key={i} className="relative" style={{ height: lineHeight }}>
          {standing && (
            <div className="absolute inset-x-0 top-0" style={{ height: above + 1 }}>
              {line.blocks.flatMap((b) =>
                b.cells.map((c, k) =>
                  c.cell.referenceId === null ? null : (
                    <div
                      key={`${b.index}:${k}`}
                      className="absolute bottom-0 flex items-end justify-center"
                      style={{ left: c.x, width: c.width, height: above }}
                    >
                      {standing(c, k)}
                    </div>
                  ),
                ),
              )}
            </div>
          )}
          <BandLine
            line={line.blocks}
            look={look}
            above={above}
            width={width}
            headX={head === undefined ? undefined : headIn(head, i, width)}
            showHead={head?.line === i}
            follow={followPlayhead && ((move) => followPlayhead((ms) => move(positionAt(layout, ms), i)))}
            trueMarks={size === 'plan'}
          />
          {look.labels && (
            <Labels line={line.blocks} top={above + look.band + (overlay ? 9 : 12)} width={width} times={times} />
          )}
          {overlay?.(line.blocks, {
            lineIndex: i,
            above,
            band: look.band,
            height: lineHeight,
            pxPerMs: layout.pxPerMs,
          })}
        </div>
      ))}
      {size === 'plan' && floored && (
        <p className="mt-1 text-[13px] text-quiet" aria-hidden>
          Underlined: the true width of a cell drawn wider, so that you can see it.
        </p>
      )}
    </div>
  );
}

interface LabelsProps {
  line: readonly PlacedBlock[];
  top: number;
  width: number;
  times: ((ms: number) => string) | undefined;
}
function Labels({ line, top, width, times }: LabelsProps) {
  return line.map((b, i) => {
    const next = i + 1 < line.length ? line[i + 1].x : width;
    return (
      <div
        key={`${b.index}:${b.x}`}
        aria-hidden
        className="absolute text-[13px] leading-tight"
        style={{ left: Math.min(b.x, width - 44), top, width: Math.max(44, next - b.x - 4) }}
      >
        {times && <span className="block text-quiet tabular-nums">{times(b.cells[0].cell.startMs)}</span>}
        <span className="block font-semibold">{b.block.label}</span>
        {!times && <span className="text-quiet">{b.block.measure}</span>}
      </div>
    );
  });
}
