import { durationWords, spokenDuration } from '@/core/practice/duration';
import { EXERCISES, type Exercise, LINE_MOTIFS } from '@/core/practice/exercises';
import type { Plan } from '@/core/practice/schema';
import type { Segment } from '@/core/practice/timeline';

export function exerciseOf(plan: Plan, segment: Segment): Exercise | undefined {
  const block = plan.blocks[segment.blockIndex];
  return block.kind === 'poses' ? EXERCISES[block.exercise] : undefined;
}

export function referenceOf(plan: Plan, segment: Segment): string | null {
  const block = plan.blocks[segment.blockIndex];
  return block.kind === 'poses' ? block.poses[segment.poseIndex].referenceId : null;
}

/** The reference may be seen now: always while drawing, unless the exercise hides it; before and after, only to look. */
export function showsReference(plan: Plan, segment: Segment): boolean {
  if (segment.kind === 'look' || segment.kind === 'lookAgain') return true;
  return segment.kind === 'draw' && exerciseOf(plan, segment)?.rule.reference === 'shown';
}

/** "pose 2 of 4". */
export function poseCount(plan: Plan, segment: Segment): string {
  const block = plan.blocks[segment.blockIndex];
  switch (block.kind) {
    case 'poses':
      return `pose ${segment.poseIndex + 1} of ${block.poses.length}`;
    case 'lines':
      return `page ${segment.poseIndex + 1} of ${block.pages.length}`;
    case 'body':
      return `move ${segment.poseIndex + 1} of ${block.moves.length}`;
    case 'rest':
      return '';
  }
}

/** What a screen reader is told when a segment begins. */
export function announcement(plan: Plan, segment: Segment): string {
  const length = spokenDuration(segment.endMs - segment.startMs);
  const name = exerciseOf(plan, segment)?.name ?? '';
  const block = plan.blocks[segment.blockIndex];
  switch (segment.kind) {
    case 'leadIn':
      return `Next: ${name}, ${poseCount(plan, segment)}.`;
    case 'look':
      return `Look for ${length}.`;
    case 'draw':
      return `Draw for ${length}.`;
    case 'lookAgain':
      return `The reference again, for ${length}.`;
    case 'change':
      return 'Change the sheet.';
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

/** The next pose from a segment on, for "Next, 2 min". */
export function nextPose(
  plan: Plan,
  segments: readonly Segment[],
  from: number,
): { exercise: Exercise; referenceId: string | null; length: string } | undefined {
  const segment = segments.slice(from).find((s) => s.kind === 'draw');
  const exercise = segment && exerciseOf(plan, segment);
  if (!exercise) return undefined;
  return { exercise, referenceId: referenceOf(plan, segment), length: durationWords(segment.endMs - segment.startMs) };
}

/** What may be seen during a rest: the next reference, unless its exercise is about having seen it only for so long. */
export function previewOf(plan: Plan, segments: readonly Segment[], at: number): string | null {
  if (segments[at]?.kind !== 'rest') return null;
  const next = nextPose(plan, segments, at);
  return next?.exercise.rule.reference === 'shown' ? next.referenceId : null;
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
