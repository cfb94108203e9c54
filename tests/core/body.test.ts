import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodySchema } from '@/core/body/body';
import { ANCHORS, DETECTOR_PX, detections, LANDMARK_PX, regionAround, wholeRegion } from '@/core/body/detector';
import { networkBody } from '@/core/body/landmarkNetwork';
import { liftBody, movePoint, swapSides, templateBody } from '@/core/body/lift';
import { limbDirections, limbDistance } from '@/core/body/limbs';
import { type BodyPoint, POINT_COUNT, POINT_NAMES, pointOf, type PointName } from '@/core/body/points';
import { pointsKey } from '@/core/body/pointsKey';
import { postureOf } from '@/core/body/posture';
import { readBody } from '@/core/body/readBody';
import { readLight } from '@/core/body/readLight';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { settlePose } from '@/core/figure/skeleton/support';
import { describeView } from '@/core/figure/picture/view';
import recorded from '../fixtures/bodies.json';

/** A picture as high as wide, of which nobody said where its horizon is. */
const SQUARE = { aspect: 1, horizon: undefined };
type Space = [number, number, number][];
/** Joints of a built-in figure as the model would give them, if it made no mistakes: seen level, in a parallel projection. */
function trueBody(i: number): {
  points: BodyPoint[];
  space: Space;
  family: string;
  view: ReturnType<typeof describeView>;
} {
  const { poseId, build, view } = SET_FIGURES[i];
  const { pose, family } = poseOf(poseId);
  const { rig } = settlePose(pose, BUILDS[build]);
  const level = { ...view, elevationDeg: 0 };
  const a = (view.azimuthDeg * Math.PI) / 180;
  const side = (name: string): string => (name.startsWith('left') ? 'L' : 'R');
  const joints: [RegExp, (s: string) => string][] = [
    [/shoulder/, (s) => `uarm.${s}`],
    [/elbow/, (s) => `farm.${s}`],
    [/wrist|finger|thumb/, (s) => `hand.${s}`],
    [/hip/, (s) => `thigh.${s}`],
    [/knee/, (s) => `calf.${s}`],
    [/ankle|heel|toes/, (s) => `foot.${s}`],
  ];
  const at = (name: PointName): readonly [number, number, number] => {
    const joint = joints.find(([pattern]) => pattern.test(name))?.[1](side(name)) ?? 'head';
    return rig.pos[joint];
  };
  const meters = POINT_NAMES.map((name): [number, number, number] => {
    const [x, y, z] = at(name);
    const right = x * Math.cos(a) - z * Math.sin(a);
    const toEye = x * Math.sin(a) + z * Math.cos(a);
    return [right * 0.23, -y * 0.23, -toEye * 0.23];
  });
  const xs = meters.map((p) => p[0]);
  const ys = meters.map((p) => p[1]);
  const size = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)) * 1.2;
  const points = meters.map(([x, y, z]) => ({
    x: (x - Math.min(...xs)) / size + 0.08,
    y: (y - Math.min(...ys)) / size + 0.08,
    z: z / size,
    seen: 1,
  }));
  const hips = [0, 1, 2].map((k) => (meters[23][k] + meters[24][k]) / 2);
  return {
    points,
    space: meters.map((p): [number, number, number] => [p[0] - hips[0], p[1] - hips[1], p[2] - hips[2]]),
    family,
    view: describeView(rig, level),
  };
}
const bodies = SET_FIGURES.map((_, i) => trueBody(i));

describe('readBody', () => {
  it('tells from exact joints which side a figure faces, and its view within one step', () => {
    const views = ['front', 'three-quarter', 'profile', 'back three-quarter', 'back'];
    let sided = 0;
    let right = 0;
    let near = 0;
    for (const body of bodies) {
      const { facts } = readBody({ ...body, score: 1 }, 1, SQUARE);
      if (body.view.facing === 'left' || body.view.facing === 'right') {
        sided++;
        if (facts.facing === body.view.facing) right++;
      }
      if (Math.abs(views.indexOf(facts.view ?? '') - views.indexOf(body.view.viewName)) <= 1) near++;
    }
    expect(right / sided).toBeGreaterThan(0.88);
    expect(near / bodies.length).toBeGreaterThan(0.95);
  });
  it('tells what the weight rests on, from exact joints, nearly four times out of five', () => {
    const rests = ['bending', 'kneeling or crouching', 'seated', 'reclining'];
    const on = (family = ''): string => (rests.includes(family) ? family : 'feet');
    const hits = bodies.filter((b) => on(readBody({ ...b, score: 1 }, 1, SQUARE).facts.family) === on(b.family)).length;
    expect(hits / bodies.length).toBeGreaterThan(0.78);
  });
  it('reads bodies the shipped model found in pictures', () => {
    const rows = recorded.map(({ body, facing, extent }) => {
      const { facts, sure, why } = readBody(body as never, 1, SQUARE);
      for (const name of Object.keys(facts) as (keyof typeof facts)[]) {
        expect(why[name]?.length).toBeGreaterThan(5);
        expect(sure[name]).toBeGreaterThan(0);
        expect(sure[name]).toBeLessThanOrEqual(1);
      }
      return [facts.facing === facing, facts.extent === extent];
    });
    expect(rows.filter(([f]) => f).length).toBeGreaterThanOrEqual(rows.length - 1);
    expect(rows.filter(([, e]) => e).length).toBeGreaterThanOrEqual(rows.length - 1);
  });
  it('is less sure where the points were guessed', () => {
    const sure = readBody({ ...bodies[0], score: 1 }, 1, SQUARE).sure.view ?? 0;
    const guessed = readBody(
      { ...bodies[0], points: bodies[0].points.map((p) => ({ ...p, seen: 0.1 })), score: 0.8 },
      1,
      SQUARE,
    );
    expect(guessed.sure.view).toBeLessThan(sure);
  });
  it('knows two people, and a figure cut off', () => {
    const low = bodies[0].points.map((p) => ({ ...p, y: p.y * 1.5 }));
    const { facts, why } = readBody({ ...bodies[0], points: low, score: 1 }, 2, SQUARE);
    expect(facts.subject).toBe('people/two or more');
    expect(facts.extent).toBe('cropped');
    expect(why.extent).toContain('ankle');
  });
});

describe('liftBody', () => {
  it('gives back the picture exactly, and every bone as long as it should be', () => {
    for (const body of bodies.slice(0, 60)) {
      const lifted = liftBody(body.points, 1, body.space);
      const scale = (lifted[27][1] - lifted[11][1]) / (body.points[27].y - body.points[11].y);
      lifted.forEach((p, i) => {
        expect(p[0]).toBeCloseTo((body.points[i].x - (body.points[23].x + body.points[24].x) / 2) * scale, 6);
      });
      const bone = (a: number, b: number): number => Math.hypot(...[0, 1, 2].map((k) => lifted[a][k] - lifted[b][k]));
      expect(bone(11, 13)).toBeCloseTo(bone(12, 14), 6);
      expect(bone(23, 25) / bone(25, 27)).toBeCloseTo(0.245 / 0.246, 6);
    }
  });
  it('turns a limb the other way when told so', () => {
    const { points, space } = bodies[20];
    const at = (s: Space, name: PointName): number => s[POINT_NAMES.indexOf(name)][2];
    const before = liftBody(points, 1, space);
    const after = liftBody(points, 1, space, new Set<PointName>(['left knee']));
    const depth = (s: Space): number => at(s, 'left knee') - at(s, 'left hip');
    expect(depth(after)).toBeCloseTo(-depth(before), 6);
    expect(at(after, 'right knee')).toBeCloseTo(at(before, 'right knee'), 6);
  });
  it('starts from a standing body that faces you', () => {
    const { points, space } = templateBody(0.7);
    const { facts } = readBody({ points, space, score: 1 }, 1, SQUARE);
    expect(facts).toMatchObject({ facing: 'toward you', view: 'front', extent: 'whole' });
    expect(() => bodySchema.parse({ id: 'a', points, space, score: 1, by: 'hand' })).not.toThrow();
  });
  it('moves what hangs on a point with it, and swaps sides back and forth', () => {
    const { points } = templateBody(0.7);
    const moved = movePoint(points, 'left wrist', 0.9, 0.3);
    const by = pointOf(moved, 'left wrist').x - pointOf(points, 'left wrist').x;
    expect(pointOf(moved, 'left thumb').x - pointOf(points, 'left thumb').x).toBeCloseTo(by, 9);
    expect(pointOf(moved, 'left elbow')).toEqual(pointOf(points, 'left elbow'));
    expect(swapSides(swapSides(points))).toEqual(points);
    expect(pointOf(swapSides(points), 'left knee')).toEqual(pointOf(points, 'right knee'));
  });
});

describe('pointsKey', () => {
  it('measures tilts, heads and envelope of bodies as their joints say', () => {
    for (const body of bodies.filter((_, i) => i % 7 === 0)) {
      const key = pointsKey(body.points, body.space, 800, 800);
      const [l, r] = [pointOf(body.points, 'left hip'), pointOf(body.points, 'right hip')];
      const [from, to] = l.x <= r.x ? [l, r] : [r, l];
      expect(key.hips.deg).toBeCloseTo((Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI, 6);
      expect(key.heads).toBeGreaterThan(1.4);
      expect(key.heads).toBeLessThan(11);
      for (const {
        at: [x, y],
      } of key.marks) {
        expect(x).toBeGreaterThanOrEqual(Math.min(...key.envelope.map((p) => p[0])) - 1e-6);
        expect(y).toBeLessThanOrEqual(key.bottom + 1e-6);
      }
      expect(key.outline).toEqual([]);
    }
  });
});

describe('limbs', () => {
  it('compare by their directions, whichever way round the circle', () => {
    const [a, b] = [bodies[0], bodies[40]].map((x) => limbDirections(x.points, 1));
    expect(limbDistance(a, a)).toBe(0);
    expect(limbDistance(a, b)).toBeCloseTo(limbDistance(b, a), 9);
    expect(limbDistance([179], [-179])).toBe(2);
    expect(limbDistance([null], [10])).toBe(90);
    const hidden = bodies[0].points.map((p) => ({ ...p, seen: 0.1 }));
    expect(limbDirections(hidden, 1).every((d) => d === null)).toBe(true);
  });
});

describe('postureOf', () => {
  it('measures angles between bones', () => {
    const { space } = templateBody(0.7);
    const p = postureOf(space);
    expect(p.trunkDeg).toBeLessThan(15);
    expect(Math.abs(p.turnDeg)).toBeLessThan(10);
    expect(p.ratios).toHaveLength(8);
  });
});

describe('readLight', () => {
  it('finds the lighter side of the limbs', () => {
    const { points } = templateBody(0.7);
    const size = 300;
    const at = (name: PointName): [number, number] => [pointOf(points, name).x * size, pointOf(points, name).y * size];
    const limbs = (['left', 'right'] as const).flatMap((s): [PointName, PointName][] => [
      [`${s} shoulder`, `${s} hip`],
      [`${s} hip`, `${s} knee`],
      [`${s} knee`, `${s} ankle`],
    ]);
    /** Limbs as bands whose left and right halves have the lightness given. */
    const picture = (light: (dx: number) => number) => {
      const data = new Uint8Array(size * size).fill(120);
      for (const [a, b] of limbs)
        for (let t = 0; t <= 1; t += 0.002)
          for (let dx = -11; dx <= 11; dx++) {
            const x = Math.round(at(a)[0] + (at(b)[0] - at(a)[0]) * t) + dx;
            data[Math.round(at(a)[1] + (at(b)[1] - at(a)[1]) * t) * size + x] = light(dx);
          }
      return { width: size, height: size, data };
    };
    expect(
      readLight(
        picture((dx) => (dx > 0 ? 220 : 90)),
        points,
      ),
    ).toMatchObject({ lightFrom: 'right', light: 'clear' });
    expect(
      readLight(
        picture((dx) => (dx < 0 ? 220 : 90)),
        points,
      ),
    ).toMatchObject({ lightFrom: 'left' });
    expect(
      readLight(
        picture(() => 130),
        points,
      ),
    ).toMatchObject({ lightFrom: 'front', light: 'flat' });
    const away = points.map((p) => ({ ...p, x: p.x + 5 }));
    expect(
      readLight(
        picture(() => 130),
        away,
      ),
    ).toBeUndefined();
  });
});

describe('the networks’ numbers', () => {
  it('give a detection where an anchor says so, and average overlapping ones', () => {
    const boxes = new Float32Array(ANCHORS * 12);
    const scores = new Float32Array(ANCHORS).fill(-100);
    const whole = wholeRegion(448, 448);
    for (const [anchor, logit] of [
      [0, 3],
      [1, 2],
    ] as const) {
      scores[anchor] = logit;
      boxes.set([100, 100, 60, 60, 100, 100, 100, 40, 0, 0, 0, 0], anchor * 12);
    }
    const found = detections(boxes, scores, whole);
    expect(found).toHaveLength(1);
    const { region } = found[0];
    const anchor = 4 / DETECTOR_PX;
    expect(region.x).toBeCloseTo((100 / DETECTOR_PX + anchor) * 448, 3);
    expect(region.size).toBeCloseTo(2.5 * (60 / DETECTOR_PX) * 448, 3);
    expect(region.turn).toBeCloseTo(0, 9);
    expect(detections(boxes, new Float32Array(ANCHORS).fill(-9), whole)).toEqual([]);
  });
  it('put points back into the picture from a turned square', () => {
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), (turn) => {
        const points = new Float32Array(39 * 5);
        for (let i = 0; i < 39; i++) points.set([LANDMARK_PX / 2, LANDMARK_PX / 2, 0, 9, 9], i * 5);
        points.set([LANDMARK_PX, LANDMARK_PX / 2, 0, 9, 9], 0);
        const outputs = [points, Float32Array.of(0.9), new Float32Array(117), new Float32Array(64 * 64 * 39).fill(-50)];
        const body = networkBody(outputs, { x: 100, y: 80, size: 60, turn }, 200, 160);
        expect(body.points).toHaveLength(POINT_COUNT);
        expect(body.points[0].x * 200).toBeCloseTo(100 + 30 * Math.cos(turn), 4);
        expect(body.points[0].y * 160).toBeCloseTo(80 + 30 * Math.sin(turn), 4);
        expect(body.points[5]).toMatchObject({ x: 0.5, y: 0.5 });
        expect(body.score).toBeCloseTo(0.9, 5);
      }),
    );
    expect(() => networkBody([], wholeRegion(1, 1), 1, 1)).toThrow('gave no output');
    expect(regionAround(0, 0, 0, -10)).toMatchObject({ size: 25, turn: 0 });
  });
});
