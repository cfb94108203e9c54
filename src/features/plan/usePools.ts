'use client';
import { startOfDay } from 'date-fns';
import { useMemo } from 'react';
import { drawingHistory } from '@/core/journal/history';
import type { Session } from '@/core/journal/session';
import type { ReferencePools } from '@/core/practice/start/chooseReferences';
import type { Recipe } from '@/core/practice/plan/recipe';
import { setsOfBlock } from '@/core/practice/start/setsOfBlock';
import { builtInSet } from '@/core/references/builtIn';
import { countCells, countFacings, facingHabit } from '@/core/references/coverage';
import { LIBRARY_ID } from '@/core/references/picture';
import { loadSet } from '@/storage/pictures/pictures';
import { factsOf, referencesOf } from '@/storage/references/choices';
import { useStored } from '@/storage/hooks/useStored';

const HABIT_WINDOW = 40;

const setIdsOf = (recipe: Recipe): string[] => [
  ...new Set([recipe.setId, ...recipe.blocks.flatMap((b) => (b.kind === 'poses' ? setsOfBlock(recipe, b) : []))]),
];

async function isHere(setId: string): Promise<boolean> {
  if (builtInSet(setId) || setId === LIBRARY_ID) return true;
  const set = await loadSet(setId);
  return set !== undefined && set.binnedAtMs === null;
}

async function loadPools(key: string) {
  const ids = key.split('\n');
  const here = await Promise.all(ids.map(isHere));
  const known = ids.filter((_, i) => here[i]);
  return { key, sets: new Map(await Promise.all(known.map(async (id) => [id, await referencesOf(id)] as const))) };
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
  const key = setIdsOf(recipe).join('\n');
  const loaded = useStored(() => loadPools(key), ['sets', 'pictures'], [key]).value;
  // The day is enough: what was drawn does not change by the minute.
  const todayMs = startOfDay(nowMs).getTime();
  const past = useMemo(() => drawingHistory(sessions, todayMs), [sessions, todayMs]);
  const lately = past.drawn.slice(-Math.max(HABIT_WINDOW, past.recent)).join('\n');
  const facts = useStored(() => factsOf(lately ? lately.split('\n') : []), ['pictures'], [lately]).value;
  return useMemo(() => {
    if (!loaded || !facts) return { pools: NOTHING, ready: false };
    const habits = facts.slice(-HABIT_WINDOW);
    const facings = countFacings(habits);
    const pools: ReferencePools = {
      bySet: loaded.sets,
      timesDrawn: past.timesDrawn,
      cells: countCells(habits),
      recent: past.recent > 0 ? facts.slice(-past.recent) : [],
      memorySessions: past.memorySessions,
      ...(facingHabit(facings) && { level: facings }),
    };
    return { pools, ready: loaded.key === key };
  }, [loaded, past, facts, key]);
}
