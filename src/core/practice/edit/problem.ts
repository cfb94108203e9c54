import type { PosesRecipe } from '../plan/recipe';

/** Something worth saying about a plan before it is run. */
export interface Problem {
  /** Null for the plan as a whole. */
  blockId: string | null;
  /** A plan with one of these cannot run. */
  stops: boolean;
  words: string;
  /** Ways out of it, each with what it does to the block. */
  ways?: readonly { label: string; take: (block: PosesRecipe) => PosesRecipe }[];
}
