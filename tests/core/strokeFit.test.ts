import { describe, expect, it } from 'vitest';
import { drawByHand } from '@/core/hand/draw';
import { emptySheet, layInk } from '@/core/hand/ink';
import { fitPlaces } from '@/core/measure/fitPlaces';
import { isPlace } from '@/core/measure/places';
import { seededRandom } from '@/core/random';
import { strokesByHand } from '@/core/strokes/byHand';
import { markOf } from '@/core/strokes/inkStroke';
import { inkOfStrokes } from '@/core/strokes/sheetsDrawn';
import { keyOf } from './keys';

const A3 = { widthMm: 297, heightMm: 420 };
const PER_MM = 2;
const [WIDTH, HEIGHT] = [A3.widthMm * PER_MM, A3.heightMm * PER_MM];

/** How far off the places of a drawing in charcoal are found, millimeters: by its strokes, and by what lies on the sheet. */
function offBy(i: number): { strokes: number[]; sheet: number[] } {
  const key = keyOf(i);
  const drawn = drawByHand({
    key,
    manner: i % 2 ? 'flowing' : 'contour',
    drawMs: 60_000,
    seed: i,
    errors: { head: 0.1, shaky: 0.003 },
  });
  const { strokes, perPx, leftMm, topMm } = strokesByHand(
    drawn,
    A3,
    { sessionId: 's', sheet: 0, drawing: '0:0', tool: 'charcoal' },
    0,
  );
  const sheet = emptySheet(A3.widthMm, A3.heightMm, PER_MM, seededRandom(1));
  const laid = strokes.map((stroke) => ({
    points: markOf(stroke).points.map(([x, y, at, press]) => [x * PER_MM, y * PER_MM, at, press] as const),
    stage: '',
    broad: true,
  }));
  layInk(sheet, laid, 'charcoal');
  const off = (mask: ArrayLike<number>): number[] => {
    const fitted = fitPlaces(key, { width: WIDTH, height: HEIGHT, mask });
    return [...drawn.places].flatMap(([name, [x, y]]) => {
      const found = isPlace(name) && fitted?.places.get(name);
      if (!found) return [];
      return [Math.hypot(found.at[0] / PER_MM - (x * perPx + leftMm), found.at[1] / PER_MM - (y * perPx + topMm))];
    });
  };
  return {
    strokes: off(inkOfStrokes(strokes, A3, WIDTH, HEIGHT)),
    sheet: off(Array.from(sheet.ink, (v) => (v > 0.15 ? 1 : 0))),
  };
}

const median = (all: number[]): number => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)];

describe('places of a drawing on the screen', () => {
  it('are found nearer by its strokes than by the breadth of what lies on the sheet', () => {
    const all = [3, 12, 20, 31].map(offBy);
    const [strokes, sheet] = [median(all.flatMap((o) => o.strokes)), median(all.flatMap((o) => o.sheet))];
    expect(strokes).toBeLessThan(sheet * 0.8);
    // Of a figure about 340 mm tall.
    expect(strokes).toBeLessThan(1.5);
  });
});
