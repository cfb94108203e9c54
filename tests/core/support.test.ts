import { describe, expect, it } from 'vitest';
import { BUILDS, type BuildName } from '@/core/figure/skeleton/builds';
import { handPoint } from '@/core/figure/skeleton/handPoint';
import { buildFactor, KNEE_RADIUS, poseSkeleton, type Rig, soleContacts } from '@/core/figure/skeleton/kinematics';
import { centerOf, centerOfMass, segments } from '@/core/figure/skeleton/mass';
import type { Pose } from '@/core/figure/skeleton/pose';
import {
  behindHead,
  flat,
  gripAt,
  limbs,
  onBall,
  onHeel,
  onHip,
  onKnee,
  onThigh,
  onTip,
  palmDown,
  weightOn,
} from '@/core/figure/poses/author';
import { onBone, SIDES } from '@/core/figure/skeleton/skeleton';
import { imbalance, settlePose, supportPolygon } from '@/core/figure/skeleton/support';
import { add, cross, dot, length, normalize, rotate, scale, sub, type Vec3 } from '@/core/figure/skeleton/vector';

const { masc } = BUILDS;
const lowest = (rig: Rig, side: 'L' | 'R'): number => Math.min(...soleContacts(rig, side).map(([, y]) => y));
const standing = (legs: Parameters<typeof limbs>[0], rest: Pose = {}): Pose => ({
  root: { pos: [0, 4.2, 0] },
  ...rest,
  ...limbs(legs),
});

describe('feet', () => {
  it.each([
    ['flat', flat(0.4, 0, 12), flat(-0.4, 0, -12)],
    ['on the balls', onBall(0.3, 0, 8), onBall(-0.3, 0, -8)],
    ['on the tips', onTip(0.2, 0), onTip(-0.2, 0)],
    ['on the heels', onHeel(0.4, 0), onHeel(-0.4, 0)],
    ['far apart', flat(1.6, 0, 30), flat(-1.6, 0, -30)],
  ])('%s reach the floor in every build, however high the root was written', (_name, legL, legR) => {
    for (const build of Object.keys(BUILDS) as BuildName[]) {
      const { rig } = settlePose({ ...standing({ legL, legR }), root: { pos: [0, 5, 0] } }, BUILDS[build]);
      for (const side of SIDES) {
        expect(lowest(rig, side), build).toBeLessThan(-0.005);
        expect(lowest(rig, side), build).toBeGreaterThan(-0.03);
      }
    }
  });
  it('stand on different heights', () => {
    const { rig } = settlePose(standing({ legL: flat(0.4, 0.6, 0, 1.2), legR: flat(-0.3, 0, 0) }), masc);
    expect(lowest(rig, 'L')).toBeCloseTo(1.2 * buildFactor(rig) - 0.02, 1);
    expect(lowest(rig, 'R')).toBeCloseTo(-0.02, 1);
  });
  it('carry their soles level when flat and their heels high on the balls', () => {
    const up = (legL: ReturnType<typeof flat>): Vec3 =>
      rotate(settlePose(standing({ legL, legR: flat(-0.4, 0) }), masc).rig.rot['foot.L'], [0, 1, 0]);
    expect(up(flat(0.4, 0))[1]).toBeCloseTo(1, 3);
    expect(up(onBall(0.4, 0, 0, 36))[1]).toBeCloseTo(Math.cos((36 * Math.PI) / 180), 2);
  });
  it('turn the knee the way the toes point', () => {
    const { rig } = settlePose(
      standing({ legL: flat(0.5, 0, 40), legR: flat(-0.4, 0) }, { root: { pos: [0, 3.4, 0] } }),
      masc,
    );
    const knee = sub(rig.pos['calf.L'], rig.pos['thigh.L']);
    expect(knee[0]).toBeGreaterThan(0.2);
    expect(knee[2]).toBeGreaterThan(0.2);
  });
});

describe('knees that kneel', () => {
  it.each([true, false])('rest on the floor with the shin behind (toes tucked: %s)', (tucked) => {
    const { rig } = settlePose(
      standing({ legL: onKnee(0, 180, tucked), legR: onKnee(0, 180, tucked) }, { root: { pos: [0, 2.4, 0] } }),
      masc,
    );
    for (const side of SIDES) {
      expect(rig.pos[`calf.${side}`][1]).toBeCloseTo(KNEE_RADIUS, 1);
      expect(rig.pos[`foot.${side}`][2]).toBeLessThan(rig.pos[`calf.${side}`][2] - 1);
    }
    expect(supportPolygon({ ik: {} }, rig)).toBeDefined();
  });
});

describe('balance', () => {
  const feet = { legL: flat(0.4, 0.1), legR: flat(-0.4, -0.1) };
  it('brings the center of mass over the feet when a pose leans', () => {
    const leaning = standing(feet, { root: { pos: [0.9, 4.1, 0.8] } });
    expect(imbalance(leaning, poseSkeleton(leaning, masc))).toBeGreaterThan(0.2);
    expect(imbalance(leaning, settlePose(leaning, masc).rig)).toBe(0);
  });
  it('leaves a pose in motion where it was written', () => {
    const running: Pose = { ...standing(feet, { root: { pos: [0, 3.9, 0.9] } }), moving: true };
    const { shift } = settlePose(running, masc);
    expect([shift[0], shift[2]]).toEqual([0, 0]);
  });
  it.each(SIDES)('carries the weight on the %s foot where it is said to', (side) => {
    const pose: Pose = { ...weightOn(side), ...limbs({ legL: flat(0.35, 0), legR: flat(-0.35, 0) }) };
    const { rig } = settlePose(pose, masc);
    const [x] = centerOfMass(rig);
    expect(Math.abs(x - rig.pos[`foot.${side}`][0])).toBeLessThan(0.15);
    // That hip is the higher one and that shoulder the lower.
    const other = side === 'L' ? 'R' : 'L';
    expect(rig.pos[`thigh.${side}`][1]).toBeGreaterThan(rig.pos[`thigh.${other}`][1]);
    expect(rig.pos[`uarm.${side}`][1]).toBeLessThan(rig.pos[`uarm.${other}`][1]);
  });
  it('says how far a pose is from standing', () => {
    const falling = standing(feet, { root: { pos: [0, 4.1, 2] } });
    const near = standing(feet, { root: { pos: [0, 4.1, 1] } });
    expect(imbalance(falling, poseSkeleton(falling, masc))).toBeGreaterThan(imbalance(near, poseSkeleton(near, masc)));
    expect(imbalance({}, poseSkeleton({ root: { pos: [0, 9, 0] } }, masc))).toBe(Infinity);
  });
  it('bends an older back over the same feet', () => {
    const pose = standing(feet);
    const { rig } = settlePose(pose, BUILDS.older);
    expect(rotate(rig.rot.chest, [0, 1, 0])[2]).toBeGreaterThan(0.1);
    expect(imbalance(pose, rig)).toBe(0);
  });
});

describe('hands', () => {
  const at = (rig: Rig, side: 'L' | 'R', kind: 'palm' | 'grip'): Vec3 =>
    add(
      rig.pos[`hand.${side}`],
      rotate(rig.rot[`hand.${side}`], onBone(rig.build, `hand.${side}`, handPoint(kind, side))),
    );
  it('close around a bar: at its place, the thumb along it', () => {
    const axis: Vec3 = [0, 1, 0];
    const pose: Pose = limbs({ armL: gripAt('L', [0.7, 5.2, 1.6], axis), armR: gripAt('R', [-0.7, 5.2, 1.6], axis) });
    const rig = poseSkeleton(pose, masc);
    for (const side of SIDES) {
      const goal = scale([side === 'L' ? 0.7 : -0.7, 5.2, 1.6], buildFactor(rig));
      expect(length(sub(at(rig, side, 'grip'), goal))).toBeLessThan(0.02);
      expect(dot(rotate(rig.rot[`hand.${side}`], [0, 0, 1]), axis)).toBeGreaterThan(0.9);
    }
  });
  it('lie flat on what they rest on', () => {
    const rig = poseSkeleton(
      { root: { pos: [0, 2.1, 0], rot: [80, 0, 0] }, ...limbs({ armL: palmDown('L', 0.8, 2.2) }) },
      masc,
    );
    expect(length(sub(at(rig, 'L', 'palm'), scale([0.8, 0, 2.2], buildFactor(rig))))).toBeLessThan(0.05);
  });
  it('mirror each other', () => {
    const rig = poseSkeleton(limbs({ armL: behindHead('L'), armR: behindHead('R') }), masc);
    const [x, y, z] = rig.pos['hand.L'];
    rig.pos['hand.R'].forEach((v, k) => expect(v).toBeCloseTo([-x, y, z][k], 5));
  });
  it('find hip and thigh in slight and heavy alike', () => {
    for (const build of [BUILDS.slight, BUILDS.heavy]) {
      const rig = poseSkeleton(limbs({ armL: onHip('L'), armR: onThigh('R') }), build);
      expect(Math.abs(rig.pos['hand.L'][1] - rig.pos.pelvis[1])).toBeLessThan(0.7);
      // The elbow of an arm akimbo stands off to the side.
      expect(rig.pos['farm.L'][0]).toBeGreaterThan(rig.pos['uarm.L'][0]);
      const thigh = sub(rig.pos['calf.R'], rig.pos['thigh.R']);
      const off = length(cross(sub(at(rig, 'R', 'palm'), rig.pos['thigh.R']), normalize(thigh)));
      expect(off).toBeLessThan(0.5);
      expect(off).toBeGreaterThan(0.15);
    }
  });
});

describe('segments', () => {
  it('lie within the limb they belong to', () => {
    const rig = poseSkeleton({ shL: [90, 90, 0], elL: [0, 0] }, masc);
    const byName = new Map(segments(rig).map((s) => [s.name, s]));
    const arm = centerOf(['uarm.L', 'farm.L', 'hand.L'].map((n) => byName.get(n)!));
    expect(arm[0]).toBeGreaterThan(rig.pos['uarm.L'][0]);
    expect(arm[0]).toBeLessThan(rig.pos['hand.L'][0]);
    // An arm held out moves the whole a little to its side.
    expect(centerOfMass(rig)[0]).toBeGreaterThan(0.02);
    expect(centerOfMass(rig)[0]).toBeLessThan(0.15);
  });
});
