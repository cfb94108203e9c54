import type { PosesRecipe } from './recipe';

/** Whether a block is drawn from pictures, not from a model or from nothing. */
export const needsPictures = ({ source }: Pick<PosesRecipe, 'source'>): boolean =>
  source.kind === 'pictures' || source.kind === 'same picture';
