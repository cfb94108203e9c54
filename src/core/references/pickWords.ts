import { counted, countedWith } from '../words';
import type { ReferenceFacts } from './coverage';
import { type Picked, type PickRequest, sourceOf } from './pick';

const ORDER_WORDS: Record<PickRequest['order'], string> = {
  'own order': 'in your own order',
  shuffled: 'shuffled',
  'gentle to hard': 'gentle to hard',
  widen: 'those unlike what you have drawn most',
  'same again': 'the same as last time',
};

/** Why these: one sentence, then what could not be had. */
export function pickReason(
  { order, level, timesDrawn, pool }: PickRequest,
  picked: readonly Picked[],
  facts: ReadonlyMap<string, ReferenceFacts>,
): string[] {
  const plain = picked.filter((p) => !p.odd && !p.again);
  const never = plain.filter((p) => (timesDrawn.get(sourceOf(p)) ?? 0) === 0).length;
  const parts = [
    never === plain.length && never > 0
      ? `${counted(never, 'picture')} you have not drawn`
      : never > 0
        ? `${counted(plain.length, 'picture')}, ${String(never)} of them not drawn yet`
        : `${counted(plain.length, 'picture')} you have drawn least`,
    ORDER_WORDS[order],
  ];
  if (level) {
    const side = (s: 'left' | 'right'): number => plain.filter((p) => facts.get(p.id)?.facing === s).length;
    const strong = level.left > level.right ? 'left' : 'right';
    const weak = strong === 'left' ? 'right' : 'left';
    // Where the facing of none of them is known there is nothing to tell.
    if (level.left !== level.right && side(weak) > 0)
      parts.push(
        `${String(side(weak))} facing ${weak} and ${String(side(strong))} ${strong}, because ${String(level[strong])} of your last ${String(level.left + level.right)} faced ${strong}`,
      );
  }
  const sentences = [`${parts.join(', ')}.`];
  const mirrored = picked.filter((p) => p.mirrored).length;
  if (mirrored > 0)
    sentences.push(`${counted(mirrored, 'picture')} mirrored, since that side has too few; credits stay with them.`);
  if (picked.some((p) => p.odd)) sentences.push('The last is the odd one out; skip it if you like.');
  const again = picked.filter((p) => p.again).length;
  if (again > 0)
    sentences.push(
      `There are ${String(pool.length)} to choose from, so ${countedWith(again, 'pose', 'repeats', 'repeat')} a picture.`,
    );
  const alike = picked.filter((p) => p.likeTheLast).length;
  if (alike > 0)
    sentences.push(
      `${String(alike)} ${alike === 1 ? 'follows' : 'follow'} one of the same view and facing: the choice leaves no other order.`,
    );
  return sentences;
}
