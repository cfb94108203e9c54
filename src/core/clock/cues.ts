import * as z from 'zod/mini';
import { isCalm as isCalmExercise } from '../practice/exercises/exercise';
import { holdLimitOf } from '../practice/rules/holds';
import { poseExercise } from '../practice/rules/poseExercise';
import { mostMarks } from '../practice/rules/marks';
import { poseStages, stageAt, waitsForWhole } from '../practice/rules/poseStages';
import type { Plan } from '../practice/plan/schema';
import type { Segment, Timeline } from '../practice/time/timeline';
import { indexAfter, potAt } from './pot';
import { lengthOf } from './replay';
import { stagedMs } from './stagesAt';
import type { RunState } from './run';

export const CUE_KINDS = ['start', 'look', 'warning', 'stage', 'beat', 'reminder', 'change', 'rest', 'end'] as const;
export type CueKind = (typeof CUE_KINDS)[number];
export const cueSchema = z.object({
  /** The same cue of the same visit always has the same key, so that it is never scheduled twice. */
  key: z.string(),
  kind: z.enum(CUE_KINDS),
  /** Calm cues tell, crisp ones hurry. */
  calm: z.boolean(),
  atMs: z.number(),
});
export type Cue = z.infer<typeof cueSchema>;

/** What rings beyond start, warning and end. */
export interface CueChoices {
  /** A soft beat for each mark where marks are limited; the last falls on the end. */
  beats: boolean;
  stages: boolean;
  /** A reminder to look back at the reference, this often; 0 for none. */
  lookBackMs: number;
  /** No end is rung: chosen by who has put the clock away. */
  silentEnd?: boolean;
}
export const ALL_CUES: CueChoices = { beats: true, stages: true, lookBackMs: 0 };

/** Slow work is reminded of its pace this often. */
const PACE_REMINDER_MS = 60_000;
/** A soft cue this near to another one is left out. */
const APART_MS = 1500;
/** An end that waits for its answer rings again this often. */
const AGAIN_MS = 3000;

/**
 * How long before the end of a drawing the warning comes: a minute, half a minute on three, nothing below a minute; or as set, unless
 * that is more than half of the drawing.
 */
export function warningBeforeEndMs(drawMs: number, setMs?: number): number | undefined {
  if (setMs !== undefined) return setMs === 0 || setMs > drawMs / 2 ? undefined : setMs;
  if (drawMs < 60_000) return undefined;
  if (drawMs < 120_000) return 15_000;
  return drawMs === 180_000 ? 30_000 : 60_000;
}

const START_CUE: Partial<Record<Segment['kind'], CueKind>> = {
  draw: 'start',
  drawAgain: 'start',
  page: 'start',
  look: 'look',
  lookAgain: 'look',
};
const HAS_END_CUE: readonly Segment['kind'][] = ['draw', 'drawAgain', 'rest', 'lookBack', 'body'];
const RESTS: readonly Segment['kind'][] = ['rest', 'lookBack'];

function isCalm(plan: Plan, segment: Segment): boolean {
  const exercise = poseExercise(plan, segment);
  return !exercise || isCalmExercise(exercise);
}

/** How long before the end of a segment its warning comes, as its block has it; undefined where there is none. */
export function warningIn(plan: Plan, { kind, blockIndex }: Segment, lengthMs: number): number | undefined {
  const block = plan.blocks[blockIndex];
  if (kind !== 'draw' || block.kind !== 'poses') return undefined;
  return warningBeforeEndMs(lengthMs, block.settings?.warnMs);
}

/** What rings at the end of a segment: crisp drawing says whether the sheet is turned or the arm rests. */
function endCue(segment: Segment, next: Segment | undefined, calm: boolean): CueKind {
  if (calm || segment.overMs > 0 || (segment.kind !== 'draw' && segment.kind !== 'drawAgain')) return 'end';
  if (next?.kind === 'change') return 'change';
  return next && RESTS.includes(next.kind) ? 'rest' : 'end';
}

/** Moments of the beats of a drawing with so many marks, milliseconds from its start: as many as marks, the last on the end. */
export const markBeats = (lengthMs: number, marks: number): number[] =>
  Array.from({ length: marks }, (_, i) => Math.round(((i + 1) * lengthMs) / marks));

/** Cues inside a drawing, milliseconds from its start: stages, beats of marks, reminders. */
function insideCues(
  plan: Plan,
  segment: Segment,
  lengthMs: number,
  /** The length that stages and beats are laid over, and whether there are stages. */
  staged: { ms: number; stages: boolean },
  choices: CueChoices,
  wholeInMs: number | undefined,
): [kind: CueKind, at: number][] {
  const exercise = poseExercise(plan, segment);
  if (segment.kind !== 'draw' || !exercise || segment.open) return [];
  const { pace, gaze } = exercise.rule;
  const marks = mostMarks(exercise.rule);
  const beats = choices.beats && marks !== undefined ? markBeats(staged.ms, marks) : [];
  // What the learner said themselves needs no cue.
  const told = wholeInMs !== undefined && waitsForWhole(plan, segment);
  const stages =
    choices.stages && staged.stages && !told ? stageAt(poseStages(plan, segment, staged.ms), 0).startsMs : [];
  const blind = gaze === 'only on the reference' || gaze === 'eyes closed';
  const everyMs = pace === 'slow' ? PACE_REMINDER_MS : blind ? 0 : choices.lookBackMs;
  const reminders =
    everyMs > 0 ? Array.from({ length: Math.floor(lengthMs / everyMs) }, (_, i) => (i + 1) * everyMs) : [];
  const warning = warningIn(plan, segment, lengthMs);
  const apart = (at: number): boolean =>
    at > APART_MS &&
    lengthMs - at > APART_MS &&
    (warning === undefined || Math.abs(lengthMs - warning - at) > APART_MS);
  return [
    ...beats.map((at): [CueKind, number] => ['beat', at]),
    ...stages.filter(apart).map((at): [CueKind, number] => ['stage', at]),
    ...reminders.filter(apart).map((at): [CueKind, number] => ['reminder', at]),
  ];
}

/** Whether a drawing leaves nothing in its pot when its time is up: always, unless the pot was shared out and others follow. */
function potRunsOut(timeline: Timeline, state: RunState, segmentIndex: number): boolean {
  const { blockIndex } = timeline.segments[segmentIndex];
  const pot = potAt(timeline, { segmentIndex, visits: state.visits });
  return !state.shares.has(blockIndex) || (pot?.drawings ?? 0) < 2;
}

/**
 * The cues due from now until now + horizon if nothing happens. A cue of the running segment that is already past is not listed, except
 * within `graceMs`, so that one that fell between two looks is still caught.
 */
export function upcomingCues(
  plan: Plan,
  timeline: Timeline,
  state: RunState,
  nowMs: number,
  horizonMs: number,
  graceMs = 1000,
  choices: CueChoices = ALL_CUES,
): Cue[] {
  if (state.phase !== 'running') return [];
  const cues: Cue[] = [];
  const visit = state.visits[state.visits.length - 1];
  let fromMs = visit.startMs + visit.heldMs;
  let lengthMs = visit.lengthMs;
  let next = state.segmentIndex;
  for (let n = 0; next < timeline.segments.length && fromMs <= nowMs + horizonMs; n++) {
    const i = next;
    const segment = timeline.segments[i];
    if (i > state.segmentIndex) lengthMs = lengthOf(timeline, state.lengths, i);
    next = indexAfter(timeline, i, potRunsOut(timeline, state, i));
    const calm = isCalm(plan, segment);
    const number = state.visits.length + n;
    const put = (kind: CueKind, atMs: number, which = ''): void => {
      if (atMs >= nowMs - graceMs && atMs <= nowMs + horizonMs)
        cues.push({ key: `${number}:${kind}${which}`, kind, calm, atMs });
    };
    const start = START_CUE[segment.kind];
    // After a hold the start is past: only a visit never held rings its start.
    if (start && (i > state.segmentIndex || visit.heldMs === 0)) put(start, fromMs);
    // Whoever poses is told when a break is due, however long the drawing may take.
    const holdMs = holdLimitOf(plan, segment);
    if (holdMs !== undefined && (segment.open || segment.overMs > 0 || lengthMs > holdMs))
      put('rest', fromMs + holdMs, ':hold');
    if (segment.open) break;
    const isNow = i === state.segmentIndex;
    const wholeInMs = isNow ? visit.wholeInMs : undefined;
    const staged = { ms: isNow ? stagedMs(timeline, state) : lengthMs, stages: !isNow || visit.extra !== 'more time' };
    for (const [kind, at] of insideCues(plan, segment, lengthMs, staged, choices, wholeInMs))
      put(kind, fromMs + at, `:${at}`);
    const warning = warningIn(plan, segment, lengthMs);
    if (warning !== undefined) put('warning', fromMs + lengthMs - warning, `:${lengthMs}`);
    const dueMs = fromMs + lengthMs;
    if (HAS_END_CUE.includes(segment.kind) && !(choices.silentEnd && segment.kind === 'draw' && !segment.answered))
      put(endCue(segment, timeline.segments[next], calm), dueMs, `:${lengthMs}`);
    if (segment.answered)
      for (let k = Math.max(1, Math.ceil((nowMs - graceMs - dueMs) / AGAIN_MS)); ; k++) {
        const atMs = dueMs + k * AGAIN_MS;
        if (atMs > nowMs + horizonMs) break;
        put('end', atMs, `again${String(k)}`);
      }
    // What may run over goes on until the learner says so.
    if (segment.overMs > 0) break;
    fromMs = dueMs;
  }
  return cues;
}
