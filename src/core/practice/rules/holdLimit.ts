import type { Plan } from '../plan/schema';
import type { Segment } from '../time/timeline';

/** How long a model is asked to hold one pose at most, milliseconds: then a break of about five minutes. */
export const HOLD_LIMIT_MS = 25 * 60_000;

/** How long whoever poses for a drawing holds it at most; undefined where nobody poses. */
export function holdLimitOf(
  plan: Plan,
  { kind, blockIndex }: Pick<Segment, 'kind' | 'blockIndex'>,
): number | undefined {
  const block = plan.blocks[blockIndex];
  const posed = kind === 'draw' && block?.kind === 'poses' && block.settings?.model === true;
  return posed ? HOLD_LIMIT_MS : undefined;
}
