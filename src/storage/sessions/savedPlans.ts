import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import { announce } from '@/storage/changes';
import { atomically, db, put } from '@/storage/db';

/** Plans the learner keeps, the one saved last first; without those in the bin. */
export async function listSavedPlans(): Promise<SavedPlan[]> {
  const all = await (await db()).getAll('plans');
  return all.filter((p) => p.binnedAtMs === null).sort((a, b) => b.savedAtMs - a.savedAtMs);
}

/** Plans in the bin, the latest first. */
export async function listBinnedPlans(): Promise<SavedPlan[]> {
  const all = await (await db()).getAll('plans');
  return all.filter((p) => p.binnedAtMs !== null).sort((a, b) => (b.binnedAtMs ?? 0) - (a.binnedAtMs ?? 0));
}

export async function savePlan(plan: SavedPlan): Promise<void> {
  await atomically(['plans'], (tx) => put(tx, 'plans', plan));
  announce('plans');
}
