import type { ExerciseRule } from '../exercises/exercise';

type Marks = Pick<ExerciseRule, 'marks'>;

/** How many marks are allowed; undefined without a limit. */
export const mostMarks = ({ marks }: Marks): number | undefined =>
  typeof marks === 'number' ? marks : typeof marks === 'object' ? marks.most : undefined;

/** Only C, S and straight marks are allowed. */
export const marksInKind = ({ marks }: Marks): boolean => marks === 'C, S and straight' || typeof marks === 'object';

/** The rule that allows so many marks and such ones. */
export function marksRule(most: number | undefined, inKind: boolean): ExerciseRule['marks'] {
  if (most === undefined) return inKind ? 'C, S and straight' : 'free';
  return inKind ? { most, kinds: 'C, S and straight' } : most;
}

/** Marks counted after drawings, against their allowance. */
export interface MarkCount {
  /** Of each drawing, in the order they were made. */
  used: readonly number[];
  /** Allowed in each. */
  most: number;
  /** Time for each mark of what was used, all drawings together, milliseconds. */
  perMarkMs: number;
  /** Drawings within the allowance. */
  within: number;
}

/** What was counted, summed up; undefined where nothing was. @param drawn Marks of each drawing and the time it took, milliseconds. */
export function countMarks(
  drawn: readonly { marks: number | undefined; spentMs: number }[],
  most: number,
): MarkCount | undefined {
  const counted = drawn.filter((d): d is { marks: number; spentMs: number } => d.marks !== undefined && d.marks > 0);
  if (counted.length === 0) return undefined;
  const used = counted.map(({ marks }) => marks);
  const spentMs = counted.reduce((sum, d) => sum + d.spentMs, 0);
  return {
    used,
    most,
    perMarkMs: spentMs / used.reduce((a, b) => a + b, 0),
    within: used.filter((marks) => marks <= most).length,
  };
}

/** "24, 19 and 17 marks of 20, 3.1 s for each; within on 2 of 3; 7 fewer in the last than in the first." */
export function markCountWords({ used, most, perMarkMs, within }: MarkCount): string {
  const change = used[used.length - 1] - used[0];
  const trend =
    used.length < 2
      ? []
      : [
          change === 0
            ? 'as many in the last as in the first'
            : `${Math.abs(change)} ${change < 0 ? 'fewer' : 'more'} in the last than in the first`,
        ];
  return [
    `${used.join(', ')} of ${most} marks, ${(perMarkMs / 1000).toFixed(1)} s for each`,
    `within on ${within} of ${used.length}`,
    ...trend,
  ].join('; ');
}
