'use client';
import { startOfDay } from 'date-fns';
import { useMemo } from 'react';
import { drawingHistory } from '@/core/journal/history';
import type { Whose } from '@/core/journal/whose';
import { proposePlan } from '@/core/practice/start/propose';
import type { Plan } from '@/core/practice/plan/schema';
import { countFacings, type ReferenceFacts } from '@/core/references/coverage';
import { factsOf } from '@/storage/references/choices';
import { useStored } from '@/storage/hooks/useStored';

/** How many of the last drawings tell a habit. */
const HABIT_WINDOW = 40;

/** The plan for the minutes chosen, from the set chosen, given everything drawn so far. */
export function useProposal(
  minutes: number,
  references: readonly ReferenceFacts[] | undefined,
  whose: Whose | undefined,
  seed: number,
  nowMs: number,
): Plan | undefined {
  // The day is enough: what was drawn does not change by the minute.
  const todayMs = startOfDay(nowMs).getTime();
  const past = useMemo(() => {
    if (!whose) return undefined;
    const own = whose.of === undefined ? undefined : 0;
    const { memorySessions, ...history } = drawingHistory(whose.sessions, todayMs);
    return { ...history, memorySessions: own ?? memorySessions, of: whose.of };
  }, [whose, todayMs]);
  const lately = past?.drawn.slice(-Math.max(HABIT_WINDOW, past.recent)).join('\n');
  const facts = useStored(() => factsOf(lately ? lately.split('\n') : []), ['pictures'], [lately]).value;
  const history = useMemo(() => {
    if (!past || !facts) return undefined;
    const { timesDrawn, daysSinceLast, memorySessions, of } = past;
    const recent = past.recent > 0 ? facts.slice(-past.recent) : [];
    const facings = countFacings(facts.slice(-HABIT_WINDOW));
    return { daysSinceLast, timesDrawn, memorySessions, of, recent, facings };
  }, [past, facts]);
  return useMemo(() => {
    if (!history || !references) return undefined;
    return proposePlan({ availableMs: minutes * 60_000, references, history, seed });
  }, [history, references, minutes, seed]);
}
