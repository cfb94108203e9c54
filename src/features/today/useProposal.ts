'use client';
import { useMemo } from 'react';
import { drawingHistory } from '@/core/journal/history';
import type { Session } from '@/core/journal/session';
import { proposePlan } from '@/core/practice/propose';
import type { Plan } from '@/core/practice/schema';
import { countFacings, type ReferenceFacts } from '@/core/references/coverage';
import { referenceFacts } from '@/storage/references';

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
  const history = useMemo(() => {
    if (!sessions) return undefined;
    const { drawn, timesDrawn, daysSinceLast } = drawingHistory(sessions, nowMs);
    const facings = countFacings(drawn.slice(-HABIT_WINDOW).map(referenceFacts));
    return { daysSinceLast, timesDrawn, facings };
  }, [sessions, nowMs]);
  return useMemo(() => {
    if (!history || !references) return undefined;
    return proposePlan({ availableMs: minutes * 60_000, references, history, seed });
  }, [history, references, minutes, seed]);
}
