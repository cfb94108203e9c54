import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lightSentence, lightsOf, pureSentence } from '@/core/seeing/lights';

const [W, H] = [120, 200];
/** A picture of a figure in the middle, gray, with round lights on it. */
function lit(lights: readonly [x: number, y: number, radius: number, level: number][], ground = 120) {
  const data = new Uint8ClampedArray(W * H * 4).fill(255);
  const inside = new Uint8Array(W * H);
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      const i = y * W + x;
      // Around the figure it is as white as can be, which is nobody's light.
      if (x < 20 || x >= 100 || y < 10 || y >= 190) continue;
      inside[i] = 1;
      const light = lights.find(([cx, cy, r]) => (x - cx) ** 2 + (y - cy) ** 2 <= r * r);
      data.fill(light?.[3] ?? ground, i * 4, i * 4 + 3);
    }
  return lightsOf({ width: W, height: H, data }, inside, 180);
}

describe('the lights of a figure', () => {
  it('have one that is brightest, where it is, and no rival that is darker by more than a twentieth', () => {
    const { brightest, rivals } = lit([
      [50, 60, 8, 230],
      [80, 150, 8, 200],
    ]);
    expect(brightest?.x).toBeCloseTo(50.5, 0);
    expect(brightest?.y).toBeCloseTo(60.5, 0);
    expect(rivals).toEqual([]);
  });
  it('are rivals within a twentieth of the range', () => {
    const { brightest, rivals } = lit([
      [50, 60, 8, 230],
      [80, 150, 8, 220],
      [40, 120, 8, 225],
    ]);
    expect(brightest?.lightness).toBeCloseTo(230 / 255, 2);
    expect(rivals.map(({ y }) => Math.round(y))).toEqual([121, 151]);
  });
  it('are none where much is equally light: a line drawing on white paper', () => {
    expect(lit([], 250)).toMatchObject({ brightest: undefined, rivals: [] });
  });
  it('are told with what is as white and as black as can be', () => {
    const { pureWhite, pureBlack } = lit([
      [60, 60, 20, 255],
      [60, 140, 10, 0],
    ]);
    const all = 80 * 180;
    expect(pureWhite).toBeCloseTo((Math.PI * 400) / all, 2);
    expect(pureBlack).toBeCloseTo((Math.PI * 100) / all, 2);
  });
  it('are found wherever a light is, and nothing is found of nothing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 32, max: 88 }), fc.integer({ min: 25, max: 175 }), (x, y) => {
        const { brightest } = lit([[x, y, 6, 240]]);
        expect(Math.hypot((brightest?.x ?? 0) - x - 0.5, (brightest?.y ?? 0) - y - 0.5)).toBeLessThan(1);
      }),
      { numRuns: 20 },
    );
    const empty = { width: 2, height: 2, data: new Uint8ClampedArray(16) };
    expect(lightsOf(empty, new Uint8Array(4), 2)).toEqual({
      brightest: undefined,
      rivals: [],
      pureWhite: 0,
      pureBlack: 0,
    });
  });
  it('are told in sentences', () => {
    const some = { x: 0, y: 0, lightness: 1, area: 9 };
    const none = { brightest: undefined, rivals: [], pureWhite: 0, pureBlack: 0.004 };
    expect(lightSentence('The drawing', none)).toBe('The drawing has no single light: much of it is equally light.');
    expect(lightSentence('The drawing', { ...none, brightest: some })).toBe(
      'The drawing has one brightest light, alone.',
    );
    expect(lightSentence('It', { ...none, brightest: some, rivals: [some] })).toContain('and 1 rival within 5 %');
    expect(pureSentence('It', none)).toBeUndefined();
    expect(pureSentence('It', { ...none, pureWhite: 0.123, pureBlack: 0.5 })).toBe(
      'It is 12 % pure white and 50 % pure black.',
    );
  });
});
