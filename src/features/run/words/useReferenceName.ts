'use client';
import { useEffect, useState } from 'react';
import { knownFacts, referenceName } from '@/storage/references/references';

/** What a reference is called; empty until that is known. */
export function useReferenceName(referenceId: string | null): string {
  const [name, setName] = useState('');
  const known = referenceId === null ? '' : knownFacts(referenceId)?.name;
  useEffect(() => {
    if (known !== undefined || referenceId === null) return;
    let current = true;
    referenceName(referenceId).then(
      (n) => {
        if (current) setName(n);
      },
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [referenceId, known]);
  return known ?? name;
}
