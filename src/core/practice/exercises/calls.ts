import { seededRandom } from '../../random';

/** What a pose from imagination can be about. Each list is data: one line, one entry. */
export const CALLS = {
  action: [
    ...[
      'lifting a full bucket',
      'throwing a rope',
      'stepping off a ladder',
      'pushing a stuck door',
      'catching a falling jar',
    ],
    ...[
      'pulling on a boot',
      'climbing over a wall',
      'carrying a tired child',
      'rowing hard',
      'shaking out a heavy cloth',
    ],
    ...['listening at a wall', 'reaching under a table', 'turning at a shout', 'bowing low', 'sleeping on a bench'],
    ...['walking into the wind', 'digging', 'painting a ceiling', 'sliding on ice', 'getting up from the floor'],
  ],
  weight: [
    ...['all the weight on the left leg', 'all the weight on the right leg', 'the weight on both heels'],
    ...['the weight on the hands', 'falling forward', 'leaning back against something', 'one hip pushed out'],
    ...['the weight on one knee', 'hanging from both arms', 'the weight low and wide'],
  ],
  view: [
    ...['seen from behind', 'seen from above', 'from the floor looking up', 'in profile', 'three-quarter, facing left'],
    ...['three-quarter, facing right', 'three-quarter from behind', 'from the front, one arm coming at you'],
  ],
  prop: [
    ...['with a pole', 'with a bundle', 'on a stool', 'with a drum', 'under a low beam', 'with a lantern', 'on stairs'],
    ...['with a long coat', 'holding a rope', 'beside a cart wheel'],
  ],
} as const;
type Part = keyof typeof CALLS;

const pickFrom = <T>(list: readonly T[], random: () => number): T => list[Math.floor(random() * list.length)];

/**
 * What is called for one pose from imagination: an action, with a weight, a view or a prop.
 * @param seed Of the plan: the same session calls the same.
 * @param own The learner's own calls, in turn; an empty list calls nothing.
 */
export function callFor(seed: number, blockIndex: number, poseIndex: number, own?: readonly string[]): string {
  if (own) return own.length === 0 ? '' : own[poseIndex % own.length];
  const random = seededRandom(seed * 977 + blockIndex * 131 + poseIndex);
  const second: Part = pickFrom(['weight', 'view', 'prop'] as const, random);
  // Every action comes before one comes again.
  const start = Math.floor(seededRandom(seed + blockIndex)() * CALLS.action.length);
  const action = CALLS.action[(start + poseIndex * 7) % CALLS.action.length];
  const words = `${action}, ${pickFrom(CALLS[second], random)}`;
  return `${words[0].toUpperCase()}${words.slice(1)}.`;
}
