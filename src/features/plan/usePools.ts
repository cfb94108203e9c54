'use client';
import { startOfDay } from 'date-fns';
import { useMemo } from 'react';
import { drawingHistory } from '@/core/journal/history';
import type { Session } from '@/core/journal/session';
import type { ReferencePools } from '@/core/practice/start/chooseReferences';
import type { Recipe } from '@/core/practice/plan/recipe';
import { latelyCount, poolsOf } from '@/core/practice/start/poolsOf';
import { factsOf } from '@/storage/references/choices';
import { loadSets, setIdsOf } from '@/storage/references/pools';
import { useStored } from '@/storage/hooks/useStored';

async function loadPools(key: string) {
  return { key, sets: await loadSets(key.split('\n')) };
}

const NOTHING: ReferencePools = { bySet: new Map(), timesDrawn: new Map() };

/**
 * What every block of a recipe may be drawn from, and what the learner drew before. Not ready while sets are first read, or while one
 * chosen since is.
 */
export function usePools(
  recipe: Recipe,
  sessions: readonly Session[],
  nowMs: number,
): { pools: ReferencePools; ready: boolean } {
  const key = setIdsOf([recipe]).join('\n');
  const loaded = useStored(() => loadPools(key), ['sets', 'pictures'], [key]).value;
  // The day is enough: what was drawn does not change by the minute.
  const todayMs = startOfDay(nowMs).getTime();
  const past = useMemo(() => drawingHistory(sessions, todayMs), [sessions, todayMs]);
  const lately = past.drawn.slice(-latelyCount(past.recent)).join('\n');
  const facts = useStored(() => factsOf(lately ? lately.split('\n') : []), ['pictures'], [lately]).value;
  return useMemo(() => {
    if (!loaded || !facts) return { pools: NOTHING, ready: false };
    return { pools: poolsOf(loaded.sets, past, facts), ready: loaded.key === key };
  }, [loaded, past, facts, key]);
}
