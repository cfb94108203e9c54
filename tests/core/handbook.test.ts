import { existsSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { catalogued } from '@/core/figure/catalogue/catalogue';
import { parseFigureReference } from '@/core/figure/catalogue/reference';
import { referenceKey } from '@/core/figure/catalogue/referenceKey';
import type { AnswerKey } from '@/core/figure/facts/answerKey';
import { drawByHand } from '@/core/hand/draw';
import type { Illustration } from '@/core/handbook/chapter';
import { CHAPTERS } from '@/core/handbook/chapters';
import { explained } from '@/core/handbook/explained';
import { GLOSSARY, type GlossaryWord } from '@/core/handbook/glossary';
import { MOVE_PICTURES } from '@/core/practice/start/warmUp';
import { isLayer, LAYERS } from '@/ui/answerKey/layers';
import { KIT } from './kit';

const keyOf = (id: string): AnswerKey => {
  const reference = parseFigureReference(id);
  if (!reference) throw new Error(id);
  return referenceKey(KIT, reference);
};
const pictures = CHAPTERS.flatMap(({ figure, passages }) =>
  passages.flatMap((passage) => (passage.pictures ?? []).map((picture) => ({ picture, figure }))),
);
const those = <K extends Illustration['kind']>(kind: K) =>
  pictures.flatMap(({ picture, figure }) =>
    picture.kind === kind ? [{ picture: picture as Extract<Illustration, { kind: K }>, figure }] : [],
  );

describe('chapters', () => {
  it('are short, each with a name of its own, and all but "Your data" have pictures', () => {
    const ids = CHAPTERS.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { passages } of CHAPTERS)
      for (const { paragraphs } of passages) for (const words of paragraphs) expect(words.length).toBeLessThan(420);
    expect(CHAPTERS.filter(({ passages }) => passages.every((one) => !one.pictures)).map(({ id }) => id)).toEqual([
      'data',
    ]);
  });
  it('show figures that ship', () => {
    for (const { figure } of CHAPTERS) if (figure) expect(catalogued(figure)).toBeDefined();
    for (const { picture, figure } of pictures)
      if (picture.kind !== 'held' && picture.kind !== 'move') expect(figure).toBeDefined();
  });
  it('have a figure for each layer of the answer key that stands for itself', () => {
    const layers = new Set(those('layer').map(({ picture }) => picture.id));
    for (const id of layers) expect(isLayer(id)).toBe(true);
    // Planes are told with the solids.
    expect(layers).toEqual(new Set(LAYERS.map(({ id }) => id).filter((id) => id !== 'planes')));
  });
  it('have drawings by hand that take the time they are said to', () => {
    const keys = new Map([...new Set(those('hand').map(({ figure }) => figure!))].map((id) => [id, keyOf(id)]));
    for (const { picture, figure } of those('hand')) {
      const { strokes, tookMs } = drawByHand({
        key: keys.get(figure!)!,
        manner: picture.manner,
        drawMs: picture.ms,
        seed: 1,
      });
      expect(strokes.length).toBeGreaterThan(0);
      expect(tookMs).toBeGreaterThan(0.9 * picture.ms);
      expect(tookMs).toBeLessThanOrEqual(picture.ms);
    }
  });
  it('say of a pose how long it can be held as its answer key does', () => {
    for (const { picture } of those('held')) {
      expect(catalogued(picture.reference)).toBeDefined();
      expect(keyOf(picture.reference).effort.holdS).toBe(picture.holdS);
    }
  });
  it('show moves that have their pictures', () => {
    for (const { picture } of those('move')) {
      const { file, frames } = MOVE_PICTURES[picture.name];
      for (let i = 1; i <= frames; i++) expect(existsSync(`public/figures/moves/${file}-${String(i)}.webp`)).toBe(true);
    }
  });
});

describe('words', () => {
  it('stand in their order', () => {
    const words = Object.keys(GLOSSARY);
    expect(words).toEqual([...words].sort((a, b) => a.localeCompare(b)));
  });
  it('are explained where they come first, with a capital, in the plural, longer ones before shorter', () => {
    const [first, second] = explained([
      'Peeks are counted; a peek is a look.',
      'No peek, a tilt. The tight line, tilted.',
    ]);
    expect(first).toEqual([{ text: 'Peeks', word: 'peek' }, { text: ' are counted; a peek is a look.' }]);
    expect(second).toEqual([
      { text: 'No peek, a ' },
      { text: 'tilt', word: 'tilt' },
      { text: '. The ' },
      { text: 'tight line', word: 'tight line' },
      { text: ', tilted.' },
    ]);
  });
  it('that were explained before are not again', () => {
    const met = new Set<GlossaryWord>();
    expect(explained(['A peek.'], met)[0]).toHaveLength(3);
    expect(explained(['A peek, a lift.'], met)).toEqual([
      [{ text: 'A peek, a ' }, { text: 'lift', word: 'lift' }, { text: '.' }],
    ]);
  });
  it('leave every text as it is', () => {
    const texts = CHAPTERS.flatMap(({ passages }) => passages.flatMap(({ paragraphs }) => paragraphs));
    expect(explained(texts).map((pieces) => pieces.map(({ text }) => text).join(''))).toEqual(texts);
    expect(explained(['', 'plain'])).toEqual([[], [{ text: 'plain' }]]);
  });
});
