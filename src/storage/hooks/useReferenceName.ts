'use client';
import { useStored } from '@/storage/hooks/useStored';
import { knownFacts } from '@/core/figure/catalogue/catalogue';
import { referenceName } from '@/storage/references/references';

/** What a reference is called; empty until that is known. */
export function useReferenceName(referenceId: string | null): string {
  const known = referenceId === null ? '' : knownFacts(referenceId)?.name;
  const read = useStored(
    async () => (referenceId === null || known !== undefined ? '' : referenceName(referenceId)),
    ['pictures'],
    [referenceId],
  ).value;
  return known ?? read ?? '';
}
