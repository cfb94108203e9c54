'use client';
import { startOfDay } from 'date-fns';
import { useMemo } from 'react';
import type { Whose } from '@/core/journal/whose';
import type { Plan } from '@/core/practice/plan/schema';
import type { ReferenceFacts } from '@/core/references/coverage';
import { useStored } from '@/storage/hooks/useStored';
import type { Choice } from './planner';

/** The planner is fetched beside the page, not before it: what is seen first does not wait for it. */
const fetchPlanner = () => import('./planner');
if (typeof window !== 'undefined') void fetchPlanner().catch(() => undefined);

export interface Proposal {
  plan: Plan;
  /** How many plans of weekdays and courses come before what the months say. */
  planned: number;
}

/** The plan for the minutes chosen, from the set chosen, given everything drawn so far; and how much that is, in words. @param mix How often another was asked for. */
export function useProposal(
  choice: Choice | undefined,
  references: readonly ReferenceFacts[] | undefined,
  whose: Whose | undefined,
  nowMs: number,
  mix: number,
): { proposal: Proposal | undefined; soFar: string; problem: string | undefined } {
  // The day is enough: what was drawn does not change by the minute.
  const todayMs = startOfDay(nowMs).getTime();
  const known = useStored(
    async () => {
      if (!whose) return undefined;
      const planner = await fetchPlanner();
      return { planFor: planner.planFor, past: await planner.loadPast(whose, todayMs) };
    },
    ['pictures', 'sets', 'drawings', 'plans', 'courses'],
    [whose, todayMs],
  );
  const { minutes, setId, medium, advice, warmUp } = choice ?? {};
  const proposal = useMemo(() => {
    if (
      !known.value ||
      !references ||
      minutes === undefined ||
      setId === undefined ||
      medium === undefined ||
      advice === undefined ||
      warmUp === undefined
    )
      return undefined;
    const { planFor, past } = known.value;
    return planFor(past, { minutes, setId, medium, advice, warmUp }, references, past.known.today * 100 + mix, mix);
  }, [known.value, references, minutes, setId, medium, advice, warmUp, mix]);
  return { proposal, soFar: known.value?.past.soFar ?? '', problem: known.problem };
}
