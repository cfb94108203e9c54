import type { Plan } from '../practice/plan/schema';
import { poseKey } from './replay';

/** A plan with the exercises that were chosen in the gap, where a block offers two. */
export function withChoices(plan: Plan, others: readonly string[]): Plan {
  if (others.length === 0) return plan;
  const blocks = plan.blocks.map((block, blockIndex) => {
    if (block.kind !== 'poses' || !block.settings?.orExercise) return block;
    const { orExercise } = block.settings;
    const poses = block.poses.map((pose, poseIndex) =>
      others.includes(poseKey({ blockIndex, poseIndex })) ? { ...pose, exercise: orExercise } : pose,
    );
    return { ...block, poses };
  });
  return { ...plan, blocks };
}
