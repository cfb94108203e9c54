import type { HandShape, Pose } from '../skeleton/pose';
import type { Vec3 } from '../skeleton/vector';
import { type AuthoredPose, flat, lifted, limbs, onBall, onHeel, onTip } from './author';
import { POSES } from './poses';

/** A pose of which only a part is shown. */
export type PartPose = AuthoredPose & Required<Pick<AuthoredPose, 'part' | 'difficulty'>>;

const stand: Pick<Pose, 'root' | 'ik'> = {
  root: { pos: [0, 4.16, 0] },
  ...limbs({ legL: flat(0.4, 0.06, 12), legR: flat(-0.4, 0, -12) }),
};
const ARMS_DOWN: Pose = { ...stand, shL: [9, 70, 0], shR: [9, 70, 0], elL: [8, 0], elR: [8, 0] };

type Views = readonly (readonly [azimuth: number, elevation: number])[];

const head = (
  name: string,
  difficulty: number,
  views: Views,
  bends: Pick<Pose, 'neck' | 'head' | 'chest'>,
): PartPose => ({
  name,
  family: 'heads',
  part: 'head',
  difficulty,
  seenFrom: views.map(([azimuth]) => azimuth),
  raised: views.map(([, elevation]) => elevation),
  pose: { ...ARMS_DOWN, ...bends },
});

/** The left hand held up before the body, palm to the front. */
const hand = (name: string, difficulty: number, shape: HandShape, more: Partial<Pose> = {}): PartPose => ({
  name,
  family: 'hands',
  part: 'hand.L',
  difficulty,
  seenFrom: [12, 172, 88, -28],
  raised: [6, 8, 4, 58],
  pose: {
    ...stand,
    shR: [9, 70, 0],
    ik: {
      ...stand.ik,
      armL: { pos: [0.95, 5.75, 1.15], pole: [0.4, -1, -0.1], palm: [0, 0.1, 1], fing: [0, 1, -0.1] },
    },
    handL: shape,
    ...more,
  },
});
/** Both hands before the body, their knuckles at one place, each finger between two of the other hand. */
const clasped = (name: string, fing: Vec3, curls: number[], apart: number): PartPose => {
  const flip = ([x, y, z]: Vec3): Vec3 => [-x, y, z];
  const palm: Vec3 = [-1, 0, -0.1];
  const shape: HandShape = { curls, spread: 0.75, thumb: 0.55 };
  const at = (side: number): Vec3 => [0.055 * side, 5.15 + apart * side, 1.25];
  return {
    name,
    family: 'hands',
    part: 'hands',
    difficulty: 4,
    seenFrom: [0, 62, -35, 150],
    raised: [8, 4, 34, 12],
    pose: {
      ...stand,
      clasped: true,
      ik: {
        ...stand.ik,
        armL: { pos: at(1), by: 'grip', palm, fing, pole: [1, -0.7, -0.3] },
        armR: { pos: at(-1), by: 'grip', palm: flip(palm), fing: flip(fing), pole: [-1, -0.7, -0.3] },
      },
      handL: shape,
      handR: shape,
    },
  };
};

/** Hanging, fingers down, thumb forward. */
const hanging = (name: string, difficulty: number, shape: HandShape, more: Partial<Pose> = {}): PartPose => ({
  ...hand(name, difficulty, shape),
  seenFrom: [80, -100, 15, 130],
  raised: [4, 6, 8, -12],
  pose: { ...stand, shR: [9, 70, 0], shL: [14, 60, 0], elL: [22, 10], handL: shape, ...more },
});

const foot = (name: string, difficulty: number, pose: Pose): PartPose => ({
  name,
  family: 'feet',
  part: 'foot.L',
  difficulty,
  seenFrom: [5, 62, 100, -80, 165],
  raised: [24, 16, 8, 12, 14],
  pose: { shL: [9, 70, 0], shR: [9, 70, 0], ...pose },
});
const upOn = (legL: NonNullable<Parameters<typeof limbs>[0]['legL']>, more: Partial<Pose> = {}): Pose => ({
  root: { pos: [0, 4.16, 0] },
  ...limbs({ legL, legR: flat(-0.4, 0, -12) }),
  ...more,
});

const torso = (slug: keyof typeof POSES, difficulty: number, name: string, seenFrom: readonly number[]): PartPose => {
  const { pose: whole } = POSES[slug];
  const pose: Pose = { ...whole, props: [] };
  return {
    name,
    family: 'torsos and backs',
    part: 'torso',
    difficulty,
    seenFrom,
    raised: seenFrom.map((_, i) => [6, 2, 12][i % 3]),
    pose,
  };
};

const HEADS = {
  'head-level': head(
    'Head held level',
    1,
    [
      [0, 3],
      [38, 5],
      [90, 3],
      [142, 8],
      [-55, -14],
    ],
    {},
  ),
  'head-bowed': head(
    'Head bowed',
    3,
    [
      [-28, 14],
      [64, 4],
    ],
    { neck: [16, 0, 0], head: [18, 0, 6], chest: [6, 0, 0] },
  ),
  'head-raised': head(
    'Head raised',
    4,
    [
      [32, -16],
      [-82, 2],
    ],
    { neck: [-14, 0, 0], head: [-20, 0, 0], chest: [-4, 0, 0] },
  ),
  'head-turned': head(
    'Head turned over the shoulder',
    3,
    [
      [8, 6],
      [118, 4],
    ],
    { neck: [2, 0, 30], head: [0, 0, 34], chest: [0, 0, 8] },
  ),
  'head-tilted': head(
    'Head tilted',
    2,
    [
      [-18, 8],
      [48, 30],
    ],
    { neck: [4, 16, 6], head: [2, 12, 8] },
  ),
} as const satisfies Record<string, PartPose>;

const HANDS = {
  'hand-fist': hand('Fist', 1, { curls: [1.1, 1.13, 1.16, 1.2], spread: 0.1, over: 1 }),
  'hand-flat': hand('Hand held flat', 1, { curl: 0.02, spread: 0.3, thumb: 0.2 }),
  'hand-open': hand('Open palm', 2, { curl: 0.08, spread: 0.9, thumb: 0.05 }),
  'hand-relaxed': hand('Relaxed hand', 2, { curls: [0.24, 0.3, 0.37, 0.44], spread: 0.3, thumb: 0.38 }),
  'hand-pointing': hand('Pointing', 2, { curls: [0.02, 1.06, 1.1, 1.14], spread: 0.2, over: 0.95 }),
  'hand-two-fingers': hand('Two fingers raised', 3, { curls: [0.02, 0.02, 1.06, 1.1], spread: 0.9, over: 1 }),
  'hand-thumb-up': hand('Thumb up', 2, { curls: [1.08, 1.1, 1.13, 1.16], spread: 0.1, thumb: -0.35 }),
  'hand-cupped': hand('Cupped hand', 3, { curls: [0.4, 0.42, 0.44, 0.46], spread: 0.02, thumb: 0.55 }),
  'hand-spread': hand('Fingers spread wide', 3, { curl: -0.06, spread: 1.6, thumb: -0.2 }),
  'hand-pinching': hand('Pinching', 3, { curls: [0.52, 0.5, 0.26, 0.22], spread: 0.4, thumb: 0.85 }),
  'hand-beckoning': hand('Beckoning', 3, { curls: [0.3, 0.62, 0.7, 0.76], spread: 0.3, thumb: 0.4 }),
  'hand-tense': hand('Tense, like a claw', 4, { curls: [0.46, 0.44, 0.46, 0.5], spread: 1.3, thumb: 0.05 }),
  'hand-counting-three': hand('Three fingers raised', 3, { curls: [0.02, 0.02, 0.04, 1.02], spread: 0.9, over: 1 }),
  'hand-around-a-staff': hand(
    'Around a staff',
    3,
    { curls: [0.66, 0.7, 0.73, 0.76], spread: 0.1, thumb: 0.82 },
    {
      props: [{ kind: 'pole', hand: 'L', above: 0.9, below: 0.9, r: 0.075 }],
    },
  ),
  'hand-around-a-cup': hand(
    'Around a cup',
    3,
    { curls: [0.5, 0.52, 0.54, 0.57], spread: 0.2, thumb: 0.75 },
    {
      props: [{ kind: 'pole', hand: 'L', above: 0.3, below: 0.3, r: 0.13 }],
    },
  ),
  'hand-bent-back': hand(
    'Bent back at the wrist',
    3,
    { curl: 0.12, spread: 0.5, thumb: 0.2 },
    {
      ik: {
        ...stand.ik,
        armL: { pos: [0.95, 5.6, 1.15], pole: [0.4, -1, -0.1], palm: [0, 0.85, 0.6], fing: [0, 0.6, -0.85] },
      },
    },
  ),
  'hand-hanging': hanging('Hanging hand', 2, { curls: [0.2, 0.27, 0.34, 0.42], spread: 0.25, thumb: 0.35 }),
  'hand-carrying': hanging(
    'Carrying a handle',
    3,
    { curls: [0.78, 0.8, 0.82, 0.84], spread: 0.08, thumb: 0.6 },
    {
      props: [{ kind: 'pole', hand: 'L', above: 0.3, below: 0.3, r: 0.05 }],
    },
  ),
  'hand-hanging-fist': hanging('Fist at the side', 2, { curls: [1.08, 1.12, 1.15, 1.2], spread: 0.1, over: 1 }),
  'hand-hanging-open': hanging('Fingers spread, hanging', 3, { curl: 0.05, spread: 1.1, thumb: 0.05 }),
} as const satisfies Record<string, PartPose>;

const FEET = {
  'foot-standing': foot('Foot standing', 1, upOn(flat(0.4, 0.06, 8))),
  'foot-turned-out': foot('Foot turned out', 2, upOn(flat(0.46, 0.1, 42))),
  'foot-on-the-ball': foot('On the ball of the foot', 2, upOn(onBall(0.42, -0.2, 8, 40))),
  'foot-on-the-toes': foot('On the toes', 3, upOn(onTip(0.36, 0.1, 6))),
  'foot-on-the-heel': foot('Heel down, toes up', 3, upOn(onHeel(0.4, 0.5, 10))),
  'foot-hanging': foot('Foot hanging', 2, upOn(lifted([0.45, 1.1, 0.7], 34, 6))),
  'foot-pulled-up': foot('Toes pulled up', 3, upOn(lifted([0.45, 1.1, 0.9], -16, 6), { toeL: 24 })),
  'foot-pointed': foot('Foot pointed', 3, upOn(lifted([0.4, 0.9, 0.9], 58, 0), { toeL: -14 })),
} as const satisfies Record<string, PartPose>;

const TORSOS = {
  'torso-weight-shifted': torso('stilt-walker-at-rest', 2, 'Torso, weight shifted', [25, -40, 168]),
  'torso-turning': torso('archer-turning', 3, 'Torso turning', [-20, 60, 150]),
  'torso-stretching': torso('bell-ringer-stretching', 3, 'Torso stretching', [165, 20, -130]),
  'torso-reaching': torso('stilt-walker-reaching', 3, 'Torso reaching up', [-30, 150, 80]),
  'torso-drawing-a-bow': torso('archer-drawing', 4, 'Torso of an archer', [-55, 105, 170]),
  'torso-hauling': torso('bell-ringer-hauling', 3, 'Torso hauling a rope', [85, -150, 30]),
  'torso-side-bend': torso('drummer-side-bend', 3, 'Torso bent to the side', [-70, -120, -160]),
  'torso-at-attention': torso('drummer-at-attention', 1, 'Torso upright', [0, 45, 180]),
  'torso-lunging': torso('archer-lunging', 3, 'Torso lunging', [42, -150, 150]),
  'torso-looking-back': torso('net-mender-looking-back', 3, 'Back, turning', [120, 170, -140]),
  'torso-hands-on-hips': torso('archer-hands-on-hips', 2, 'Torso, hands on the hips', [20, 155, -75]),
  'torso-raising-a-pole': torso('stilt-walker-raising-a-pole', 4, 'Torso raising a pole', [-20, 160, -120]),
} as const satisfies Record<string, PartPose>;

const BOTH_HANDS = {
  'hands-interlaced': clasped('Hands, fingers interlaced', [-0.55, 0.35, 0.75], [0.5, 0.52, 0.54, 0.56], 0.04),
} as const satisfies Record<string, PartPose>;

/** Poses of heads, hands, feet and torsos, by slugs that never change once shipped; new ones come last, so that whoever shows the others stays. */
export const PART_POSES: Readonly<Record<string, PartPose>> = {
  ...HEADS,
  ...HANDS,
  ...FEET,
  ...TORSOS,
  ...BOTH_HANDS,
};
