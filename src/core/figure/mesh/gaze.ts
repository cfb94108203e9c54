import { clamp } from '../../clamp';
import type { Rig } from '../skeleton/kinematics';
import { SIDES } from '../skeleton/skeleton';
import {
  add,
  aboutX,
  aboutY,
  conjugate,
  length,
  lerp,
  type Quat,
  quatMul,
  quatProduct,
  RAD_PER_DEG,
  rotate,
  sub,
  type Vec3,
} from '../skeleton/vector';
import type { BodyMesh } from './bodyPack';

/** Hands farther than this from where the face points are not what is looked at, degrees. */
const NOTICED_DEG = 42;
/** Hands nearer to each other than this are looked at together, and the least and greatest distance of a gaze, head heights. */
const TOGETHER = 1;
const NEAR = 0.7;
const FAR = 4.5;
/** How far eyes turn in their sockets without strain, degrees. */
const ASIDE_DEG = 22;
const UP_DEG = 12;
const DOWN_DEG = 20;
/** How far lids go with the eye, and over which distance from an eyeball's middle they end, radii. */
const LID_SHARE = 0.55;
const LID = [1.15, 1.9] as const;

const EYES: Vec3 = [0, 0.3, 0.4];

/** Direction from the eyes in the head's own space: degrees to the left of the body and up. */
function anglesOf([x, y, z]: Vec3): [aside: number, up: number] {
  return [Math.atan2(x, z) / RAD_PER_DEG, Math.atan2(y, Math.hypot(x, z)) / RAD_PER_DEG];
}

/** The hands that a face is turned to; undefined when it looks past them. */
function lookedAt(rig: Rig): Vec3 | undefined {
  const inHead = (p: Vec3): Vec3 =>
    rotate(conjugate(rig.rot.head), sub(p, add(rig.pos.head, rotate(rig.rot.head, EYES))));
  const hands = SIDES.map((side) => add(rig.pos[`hand.${side}`], rotate(rig.rot[`hand.${side}`], [0, -0.4, 0])));
  const candidates = length(sub(hands[0], hands[1])) < TOGETHER ? [lerp(hands[0], hands[1], 0.5)] : hands;
  return candidates
    .map((p) => {
      const local = inHead(p);
      return { p, far: length(local), off: Math.hypot(...anglesOf(local)), before: local[2] > 0 };
    })
    .filter(({ far, off, before }) => before && far > NEAR && far < FAR && off < NOTICED_DEG)
    .sort((a, b) => a.off - b.off)[0]?.p;
}

/** Turn the eyes to the hands that the face is turned to, their lids with them; otherwise they look along the head. Changes `p`. */
export function turnEyes({ firstEye, vertexCount }: BodyMesh, head: Uint32Array, rig: Rig, p: Float32Array): void {
  const target = lookedAt(rig);
  if (!target) return;
  const half = (vertexCount - firstEye) / 2;
  for (const from of [firstEye, firstEye + half]) {
    const middle: Vec3 = [0, 0, 0];
    for (let v = from; v < from + half; v++) for (let k = 0; k < 3; k++) middle[k] += p[v * 3 + k] / half;
    let radius = 0;
    for (let v = from; v < from + half; v++) radius = Math.max(radius, length(sub(at(p, v), middle)));
    const [aside, up] = anglesOf(rotate(conjugate(rig.rot.head), sub(target, middle)));
    const turned = (share: number): Quat =>
      quatProduct(
        rig.rot.head,
        quatMul(
          aboutY(clamp(aside, -ASIDE_DEG, ASIDE_DEG) * (share < 1 ? share / 3 : 1)),
          aboutX(-clamp(up, -DOWN_DEG, UP_DEG) * share),
        ),
        conjugate(rig.rot.head),
      );
    const put = (v: number, by: Quat): void => {
      const q = add(middle, rotate(by, sub(at(p, v), middle)));
      for (let k = 0; k < 3; k++) p[v * 3 + k] = q[k];
    };
    const whole = turned(1);
    for (let v = from; v < from + half; v++) put(v, whole);
    for (const v of head) {
      const far = length(sub(at(p, v), middle)) / radius;
      const t = clamp((LID[1] - far) / (LID[1] - LID[0]), 0, 1);
      if (t > 0) put(v, turned(LID_SHARE * t * t * (3 - 2 * t)));
    }
  }
}

const at = (p: Float32Array, v: number): Vec3 => [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]];
