import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawByHand } from '@/core/hand/draw';
import type { Manner } from '@/core/hand/mannerNames';
import type { StrokePoint } from '@/core/hand/stroke';
import { exerciseById } from '@/core/practice/exercises';
import { strokesByHand } from '@/core/strokes/byHand';
import { inkStrokeId, inkStrokeSchema, type Mark, markOf, marksOf, packed } from '@/core/strokes/inkStroke';
import { lightVector } from '@/core/strokes/lightVector';
import { strokeOutline, strokePieces } from '@/core/strokes/outline';
import { downOf } from '@/core/strokes/told/down';
import { liftsOf } from '@/core/strokes/told/lifts';
import { bendOf, marksTold } from '@/core/strokes/told/marks';
import { bigBeforeSmall } from '@/core/strokes/told/order';
import { paceOf, speedsOf } from '@/core/strokes/told/pace';
import { partsInOrder } from '@/core/strokes/told/parts';
import { reachOf } from '@/core/strokes/told/reach';
import { restatedOf } from '@/core/strokes/told/restated';
import { strokesTold, toldSentences } from '@/core/strokes/told/told';
import { weightOf } from '@/core/strokes/told/weight';
import { isPlace, type PlaceName } from '@/core/measure/places';
import { keyOf } from './keys';

const A3 = { widthMm: 297, heightMm: 420 };

/** A stroke from one place to another at an even pace, bent by so much to its side. */
function stroke(
  from: readonly [number, number],
  to: readonly [number, number],
  {
    startMs = 0,
    ms = 1000,
    sag = 0,
    press = 0.5,
    steps = 60,
    s = false,
  }: Partial<Record<'startMs' | 'ms' | 'sag' | 'press' | 'steps', number>> & { s?: boolean } = {},
): Mark {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  return {
    points: Array.from({ length: steps + 1 }, (_, i): StrokePoint => {
      const u = i / steps;
      const off = sag * Math.sin((s ? 2 : 1) * Math.PI * u);
      return [from[0] + dx * u - (dy / length) * off, from[1] + dy * u + (dx / length) * off, startMs + ms * u, press];
    }),
  };
}

/** A figure drawn by the program's hand on a sheet of A3. */
function byHand(manner: Manner, drawMs: number, seed = 1) {
  const key = keyOf(12);
  const drawn = drawByHand({ key, manner, drawMs, seed });
  const laid = strokesByHand(drawn, A3, { sessionId: 's', sheet: 0, drawing: '0:0', tool: 'graphite' }, 0);
  const places = new Map(
    [...drawn.places].flatMap(([name, [x, y]]): [PlaceName, { at: readonly [number, number] }][] =>
      isPlace(name) ? [[name, { at: [x * laid.perPx + laid.leftMm, y * laid.perPx + laid.topMm] }]] : [],
    ),
  );
  return { ...laid, marks: marksOf(laid.strokes), places };
}

describe('strokes as they are kept', () => {
  const point = fc.tuple(
    fc.double({ min: -10, max: 700, noNaN: true }),
    fc.double({ min: -10, max: 700, noNaN: true }),
    fc.double({ min: 0, max: 1e6, noNaN: true }),
    fc.double({ min: 0, max: 1, noNaN: true }),
  );
  it('come back within a hundredth of a millimeter, a millisecond and a thousandth of the pressure', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 40 }), fc.nat(1e6), (points, atMs) => {
        const { points: back } = markOf({ points: packed(points), atMs });
        expect(back).toHaveLength(points.length);
        back.forEach(([x, y, at, press], i) => {
          expect(Math.abs(x - points[i][0])).toBeLessThanOrEqual(0.0051);
          expect(Math.abs(y - points[i][1])).toBeLessThanOrEqual(0.0051);
          expect(Math.abs(at - atMs - points[i][2])).toBeLessThanOrEqual(0.51);
          expect(Math.abs(press - points[i][3])).toBeLessThanOrEqual(0.00051);
        });
      }),
    );
  });
  it('sort by their turn, and are read by their schema', () => {
    expect(inkStrokeId('s', 9) < inkStrokeId('s', 10)).toBe(true);
    const { strokes } = byHand('flowing', 60_000);
    expect(strokes.length).toBeGreaterThan(5);
    for (const one of strokes) expect(inkStrokeSchema.parse(one)).toEqual(one);
    expect(inkStrokeSchema.safeParse({ ...strokes[0], points: [1, 2, 3] }).success).toBe(false);
    expect(inkStrokeSchema.safeParse({ ...strokes[0], points: [] }).success).toBe(false);
  });
  it('that were taken back, and what was rubbed out with, do not count as drawn', () => {
    const [one] = byHand('flowing', 60_000).strokes;
    expect(marksOf([one, { ...one, undone: true }, { ...one, tool: 'eraser' }])).toHaveLength(1);
  });
  it('are laid in pieces that cover every place and overlap', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3000 }), (places) => {
        const pieces = strokePieces(places);
        expect(pieces[0][0]).toBe(0);
        expect(pieces.at(-1)?.[1]).toBe(places);
        pieces.slice(1).forEach(([from], i) => expect(from).toBeLessThan(pieces[i][1]));
      }),
    );
  });
  it('have ink around where the tool was, wider for charcoal than for a ballpoint, and never narrower than is seen', () => {
    const { points } = stroke([50, 50], [150, 50]);
    const width = (tool: 'charcoal' | 'ballpoint' | 'graphite', least = 0, side = false): number => {
      const ys = strokeOutline(points, { tool, side }, true, least).map(([, y]) => y);
      return Math.max(...ys) - Math.min(...ys);
    };
    expect(width('charcoal')).toBeGreaterThan(4);
    expect(width('ballpoint')).toBeLessThan(1);
    expect(width('ballpoint', 2)).toBeGreaterThan(2);
    // Held flat, a pencil shades.
    expect(width('graphite', 0, true)).toBeGreaterThan(3 * width('graphite'));
  });
});

describe('what strokes tell', () => {
  it('lifts, and whether it went on elsewhere', () => {
    const line = stroke([10, 10], [60, 10]);
    expect(liftsOf([line])).toEqual({ lifts: 0, relocations: 0, medianMm: 0 });
    expect(liftsOf([line, stroke([62, 10], [90, 40]), stroke([10, 200], [50, 200])])).toMatchObject({
      lifts: 2,
      relocations: 1,
    });
    expect(liftsOf(byHand('one line', 60_000).marks).lifts).toBe(0);
  });
  it('an even pace is even, and a stretch drawn faster is found where it was', () => {
    const slow = stroke([20, 20], [120, 20], { ms: 20_000, steps: 1000 });
    expect(speedsOf(slow)[500]).toBeCloseTo(5, 1);
    const even = paceOf([slow], 20_000)!;
    expect(even.evenMmPerS).toBeCloseTo(5, 2);
    expect(even.steady).toBeCloseTo(1, 2);
    expect(even.runs).toEqual([]);
    // Ten seconds at 5 mm a second, two at 50, ten at 5 again.
    const { points } = slow;
    const middle = stroke([70, 20], [170, 20], { startMs: 10_000, ms: 2000, steps: 100 }).points;
    const ran: Mark = {
      points: [
        ...points.slice(0, 500),
        ...middle,
        ...points.slice(501).map(([x, y, at, press]): StrokePoint => [x + 100, y, at + 2000, press]),
      ],
    };
    const pace = paceOf([ran], 22_000)!;
    expect(pace.runs).toHaveLength(1);
    expect(pace.runs[0].fromMs).toBeGreaterThan(9500);
    expect(pace.runs[0].toMs).toBeLessThan(12_500);
    expect(pace.runs[0].times).toBeGreaterThan(3);
    expect(pace.runs[0].at[0]).toBeCloseTo(70, -1);
    expect(paceOf([], 1000)).toBeUndefined();
    expect(paceOf([slow], 0)).toBeUndefined();
  });
  it('straight, C, S and anything else, whatever the hand shakes', () => {
    expect(bendOf(stroke([0, 0], [80, 30]))).toBe('straight');
    expect(bendOf(stroke([0, 0], [80, 0], { sag: 20 }))).toBe('C');
    expect(bendOf(stroke([0, 0], [80, 0], { sag: -20 }))).toBe('C');
    expect(bendOf(stroke([0, 0], [80, 0], { sag: 16, s: true }))).toBe('S');
    expect(bendOf(stroke([0, 0], [1, 1]))).toBeUndefined();
    const circle: Mark = {
      points: Array.from({ length: 90 }, (_, i): StrokePoint => [
        30 * Math.cos(i / 12),
        30 * Math.sin(i / 12),
        i * 10,
        0.5,
      ]),
    };
    expect(bendOf(circle)).toBe('other');
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        fc.infiniteStream(fc.double({ min: -0.4, max: 0.4, noNaN: true })),
        (turn, shakes) => {
          const shake = shakes[Symbol.iterator]();
          const turned = (mark: Mark): Mark => ({
            points: mark.points.map(([x, y, at, press]): StrokePoint => [
              x * Math.cos(turn) - y * Math.sin(turn) + (shake.next().value as number),
              x * Math.sin(turn) + y * Math.cos(turn) + (shake.next().value as number),
              at,
              press,
            ]),
          });
          expect(bendOf(turned(stroke([0, 0], [120, 0])))).toBe('straight');
          expect(bendOf(turned(stroke([0, 0], [120, 0], { sag: 30 })))).toBe('C');
          expect(bendOf(turned(stroke([0, 0], [120, 0], { sag: 26, s: true })))).toBe('S');
        },
      ),
    );
    const told = marksTold([stroke([0, 0], [40, 0]), stroke([0, 0], [60, 0]), stroke([0, 0], [80, 0], { sag: 20 })]);
    expect(told).toMatchObject({ marks: 3, bends: { straight: 2, C: 1, S: 0, other: 0 } });
    expect(told.medianMm).toBeCloseTo(60, 0);
  });
  it('a line said again is told from one that is scratched at', () => {
    const whole = stroke([20, 20], [120, 60]);
    const again = stroke([21, 22], [121, 61], { startMs: 3000 });
    expect(restatedOf([whole, again])).toEqual({ restated: 1, scratched: 0 });
    expect(restatedOf([whole, stroke([20, 120], [120, 160], { startMs: 3000 })])).toEqual({
      restated: 0,
      scratched: 0,
    });
    const scratches = Array.from({ length: 5 }, (_, i) =>
      i % 2 === 0
        ? stroke([50, 50], [64, 52], { startMs: i * 300, ms: 200 })
        : stroke([64, 53], [50, 51], { startMs: i * 300, ms: 200 }),
    );
    expect(restatedOf(scratches)).toEqual({ restated: 0, scratched: 5 });
    // Far apart in time, they are short strokes and no more.
    expect(
      restatedOf(scratches.map((_, i) => stroke([50, 50], [64, 52], { startMs: i * 5000, ms: 200 }))).scratched,
    ).toBe(0);
  });
  it('what no wrist reaches, by how far the hand itself moved', () => {
    const marks = [stroke([0, 0], [60, 0]), stroke([0, 20], [180, 20])];
    expect(reachOf(marks, 1)?.beyondWrist).toBeCloseTo(0.75, 5);
    expect(reachOf(marks, 0.5)?.beyondWrist).toBe(0);
    expect(reachOf(marks, 1)?.longestMm).toBeCloseTo(180, 0);
    expect(reachOf([], 1)).toBeUndefined();
  });
  it('big before small, small before big, and no order', () => {
    const of = (lengths: readonly number[]) => bigBeforeSmall(lengths.map((mm, i) => stroke([0, i], [mm, i])));
    const lengths = [100, 80, 60, 45, 34, 25, 18];
    expect(of(lengths)).toBe(1);
    expect(of(lengths.toReversed())).toBe(0);
    expect(of([30, 30, 30, 30, 30, 30, 30])).toBeUndefined();
    expect(of([100, 20])).toBeUndefined();
  });
  it('when the figure was down, by what it is at its end', () => {
    const marks = Array.from({ length: 10 }, (_, i) =>
      stroke([20, 20 + 30 * i], [20, 48 + 30 * i], { startMs: i * 1000, ms: 900 }),
    );
    const down = downOf(marks)!;
    expect(down.downMs).toBeGreaterThan(8000);
    expect(down.downMs).toBeLessThanOrEqual(10_000);
    expect(down.steps.at(-1)?.share).toBe(1);
    // Everything after the first second goes over the same place once more.
    const first = stroke([20, 20], [20, 300], { ms: 1000 });
    expect(
      downOf([first, ...marks.map((_, i) => stroke([20, 20], [20, 300], { startMs: 2000 + i * 1000 }))])!.downMs,
    ).toBeLessThanOrEqual(1000);
    expect(downOf([])).toBeUndefined();
    const shares = downOf(byHand('flowing', 60_000).marks)!.steps.map(({ share }) => share);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
  });
  it('in which order the parts came: a hand that builds from the head down begins there', () => {
    const { marks, places } = byHand('structural', 120_000);
    const parts = partsInOrder(marks, places, 120_000);
    expect(parts.map(({ part }) => part)).toContain('pelvis');
    const atMs = parts.map((p) => p.atMs);
    expect(atMs).toEqual(atMs.toSorted((a, b) => a - b));
    const turned = partsInOrder(
      marks.toReversed().map(({ points }): Mark => ({
        points: points.map(([x, y, at, press]): StrokePoint => [x, y, 120_000 - at, press]),
      })),
      places,
      120_000,
    );
    expect(turned[0].part).not.toBe(parts[0].part);
    expect(partsInOrder(marks, new Map(), 120_000)).toEqual([]);
  });
  it('pressure away from the light, and nothing of a tool that knows none', () => {
    const heavy = [stroke([0, 0], [0, 100], { press: 0.3 }), stroke([100, 0], [100, 100], { press: 0.6 })];
    const weight = weightOf(heavy, lightVector('left')!)!;
    expect(weight.away).toBeCloseTo(0.6, 5);
    expect(weight.toward).toBeCloseTo(0.3, 5);
    expect(weightOf(heavy, lightVector('right')!)!.away).toBeCloseTo(0.3, 5);
    expect(weightOf([stroke([0, 0], [0, 100])], [1, 0])).toBeUndefined();
    expect(lightVector('front')).toBeUndefined();
    for (const from of ['left', 'right', 'above', 'upper left', 'upper right'] as const)
      expect(Math.hypot(...lightVector(from)!)).toBeGreaterThan(0);
  });
});

describe('in words', () => {
  const said = (id: string, marks: readonly Mark[], spentMs = 60_000): string[] => {
    const known = {
      exercise: exerciseById(id),
      spentMs,
      movedMm: 1,
      places: undefined,
      lightFrom: lightVector('left'),
    };
    return toldSentences(strokesTold(marks, known), known).map(({ words }) => words);
  };
  it('what the exercise is about comes first', () => {
    const line = stroke([20, 20], [120, 20], { ms: 50_000, steps: 1000 });
    expect(said('continuous-line', [line])[0]).toBe('It is one line: the tool never left the sheet.');
    expect(said('continuous-line', [line, stroke([120, 22], [150, 80])])[0]).toBe(
      '1 lift, each going on where it left off.',
    );
    expect(said('blind-contour', [line])[0]).toMatch(
      /^An even pace was 1\.7 mm a second; \d+ % of the line kept near it/,
    );
    const many = Array.from({ length: 24 }, (_, i) =>
      stroke([10, 10 + i * 9], [60, 10 + i * 9], { startMs: i * 1000, ms: 900 }),
    );
    expect(said('mark-allowance', many)[0]).toBe(
      '24 marks, 4 over the 20 allowed, 50 mm long in the middle: 24 straight.',
    );
    expect(said('flowing-gesture', many)[0]).toMatch(/^Nine tenths of the figure were down after 0:2\d of 1:00\.$/);
    expect(said('flowing-gesture', [])).toEqual([]);
  });
  it('of every manner of the hand something is told, every sentence whole', () => {
    for (const manner of ['flowing', 'contour', 'blind', 'one line', 'hatching', 'mass'] as const) {
      const { marks } = byHand(manner, 60_000);
      for (const id of ['flowing-gesture', 'contour', 'continuous-line', 'tone-study'])
        for (const words of said(id, marks)) {
          expect(words).toMatch(/^[A-Z0-9].*\.$/);
          expect(words).not.toMatch(/NaN|undefined|Infinity/);
        }
    }
  });
});
