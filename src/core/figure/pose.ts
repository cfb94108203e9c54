import type { Vec3 } from './vector';

export interface HandShape {
  /** 0 straight to 1 fist. */
  curl?: number;
  spread?: number;
  /** 0 away from the palm to 1 across it. */
  thumb?: number;
  /** Curl of each finger, index first. */
  curls?: number[];
}

/** Where a wrist or ankle goes. Positions are written for the base figure and scaled to the build. */
export interface LimbTarget {
  /** Head heights; world space, or the space of bone `rel`. */
  pos: Vec3;
  /** Direction the elbow or knee points to. */
  pole?: Vec3;
  /** World [pitch, yaw, roll] of the foot, degrees. */
  rot?: Vec3;
  rel?: string;
  /** World directions of the palm and of the fingers. */
  palm?: Vec3;
  fing?: Vec3;
}
export type Limb = 'armL' | 'armR' | 'legL' | 'legR';

/** A box the figure sits or leans on: center and half size, head heights. */
export interface PropBox {
  c: Vec3;
  s: Vec3;
}

/** An authored pose: joint angles in degrees, with inverse-kinematic targets for limbs that must touch something. */
export interface Pose {
  /** rot is [pitch forward, yaw, roll], applied as yaw * pitch * roll. */
  root?: { pos?: Vec3; rot?: Vec3 };
  /** Each [bend forward, bend to its own left, twist to its own left]. */
  spine?: Vec3;
  chest?: Vec3;
  neck?: Vec3;
  head?: Vec3;
  /** [raise, bring forward], added to the shoulder girdle's own rhythm. */
  clavL?: [number, number];
  clavR?: [number, number];
  /** [raise from hanging, azimuth (0 front, 90 side, 180 back), outward twist]. */
  shL?: Vec3;
  shR?: Vec3;
  /** [flex, pronate]. */
  elL?: [number, number];
  elR?: [number, number];
  /** [palmar flex, toward the thumb]. */
  wrL?: [number, number];
  wrR?: [number, number];
  hipL?: Vec3;
  hipR?: Vec3;
  knL?: number;
  knR?: number;
  /** [toes up, sole inward]. */
  anL?: [number, number];
  anR?: [number, number];
  toeL?: number;
  toeR?: number;
  handL?: HandShape;
  handR?: HandShape;
  ik?: Partial<Record<Limb, LimbTarget>>;
  /** How far flesh is pressed into what carries it, head heights. */
  sink?: number;
  /** Height of what the pelvis rests on (0 is the floor); the root moves until the flesh touches it. */
  support?: number;
  props?: PropBox[];
}
