import type { Laid } from '../practice/time/timeline';
import type { Visit } from './visit';

/** How many drawings of a block share its pot, from a segment on; a block's segments stand together. */
function potDrawings({ segments }: Laid, from: number): number {
  let count = 0;
  for (let i = from; i < segments.length && segments[i].blockIndex === segments[from].blockIndex; i++)
    if (segments[i].potMs !== undefined) count++;
  return count;
}

/** What a stay took out of a pot, milliseconds; 0 where there is none. */
export const outOfPotMs = ({ segments }: Laid, { segmentIndex, endMs, startMs, heldMs }: Visit): number =>
  segments[segmentIndex].potMs === undefined ? 0 : endMs - startMs - heldMs;

/** What a pot has left of its time, milliseconds. */
export const leftInPotMs = (potMs: number, spentMs: number): number => Math.max(0, potMs - spentMs);

/** The pot of the block that a segment belongs to, milliseconds; 0 where it has none. */
export function potOfBlockMs({ segments }: Laid, segmentIndex: number): number {
  const { blockIndex } = segments[segmentIndex];
  for (let i = segmentIndex; segments[i]?.blockIndex === blockIndex; i++)
    if (segments[i].potMs !== undefined) return segments[i].potMs ?? 0;
  for (let i = segmentIndex - 1; segments[i]?.blockIndex === blockIndex; i--)
    if (segments[i].potMs !== undefined) return segments[i].potMs ?? 0;
  return 0;
}

/** What the drawings of a block have left of their pot, milliseconds; 0 where it has none. */
export function potLeftMs(timeline: Laid, visits: readonly Visit[], segmentIndex: number): number {
  const { blockIndex } = timeline.segments[segmentIndex];
  let spentMs = 0;
  for (const visit of visits)
    if (timeline.segments[visit.segmentIndex].blockIndex === blockIndex) spentMs += outOfPotMs(timeline, visit);
  return leftInPotMs(potOfBlockMs(timeline, segmentIndex), spentMs);
}

/**
 * How long a drawing out of a pot may take when it is begun: all that is left, or an even share of it where that was asked for.
 * @param leftMs What is left in the pot.
 */
export function potLengthMs(timeline: Laid, leftMs: number, segmentIndex: number, shareMs: number | undefined): number {
  const isLast = potDrawings(timeline, segmentIndex) === 1;
  return shareMs === undefined || isLast ? leftMs : Math.min(shareMs, leftMs);
}

/** Where a session goes on after a segment: past the whole block once its pot is empty. */
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
  if (!timeline.segments[state.segmentIndex]) return undefined;
  return potOf(timeline, state.segmentIndex, potLeftMs(timeline, state.visits, state.segmentIndex));
}

/** The same where it is known what is left. */
export function potOf(timeline: Laid, segmentIndex: number, leftMs: number): Pot | undefined {
  const drawings = potDrawings(timeline, segmentIndex);
  return drawings === 0 || leftMs === 0 ? undefined : { leftMs, drawings, eachMs: Math.floor(leftMs / drawings) };
}
