'use client';
import { counted, listWords } from '@/core/words';
import { referenceName } from '@/storage/references/references';
import { useStored } from '@/storage/hooks/useStored';

const NAMED = 12;

/** Which pictures of a set a block does not draw from, by what it asks for: how many, and the first of them by name. */
export function LeftOut({ ids }: { ids: readonly string[] }) {
  const key = ids.slice(0, NAMED).join('\n');
  const names = useStored(
    async () => (key === '' ? [] : Promise.all(key.split('\n').map((id) => referenceName(id)))),
    ['pictures'],
    [key],
  ).value;
  if (ids.length === 0 || !names) return null;
  const rest = ids.length - names.length;
  return (
    <details className="w-full text-[14px] text-quiet">
      <summary className="cursor-pointer">{counted(ids.length, 'picture')} of the set left out by this</summary>
      {rest > 0 ? `${names.join(', ')}, and ${String(rest)} more` : listWords(names)}.
    </details>
  );
}
