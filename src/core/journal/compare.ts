import { visitSpentMs } from '../clock/account';
import { stateOnTimeline } from '../clock/run';
import { clockDigits } from '../practice/time/duration';
import { expandPlan, type Segment } from '../practice/time/timeline';
import { counted, listPhrases } from '../words';
import type { Session } from './session';

/** What ends or runs on by less than this is on time. */
const LEAST_MS = 1000;

const summed = (lengthsMs: readonly number[]): number => lengthsMs.reduce((sum, ms) => sum + ms, 0);

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
  const isOdd = ({ blockIndex, poseIndex }: Segment): boolean => {
    const block = plan.blocks[blockIndex];
    return block.kind === 'poses' && block.poses[poseIndex]?.odd === true;
  };
  // Against its length: what counts up or comes out of a pot has none of its own, and the odd one out is as good skipped.
  const early: number[] = [];
  const over: number[] = [];
  let oddSkipped = false;
  for (const visit of visits) {
    const segment = timeline.segments[visit.segmentIndex];
    if (segment.kind !== 'draw' || segment.open || segment.potMs !== undefined || visit.ended === 'stop') continue;
    const offMs = visitSpentMs(visit) - visit.lengthMs;
    if (offMs >= LEAST_MS) over.push(offMs);
    if (visit.ended !== 'next' || offMs > -LEAST_MS) continue;
    if (isOdd(segment)) oddSkipped = true;
    else early.push(-offMs);
  }
  const parts: string[] = [];
  if (heldMs >= 1000) parts.push(`${clockDigits(heldMs)} on hold`);
  if (extraMs >= 1000) parts.push(`${clockDigits(extraMs)} more on poses you went back to`);
  if (early.length > 0) parts.push(`${counted(early.length, 'pose')} ended early, by ${clockDigits(summed(early))}`);
  if (over.length > 0) parts.push(`${counted(over.length, 'pose')} run over, by ${clockDigits(summed(over))}`);
  if (oddSkipped) parts.push('the odd one out skipped');
  const because = parts.length > 0 ? `, with ${listPhrases(parts)}` : '';
  const difference = wallMs - timeline.totalMs;
  if (!completed)
    return `You stopped after ${clockDigits(wallMs)}${wallMs <= timeline.totalMs ? ` of ${clockDigits(timeline.totalMs)}` : `, planned for ${clockDigits(timeline.totalMs)}`}${because}; ${
      missed === 0
        ? 'every pose was reached'
        : `${missed} of ${counted(drawings.length, 'pose')} ${missed === 1 ? 'is' : 'are'} left for another day`
    }.`;
  if (Math.abs(difference) < 1000) return `As planned, to the second${because}.`;
  return `You took ${clockDigits(Math.abs(difference))} ${difference > 0 ? 'more' : 'less'} than planned${because}.`;
}
