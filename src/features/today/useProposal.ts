'use client';
import { useMemo } from 'react';
import { drawingHistory } from '@/core/journal/history';
import type { Session } from '@/core/journal/session';
import { proposePlan } from '@/core/practice/start/propose';
import type { Plan } from '@/core/practice/plan/schema';
import { countFacings, type ReferenceFacts } from '@/core/references/coverage';
import { factsOf } from '@/storage/references/references';
import { useStored } from '@/storage/hooks/useStored';

/** How many of the last drawings tell a habit. */
const HABIT_WINDOW = 40;

/** The plan for the minutes chosen, from the set chosen, given everything drawn so far. */
export function useProposal(
  minutes: number,
  references: readonly ReferenceFacts[] | undefined,
  sessions: readonly Session[] | undefined,
  seed: number,
  nowMs: number,
): Plan | undefined {
  const past = useMemo(() => sessions && drawingHistory(sessions, nowMs), [sessions, nowMs]);
  const lately = past?.drawn.slice(-HABIT_WINDOW).join('\n');
  const facts = useStored(() => factsOf(lately ? lately.split('\n') : []), ['pictures'], [lately]).value;
  const history = useMemo(() => {
    if (!past || !facts) return undefined;
    const { timesDrawn, daysSinceLast, memorySessions } = past;
    return { daysSinceLast, timesDrawn, memorySessions, facings: countFacings(facts) };
  }, [past, facts]);
  return useMemo(() => {
    if (!history || !references) return undefined;
    return proposePlan({ availableMs: minutes * 60_000, references, history, seed });
  }, [history, references, minutes, seed]);
}
