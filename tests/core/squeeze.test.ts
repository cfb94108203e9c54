import { describe, expect, it } from 'vitest';
import { CATALOGUE, knownFacts } from '@/core/figure/catalogue/catalogue';
import { drawByHand } from '@/core/hand/draw';
import { placesSeen } from '@/core/measure/drawn';
import type { Place, PlaceName, Places } from '@/core/measure/places';
import { squeezeOf, squeezeSentence } from '@/core/measure/squeeze';
import { exerciseById } from '@/core/practice/exercises';
import { lookAtFor } from '@/core/practice/rules/lookAtFor';
import type { PictureTraits } from '@/core/practice/rules/pictureCues';
import { ticksOf } from '@/core/journal/reflect';
import { keyOf } from './keys';

const key = keyOf(40);
const seen = placesSeen(key, false);
/** A drawing whose lowest point lies so far above the lower edge of a sheet of 1000 by 1400. */
function drawnTo(squeezed: number, above: number, flipped = false): Places {
  const { places } = drawByHand({ key, manner: 'contour', drawMs: 1000, seed: 1, errors: { squeezed, shaky: 0 } });
  const at = [...seen.keys()].map((name) => [name, places.get(name)!] as const);
  const lowest = Math.max(...at.map(([, [, y]]) => y));
  return new Map(
    at.map(([name, [x, y]]): [PlaceName, Place] => {
      const down = 1400 - above - lowest + y;
      return [name, { at: [x, flipped ? 1400 - down : down], sigma: 1 }];
    }),
  );
}

describe('a figure that nears the edge of its sheet', () => {
  it('is squeezed by as much as was lost, told from what lies away from the edge', () => {
    const squeeze = squeezeOf(seen, drawnTo(0.2, 10), 1000, 1400);
    expect(squeeze).toMatchObject({ edge: 'lower', end: 'feet' });
    const whole = squeezeOf(seen, drawnTo(0, 10), 1000, 1400);
    expect(whole).toBeUndefined();
    // A fifth of the height is lost toward the feet; the way from crown to ankle by the hips loses a little less.
    expect(squeeze?.kept.value).toBeGreaterThan(0.78);
    expect(squeeze?.kept.value).toBeLessThan(0.9);
    expect(squeeze?.plannedLength).toBeCloseTo((squeeze?.drawnLength ?? 0) / (squeeze?.kept.value ?? 1), 6);
  });
  it('is not, where it stands free of every edge, loses little, or too little is known', () => {
    expect(squeezeOf(seen, drawnTo(0.2, 90), 1000, 1400)).toBeUndefined();
    expect(squeezeOf(seen, drawnTo(0.05, 10), 1000, 1400)).toBeUndefined();
    const few = new Map([...drawnTo(0.2, 10)].filter(([name]) => !/hip|pubic/.test(name)));
    expect(squeezeOf(seen, few, 1000, 1400)).toBeUndefined();
    expect(squeezeOf(seen, new Map(), 1000, 1400)).toBeUndefined();
  });
  it('is told by the edge where it lies, whichever that is', () => {
    expect(squeezeOf(seen, drawnTo(0.2, 10, true), 1000, 1400)?.edge).toBe('upper');
  });
  it('is told in one sentence, in centimeters where the paper is known', () => {
    const squeeze = {
      edge: 'lower',
      end: 'feet',
      kept: { value: 0.849, sigma: 0.01 },
      drawnLength: 331,
      plannedLength: 390,
    } as const;
    expect(squeezeSentence(squeeze)).toBe(
      'Squeezed at the lower edge of the sheet: 85 % ± 2 of the length that the rest of it promised the feet.',
    );
    expect(squeezeSentence(squeeze, 1)).toContain('promised the feet: 33.1 cm of 39.0.');
  });
});

describe('what is looked at afterward', () => {
  const inFamily = (family: string, props?: string): PictureTraits =>
    knownFacts(
      CATALOGUE.find((entry) => entry.family === family && (props === undefined || entry.props === props))!.id,
    )!;
  const ground = 'Dark where the body meets the ground';
  it('is the dark under whatever lies or sits on the ground, where tone is drawn', () => {
    const tone = exerciseById('tone-study');
    expect(lookAtFor(tone, inFamily('reclining', ''))).toEqual([...tone.lookAt, ground]);
    expect(lookAtFor(tone, inFamily('seated', ''))).toContain(ground);
    expect(lookAtFor(tone, inFamily('seated', 'stool'))).not.toContain(ground);
    expect(lookAtFor(tone, inFamily('standing even'))).toEqual(tone.lookAt);
    expect(lookAtFor(exerciseById('flowing-gesture'), inFamily('reclining'))).not.toContain(ground);
  });
  it('is neck and shoulders of every head, said once, and of nothing else', () => {
    const head = inFamily('heads');
    expect(lookAtFor(exerciseById('tone-study'), head)).toContain('Neck and shoulders');
    const quick = lookAtFor(exerciseById('quick-head'), head);
    expect(quick.filter((one) => one === 'Neck and shoulders')).toHaveLength(1);
    expect(lookAtFor(exerciseById('tone-study'), inFamily('standing even'))).not.toContain('Neck and shoulders');
    expect(lookAtFor(exerciseById('tone-study'), {})).toEqual(exerciseById('tone-study').lookAt);
    expect(lookAtFor(exerciseById('tone-study'), { subject: 'parts/head' })).toContain('Neck and shoulders');
  });
  it('is asked after a session of all that was drawn in it, where anything is ticked', () => {
    const tone = exerciseById('tone-study');
    const ticks = ticksOf(tone, [{ onGround: true }, inFamily('standing even'), { onGround: true }]);
    expect(ticks).toEqual({ elements: [...tone.lookAt, ground], asks: 'missing' });
    expect(ticksOf(exerciseById('blind-contour'), [{ onGround: true }])).toBeUndefined();
  });
});
