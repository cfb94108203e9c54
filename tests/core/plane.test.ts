import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { convexReach } from '@/core/convexReach';
import { flatSheet, inkInBox } from '@/core/desk/flatSheet';
import { behindWindow, pairWindows, picturedBy, whollyPictured } from '@/core/desk/pair';
import type { Corners } from '@/core/desk/quad';
import { curveKind, onCubic, type Point } from '@/core/figure/facts/actionLine';
import { tiltDeg } from '@/core/figure/facts/measuringLines';
import type { Mass } from '@/core/figure/facts/masses';
import { around, crossOf, onMass, ringOf, wrapsOf } from '@/core/hand/lines';
import { bendingOf } from '@/core/measure/bending';
import { heightOf, isPlace, type PlaceName } from '@/core/measure/places';
import { apart, middle } from '@/core/plane';
import { gaussian, seededRandom } from '@/core/random';

const coordinate = fc.integer({ min: -500, max: 500 });
const point = fc.tuple(coordinate, coordinate);

describe('points of a picture', () => {
  it('the middle is as far from both', () => {
    fc.assert(
      fc.property(point, point, (a, b) => {
        expect(apart(a, middle(a, b))).toBeCloseTo(apart(a, b) / 2, 9);
        expect(apart(b, middle(a, b))).toBeCloseTo(apart(a, b) / 2, 9);
      }),
    );
  });
  it('a tilt is the same whichever end comes first, and positive where the right end is higher', () => {
    expect(tiltDeg([0, 10], [10, 0])).toBeCloseTo(45, 9);
    fc.assert(
      fc.property(point, point, (a, b) => {
        fc.pre(a[0] !== b[0]);
        expect(tiltDeg(a, b)).toBeCloseTo(tiltDeg(b, a), 9);
        expect(Math.abs(tiltDeg(a, b))).toBeLessThanOrEqual(90);
      }),
    );
  });
  it('a cubic begins and ends at its ends, and a straight one stays on its chord', () => {
    const curve: [Point, Point, Point, Point] = [
      [0, 0],
      [10, 20],
      [20, 40],
      [30, 60],
    ];
    expect(onCubic(curve, 0)).toEqual([0, 0]);
    expect(onCubic(curve, 1)).toEqual([30, 60]);
    expect(onCubic(curve, 0.5)).toEqual([15, 30]);
    expect(curveKind(curve)).toBe('straight');
  });
});

describe('the reach of a convex outline', () => {
  it('of a circle is its radius, of a square more to its corners', () => {
    const circle = Array.from({ length: 360 }, (_, i): Point => {
      const a = (i * Math.PI) / 180;
      return [5 + 3 * Math.cos(a), 7 + 3 * Math.sin(a)];
    });
    for (const reach of convexReach(circle, [5, 7], 12)) expect(reach).toBeCloseTo(3, 2);
    const square: Point[] = [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ];
    const reach = convexReach(square, [0, 0], 8);
    for (const [i, far] of reach.entries()) expect(far).toBeCloseTo(i % 2 ? Math.SQRT2 : 1, 9);
    expect(convexReach([], [0, 0], 4)).toEqual([0, 0, 0, 0]);
  });
});

describe('a mass', () => {
  const mass: Mass = { name: 'ribcage', center: [100, 200], radii: [80, 50], angleDeg: 90, turnDeg: 30 };
  it('is drawn round along its own axes', () => {
    expect(onMass(mass, 0, 0)).toEqual([100, 200]);
    const [x, y] = onMass(mass, 80, 0);
    expect([x, y].map(Math.round)).toEqual([100, 280]);
    const inside = ([u, v]: Point): number => ((u - 100) / 50) ** 2 + ((v - 200) / 80) ** 2;
    for (const p of [...ringOf(mass, 9), ...around(mass, 1.5)]) expect(inside(p)).toBeCloseTo(1, 9);
    expect(new Set(ringOf(mass, 8).map(String)).size).toBe(8);
    expect(around(mass, 1)).toHaveLength(41);
  });
  it('its cross and the arcs around it stay on it', () => {
    for (const line of [...crossOf(mass), ...wrapsOf(mass)])
      for (const [u, v] of line) expect(((u - 100) / 50) ** 2 + ((v - 200) / 80) ** 2).toBeLessThan(1.25);
    expect(wrapsOf(mass)).toHaveLength(5);
    // Facing us, its middle line is straight.
    const [front] = crossOf({ ...mass, turnDeg: 0 });
    for (const [u] of front) expect(u).toBeCloseTo(100, 6);
  });
});

describe('a number around nothing', () => {
  it('is spread as it says', () => {
    const random = seededRandom(3);
    const numbers = Array.from({ length: 20_000 }, () => gaussian(random));
    const mean = numbers.reduce((a, b) => a + b) / numbers.length;
    const variance = numbers.reduce((sum, v) => sum + (v - mean) ** 2, 0) / numbers.length;
    expect(mean).toBeCloseTo(0, 1);
    expect(variance).toBeCloseTo(1, 1);
    expect(numbers.filter((v) => Math.abs(v) < 1.96).length / numbers.length).toBeCloseTo(0.95, 2);
  });
});

describe('places', () => {
  it('are told from other landmarks, and have a height together', () => {
    expect(isPlace('crown')).toBe(true);
    expect(isPlace('navel')).toBe(false);
    expect(heightOf(new Map())).toBe(0);
    expect(heightOf(new Map([['crown', { at: [0, 4], sigma: 0 }]]))).toBe(0);
    expect(
      heightOf(
        new Map([
          ['crown', { at: [0, 4], sigma: 0 }],
          ['chin', { at: [9, 15], sigma: 0 }],
        ]),
      ),
    ).toBe(11);
  });
});

describe('what bends a figure', () => {
  const names: PlaceName[] = [
    'crown',
    'chin',
    'left shoulder',
    'right shoulder',
    'left outer hip',
    'left knee',
    'left ankle',
  ];
  const handles: Point[] = [
    [100, 0],
    [100, 40],
    [130, 60],
    [70, 60],
    [115, 160],
    [115, 230],
    [115, 300],
  ];
  const bending = bendingOf(names, handles, 300, [100, 150]);
  const moved = (at: Point, unknowns: Readonly<Record<number, number>>): Point => {
    let [x, y] = [100, 150];
    for (const [i, dx, dy] of bending.of(at)) {
      const v = unknowns[i] ?? (i === 0 ? 1 : 0);
      x += v * dx;
      y += v * dy;
    }
    return [x, y];
  };
  it('leaves everything where it is at rest, and shifts, scales and turns the whole', () => {
    for (const at of [...handles, [80, 90] as const]) {
      expect(apart(moved(at, {}), at)).toBeLessThan(1e-9);
      expect(apart(moved(at, { 2: 7, 3: -4 }), [at[0] + 7, at[1] - 4])).toBeLessThan(1e-9);
      expect(apart(moved(at, { 0: 2 }), [2 * at[0] - 100, 2 * at[1] - 150])).toBeLessThan(1e-9);
    }
    expect(moved([100, 0], { 0: 0, 1: 1 })).toEqual([250, 150]);
  });
  it('a head grows away from its chin and takes no leg along', () => {
    // The first part is the head, the first of its ways its size.
    const crown = moved([100, 0], { 4: 0.5 });
    expect(crown[1]).toBeLessThan(-15);
    expect(apart(moved([115, 300], { 4: 0.5 }), [115, 300])).toBeLessThan(0.1);
  });
  it('believes in nothing beyond itself: its prior can be solved', () => {
    const weights = new Map<string, number>();
    bending.prior((i, j, weight) => {
      const pair = `${String(i)}/${String(j)}`;
      weights.set(pair, (weights.get(pair) ?? 0) + weight);
    });
    for (let i = 4; i < bending.unknowns; i++) expect(weights.get(`${String(i)}/${String(i)}`)).toBeGreaterThan(0);
    for (const [pair, weight] of weights) {
      const [i, j] = pair.split('/');
      expect(weights.get(`${j}/${i}`)).toBeCloseTo(weight, 12);
    }
  });
});

describe('a straightened sheet', () => {
  const [w, h] = [300, 400];
  const data = new Uint8ClampedArray(w * h * 4).fill(255);
  const corners: Corners = [
    [10, 10],
    [290, 12],
    [288, 390],
    [12, 388],
  ];
  it('has its longer side always as long, standing or lying', () => {
    const size = (aspect: number) => {
      const { width, height } = flatSheet({ width: w, height: h, data }, corners, aspect).picture;
      return [width, height];
    };
    expect(size(0.5)).toEqual([800, 1600]);
    expect(size(2)).toEqual([1600, 800]);
  });
  it('its ink is cut out box by box', () => {
    const ink = new Uint8Array(100);
    ink[3 * 10 + 4] = 1;
    const { left, top, width, height, mask } = inkInBox(ink, 10, 10, { x: 0.3, y: 0.2, width: 0.4, height: 0.5 });
    expect([left, top, width, height]).toEqual([3, 2, 4, 5]);
    expect([...mask].flatMap((v, i) => (v ? [i] : []))).toEqual([1 * 4 + 1]);
  });
});

describe('a figure in a picture', () => {
  it('is as large as its edges, or as all of it', () => {
    expect(
      picturedBy(
        [
          [3, 4],
          [10, 2],
          [5, 9],
        ],
        20,
        30,
      ),
    ).toEqual({ width: 20, height: 30, left: 3, right: 10, top: 2, bottom: 9 });
    const whole = whollyPictured(200, 100);
    const { a } = pairWindows(whole, whole);
    const behind = behindWindow(whole, a);
    expect(parseFloat(behind.width) / 100).toBeCloseTo(whole.width / a.width, 9);
    expect(parseFloat(behind.top) / 100).toBeCloseTo(-a.top / a.height, 9);
  });
});
