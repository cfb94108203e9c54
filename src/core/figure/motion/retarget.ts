import { headingDeg } from '../picture/view';
import { BUILDS } from '../skeleton/builds';
import { restPositions } from '../skeleton/skeleton';
import {
  add,
  aboutX,
  conjugate,
  cross,
  dot,
  IDENTITY,
  length,
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
import { type Motion, placeJoints } from './bvh';
import type { BodyPlace, JointTable } from './jointNames';
import { type UpAxis, upright } from './upright';

const REST = restPositions(BUILDS.masc);

/** Rotation that takes the rest frame to one with up along `up` and the figure's left along `left`. */
function frame(up: Vec3, left: Vec3): Quat {
  const y = normalize(up);
  const x = normalize(sub(left, scale(y, dot(left, y))));
  return rotationFromBasis(x, y, cross(x, y));
}

/** Rotation of a limb's bone: along `direction`, its hinge's front toward `front`; the rest bone hangs down. */
function hanging(direction: Vec3, front: Vec3, restOffset: Vec3): Quat {
  const y = scale(normalize(direction), -1);
  const z = normalize(sub(front, scale(y, dot(front, y))));
  return quatMul(rotationFromBasis(cross(y, z), y, z), rotationBetween(normalize(restOffset), [0, -1, 0]));
}

/**
 * The local rotations of our skeleton that bring its joints into line with a frame's, whatever the rest pose and the order of axes.
 * @param up The axis of the file that points up.
 */
export const retarget = (
  motion: Motion,
  table: JointTable,
  frameIndex: number,
  up: UpAxis = 'y',
): Record<string, Quat> => frameIn(motion, table, frameIndex, up).joints;

/**
 * The same, and which way somebody faces in the frame, degrees from the world's front: whatever way the file has them face, they can be
 * seen from there.
 */
export function frameIn(
  motion: Motion,
  table: JointTable,
  frameIndex: number,
  up: UpAxis,
): { joints: Record<string, Quat>; headingDeg: number } {
  const { positions } = placeJoints(motion, motion.frames[frameIndex]);
  const rot = worldOf((place) => {
    const joint = table[place];
    return joint === undefined ? undefined : upright(positions[joint], up);
  });
  return { joints: localOf(rot), headingDeg: headingDeg({ rot }) };
}

/**
 * The world rotations of our skeleton's bones, from where the places of a body are. y is up.
 * @param known Where a place is; undefined for what is not told.
 */
export function worldOf(known: (place: BodyPlace) => Vec3 | undefined): Record<string, Quat> {
  const at = (place: BodyPlace): Vec3 => known(place) as Vec3;
  const has = (place: BodyPlace): boolean => known(place) !== undefined;
  const middle = (a: Vec3, b: Vec3): Vec3 => scale(add(a, b), 0.5);
  const world: Record<string, Quat> = {};
  const shoulders = middle(at('left shoulder'), at('right shoulder'));
  const hipsMiddle = middle(at('left hip'), at('right hip'));
  const across = sub(at('left shoulder'), at('right shoulder'));
  const hipsAcross = sub(at('left hip'), at('right hip'));
  const trunk = sub(shoulders, hipsMiddle);
  const chestFrom = has('chest') ? at('chest') : middle(hipsMiddle, shoulders);
  const lower = length(sub(chestFrom, hipsMiddle)) > 0.1 * length(trunk) ? sub(chestFrom, hipsMiddle) : trunk;
  const upper = length(sub(shoulders, chestFrom)) > 0.1 * length(trunk) ? sub(shoulders, chestFrom) : trunk;
  world.pelvis = frame(add(normalize(lower), normalize(trunk)), hipsAcross);
  world.chest = frame(upper, across);
  // The small of the back lies between the two.
  world.spine = frame(trunk, add(normalize(across), normalize(hipsAcross)));
  const front = rotate(world.chest, [0, 0, 1]);
  const neckFrom = has('neck') ? at('neck') : shoulders;
  const headUp = has('head') && length(sub(at('head'), neckFrom)) > 1e-6 ? sub(at('head'), neckFrom) : upper;
  world.neck = frame(add(normalize(headUp), normalize(upper)), across);
  // The neck's rest leans forward; the head above it is level again.
  world.head = quatMul(frame(headUp, across), aboutX(-10));
  for (const side of ['L', 'R'] as const) {
    const word = side === 'L' ? 'left' : 'right';
    const p = (place: string): Vec3 => at(`${word} ${place}`);
    const bend = (a: Vec3, b: Vec3, c: Vec3, straight: Vec3): Vec3 => {
      const line = normalize(sub(c, a));
      const off = sub(sub(b, a), scale(line, dot(sub(b, a), line)));
      return length(off) > 0.03 * length(sub(c, a)) ? normalize(off) : straight;
    };
    const off = (from: string, to: string): Vec3 => sub(REST[`${to}.${side}`], REST[`${from}.${side}`]);
    world[`clav.${side}`] = world.chest;
    const elbow = bend(p('shoulder'), p('elbow'), p('wrist'), scale(front, -1));
    world[`uarm.${side}`] = hanging(sub(p('elbow'), p('shoulder')), scale(elbow, -1), off('uarm', 'farm'));
    world[`farm.${side}`] = hanging(sub(p('wrist'), p('elbow')), scale(elbow, -1), off('farm', 'hand'));
    world[`hand.${side}`] = world[`farm.${side}`];
    const forward = rotate(world.pelvis, [0, 0, 1]);
    const knee = bend(p('hip'), p('knee'), p('ankle'), forward);
    world[`thigh.${side}`] = hanging(sub(p('knee'), p('hip')), knee, off('thigh', 'calf'));
    world[`calf.${side}`] = hanging(sub(p('ankle'), p('knee')), knee, off('calf', 'foot'));
    const toes = `${word} toes` as const;
    const foot = has(toes) && length(sub(at(toes), p('ankle'))) > 1e-6 ? sub(at(toes), p('ankle')) : undefined;
    world[`foot.${side}`] = foot
      ? pointing(foot, off('foot', 'toe'), rotate(world[`calf.${side}`], [1, 0, 0]))
      : world[`calf.${side}`];
    world[`toe.${side}`] = world[`foot.${side}`];
  }
  return world;
}

/** Rotation that takes a rest offset to a direction, keeping the hinge as level as it was. */
function pointing(direction: Vec3, restOffset: Vec3, hinge: Vec3): Quat {
  const z = normalize(direction);
  const x = normalize(sub(hinge, scale(z, dot(hinge, z))));
  const turned = rotationFromBasis(x, cross(z, x), z);
  const rest = normalize(restOffset);
  const rx = normalize(sub([1, 0, 0], scale(rest, rest[0])));
  return quatMul(turned, conjugate(rotationFromBasis(rx, cross(rest, rx), rest)));
}

const PARENT: Record<string, string> = {
  spine: 'pelvis',
  chest: 'spine',
  neck: 'chest',
  head: 'neck',
  ...Object.fromEntries(
    ['L', 'R'].flatMap((s) =>
      [
        ['clav', 'chest'],
        ['uarm', `clav.${s}`],
        ['farm', `uarm.${s}`],
        ['hand', `farm.${s}`],
        ['thigh', 'pelvis'],
        ['calf', `thigh.${s}`],
        ['foot', `calf.${s}`],
        ['toe', `foot.${s}`],
      ].map(([bone, parent]) => [`${bone}.${s}`, parent]),
    ),
  ),
};

/** Local rotations from the world's. */
export function localOf(world: Record<string, Quat>): Record<string, Quat> {
  return Object.fromEntries(
    Object.entries(world).map(([bone, q]) => {
      const parent = PARENT[bone];
      return [bone, parent === undefined ? q : quatMul(conjugate(world[parent] ?? IDENTITY), q)];
    }),
  );
}
