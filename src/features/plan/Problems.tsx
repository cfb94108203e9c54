'use client';
import type { Problem } from '@/core/practice/edit/problem';
import type { PosesRecipe } from '@/core/practice/plan/recipe';
import { Notice } from '@/ui/Notice';

/** What is to be said of a plan or a block, and the ways out of it. @param onTake Changes the block; missing for the plan as a whole. */
export function Problems({
  problems,
  onTake,
}: {
  problems: readonly Problem[];
  onTake?: (words: string, change: (block: PosesRecipe) => PosesRecipe) => void;
}) {
  if (problems.length === 0) return null;
  return (
    <ul className="mt-1 mb-2 space-y-1 text-[14px]">
      {problems.map((p) => (
        <li key={p.words}>
          {p.stops ? <Notice>{p.words}</Notice> : <span className="text-quiet">{p.words}</span>}
          {onTake && p.ways && (
            <span className="mt-1 flex flex-wrap gap-2">
              {p.ways.map(({ label, take }) => (
                <button key={label} type="button" className="btn-quiet btn btn-sm" onClick={() => onTake(label, take)}>
                  {label}
                </button>
              ))}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
