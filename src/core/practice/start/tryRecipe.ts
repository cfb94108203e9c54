import type { Exercise } from '../exercises/exercise';
import { posesBlock } from '../edit/newBlock';
import { blockIds, type Recipe } from '../plan/recipe';
import { aloneRecipe } from './aloneRecipe';

/** So many drawings are enough to try an exercise by. */
const TRIED = 2;

/** A session of one exercise, begun from where it is explained: it carries its name. */
export const tryRecipe = (
  { id, name }: Pick<Exercise, 'id' | 'name'>,
  setId: string,
  medium: string,
  seed: number,
): Recipe =>
  aloneRecipe({
    title: `Trying ${name.toLowerCase()}`,
    why: 'To try at once what was just read.',
    blocks: [posesBlock(blockIds(seed)(), id, TRIED)],
    setId,
    medium,
    seed,
    cause: { lesson: name },
  });
