'use client';
import { useId } from 'react';
import { useTypedText } from '@/ui/useTypedText';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { gradesFor, type Medium } from '@/core/practice/paper/materials';

const LONGEST_GRADE = 20;

/** The grade of a medium: one of the usual ones, or a word of one's own; what suits the exercises is said beside it. */
export function GradeField({
  medium,
  exercises,
  grade,
  onGrade,
}: {
  medium: Medium;
  exercises: readonly Exercise[];
  grade: string;
  onGrade: (grade: string) => void;
}) {
  const id = useId();
  const typed = useTypedText(grade, (text) => onGrade(text.trim()));
  const advice = gradesFor(medium, exercises);
  return (
    <label className="flex flex-wrap items-baseline gap-x-2 text-[14px]">
      Grade
      <input className="input w-[7em] input-sm" list={id} maxLength={LONGEST_GRADE} placeholder="any" {...typed} />
      <datalist id={id}>
        {medium.grades.map((g) => (
          <option key={g} value={g} />
        ))}
      </datalist>
      {advice && <span className="text-quiet">{advice}</span>}
    </label>
  );
}
