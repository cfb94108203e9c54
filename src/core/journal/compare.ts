import { visitSpentMs } from '../clock/account';
import { stateOnTimeline } from '../clock/run';
import { clockDigits } from '../practice/time/duration';
import { expandPlan } from '../practice/time/timeline';
import { listWords } from '../words';
import type { Session } from './session';

/** How the session differed from its plan, as sentences: overall first, then what made the difference. */
export function compareToPlan({ plan, log, lastSeenMs }: Session): string {
  const timeline = expandPlan(plan);
  const { visits, completed } = stateOnTimeline(timeline, log, lastSeenMs);
  if (visits.length === 0) return 'Nothing was drawn.';
  const wallMs = visits[visits.length - 1].endMs - visits[0].startMs;
  const heldMs = visits.reduce((sum, v) => sum + v.heldMs, 0);
  const extraMs = visits.filter((v) => v.extra).reduce((sum, v) => sum + visitSpentMs(v), 0);
  const reached = new Set(visits.map((v) => v.segmentIndex));
  const drawings = timeline.segments.flatMap((s, i) => (s.kind === 'draw' ? [i] : []));
  const missed = drawings.filter((i) => !reached.has(i)).length;
  const cutShort = visits.filter((v) => timeline.segments[v.segmentIndex].kind === 'draw' && v.ended === 'next').length;
  const parts: string[] = [];
  if (heldMs >= 1000) parts.push(`${clockDigits(heldMs)} on hold`);
  if (extraMs >= 1000) parts.push(`${clockDigits(extraMs)} more on poses you went back to`);
  if (cutShort > 0) parts.push(`${cutShort === 1 ? 'one pose' : `${cutShort} poses`} ended early`);
  const because = parts.length > 0 ? `, with ${listWords(parts)}` : '';
  const difference = wallMs - timeline.totalMs;
  if (!completed)
    return `You stopped after ${clockDigits(wallMs)} of ${clockDigits(timeline.totalMs)}${because}; ${
      missed === 0 ? 'every pose was reached' : `${missed} of ${drawings.length} poses are left for another day`
    }.`;
  if (Math.abs(difference) < 1000) return `As planned, to the second${because}.`;
  return `You took ${clockDigits(Math.abs(difference))} ${difference > 0 ? 'more' : 'less'} than planned${because}.`;
}
