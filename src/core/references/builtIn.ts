import { CATALOGUE } from '../figure/catalogue/catalogue';
import type { Family } from '../figure/catalogue/families';
import { BUILT_IN_SET_ID } from './picture';

export interface BuiltInSet {
  id: string;
  name: string;
  /** Missing for the set of all. */
  family?: Family;
}

const slug = (family: Family): string => family.replaceAll(' ', '-');
const families = [...new Set(CATALOGUE.map((entry) => entry.family))];

/** The sets that ship: all figures, and one for each family of poses. */
export const BUILT_IN_SETS: readonly BuiltInSet[] = [
  { id: BUILT_IN_SET_ID, name: 'Lantern pageant figures' },
  ...families.map((family) => ({
    id: `${BUILT_IN_SET_ID}/${slug(family)}`,
    name: `Figures ${family}`
      .replace('Figures two-handed work', 'Figures at two-handed work')
      .replace('Figures weight shifted', 'Figures with the weight shifted'),
    family,
  })),
];

/** A set that ships, by its id; undefined for sets of the learner’s own. */
export const builtInSet = (id: string): BuiltInSet | undefined => BUILT_IN_SETS.find((set) => set.id === id);
