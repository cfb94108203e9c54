import { exerciseById } from '../exercises';
import type { Exercise, ExerciseRule } from '../exercises/exercise';
import type { Plan, PosePlan } from '../plan/schema';

type Where = { blockIndex: number; poseIndex: number };

/** The pose at a place of the plan; undefined where nothing is posed. */
export function poseIn({ blocks }: Plan, { blockIndex, poseIndex }: Where): PosePlan | undefined {
  const block = blocks[blockIndex];
  return block?.kind === 'poses' ? block.poses[poseIndex] : undefined;
}

/** What a pose is drawn with, as an id of a medium: its own, where it was changed on the way, or its block's. */
export function mediumOf(plan: Plan, at: Where): string | undefined {
  const block = plan.blocks[at.blockIndex];
  return block?.kind === 'poses' ? (poseIn(plan, at)?.medium ?? block.settings?.medium) : undefined;
}

/** Returns the ids of a pose's media in the order of their use: none, one or two. */
export function mediaOf(plan: Plan, at: Where): string[] {
  const first = mediumOf(plan, at);
  const block = plan.blocks[at.blockIndex];
  const second = block?.kind === 'poses' ? block.settings?.second?.medium : undefined;
  return [...new Set([first, second].filter((id) => id !== undefined))];
}

/** The exercise of a pose with everything its block and the pose itself say otherwise; undefined where nothing is posed. */
export function poseExercise(plan: Plan, { blockIndex, poseIndex }: Where): Exercise | undefined {
  const block = plan.blocks[blockIndex];
  if (block?.kind !== 'poses') return undefined;
  const { exercise, hand } = block.poses[poseIndex] ?? block.poses[0];
  const base = exerciseById(exercise ?? block.exercise, plan.exercises);
  const { rule } = block.settings ?? {};
  if (!rule && !hand) return base;
  return { ...base, rule: { ...base.rule, ...(rule as Partial<ExerciseRule>), ...(hand && { hand }) } };
}
