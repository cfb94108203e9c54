import { FINGERS, REST, SIDES } from '../skeleton/skeleton';
import {
  conjugate,
  cross,
  dot,
  lerp,
  normalize,
  type Quat,
  quatMul,
  rotate,
  rotationBetween,
  rotationFromBasis,
  scale,
  sub,
  type Vec3,
} from '../skeleton/vector';
import type { MeshBuild } from './bodyPack';

/** The mesh’s fingers by the app’s: the thumb is the mesh’s first. */
export const MESH_FINGERS = [
  ['th', 1],
  ['f1', 2],
  ['f2', 3],
  ['f3', 4],
  ['f4', 5],
] as const;

/** Rotation that takes direction `d` with side axis `x` to `toD` with `toX`. */
function align(d: Vec3, x: Vec3, toD: Vec3, toX: Vec3): Quat {
  const basis = (direction: Vec3, side: Vec3): Quat => {
    const by = scale(normalize(direction), -1);
    const bx = normalize(sub(side, scale(by, dot(side, by))));
    return rotationFromBasis(bx, by, cross(bx, by));
  };
  return quatMul(basis(toD, toX), conjugate(basis(d, x)));
}

/** For each bone of the app the rotation from the mesh’s rest pose (arms out) to the app’s (arms hanging); none where they agree. */
export function restTurns({ head, tip }: MeshBuild): Record<string, Quat> {
  const out: Record<string, Quat> = {};
  const app = (a: string, b: string): Vec3 => sub(REST[b].p, REST[a].p);
  for (const s of SIDES) {
    const at = (bone: string): Vec3 => head[`${bone}.${s}`];
    const upper = sub(at('lowerarm01'), at('upperarm01'));
    const lower = sub(at('wrist'), at('lowerarm01'));
    const hinge = cross(lower, upper);
    const X: Vec3 = [1, 0, 0];
    out[`uarm.${s}`] = align(upper, hinge, app(`uarm.${s}`, `farm.${s}`), X);
    out[`farm.${s}`] = align(lower, hinge, app(`farm.${s}`, `hand.${s}`), X);
    // Side axis of a hand: out of its back for the left one, so that the thumb is in front.
    const knuckles = sub(at('finger2-1'), at('finger5-1'));
    const fingers = sub(lerp(at('finger3-1'), at('finger4-1'), 0.3), at('wrist'));
    const appKnuckles = app(`f40.${s}`, `f10.${s}`);
    const appFingers = app(`hand.${s}`, `f20.${s}`);
    const hand = align(
      fingers,
      cross(scale(fingers, -1), knuckles),
      appFingers,
      cross(scale(appFingers, -1), appKnuckles),
    );
    out[`hand.${s}`] = hand;
    for (const [name, n] of MESH_FINGERS)
      for (let i = 0; i < 3; i++) {
        const bone = `finger${String(n)}-${String(i + 1)}`;
        const end = i < 2 ? at(`finger${String(n)}-${String(i + 2)}`) : tip[`${bone}.${s}`];
        const to = normalize(sub(FINGERS[name].p[i + 1], FINGERS[name].p[i]));
        if (s === 'R') to[0] = -to[0];
        const from = normalize(rotate(hand, sub(end, at(bone))));
        out[`${name}${String(i)}.${s}`] = quatMul(rotationBetween(from, to), hand);
      }
    out[`thigh.${s}`] = align(sub(at('lowerleg01'), at('upperleg01')), X, app(`thigh.${s}`, `calf.${s}`), X);
    out[`calf.${s}`] = align(sub(at('foot'), at('lowerleg01')), X, app(`calf.${s}`, `foot.${s}`), X);
    const flat = ([x, , z]: Vec3): Vec3 => normalize([x, 0, z]);
    const foot = rotationBetween(flat(sub(at('toe'), at('foot'))), flat(app(`foot.${s}`, `toe.${s}`)));
    out[`foot.${s}`] = out[`toe.${s}`] = foot;
  }
  return out;
}
