'use client';
import { useEffect, useState } from 'react';
import { knownFacts, referenceName } from '@/storage/references/references';

/** What a reference is called; empty until that is known. */
export function useReferenceName(referenceId: string | null): string {
  const [read, setRead] = useState<{ id: string; name: string }>();
  const known = referenceId === null ? '' : knownFacts(referenceId)?.name;
  useEffect(() => {
    if (known !== undefined || referenceId === null) return;
    let current = true;
    referenceName(referenceId).then(
      (name) => {
        if (current) setRead({ id: referenceId, name });
      },
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [referenceId, known]);
  return known ?? (read?.id === referenceId ? read.name : '');
}
