import type { RunEvent } from '../clock/log';
import type { Plan } from '../practice/plan/schema';
import { expandPlan, segmentMs } from '../practice/time/timeline';

/** Drawings and pages of a plan in order: what has a box on the printed sheet. */
export const timedSegments = (plan: Plan): { segmentIndex: number; plannedMs: number }[] =>
  expandPlan(plan).segments.flatMap((s, segmentIndex) =>
    s.kind === 'draw' || s.kind === 'page' ? [{ segmentIndex, plannedMs: segmentMs(s) }] : [],
  );

const MAX_EXTEND_MS = 3600_000;

/**
 * The log of a session that was timed by hand: as if it had run, with each drawing as long as it was. What was not written down went as
 * planned; a drawing that was left out is passed over at once.
 * @param actualMs By the order of `timedSegments`; undefined where nothing was written.
 */
export function logByHand(plan: Plan, actualMs: readonly (number | undefined)[]): { log: RunEvent[]; endMs: number } {
  const { segments } = expandPlan(plan);
  const written = new Map(timedSegments(plan).map(({ segmentIndex }, i) => [segmentIndex, actualMs[i]]));
  const log: RunEvent[] = [{ type: 'start', atMs: 0 }];
  let at = 0;
  segments.forEach((segment, i) => {
    const planned = segmentMs(segment);
    const actual = written.get(i) ?? planned;
    const endsByItself = !segment.open && segment.overMs === 0 && segment.potMs === undefined;
    for (let over = endsByItself ? actual - planned : 0; over > 0; over -= MAX_EXTEND_MS)
      log.push({ type: 'extend', atMs: at, byMs: Math.min(over, MAX_EXTEND_MS) });
    at += actual;
    if (!endsByItself || actual < planned) log.push({ type: 'next', atMs: at });
  });
  return { log, endMs: at };
}
