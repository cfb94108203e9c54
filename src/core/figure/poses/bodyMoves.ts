import type { ShownPart } from '../mesh/region';
import type { View } from '../picture/view';
import type { BuildName } from '../skeleton/buildNames';
import type { HandShape, Pose } from '../skeleton/pose';
import { flat, limbs } from './author';

/** A move of the body as the poses it goes through, all seen alike. */
export interface BodyMove {
  build: BuildName;
  view: View;
  /** What of the body is seen; all of it when missing. */
  part?: ShownPart;
  /** Nothing below this is seen, head heights. */
  from?: number;
  poses: readonly Pose[];
}

const STANDING: Pose = {
  root: { pos: [0, 4.16, 0] },
  ...limbs({ legL: flat(0.42, 0.04, 10), legR: flat(-0.42, 0.04, -10) }),
  shL: [9, 70, 0],
  shR: [9, 70, 0],
  elL: [10, 0],
  elR: [10, 0],
};
const RELAXED: HandShape = { curls: [0.24, 0.3, 0.36, 0.42], spread: 0.3, thumb: 0.3 };
const OPEN: HandShape = { curl: -0.02, spread: 1.1, thumb: -0.1 };

/** The left hand held up before the body, palm to the front, wrist bent so. */
const heldUp = (
  shape: HandShape,
  palm: [number, number, number] = [0, 0.1, 1],
  fing: [number, number, number] = [0, 1, -0.1],
): Pose => ({
  ...STANDING,
  ik: { ...STANDING.ik, armL: { pos: [0.95, 5.75, 1.15], pole: [0.4, -1, -0.1], palm, fing } },
  handL: shape,
});
/** Hanging, the wrist bent so far toward the palm. */
const hanging = (bent: number): Pose => ({
  ...STANDING,
  shL: [14, 60, 0],
  elL: [22, 10],
  wrL: [bent, 0],
  handL: RELAXED,
});

const HAND: Pick<BodyMove, 'build' | 'view' | 'part'> = {
  build: 'fem',
  view: { azimuthDeg: 12, elevationDeg: 6, lensDeg: 20 },
  part: 'hand.L',
};
const BODY: Pick<BodyMove, 'build' | 'view' | 'from'> = {
  build: 'fem',
  view: { azimuthDeg: 24, elevationDeg: 6, lensDeg: 24 },
  from: 3.6,
};
const SIDE: View = { azimuthDeg: 82, elevationDeg: 4, lensDeg: 24 };
const one = (finger: number): HandShape => ({
  curls: [0.16, 0.16, 0.16, 0.16].map((curl, i) => (i === finger ? -0.32 : curl)),
  spread: 0.4,
  thumb: 0.2,
});

/** What each move of the warm-up looks like, by its picture’s name. */
export const BODY_MOVE_POSES: Readonly<Record<string, BodyMove>> = {
  'shake-hands': {
    ...HAND,
    view: { azimuthDeg: 100, elevationDeg: 4, lensDeg: 20 },
    poses: [hanging(-38), hanging(46)],
  },
  'stretch-fingers': {
    ...HAND,
    view: { azimuthDeg: 58, elevationDeg: 8, lensDeg: 20 },
    poses: [heldUp(one(0)), heldUp(one(1)), heldUp(one(3))],
  },
  'open-and-close': { ...HAND, poses: [heldUp(OPEN), heldUp({ curls: [0.9, 0.94, 0.98, 1], spread: 0.1, over: 0.8 })] },
  'circle-wrists': {
    ...HAND,
    poses: [
      heldUp(RELAXED, [0, -0.55, 0.83], [0, 0.83, 0.55]),
      heldUp(RELAXED, [0, 0.1, 1], [-0.42, 0.9, 0]),
      heldUp(RELAXED, [0, 0.6, 0.8], [0, 0.8, -0.6]),
    ],
  },
  'bend-elbows': {
    ...BODY,
    poses: [
      {
        ...STANDING,
        shL: [16, 60, 30],
        shR: [16, 60, 30],
        elL: [6, -70],
        elR: [6, -70],
        handL: RELAXED,
        handR: RELAXED,
      },
      {
        ...STANDING,
        shL: [18, 50, 20],
        shR: [18, 50, 20],
        elL: [132, 40],
        elR: [132, 40],
        handL: RELAXED,
        handR: RELAXED,
      },
    ],
  },
  'roll-shoulders': {
    ...BODY,
    poses: [
      { ...STANDING, clavL: [26, 8], clavR: [26, 8] },
      { ...STANDING, clavL: [8, -24], clavR: [8, -24], chest: [-4, 0, 0] },
      { ...STANDING, clavL: [-6, 0], clavR: [-6, 0] },
    ],
  },
  'round-and-arch': {
    ...BODY,
    view: SIDE,
    poses: [
      {
        ...STANDING,
        spine: [30, 0, 0],
        chest: [26, 0, 0],
        neck: [16, 0, 0],
        head: [14, 0, 0],
        clavL: [0, 14],
        clavR: [0, 14],
      },
      {
        ...STANDING,
        spine: [-14, 0, 0],
        chest: [-14, 0, 0],
        neck: [-8, 0, 0],
        head: [-8, 0, 0],
        clavL: [0, -16],
        clavR: [0, -16],
      },
    ],
  },
  'turn-head': {
    ...BODY,
    view: { azimuthDeg: 0, elevationDeg: 4, lensDeg: 24 },
    poses: [
      { ...STANDING, neck: [0, 0, 30], head: [0, 0, 34] },
      STANDING,
      { ...STANDING, neck: [0, 0, -30], head: [0, 0, -34] },
    ],
  },
};
