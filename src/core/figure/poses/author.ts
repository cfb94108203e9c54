import type { Family } from '../catalogue/families';
import type { ShownPart } from '../mesh/region';
import { HAND, type HandShape, type LimbTarget, type Pose } from '../skeleton/pose';
import type { Side } from '../skeleton/skeleton';
import type { Vec3 } from '../skeleton/vector';

/**
 * A vocabulary for writing poses: what feet and hands do, in words. World positions are head heights, x to the figure's left, z to its
 * front; headings and yaws are degrees from straight ahead, positive to its left.
 */

export interface AuthoredPose {
  name: string;
  family: Family;
  pose: Pose;
  /** Azimuths it is best seen from, degrees. */
  seenFrom: readonly number[];
  /** Of a part: what is shown, how high the eye is for each azimuth, and how hard it is, 1 to 5. */
  part?: ShownPart;
  raised?: readonly number[];
  difficulty?: number;
}

// Feet

/** Whole sole down. */
export const flat = (x: number, z: number, yaw = 0, floor = 0): LimbTarget => ({
  pos: [x, floor + 0.33, z],
  rot: [0, yaw, 0],
  floor,
});
/** Heel raised, toes bent on the floor. */
export const onBall = (x: number, z: number, yaw = 0, raised = 36, floor = 0): LimbTarget => ({
  pos: [x, floor + 0.33 + raised * 0.008, z],
  rot: [raised, yaw, 0],
  toe: raised,
  floor,
});
/** Only the tip of a pointed foot down. */
export const onTip = (x: number, z: number, yaw = 0, pitch = 62): LimbTarget => ({
  pos: [x, 0.75, z],
  rot: [pitch, yaw, 0],
  toe: -8,
  floor: 0,
});
/** Heel down, toes up. */
export const onHeel = (x: number, z: number, yaw = 0, raised = 24): LimbTarget => ({
  pos: [x, 0.36, z],
  rot: [-raised, yaw, 0],
  floor: 0,
});
/** In the air. */
export const lifted = (pos: Vec3, pitch = 30, yaw = 0, pole?: Vec3): LimbTarget => ({
  pos,
  rot: [pitch, yaw, 0],
  ...(pole && { pole }),
});
/** On a knee: thigh heading, and where the shin goes from there. */
export const onKnee = (heading: number, shin = heading + 180, tucked = false): LimbTarget => ({
  pos: [0, 0, 0],
  kneel: { heading, shin, tucked },
  ...(tucked && { toe: 48 }),
});

/** A leg lying on its side or outstretched along the floor: heel down, knee toward `pole`. */
export const alongFloor = (x: number, z: number, yaw: number, pole: Vec3, pitch = -62): LimbTarget => ({
  pos: [x, 0.34, z],
  rot: [pitch, yaw, 0],
  pole,
});

// Hands

interface HandDoes {
  target: LimbTarget;
  shape: HandShape;
}
const flip = ([x, y, z]: Vec3): Vec3 => [-x, y, z];
/** A hand written for the left, mirrored for the right. */
function sided(side: Side, { target, shape }: HandDoes): HandDoes {
  if (side === 'L') return { target, shape };
  const t = { ...target, pos: flip(target.pos) };
  if (t.pole) t.pole = flip(t.pole);
  if (t.palm) t.palm = flip(t.palm);
  if (t.fing) t.fing = flip(t.fing);
  if (t.axis) t.axis = flip(t.axis);
  if (t.rel?.endsWith('.L')) t.rel = t.rel.replace('.L', '.R');
  else if (t.rel?.endsWith('.R')) t.rel = t.rel.replace('.R', '.L');
  return { target: t, shape };
}

/** Hand on the hip, elbow out. */
export const onHip = (side: Side): HandDoes =>
  sided(side, {
    target: {
      rel: 'pelvis',
      pos: [0.84, 0.38, -0.16],
      pole: [1, 0.15, -0.5],
      palm: [-0.85, 0.1, -0.45],
      fing: [-0.42, -0.45, 0.8],
    },
    shape: { curl: 0.3 },
  });
/** Palm on the knee of the same side. */
export const onOwnKnee = (side: Side): HandDoes =>
  sided(side, {
    target: {
      rel: 'calf.L',
      by: 'palm',
      pos: [0.02, 0.06, 0.27],
      palm: [0, -0.25, -1],
      fing: [-0.25, -1, 0.3],
      handRel: true,
      pole: [1, 0.1, -0.5],
    },
    shape: { curl: 0.22, thumb: 0.2 },
  });
/** Palm on the other knee. */
export const onOtherKnee = (side: Side): HandDoes =>
  sided(side, {
    target: {
      rel: 'calf.R',
      by: 'palm',
      pos: [0.05, 0.1, 0.28],
      palm: [-0.1, -0.25, -1],
      fing: [-0.7, -0.8, 0.2],
      handRel: true,
      pole: [1, 0, -0.3],
    },
    shape: { curl: 0.22, thumb: 0.2 },
  });
/** Palm on the thigh, `down` of the way to the knee. */
export const onThigh = (side: Side, down = 0.55): HandDoes =>
  sided(side, {
    target: {
      rel: 'thigh.L',
      by: 'palm',
      pos: [0.05, -1.88 * down, 0.29],
      palm: [-0.1, 0, -1],
      fing: [-0.5, -1, 0.1],
      handRel: true,
      pole: [1, 0, -0.7],
    },
    shape: { curl: 0.15, thumb: 0.2 },
  });
/** Hand behind the head, elbow out. */
export const behindHead = (side: Side): HandDoes =>
  sided(side, {
    target: {
      rel: 'head',
      pos: [0.4, 0.28, -0.5],
      pole: [1, -0.05, 0.45],
      palm: [-0.2, -0.1, 1],
      fing: [-0.95, 0.1, -0.1],
      handRel: true,
    },
    shape: { curl: 0.2 },
  });
/** Hand behind the back, at the waist. */
export const behindBack = (side: Side): HandDoes =>
  sided(side, {
    target: {
      rel: 'pelvis',
      pos: [0.3, 0.5, -0.56],
      pole: [1, 0.1, -0.7],
      palm: [0.1, 0, -1],
      fing: [-0.9, -0.5, -0.1],
      handRel: true,
    },
    shape: { curl: 0.3 },
  });
/** Flat hand above the eyes, looking far. */
export const shadingEyes = (side: Side): HandDoes =>
  sided(side, {
    target: {
      rel: 'head',
      pos: [0.6, 0.45, 0.5],
      pole: [1, -0.5, 0.1],
      palm: [-0.1, -1, -0.1],
      fing: [-1, 0.05, 0.12],
      handRel: true,
    },
    shape: HAND.flat,
  });
/** Fist under the chin. */
export const underChin = (side: Side): HandDoes =>
  sided(side, {
    target: {
      rel: 'head',
      pos: [0.14, -0.72, 0.64],
      pole: [0.8, -0.7, 0.3],
      palm: [-0.2, -0.5, -0.8],
      fing: [-0.2, 0.75, -0.5],
      handRel: true,
    },
    shape: { curl: 0.8, thumb: 0.6 },
  });
/** Cupped beside the mouth, calling. */
export const calling = (side: Side): HandDoes =>
  sided(side, {
    target: {
      rel: 'head',
      pos: [0.42, -0.48, 0.5],
      pole: [1, -0.7, -0.1],
      palm: [-0.8, 0, -0.4],
      fing: [-0.15, 1, 0.3],
      handRel: true,
    },
    shape: { curl: 0.2, thumb: 0.1 },
  });
/** Hand laid on the other upper arm: folded arms. */
export const folded = (side: Side, over = false): HandDoes =>
  sided(side, {
    target: {
      rel: 'chest',
      pos: over ? [-0.36, 0.4, 0.86] : [-0.3, 0.2, 0.7],
      pole: [0.9, -0.8, 0.1],
      palm: [-0.3, -0.1, -1],
      fing: [-1, 0.25, -0.1],
      handRel: true,
    },
    shape: { curl: 0.2 },
  });
/** Palm on the floor, or on something `y` high. */
export const palmDown = (side: Side, x: number, z: number, yaw = 0, y = 0): HandDoes => {
  const a = (yaw * Math.PI) / 180;
  return {
    target: {
      by: 'palm',
      pos: [x, y, z],
      palm: [0, -1, 0],
      fing: [Math.sin(a), 0, Math.cos(a)],
      pole: [side === 'L' ? 0.7 : -0.7, 0.1, -1],
    },
    shape: HAND.flat,
  };
};
/** Palm pressed against something upright in front. */
export const palmAgainst = (side: Side, pos: Vec3, palm: Vec3 = [0, 0, 1], fing: Vec3 = [0, 1, 0]): HandDoes => ({
  target: { by: 'palm', pos, palm, fing, pole: [side === 'L' ? 0.9 : -0.9, -0.6, 0] },
  shape: { curl: 0.08, spread: 0.6 },
});
/** Closed around something that runs along `axis` (toward the thumb) through a point. */
export const gripAt = (side: Side, pos: Vec3, axis: Vec3, pole?: Vec3): HandDoes => ({
  target: { by: 'grip', pos, axis, ...(pole && { pole }) },
  shape: HAND.gripping,
});
/** The same, carried with a bone. */
export const gripBy = (side: Side, rel: string, pos: Vec3, axis: Vec3, pole?: Vec3): HandDoes => ({
  target: { by: 'grip', rel, pos, axis, handRel: true, ...(pole && { pole }) },
  shape: HAND.gripping,
});
/** Palms on two sides of something carried in front of the chest. */
export const holdsSide = (side: Side, pos: Vec3, rel = 'chest'): HandDoes =>
  sided(side, {
    target: {
      rel,
      by: 'palm',
      pos,
      palm: [-1, 0.15, 0.1],
      fing: [-0.25, -0.1, 1],
      handRel: true,
      pole: [0.8, -0.8, -0.4],
    },
    shape: { curl: 0.2, spread: 0.4 },
  });
/** Palm up under something. */
export const palmUp = (side: Side, pos: Vec3, rel?: string, fing: Vec3 = [0, 0.1, 1]): HandDoes => ({
  target: { by: 'palm', pos, palm: [0, 1, 0], fing, pole: [side === 'L' ? 0.7 : -0.7, -0.8, 0.2], ...(rel && { rel }) },
  shape: HAND.flat,
});
/** Finger tips at a point. */
export const tipsAt = (
  side: Side,
  pos: Vec3,
  palm: Vec3,
  fing: Vec3,
  rel?: string,
  shape: HandShape = HAND.relaxed,
): HandDoes => ({
  target: {
    by: 'tips',
    pos,
    palm,
    fing,
    pole: [side === 'L' ? 0.8 : -0.8, -0.5, -0.2],
    ...(rel && { rel, handRel: true }),
  },
  shape,
});

/** Where the loose end of a rope lies on the floor: a few uneven turns around a place, from its near side on. */
export const heap = (x: number, z: number): Vec3[] =>
  Array.from({ length: 27 }, (_, i) => {
    const a = i * 0.55;
    const out = 0.3 + 0.16 * Math.sin(i * 0.83) + 0.012 * i;
    return [x - Math.sign(x) * (Math.cos(a) * out + 0.1), 0.055, z + Math.sin(a) * out * 0.8];
  });

/** Fields of a pose from what its limbs do. */
export function limbs(does: {
  legL?: LimbTarget;
  legR?: LimbTarget;
  armL?: HandDoes;
  armR?: HandDoes;
}): Pick<Pose, 'ik' | 'handL' | 'handR'> {
  const { legL, legR, armL, armR } = does;
  return {
    ik: {
      ...(legL && { legL }),
      ...(legR && { legR }),
      ...(armL && { armL: armL.target }),
      ...(armR && { armR: armR.target }),
    },
    ...(armL && { handL: armL.shape }),
    ...(armR && { handR: armR.shape }),
  };
}

/** Arms given by angles: shoulder [raise, azimuth, twist] and elbow [flex, pronate]. */
export const armL = (
  sh: Vec3,
  el: [number, number],
  shape: HandShape = HAND.relaxed,
): Pick<Pose, 'shL' | 'elL' | 'handL'> => ({
  shL: sh,
  elL: el,
  handL: shape,
});
export const armR = (
  sh: Vec3,
  el: [number, number],
  shape: HandShape = HAND.relaxed,
): Pick<Pose, 'shR' | 'elR' | 'handR'> => ({
  shR: sh,
  elR: el,
  handR: shape,
});

/** Weight on one leg: that hip high, that shoulder low, the trunk a gentle S. */
export function weightOn(
  side: Side,
  hip = 7,
  shoulder = 9,
  turn = 0,
): Pick<Pose, 'root' | 'spine' | 'chest' | 'neck' | 'over'> {
  const s = side === 'L' ? 1 : -1;
  return {
    over: side,
    root: { pos: [0.12 * s, 4.16, 0], rot: [1, 4 * -s + turn, hip * s] },
    spine: [0, 6 * s, -3 * s],
    chest: [0, shoulder * s, -5 * s],
    neck: [3, -4 * s, 0],
  };
}

/** An authored pose. */
export const pose = (name: string, family: Family, seenFrom: readonly number[], fields: Pose): AuthoredPose => ({
  name,
  family,
  pose: fields,
  seenFrom,
});
