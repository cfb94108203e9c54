import type { Plan } from '../plan/schema';
import type { Segment } from '../time/timeline';

/** How long a model is asked to hold one pose at most where nothing else is said, milliseconds: then a break of about five minutes. */
export const USUAL_HOLD_LIMIT_MS = 25 * 60_000;
/** What it may be set to: ordinary poses are held for 20 to 25 minutes. */
export const HOLD_LIMITS_MS = [2, 5, 10, 15, 20, 25, 30, 40].map((minutes) => minutes * 60_000);

/** Somebody of the family is asked to hold a pose for so long at most, milliseconds: they sit as a favor. */
export const FAMILY_HOLD_LIMIT_MS = 2 * 60_000;

/** How long whoever poses for a drawing holds it at most, milliseconds; undefined where nobody poses. */
export function holdLimitOf(
  plan: Plan,
  { kind, blockIndex }: Pick<Segment, 'kind' | 'blockIndex'>,
): number | undefined {
  const block = plan.blocks[blockIndex];
  const posed = kind === 'draw' && block?.kind === 'poses' && block.settings?.model === true;
  return posed ? (block.settings?.holdLimitMs ?? USUAL_HOLD_LIMIT_MS) : undefined;
}

/** The one drawing that the holds of a block are of, by its name; undefined where every pose is a drawing of its own. */
function oneDrawingOf(plan: Plan, blockIndex: number): string | undefined {
  const block = plan.blocks[blockIndex];
  return block?.kind === 'poses' ? block.settings?.oneDrawing : undefined;
}

/** Marks the second drawing of a pair, made once more of the same pose. */
const AGAIN = '~again';

/** Names one drawing of a plan: a pose, the second drawing of it where it is drawn twice, or all holds of one pose together. */
export const drawingKey = (
  plan: Plan,
  { kind, blockIndex, poseIndex }: Pick<Segment, 'blockIndex' | 'poseIndex'> & { kind?: Segment['kind'] },
): string =>
  `${oneDrawingOf(plan, blockIndex) ?? `${String(blockIndex)}:${String(poseIndex)}`}${kind === 'drawAgain' ? AGAIN : ''}`;

/** Which hold of how many a pose is, rests between them passed over; undefined where it is not held again. */
export function holdOf(
  plan: Plan,
  { blockIndex, poseIndex }: Pick<Segment, 'blockIndex' | 'poseIndex'>,
): { number: number; of: number } | undefined {
  const name = oneDrawingOf(plan, blockIndex);
  if (name === undefined) return undefined;
  let before = 0;
  let of = 0;
  plan.blocks.forEach((block, i) => {
    if (block.kind !== 'poses' || oneDrawingOf(plan, i) !== name) return;
    if (i < blockIndex) before += block.poses.length;
    of += block.poses.length;
  });
  return { number: before + poseIndex + 1, of };
}
