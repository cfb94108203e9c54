import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '@/core/figure/facts/actionLine';
import { drawByHand } from '@/core/hand/draw';
import { errorsOf, NO_ERRORS } from '@/core/hand/errors';
import { emptySheet, layInk, MATERIALS } from '@/core/hand/ink';
import { hatch, inPieces, onePath, pockets, simplified, straights } from '@/core/hand/lines';
import { MANNERS } from '@/core/hand/mannerNames';
import { mannerOf, stagesOf } from '@/core/hand/manners';
import { stageEnds } from '@/core/hand/stageEnds';
import { curveThrough, evenly, paced, strayed } from '@/core/hand/pace';
import { lineLength, type Stroke, strokesUntil } from '@/core/hand/stroke';
import { warpBy } from '@/core/hand/warp';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { seededRandom } from '@/core/random';
import { keyOf } from './keys';

const FIGURE = 40;
const apart = (a: readonly number[], b: readonly number[]): number => Math.hypot(a[0] - b[0], a[1] - b[1]);
const coordinate = fc.integer({ min: -500, max: 500 });
const point = fc.tuple(coordinate, coordinate);
const ringOf = (sides: number, radius: number): Point[] =>
  Array.from({ length: sides }, (_, i): Point => {
    const a = (2 * Math.PI * i) / sides;
    return [radius * Math.cos(a), radius * Math.sin(a)];
  });

describe('lines', () => {
  it('points at even distances keep the ends and the way', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 12 }), (line) => {
        const even = evenly(line, 5);
        expect(even[0]).toEqual(line[0]);
        expect(even[even.length - 1]).toEqual(line[line.length - 1]);
        expect(lineLength(even)).toBeLessThanOrEqual(lineLength(line) + 1e-6);
        for (const p of even) {
          const near = Math.min(...line.slice(1).map((b, i) => distanceTo(p, line[i], b)));
          expect(near).toBeLessThan(1e-6);
        }
      }),
    );
  });
  it('a curve passes through its points', () => {
    const through: Point[] = [
      [0, 0],
      [100, 40],
      [160, 200],
      [90, 320],
    ];
    const curve = curveThrough(through);
    for (const p of through) expect(Math.min(...curve.map((q) => apart(p, q)))).toBeLessThan(4);
  });
  it('a simplified line stays within its distance', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 30 }), fc.integer({ min: 1, max: 60 }), (line, within) => {
        const few = simplified(line, within);
        for (const p of line) {
          const near = Math.min(...few.slice(1).map((b, i) => distanceTo(p, few[i], b)));
          expect(near).toBeLessThanOrEqual(within + 1e-6);
        }
      }),
    );
  });
  it('straights go round a ring, each a little past its ends', () => {
    const lines = straights(ringOf(80, 200), 10);
    expect(lines.length).toBeGreaterThan(4);
    expect(lines.length).toBeLessThan(40);
    for (const [a, b] of lines) expect(apart(a, b)).toBeGreaterThan(20);
  });
  it('hatching fills a shape and leaves its holes', () => {
    const lines = hatch([ringOf(60, 100), ringOf(60, 40)], 30, 4);
    const middle = (l: Point[]): Point => [(l[0][0] + l[1][0]) / 2, (l[0][1] + l[1][1]) / 2];
    for (const line of lines) {
      for (const end of line) expect(apart(end, [0, 0])).toBeLessThan(100.5);
      expect(apart(middle(line), [0, 0])).toBeGreaterThan(39);
    }
    const covered = lines.reduce((sum, line) => sum + lineLength(line), 0) * 4;
    expect(covered / (Math.PI * (100 ** 2 - 40 ** 2))).toBeCloseTo(1, 1);
  });
  it('pieces of a line cover all of it and reach into each other', () => {
    const line = evenly(
      [
        [0, 0],
        [1000, 0],
      ],
      5,
    );
    const pieces = inPieces(line, 4);
    expect(pieces).toHaveLength(4);
    expect(pieces[0][0]).toEqual([0, 0]);
    expect(pieces[3].at(-1)).toEqual([1000, 0]);
    for (let i = 1; i < 4; i++) expect(pieces[i][0][0]).toBeLessThan(pieces[i - 1][pieces[i - 1].length - 1][0]);
  });
  it('one path goes along everything without a leap longer than from one line to the next', () => {
    const [a, b] = [ringOf(60, 200), ringOf(30, 30).map(([x, y]): Point => [x + 150, y])];
    const path = onePath([b, a]);
    for (const p of [...a, ...b]) expect(path).toContainEqual(p);
    const leaps = path.slice(1).map((p, i) => apart(path[i], p));
    expect(Math.max(...leaps)).toBeLessThan(40);
  });
  it('pockets lie between the outline and its envelope', () => {
    const star = ringOf(10, 1).map(([x, y], i): Point => (i % 2 === 0 ? [x * 200, y * 200] : [x * 80, y * 80]));
    const envelope = star.filter((_, i) => i % 2 === 0);
    const found = pockets(star, envelope);
    expect(found).toHaveLength(5);
    for (const shape of found) expect(shape).toHaveLength(3);
  });
});

/** Distance of a point from a piece of a line. */
function distanceTo(p: readonly number[], a: readonly number[], b: readonly number[]): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const t = Math.max(0, Math.min(1, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(p[0] - a[0] - t * dx, p[1] - a[1] - t * dy);
}

describe('warping', () => {
  it('takes each pull where it is to go, and a similarity everywhere alike', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(point, { minLength: 3, maxLength: 8, selector: ([x, y]) => `${String(x)},${String(y)}` }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        point,
        point,
        (from, k, turn, [tx, ty], probe) => {
          const similar = ([x, y]: Point): Point => [
            k * (x * Math.cos(turn) - y * Math.sin(turn)) + tx,
            k * (x * Math.sin(turn) + y * Math.cos(turn)) + ty,
          ];
          const warp = warpBy(from.map((p) => ({ from: p, to: similar(p) })));
          expect(apart(warp(from[0]), similar(from[0]))).toBeLessThan(1e-9);
          expect(apart(warp(probe), similar(probe))).toBeLessThan(1e-4);
        },
      ),
    );
  });
  it('without pulls everything stays', () => {
    expect(warpBy([])([3, 4])).toEqual([3, 4]);
  });
});

describe('a learner’s errors', () => {
  const key = keyOf(FIGURE);
  const at = (places: ReadonlyMap<string, Point>, name: string): Point => places.get(name) as Point;
  it('none leaves everything where it is', () => {
    const { at: map, places } = errorsOf(key, NO_ERRORS);
    for (const { name, at: there } of key.marks) expect(places.get(name)).toEqual(there);
    expect(map([120, 340])).toEqual([120, 340]);
  });
  it('a head grows and legs shrink by as much as is said', () => {
    const { places } = errorsOf(key, { ...NO_ERRORS, head: 0.14, legs: -0.06 });
    const of = (name: string): Point => (key.marks.find((m) => m.name === name) as { at: Point }).at;
    expect(apart(at(places, 'crown'), at(places, 'chin')) / apart(of('crown'), of('chin'))).toBeCloseTo(1.14, 6);
    for (const side of ['left', 'right']) {
      const [hip, ankle] = [`${side} outer hip`, `${side} ankle`];
      expect(apart(at(places, hip), at(places, ankle)) / apart(of(hip), of(ankle))).toBeCloseTo(0.94, 6);
    }
  });
  it('tilts keep the share that is said', () => {
    const tilted = [40, 3, 12, 60, 80].map(keyOf).find((k) => !k.shoulders.endOn && Math.abs(k.shoulders.deg) > 4);
    expect(tilted).toBeDefined();
    const { places } = errorsOf(tilted as typeof key, { ...NO_ERRORS, tilts: 0.5 });
    const [l, r] = ['left shoulder', 'right shoulder'].map((name) => at(places, name)).sort((a, b) => a[0] - b[0]);
    const deg = (Math.atan2(l[1] - r[1], r[0] - l[0]) * 180) / Math.PI;
    expect(deg).toBeCloseTo((tilted as typeof key).shoulders.deg / 2, 4);
  });
  it('what is squeezed ends higher, and what is above stays', () => {
    const { at: map } = errorsOf(key, { ...NO_ERRORS, squeezed: 0.1 });
    const height = key.bottom - key.top;
    expect(map([200, key.bottom])[1]).toBeCloseTo(key.bottom - 0.1 * height, 6);
    expect(map([200, key.top + 0.4 * height])).toEqual([200, key.top + 0.4 * height]);
  });
});

describe('drawing by hand', () => {
  const key = keyOf(FIGURE);
  const task = { key, drawMs: 60_000, seed: 5 };
  it.each(MANNERS)('%s: strokes in order, in their time, and the same from the same seed', (manner) => {
    const drawing = drawByHand({ ...task, manner });
    expect(drawing.strokes.length).toBeGreaterThan(0);
    let last = 0;
    for (const { points } of drawing.strokes)
      for (const [, , ms, press] of points) {
        expect(ms).toBeGreaterThanOrEqual(last - 1e-6);
        expect(press).toBeGreaterThan(0);
        expect(press).toBeLessThanOrEqual(1);
        last = ms;
      }
    expect(last).toBeLessThanOrEqual(60_000);
    expect(last).toBeGreaterThan(30_000);
    expect(drawByHand({ ...task, manner })).toEqual(drawing);
    expect(drawByHand({ ...task, manner, seed: 6 })).not.toEqual(drawing);
  });
  it('one line is one stroke; a mark allowance is kept', () => {
    expect(drawByHand({ ...task, manner: 'one line' }).strokes).toHaveLength(1);
    expect(drawByHand({ ...task, manner: 'flowing', mostMarks: 8 }).strokes).toHaveLength(8);
  });
  it('a contour lies on the figure’s edges; blind, it comes apart', () => {
    const edges = [...key.outline, ...key.inner].flatMap(({ points }) => points);
    const off = (manner: 'contour' | 'blind'): number => {
      const points = drawByHand({ ...task, manner }).strokes.flatMap((s) => s.points.filter((_, i) => i % 7 === 0));
      const far = points.map((p) => Math.min(...edges.map((e) => apart(p, e)))).sort((a, b) => a - b);
      return far[Math.floor(far.length / 2)];
    };
    expect(off('contour')).toBeLessThan(6);
    expect(off('blind')).toBeGreaterThan(8);
  });
  it('a slow hand does not finish, a forgetful one leaves out', () => {
    const whole = drawByHand({ ...task, manner: 'flowing' });
    const slow = drawByHand({ ...task, manner: 'flowing', errors: { slow: 2 } });
    expect(slow.strokes.length).toBeLessThan(whole.strokes.length * 0.75);
    const memory = drawByHand({ ...task, manner: 'flowing', errors: { forgets: 0.5 } });
    expect(memory.strokes).toHaveLength(Math.ceil(whole.strokes.length / 2));
  });
  it('a scratchy hand puts lines together out of short ones', () => {
    const whole = drawByHand({ ...task, manner: 'contour' });
    expect(drawByHand({ ...task, manner: 'contour', errors: { scratchy: 1 } }).strokes.length).toBeGreaterThan(
      2 * whole.strokes.length,
    );
  });
  it('at any moment what is drawn so far is a beginning of the whole', () => {
    const { strokes } = drawByHand({ ...task, manner: 'flowing' });
    const half = strokesUntil(strokes, 30_000);
    const points = (some: readonly Stroke[]): number => some.reduce((sum, s) => sum + s.points.length, 0);
    expect(points(half)).toBeGreaterThan(0);
    expect(points(half)).toBeLessThan(points(strokes));
    expect(strokesUntil(strokes, 60_000)).toEqual(strokes);
    expect(strokesUntil(strokes, -1)).toEqual([]);
  });
  it('is slower where a line bends', () => {
    const bent: Point[] = [
      ...evenly([
        [0, 0],
        [200, 0],
      ]),
      ...evenly([
        [200, 5],
        [200, 200],
      ]),
    ];
    const times = paced(bent, { fromMs: 0, lastsMs: 1000, press: 0.5, even: false }).map(([, , at]) => at);
    const steps = times.slice(1).map((at, i) => at - times[i]);
    expect(Math.max(...steps)).toBeGreaterThan(2 * Math.min(...steps));
    expect(steps.indexOf(Math.max(...steps))).toBeCloseTo(40, -1);
    const even = paced(bent, { fromMs: 0, lastsMs: 1000, press: 0.5, even: true }).map(([, , at]) => at);
    expect(even[1] - even[0]).toBeCloseTo(even[60] - even[59], 6);
  });
  it('strays about as far as it is told to', () => {
    const line = strayed(
      [
        [0, 0],
        [4000, 0],
      ],
      6,
      seededRandom(3),
    );
    const spread = Math.sqrt(line.reduce((sum, [, y]) => sum + y * y, 0) / line.length);
    expect(spread).toBeGreaterThan(2);
    expect(spread).toBeLessThan(9);
  });
});

describe('manners', () => {
  it('every exercise is drawn in one that its rule allows', () => {
    for (const exercise of CATALOG) expect(MANNERS).toContain(mannerOf(exercise));
    expect(mannerOf(exerciseById('continuous-line'))).toBe('one line');
    expect(mannerOf(exerciseById('blind-contour'))).toBe('blind');
    expect(mannerOf(exerciseById('flowing-gesture'))).toBe('flowing');
    expect(mannerOf(exerciseById('gesture-by-mass'))).toBe('mass');
    expect(mannerOf(exerciseById('contour'))).toBe('contour');
  });
  it.each(MANNERS)('%s: the stages share the whole time', (manner) => {
    const stages = stagesOf(manner, keyOf(FIGURE));
    expect(stages.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    for (const { lines } of stages) expect(lines.length).toBeGreaterThan(0);
  });
});

describe('ink', () => {
  const across: Stroke = {
    points: [
      [20, 50, 0, 0.9],
      [180, 50, 100, 0.9],
    ],
    stage: 'a',
    broad: false,
  };
  it.each(MATERIALS)('%s darkens where it goes and nowhere else', (material) => {
    const sheet = emptySheet(50, 25, 4, seededRandom(1));
    layInk(sheet, [across], material);
    const at = (x: number, y: number): number => sheet.ink[y * sheet.width + x];
    const along = Array.from({ length: 140 }, (_, i) => at(30 + i, 50));
    expect(along.reduce((a, b) => a + b) / along.length).toBeGreaterThan(0.25);
    for (const v of sheet.ink) expect(v).toBeLessThanOrEqual(1);
    expect(at(100, 20)).toBe(0);
    expect(at(5, 50)).toBe(0);
  });
  it('a stroke over another darkens it; crossing itself it does not', () => {
    const once = emptySheet(50, 25, 4, seededRandom(1));
    layInk(once, [{ ...across, points: [...across.points, [20, 50, 200, 0.9]] }], 'brush');
    const twice = emptySheet(50, 25, 4, seededRandom(1));
    layInk(twice, [across, across], 'brush');
    const sum = (ink: Float32Array): number => ink.reduce((a, b) => a + b, 0);
    expect(sum(twice.ink)).toBeGreaterThan(sum(once.ink) * 1.02);
  });
  it('the side of the charcoal is broader than its point', () => {
    const wide = (broad: boolean): number => {
      const sheet = emptySheet(50, 25, 4, seededRandom(1));
      layInk(sheet, [{ ...across, broad }], 'charcoal');
      return sheet.ink.filter((v) => v > 0.02).length;
    };
    expect(wide(true)).toBeGreaterThan(2.5 * wide(false));
  });
});

describe('stages of a drawing', () => {
  it('end one after the other, the last with the drawing', () => {
    const drawing = drawByHand({ key: keyOf(FIGURE), manner: 'flowing', drawMs: 60_000, seed: 5 });
    const ends = stageEnds(drawing);
    expect(ends.map(({ name }) => name)).toEqual([
      'action line',
      'masses',
      'tilts',
      'limb rhythms',
      'edges that matter',
    ]);
    for (let i = 1; i < ends.length; i++) expect(ends[i].endMs).toBeGreaterThan(ends[i - 1].endMs);
    expect(ends[ends.length - 1].endMs).toBe(drawing.strokes.at(-1)!.points.at(-1)![2]);
  });
});
