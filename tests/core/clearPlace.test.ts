import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clearPlace, coveredShare, GRID, occupiedIn } from '@/core/seeing/clearPlace';
import { placeIn, type Rect } from '@/core/seeing/place';

const ROOM: Rect = { x: 34, y: 30, width: 1212, height: 660 };
/** A figure that fills these columns and rows of the grid. */
const figure = (left: number, top: number, right: number, bottom: number): boolean[] =>
  Array.from({ length: GRID * GRID }, (_, i) => {
    const [x, y] = [i % GRID, Math.floor(i / GRID)];
    return x >= left && x < right && y >= top && y < bottom;
  });
const WORDS: Rect = { x: 48, y: 40, width: 330, height: 190 };
const DIGITS: Rect = { x: 48, y: 570, width: 300, height: 120 };

describe('the place of a picture under words and digits', () => {
  it('is the usual one where nothing is covered', () => {
    const size = { width: 600, height: 1000 };
    expect(clearPlace(ROOM, size, 0.62, figure(10, 2, 22, 30), [WORDS, DIGITS])).toEqual(
      placeIn(ROOM, 600, 1000, 0.62),
    );
  });
  it('moves aside before it gets smaller', () => {
    const size = { width: 1000, height: 1000 };
    const whole = figure(0, 0, GRID, GRID);
    const place = clearPlace(ROOM, size, 0.5, whole, [WORDS]);
    expect(place.width).toBe(660);
    expect(place.x).toBeGreaterThan(384);
    expect(coveredShare(place, whole, [WORDS])).toBe(0);
  });
  it('gets smaller for a wide pose whose feet would lie under the digits', () => {
    const size = { width: 1800, height: 1000 };
    const lying = figure(0, 20, GRID, GRID);
    const place = clearPlace(ROOM, size, 0.62, lying, [WORDS, DIGITS]);
    expect(coveredShare(place, lying, [WORDS, DIGITS])).toBe(0);
    expect(place.width).toBeGreaterThan(0.7 * placeIn(ROOM, 1800, 1000, 0.62).width);
  });
  it('never covers more than the usual place does, and stays in the room', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    const anyBox = fc.record({
      x: fc.integer({ min: 0, max: 1200 }),
      y: fc.integer({ min: 0, max: 680 }),
      width: fc.integer({ min: 20, max: 500 }),
      height: fc.integer({ min: 20, max: 300 }),
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 2000 }),
        share,
        fc.array(fc.boolean(), { minLength: GRID * GRID, maxLength: GRID * GRID }),
        fc.array(anyBox, { maxLength: 4 }),
        (width, lean, occupied, boxes) => {
          const place = clearPlace(ROOM, { width, height: 1000 }, lean, occupied, boxes);
          const usual = placeIn(ROOM, width, 1000, lean);
          expect(coveredShare(place, occupied, boxes)).toBeLessThanOrEqual(coveredShare(usual, occupied, boxes));
          expect(place.x).toBeGreaterThanOrEqual(ROOM.x - 0.01);
          expect(place.x + place.width).toBeLessThanOrEqual(ROOM.x + ROOM.width + 0.01);
          expect(place.y).toBeGreaterThanOrEqual(ROOM.y - 0.01);
          expect(place.y + place.height).toBeLessThanOrEqual(ROOM.y + ROOM.height + 0.01);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('counts what is solid, not the cast shadow', () => {
    const rgba = new Uint8ClampedArray(GRID * GRID * 4);
    rgba[3] = 255;
    rgba[7] = 90;
    expect(occupiedIn(rgba).slice(0, 3)).toEqual([true, false, false]);
  });
});
