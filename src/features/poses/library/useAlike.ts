'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Picture } from '@/core/references/picture';
import { startAlikeWorker } from '@/workers/clients';

/** Between two searches while pictures keep coming. */
const WAIT_MS = 700;

/** Groups of pictures that look alike, found in a worker. */
export function useAlike(pictures: readonly Picture[] | undefined): Picture[][] {
  const [groups, setGroups] = useState<string[][]>([]);
  const key = useMemo(
    () => (pictures ?? []).map((p) => `${p.id}${p.likeness ?? ''}${String(p.keptBeside.length)}`).join(),
    [pictures],
  );
  useEffect(() => {
    if (!pictures || pictures.length < 2) return;
    let client: ReturnType<typeof startAlikeWorker> | undefined;
    const timer = setTimeout(() => {
      client = startAlikeWorker();
      client.api
        .groups(pictures.map(({ id, likeness, keptBeside }) => ({ id, likeness, keptBeside })))
        .then(setGroups, () => undefined)
        .finally(() => client?.stop());
    }, WAIT_MS);
    return () => {
      clearTimeout(timer);
      client?.stop();
    };
  }, [key]); // eslint-disable-line react-hooks/exhaustive-deps -- `key` says all of the pictures that likeness depends on
  return useMemo(() => {
    const byId = new Map((pictures ?? []).map((p) => [p.id, p]));
    return groups.map((group) => group.flatMap((id) => byId.get(id) ?? [])).filter((group) => group.length > 1);
  }, [groups, pictures]);
}
