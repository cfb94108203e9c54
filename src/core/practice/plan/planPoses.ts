import type { Plan, PosePlan, PosesBlock } from './schema';

type Where = { blockIndex: number; poseIndex: number };

/** Names a pose of a plan by its place. */
export const poseKey = ({ blockIndex, poseIndex }: Where): string => `${String(blockIndex)}:${String(poseIndex)}`;

/** Returns the plan with every pose passed through `change`, which may return the pose it was given. */
export function mapPoses(plan: Plan, change: (pose: PosePlan, at: Where, block: PosesBlock) => PosePlan): Plan {
  const blocks = plan.blocks.map((block, blockIndex) =>
    block.kind === 'poses'
      ? { ...block, poses: block.poses.map((pose, poseIndex) => change(pose, { blockIndex, poseIndex }, block)) }
      : block,
  );
  return { ...plan, blocks };
}

/** Returns every picture a plan draws from, in order; one that is drawn twice is in it twice. */
export const picturesOf = (plan: Plan): string[] =>
  plan.blocks.flatMap((b) => (b.kind === 'poses' ? b.poses.flatMap((p) => p.referenceId ?? []) : []));
