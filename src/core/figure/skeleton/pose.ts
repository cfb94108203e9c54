import type { Vec3 } from './vector';

export interface HandShape {
  /** 0 straight to 1 fist. */
  curl?: number;
  spread?: number;
  /** 0 away from the palm to 1 across it. */
  thumb?: number;
  /** The thumb laid over the bent fingers: 0 as `thumb` says, 1 all the way. */
  over?: number;
  /** Curl of each finger, index first. */
  curls?: number[];
}

/** The shapes a hand takes, by what it does. */
export const HAND = {
  relaxed: { curls: [0.22, 0.28, 0.34, 0.4], thumb: 0.35 },
  open: { curl: 0.04, spread: 0.8, thumb: 0.05 },
  fist: { curls: [1.08, 1.12, 1.15, 1.2], spread: 0.1, over: 1 },
  pointing: { curls: [0.02, 1.06, 1.1, 1.14], spread: 0.2, over: 0.95 },
  gripping: { curls: [0.62, 0.66, 0.7, 0.74], spread: 0.15, thumb: 0.8 },
  flat: { curl: 0.03, spread: 0.35, thumb: 0.15 },
  holding: { curls: [0.35, 0.38, 0.42, 0.46], spread: 0.4, thumb: 0.5 },
  pinching: { curls: [0.5, 0.5, 0.3, 0.34], spread: 0.3, thumb: 0.75 },
} satisfies Record<string, HandShape>;

/** Where a wrist or ankle goes. Positions are written for the base figure and scaled to the build. */
export interface LimbTarget {
  /** Head heights; world space, or the space of bone `rel` measured from its joint. */
  pos: Vec3;
  /** What comes to `pos`: the joint (when missing), the palm's flesh, the middle of a closed grip, or the finger tips. */
  by?: 'palm' | 'grip' | 'tips';
  /** Direction the elbow or knee points to; the knee follows the toes when missing. In the space of `poleRel` if given. */
  pole?: Vec3;
  /** World [pitch, yaw, roll] of the foot, degrees. */
  rot?: Vec3;
  rel?: string;
  /** Directions of the palm and of the fingers; in the space of `rel` when `handRel`. */
  palm?: Vec3;
  fing?: Vec3;
  handRel?: boolean;
  /** Direction of what is gripped, toward the thumb; the wrist then follows the forearm. */
  axis?: Vec3;
  /** The foot is lowered or raised until its flesh carries on a floor of this height. */
  floor?: number;
  /** Bend of the toes, degrees up. */
  toe?: number;
  /** The knee kneels on the floor; `pos` is not used. Heading of thigh and of shin from the knee backward, degrees from +z. */
  kneel?: { heading: number; shin: number; tucked: boolean };
}
export type Limb = 'armL' | 'armR' | 'legL' | 'legR';

/** A point in the world, or one carried by a bone (offset from its joint in the bone's own directions). */
export type Place = Vec3 | { of: string; p: Vec3 };

/** What gives a pose its reason. Lengths in head heights of the base figure. */
export type Prop =
  | { kind: 'box'; c: Vec3; s: Vec3; yaw?: number }
  | { kind: 'stool'; at: [x: number, z: number]; height: number; r: number }
  /** Along the grip of a hand, so far toward the thumb and so far the other way. */
  | { kind: 'pole'; hand: 'L' | 'R'; above: number; below: number; r?: number }
  | { kind: 'bar'; from: Place; to: Place; r: number }
  | { kind: 'bow'; hand: 'L' | 'R'; draw?: 'L' | 'R'; length: number }
  /** Through places in turn, hanging by `sag` between them; what would hang lower lies on the floor. */
  | { kind: 'rope'; through: Place[]; sag?: number }
  | { kind: 'drum'; at: Place; axis: Vec3; r: number; depth: number }
  | { kind: 'tray'; at: Place; r: number; loaves: number }
  | { kind: 'basket'; at: Place; r: number; depth: number }
  /** Of paper, hanging from a hand. */
  | { kind: 'lantern'; hand: 'L' | 'R'; r: number };

/** An authored pose: joint angles in degrees, with inverse-kinematic targets for limbs that must touch something. */
export interface Pose {
  /** rot is [pitch forward, yaw, roll], applied as yaw * pitch * roll. The root sinks as far as grounded legs need to reach. */
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
  /** Local rotations of every bone as [x, y, z, w], instead of the angles above: poses that come from motion. */
  joints?: Record<string, readonly [number, number, number, number]>;
  /** How far flesh is pressed into what carries it, head heights. */
  sink?: number;
  /** Height of what the pelvis rests on (0 is the floor); the root moves until the flesh touches it. */
  support?: number;
  /** The hands hold each other: neither moves out of the other. */
  clasped?: boolean;
  /** In motion, or held by something: the center of mass need not be over the feet. */
  moving?: boolean;
  /** The foot that carries: the center of mass is brought above it. */
  over?: 'L' | 'R';
  props?: Prop[];
}
