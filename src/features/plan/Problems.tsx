import type { Problem } from '@/core/practice/edit/problems';
import { Notice } from '@/ui/Notice';

export function Problems({ problems }: { problems: readonly Problem[] }) {
  if (problems.length === 0) return null;
  return (
    <ul className="mt-1 mb-2 space-y-1 text-[14px]">
      {problems.map((p) => (
        <li key={p.words}>{p.stops ? <Notice>{p.words}</Notice> : <span className="text-quiet">{p.words}</span>}</li>
      ))}
    </ul>
  );
}
