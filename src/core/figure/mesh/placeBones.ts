import { clamp } from '../../clamp';
import type { Rig } from '../skeleton/kinematics';
import { SIDES, type Side } from '../skeleton/skeleton';
import {
  add,
  axisAngle,
  conjugate,
  dot,
  IDENTITY,
  length,
  lerp,
  normalize,
  type Quat,
  quatMul,
  rotate,
  rotationBetween,
  scale,
  slerp,
  sub,
  type Vec3,
} from '../skeleton/vector';
import type { MeshBuild } from './bodyPack';
import { MESH_BONES, type MeshBone, PARENT } from './meshBones';
import { MESH_FINGERS } from './restTurns';

/** Where each bone's rest frame goes: a point x of the rest pose goes to pos + rot (x - head). */
export interface PlacedBones {
  rot: Record<MeshBone, Quat>;
  pos: Record<MeshBone, Vec3>;
}

/** How far the ends of the limbs are moved from where the skeleton has them, so that the flesh stands and touches; head heights. */
export interface EndShift {
  foot: Record<Side, Vec3>;
  hand: Record<Side, Vec3>;
  /** Turn of each elbow about the line from shoulder to wrist, radians. */
  elbow: Record<Side, number>;
}
export const unmoved = (): EndShift => ({
  foot: { L: [0, 0, 0], R: [0, 0, 0] },
  hand: { L: [0, 0, 0], R: [0, 0, 0] },
  elbow: { L: 0, R: 0 },
});

/** How much of a limb's turn each of the two bones of a segment takes. */
const UPPER_ARM_TWIST = [0.35, 0.8] as const;
const FOREARM_TWIST = [0.25, 0.7] as const;
const THIGH_TWIST = [0.4, 0.85] as const;

/** Turn about `axis` in a rotation, radians in (-pi, pi]. */
function twistAbout(q: Quat, axis: Vec3): number {
  const t = 2 * Math.atan2(q[0] * axis[0] + q[1] * axis[1] + q[2] * axis[2], q[3]);
  return t > Math.PI ? t - 2 * Math.PI : t < -Math.PI ? t + 2 * Math.PI : t;
}

/** The app bends the trunk at two joints and the neck at two, the mesh at five and three. */
function trunkRotations({ rot: { pelvis, spine, chest, neck, head } }: Rig, out: Record<MeshBone, Quat>): void {
  out.root = pelvis;
  out.spine05 = slerp(pelvis, spine, 0.4);
  out.spine04 = slerp(pelvis, spine, 0.85);
  out.spine03 = slerp(spine, chest, 0.35);
  out.spine02 = slerp(spine, chest, 0.75);
  out.spine01 = chest;
  out.neck01 = slerp(chest, neck, 0.55);
  out.neck02 = slerp(neck, head, 0.1);
  out.neck03 = slerp(neck, head, 0.55);
  out.head = head;
}

const ARM = ['upperarm01', 'lowerarm01', 'wrist'] as const;
const LEG = ['upperleg01', 'lowerleg01', 'foot'] as const;

/**
 * From the app's posed skeleton to every bone of the mesh.
 * @param turns Of this build, from restTurns.
 */
export function placeBones({ head }: MeshBuild, turns: Record<string, Quat>, rig: Rig, shift = unmoved()): PlacedBones {
  const rot: Record<MeshBone, Quat> = {};
  const pos: Record<MeshBone, Vec3> = {};
  trunkRotations(rig, rot);
  const turned = (bone: string): Quat => quatMul(rig.rot[bone], turns[bone] ?? IDENTITY);
  for (const s of SIDES) {
    rot[`clavicle.${s}`] = slerp(rig.rot.chest, rig.rot[`clav.${s}`], 0.8);
    rot[`shoulder01.${s}`] = rig.rot[`clav.${s}`];
    rot[`wrist.${s}`] = turned(`hand.${s}`);
    for (const m of [1, 2, 3, 4]) rot[`metacarpal${String(m)}.${s}`] = rot[`wrist.${s}`];
    for (const [name, n] of MESH_FINGERS)
      for (let i = 0; i < 3; i++) rot[`finger${String(n)}-${String(i + 1)}.${s}`] = turned(`${name}${String(i)}.${s}`);
    rot[`foot.${s}`] = turned(`foot.${s}`);
    rot[`toe.${s}`] = turned(`toe.${s}`);
  }

  // The middle between the hip joints is where the app has it.
  const middle = lerp(head['upperleg01.L'], head['upperleg01.R'], 0.5);
  const wanted = lerp(rig.pos['thigh.L'], rig.pos['thigh.R'], 0.5);
  pos.root = add(wanted, rotate(rot.root, sub(head.root, middle)));
  const place = (bone: MeshBone): void => {
    const parent = PARENT[bone];
    if (parent) pos[bone] = add(pos[parent], rotate(rot[parent] ?? IDENTITY, sub(head[bone], head[parent])));
  };
  MESH_BONES.forEach(place);
  // Chest and head are where the app has them; what the spread bend leaves over is shared out along the bones between.
  const { rest } = rig;
  const lift = rest['thigh.L'][1] - head['upperleg01.L'][1];
  const share = (bones: readonly MeshBone[], bone: MeshBone, appBone: string): void => {
    const target = add(rig.pos[appBone], rotate(rig.rot[appBone], sub(add(head[bone], [0, lift, 0]), rest[appBone])));
    const missing = sub(target, pos[bones[bones.length - 1]]);
    bones.forEach((b, i) => {
      pos[b] = add(pos[b], scale(missing, (i + 1) / bones.length));
    });
  };
  share(['spine04', 'spine03', 'spine02', 'spine01'], 'spine01', 'chest');
  ['neck01', 'neck02', 'neck03', 'head'].forEach(place);
  share(['neck02', 'neck03', 'head'], 'head', 'head');
  for (const s of SIDES) {
    ['clavicle', 'shoulder01'].forEach((b) => {
      place(`${b}.${s}`);
    });
    pos[`upperarm01.${s}`] = rig.pos[`uarm.${s}`];
    pos[`upperleg01.${s}`] = rig.pos[`thigh.${s}`];
  }

  for (const s of SIDES)
    for (const [names, upperBone, lowerBone, endBone] of [
      [ARM, 'uarm', 'farm', 'hand'],
      [LEG, 'thigh', 'calf', 'foot'],
    ] as const) {
      let upper = turned(`${upperBone}.${s}`);
      let lower = turned(`${lowerBone}.${s}`);
      // The end of the limb where the app has it: what is held or stood on stays so.
      const [ra, rb, rc] = names.map((n) => head[`${n}.${s}`]);
      const from = pos[`${names[0]}.${s}`];
      const upperDir = rotate(upper, normalize(sub(rb, ra)));
      const lowerDir = rotate(lower, normalize(sub(rc, rb)));
      const [l1, l2] = [length(sub(rb, ra)), length(sub(rc, rb))];
      const to = sub(add(rig.pos[`${endBone}.${s}`], shift[endBone][s]), from);
      const d = clamp(length(to), Math.abs(l1 - l2) * 1.05 + 0.02, (l1 + l2) * 0.9995);
      const dir = normalize(to);
      const elbow = scale(upperDir, l1);
      let pole = sub(elbow, scale(dir, dot(elbow, dir)));
      if (length(pole) < 0.02) pole = sub(upperDir, lowerDir);
      pole = normalize(sub(pole, scale(dir, dot(pole, dir))));
      if (endBone === 'hand') pole = rotate(axisAngle(dir, shift.elbow[s]), pole);
      const along = (l1 * l1 + d * d - l2 * l2) / (2 * d);
      const aside = Math.sqrt(Math.max(0, l1 * l1 - along * along));
      const joint = add(scale(dir, along), scale(pole, aside));
      upper = quatMul(rotationBetween(upperDir, normalize(joint)), upper);
      lower = quatMul(rotationBetween(lowerDir, normalize(sub(scale(dir, d), joint))), lower);

      const axisA = normalize(sub(rb, ra));
      const axisB = normalize(sub(rc, rb));
      const twisted = (parent: Quat, shares: readonly number[]): Quat[] => {
        const twist = twistAbout(quatMul(conjugate(parent), upper), axisA);
        return shares.map((part) => quatMul(upper, axisAngle(axisA, -twist * (1 - part))));
      };
      if (endBone === 'hand') {
        [rot[`upperarm01.${s}`], rot[`upperarm02.${s}`]] = twisted(rot[`shoulder01.${s}`], UPPER_ARM_TWIST);
        const twist = twistAbout(quatMul(conjugate(lower), rot[`wrist.${s}`]), axisB);
        [rot[`lowerarm01.${s}`], rot[`lowerarm02.${s}`]] = FOREARM_TWIST.map((part) =>
          quatMul(lower, axisAngle(axisB, twist * part)),
        );
      } else {
        [rot[`upperleg01.${s}`], rot[`upperleg02.${s}`]] = twisted(rot.root, THIGH_TWIST);
        rot[`lowerleg01.${s}`] = rot[`lowerleg02.${s}`] = lower;
      }
    }
  const placed = new Set([
    'root',
    ...SIDES.flatMap((s) => [`clavicle.${s}`, `shoulder01.${s}`, `upperarm01.${s}`, `upperleg01.${s}`]),
  ]);
  MESH_BONES.filter((b) => !placed.has(b) && !/^(spine|neck|head)/.test(b)).forEach(place);
  return { rot, pos };
}
