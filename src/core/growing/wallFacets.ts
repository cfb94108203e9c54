import { FAMILY_UNKNOWN, NOT_SAID } from './tally';

/** What drawings on the wall are found by, in the order it is shown. */
export const WALL_FACETS = [
  'exercise',
  'medium',
  'reference',
  'family',
  'view',
  'hand',
  'month',
  'state',
  'influence',
  'usedFor',
] as const;
export type WallFacet = (typeof WALL_FACETS)[number];

export const FACET_NAMES: Record<WallFacet, string> = {
  exercise: 'Exercise',
  medium: 'Medium',
  reference: 'Drawn from',
  family: 'Pose',
  view: 'View',
  hand: 'Hand',
  month: 'Month',
  state: 'State',
  influence: 'Under the influence of',
  usedFor: 'Used for',
};

/** What is known of a drawing, as the values it is found by. */
export function facetWords(known: {
  exercise: string;
  media: readonly string[];
  /** What its reference is called. */
  reference: string | undefined;
  family: string | undefined;
  view: string | undefined;
  hand: string;
  month: string;
  states: readonly string[];
  influence: string | undefined;
  usedFor: string | undefined;
}): Record<WallFacet, readonly string[]> {
  return {
    exercise: [known.exercise],
    medium: known.media.length > 0 ? known.media : [NOT_SAID],
    reference: known.reference ? [known.reference] : [],
    family: [known.family ?? FAMILY_UNKNOWN],
    view: [known.view ?? 'view not known'],
    hand: [known.hand],
    month: [known.month],
    state: known.states,
    influence: known.influence ? [known.influence] : [],
    usedFor: known.usedFor ? [known.usedFor] : [],
  };
}
