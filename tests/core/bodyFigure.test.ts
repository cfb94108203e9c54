import { describe, expect, it } from 'vitest';
import { seenPoseId } from '@/core/body/bodyFigure';
import { templateBody } from '@/core/body/lift';
import { limbDepths } from '@/core/body/limbDepths';
import { type BodyPoint, pointOf, POINT_NAMES, type PointName } from '@/core/body/points';
import { figureFacts, parseFigureReference, poseOf, WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import { figureReferenceId, type FigureReference } from '@/core/figure/catalogue/referenceId';
import { BUILDS } from '@/core/figure/skeleton/builds';
import type { Rig } from '@/core/figure/skeleton/kinematics';
import { settlePose } from '@/core/figure/skeleton/support';
import { add, dot, length, normalize, rotate, sub, type Vec3 } from '@/core/figure/skeleton/vector';

type Space = [number, number, number][];

/** A figure of the sets as it would be found in its picture, without any mistake: meters from the hips, seen level. */
function foundIn({ poseId, build, view }: FigureReference): { rig: Rig; space: Space; turned: (v: Vec3) => Vec3 } {
  const { rig } = settlePose(poseOf(poseId).pose, BUILDS[build]);
  const a = (view.azimuthDeg * Math.PI) / 180;
  const turned = ([x, y, z]: Vec3): Vec3 => [x * Math.cos(a) - z * Math.sin(a), y, x * Math.sin(a) + z * Math.cos(a)];
  const on = (bone: string, offset: Vec3): Vec3 => add(rig.pos[bone], rotate(rig.rot[bone], offset));
  const place = (name: PointName): Vec3 => {
    const s = name.startsWith('left') ? 'L' : 'R';
    const out = s === 'L' ? 1 : -1;
    const what = name.replace(/^(left|right) /, '');
    const bones: Record<string, () => Vec3> = {
      shoulder: () => rig.pos[`uarm.${s}`],
      elbow: () => rig.pos[`farm.${s}`],
      wrist: () => rig.pos[`hand.${s}`],
      'index finger': () => rig.pos[`f10.${s}`],
      'little finger': () => rig.pos[`f40.${s}`],
      thumb: () => rig.pos[`th1.${s}`],
      hip: () => rig.pos[`thigh.${s}`],
      knee: () => rig.pos[`calf.${s}`],
      ankle: () => rig.pos[`foot.${s}`],
      heel: () => on(`foot.${s}`, [0, -0.2, -0.15]),
      toes: () => on(`toe.${s}`, [0, 0, 0.3]),
      ear: () => on('head', [0.33 * out, 0.2, -0.05]),
      nose: () => on('head', [0, 0.14, 0.45]),
    };
    return (bones[what] ?? bones.nose)();
  };
  const meters = POINT_NAMES.map((name) => turned(place(name)));
  const hips = [0, 1, 2].map((k) => (meters[23][k] + meters[24][k]) / 2);
  const space = meters.map(([x, y, z]): [number, number, number] => [
    (x - hips[0]) * 0.22,
    -(y - hips[1]) * 0.22,
    -(z - hips[2]) * 0.22,
  ]);
  return { rig, space, turned };
}

/** Where it lies in a square picture. */
const pictured = (space: Space): BodyPoint[] =>
  space.map(([x, y, z]) => ({ x: 0.5 + x / 2.4, y: 0.5 + y / 2.4, z: z / 2.4, seen: 1 }));

const BONES = (['L', 'R'] as const).flatMap((s) =>
  [
    ['uarm', 'farm'],
    ['farm', 'hand'],
    ['thigh', 'calf'],
    ['calf', 'foot'],
  ].map(([a, b]) => [`${a}.${s}`, `${b}.${s}`] as const),
);
const angleDeg = (a: Vec3, b: Vec3): number =>
  (Math.acos(Math.min(1, Math.max(-1, dot(normalize(a), normalize(b))))) * 180) / Math.PI;

describe('a picture as a figure', () => {
  const all = WHOLE_FIGURES.map((reference) => {
    const { rig, space, turned } = foundIn(reference);
    const { pose } = poseOf(seenPoseId(pictured(space), 1, space, BUILDS[reference.build]));
    return { reference, rig, turned, seen: settlePose(pose, BUILDS[reference.build]).rig };
  });
  it('has its limbs where the picture has them: within 12 degrees in 19 of 20', () => {
    const off = all.flatMap(({ rig, seen, turned }) =>
      BONES.map(([a, b]) => angleDeg(turned(sub(rig.pos[b], rig.pos[a])), sub(seen.pos[b], seen.pos[a]))),
    );
    expect(off.filter((deg) => deg < 12).length / off.length).toBeGreaterThan(0.95);
  });
  it('agrees with its picture where the depth was found too flat', () => {
    const off = WHOLE_FIGURES.map((reference) => {
      const { rig, space, turned } = foundIn(reference);
      const flat = space.map(([x, y, z]): [number, number, number] => [x * 0.9 + 0.02 * z, y * 0.9, z * 0.6]);
      const { pose } = poseOf(seenPoseId(pictured(space), 1, flat, BUILDS[reference.build]));
      const seen = settlePose(pose, BUILDS[reference.build]).rig;
      return BONES.map(([a, b]) => {
        const [p, q] = [turned(sub(rig.pos[b], rig.pos[a])), sub(seen.pos[b], seen.pos[a])];
        return angleDeg([p[0], p[1], 0], [q[0], q[1], 0]);
      });
    }).flat();
    expect(off.filter((deg) => deg < 10).length / off.length).toBeGreaterThan(0.85);
  });
  it('faces where it faces, and looks where it looks', () => {
    const off = all.map(({ rig, seen, turned }) => ({
      head: angleDeg(turned(rotate(rig.rot.head, [0, 0, 1])), rotate(seen.rot.head, [0, 0, 1])),
      chest: angleDeg(turned(rotate(rig.rot.chest, [1, 0, 0])), rotate(seen.rot.chest, [1, 0, 0])),
    }));
    expect(off.filter(({ head }) => head < 20).length / off.length).toBeGreaterThan(0.9);
    expect(off.filter(({ chest }) => chest < 20).length / off.length).toBeGreaterThan(0.9);
  });
  it('keeps its bones as long as they are', () => {
    for (const { rig, seen } of all)
      for (const [a, b] of BONES)
        expect(length(sub(seen.pos[a], seen.pos[b]))).toBeCloseTo(length(sub(rig.pos[a], rig.pos[b])), 4);
  });
  it('is a reference like any other, told by what it rests on', () => {
    const of = (poseId: string): string => {
      const reference = WHOLE_FIGURES.find((r) => r.poseId === poseId) as FigureReference;
      const { space } = foundIn(reference);
      const id = seenPoseId(pictured(space), 1, space, BUILDS[reference.build]);
      const view = { azimuthDeg: 0, elevationDeg: 4, lensDeg: 26 };
      expect(parseFigureReference(figureReferenceId({ poseId: id, build: 'fem', view }))).toBeDefined();
      const { name, family } = figureFacts({ poseId: id, build: 'fem', view });
      expect(name).toBe('Pose from a picture');
      return family;
    };
    expect(of('drummer-at-attention')).toBe('standing even');
    expect(of('bell-ringer-upright-on-a-bench')).toBe('seated');
    expect(of('stilt-walker-flat-on-the-back')).toBe('reclining');
    expect(of('bread-carrier-bending')).toBe('bending');
  });
});

describe('how sure a limb is', () => {
  const { points, space } = templateBody(0.7);
  const of = (depths: ReturnType<typeof limbDepths>, limb: string) => depths.find((d) => d.limb === limb);
  /** The left wrist drawn up to the elbow: the forearm points at the eye, or away. */
  const short = points.map((p, i) =>
    POINT_NAMES[i] === 'left wrist'
      ? { ...p, x: pointOf(points, 'left elbow').x, y: pointOf(points, 'left elbow').y + 0.02 }
      : p,
  );
  const withDepth = (z: number): Space =>
    space.map((p, i) => (POINT_NAMES[i] === 'left wrist' ? [p[0], p[1], p[2] + z] : p));
  it('is sure of what lies across the view', () => {
    expect(of(limbDepths(points, 0.7, space), 'right thigh')).toMatchObject({ way: 'across', sure: 'sure' });
  });
  it('tells toward from away by the depth that was found, and how sure that is', () => {
    expect(of(limbDepths(short, 0.7, withDepth(-0.25)), 'left forearm')).toEqual({
      limb: 'left forearm',
      end: 'left wrist',
      way: 'toward you',
      sure: 'sure',
    });
    expect(of(limbDepths(short, 0.7, withDepth(0.25)), 'left forearm')?.way).toBe('away from you');
    expect(of(limbDepths(short, 0.7, withDepth(0.02)), 'left forearm')?.sure).toBe('a guess');
  });
  it('says what is hidden', () => {
    const hidden = points.map((p, i) => (POINT_NAMES[i] === 'right knee' ? { ...p, seen: 0.2 } : p));
    const depths = limbDepths(hidden, 0.7, space);
    expect(of(depths, 'right thigh')?.sure).toBe('hidden');
    expect(of(depths, 'right lower leg')?.sure).toBe('hidden');
    expect(of(depths, 'left thigh')?.sure).toBe('sure');
  });
});
