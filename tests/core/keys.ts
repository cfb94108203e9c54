import { WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import { referenceKey } from '@/core/figure/catalogue/referenceKey';
import type { AnswerKey } from '@/core/figure/facts/answerKey';
import { KIT } from './kit';

const known = new Map<number, AnswerKey>();

/** The answer key of a whole figure of the sets, by its number among them. */
export function keyOf(i: number): AnswerKey {
  const key = known.get(i) ?? referenceKey(KIT, WHOLE_FIGURES[i % WHOLE_FIGURES.length]);
  known.set(i, key);
  return key;
}
