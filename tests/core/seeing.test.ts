import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { perspectiveBox } from '@/core/seeing/perspectiveBox';
import { onceAround, paceAlong, pathLength, type PathPoint } from '@/core/seeing/edgePace';
import {
  evenView,
  held,
  pictureAt,
  placeIn,
  roomOn,
  type Turned,
  turnedStyle,
  zoomedAt,
  zoomForHeight,
} from '@/core/seeing/place';

const plain: Turned = { zoom: 1, panX: 0, panY: 0, mirrored: false, upsideDown: false };
const place = { x: 100, y: 50, width: 400, height: 600 };
const anyTurned = fc.record({
  zoom: fc.double({ min: 1, max: 6, noNaN: true }),
  panX: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
  panY: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
  mirrored: fc.boolean(),
  upsideDown: fc.boolean(),
});

/** What the CSS transform does to a point of the picture, worked out anew. */
function shownAt(turned: Turned, [u, v]: readonly [number, number]): [number, number] {
  const numbers = (turnedStyle(turned).match(/-?[\d.]+(?:e-?\d+)?/g) ?? []).map(Number);
  const [tx, ty, sx, sy] = numbers;
  return [
    place.x + place.width * (0.5 + tx / 100 + (u - 0.5) * sx),
    place.y + place.height * (0.5 + ty / 100 + (v - 0.5) * sy),
  ];
}

describe('the place of a picture', () => {
  it('is as large as it can be, whole, and leans where asked', () => {
    const frame = { x: 10, y: 20, width: 1000, height: 500 };
    expect(placeIn(frame, 600, 1000, 0)).toEqual({ x: 10, y: 20, width: 300, height: 500 });
    expect(placeIn(frame, 600, 1000, 1).x).toBe(710);
    expect(placeIn(frame, 3000, 1000, 0.5)).toMatchObject({ width: 1000, y: 20 + (500 - 1000 / 3) / 2 });
  });
  it('lies inside the edge, and under the words of an upright narrow stage; on none too small for it', () => {
    expect(roomOn({ width: 1280, height: 720 })).toEqual({ x: 34, y: 30, width: 1212, height: 660 });
    const narrow = roomOn({ width: 390, height: 690 });
    expect(narrow).toEqual({ x: 34, y: 124, width: 322, height: 536 });
    // A phone on its side has the words beside it.
    expect(roomOn({ width: 600, height: 350 })?.y).toBe(30);
    expect(roomOn({ width: 60, height: 600 })).toBeUndefined();
    expect(roomOn({ width: 100, height: 140 })).toBeUndefined();
  });
  it('finds the point of the picture under the pointer, however it is turned', () => {
    fc.assert(
      fc.property(
        anyTurned,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (t, u, v) => {
          const [x, y] = shownAt(t, [u, v]);
          const [bu, bv] = pictureAt(place, t, x, y);
          expect(bu).toBeCloseTo(u, 6);
          expect(bv).toBeCloseTo(v, 6);
        },
      ),
    );
  });
  it('keeps the point under the pointer while zooming', () => {
    const start = { ...plain, zoom: 2 };
    const before = pictureAt(place, start, 320, 400);
    const after = zoomedAt(place, start, 3, 320, 400, 6);
    const now = pictureAt(place, after, 320, 400);
    expect(now[0]).toBeCloseTo(before[0], 9);
    expect(now[1]).toBeCloseTo(before[1], 9);
  });
  it('is whole and in the middle when zoomed out, and never zoomed beyond its limit', () => {
    const out = zoomedAt(place, { ...plain, zoom: 3, panX: 0.8, panY: -0.4 }, 0.2, 0, 0, 6);
    expect(out.zoom).toBe(1);
    expect(Math.abs(out.panX)).toBe(0);
    expect(Math.abs(out.panY)).toBe(0);
    expect(zoomedAt(place, plain, 99, 0, 0, 6).zoom).toBe(6);
    expect(held({ ...plain, zoom: 2, panX: 5, panY: -5 })).toMatchObject({ panX: 0.75, panY: -0.75 });
  });
  it('brings figures to one size', () => {
    const view = evenView({ left: 0.4, top: 0.3, width: 0.1, height: 0.4 }, 6);
    expect(view.zoom).toBeCloseTo(2.2);
    const [x, y] = shownAt({ ...plain, ...view }, [0.45, 0.5]);
    expect(x).toBeCloseTo(place.x + place.width / 2);
    expect(y).toBeCloseTo(place.y + place.height / 2);
    expect(evenView({ left: 0, top: 0, width: 1, height: 1 }, 6)).toEqual({ zoom: 1, panX: 0, panY: 0 });
  });
  it('shows 12 cm as 12 cm', () => {
    // 600 px of picture, the figure four fifths of it, 4 px a millimeter: 480 px are 120 mm.
    expect(zoomForHeight(120, 600, 0.8, 4)).toBeCloseTo(1);
    expect(zoomForHeight(240, 600, 0.8, 4)).toBeCloseTo(2);
  });
});

describe('the pace along an edge', () => {
  const corner: PathPoint[] = [
    [0, 0],
    [3, 0],
    [3, 1],
  ];
  it('goes at one speed and is at the end when the time is', () => {
    const at = paceAlong(corner);
    expect([0, 0.25, 0.75, 0.875, 1].map(at)).toEqual([
      [0, 0],
      [1, 0],
      [3, 0],
      [3, 0.5],
      [3, 1],
    ]);
    expect(at(7)).toEqual([3, 1]);
  });
  it('covers equal lengths in equal times on any path', () => {
    const anyPath = fc.array(fc.tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 500 })), {
      minLength: 2,
      maxLength: 30,
    });
    fc.assert(
      fc.property(anyPath, fc.integer({ min: 1, max: 20 }), (path, parts) => {
        const at = paceAlong(path);
        const length = pathLength(path);
        for (let i = 0; i < parts; i++) {
          const [a, b] = [at(i / parts), at((i + 1) / parts)];
          // As the crow flies it is never farther than along the edge.
          expect(Math.hypot(b[0] - a[0], b[1] - a[1])).toBeLessThanOrEqual(length / parts + 1e-6);
        }
        expect(at(0)).toEqual(path[0]);
        expect(at(1)[0]).toBeCloseTo(path[path.length - 1][0], 9);
      }),
    );
  });
  it('goes once around an outline from where it was begun', () => {
    const square: PathPoint[] = [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ];
    expect(onceAround(square, [0.9, 0.8])).toEqual([
      [1, 1],
      [0, 1],
      [0, 0],
      [1, 0],
      [1, 1],
    ]);
    expect(onceAround(square)[0][1]).toBe(0);
    expect(pathLength(onceAround(square))).toBe(4);
  });
});

describe('a perspective box', () => {
  it('has its horizon first, and every other line on the way from the frame to a vanishing point on it', () => {
    for (const horizon of [0.2, 0.5, 0.9]) {
      const [first, ...lines] = perspectiveBox(horizon);
      expect(first).toEqual([0, horizon, 1, horizon]);
      expect(new Set(lines.map(([, , x, y]) => `${String(x)} ${String(y)}`)).size).toBe(2);
      for (const [, y1, , y2] of lines) {
        expect([0, 1]).toContain(y1);
        expect(y2).toBe(horizon);
      }
      // Parallels meet the frame's edge at equal distances.
      const floor = lines.filter(([, y1, x2]) => y1 === 1 && x2 < 0).map(([x1]) => x1);
      floor.slice(1).forEach((x, i) => expect(x - floor[i]).toBeCloseTo(0.5, 9));
      expect([floor[0], floor.at(-1)]).toEqual([-1, 2]);
    }
  });
  it('has no ceiling where the eye is at its height, and no floor where it lies on it', () => {
    expect(
      perspectiveBox(0)
        .slice(1)
        .every(([, y1]) => y1 === 1),
    ).toBe(true);
    expect(
      perspectiveBox(1)
        .slice(1)
        .every(([, y1]) => y1 === 0),
    ).toBe(true);
  });
});
