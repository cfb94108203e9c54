import { norm3 } from '../../norms';
import { partNumber } from '../skeleton/parts';
import type { Side } from '../skeleton/skeleton';
import { add, length, scale, type Vec3 } from '../skeleton/vector';
import type { BodyKit } from './kit';
import { nearestVertex } from './nearestVertex';

/** Flesh farther than this from a hand is not near it, head heights. */
const NEAR = 0.3;
/** How far a hand may move on its way, head heights. */
const AROUND = 0.6;
/** One in so many of a hand's vertices is asked. */
const EVERY = 3;

/** How a hand lies against flesh that is not its own arm's. */
export interface HandContact {
  /** Share of the hand that is inside. */
  inside: number;
  /** How deep the deepest of it is, head heights. */
  deepest: number;
  /** Mean direction out of the flesh around it; zero where nothing is inside. */
  out: Vec3;
  /** Distance to the nearest flesh; Infinity when none is near. */
  gap: number;
}

/** Vertices of what is not a hand's own arm and not far from it. */
function fleshAround({ mesh, parts, members }: BodyKit, p: Float32Array, side: Side): number[] {
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  for (const v of members[partNumber(`hand.${side}`)])
    for (let k = 0; k < 3; k++) {
      lo[k] = Math.min(lo[k], p[v * 3 + k] - AROUND);
      hi[k] = Math.max(hi[k], p[v * 3 + k] + AROUND);
    }
  const own = (['hand', 'farm', 'uarm'] as const).map((kind) => partNumber(`${kind}.${side}`));
  const list: number[] = [];
  for (let v = 0; v < mesh.firstEye; v++) {
    const x = p[v * 3];
    const y = p[v * 3 + 1];
    const z = p[v * 3 + 2];
    if (x < lo[0] || y < lo[1] || z < lo[2] || x > hi[0] || y > hi[1] || z > hi[2] || own.includes(parts[v])) continue;
    list.push(v);
  }
  return list;
}

/**
 * How far a hand is in or off other flesh. A point is inside when it is behind the nearest vertex.
 * @param n Normals of `p`.
 * @returns Asked with the hand moved by any shift, as a hand moves as one; where more of it is inside than `most`, that is all that is
 * said.
 */
export function handContact(
  kit: BodyKit,
  p: Float32Array,
  n: Float32Array,
  side: Side,
): (shift: Vec3, most?: number) => HandContact {
  const nearest = nearestVertex(p, fleshAround(kit, p, side), NEAR);
  const asked = kit.members[partNumber(`hand.${side}`)].filter((_, i) => i % EVERY === 0);
  return (shift, most = 1) => {
    let [inside, deepest, gap] = [0, 0, Infinity];
    let out: Vec3 = [0, 0, 0];
    for (const v of asked) {
      const x = p[v * 3] + shift[0];
      const y = p[v * 3 + 1] + shift[1];
      const z = p[v * 3 + 2] + shift[2];
      const at = nearest(x, y, z);
      if (at < 0) continue;
      const behind = (p[at] - x) * n[at] + (p[at + 1] - y) * n[at + 1] + (p[at + 2] - z) * n[at + 2];
      if (behind <= 0) {
        gap = Math.min(gap, norm3(p[at] - x, p[at + 1] - y, p[at + 2] - z));
        continue;
      }
      inside++;
      gap = 0;
      deepest = Math.max(deepest, behind);
      out = add(out, [n[at], n[at + 1], n[at + 2]]);
      if (inside > most * asked.length) break;
    }
    return { inside: inside / asked.length, deepest, out: scale(out, 1 / (length(out) || 1)), gap };
  };
}

/** Flesh gives way this much under a hand that lies on it, head heights. */
export const PRESSED = 0.012;
/** A hand that should touch is brought to what it touches from this far, head heights. */
const FARTHEST = 0.28;
/** Less of a hand inside than this is flesh pressed, more is a hand sunk. */
const SUNK = 0.04;
const STEPS = 16;

/**
 * How a hand is moved so that it lies on the flesh it touches, neither in it nor off it.
 * @param toward Direction of the palm, if the pose says that it touches.
 * @param first How it moves with its arm.
 * @param deeper Whether its arm would come deeper into flesh by a shift.
 */
export function handShift(
  contact: (shift: Vec3, most?: number) => HandContact,
  toward: Vec3 | undefined,
  first: Vec3,
  deeper: (shift: Vec3) => boolean,
): Vec3 {
  let shift = first;
  for (let i = 0; i < STEPS; i++) {
    const { inside, deepest, out, gap } = contact(shift);
    if (inside > SUNK) shift = add(shift, scale(out, Math.min(0.2, Math.max(0.02, deepest * 0.7))));
    else if (toward && i === 0 && gap > PRESSED && gap < FARTHEST) shift = add(shift, scale(toward, gap));
    else break;
  }
  if (contact(shift, SUNK).inside <= SUNK && !deeper(shift)) return shift;
  return wayOut(contact, first, deeper) ?? wayOut(contact, first, () => false) ?? first;
}

/** Ways tried where what is around says nothing: along the axes and between them. */
export const WAYS: readonly Vec3[] = [-1, 0, 1]
  .flatMap((x) => [-1, 0, 1].flatMap((y) => [-1, 0, 1].map((z): Vec3 => [x, y, z])))
  .filter((way) => length(way) > 0)
  .map((way) => scale(way, 1 / length(way)));
const FARTHEST_OUT = 0.6;
const OUT_STEP = 0.06;

/** The least move by which a hand is out of the flesh and its arm not deeper in it, if there is one. */
function wayOut(
  contact: (shift: Vec3, most?: number) => HandContact,
  first: Vec3,
  deeper: (shift: Vec3) => boolean,
): Vec3 | undefined {
  for (let far = OUT_STEP; far <= FARTHEST_OUT; far += OUT_STEP)
    for (const way of WAYS) {
      const shift = add(first, scale(way, far));
      if (contact(shift, SUNK).inside <= SUNK && !deeper(shift)) return shift;
    }
  return undefined;
}
