'use client';
import dynamic from 'next/dynamic';
import { fitPlan } from '@/core/practice/fit/fit';
import { planWhy } from '@/core/practice/start/planWhy';
import { type Recipe, recipeSchema } from '@/core/practice/plan/recipe';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { listSets } from '@/storage/pictures/pictures';
import { seedOnFirstVisit } from '@/storage/seed';
import { listOwnSessions } from '@/storage/sessions/sessions';
import { loadSetting } from '@/storage/settings';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { type Ask, askSchema, USUAL_ASK } from './ask';

// Fetched while the draft is read: the shell is there at once.
const fetchPage = () => import('./PlanPage');
const PlanPage = dynamic(() => fetchPage().then((m) => m.PlanPage));

function parsed<T>(json: string | undefined, read: (value: unknown) => { success: boolean; data?: T }): T | undefined {
  if (json === undefined) return undefined;
  try {
    const result = read(JSON.parse(json));
    return result.success ? result.data : undefined;
  } catch {
    return undefined;
  }
}

/** The draft as it was left; the first time a plan for the usual time. */
async function loadDraft(): Promise<{ recipe: Recipe; ask: Ask }> {
  await seedOnFirstVisit(Date.now());
  const [draft, asked, setId, medium] = await Promise.all([
    loadSetting('planDraft'),
    loadSetting('planAsk'),
    loadSetting('setId'),
    loadSetting('medium'),
    fetchPage(),
  ]);
  const ask = parsed(asked, (v) => askSchema.safeParse(v)) ?? USUAL_ASK;
  const kept = parsed(draft, (v) => recipeSchema.safeParse(v));
  // A session taken over from Today brings its time along.
  if (kept && new URLSearchParams(location.search).get('from') === 'today') {
    // Loaded again, the plan is on its own.
    history.replaceState(history.state, '', '/plan');
    return { recipe: kept, ask: { ...ask, until: false, availableMs: kept.availableMs } };
  }
  if (kept) return { recipe: kept, ask };
  const { recipe } = fitPlan({
    availableMs: ask.availableMs,
    aim: ask.aim,
    shape: ask.shape,
    setId: setId ?? BUILT_IN_SET_ID,
    seed: 1,
    ...(medium !== undefined && { medium }),
  });
  return { recipe: { ...recipe, why: planWhy(recipe, ask.aim, ask.shape, undefined) }, ask };
}

export function Plan() {
  const draft = useStored(loadDraft, [], []);
  const sets = useStored(listSets, ['sets'], []);
  const sessions = useStored(listOwnSessions, ['sessions'], [draft.value]);
  const problem = draft.problem ?? sets.problem ?? sessions.problem;
  if (problem)
    return (
      <main className="px-4 pt-5 sm:px-10">
        <h1 className="sr-only">Plan</h1>
        <Notice>{problem}</Notice>
      </main>
    );
  if (!draft.value || !sets.value || !sessions.value)
    return (
      <main className="px-4 pt-5 sm:px-10" aria-busy>
        <h1 className="sr-only">Plan</h1>
        <div className="h-[320px] skeleton" aria-label="Opening" />
      </main>
    );
  return <PlanPage first={draft.value.recipe} firstAsk={draft.value.ask} sets={sets.value} sessions={sessions.value} />;
}
