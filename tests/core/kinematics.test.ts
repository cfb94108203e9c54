import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { ballAngles, eulerYzx, wrapDegrees } from '@/core/figure/skeleton/jointAngles';
import { buildFactor, poseSkeleton } from '@/core/figure/skeleton/kinematics';
import { POSES } from '@/core/figure/poses/poses';
import { BONES, REST, restPositions } from '@/core/figure/skeleton/skeleton';
import {
  aboutX,
  aboutY,
  aboutZ,
  axisAngle,
  conjugate,
  cross,
  dot,
  length,
  normalize,
  quatMul,
  quatProduct,
  rotate,
  rotationBetween,
  rotationFromBasis,
  slerp,
  scale,
  sub,
  type Quat,
  type Vec3,
} from '@/core/figure/skeleton/vector';

const component = fc.double({ min: -1, max: 1, noNaN: true });
const unit: fc.Arbitrary<Vec3> = fc
  .tuple(component, component, component)
  .filter((v) => length(v) > 0.1)
  .map(normalize);
const rotation: fc.Arbitrary<Quat> = fc
  .tuple(unit, fc.double({ min: -3, max: 3, noNaN: true }))
  .map(([axis, angle]) => axisAngle(axis, angle));
const closeTo = (a: readonly number[], b: readonly number[], digits = 6): void =>
  a.forEach((v, i) => expect(v).toBeCloseTo(b[i], digits));

describe('quaternions', () => {
  it('rotate without stretching, and back', () => {
    fc.assert(
      fc.property(rotation, unit, (q, v) => {
        const turned = rotate(q, v);
        expect(length(turned)).toBeCloseTo(1, 9);
        closeTo(rotate(conjugate(q), turned), v);
      }),
    );
  });
  it('compose like the rotations they stand for', () => {
    fc.assert(
      fc.property(rotation, rotation, unit, (a, b, v) => closeTo(rotate(quatMul(a, b), v), rotate(a, rotate(b, v)))),
    );
  });
  it('take one direction to another by the shortest way', () => {
    fc.assert(fc.property(unit, unit, (a, b) => closeTo(rotate(rotationBetween(a, b), a), b, 2)));
    closeTo(rotate(rotationBetween([1, 0, 0], [-1, 0, 0]), [1, 0, 0]), [-1, 0, 0]);
  });
  it('are recovered from their basis', () => {
    fc.assert(
      fc.property(rotation, unit, (q, v) => {
        const again = rotationFromBasis(rotate(q, [1, 0, 0]), rotate(q, [0, 1, 0]), rotate(q, [0, 0, 1]));
        closeTo(rotate(again, v), rotate(q, v));
      }),
    );
  });
  it('interpolate from one end to the other', () => {
    fc.assert(
      fc.property(rotation, rotation, unit, (a, b, v) => {
        closeTo(rotate(slerp(a, b, 0), v), rotate(a, v));
        closeTo(rotate(slerp(a, b, 1), v), rotate(b, v), 3);
      }),
    );
  });
  it('turn right-handed about the axes', () => {
    closeTo(rotate(aboutX(90), [0, 1, 0]), [0, 0, 1]);
    closeTo(rotate(aboutY(90), [0, 0, 1]), [1, 0, 0]);
    closeTo(rotate(aboutZ(90), [1, 0, 0]), [0, 1, 0]);
    closeTo(cross([1, 0, 0], [0, 1, 0]), [0, 0, 1]);
    expect(dot([1, 2, 3], [4, 5, 6])).toBe(32);
  });
});

describe('angles', () => {
  const angle = fc.double({ min: -80, max: 80, noNaN: true });
  it('come back from the rotation they make', () => {
    fc.assert(
      fc.property(angle, angle, angle, (y, z, x) =>
        closeTo(eulerYzx(quatProduct(aboutY(y), aboutZ(z), aboutX(x))), [y, z, x], 4),
      ),
    );
  });
  it('of a ball joint hanging down are nothing', () => {
    const [raise, , twist] = ballAngles([0, 0, 0, 1], 1);
    expect(raise).toBeCloseTo(0);
    expect(twist).toBeCloseTo(0);
  });
  it('wrap into half a turn either way', () => {
    expect([190, -190, 540, 0, 180].map(wrapDegrees)).toEqual([-170, 170, -180, 0, -180]);
  });
});

describe('the skeleton', () => {
  it('is symmetrical and every bone comes after its parent', () => {
    BONES.forEach((bone, i) => {
      const { p, parent } = REST[bone];
      if (parent !== null) expect(BONES.indexOf(parent)).toBeLessThan(i);
      if (bone.endsWith('.L')) expect(REST[bone.replace('.L', '.R')].p).toEqual([-p[0], p[1], p[2]]);
    });
  });
  it.each(Object.keys(BUILDS))('stands on the ground as %s, seven to eight heads tall', (name) => {
    const rest = restPositions(BUILDS[name as keyof typeof BUILDS]);
    const crown = rest.head[1] + 0.79;
    expect(rest['foot.L'][1]).toBeGreaterThan(0.25);
    expect(crown).toBeGreaterThan(7);
    expect(crown).toBeLessThan(8.4);
  });
  it('never changes the length of a bone, whatever the pose', () => {
    for (const { pose } of Object.values(POSES)) {
      const rig = poseSkeleton(pose, BUILDS.lean);
      for (const bone of BONES) {
        const { parent } = REST[bone];
        if (parent === null) continue;
        expect(length(sub(rig.pos[bone], rig.pos[parent]))).toBeCloseTo(
          length(sub(rig.rest[bone], rig.rest[parent])),
          9,
        );
      }
    }
  });
  it('brings a foot exactly where it is asked to be, and as near as it can beyond its reach', () => {
    const { pos: atRest, rest } = poseSkeleton({}, BUILDS.masc);
    const k = buildFactor(poseSkeleton({}, BUILDS.masc));
    const foot = (pos: Vec3): Vec3 => poseSkeleton({ ik: { legL: { pos } } }, BUILDS.masc).pos['foot.L'];
    closeTo(foot([0.5, 0.6, 0.4]), scale([0.5, 0.6, 0.4], k), 4);
    const hip = atRest['thigh.L'];
    const leg = length(sub(rest['calf.L'], rest['thigh.L'])) + length(sub(rest['foot.L'], rest['calf.L']));
    const far = foot([0.5, -4, 0]);
    expect(length(sub(far, hip))).toBeCloseTo(leg * 0.998, 3);
  });
  it('bends knees forward and elbows back', () => {
    const rig = poseSkeleton({ ik: { legL: { pos: [0.4, 1.2, 0] }, armL: { pos: [0.9, 4.6, 0.3] } } }, BUILDS.masc);
    expect(rig.pos['calf.L'][2]).toBeGreaterThan(Math.max(rig.pos['thigh.L'][2], rig.pos['foot.L'][2]));
    expect(rig.pos['farm.L'][2]).toBeLessThan(Math.min(rig.pos['uarm.L'][2], rig.pos['hand.L'][2]));
  });
  it('raises the shoulder girdle with the arm', () => {
    const shoulder = (raise: number) => poseSkeleton({ shL: [raise, 90, 0] }, BUILDS.masc).pos['uarm.L'][1];
    expect(shoulder(150)).toBeGreaterThan(shoulder(10) + 0.1);
  });
});
