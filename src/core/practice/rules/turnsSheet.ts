import type { Plan, PosesBlock } from '../plan/schema';
import type { Segment } from '../time/timeline';
import { holdOf } from './holds';

/** Poses of the same block before this part of it: a rest that the rest rule put in parts a block in two. */
function posesBefore({ blocks }: Plan, blockIndex: number): number {
  const block = blocks[blockIndex] as PosesBlock;
  const [rest, before] = [blocks[blockIndex - 1], blocks[blockIndex - 2]];
  const parted =
    rest?.kind === 'rest' &&
    before?.kind === 'poses' &&
    before.exercise === block.exercise &&
    JSON.stringify(before.settings) === JSON.stringify(block.settings);
  return parted ? before.poses.length + posesBefore({ blocks } as Plan, blockIndex - 2) : 0;
}

/** Whether a new sheet follows a pose: its own is full, its block is over, and it is not held again. */
export function turnsSheet(plan: Plan, { blockIndex, poseIndex }: Pick<Segment, 'blockIndex' | 'poseIndex'>): boolean {
  const block = plan.blocks[blockIndex];
  if (block?.kind !== 'poses') return false;
  const held = holdOf(plan, { blockIndex, poseIndex });
  if (held && held.number < held.of) return false;
  const isLast = poseIndex === block.poses.length - 1;
  const perSheet = block.settings?.perSheet ?? 1;
  return isLast || (posesBefore(plan, blockIndex) + poseIndex + 1) % perSheet === 0;
}
