import type { HandShape } from './pose';
import { FINGERS, type Side, sideSign } from './skeleton';
import {
  aboutX,
  aboutZ,
  axisAngle,
  conjugate,
  IDENTITY,
  normalize,
  type Quat,
  quatMul,
  RAD_PER_DEG,
  rotationBetween,
  slerp,
  sub,
  type Vec3,
} from './vector';

/** How far a finger goes to the side where the hand is spread. */
export const fingerSplay = (finger: string, { spread = 0.3 }: HandShape): Quat =>
  aboutX(-FINGERS[finger].splay * (spread - 0.3) * 2.2);

/** Local rotations of a hand's fingers and thumb. */
export function handRotations(shape: HandShape, side: Side): Record<string, Quat> {
  const local: Record<string, Quat> = {};
  const sign = sideSign(side);
  ['f1', 'f2', 'f3', 'f4'].forEach((finger, i) => {
    const curl = shape.curls?.[i] ?? (shape.curl ?? 0.2) * (1 + 0.14 * i);
    local[`${finger}0.${side}`] = quatMul(fingerSplay(finger, shape), aboutZ(-75 * curl * sign));
    local[`${finger}1.${side}`] = aboutZ(-95 * curl * sign);
    local[`${finger}2.${side}`] = aboutZ(-65 * curl * sign);
  });
  const thumb = shape.thumb ?? 0.3;
  local[`th0.${side}`] = quatMul(aboutX(-8 + 34 * thumb), aboutZ(-26 * thumb * sign));
  local[`th1.${side}`] = quatMul(aboutX(2 + 10 * thumb), aboutZ(-22 * thumb * sign));
  local[`th2.${side}`] = quatMul(aboutX(4 + 16 * thumb), aboutZ(-26 * thumb * sign));
  if (shape.over !== undefined) layOver(local, side, shape.over);
  return local;
}

/** Directions of a left thumb's segments laid over bent fingers, in the hand's own space, and how far each turns about itself, degrees. */
const OVER: readonly (readonly [direction: Vec3, turn: number])[] = [
  [[-0.6, -0.74, 0.32], 0],
  [[-0.42, -0.6, -0.68], 0],
  [[0.1, -0.3, -0.95], 0],
];

/** Lay a thumb over the fingers, as far as `share` says. */
function layOver(local: Record<string, Quat>, side: Side, share: number): void {
  const sign = sideSign(side);
  const { p } = FINGERS.th;
  const mirrored = ([x, y, z]: Vec3): Vec3 => [x * sign, y, z];
  let before: Quat = IDENTITY;
  OVER.forEach(([direction, turn], i) => {
    const along = normalize(mirrored(sub(p[i + 1], p[i])));
    const here = quatMul(
      rotationBetween(along, normalize(mirrored(direction))),
      axisAngle(along, turn * RAD_PER_DEG * sign),
    );
    const bone = `th${String(i)}.${side}`;
    local[bone] = slerp(local[bone], quatMul(conjugate(before), here), share);
    before = here;
  });
}
