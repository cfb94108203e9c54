import { visitSpentMs } from '../clock/account';
import { potLeftMs } from '../clock/pot';
import { type RunState, stateOnTimeline } from '../clock/run';
import { withChoices } from '../clock/choices';
import { mapPoses, poseKey } from '../practice/plan/planPoses';
import type { Block, Plan, PosePlan, PosesBlock } from '../practice/plan/schema';
import { countPoses, sumPlan } from '../practice/time/sums';
import { expandPlan, type Segment, type Timeline } from '../practice/time/timeline';
import { without } from '../without';
import type { Session } from './session';

/** Less than this is left of a drawing: it is done. */
const LEAST_LEFT_MS = 5000;

/** Lengths that were changed for drawings to come. */
function withLengths(plan: Plan, { segments }: Timeline, lengths: ReadonlyMap<number, number>): Plan {
  const changed = new Map([...lengths].map(([i, ms]) => [poseKey(segments[i]), ms]));
  return mapPoses(plan, (pose, at) => ({ ...pose, drawMs: changed.get(poseKey(at)) ?? pose.drawMs }));
}

/** The pose that was stopped, with what was left of its time; undefined where it was as good as done. */
function unfinished(pose: PosePlan, { kind, open, potMs }: Segment, leftMs: number): PosePlan | undefined {
  if (kind === 'leadIn' || kind === 'look') return pose;
  if (kind !== 'draw') return undefined;
  if (open || potMs !== undefined) return pose;
  return leftMs < LEAST_LEFT_MS ? undefined : { ...pose, drawMs: Math.round(leftMs) };
}

/** The rest of a block of poses from the one that was stopped; undefined where nothing is left of it. */
function restOfPoses(block: PosesBlock, timeline: Timeline, { visits }: RunState): PosesBlock | undefined {
  const last = visits[visits.length - 1];
  const segment = timeline.segments[last.segmentIndex];
  const stopped = unfinished(block.poses[segment.poseIndex], segment, last.lengthMs - visitSpentMs(last));
  const poses = [...(stopped ? [stopped] : []), ...block.poses.slice(segment.poseIndex + 1)];
  if (poses.length === 0) return undefined;
  if (block.settings?.potMs === undefined) return { ...block, poses };
  const potMs = potLeftMs(timeline, visits, last.segmentIndex);
  return potMs < LEAST_LEFT_MS ? undefined : { ...block, poses, settings: { ...block.settings, potMs } };
}

/** What a block that was stopped still has. */
function restOfBlock(block: Block, timeline: Timeline, state: RunState): Block | undefined {
  const { poseIndex } = timeline.segments[state.visits[state.visits.length - 1].segmentIndex];
  switch (block.kind) {
    case 'poses':
      return restOfPoses(block, timeline, state);
    case 'body':
      return { ...block, moves: block.moves.slice(poseIndex) };
    case 'lines':
      return { ...block, pages: block.pages.slice(poseIndex) };
    case 'rest':
      return undefined;
  }
}

/**
 * Returns the rest of a stopped session as a plan: the drawing that was stopped, with the time it had left, then everything after it,
 * including what the learner changed on the way.
 * @returns Undefined if the session ran to its end or no drawing is left.
 */
export function restOfSession({ plan: planned, log, lastSeenMs }: Session): Plan | undefined {
  const timeline = expandPlan(planned);
  const state = stateOnTimeline(timeline, log, lastSeenMs);
  const last = state.visits.at(-1);
  if (state.completed || !last || state.phase !== 'done') return undefined;
  const plan = withLengths(withChoices(planned, state.changes), timeline, state.lengths);
  const { blockIndex } = timeline.segments[last.segmentIndex];
  const first = restOfBlock(plan.blocks[blockIndex], timeline, state);
  const after = plan.blocks.slice(blockIndex + 1);
  // A session doesn't begin with a rest.
  const blocks = first ? [first, ...after] : after.slice(after.findIndex((b) => b.kind !== 'rest'));
  const why = 'You stopped this session part-way. This is the rest of it.';
  const rest = without({ ...plan, blocks, why }, 'finishAtMs');
  if (countPoses(rest) === 0) return undefined;
  return { ...rest, availableMs: Math.max(1000, sumPlan(rest).totalMs) };
}
