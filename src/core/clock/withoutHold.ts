import type { RunEvent } from './log';
import type { Hold } from './replay';

/** A hold this long may be a clock that was set wrong rather than time that passed. */
const DOUBTFUL_MS = 3600_000;

/** Holds long enough to be worth asking about, longest first. */
export const doubtfulHolds = (holds: readonly Hold[]): Hold[] =>
  holds
    .filter((h) => !h.counted && h.toMs - h.fromMs >= DOUBTFUL_MS)
    .toSorted((a, b) => b.toMs - b.fromMs - (a.toMs - a.fromMs));

/** Takes the time of a hold out of a session's log: what came after moves up, and nothing drawn changes. */
export function withoutHold(
  { log, lastSeenMs }: { log: readonly RunEvent[]; lastSeenMs: number },
  { fromMs, toMs }: Pick<Hold, 'fromMs' | 'toMs'>,
): { log: RunEvent[]; lastSeenMs: number } {
  const moved = (atMs: number): number => (atMs <= fromMs ? atMs : Math.max(fromMs, atMs - (toMs - fromMs)));
  return { log: log.map((event) => ({ ...event, atMs: moved(event.atMs) })), lastSeenMs: moved(lastSeenMs) };
}
