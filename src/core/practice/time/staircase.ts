import { nextDurationStepMs, previousDurationStepMs } from './durationSteps';

/** What was said of one drawing: the length it had, milliseconds, and whether the whole figure was down in it. */
export interface LengthAnswer {
  lengthMs: number;
  down: boolean;
}

/**
 * Finds the length to try next: after a no, the next longer step; after two yeses in a row at the shortest length of the run, the next
 * shorter; else that shortest length again, since what is whole in less time is whole in more.
 * Source: H. Levitt, "Transformed up-down methods in psychoacoustics", J. Acoust. Soc. Am. 49, 1971: it settles where 70.7 % are yes.
 * @param answers Oldest first.
 * @returns Milliseconds; undefined where nothing was said.
 */
export function nextStepMs(answers: readonly LengthAnswer[]): number | undefined {
  const last = answers.at(-1);
  if (!last) return undefined;
  if (!last.down) return nextDurationStepMs(last.lengthMs);
  const run = answers.slice(answers.findLastIndex(({ down }) => !down) + 1);
  const shortestMs = Math.min(...run.map(({ lengthMs }) => lengthMs));
  const times = run.filter(({ lengthMs }) => lengthMs === shortestMs).length;
  return times >= 2 ? previousDurationStepMs(shortestMs) : shortestMs;
}
