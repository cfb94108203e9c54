import { MIN_DRAWING_MS, pieceKeys, visitSpentMs } from '../clock/account';
import { replayOf } from '../journal/replay';
import type { Session } from '../journal/session';
import { mediaOf, poseExercise } from '../practice/rules/poseExercise';
import { referenceOf } from '../practice/rules/showsReference';
import { type Segment, segmentMs } from '../practice/time/timeline';

/** Time spent drawing on one thing, as it is counted over the months. */
export interface Piece {
  sessionId: string;
  /** When its session was begun, ms since 1970. */
  atMs: number;
  /** Whether it counts as a drawing: pages of lines do not, nor what was only passed. */
  drawing: boolean;
  spentMs: number;
  exercise: string;
  /** Null for pages of lines. */
  exerciseId: string | null;
  /** What it was planned for, ms. */
  lengthMs: number;
  /** As it was planned; undefined where nobody said. */
  medium?: string;
  hand: Hand;
  /** What it was drawn from; null for nothing. */
  referenceId: string | null;
  /** Made while explaining to others: it says nothing of the learner's own pace. */
  audience?: boolean;
  /** Whether the whole figure was down, as it was said last; the length planned, and the time until it was whole or the drawing ended, ms. */
  whole?: { exerciseId: string; down: boolean; lengthMs: number; spentMs: number };
}

export type Hand = 'left hand' | 'right hand' | 'usual hand' | 'other hand';

/** What pages of lines are counted as. */
export const LINE_PAGES = 'Pages of lines';

/** The hand a drawing was made with; which one that is, where it was said. */
export function handOf(usual: Session['usualHand'], other: boolean): Hand {
  if (!usual) return other ? 'other hand' : 'usual hand';
  return (usual === 'left') === other ? 'right hand' : 'left hand';
}

/**
 * Everything a session's drawing time went into. Its times add up to the drawing time of the session's account, and as many of it are
 * drawings as the account says.
 */
export function piecesOf(session: Session): Piece[] {
  const { id, startedAtMs, usualHand } = session;
  const { plan, timeline, visits } = replayOf(session);
  const keys = pieceKeys(plan, timeline, visits);
  const pieces = new Map<string, Piece>();
  const begun = (segment: Segment): Piece => {
    const exercise = poseExercise(plan, segment);
    const medium = mediaOf(plan, segment).join(' with ');
    return {
      sessionId: id,
      atMs: startedAtMs,
      drawing: false,
      spentMs: 0,
      exercise: exercise?.name ?? LINE_PAGES,
      exerciseId: exercise?.id ?? null,
      lengthMs: segmentMs(segment),
      ...(medium && { medium }),
      ...(plan.audience && { audience: true }),
      hand: handOf(usualHand, exercise?.rule.hand === 'other'),
      referenceId: referenceOf(plan, segment),
    };
  };
  const drawnMs = new Map<string, number>();
  for (const [i, visit] of visits.entries()) {
    const key = keys[i];
    if (key === undefined) continue;
    const segment = timeline.segments[visit.segmentIndex];
    const spentMs = visitSpentMs(visit);
    if (segment.kind !== 'page') drawnMs.set(key, (drawnMs.get(key) ?? 0) + spentMs);
    const piece = pieces.get(key) ?? begun(segment);
    const exerciseId = poseExercise(plan, segment)?.id;
    pieces.set(key, {
      ...piece,
      spentMs: piece.spentMs + spentMs,
      drawing: (drawnMs.get(key) ?? 0) >= MIN_DRAWING_MS,
      ...(visit.whole !== undefined &&
        exerciseId && {
          whole: { exerciseId, down: visit.whole, lengthMs: visit.lengthMs, spentMs: visit.wholeInMs ?? spentMs },
        }),
    });
  }
  return [...pieces.values()];
}

/** The month a moment lies in, in local time: "2026-11", which sorts as it reads. */
export function monthOf(atMs: number): string {
  const at = new Date(atMs);
  return `${String(at.getFullYear())}-${String(at.getMonth() + 1).padStart(2, '0')}`;
}
