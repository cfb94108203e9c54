import { describe, expect, it } from 'vitest';
import { proposeDrawings } from '@/core/desk/drawings';
import { evenLight } from '@/core/desk/evenLight';
import { findSheet } from '@/core/desk/findSheet';
import { inkOf } from '@/core/desk/ink';
import type { Rgba } from '@/core/desk/picture';
import { type Corners, homography, mapped, type Point, sheetAspect, sheetsLike } from '@/core/desk/quad';
import { readingOrder, type SheetBox } from '@/core/desk/readingOrder';
import { refinedCorners } from '@/core/desk/refineCorners';
import {
  cutInTwo,
  joinedWithNext,
  keysLeft,
  likelyCount,
  type Sheet,
  sheetDoubts,
  sheetSchema,
  sheetShape,
} from '@/core/desk/sheet';
import { straightened, turnedCorners } from '@/core/desk/straighten';
import { pageByHand } from '@/core/hand/page';
import { photographOf } from '@/core/hand/photograph';
import { keyOf } from './keys';
import { WHOLE } from './pages';

const worst = (a: Corners, b: Corners): number =>
  Math.max(...a.map(([x, y], i) => Math.hypot(x - b[i][0], y - b[i][1])));
/** Share of two boxes that both cover. */
const overlap = (a: SheetBox, b: SheetBox): number => {
  const w = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const h = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  if (w <= 0 || h <= 0) return 0;
  return (w * h) / (a.width * a.height + b.width * b.height - w * h);
};

describe('projective maps', () => {
  const from: Point[] = [
    [0, 0],
    [100, 0],
    [100, 140],
    [0, 140],
  ];
  const to: Point[] = [
    [12, 9],
    [110, 20],
    [95, 160],
    [3, 133],
  ];
  it('take each point where it belongs, and back', () => {
    const there = homography(from, to);
    const back = homography(to, from);
    from.forEach(([x, y], i) => {
      expect(mapped(there, x, y)[0]).toBeCloseTo(to[i][0], 6);
      expect(mapped(there, x, y)[1]).toBeCloseTo(to[i][1], 6);
    });
    const [u, v] = mapped(back, ...mapped(there, 37, 61));
    expect(u).toBeCloseTo(37, 6);
    expect(v).toBeCloseTo(61, 6);
  });
  it('cannot be had of corners on one line', () => {
    expect(() =>
      homography(
        [
          [0, 0],
          [1, 0],
          [2, 0],
          [3, 0],
        ],
        to,
      ),
    ).toThrow('one line');
  });
});

describe('a photographed sheet', () => {
  const desks = ['dark', 'wood'] as const;
  const photos = Array.from({ length: 10 }, (_, i) => {
    const drawings = Array.from({ length: 2 + (i % 4) }, (_one, k) => ({
      key: keyOf([40, 3, 12, 60, 80][(i + k) % 5]),
      manner: k % 2 ? ('contour' as const) : ('flowing' as const),
      drawMs: 60_000,
      seed: i * 9 + k,
    }));
    const page = pageByHand({
      widthMm: 210,
      heightMm: 297,
      perMm: 4,
      material: 'graphite',
      drawings,
      seed: i + 1,
      fills: [0.7, 0.85],
    });
    const boxes = page.drawings.map(({ box }) => box);
    return { boxes, ...photographOf({ page, seed: i + 1, desk: desks[i % 2], width: 1000, height: 1300 }) };
  });
  it('is found: every corner within one hundredth of the diagonal', () => {
    for (const { photo, corners } of photos) {
      const { candidates } = findSheet(photo);
      expect(candidates.length).toBeGreaterThan(0);
      expect(worst(candidates[0].corners, corners)).toBeLessThan(0.01 * Math.hypot(photo.width, photo.height));
    }
  });
  it('tells its proportion through perspective, and mostly the paper it is', () => {
    const known = photos.filter(({ photo, corners }) => {
      const aspect = sheetAspect(corners, photo.width, photo.height);
      expect(Math.abs(aspect / (210 / 297) - 1)).toBeLessThan(0.03);
      // A3, A4 and A5 differ by thousandths.
      return Math.abs(sheetShape(corners, photo.width, photo.height).aspect / (210 / 297) - 1) < 0.005;
    });
    expect(known.length).toBeGreaterThanOrEqual(8);
    expect(sheetsLike(1 / 1.4142).map(({ name }) => name)).toContain('A3');
    expect(sheetsLike(0.4)).toEqual([]);
  });
  it('takes corners that were put near its own to them', () => {
    for (const { photo, corners } of photos.slice(0, 4)) {
      const off = corners.map(([x, y], i): Point => [x + (i % 2 ? 7 : -6), y + (i > 1 ? -6 : 7)]) as unknown as Corners;
      expect(worst(refinedCorners(photo, off, 12).corners, corners)).toBeLessThan(2.5);
    }
  });
  it('is straightened, evenly lit and cut into as many drawings as there are', () => {
    let right = 0;
    let shared = 0;
    let all = 0;
    for (const { photo, corners, boxes: truth } of photos) {
      const flat = evenLight(straightened(photo, corners, 900, Math.round((900 * 297) / 210)));
      const { width, height } = flat.picture;
      const { boxes } = proposeDrawings(inkOf(flat), width, height, truth.length);
      if (boxes.length === truth.length) right++;
      for (const box of truth) {
        all++;
        shared += Math.max(0, ...boxes.map((b) => overlap(b, box)));
      }
    }
    expect(right).toBe(photos.length);
    expect(shared / all).toBeGreaterThan(0.8);
  });
  it('tells how many drawings there are by itself when they lie apart', () => {
    const counts = photos.map(({ photo, corners, boxes: truth }) => {
      const flat = evenLight(straightened(photo, corners, 900, Math.round((900 * 297) / 210)));
      const { width, height } = flat.picture;
      return proposeDrawings(inkOf(flat), width, height).boxes.length === truth.length;
    });
    expect(counts.filter(Boolean).length).toBeGreaterThanOrEqual(8);
  });
  it('is not found where there is none, and that is said', () => {
    const blank: Rgba = { width: 400, height: 300, data: new Uint8ClampedArray(400 * 300 * 4).fill(128) };
    const { candidates, bow } = findSheet(blank);
    expect(candidates).toEqual([]);
    expect(sheetDoubts(candidates, bow)).toEqual(['No sheet was found in the photograph: drag the corners onto it.']);
  });
});

describe('even light', () => {
  it('takes a shadow off the paper and leaves the marks', () => {
    const [w, h] = [320, 240];
    const data = new Uint8ClampedArray(w * h * 4);
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) {
        // Half of it in shadow, a mark across both halves.
        const light = (x < w / 2 ? 150 : 230) * (Math.abs(y - 120) < 3 ? 0.4 : 1);
        data.set([light, light, light, 255], (y * w + x) * 4);
      }
    const even = evenLight({ width: w, height: h, data });
    const at = (x: number, y: number): number => even.picture.data[(y * w + x) * 4];
    expect(Math.abs(at(40, 40) - at(280, 40))).toBeLessThan(10);
    const ink = inkOf(even);
    expect(ink[120 * w + 40]).toBe(1);
    expect(ink[120 * w + 280]).toBe(1);
    expect(ink[40 * w + 40]).toBe(0);
  });
});

describe('the order in which a sheet is read', () => {
  const box = (x: number, y: number, width = 0.2, height = 0.3): SheetBox => ({ x, y, width, height });
  it('goes by rows, each from the left, however uneven they are', () => {
    const order = readingOrder([box(0.7, 0.52), box(0.1, 0.1), box(0.4, 0.14), box(0.1, 0.55), box(0.7, 0.06)]);
    expect(order.map(({ x, y }) => [x, y])).toEqual([
      [0.1, 0.1],
      [0.4, 0.14],
      [0.7, 0.06],
      [0.1, 0.55],
      [0.7, 0.52],
    ]);
  });
  it('is from the left where all stand side by side', () => {
    expect(readingOrder([box(0.6, 0.2), box(0.1, 0.4)]).map(({ x }) => x)).toEqual([0.1, 0.6]);
    expect(readingOrder([])).toEqual([]);
  });
});

describe('a sheet at the desk', () => {
  const corners: Corners = [
    [10, 10],
    [90, 12],
    [88, 130],
    [8, 128],
  ];
  it('is turned by reading its corners from another one on', () => {
    expect(turnedCorners(corners, 0)).toEqual(corners);
    expect(turnedCorners(corners, 1)[0]).toEqual(corners[3]);
    expect(turnedCorners(turnedCorners(corners, 1), 3)).toEqual(corners);
  });
  it('says which edge is a guess, and when it is curled', () => {
    const seen = (...sides: [number, number, number, number]): { corners: Corners; sides: typeof sides } => ({
      corners,
      sides,
    });
    expect(sheetDoubts([seen(0.9, 0.2, 0.8, 0.9)], 0)).toEqual([
      'Its right edge is a guess: look at the corners there.',
    ]);
    expect(sheetDoubts([seen(0.9, 0.2, 0.3, 0.9)], 0.6)).toEqual([
      'Its right and lower edges are guesses: look at the corners there.',
      'The sheet is curled or partly covered: its edges are not straight.',
    ]);
    expect(sheetDoubts([seen(0.9, 0.9, 0.9, 0.9)], 0)).toEqual([]);
    // A second one that is seen as well, unless it is the same but for a hair.
    const best = seen(0.99, 0.99, 0.99, 0.99);
    const other = {
      ...seen(0.9, 0.9, 0.9, 0.8),
      corners: corners.map(([x, y]) => [x, y * 0.7] as const) as unknown as Corners,
    };
    expect(sheetDoubts([best, other], 0)).toHaveLength(1);
    expect(sheetDoubts([best, { ...other, sides: [0.9, 0.9, 0.9, 0.5] }], 0)).toEqual([]);
    expect(sheetDoubts([best, seen(0.9, 0.9, 0.9, 0.9)], 0)).toEqual([]);
  });
  it('is cut in two across its longer side, and joined again with the next', () => {
    const wide = { x: 0.1, y: 0.1, width: 0.4, height: 0.4, drawing: 'a' };
    const last = { x: 0.7, y: 0.2, width: 0.2, height: 0.6, drawing: 'b' };
    const cut = cutInTwo([wide, last], 0, 1.4);
    expect(cut).toEqual([{ ...wide, width: 0.2 }, { ...wide, x: 0.1 + 0.2, width: 0.2, drawing: null }, last]);
    expect(cutInTwo([wide], 0, 0.7).map(({ y, height }) => [y, height])).toEqual([
      [0.1, 0.2],
      [0.1 + 0.2, 0.2],
    ]);
    const [again, other] = joinedWithNext(cut, 0);
    for (const key of ['x', 'y', 'width', 'height'] as const) expect(again[key]).toBeCloseTo(wide[key], 12);
    expect([again.drawing, other]).toEqual(['a', last]);
    // A name is not lost to a box that has none, and nothing comes after the last.
    const end = joinedWithNext(cut, 1);
    expect(end).toHaveLength(2);
    expect(end[1]).toMatchObject({ x: 0.1 + 0.2, y: 0.1, drawing: 'b' });
    expect(end[1].width).toBeCloseTo(0.6, 12);
    expect(joinedWithNext(cut, 2)).toEqual(cut);
  });
  it('has all that is left of a session when it shows nearly as many, and no more than it shows otherwise', () => {
    expect(likelyCount(2, 12)).toBe(2);
    expect(likelyCount(1, 2)).toBe(2);
    expect(likelyCount(5, 6)).toBe(6);
    expect(likelyCount(7, 6)).toBe(6);
    expect(likelyCount(9, 2)).toBe(9);
    expect(likelyCount(3, 0)).toBe(3);
  });
  it('has the drawings in order that are on no other sheet', () => {
    const boxes = [0, 1, 2].map((i): SheetBox => ({ x: i / 4, y: 0, width: 0.2, height: 0.9 }));
    const sheet: Sheet = sheetSchema.parse({
      corners: WHOLE,
      quarters: 0,
      aspect: 0.7,
      drawings: boxes.map((box, i) => ({ ...box, drawing: ['a', 'b'][i] ?? null })),
    });
    expect(sheet.drawings.map(({ drawing }) => drawing)).toEqual(['a', 'b', null]);
    expect(keysLeft(['a', 'b', 'c'], [sheet, undefined])).toEqual(['c']);
  });
});
