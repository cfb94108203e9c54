import type { Exercise } from './exercise';
import { LIGHT } from './light';
import { MEMORY } from './memory';
import { QUICK } from './quick';
import { SEEING } from './seeing';

/** Every exercise that ships, in the order of the handbook. */
export const CATALOG: readonly Exercise[] = [...QUICK, ...SEEING, ...MEMORY, ...LIGHT];
const byId = new Map(CATALOG.map((e) => [e.id, e]));

/** What a single pose is drawn as where nothing else is said. */
export const ONE_POSE = 'flowing-gesture';
/** What an exercise that is not known any more is drawn as: freely from the reference. */
const UNKNOWN = 'new-medium';

/** An exercise by its id: the learner's own first, then what ships. One that is not known any more draws freely from the reference. */
export function exerciseById(id: string, own: readonly Exercise[] = []): Exercise {
  return own.find((e) => e.id === id) ?? byId.get(id) ?? { ...(byId.get(UNKNOWN) as Exercise), id, name: 'Drawing' };
}
