import { mirroredReference } from '../references/mirrorReference';
import { type Drawing, posesDrawn } from '../journal/drawings';
import { keptDrawingId } from '../journal/keptDrawing';
import { replayOf } from '../journal/replay';
import type { Session } from '../journal/session';
import { localDay } from '../moment';
import { LEAD_IN_MS } from '../practice/edit/newBlock';
import type { Plan, PosesBlock, PosePlan } from '../practice/plan/schema';
import { durationWords } from '../practice/time/duration';
import { seededRandom } from '../random';
import { without } from '../without';

/** After so many days a picture returns to be drawn again, from the first drawing on. */
export const USUAL_WAITS: readonly number[] = [7, 60, 365];

/** A drawing and where it is from. */
export interface DatedDrawing {
  session: Session;
  drawing: Drawing;
}

/** A picture that is due to be drawn again: the first drawing of it, and the last. */
export interface Return {
  first: DatedDrawing;
  last: DatedDrawing;
  /** The wait that is over, days. */
  waited: number;
  /** Local day on which it was due. */
  dueDay: number;
}

/** The picture of a drawing as it is known whichever way round it was shown. */
const pictureOf = (referenceId: string): string => [referenceId, mirroredReference(referenceId)].sort()[0];

/** Every drawing that was made from a picture, by picture and exercise, oldest first: only what was drawn under one rule can be laid side by side. */
function drawnAgain(sessions: readonly Session[]): DatedDrawing[][] {
  const groups = new Map<string, DatedDrawing[]>();
  for (const session of sessions.toSorted((a, b) => a.startedAtMs - b.startedAtMs))
    for (const drawing of posesDrawn(session)) {
      if (drawing.referenceId === null || drawing.exercise.rule.reference === 'none') continue;
      const key = `${drawing.exercise.id}\n${pictureOf(drawing.referenceId)}`;
      groups.set(key, [...(groups.get(key) ?? []), { session, drawing }]);
    }
  return [...groups.values()];
}

/**
 * Pictures that are due, the one that waits longest first. A picture is due when the next of the waits is over since it was drawn first;
 * of several drawings on one day the first counts.
 * @param waits Days, rising.
 * @param has Whether a drawing can still be seen: what cannot is not asked for.
 */
export function returnsDue(
  sessions: readonly Session[],
  today: number,
  waits: readonly number[],
  has: (drawing: DatedDrawing) => boolean,
): Return[] {
  return drawnAgain(sessions)
    .flatMap((drawings): Return[] => {
      const [first] = drawings;
      const day = ({ session }: DatedDrawing): number => localDay(session.startedAtMs);
      const later = new Set(drawings.map(day).filter((one) => one > day(first))).size;
      const waited = waits.at(later);
      if (waited === undefined || today - day(first) < waited || !has(first)) return [];
      return [{ first, last: drawings[drawings.length - 1], waited, dueDay: day(first) + waited }];
    })
    .sort((a, b) => a.dueDay - b.dueDay);
}

/** "Drawn on November 3": a plan of one pose, the same picture under the same rule for the same time. */
export function againPlan({ session, drawing }: DatedDrawing, seed: number): Plan {
  const { plan } = replayOf(session);
  const segment = drawing.visit.segmentIndex;
  const found = poseOf(plan, drawing);
  const exercise = found.pose.exercise ?? found.block.exercise;
  const lengthMs = found.pose.drawMs;
  const pose: PosePlan = {
    ...found.pose,
    referenceId: drawing.referenceId,
    leadInMs: Math.max(LEAD_IN_MS, found.pose.leadInMs),
  };
  const rest = without(pose, 'exercise', 'odd');
  return {
    version: 2,
    title: `${drawing.exercise.name} again`,
    why: `The same picture under the same rule, ${durationWords(lengthMs)}: to lay beside the first.`,
    seed: seed + segment,
    availableMs: Math.max(1000, rest.leadInMs + rest.lookMs + rest.drawMs + (rest.againMs ?? 0) + rest.lookAgainMs),
    blocks: [{ ...found.block, exercise, changeMs: 0, poses: [rest] }],
    ...(plan.exercises && { exercises: plan.exercises }),
    cause: { again: keptDrawingId(session.id, drawing.drawing) },
  };
}

/** The pose a drawing was made of. */
function poseOf(plan: Plan, { drawing, exercise, referenceId }: Drawing): { block: PosesBlock; pose: PosePlan } {
  for (const block of plan.blocks) {
    if (block.kind !== 'poses') continue;
    const pose = block.poses.find(
      (one) => one.referenceId === referenceId && (one.exercise ?? block.exercise) === exercise.id,
    );
    if (pose) return { block, pose };
  }
  throw new Error(`no pose of drawing ${drawing}`);
}

/** Two drawings of one picture in an order that tells nothing: which of them is the newer? */
export interface BlindPair {
  left: DatedDrawing;
  right: DatedDrawing;
  newer: 'left' | 'right';
}

/** A pair made blind. @param seed Another one gives another order. */
export function blindPair(older: DatedDrawing, newer: DatedDrawing, seed: number): BlindPair {
  return seededRandom(seed)() < 0.5
    ? { left: older, right: newer, newer: 'right' }
    : { left: newer, right: older, newer: 'left' };
}

/** The first and the last drawing of each picture that was drawn on different days, the latest first. */
export function pairsOf(sessions: readonly Session[]): { older: DatedDrawing; newer: DatedDrawing }[] {
  return drawnAgain(sessions)
    .flatMap((drawings) => {
      const [older] = drawings;
      const newer = drawings[drawings.length - 1];
      return localDay(newer.session.startedAtMs) > localDay(older.session.startedAtMs) ? [{ older, newer }] : [];
    })
    .sort((a, b) => b.newer.session.startedAtMs - a.newer.session.startedAtMs);
}
