import type { Line } from '../clock/log';
import { runStateAt } from '../clock/run';
import { type Exercise } from '../practice/exercises/exercise';
import { type PeekReading, readPeeks } from '../practice/rules/measuring';
import { subjectKindOf } from '../references/subjectKind';
import { suits } from '../practice/rules/suits';
import { lookAtFor } from '../practice/rules/lookAtFor';
import type { PictureTraits } from '../practice/rules/pictureCues';
import { countMarks, type MarkCount, marksInKind, mostMarks } from '../practice/rules/marks';
import { drawingsOf, type Drawing } from './drawings';
import { type ExerciseAnswers, NEXT_TIME_LENGTH, type Reflection } from './reflection';
import type { Session } from './session';

/** One exercise of a session, with what there is to ask about it. */
export interface ExerciseQuestions {
  exercise: Exercise;
  drawings: number;
  /** What they were drawn from, each once. */
  referenceIds: string[];
  /** The longest time spent on one of its drawings. */
  longestMs: number;
  /** How many marks were allowed; undefined without a limit. */
  marks: number | undefined;
  /** What was counted of them after its drawings. */
  counted: MarkCount | undefined;
  /** What was missing, ticked drawing by drawing: the element that was most often, of how many drawings. */
  missed: { element: string; missing: number; looked: number } | undefined;
  rubbedOut: number;
  asksOtherMark: boolean;
  asksFuzz: boolean;
  /** Blind work: looks at the sheet against the allowance. */
  peeks: (PeekReading & { count: number }) | undefined;
  /** One line: how often it was lifted. */
  lifts: number | undefined;
}

/** What to ask after a session, exercise by exercise, in the order they were drawn. */
export function questionsOf(session: Session): ExerciseQuestions[] {
  const byExercise = new Map<string, Drawing[]>();
  for (const d of drawingsOf(session)) byExercise.set(d.exercise.id, [...(byExercise.get(d.exercise.id) ?? []), d]);
  return [...byExercise.values()].map((drawn): ExerciseQuestions => {
    const { exercise } = drawn[0];
    const { gaze, lifts, erasing } = exercise.rule;
    const marks = mostMarks(exercise.rule);
    const drawnMs = drawn.reduce((sum, d) => sum + d.spentMs, 0);
    const peeks = drawn.flatMap((d) => d.visit.peeks);
    return {
      exercise,
      drawings: new Set(drawn.map((d) => d.piece)).size,
      referenceIds: [...new Set(drawn.flatMap((d) => d.referenceId ?? []))],
      longestMs: Math.max(...drawn.map((d) => d.spentMs)),
      marks,
      counted:
        marks === undefined
          ? undefined
          : countMarks(
              drawn.map((d) => ({ marks: d.visit.marks, spentMs: d.spentMs })),
              marks,
            ),
      missed: mostOften(
        exercise.lookAt,
        drawn.flatMap((d) => (d.visit.missing ? [d.visit.missing] : [])),
      ),
      rubbedOut: drawn.reduce((sum, d) => sum + (d.visit.rubbedOut ?? 0), 0),
      asksOtherMark: marksInKind(exercise.rule),
      asksFuzz: exercise.family === 'quick' && erasing === 'none' && exercise.rule.marks === 'free',
      peeks: gaze === 'only on the reference' ? { ...readPeeks(peeks, drawnMs), count: peeks.length } : undefined,
      lifts: lifts === 'none' ? drawn.reduce((sum, d) => sum + d.visit.lifts, 0) : undefined,
    };
  });
}

/** What there is to tick about an exercise: elements that may be missing, or the kinds of edges that were used; undefined where neither. */
export function ticksOf(
  exercise: Exercise,
  references: readonly PictureTraits[],
): { elements: string[]; asks: 'missing' | 'used' } | undefined {
  const { family, form, rule, lookAt } = exercise;
  if (lookAt.length === 0) return undefined;
  // Of vases there is no ribcage to miss.
  const kinds = references.map(subjectKindOf);
  if (kinds.length > 0 && kinds.every((kind) => !suits(exercise, kind))) return undefined;
  if (form?.ticksUsed) return { elements: lookAt, asks: 'used' };
  const listed = (family === 'quick' || family === 'light') && rule.marks === 'free';
  if (!listed) return undefined;
  const elements = [...lookAt, ...references.flatMap((reference) => lookAtFor(exercise, reference))];
  return { elements: [...new Set(elements)], asks: 'missing' };
}

/** So many drawings with the usual hand alone, and the other hand is proposed. */
const OTHER_HAND_AFTER = 8;

/** The whole of a longer session was drawn with the usual hand: a pose with the other one would loosen it. */
export function otherHandDue(session: Session): boolean {
  const drawn = drawingsOf(session);
  return drawn.length >= OTHER_HAND_AFTER && drawn.every((d) => d.exercise.rule.hand === 'usual');
}

/** What was said about an exercise in a session. */
export const answersFor = (reflection: Reflection | undefined, exerciseId: string): ExerciseAnswers =>
  reflection?.answers?.find((a) => a.exerciseId === exerciseId) ?? { exerciseId };

/** Returns a reflection in which `update` has changed the answers about one exercise. The exercise itself stays the same. */
export const withAnswers = (
  reflection: Reflection,
  exerciseId: string,
  update: (before: ExerciseAnswers) => ExerciseAnswers,
): Reflection => ({
  ...reflection,
  answers: [
    ...(reflection.answers ?? []).filter((a) => a.exerciseId !== exerciseId),
    { ...update(answersFor(reflection, exerciseId)), exerciseId },
  ],
});

/** A reflection with a few more words for the next time; words that are there already are not said twice. */
export function withNextTime(reflection: Reflection, words: string): Reflection {
  const said = reflection.nextTime ?? '';
  if (said.includes(words)) return reflection;
  const both = said === '' ? words : `${said.replace(/[.;]$/, '')}; ${words}`;
  return both.length > NEXT_TIME_LENGTH ? reflection : { ...reflection, nextTime: both };
}

/** Marks used against the allowance: "+6, 33 % over". */
export function marksOver(used: number, allowed: number): string {
  const over = used - allowed;
  if (over === 0) return 'exactly as many as allowed';
  const percent = Math.round((100 * Math.abs(over)) / allowed);
  return over > 0 ? `${over} more than allowed, ${percent} % over` : `${-over} to spare, ${percent} % under`;
}

/** Each time elements of an exercise were looked for in a session: after it, or drawing by drawing. */
function lookedFor(session: Session, exerciseId: string): { looked: readonly string[]; missing: readonly string[] }[] {
  const { looked = [], missing = [] } = answersFor(session.reflection, exerciseId);
  const each = drawingsOf(session).flatMap(({ exercise, visit }) =>
    exercise.id === exerciseId && visit.missing ? [{ looked: exercise.lookAt, missing: visit.missing }] : [],
  );
  return [{ looked, missing }, ...each];
}

/** Which of some elements was missing most often; the first of those that were as often. Undefined where nothing was missing. */
function mostOften(
  elements: readonly string[],
  times: readonly (readonly string[])[],
): { element: string; missing: number; looked: number } | undefined {
  let most: { element: string; missing: number; looked: number } | undefined;
  for (const element of elements) {
    const missing = times.filter((gone) => gone.includes(element)).length;
    if (missing > (most?.missing ?? 0)) most = { element, missing, looked: times.length };
  }
  return most;
}

/** The element of an exercise that was missing most often, of how many times it was looked for; undefined before anything was. */
export function mostMissing(
  sessions: readonly Session[],
  exerciseId: string,
): { element: string; missing: number; looked: number } | undefined {
  const counts = new Map<string, { missing: number; looked: number }>();
  for (const session of sessions)
    for (const { looked, missing } of lookedFor(session, exerciseId)) {
      for (const element of looked) {
        const count = counts.get(element) ?? { missing: 0, looked: 0 };
        counts.set(element, { looked: count.looked + 1, missing: count.missing + (missing.includes(element) ? 1 : 0) });
      }
    }
  let most: { element: string; missing: number; looked: number } | undefined;
  for (const [element, count] of counts)
    if (count.missing > 0 && (!most || count.missing > most.missing)) most = { element, ...count };
  return most;
}

const newestFirst = (sessions: readonly Session[]): Session[] =>
  [...sessions].sort((a, b) => b.startedAtMs - a.startedAtMs);

/** What was said of the line in a session, newest first: of the whole of it, then between poses. */
export const linesSaid = ({ plan, log, lastSeenMs, reflection }: Session): Line[] => [
  ...(reflection?.line ? [reflection.line] : []),
  ...runStateAt(plan, log, lastSeenMs)
    .visits.flatMap((v) => v.line ?? [])
    .reverse(),
];

/** The last two times that the line was asked about it was tight: time to offer something that loosens. */
export function tightTwice(sessions: readonly Session[]): boolean {
  const said: Line[] = [];
  for (const session of newestFirst(sessions)) {
    said.push(...linesSaid(session));
    if (said.length >= 2) break;
  }
  return said.length >= 2 && said[0] === 'tight' && said[1] === 'tight';
}

/** What the learner wanted to do next time, as said after the newest session. */
export const nextTimeNote = (sessions: readonly Session[]): string | undefined =>
  newestFirst(sessions).find((s) => s.status === 'kept')?.reflection?.nextTime;

/** The medium that was planned for the next time, after the newest session. */
export const nextMedium = (sessions: readonly Session[]): string | undefined =>
  newestFirst(sessions).find((s) => s.status === 'kept')?.reflection?.nextMedium;

/** Judging this session is shut, by the learner's own choice. */
export const judgingShut = ({ reflection }: Session, nowMs: number): boolean =>
  (reflection?.noJudgingUntilMs ?? 0) > nowMs;
