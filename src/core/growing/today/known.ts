import { rollup } from 'd3-array';
import type { Session } from '../../journal/session';
import { nextTimeNote } from '../../journal/reflect';
import { localDay } from '../../moment';
import { exerciseById } from '../../practice/exercises';
import type { FacingCount } from '../../references/coverage';
import {
  type Bias,
  type BiasId,
  biasesOf,
  BIAS_IDS,
  type MeasuredDrawing,
  remediesTaken,
  remedyEffects,
  type RemedyEffect,
} from '../biases';
import type { Piece } from '../pieces';
import { nextStepMs } from '../../practice/time/staircase';
import { wholeAnswers } from '../workingTime';

/** What the months say of a learner, as far as a session is made of it. Days are local days. */
export interface Known {
  today: number;
  /** The day of the first session; missing before it. */
  firstDay?: number;
  /** The last day before today with a session. */
  lastDay?: number;
  /** When each exercise, and each family of exercises, was drawn last. */
  exerciseDay: ReadonlyMap<string, number>;
  exerciseFamilyDay: ReadonlyMap<string, number>;
  /** When each family of poses was drawn last. */
  poseFamilyDay: ReadonlyMap<string, number>;
  /** When each view of a figure was drawn last. */
  viewDay: ReadonlyMap<string, number>;
  /** Lengths of the drawings of each exercise on the last day before today, ms. */
  lastLengths: ReadonlyMap<string, ReadonlySet<number>>;
  /** When the other hand drew last. */
  otherHandDay?: number;
  facings: FacingCount;
  /** By exercise: what the answers about the whole figure propose to try next, ms, and the length they are about. */
  next: ReadonlyMap<string, { nextMs: number; lengthMs: number }>;
  biases: readonly Bias[];
  effects: ReadonlyMap<BiasId, readonly RemedyEffect[]>;
  /** When each offer was last followed. */
  offerDay: ReadonlyMap<string, number>;
  /** What the learner wanted to do next time, after the last session. */
  wanted?: string;
  /** Whose it is, where it is not the learner's own. */
  of?: string;
}

export interface KnownInput {
  /** Kept sessions of one learner. */
  sessions: readonly Session[];
  pieces: readonly Piece[];
  familyOf: (referenceId: string) => string | undefined;
  viewOf: (referenceId: string) => string | undefined;
  measured: readonly MeasuredDrawing[];
  facings: FacingCount;
  nowMs: number;
  of?: string | undefined;
}

const latest = <T>(
  items: readonly T[],
  key: (item: T) => string | undefined,
  day: (item: T) => number,
): Map<string, number> =>
  rollup(
    items.filter((item) => key(item) !== undefined),
    (some) => some.reduce((last, item) => Math.max(last, day(item)), -Infinity),
    (item) => key(item) ?? '',
  );

/** What the months say, from all that was drawn. What is drawn today does not count yet, but for the families and exercises of it. */
export function knownOf({ sessions, pieces, familyOf, viewOf, measured, facings, nowMs, of }: KnownInput): Known {
  const today = localDay(nowMs);
  const day = ({ atMs }: Pick<Piece, 'atMs'>): number => localDay(atMs);
  const drawn = pieces.filter(({ drawing }) => drawing);
  const days = sessions.map(({ startedAtMs }) => localDay(startedAtMs));
  const before = days.filter((one) => one < today);
  const lastDay = before.length > 0 ? before.reduce((a, b) => Math.max(a, b)) : undefined;
  const lastLengths = new Map<string, Set<number>>();
  for (const { exerciseId, lengthMs, atMs } of drawn)
    if (exerciseId !== null && localDay(atMs) === lastDay)
      lastLengths.set(exerciseId, (lastLengths.get(exerciseId) ?? new Set()).add(lengthMs));
  const usual = new Map(sessions.map(({ id, usualHand }) => [id, usualHand && `${usualHand} hand`]));
  const others = drawn.filter(
    ({ sessionId, hand }) => hand === 'other hand' || (hand !== 'usual hand' && hand !== usual.get(sessionId)),
  );
  const otherHandDay = latest(others, () => 'other', day).get('other');
  const taken = remediesTaken(sessions);
  const wanted = nextTimeNote(sessions);
  return {
    today,
    ...(days.length > 0 && { firstDay: days.reduce((a, b) => Math.min(a, b)) }),
    ...(lastDay !== undefined && { lastDay }),
    exerciseDay: latest(drawn, ({ exerciseId }) => exerciseId ?? undefined, day),
    exerciseFamilyDay: latest(
      drawn,
      ({ exerciseId }) => (exerciseId === null ? undefined : exerciseById(exerciseId).family),
      day,
    ),
    poseFamilyDay: latest(drawn, ({ referenceId }) => (referenceId === null ? undefined : familyOf(referenceId)), day),
    viewDay: latest(drawn, ({ referenceId }) => (referenceId === null ? undefined : viewOf(referenceId)), day),
    lastLengths,
    ...(otherHandDay !== undefined && { otherHandDay }),
    facings,
    next: new Map(
      [...wholeAnswers(pieces)].flatMap(([id, { answers }]) => {
        const nextMs = nextStepMs(answers);
        const last = answers.at(-1);
        return nextMs !== undefined && last ? [[id, { nextMs, lengthMs: last.lengthMs }] as const] : [];
      }),
    ),
    biases: biasesOf(measured),
    effects: new Map(BIAS_IDS.map((id) => [id, remedyEffects(id, measured, taken)])),
    offerDay: latest(
      sessions,
      ({ plan }) => plan.cause?.offer,
      ({ startedAtMs }) => localDay(startedAtMs),
    ),
    ...(wanted && { wanted }),
    ...(of && { of }),
  };
}
