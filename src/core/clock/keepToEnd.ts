import { clamp } from '../clamp';
import type { Timeline } from '../practice/time/timeline';
import { lengthOf } from './replay';
import type { RunState } from './run';
import { sessionLeftMs } from './sessionLeft';

/** A drawing that gives way is never shorter than this, milliseconds. */
const SHORTEST_MS = 5000;
/** One that gains time has at most half as much again. */
const MOST_GAIN = 1.5;
/** Nearer than this is on the second. */
const ON_THE_SECOND_MS = 500;

/**
 * Another length for each drawing to come, so that the session ends when it was meant to: what is left of the time is shared out again, each
 * drawing in its proportion. None becomes shorter than five seconds or longer by more than half; where that does not do, it ends a little
 * off. Rests, changes and lead-ins stay as they are, and so does what counts up or shares a pot.
 * @param nowMs and @param endMs On the session clock.
 * @returns Segments whose length changes; empty where it ends on the second anyway.
 */
export function lengthsToEnd(
  timeline: Timeline,
  state: RunState,
  nowMs: number,
  endMs: number,
): { segmentIndex: number; lengthMs: number }[] {
  const offMs = endMs - nowMs - sessionLeftMs(timeline, state);
  if (state.phase !== 'running' || Math.abs(offMs) < ON_THE_SECOND_MS) return [];
  const coming = timeline.segments.flatMap((segment, segmentIndex) => {
    if (segmentIndex <= state.segmentIndex || segment.kind !== 'draw' || segment.open || segment.potMs !== undefined)
      return [];
    const before = lengthOf(timeline, state.lengths, segmentIndex);
    const planned = segment.endMs - segment.startMs;
    return [{ segmentIndex, before, low: Math.min(before, SHORTEST_MS), high: Math.max(before, planned * MOST_GAIN) }];
  });
  const wantedMs = coming.reduce((sum, { before }) => sum + before, 0) + offMs;
  const lengths = sharedOut(coming, wantedMs);
  return coming.flatMap(({ segmentIndex, before }, i) =>
    lengths[i] === before ? [] : [{ segmentIndex, lengthMs: lengths[i] }],
  );
}

/**
 * A sum shared out in proportion, in whole milliseconds, each between its limits; what one cannot take goes to the others. Of those beyond their
 * limits the side that is more beyond them is settled first, as flexible lengths are (CSS Flexible Box Layout, 9.7).
 */
function sharedOut(parts: readonly { before: number; low: number; high: number }[], sumMs: number): number[] {
  const fixed = new Map<number, number>();
  for (let round = 0; round <= parts.length; round++) {
    const free = parts.map((_, i) => i).filter((i) => !fixed.has(i));
    const weight = free.reduce((sum, i) => sum + parts[i].before, 0);
    const leftMs = sumMs - [...fixed.values()].reduce((a, b) => a + b, 0);
    const share = (i: number): number => (leftMs * parts[i].before) / weight;
    const beyond = free.filter((i) => share(i) < parts[i].low || share(i) > parts[i].high);
    if (beyond.length === 0) {
      let given = 0;
      let due = 0;
      for (const i of free) {
        due += share(i);
        const whole = Math.round(due) - given;
        given += whole;
        fixed.set(i, whole);
      }
      break;
    }
    const within = (i: number): number => clamp(share(i), parts[i].low, parts[i].high);
    const beyondMs = beyond.reduce((sum, i) => sum + within(i) - share(i), 0);
    for (const i of beyond) {
      const low = share(i) < parts[i].low;
      if (beyondMs === 0 || low === beyondMs > 0) fixed.set(i, Math.round(within(i)));
    }
  }
  return parts.map((part, i) => fixed.get(i) ?? part.before);
}

/** The next moment a clock on the wall shows a minute of the day, milliseconds since 1970. */
export function nextAtMinute(minute: number, nowMs: number): number {
  const at = new Date(nowMs);
  at.setHours(Math.floor(minute / 60), minute % 60, 0, 0);
  if (at.getTime() <= nowMs) at.setDate(at.getDate() + 1);
  return at.getTime();
}
