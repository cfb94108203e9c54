import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '@/core/figure/facts/actionLine';
import { drawByHand } from '@/core/hand/draw';
import { emptySheet, layInk } from '@/core/hand/ink';
import { compare, contrastKept, pinchedSides, SURE } from '@/core/measure/compare';
import { placesDrawn, placesSeen, TAPPED_SIGMA, trustsPoints, withPoint } from '@/core/measure/drawn';
import { fitPlaces } from '@/core/measure/fitPlaces';
import { inkField } from '@/core/measure/inkField';
import { measuresTo } from '@/core/measure/measures';
import { type Place, type PlaceName, PLACES, type Places } from '@/core/measure/places';
import { relationSentence, relationsOf } from '@/core/measure/relations';
import { contrastSentence, firstSentence, sentenceOf, sizeOf } from '@/core/measure/sentences';
import { cholesky } from '@/core/measure/solve';
import { spreadOf } from '@/core/measure/spread';
import { gaussian, seededRandom } from '@/core/random';
import { keyOf } from './keys';

/** A standing figure 240 tall, 32 a head, its arms hanging. */
const STANDING: Record<PlaceName, Point> = {
  crown: [100, 0],
  chin: [100, 32],
  'pit of the neck': [100, 44],
  'left shoulder': [125, 46],
  'right shoulder': [75, 54],
  'left elbow': [130, 85],
  'right elbow': [70, 95],
  'left wrist': [132, 118],
  'right wrist': [68, 126],
  'end of the breastbone': [100, 75],
  'left hip point': [114, 104],
  'right hip point': [86, 100],
  'left outer hip': [118, 118],
  'right outer hip': [82, 114],
  'pubic bone': [100, 120],
  'left knee': [116, 170],
  'right knee': [84, 168],
  'left ankle': [114, 228],
  'right ankle': [86, 226],
  'left heel': [114, 238],
  'right heel': [86, 236],
  'left toes': [120, 240],
  'right toes': [80, 239],
};
const placesOf = (at: Record<string, Point>, sigma = 0): Places =>
  new Map(Object.entries(at).map(([name, p]): [PlaceName, Place] => [name as PlaceName, { at: p, sigma }]));
const changed = (change: Partial<Record<PlaceName, Point>>): Places => placesOf({ ...STANDING, ...change });
const seen = placesOf(STANDING);
const of = (id: string, drawn: Places): ReturnType<typeof compare>[number] => {
  const found = compare(seen, drawn).find(({ measure }) => measure.id === id);
  if (!found) throw new Error(id);
  return found;
};

describe('measuring', () => {
  it('the same drawing at any size and place has no difference', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 8, noNaN: true }), fc.integer({ min: -90, max: 90 }), (k, t) => {
        const drawn = placesOf(
          Object.fromEntries(
            Object.entries(STANDING).map(([name, [x, y]]): [string, Point] => [name, [x * k + t, y * k - t]]),
          ),
        );
        for (const { off, verdict } of compare(seen, drawn)) {
          expect(Math.abs(off.value)).toBeLessThan(1e-9);
          expect(verdict).toBe('none');
        }
      }),
    );
  });
  it('a head that is too large is on the wrong side, one that is too small on the right one', () => {
    const large = of('head', changed({ chin: [100, 34] }));
    expect(large.off.value).toBeCloseTo(0.0625, 4);
    expect(large.verdict).toBe('wrong side');
    const small = of('head', changed({ chin: [100, 30] }));
    expect(small.off.value).toBeCloseTo(-0.0625, 4);
    expect(small.verdict).toBe('within');
    expect(sentenceOf(small)).toContain('on the right side');
    expect(of('head', changed({ chin: [100, 26] })).verdict).toBe('too far');
  });
  it('legs may be a little too long, not too short', () => {
    const legs = (k: number): ReturnType<typeof of> => {
      // Longer by k below the hip, and everything above it smaller, so that the figure stays as long.
      const drawn = Object.fromEntries(
        Object.entries(STANDING).map(([name, [x, y]]): [string, Point] => [
          name,
          /knee|ankle|heel|toes/.test(name) ? [118 + (x - 118) * k, 118 + (y - 118) * k] : [x, y],
        ]),
      );
      return of('legs', placesOf(drawn));
    };
    expect(legs(1.1).verdict).toBe('within');
    expect(legs(0.88).verdict).toBe('wrong side');
    expect(legs(1.5).verdict).toBe('too far');
  });
  it('a waist may be too short, not too long', () => {
    // The gap is 27; 10 % longer is 29.7.
    const waist = (by: number): ReturnType<typeof of> =>
      of('waist', changed({ 'end of the breastbone': [100, 75 - by] }));
    expect(waist(2.7).off.value).toBeCloseTo(0.1, 2);
    expect(waist(2.7).verdict).toBe('wrong side');
    expect(waist(-2.7).verdict).toBe('within');
  });
  it('of a tilt, flatter is worse than steeper', () => {
    const shoulders = (deg: number): ReturnType<typeof of> => {
      const t = (deg * Math.PI) / 180;
      return of(
        'tilt of the shoulders',
        changed({
          'left shoulder': [100 + 25 * Math.cos(t), 50 - 25 * Math.sin(t)],
          'right shoulder': [100 - 25 * Math.cos(t), 50 + 25 * Math.sin(t)],
        }),
      );
    };
    const is = (Math.atan2(8, 50) * 180) / Math.PI;
    expect(shoulders(is - 3).verdict).toBe('within');
    expect(shoulders(is - 6).verdict).toBe('wrong side');
    expect(shoulders(is + 6).verdict).toBe('within');
    expect(shoulders(is + 12).verdict).toBe('too far');
    expect(sentenceOf(shoulders(is - 6))).toContain('flatter');
  });
  it('the contrast that is kept: of 19 degrees 14 are 74 %', () => {
    const tilted = (shoulders: number, hips: number): Places => {
      const ends = (deg: number, y: number): [Point, Point] => {
        const t = (deg * Math.PI) / 180;
        return [
          [100 + 20 * Math.cos(t), y - 20 * Math.sin(t)],
          [100 - 20 * Math.cos(t), y + 20 * Math.sin(t)],
        ];
      };
      const [[ls, rs], [lh, rh]] = [ends(shoulders, 50), ends(hips, 102)];
      return changed({ 'left shoulder': ls, 'right shoulder': rs, 'left hip point': lh, 'right hip point': rh });
    };
    const compared = compare(tilted(11, -8), tilted(8, -6));
    const kept = contrastKept(compared);
    expect(kept?.value).toBeCloseTo(14 / 19, 6);
    expect(contrastSentence(kept!)).toMatch(/^74 % ± \d+ of the contrast/);
    expect(contrastKept(compare(tilted(2, 0), tilted(8, -6)))).toBeUndefined();
    expect(contrastSentence(contrastKept(compare(tilted(11, -8), tilted(-8, 6)))!)).toContain('the other way');
  });
  it('the pinched side stays or does not', () => {
    const other = changed({
      'left shoulder': [125, 54],
      'right shoulder': [75, 46],
      'left hip point': [114, 100],
      'right hip point': [86, 104],
    });
    expect(pinchedSides(seen, seen)).toEqual({ seen: 'right', drawn: 'right' });
    expect(pinchedSides(seen, other)).toEqual({ seen: 'right', drawn: 'left' });
    expect(pinchedSides(seen, new Map())).toBeUndefined();
  });
  it('five points say how large the head and how long the legs are, fewer do not', () => {
    const five = new Map(PLACES.slice(0, 5).map((name) => [name, seen.get(name) as Place]));
    expect(compare(seen, five).map(({ measure }) => measure.id)).toEqual([
      'head',
      'legs from the middle',
      'heads',
      'half',
    ]);
    expect(compare(seen, new Map([...five].slice(0, 1)))).toEqual([]);
    expect(firstSentence([])).toContain('Too few points');
  });
  it('a difference smaller than its error is none, and says so', () => {
    const unsure = placesOf({ ...STANDING, chin: [100, 33.5] }, 2);
    const head = of('head', unsure);
    expect(head.verdict).toBe('none');
    expect(sentenceOf(head)).toBe('The head: no difference that can be told.');
    expect(sentenceOf(of('head', placesOf({ ...STANDING, chin: [100, 42] }, 0.2)))).toMatch(
      /^The head is 3\d % ± \d.* too large, on the wrong side\.$/,
    );
  });
  it('the first sentence is about what hurts most', () => {
    expect(firstSentence(compare(seen, seen))).toContain('Nothing of what was measured');
    expect(firstSentence(compare(seen, changed({ chin: [100, 40] })))).toMatch(/^The head is 25 %/);
  });
  it('heads and the middle are told as what they are', () => {
    const drawn = changed({ chin: [100, 40], 'pubic bone': [100, 130] });
    expect(sentenceOf(of('heads', drawn))).toBe('From crown to ankle the figure is 5.7 heads; 7.1 are seen.');
    expect(sentenceOf(of('half', drawn))).toBe(
      'The middle of the body lies too low: 57 % down from crown to ankle, where 53 % are seen.',
    );
  });
  it('sizes are told with their unit', () => {
    expect(sizeOf(of('tilt of the shoulders', changed({ 'left shoulder': [125, 54] })))).toMatch(/^9° ± \d$/);
  });
  it('every measure needs what it uses', () => {
    for (const foot of ['left ankle', 'right ankle'] as const)
      for (const { needs, of: value } of measuresTo(foot)) {
        const used = new Set<string>();
        const result = value((name) => {
          used.add(name);
          return STANDING[name];
        });
        expect(Number.isFinite(result)).toBe(true);
        expect([...used].sort()).toEqual([...new Set(needs)].sort());
      }
  });
});

describe('the error of a value', () => {
  it('is what many taps give', () => {
    const random = seededRandom(8);
    const [head] = measuresTo('left ankle');
    const sigma = 1.5;
    const { sigma: said } = spreadOf(head.of, head.needs, placesOf(STANDING, sigma), false);
    const values = Array.from({ length: 4000 }, () => {
      const tapped = new Map(
        head.needs.map((name) => [name, STANDING[name].map((v) => v + sigma * gaussian(random)) as unknown as Point]),
      );
      return head.of((name) => tapped.get(name) as Point);
    });
    const mean = values.reduce((a, b) => a + b) / values.length;
    const seenSigma = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length);
    expect(said / seenSigma).toBeGreaterThan(0.93);
    expect(said / seenSigma).toBeLessThan(1.07);
  });
  it('a sheet adds its own, also where every point is exact', () => {
    const tilt = measuresTo('left ankle').find(({ id }) => id === 'tilt of the hips')!;
    expect(spreadOf(tilt.of, tilt.needs, seen, false).sigma).toBe(0);
    const { sigma } = spreadOf(tilt.of, tilt.needs, seen, true);
    expect(sigma).toBeGreaterThan(0.19);
    expect(sigma).toBeLessThan(0.25);
  });
});

describe('points of a drawing', () => {
  const key = keyOf(40);
  it('are asked for where the reference shows them', () => {
    const places = placesSeen(key, false);
    for (const { name, visible, findable } of key.marks) {
      if (visible) expect(findable).toBe(true);
      if ((PLACES as readonly string[]).includes(name)) expect(places.has(name as PlaceName)).toBe(findable);
    }
    const [found] = placesSeen(key, true).values();
    expect(found.sigma).toBeGreaterThan(5 * [...places.values()][0].sigma);
  });
  it('put by hand stand in for what was proposed, in the order they are asked for', () => {
    const proposed = [{ name: 'chin', x: 0.5, y: 0.3, sigma: 0.02, by: 'fit' }] as const;
    const points = withPoint(withPoint(proposed, 'chin', [0.5, 0.25], 0.8), 'crown', [0.5, 0.1], 0.8);
    expect(points.map(({ name, by }) => [name, by])).toEqual([
      ['crown', 'hand'],
      ['chin', 'hand'],
    ]);
    const drawn = placesDrawn(points, 1000, 1600);
    expect(drawn.get('chin')).toEqual({ at: [500, 400], sigma: TAPPED_SIGMA * 0.8 * 1600 });
  });
  it('proposed where little meets are not trusted until five of them were put by hand', () => {
    const points = (hands: number) =>
      Array.from({ length: 9 }, (_, i) => ({ by: i < hands ? 'hand' : 'fit' }) as const);
    expect(trustsPoints(points(0), 0.8)).toBe(true);
    expect(trustsPoints(points(0), undefined)).toBe(true);
    expect(trustsPoints(points(4), 0.3)).toBe(false);
    expect(trustsPoints(points(5), 0.3)).toBe(true);
  });
});

describe('ink', () => {
  it('the nearest of it is found exactly', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.array(fc.boolean(), { minLength: 144, maxLength: 144 }),
        (width, height, bits) => {
          const mask = Array.from({ length: width * height }, (_, i) => (bits[i] && i % 3 === 0 ? 1 : 0));
          const { nearest } = inkField(mask, width, height);
          const inked = mask.flatMap((v, i) => (v ? [i] : []));
          for (let o = 0; o < nearest.length; o++) {
            if (inked.length === 0) {
              expect(nearest[o]).toBe(-1);
              continue;
            }
            const far = (i: number): number =>
              ((i % width) - (o % width)) ** 2 + (Math.floor(i / width) - Math.floor(o / width)) ** 2;
            expect(mask[nearest[o]]).toBe(1);
            expect(far(nearest[o])).toBe(Math.min(...inked.map(far)));
          }
        },
      ),
    );
  });
  it('systems are solved, and refused where there is no one answer', () => {
    const a = Float64Array.from([4, 2, 0.6, 2, 5, 1, 0.6, 1, 3]);
    const x = cholesky(Float64Array.from(a), 3).solve([1, 2, 3]);
    for (let i = 0; i < 3; i++)
      expect(a[i * 3] * x[0] + a[i * 3 + 1] * x[1] + a[i * 3 + 2] * x[2]).toBeCloseTo(i + 1, 9);
    expect(() => cholesky(Float64Array.from([1, 2, 2, 1]), 2)).toThrow();
  });
});

describe('finding a figure in its drawing', () => {
  const key = keyOf(40);
  const errors = { head: 0.14, legs: -0.06, tilts: 0.7, shaky: 0.003 };
  const drawing = drawByHand({ key, manner: 'contour', drawMs: 60_000, seed: 2, errors });
  const k = 0.7;
  const to = ([x, y]: readonly number[]): Point => [40 + x * k, 30 + y * k];
  const sheet = emptySheet(210, 297, 4, seededRandom(2));
  layInk(
    sheet,
    drawing.strokes.map((s) => ({
      ...s,
      points: s.points.map(([x, y, at, press]) => [...to([x, y]), at, press] as const),
    })),
    'graphite',
  );
  const mask = Uint8Array.from(sheet.ink, (v) => (v > 0.2 ? 1 : 0));
  const fitted = fitPlaces(key, { width: sheet.width, height: sheet.height, mask })!;
  it('its places are found within a hundredth of its height', () => {
    const height = (key.bottom - key.top) * k;
    for (const { name, findable } of key.marks) {
      const place = fitted.places.get(name as PlaceName);
      if (!place || !findable) continue;
      const truth = to(drawing.places.get(name)!);
      const far = Math.hypot(place.at[0] - truth[0], place.at[1] - truth[1]);
      expect(far, name).toBeLessThan(0.03 * height);
      expect(far, name).toBeLessThan(4 * place.sigma);
    }
    expect(fitted.outlineMet).toBeGreaterThan(0.9);
  });
  it('its head is measured as large as it was drawn', () => {
    const from = placesSeen(key, false);
    const truth = new Map(
      [...from].map(([name]): [PlaceName, Place] => [name, { at: to(drawing.places.get(name)!), sigma: 0 }]),
    );
    const was = compare(from, truth);
    const is = compare(from, fitted.places);
    expect(was.length).toBeGreaterThan(5);
    for (const { measure, off } of was) {
      const found = is.find((one) => one.measure.id === measure.id)!;
      expect(Math.abs(found.off.value - off.value), measure.id).toBeLessThan(SURE * 2 * found.off.sigma);
    }
  });
  it('hardly any ink is nothing to find anything in', () => {
    expect(fitPlaces(key, { width: 100, height: 100, mask: new Uint8Array(10_000) })).toBeUndefined();
  });
});

describe('what lines up', () => {
  const alignments = [
    { a: 'pit of the neck', b: 'pubic bone', kind: 'plumb', at: 100 },
    { a: 'left shoulder', b: 'right shoulder', kind: 'level', at: 50 },
    { a: 'navel', b: 'crown', kind: 'plumb', at: 100 },
  ] as const;
  const key = { ...keyOf(40), alignments: [...alignments] };
  it('is told of the places that are known in both', () => {
    const same = relationsOf(key, seen, seen, 9);
    expect(same.map(({ a, kind, told }) => [a, kind, told])).toEqual([
      ['pit of the neck', 'plumb', false],
      ['left shoulder', 'level', false],
    ]);
    expect(relationSentence(same[0])).toBe('The pit of the neck stands plumb with the pubic bone, in the drawing too.');
    expect(relationsOf(key, seen, seen, 1)).toHaveLength(1);
    expect(relationsOf(key, seen, new Map(), 9)).toEqual([]);
  });
  it('and how far it is off in the drawing, as a share of its height', () => {
    const moved = changed({ 'pit of the neck': [112, 44], 'left shoulder': [125, 40] });
    const [plumb, level] = relationsOf(key, seen, moved, 9);
    expect(plumb.off).toBeCloseTo(12 / 240, 9);
    expect(relationSentence(plumb)).toBe(
      'The pit of the neck stands plumb with the pubic bone; in the drawing it is 5.0 % of the figure’s height to the right.',
    );
    expect(relationSentence(level)).toContain('2.5 % of the figure’s height too high');
    const unsure = placesOf({ ...STANDING, 'pit of the neck': [102, 44] }, 3);
    expect(relationsOf(key, seen, unsure, 9)[0].told).toBe(false);
  });
});
