import type { Plan } from '../practice/plan/schema';
import type { Exercise } from '../practice/exercises/exercise';
import { mostMarks } from '../practice/rules/marks';
import { asksWhole } from '../practice/rules/asksWhole';
import { drawingKey } from '../practice/rules/holds';
import { poseExercise, poseIn } from '../practice/rules/poseExercise';
import type { Segment, SegmentKind } from '../practice/time/timeline';
import { visitSpentMs } from './account';
import type { RunState } from './run';
import type { Visit } from './visit';

/** Where the eye is to go first is chosen in these. */
export const FOCAL_IN: readonly SegmentKind[] = ['leadIn', 'look', 'draw'];

/** Where the eye is to go first in the drawing that a segment is about, as it was chosen last. */
export function focalNow(
  plan: Plan,
  segments: readonly Segment[],
  { visits }: Pick<RunState, 'visits'>,
): Visit['focal'] {
  const at = visits.at(-1);
  return at && focalOf(plan, segments, visits, drawingKey(plan, segments[at.segmentIndex]));
}

const focalOf = (plan: Plan, segments: readonly Segment[], visits: readonly Visit[], drawing: string): Visit['focal'] =>
  visits.findLast((v) => v.focal && drawingKey(plan, segments[v.segmentIndex]) === drawing)?.focal;

export interface Asked {
  drawn: Visit;
  asks: 'whole' | 'focal' | undefined;
  /** How many marks were allowed, where they are counted. */
  marks: number | undefined;
  /** Of what exercise; what is ticked as missing is among what it looks at. */
  exercise: Exercise;
  /** What is missing is ticked: that was wanted after each pose, and there is something to look for. */
  ticked: boolean;
}

function isTicked(plan: Plan, { blockIndex }: Segment, { lookAt }: Exercise): boolean {
  const block = plan.blocks[blockIndex];
  return block?.kind === 'poses' && block.settings?.tickEach === true && lookAt.length > 0;
}

/** What is asked of the drawing made last, besides its line: whether the figure was whole, whether the eye still goes where it should. */
export function askedOf(plan: Plan, segments: readonly Segment[], visits: readonly Visit[]): Asked | undefined {
  const drawn = visits.findLast((v) => segments[v.segmentIndex].kind === 'draw');
  const exercise = drawn && poseExercise(plan, segments[drawn.segmentIndex]);
  if (!drawn || !exercise) return undefined;
  const segment = segments[drawn.segmentIndex];
  const more = { drawn, exercise, marks: mostMarks(exercise.rule), ticked: isTicked(plan, segment, exercise) };
  if (drawn.wholeInMs === undefined && asksWhole(exercise, visitSpentMs(drawn), poseIn(plan, segment)?.shows))
    return { ...more, asks: 'whole' };
  const chosen = focalOf(plan, segments, visits, drawingKey(plan, segments[drawn.segmentIndex]));
  return { ...more, asks: chosen ? 'focal' : undefined };
}
