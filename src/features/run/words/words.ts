import { firstOfPose } from '@/core/clock/poseSegments';
import { mediumById } from '@/core/practice/paper/materials';
import { withChoices } from '@/core/clock/choices';
import type { RunState } from '@/core/clock/run';
import { capital, counted } from '@/core/words';
import { clockDigits, durationWords, leftDigits, spokenDuration } from '@/core/practice/time/duration';
import { exerciseById } from '@/core/practice/exercises';
import { callFor } from '@/core/practice/exercises/calls';
import { switchWords } from '@/core/practice/rules/switches';
import { type Exercise, isCalm } from '@/core/practice/exercises/exercise';
import { mediumOf, poseExercise, poseIn } from '@/core/practice/rules/poseExercise';
import { holdLimitOf, holdOf } from '@/core/practice/rules/holds';
import { marksInKind, mostMarks } from '@/core/practice/rules/marks';
import { stagesAt } from '@/core/clock/stagesAt';
import { stageAt } from '@/core/practice/rules/poseStages';
import { ruleCard } from '@/core/practice/rules/ruleCard';
import { turnsSheet } from '@/core/practice/rules/turnsSheet';
import { referenceOf, showsReference } from '@/core/practice/rules/showsReference';
import type { LINE_MOTIFS } from '@/core/practice/start/warmUp';
import type { Plan } from '@/core/practice/plan/schema';
import type { Segment } from '@/core/practice/time/timeline';

/** What is said in place of a picture: the block's prompt, or what the pose is drawn from. Undefined where a picture is to be seen. */
export function promptOf(plan: Plan, segment: Segment): string | undefined {
  const block = plan.blocks[segment.blockIndex];
  if (block.kind !== 'poses' || referenceOf(plan, segment) !== null) return undefined;
  if (block.settings?.prompt) return block.settings.prompt;
  const exercise = poseExercise(plan, segment);
  if (exercise?.form?.imagined) return callFor(plan.seed, segment.blockIndex, segment.poseIndex, block.settings?.calls);
  if (exercise?.rule.reference === 'none') return '';
  const alone = block.settings?.model ? undefined : exercise?.form?.withoutPicture;
  return alone ?? 'Draw what is before you.';
}

/** The exercise that may be had instead, by name; undefined where there is no choice. */
export function eitherOf(plan: Plan, segment: Segment): string | undefined {
  const block = plan.blocks[segment.blockIndex];
  const other = block.kind === 'poses' ? block.settings?.orExercise : undefined;
  if (block.kind !== 'poses' || !other) return undefined;
  const chosen = poseExercise(plan, segment)?.id === other;
  return exerciseById(chosen ? block.exercise : other, plan.exercises).name;
}

/** What sets one pose apart from the others of its block: the hand, a label. */
export function poseNotes(plan: Plan, segment: Segment): string[] {
  const pose = poseIn(plan, segment);
  if (!pose) return [];
  const rule = poseExercise(plan, segment)?.rule;
  const marks = rule && mostMarks(rule);
  return [
    ...(pose.label ? [pose.label] : []),
    ...(rule?.hand === 'other' ? ['with the other hand'] : []),
    ...(marks !== undefined
      ? [`at most ${counted(marks, 'mark')}, ${(pose.drawMs / marks / 1000).toFixed(1)} s for each`]
      : []),
    ...(rule && marksInKind(rule) ? ['C, S and straight marks only'] : []),
    ...(pose.odd ? ['the odd one out: as good skipped as drawn'] : []),
  ];
}

/** The cue before a pose: the one about what its label names, else one after the other. */
export function cueOf(plan: Plan, { blockIndex, poseIndex }: Segment, { cues }: Exercise): string {
  const label = poseIn(plan, { blockIndex, poseIndex })?.label?.toLowerCase();
  const about = label && cues.find((cue) => cue.toLowerCase().startsWith(`${label}:`));
  return about || cues[poseIndex % cues.length];
}

/** "pose 2 of 4". */
export function poseCount(plan: Plan, segment: Segment): string {
  const block = plan.blocks[segment.blockIndex];
  switch (block.kind) {
    case 'poses': {
      const hold = holdOf(plan, segment);
      return hold ? `hold ${hold.number} of ${hold.of}` : `pose ${segment.poseIndex + 1} of ${block.poses.length}`;
    }
    case 'lines':
      return `page ${segment.poseIndex + 1} of ${block.pages.length}`;
    case 'body':
      return `move ${segment.poseIndex + 1} of ${block.moves.length}`;
    case 'rest':
      return '';
  }
}

/** How far a segment that may run over has done so, milliseconds; 0 for any other. */
export const overtimeOf = (segment: Segment, { elapsedMs, lengthMs }: RunState): number =>
  segment.overMs > 0 && !segment.answered ? Math.max(0, elapsedMs - lengthMs) : 0;

/** The digits of a segment: what is left in whole seconds, time so far where it counts up, time over where it has run over. */
export function digitsOf(segment: Segment, state: RunState): string {
  const whole = (ms: number): number => ms - (ms % 1000);
  const overMs = overtimeOf(segment, state);
  if (segment.open) return clockDigits(whole(state.elapsedMs));
  return overMs > 0 ? `+${clockDigits(whole(overMs))}` : leftDigits(state.leftMs);
}

/** Slow work is told when its last minute begins. */
export const inLastMinute = (exercise: Exercise, { lengthMs, leftMs }: RunState): boolean =>
  isCalm(exercise) && lengthMs >= 120_000 && leftMs <= 60_000 && leftMs > 0;

/** So long into a drawing one is asked to tap where one begins. */
export const BEGINNING_MS = 20_000;

/** What of the words on the screen depends on the time within a segment: another word whenever they do. */
function phraseOf(plan: Plan, segments: readonly Segment[], state: RunState): string {
  const segment = segments[state.segmentIndex];
  const exercise = poseExercise(plan, segment);
  const stages = stagesAt(plan, { segments }, state);
  return [
    stages.length > 1 ? stageAt(stages, state.elapsedMs).now : '',
    segment.answered === true && state.elapsedMs >= state.lengthMs,
    overtimeOf(segment, state) > 0,
    exercise !== undefined && inLastMinute(exercise, state),
    state.elapsedMs >= (holdLimitOf(plan, segment) ?? Infinity),
    state.elapsedMs < BEGINNING_MS,
  ].join(' ');
}

/** The same for whatever segment a state is in, the exercises chosen on the way taken into account. */
export const phraseIn =
  (plan: Plan, segments: readonly Segment[]) =>
  (state: RunState): string => {
    const segment = segments[state.segmentIndex];
    return segment ? phraseOf(withChoices(plan, state.changes), segments, state) : '';
  };

/** What the digits tell. */
export function timerLabel(segment: Segment, overMs: number): string {
  if (segment.kind === 'page') return 'Time on this page';
  if (segment.open) return 'Time so far';
  return overMs > 0 ? 'Time over' : 'Time left';
}

/** Why a pose is worked beyond its plan: "attempt 2", "more time, extra"; undefined where it is as planned. */
export function attemptWords({ visits }: RunState): string | undefined {
  const visit = visits.at(-1);
  switch (visit?.extra) {
    case undefined:
      return undefined;
    case 'again': {
      // A copy begins to count anew.
      const stays = visits.filter((v) => v.segmentIndex === visit.segmentIndex);
      const first = Math.max(
        0,
        stays.findLastIndex((v) => v.extra === 'one more'),
      );
      const attempts = stays.slice(first).filter((v) => v.extra !== 'more time').length;
      return `attempt ${String(attempts)}`;
    }
    case 'more time':
      return 'more time, extra';
    case 'one more':
      return 'one more, extra';
  }
}

/** The beginning is chosen on the picture: where an edge is followed slowly or blind. */
export const takesStartPoint = ({ family, rule }: Exercise): boolean =>
  family === 'seeing' && (rule.pace === 'slow' || rule.gaze === 'only on the reference');

/** How many pages of lines come before one. */
export const pagesBefore = (segments: readonly Segment[], segment: Segment): number =>
  segments.filter((s) => s.kind === 'page' && s.startMs < segment.startMs).length;

/**
 * What a screen reader is told when a segment begins.
 * @param lengthMs How long it runs now, where that is known: a pot has what is left in it.
 */
export function announcement(
  plan: Plan,
  segment: Segment,
  lengthMs = segment.endMs - segment.startMs,
  segments: readonly Segment[] = [],
): string {
  const length = spokenDuration(lengthMs);
  const name = poseExercise(plan, segment)?.name ?? '';
  const block = plan.blocks[segment.blockIndex];
  switch (segment.kind) {
    case 'leadIn':
      return [
        `Next: ${name}, ${poseCount(plan, segment)}.`,
        switchWords(plan, segments, segments.indexOf(segment)),
        promptOf(plan, segment) ?? '',
      ]
        .filter(Boolean)
        .join(' ');
    case 'look':
      return segment.open ? 'Look until you have it.' : `Look for ${length}.`;
    case 'draw':
      if (segment.open) return 'Draw as long as you like.';
      return segment.potMs === undefined ? `Draw for ${length}.` : `Draw. ${length} left for this and the rest.`;
    case 'drawAgain':
      return segment.open ? 'Draw it once more.' : `Draw it once more, for ${length}.`;
    case 'lookBack':
      return `Look back at your pages for ${length}.`;
    case 'lookAgain':
      return `The reference again, for ${length}.`;
    case 'change':
      return turnsSheet(plan, segment) ? 'Change the sheet.' : 'The next one.';
    case 'rest':
      return `Rest for ${length}.`;
    case 'body':
      return block.kind === 'body' ? `${block.moves[segment.poseIndex].name}, ${length}.` : '';
    case 'page':
      return block.kind === 'lines'
        ? `A page of ${block.pages[segment.poseIndex].motif.toLowerCase()}. Say when it is full.`
        : '';
  }
}

/**
 * Returns what a screen reader hears besides the announcement: the exercise where no lead-in named it, the rule where another exercise
 * begins, and who is drawn while the picture can be seen.
 * @param name The reference's name, empty while unknown.
 */
export function poseDetails(plan: Plan, segments: readonly Segment[], segment: Segment, name: string): string[] {
  const exercise = poseExercise(plan, segment);
  if (!exercise) return [];
  const at = segments.indexOf(segment);
  const first = firstOfPose(segments, at);
  const before = segments.slice(0, first).findLast((s) => s.kind === 'draw');
  const another = !before || poseExercise(plan, before)?.id !== exercise.id;
  const mediumId = mediumOf(plan, segment);
  return [
    ...(at === first && segment.kind !== 'leadIn' ? [`${exercise.name}, ${poseCount(plan, segment)}.`] : []),
    ...(at === first && another
      ? ruleCard(exercise, false, mediumId === undefined ? undefined : mediumById(mediumId)).map(
          ({ words }) => `${capital(words)}.`,
        )
      : []),
    ...(name !== '' && showsReference(plan, segment) ? [`The model: ${name.toLowerCase()}.`] : []),
  ];
}

/** The next pose from a segment on, for "Next, 2 min". */
export function nextPose(
  plan: Plan,
  segments: readonly Segment[],
  from: number,
): { exercise: Exercise; referenceId: string | null; length: string } | undefined {
  const segment = segments.slice(from).find((s) => s.kind === 'draw');
  const exercise = segment && poseExercise(plan, segment);
  if (!exercise) return undefined;
  return { exercise, referenceId: referenceOf(plan, segment), length: durationWords(segment.endMs - segment.startMs) };
}

/** What may be seen during a rest, and in a lead-in where that is wanted: the next reference, unless its exercise is about having seen it only for so long. */
export function previewOf(plan: Plan, segments: readonly Segment[], at: number, inLeadIn = false): string | null {
  const kind = segments[at]?.kind;
  if (kind !== 'rest' && !(inLeadIn && kind === 'leadIn')) return null;
  const next = nextPose(plan, segments, at);
  return next && ['shown', 'shown then hidden'].includes(next.exercise.rule.reference) ? next.referenceId : null;
}

/** References from a segment on, in order, for getting pictures ready. */
export function comingReferences(plan: Plan, segments: readonly Segment[], from: number): string[] {
  return segments.slice(from).flatMap((s) => (s.kind === 'draw' ? (referenceOf(plan, s) ?? []) : []));
}

/** SVG paths of a few lines of each motif, in a box of 120 by 80. */
export const MOTIF_PATHS: Record<(typeof LINE_MOTIFS)[number], string> = {
  Verticals: 'M10 4Q12 40 9 76M28 5Q26 40 29 75M46 4Q48 42 45 76M64 6Q63 40 66 75M82 4Q84 38 81 76M100 5Q98 40 101 75',
  Horizontals: 'M4 10Q60 12 116 9M5 26Q60 24 115 27M4 42Q62 44 116 41M6 58Q60 57 114 60M4 73Q58 74 116 71',
  Diagonals: 'M4 30L34 4M4 56L62 5M6 76L90 6M34 76L116 8M62 76L116 32M92 76L116 56',
  'Quick curves':
    'M4 60Q30 0 56 50M20 74Q44 20 78 62M40 40Q70 -6 98 44M62 72Q84 24 114 66M8 22Q26 2 40 22M84 20Q100 4 114 24',
  'Figure eights':
    'M34 40C34 10 6 10 6 40S34 70 34 40S62 10 62 40S34 70 34 40M88 40C88 18 68 18 68 40S88 62 88 40S112 18 112 40S88 62 88 40',
};
