import type { Laid, Segment } from '../practice/time/timeline';
import type { Visit } from './visit';

/** Drawings of a pose block that share one pot of time, by index of their segments, from a segment on. */
function potDrawings({ segments }: Laid, blockIndex: number, from = 0): number[] {
  return segments.flatMap((s, i) => (i >= from && s.blockIndex === blockIndex && s.potMs !== undefined ? [i] : []));
}

/** What the drawings of a block have left of their pot, milliseconds; 0 where it has none. */
export function potLeftMs(timeline: Laid, visits: readonly Visit[], blockIndex: number): number {
  const shared = potDrawings(timeline, blockIndex);
  if (shared.length === 0) return 0;
  const { potMs = 0 } = timeline.segments[shared[0]];
  const drawn = visits.filter((v) => shared.includes(v.segmentIndex));
  return Math.max(0, potMs - drawn.reduce((sum, v) => sum + v.endMs - v.startMs - v.heldMs, 0));
}

/** How long a drawing out of a pot may take when it is begun: all that is left, or an even share of it where that was asked for. */
export function potLengthMs(
  timeline: Laid,
  visits: readonly Visit[],
  segmentIndex: number,
  shareMs: number | undefined,
): number {
  const { blockIndex } = timeline.segments[segmentIndex];
  const leftMs = potLeftMs(timeline, visits, blockIndex);
  const isLast = potDrawings(timeline, blockIndex, segmentIndex + 1).length === 0;
  return shareMs === undefined || isLast ? leftMs : Math.min(shareMs, leftMs);
}

/** Where a session goes on after a segment that ran out: past the whole block once its pot is empty. */
export function indexAfter({ segments }: Laid, segmentIndex: number, potIsEmpty: boolean): number {
  const { blockIndex, potMs } = segments[segmentIndex];
  if (potMs === undefined || !potIsEmpty) return segmentIndex + 1;
  const beyond = segments.findIndex((s, i) => i > segmentIndex && s.blockIndex !== blockIndex);
  return beyond === -1 ? segments.length : beyond;
}

/** A pot as it stands. */
export interface Pot {
  leftMs: number;
  /** Drawings still to come out of it, the one at hand among them. */
  drawings: number;
  /** What each of them has if it is shared out evenly, whole milliseconds. */
  eachMs: number;
}

/** The pot that the segment at hand draws from or leads to; undefined where there is none, or nothing is left to share. */
export function potAt(timeline: Laid, state: { segmentIndex: number; visits: readonly Visit[] }): Pot | undefined {
  const segment: Segment | undefined = timeline.segments[state.segmentIndex];
  if (!segment) return undefined;
  const drawings = potDrawings(timeline, segment.blockIndex, state.segmentIndex).length;
  const leftMs = potLeftMs(timeline, state.visits, segment.blockIndex);
  return drawings === 0 || leftMs === 0 ? undefined : { leftMs, drawings, eachMs: Math.floor(leftMs / drawings) };
}
