import { describe, expect, it } from 'vitest';
import { mapped } from '@/core/desk/quad';
import { pageByHand } from '@/core/hand/page';
import { DESKS, photographOf } from '@/core/hand/photograph';
import { fitPlaces } from '@/core/measure/fitPlaces';
import { keyOf } from './keys';

const key = keyOf(40);
const page = pageByHand({
  widthMm: 210,
  heightMm: 297,
  perMm: 3,
  material: 'graphite',
  seed: 2,
  drawings: [1, 2, 3].map((seed) => ({ key, manner: 'contour', drawMs: 60_000, seed })),
});
const task = { page, desk: 'wood', width: 320, height: 420, seed: 7 } as const;

describe('a page by hand', () => {
  it('holds its drawings apart, each within the sheet and around its places', () => {
    const { sheet, drawings } = page;
    expect(drawings).toHaveLength(3);
    for (const { box, places } of drawings) {
      expect(Math.min(box.x, box.y)).toBeGreaterThanOrEqual(0);
      expect(Math.max(box.x + box.width, box.y + box.height)).toBeLessThanOrEqual(1);
      const [x, y] = places.get('navel')!;
      expect(x / sheet.width).toBeGreaterThan(box.x);
      expect(y / sheet.height).toBeLessThan(box.y + box.height);
    }
    drawings.forEach(({ box: a }, i) =>
      drawings.slice(i + 1).forEach(({ box: b }) => {
        const over = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
        const under = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
        expect(Math.min(over, under)).toBeLessThan(0.01);
      }),
    );
  });
  it('is no taller than it may be', () => {
    const small = pageByHand({
      widthMm: 210,
      heightMm: 297,
      perMm: 3,
      material: 'brush',
      seed: 2,
      tallestMm: 60,
      drawings: [{ key, manner: 'contour', drawMs: 1000, seed: 1 }],
    });
    expect(small.drawings[0].box.height * 297).toBeLessThan(61);
  });
});

describe('a made photograph', () => {
  it('is the same from the same seed, and another from another', () => {
    const [a, b, c] = [7, 7, 8].map((seed) => photographOf({ ...task, seed }).photo.data);
    expect(a).toEqual(b);
    expect(a).not.toEqual(c);
  });
  it.each(DESKS)('on a %s desk: the sheet lies where it says', (desk) => {
    const { photo, corners, map } = photographOf({ ...task, desk });
    expect(mapped(map, 0, 0)[0]).toBeCloseTo(corners[0][0], 6);
    expect(mapped(map, 210, 297)[1]).toBeCloseTo(corners[2][1], 6);
    for (const [x, y] of corners) {
      expect(x).toBeGreaterThan(0);
      expect(y).toBeLessThan(photo.height);
    }
    const [x, y] = mapped(map, 4, 4).map(Math.round);
    const level = (u: number, v: number): number => photo.data[(v * photo.width + u) * 4];
    expect(level(x, y)).toBeGreaterThan(level(2, 2));
  });
});

describe('a reference of which only points are known', () => {
  it('is found by its limbs and masses where there is no outline', () => {
    const bare = { ...key, outline: [], inner: [] };
    const { sheet, drawings } = pageByHand({
      widthMm: 210,
      heightMm: 297,
      perMm: 3,
      material: 'graphite',
      seed: 3,
      drawings: [{ key, manner: 'flowing', drawMs: 60_000, seed: 1 }],
    });
    const mask = Uint8Array.from(sheet.ink, (v) => (v > 0.2 ? 1 : 0));
    const { places } = fitPlaces(bare, { width: sheet.width, height: sheet.height, mask })!;
    const height = drawings[0].box.height * sheet.height;
    const far = [...places].map(([name, { at }]) => {
      const [x, y] = drawings[0].places.get(name)!;
      return Math.hypot(at[0] - x, at[1] - y) / height;
    });
    far.sort((a, b) => a - b);
    expect(far[Math.floor(far.length / 2)]).toBeLessThan(0.05);
  });
});
