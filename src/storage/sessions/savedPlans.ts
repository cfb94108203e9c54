import { type SavedPlan, savedPlanSchema } from '@/core/practice/plan/savedPlan';
import { announce } from '@/storage/changes';
import { db } from '@/storage/db';

/** Plans the learner keeps, the one saved last first; without those in the bin. */
export async function listSavedPlans(): Promise<SavedPlan[]> {
  const all = await (await db()).getAll('plans');
  return all.filter((p) => p.binnedAtMs === null).sort((a, b) => b.savedAtMs - a.savedAtMs);
}

export async function savePlan(plan: SavedPlan): Promise<void> {
  await (await db()).put('plans', savedPlanSchema.parse(plan));
  announce('plans');
}
