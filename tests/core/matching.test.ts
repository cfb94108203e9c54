import { polygonHull } from 'd3-polygon';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assigned } from '@/core/assignment';
import { type Drawn, envelopeOf, inkEnvelope, matched, unlikeness, uprightQuarters } from '@/core/desk/matching';
import type { SheetBox } from '@/core/desk/readingOrder';
import { splitAlong } from '@/core/desk/splitBox';
import { demoErrors } from '@/core/demoPages';
import { pageByHand } from '@/core/hand/page';
import { keyOf } from './keys';

describe('assignment', () => {
  it('costs as little as the best of all ways', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 0, max: 2 }),
        fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 35, maxLength: 35 }),
        (rows, more, numbers) => {
          const columns = rows + more;
          const costs = Array.from({ length: rows }, (_, i) => numbers.slice(i * columns, (i + 1) * columns));
          const best = (row: number, free: readonly number[]): number =>
            row === rows
              ? 0
              : Math.min(
                  ...free.map(
                    (j) =>
                      costs[row][j] +
                      best(
                        row + 1,
                        free.filter((k) => k !== j),
                      ),
                  ),
                );
          const found = assigned(costs);
          expect(new Set(found).size).toBe(rows);
          const sum = found.reduce((total, j, i) => total + costs[i][j], 0);
          expect(sum).toBe(
            best(
              0,
              Array.from({ length: columns }, (_, j) => j),
            ),
          );
        },
      ),
    );
  });
  it('needs a column for each row', () => {
    expect(() => assigned([[1], [2]])).toThrow();
    expect(assigned([])).toEqual([]);
  });
});

/** Eight drawings by a learner with errors, some of them left out, and where they are. */
function page(keep: readonly number[], turned = false) {
  const keys = [40, 3, 12, 60, 80, 100, 21, 55].map(keyOf);
  const drawn: Drawn[] = keys.map((key, i) => ({ key: String(i), envelope: envelopeOf(key.envelope) }));
  const made = pageByHand({
    widthMm: 210,
    heightMm: 297,
    perMm: 3,
    material: 'graphite',
    seed: 4,
    drawings: keep.map((i) => ({ key: keys[i], manner: 'flowing', drawMs: 60_000, seed: i, errors: demoErrors(60) })),
  });
  const { width, height, ink } = made.sheet;
  const mask = Uint8Array.from(ink, (v) => (v > 0.15 ? 1 : 0));
  const boxes = made.drawings.map(({ box }) => box);
  if (!turned) return { drawn, boxes: boxes.map((box) => ({ box, envelope: inkEnvelope(mask, width, height, box) })) };
  // The same sheet photographed after a quarter turn to the left.
  const lying = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) lying[(width - 1 - x) * height + y] = mask[y * width + x];
  return {
    drawn,
    boxes: boxes.map(({ x, y, width: w, height: h }) => {
      const box: SheetBox = { x: y, y: 1 - x - w, width: h, height: w };
      return { box, envelope: inkEnvelope(lying, height, width, box) };
    }),
  };
}

describe('which drawing a box is', () => {
  it('is told by shape where some were skipped', () => {
    const keep = [0, 2, 3, 6, 7];
    const { drawn, boxes } = page(keep);
    const found = matched(boxes, drawn).boxes.map(({ box, key }) => [
      keep[boxes.findIndex((one) => one.box === box)],
      Number(key),
    ]);
    expect(found.filter(([truth, key]) => truth === key).length).toBeGreaterThanOrEqual(4);
  });
  it('is told by order where no shape is known', () => {
    const boxes = [0.1, 0.4, 0.7].map((x) => ({ box: { x, y: 0.1, width: 0.2, height: 0.8 }, envelope: undefined }));
    const drawn = ['a', 'b', 'c'].map((key): Drawn => ({ key, envelope: undefined }));
    expect(matched(boxes, drawn).boxes.map(({ key }) => key)).toEqual(['a', 'b', 'c']);
    expect(matched(boxes, drawn.slice(0, 2)).boxes.map(({ key }) => key)).toEqual(['a', 'b', null]);
    expect(matched(boxes, []).boxes.map(({ key }) => key)).toEqual([null, null, null]);
    expect(uprightQuarters(boxes, drawn)).toBe(0);
  });
  it('a sheet that lies on its side is turned upright, one that stands is left', () => {
    const keep = [0, 1, 2, 3, 4, 5];
    const standing = page(keep);
    expect(uprightQuarters(standing.boxes, standing.drawn)).toBe(0);
    const lying = page(keep, true);
    expect(uprightQuarters(lying.boxes, lying.drawn)).toBe(1);
  });
});

describe('an envelope', () => {
  it('is the same for a figure large or small, anywhere', () => {
    const corners = polygonHull(keyOf(3).envelope.map(([x, y]): [number, number] => [x, y]))!;
    const a = envelopeOf(corners)!;
    const b = envelopeOf(corners.map(([x, y]) => [x * 3 + 70, y * 3 - 20]))!;
    expect(unlikeness(a, b)).toBeLessThan(1e-9);
    expect(unlikeness(a, envelopeOf(keyOf(40).envelope)!)).toBeGreaterThan(0.03);
    expect(
      envelopeOf([
        [0, 0],
        [1, 1],
      ]),
    ).toBeUndefined();
  });
});

describe('a box cut along a line', () => {
  it('falls into what is drawn on either side, each in its own box', () => {
    const [w, h] = [100, 80];
    const ink = new Uint8Array(w * h);
    for (let y = 10; y < 70; y++) {
      ink[y * w + 20 + Math.floor(y / 4)] = 1;
      ink[y * w + 60 + Math.floor(y / 4)] = 1;
    }
    const box = { x: 0, y: 0, width: 1, height: 1 };
    const parts = splitAlong(ink, w, h, box, [0.4, 0], [0.6, 1])!;
    expect(parts[0].x).toBeCloseTo(0.22, 6);
    expect(parts[1].x).toBeCloseTo(0.62, 6);
    expect(parts[0].height).toBeCloseTo(60 / 80, 6);
    expect(splitAlong(ink, w, h, box, [0.05, 0], [0.05, 1])).toBeUndefined();
  });
});
