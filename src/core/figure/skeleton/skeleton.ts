import type { Build } from './builds';
import type { Vec3 } from './vector';

interface Finger {
  /** Knuckle, middle joint, end joint and tip, rest space. */
  p: Vec3[];
  /** Flesh radius at each of them. */
  r: number[];
  /** Degrees away from the middle finger. */
  splay: number;
}

/** 1 head height of the base figure in meters. */
export const METERS_PER_HEAD = 0.225;

export type Side = 'L' | 'R';
export const SIDES: readonly Side[] = ['L', 'R'];
/** +1 for a left bone, -1 for a right one. */
export const sideSign = (side: Side): 1 | -1 => (side === 'L' ? 1 : -1);

/**
 * Rest joint positions in head heights (1 head = 22.5 cm; the figure is 7.75 heads tall). The figure faces +z, its left is +x.
 * The right side is the left mirrored. All rest frames are the identity.
 */
export const REST: Record<string, { p: Vec3; parent: string | null }> = {
  pelvis: { p: [0, 4.15, -0.05], parent: null },
  spine: { p: [0, 4.52, -0.12], parent: 'pelvis' },
  chest: { p: [0, 5.08, -0.14], parent: 'spine' },
  neck: { p: [0, 6.42, -0.2], parent: 'chest' },
  head: { p: [0, 6.98, -0.07], parent: 'neck' },
  'clav.L': { p: [0.09, 6.33, 0.14], parent: 'chest' },
  'uarm.L': { p: [0.8, 6.22, -0.12], parent: 'clav.L' },
  'farm.L': { p: [0.83, 4.8, -0.14], parent: 'uarm.L' },
  'hand.L': { p: [0.84, 3.69, -0.12], parent: 'farm.L' },
  'thigh.L': { p: [0.4, 4.03, -0.02], parent: 'pelvis' },
  'calf.L': { p: [0.37, 2.15, 0.0], parent: 'thigh.L' },
  'foot.L': { p: [0.36, 0.33, -0.12], parent: 'calf.L' },
  'toe.L': { p: [0.38, 0.09, 0.48], parent: 'foot.L' },
};

const HY = 3.69;
const HX = 0.84;
/** Digits of the left hand, hanging, palm toward the thigh, thumb forward: f1 index to f4 little finger, th thumb. */
export const FINGERS: Record<string, Finger> = {
  f1: {
    p: [
      [HX, HY - 0.405, 0.02],
      [HX, HY - 0.605, 0.035],
      [HX, HY - 0.735, 0.04],
      [HX, HY - 0.83, 0.04],
    ],
    r: [0.052, 0.046, 0.041, 0.034],
    splay: 6,
  },
  f2: {
    p: [
      [HX + 0.01, HY - 0.42, -0.085],
      [HX + 0.01, HY - 0.64, -0.085],
      [HX + 0.01, HY - 0.785, -0.085],
      [HX + 0.01, HY - 0.885, -0.085],
    ],
    r: [0.053, 0.047, 0.042, 0.035],
    splay: 1,
  },
  f3: {
    p: [
      [HX, HY - 0.4, -0.185],
      [HX, HY - 0.6, -0.195],
      [HX, HY - 0.735, -0.2],
      [HX, HY - 0.835, -0.2],
    ],
    r: [0.05, 0.044, 0.039, 0.033],
    splay: -5,
  },
  f4: {
    p: [
      [HX - 0.015, HY - 0.365, -0.275],
      [HX - 0.015, HY - 0.515, -0.295],
      [HX - 0.015, HY - 0.615, -0.305],
      [HX - 0.015, HY - 0.7, -0.31],
    ],
    r: [0.044, 0.038, 0.034, 0.029],
    splay: -11,
  },
  th: {
    p: [
      [HX - 0.05, HY - 0.09, 0.03],
      [HX - 0.085, HY - 0.28, 0.155],
      [HX - 0.095, HY - 0.43, 0.205],
      [HX - 0.095, HY - 0.545, 0.22],
    ],
    r: [0.075, 0.06, 0.05, 0.04],
    splay: 0,
  },
};
for (const [name, finger] of Object.entries(FINGERS))
  for (let i = 0; i < 3; i++)
    REST[`${name}${i}.L`] = { p: finger.p[i], parent: i === 0 ? 'hand.L' : `${name}${i - 1}.L` };

for (const [name, joint] of Object.entries(REST))
  if (name.endsWith('.L')) {
    REST[name.replace('.L', '.R')] = {
      p: [-joint.p[0], joint.p[1], joint.p[2]],
      parent: joint.parent?.replace('.L', '.R') ?? null,
    };
  }

const depth = (bone: string): number => {
  const { parent } = REST[bone];
  return parent === null ? 0 : 1 + depth(parent);
};
/** Every bone, parents before children. */
export const BONES: readonly string[] = Object.keys(REST).sort((a, b) => depth(a) - depth(b));

/** The name under which a build scales a bone: side dropped, all phalanges as the hand. */
const boneClass = (bone: string): string => {
  const plain = bone.replace(/\.[LR]$/, '');
  return /^(f\d|th)\d$/.test(plain) ? 'hand' : plain;
};

/** How a build stretches a bone, along x, y and z of its own axes; 1 where it does not. */
export const boneScale = (build: Build, bone: string): Vec3 => build.s[boneClass(bone)] ?? [1, 1, 1];

/** An offset written on the base figure's bone, for a build. */
export function onBone(build: Build, bone: string, p: Vec3): Vec3 {
  const s = boneScale(build, bone);
  return [p[0] * s[0], p[1] * s[1], p[2] * s[2]];
}

/** Rest joint positions of a build, soles on y = 0, in head heights of the base figure. */
export function restPositions({ joints }: Build): Record<string, Vec3> {
  const out: Record<string, Vec3> = { ...joints };
  for (const [bone, [x, y, z]] of Object.entries(joints))
    if (bone.endsWith('.L')) out[bone.replace('.L', '.R')] = [-x, y, z];
  return out;
}
