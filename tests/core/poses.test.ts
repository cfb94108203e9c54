import fc from 'fast-check';
import { existsSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { CATALOGUE, catalogued, knownFacts } from '@/core/figure/catalogue/catalogue';
import { decodeJoints, encodeJoints, CODED_BONES } from '@/core/figure/skeleton/jointCode';
import { buildFactor, poseSkeleton } from '@/core/figure/skeleton/kinematics';
import { centerOfMass, segments } from '@/core/figure/skeleton/mass';
import { mirrorPose } from '@/core/figure/skeleton/mirror';
import type { Pose } from '@/core/figure/skeleton/pose';
import { FAMILIES, hasCover } from '@/core/figure/catalogue/families';
import { findPose } from '@/core/figure/poses/find';
import { generatedPose, whyRejected } from '@/core/figure/poses/generate';
import { POSE_SLUGS, POSES } from '@/core/figure/poses/poses';
import { FIRST_FIGURES, figureFacts, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { figureReferenceId, mirroredId } from '@/core/figure/catalogue/referenceId';
import { handPoint } from '@/core/figure/skeleton/handPoint';
import { onBone } from '@/core/figure/skeleton/skeleton';
import { propSolids, solidDistance, solidMesh } from '@/core/figure/props/solids';
import { settlePose } from '@/core/figure/skeleton/support';
import { add, axisAngle, type Quat, rotate, type Vec3 } from '@/core/figure/skeleton/vector';

describe('the sets', () => {
  it('hold at least 96 authored poses, every family well filled', () => {
    expect(POSE_SLUGS.length).toBeGreaterThanOrEqual(96);
    for (const family of FAMILIES)
      expect(Object.values(POSES).filter((p) => p.family === family).length, family).toBeGreaterThanOrEqual(8);
  });
  it('are in the catalogue with the facts of today and their pictures', () => {
    expect(CATALOGUE.map((e) => e.id)).toEqual(SET_FIGURES.map(figureReferenceId));
    for (const figure of SET_FIGURES) {
      const entry = catalogued(figureReferenceId(figure));
      const { name, family, viewName, facing, difficulty } = figureFacts(figure);
      expect(entry).toMatchObject({ name, family, viewName, facing, difficulty });
      for (const folder of ['small', ...(hasCover(family) ? ['covered'] : []), ...(entry?.full ? ['.'] : [])])
        expect(existsSync(`public/figures/${folder}/${String(entry?.file)}.webp`), entry?.file).toBe(true);
    }
    expect(CATALOGUE.filter((e) => e.full).length).toBe(FIRST_FIGURES.length);
  });
  it('tell the facts of any view of a known pose without computing', () => {
    const id = 'figure/archer-drawing/masc/-55/6/26';
    const turned = 'figure/archer-drawing/masc/125/6/26';
    expect(knownFacts(id)?.viewName).toBe('front');
    expect(knownFacts(turned)?.viewName).toBe('back');
    expect(knownFacts('figure/archer-drawing~m/masc/55/6/26')?.viewName).toBe('front');
    expect(knownFacts('picture/1')).toBeUndefined();
    expect(knownFacts('figure/chance.12~m/fem/0/5/26')).toEqual({ name: 'Chance pose 12' });
    expect(knownFacts('figure/joints.abc/fem/0/5/26')).toEqual({ name: 'Pose from motion' });
    expect(knownFacts('figure/nobody/fem/0/5/26')).toBeUndefined();
  });
});

describe('mirroring', () => {
  it.each(POSE_SLUGS)('%s twice gives the pose back', (slug) => {
    const { pose } = POSES[slug];
    expect(mirrorPose(mirrorPose(pose))).toEqual(pose);
  });
  it('exchanges left and right of the settled skeleton', () => {
    const { pose } = POSES['archer-lunging'];
    const { rig } = settlePose(pose, BUILDS.masc);
    const { rig: other } = settlePose(mirrorPose(pose), BUILDS.masc);
    for (const bone of ['farm', 'hand', 'calf', 'foot']) {
      const [x, y, z] = rig.pos[`${bone}.L`];
      other.pos[`${bone}.R`].forEach((v, k) => expect(v).toBeCloseTo([-x, y, z][k], 6));
    }
  });
  it('is written into the id and taken out of it', () => {
    expect(mirroredId(mirroredId('archer-lunging'))).toBe('archer-lunging');
    expect(findPose('archer-lunging~m')?.seenFrom).toEqual([-50, 70]);
  });
});

describe('chance poses', () => {
  it('stand, keep within limits, and come back the same from their seed', () => {
    for (const seed of [1, 2, 3, 77]) {
      const found = generatedPose(seed);
      expect(found && whyRejected(found.pose)).toBeUndefined();
      expect(findPose(`chance.${seed}`)).toBe(found);
    }
    expect(JSON.stringify(generatedPose(1)?.pose)).not.toBe(JSON.stringify(generatedPose(2)?.pose));
  });
  it('are rejected when they break, float, fall or run into themselves', () => {
    expect(whyRejected({ knL: -30, moving: true })).toMatch(/left knee/);
    const feet = { legL: { pos: [0.4, 0.33, 0] as Vec3, floor: 0 }, legR: { pos: [-0.4, 0.33, 0] as Vec3, floor: 0 } };
    expect(whyRejected({ ik: feet })).toBeUndefined();
    expect(whyRejected({ root: { pos: [0, 5, 0] }, moving: true })).toMatch(/does not reach the ground/);
    const through: Pose = { ik: { ...feet, armL: { pos: [-0.5, 5, 0.9] }, armR: { pos: [0.5, 5, 0.9] } } };
    expect(whyRejected(through)).toBeDefined();
  });
  it('mean nothing without a seed that is a number', () => {
    for (const id of ['chance.', 'chance.x', 'chance.1e3', 'chance.1234567890']) expect(findPose(id)).toBeUndefined();
  });
});

describe('coded joints', () => {
  const turn = fc
    .tuple(
      fc.double({ min: -1, max: 1, noNaN: true }),
      fc.double({ min: -1, max: 1, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
    )
    .map(([x, y, a]): Quat => axisAngle([x, y, 0.3], a));
  it('come back within a third of a degree', () => {
    fc.assert(
      fc.property(fc.array(turn, { minLength: CODED_BONES.length, maxLength: CODED_BONES.length }), (turns) => {
        const joints = Object.fromEntries(CODED_BONES.map((bone, i) => [bone, turns[i]]));
        const back = decodeJoints(encodeJoints(joints));
        for (const [bone, q] of Object.entries(joints)) {
          const cosine = Math.abs(q.reduce((sum, v, k) => sum + v * (back?.[bone][k] ?? 0), 0));
          expect((2 * Math.acos(Math.min(1, cosine)) * 180) / Math.PI).toBeLessThan(0.33);
        }
      }),
    );
  });
  it('fit into a reference id, and nothing else is taken for them', () => {
    const code = encodeJoints({});
    expect(`figure/joints.${code}/muscular/-170/75/80`.length).toBeLessThan(200);
    expect(findPose(`joints.${code}`)?.pose.joints?.pelvis).toEqual([
      expect.closeTo(0, 2),
      expect.closeTo(0, 2),
      expect.closeTo(0, 2),
      expect.closeTo(1, 5),
    ]);
    for (const bad of ['', 'abc', `${code}A`, code.slice(1), `${code.slice(1)}*`])
      expect(decodeJoints(bad)).toBeUndefined();
  });
});

describe('mass', () => {
  it('is all there, and its center is where standing people have it', () => {
    const rig = poseSkeleton({}, BUILDS.masc);
    expect(segments(rig).reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 2);
    // 55 to 57 % of the height, a hand's breadth in front of nothing.
    expect(centerOfMass(rig)[1] / 7.75).toBeGreaterThan(0.53);
    expect(centerOfMass(rig)[1] / 7.75).toBeLessThan(0.6);
    expect(centerOfMass(rig)[0]).toBeCloseTo(0, 6);
  });
});

describe('props', () => {
  const rig = poseSkeleton({}, BUILDS.masc);
  const lines = (prop: Parameters<typeof propSolids>[0][number]) => propSolids([prop], rig);
  it('are closed solids that know how far away they are', () => {
    const [box] = lines({ kind: 'box', c: [0, 1, 0], s: [1, 1, 1], yaw: 45 });
    // As large as the build is against the base figure.
    const k = buildFactor(rig);
    expect(solidDistance(box, 0, k, 0)).toBeCloseTo(-k);
    expect(solidDistance(box, 0, k, Math.SQRT2 * k + 1)).toBeCloseTo(1);
    const [bar] = lines({ kind: 'bar', from: [0, 0, 0], to: [0, 2, 0], r: 0.5 });
    expect(solidDistance(bar, 1.5, 1, 0)).toBeCloseTo(1);
    expect(solidDistance(bar, 0, 2 * k + 1, 0)).toBeCloseTo(1);
    const { positions, normals, indices } = solidMesh([box, bar]);
    expect(positions.length).toBe(normals.length);
    for (let i = 0; i < normals.length; i += 3)
      expect(Math.hypot(normals[i], normals[i + 1], normals[i + 2])).toBeCloseTo(1, 5);
    expect(Math.max(...indices)).toBe(positions.length / 3 - 1);
  });
  it('go with the hand that holds them', () => {
    const [pole] = lines({ kind: 'pole', hand: 'L', above: 2, below: 1 });
    const grip = add(rig.pos['hand.L'], rotate(rig.rot['hand.L'], onBone(rig.build, 'hand.L', handPoint('grip', 'L'))));
    expect(solidDistance(pole, ...grip)).toBeCloseTo(-0.055, 3);
    expect(lines({ kind: 'bow', hand: 'L', length: 5 }).length).toBeGreaterThan(8);
    expect(lines({ kind: 'stool', at: [0, 0], height: 2, r: 0.6 }).length).toBe(5);
    // A lantern hangs straight down from the middle of the grip.
    const { positions } = solidMesh(lines({ kind: 'lantern', hand: 'L', r: 0.34 }));
    for (let v = 0; v < positions.length; v += 3) {
      expect(Math.hypot(positions[v] - grip[0], positions[v + 2] - grip[2])).toBeLessThan(0.36);
      expect(positions[v + 1]).toBeLessThan(grip[1] + 0.05);
    }
  });
  it('lie on the floor and not in it', () => {
    const ropes = Object.values(POSES).flatMap(({ pose }) => pose.props?.filter(({ kind }) => kind === 'rope') ?? []);
    expect(ropes.length).toBeGreaterThan(5);
    const { positions } = solidMesh(propSolids(ropes, rig));
    expect(Math.min(...positions.filter((_, i) => i % 3 === 1))).toBeGreaterThan(-0.02);
    const slack = solidMesh(
      lines({
        kind: 'rope',
        sag: 3,
        through: [
          [0, 1, 0],
          [2, 1, 0],
        ],
      }),
    ).positions;
    expect(Math.min(...slack.filter((_, i) => i % 3 === 1))).toBeCloseTo(0, 1);
  });
});
