import { MIN_DRAWING_MS, pieceKeys, visitSpentMs } from '../clock/account';
import type { Visit } from '../clock/visit';
import type { Exercise } from '../practice/exercises/exercise';
import { poseExercise, poseIn } from '../practice/rules/poseExercise';
import { drawingKey } from '../practice/rules/holds';
import { isDrawing, referenceOf } from '../practice/rules/showsReference';
import type { Plan } from '../practice/plan/schema';
import type { Laid } from '../practice/time/timeline';
import { replayOf } from './replay';
import type { Session } from './session';

/** One stay at a drawing. Going back to it and starting it over are stays of their own. */
export interface Drawing {
  /** Stays at the same segment have the same. */
  segmentIndex: number;
  /** Stays at the same drawing have the same: at one pose, or at all holds of it. */
  drawing: string;
  /** The same, but for copies: each is a piece of its own, as the account counts them. */
  piece: string;
  exercise: Exercise;
  /** What it was drawn from; null for nothing. */
  referenceId: string | null;
  /** Said with it: which quality of line, which element. */
  label?: string;
  /** What of the picture was left out on purpose. */
  leftOut?: readonly string[];
  spentMs: number;
  visit: Visit;
  /** What the learner put on the picture for it: the line of its flow, and where the eye is to go first. Shares of the picture. */
  flowLine?: Visit['flowLine'];
  focal?: Visit['focal'];
}

/** What was put on the picture of each drawing, before it was begun or while it was made; the last of each kind holds. */
function putOnPictures(
  plan: Plan,
  { segments }: Laid,
  visits: readonly Visit[],
): Map<string, Pick<Drawing, 'flowLine' | 'focal'>> {
  const put = new Map<string, Pick<Drawing, 'flowLine' | 'focal'>>();
  for (const { segmentIndex, flowLine, focal } of visits) {
    if (!flowLine && !focal) continue;
    const key = drawingKey(plan, segments[segmentIndex]);
    put.set(key, { ...put.get(key), ...(flowLine && { flowLine }), ...(focal && { focal }) });
  }
  return put;
}

/** Every stay at a drawing in a session, in order, however short. */
function staysOf(session: Session): Drawing[] {
  const { plan, timeline, visits } = replayOf(session);
  const put = putOnPictures(plan, timeline, visits);
  const pieces = pieceKeys(plan, timeline, visits);
  return visits.flatMap((visit, i): Drawing[] => {
    const segment = timeline.segments[visit.segmentIndex];
    const exercise = isDrawing(segment) ? poseExercise(plan, segment) : undefined;
    const piece = pieces[i];
    if (!exercise || piece === undefined) return [];
    const { segmentIndex } = visit;
    const { label, leftOut } = poseIn(plan, segment) ?? {};
    const referenceId = referenceOf(plan, segment);
    const drawing = drawingKey(plan, segment);
    return [
      {
        segmentIndex,
        drawing,
        piece,
        ...put.get(drawing),
        exercise,
        referenceId,
        spentMs: visitSpentMs(visit),
        visit,
        ...(label && { label }),
        ...(leftOut && { leftOut }),
      },
    ];
  });
}

/** The stays that were worked in, in order: nothing that was only passed. */
export const drawingsOf = (session: Session): Drawing[] => staysOf(session).filter((d) => d.spentMs >= MIN_DRAWING_MS);

/** What was drawn, pose by pose: all stays at one together. */
export function posesDrawn(session: Session): Drawing[] {
  const poses = new Map<string, Drawing>();
  for (const stay of staysOf(session)) {
    const before = poses.get(stay.drawing)?.spentMs ?? 0;
    poses.set(stay.drawing, { ...stay, spentMs: before + stay.spentMs });
  }
  return [...poses.values()].filter((d) => d.spentMs >= MIN_DRAWING_MS);
}
