import { describe, expect, it } from 'vitest';
import { proposeDrawings } from '@/core/desk/drawings';
import { edgesOf } from '@/core/desk/edges';
import { clusterOf, gapsBetween, inkCells, marksOf, widthOf } from '@/core/desk/inkCells';
import { linesOf, meeting } from '@/core/desk/lines';
import type { Rgba } from '@/core/desk/picture';
import { areaOf, type Corners, type Point } from '@/core/desk/quad';
import { refinedCorners } from '@/core/desk/refineCorners';
import { cutsOf } from '@/core/desk/seams';
import {
  cornersInPixels,
  cornersInShares,
  isBlack,
  mmPerPixel,
  sheetDoubts,
  sheetSchema,
  sheetShape,
} from '@/core/desk/sheet';
import { straightened } from '@/core/desk/straighten';

/** A picture painted by a function of its pixels, gray. */
function painted(width: number, height: number, gray: (x: number, y: number) => number): Rgba {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0; x < width; x++, o += 4) {
      const v = gray(x, y);
      data.set([v, v, v, 255], o);
    }
  return { width, height, data };
}
/** Ink in boxes of [left, top, right, bottom], pixels. */
function inked(width: number, height: number, ...boxes: [number, number, number, number][]): Uint8Array {
  const ink = new Uint8Array(width * height);
  for (const [x0, y0, x1, y1] of boxes)
    for (let y = y0; y < y1; y++) for (let x = x0; x < x1; x++) ink[y * width + x] = 1;
  return ink;
}

describe('edges and lines of a photograph', () => {
  const photo = painted(300, 200, (x, y) => (x > 60 && x < 240 && y > 40 && y < 160 ? 220 : 60));
  const edges = edgesOf(photo);
  it('lie where it changes, and nowhere else', () => {
    expect(edges.factor).toBe(1);
    expect(edges.on.length).toBeGreaterThan(400);
    for (const i of edges.on) {
      const [x, y] = [i % 300, Math.floor(i / 300)];
      const near = Math.min(Math.abs(x - 60.5), Math.abs(x - 239.5), Math.abs(y - 40.5), Math.abs(y - 159.5));
      expect(near).toBeLessThan(4);
    }
  });
  it('are found small in a large photograph', () => {
    expect(edgesOf(painted(2000, 1000, () => 90)).factor).toBe(4);
  });
  it('gather into its four lines, which meet in its corners', () => {
    const lines = linesOf(edges).slice(0, 4);
    const level = lines.filter(({ s }) => Math.abs(s) > 0.9).sort((a, b) => a.rho * a.s - b.rho * b.s);
    const upright = lines.filter(({ c }) => Math.abs(c) > 0.9).sort((a, b) => a.rho * a.c - b.rho * b.c);
    expect([level.length, upright.length]).toEqual([2, 2]);
    const corner = meeting(level[0], upright[0])!;
    expect(corner[0]).toBeCloseTo(60.5, 0);
    expect(corner[1]).toBeCloseTo(40.5, 0);
    expect(meeting(level[0], { ...level[0], rho: 3 })).toBeUndefined();
  });
  it('know an edge of color alone', () => {
    const colored = painted(120, 90, () => 120);
    for (let y = 0; y < 90; y++) for (let x = 60; x < 120; x++) colored.data.set([170, 120, 70], (y * 120 + x) * 4);
    expect(edgesOf(colored).on.length).toBeGreaterThan(60);
  });
});

describe('corners to a fraction of a pixel', () => {
  const truth: Corners = [
    [70.4, 50.7],
    [330.2, 50.7],
    [330.2, 260.3],
    [70.4, 260.3],
  ];
  const soft = (v: number): number => Math.min(1, Math.max(0, v + 0.5));
  const photo = painted(
    400,
    320,
    (x, y) => 40 + 180 * soft(x + 0.5 - 70.4) * soft(330.2 - x - 0.5) * soft(y + 0.5 - 50.7) * soft(260.3 - y - 0.5),
  );
  it('are taken to where the paper begins', () => {
    const rough = truth.map(([x, y], i): Point => [x + (i % 2 ? -4 : 3), y + (i > 1 ? 3 : -4)]) as unknown as Corners;
    const { corners, bow } = refinedCorners(photo, rough, 8);
    corners.forEach(([x, y], i) => expect(Math.hypot(x - truth[i][0], y - truth[i][1])).toBeLessThan(0.5));
    expect(bow).toBeLessThan(0.05);
  });
  it('stay where they are on a photograph without edges', () => {
    expect(
      refinedCorners(
        painted(400, 320, () => 128),
        truth,
        8,
      ).corners,
    ).toEqual(truth.map(([x, y]) => [expect.closeTo(x, 6) as number, expect.closeTo(y, 6) as number]));
  });
  it('are kept in shares, and come back', () => {
    const shares = cornersInShares(truth, 400, 320);
    cornersInPixels(shares, 400, 320).forEach(([x, y], i) => {
      expect(x).toBeCloseTo(truth[i][0], 6);
      expect(y).toBeCloseTo(truth[i][1], 6);
    });
    expect(areaOf(truth)).toBeCloseTo(259.8 * 209.6, 3);
    expect(sheetShape(truth, 400, 320, 'A4').aspect).toBeCloseTo(297 / 210, 6);
  });
});

describe('a straightened sheet', () => {
  it('is what lies between its corners', () => {
    const photo = painted(100, 100, (x) => (x < 50 ? 10 : 200));
    const { data, width } = straightened(
      photo,
      [
        [0, 0],
        [100, 0],
        [100, 100],
        [0, 100],
      ],
      40,
      20,
    );
    expect([data[4 * 4], data[(10 * width + 35) * 4], data[3]]).toEqual([10, 200, 255]);
    // Upside down, its left is its right.
    const turned = straightened(
      photo,
      [
        [100, 100],
        [0, 100],
        [0, 0],
        [100, 0],
      ],
      40,
      20,
    );
    expect(turned.data[4 * 4]).toBe(200);
  });
});

describe('marks on a sheet', () => {
  const [w, h] = [400, 300];
  it('leave out the gutter, holes, slivers and a thumb', () => {
    const grid = inkCells(
      inked(w, h, [4, 0, 8, 300], [100, 100, 160, 200], [200, 120, 240, 210], [385, 20, 389, 24], [330, 120, 400, 150]),
      w,
      h,
    );
    const marks = marksOf(grid);
    expect(marks.map(({ left }) => left).sort((a, b) => a - b)).toEqual([100, 200]);
    expect(grid.mass[20 * w + 386]).toBe(0);
  });
  it('are told how far apart they are', () => {
    const grid = inkCells(inked(w, h, [60, 60, 90, 200], [110, 60, 140, 200], [300, 60, 330, 200]), w, h);
    const marks = marksOf(grid);
    const gaps = gapsBetween(grid, marks);
    expect(gaps[0].cells).toBeCloseTo(21, 0);
    expect(gaps.map(({ cells }) => Math.round(cells))).toEqual([21, 161]);
  });
  it('are cut where the least of them is crossed', () => {
    const grid = inkCells(inked(w, h, [60, 60, 160, 220], [160, 138, 190, 142], [190, 60, 290, 220]), w, h);
    const [mark] = marksOf(grid);
    expect(widthOf(mark)).toBe(230);
    const [cut] = cutsOf(grid, mark, 0.2).sort((a, b) => a.cost - b.cost);
    expect(cut.upright).toBe(true);
    expect(cut.cost).toBeLessThan(0.01);
    const [a, b] = cut.parts.map(({ mass }) => mass);
    expect(Math.min(a, b) / Math.max(a, b)).toBeGreaterThan(0.95);
    expect(cutsOf(grid, clusterOf(grid, mark.cells.slice(0, 30)), 0.2)).toEqual([]);
  });
  it('become as many drawings as a session says, touching or in pieces', () => {
    const touching = inked(w, h, [60, 60, 150, 240], [150, 140, 200, 144], [200, 60, 290, 240]);
    expect(proposeDrawings(touching, w, h, 2).boxes).toHaveLength(2);
    expect(proposeDrawings(touching, w, h, 2).cuts).toBe(1);
    const pieces = inked(w, h, [60, 60, 120, 140], [60, 150, 120, 240], [250, 60, 320, 240]);
    expect(proposeDrawings(pieces, w, h, 2).boxes).toHaveLength(2);
    expect(proposeDrawings(new Uint8Array(w * h), w, h, 3)).toEqual({ boxes: [], left: [], cuts: 0 });
  });
  it('leave writing beside a drawing to itself', () => {
    const letters = Array.from({ length: 8 }, (_, i): [number, number, number, number] => [
      300 + i * 6,
      270,
      303 + i * 6,
      275,
    ]);
    const { boxes, left } = proposeDrawings(inked(w, h, [60, 40, 160, 240], ...letters), w, h);
    expect(boxes).toHaveLength(1);
    expect(boxes[0].x).toBeCloseTo(60 / w, 2);
    expect(left.length).toBeGreaterThan(0);
  });
});

describe('what is kept of a sheet', () => {
  const good = {
    corners: [
      [0, 0],
      [1, 0],
      [1, 1.1],
      [-0.1, 1],
    ],
    quarters: 1,
    aspect: 0.7,
    drawings: [{ x: 0.1, y: 0.1, width: 0.3, height: 0.5, drawing: null }],
  };
  it('is read as it was written', () => {
    expect(sheetSchema.parse(good)).toEqual(good);
  });
  it.each([
    ['three corners', { ...good, corners: good.corners.slice(1) }],
    ['a corner far outside', { ...good, corners: [[9, 9], ...good.corners.slice(1)] }],
    ['five quarters', { ...good, quarters: 5 }],
    ['no width', { ...good, drawings: [{ ...good.drawings[0], width: 0 }] }],
    ['too many drawings', { ...good, drawings: Array.from({ length: 81 }, () => good.drawings[0]) }],
  ])('is refused with %s', (_, bad) => {
    expect(sheetSchema.safeParse(bad).success).toBe(false);
  });
});

describe('a photograph in which nothing can be seen', () => {
  it('is called black, and one with a lamp in it is not', () => {
    const dark = painted(200, 150, (x, y) => 8 + ((x * 7 + y * 3) % 20));
    expect(isBlack(dark)).toBe(true);
    expect(sheetDoubts([], 0, true)).toEqual([
      'The photograph is black: nothing can be seen in it. Take it again in more light; this one stays as it is.',
    ]);
    const lit = painted(200, 150, (x) => (x > 190 ? 220 : 8));
    expect(isBlack(lit)).toBe(false);
  });
});

describe('the scale of a sheet', () => {
  it('follows from the paper that was said, and from nothing else', () => {
    expect(mmPerPixel({ paper: 'A4' }, 1600)).toBeCloseTo(297 / 1600, 9);
    expect(mmPerPixel({ paper: 'A3' }, 1600)).toBeCloseTo(420 / 1600, 9);
    expect(mmPerPixel({}, 1600)).toBeUndefined();
    expect(mmPerPixel({ paper: 'papyrus' }, 1600)).toBeUndefined();
  });
});
