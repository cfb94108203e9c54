import type { Hold } from '../clock/replay';
import { visitSpentMs } from '../clock/account';
import { stateOnTimeline } from '../clock/run';
import { clockDigits } from '../practice/time/duration';
import { expandPlan, type Laid, type Segment, segmentMs, type Timeline } from '../practice/time/timeline';
import type { Plan } from '../practice/plan/schema';
import type { Visit } from '../clock/visit';
import { counted, listPhrases } from '../words';
import type { Session } from './session';

/** What ends or runs on by less than this is on time. */
const LEAST_MS = 1000;

const summed = (lengthsMs: readonly number[]): number => lengthsMs.reduce((sum, ms) => sum + ms, 0);

/** Seconds as they are shown: what reads the same is the same. */
const secondsOf = (ms: number): number => Math.round(ms / 1000);

/** What made the difference to the plan, in phrases. */
function differences(plan: Plan, { segments }: Laid, visits: readonly Visit[], holds: readonly Hold[]): string[] {
  const awaitedMs = summed(holds.flatMap((h) => (h.reason === 'picture' && !h.counted ? [h.toMs - h.fromMs] : [])));
  const heldMs = summed(visits.map((v) => v.heldMs)) - awaitedMs;
  const extraMs = summed(visits.flatMap((v) => (v.extra ? [visitSpentMs(v)] : [])));
  const isOdd = ({ blockIndex, poseIndex }: Segment): boolean => {
    const block = plan.blocks[blockIndex];
    return block.kind === 'poses' && block.poses[poseIndex]?.odd === true;
  };
  // Against its length: what counts up or comes out of a pot has none of its own, and the odd one out is as good skipped.
  const early: number[] = [];
  const over: number[] = [];
  let oddSkipped = false;
  for (const visit of visits) {
    const segment = segments[visit.segmentIndex];
    if (segment.kind !== 'draw' || segment.open || segment.potMs !== undefined) continue;
    const offMs = visitSpentMs(visit) - visit.lengthMs;
    if (offMs >= LEAST_MS) over.push(offMs);
    // Time added by going back need not be used up.
    if (visit.ended !== 'next' || visit.extra === 'more time' || offMs > -LEAST_MS) continue;
    if (isOdd(segment)) oddSkipped = true;
    else early.push(-offMs);
  }
  return [
    ...(heldMs >= 1000 ? [`${clockDigits(heldMs)} on hold`] : []),
    ...(awaitedMs >= 1000 ? [`${clockDigits(awaitedMs)} waiting for pictures`] : []),
    ...(extraMs >= 1000 ? [`${clockDigits(extraMs)} more on poses you went back to`] : []),
    ...(early.length > 0 ? [`${counted(early.length, 'pose')} ended early, by ${clockDigits(summed(early))}`] : []),
    ...(over.length > 0 ? [`${counted(over.length, 'pose')} run over, by ${clockDigits(summed(over))}`] : []),
    ...(oddSkipped ? ['the odd one out skipped'] : []),
  ];
}

/** What was planned, with open drawings at the time they took: they have no planned time of their own. */
function plannedMs({ segments, totalMs }: Timeline, visits: readonly Visit[]): number {
  const open = visits.filter((v) => segments[v.segmentIndex].open && segments[v.segmentIndex].kind === 'draw');
  const reached = new Set(open.map((v) => v.segmentIndex));
  const spent = summed(open.map(visitSpentMs));
  return totalMs + spent - summed([...reached].map((i) => segmentMs(segments[i])));
}

/** How the session differed from its plan, as sentences: overall first, then what made the difference. */
export function compareToPlan({ plan, log, lastSeenMs }: Session): string {
  const timeline = expandPlan(plan);
  const { visits, holds, completed } = stateOnTimeline(timeline, log, lastSeenMs);
  if (visits.length === 0) return 'Nothing was drawn.';
  const wallMs = visits[visits.length - 1].endMs - visits[0].startMs;
  const parts = differences(plan, timeline, visits, holds);
  const because = parts.length > 0 ? `, with ${listPhrases(parts)}` : '';
  const totalMs = plannedMs(timeline, visits);
  if (!completed) {
    const reached = new Set(visits.map((v) => v.segmentIndex));
    const drawings = timeline.segments.flatMap((s, i) => (s.kind === 'draw' ? [i] : []));
    const missed = drawings.filter((i) => !reached.has(i)).length;
    const rest =
      missed === 0
        ? 'every pose was reached'
        : `${missed} of ${counted(drawings.length, 'pose')} ${missed === 1 ? 'is' : 'are'} left for another day`;
    const against = `${wallMs <= totalMs ? ' of' : ', planned for'} ${clockDigits(totalMs)}`;
    return `You stopped after ${clockDigits(wallMs)}${against}${because}; ${rest}.`;
  }
  const difference = secondsOf(wallMs) - secondsOf(totalMs);
  if (difference === 0) return `As planned, to the second${because}.`;
  return `You took ${clockDigits(Math.abs(difference) * 1000)} ${difference > 0 ? 'more' : 'less'} than planned${because}.`;
}
