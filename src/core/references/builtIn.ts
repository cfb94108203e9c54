import { CATALOGUE, type CatalogueEntry } from '../figure/catalogue/catalogue';
import { type Family, isPartFamily } from '../figure/catalogue/families';
import { BUILT_IN_SET_ID, builtInFamilySetId } from './picture';

export interface BuiltInSet {
  id: string;
  name: string;
  /** Missing for the set of all. */
  family?: Family;
}

const families = [...new Set(CATALOGUE.map((entry) => entry.family))];

/** The sets that ship: all figures, and one for each family of poses. */
export const BUILT_IN_SETS: readonly BuiltInSet[] = [
  { id: BUILT_IN_SET_ID, name: 'Lantern pageant figures' },
  ...families.map((family) => ({
    id: builtInFamilySetId(family),
    name: (isPartFamily(family) ? family.replace(/^./, (c) => c.toUpperCase()) : `Figures ${family}`)
      .replace('Figures two-handed work', 'Figures at two-handed work')
      .replace('Figures weight shifted', 'Figures with the weight shifted'),
    family,
  })),
];

/** Whether a view is in a set that ships: the set of all holds whole figures; parts are in sets of their own. */
export const isInSet = ({ family }: Pick<CatalogueEntry, 'family'>, set: BuiltInSet): boolean =>
  set.family === undefined ? !isPartFamily(family) : family === set.family;

/** A set that ships, by its id; undefined for sets of the learner’s own. */
export const builtInSet = (id: string): BuiltInSet | undefined => BUILT_IN_SETS.find((set) => set.id === id);
