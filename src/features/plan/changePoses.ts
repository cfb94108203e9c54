import type { PosesRecipe } from '@/core/practice/plan/recipe';

/** Changes the chosen block of poses, in one step that can be undone. */
export type ChangePoses = (words: string, update: (block: PosesRecipe) => PosesRecipe) => void;
