import { withChoices } from '@/core/clock/choices';
import { firstOfPose } from '@/core/clock/poseSegments';
import { goesOn, type RunState } from '@/core/clock/run';
import { type Exercise, isCalm } from '@/core/practice/exercises/exercise';
import type { Plan } from '@/core/practice/plan/schema';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import { referenceOf, showsReference } from '@/core/practice/rules/showsReference';
import type { Segment, SegmentKind } from '@/core/practice/time/timeline';
import { comingReferences, previewOf } from '@/features/run/words/words';

/** What is to be seen at a moment of a run, in whichever window. */
export interface Scene {
  /** The session's plan with what was chosen on the way. */
  plan: Plan;
  segment: Segment;
  exercise: Exercise | undefined;
  done: boolean;
  held: boolean;
  /** The picture to be drawn from must be on screen now. */
  needsPicture: boolean;
  /** Nothing is drawn: a rest, the body, or the pages so far are looked at. */
  resting: boolean;
  /** A pose is over and the next has not begun. */
  between: boolean;
  /** The reference of a coming pose, seen aside before it begins. */
  previewId: string | null;
  /** The reference on the stage: of the pose that is drawn, else the one that is previewed. */
  shownId: string | null;
  /** The reference of the drawing just ended, between two. */
  drawnId: string | null;
  /** References to be made ready, the one just drawn first. */
  coming: string[];
  /** Whether the last seconds at the edge turn russet. */
  urgent: boolean;
}

const RESTING: readonly SegmentKind[] = ['rest', 'body', 'lookBack'];
const BETWEEN: readonly SegmentKind[] = ['change', 'rest', 'lookBack', 'lookAgain'];
/** The pose just drawn stays at hand through these, for its answer key. */
const STAYS: readonly SegmentKind[] = ['rest', 'lookBack'];

/** @param leadInShows Whether a lead-in shows the pose it leads to. */
export function sceneOf(session: Plan, segments: readonly Segment[], state: RunState, leadInShows: boolean): Scene {
  const plan = withChoices(session, state.changes);
  const at = Math.min(state.segmentIndex, segments.length - 1);
  const segment = segments[at];
  const exercise = poseExercise(plan, segment);
  const done = state.phase === 'done';
  const between = BETWEEN.includes(segment.kind);
  const previewId = done ? null : previewOf(plan, segments, at, leadInShows);
  const drawn = state.visits.findLast((v) => segments[v.segmentIndex].kind === 'draw');
  const from = STAYS.includes(segment.kind) ? Math.max(0, at - 1) : at;
  return {
    plan,
    segment,
    exercise,
    done,
    held: state.phase === 'held' && !goesOn(state),
    needsPicture: !done && showsReference(plan, segment),
    resting: RESTING.includes(segment.kind),
    between,
    previewId,
    shownId: !done && showsReference(plan, segment) ? referenceOf(plan, segment) : previewId,
    drawnId: between && drawn ? referenceOf(plan, segments[drawn.segmentIndex]) : null,
    coming: comingReferences(plan, segments, firstOfPose(segments, from)),
    urgent: segment.kind === 'draw' && exercise !== undefined && !isCalm(exercise),
  };
}
