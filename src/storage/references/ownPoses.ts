import { MOST_FIGURES, type PictureSet } from '@/core/references/picture';
import { announce } from '@/storage/changes';
import { changeRecord } from '@/storage/db';
import { setFigures } from './describeFigures';

/** The set that poses of one's own are kept in. */
const OWN_POSES = 'own-poses';

/**
 * Keep a figure among the learner's own poses; the set is made when there is none, and comes back from the bin.
 * @throws when the set is full, in a sentence.
 */
export async function keepOwnPose(id: string, name: string): Promise<void> {
  const figures = await setFigures([id], [name]);
  await changeRecord('sets', OWN_POSES, (set: PictureSet | undefined): PictureSet => {
    const before = (set?.figures ?? []).filter((figure) => figure.id !== id);
    if (before.length >= MOST_FIGURES)
      throw new Error(`“Own poses” holds ${String(MOST_FIGURES)}. Take some of them out, or make another set of them.`);
    return {
      ...(set ?? { id: OWN_POSES, name: 'Own poses', createdAtMs: Date.now() }),
      binnedAtMs: null,
      figures: [...before, ...figures],
    };
  });
  announce('sets');
}
