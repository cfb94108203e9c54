import { lineLength } from '../../hand/stroke';
import type { Mark } from '../inkStroke';

/** Two marks differ in size when one is at least so many times as long as the other. */
const LARGER = 1.25;
/** With fewer pairs that differ, an order is chance. */
const LEAST_PAIRS = 15;

/**
 * Big before small: of all pairs of marks that differ in length, the share in which the longer one came first. A half is no order
 * at all; it is Kendall's rank correlation (Biometrika 30, 1938) of length and turn, put on a scale from 0 to 1.
 * @param marks In the order they were made.
 * @returns undefined where too few differ.
 */
export function bigBeforeSmall(marks: readonly Mark[]): number | undefined {
  const lengths = marks.map(({ points }) => lineLength(points));
  let [first, pairs] = [0, 0];
  for (let i = 0; i < lengths.length; i++)
    for (let j = i + 1; j < lengths.length; j++) {
      if (lengths[i] >= LARGER * lengths[j]) first++;
      else if (lengths[j] < LARGER * lengths[i]) continue;
      pairs++;
    }
  return pairs >= LEAST_PAIRS ? first / pairs : undefined;
}
