import type { Vec3 } from '../skeleton/vector';
import type { SkinForm } from './skinForms';

const FRONT: Vec3 = [0, 0, 1];
const BACK: Vec3 = [0, 0, -1];
const OUTSIDE: Vec3 = [1, 0, 0];
const INSIDE: Vec3 = [-1, 0, 0];
/** Before and above, as collar bones are seen. */
const ABOVE_FRONT: Vec3 = [0, 0.5, 0.866];

/** With the upper arm, whose skin begins in the middle of a form. */
const TRUNK = /^(torso|head|uarm)/;
const LEG = /^(thigh|calf)/;
const FOOT = /^(calf|foot)/;
const ARM = /^(uarm|farm)/;
const WRIST = /^(farm|hand)/;

/** The bony landmarks that surface anatomy teaches, each with its hollows. */
export const BONE_FORMS: readonly SkinForm[] = [
  // Neck and collar bones.
  {
    name: 'collar bone',
    from: ABOVE_FRONT,
    under: TRUNK,
    line: [
      [0.11, 6.42, 0.36],
      [0.24, 6.43, 0.38],
      [0.4, 6.46, 0.36],
      [0.56, 6.52, 0.3],
      [0.7, 6.54, 0.24],
      [0.84, 6.54, 0.16],
    ],
    height: 0.06,
    width: 0.055,
  },
  {
    name: 'above the collar bone',
    from: ABOVE_FRONT,
    under: TRUNK,
    line: [
      [0.36, 6.56, 0.24],
      [0.52, 6.6, 0.2],
    ],
    height: -0.06,
    width: 0.1,
  },
  {
    name: 'below the collar bone',
    from: FRONT,
    under: TRUNK,
    line: [
      [0.56, 6.36, 0.4],
      [0.66, 6.42, 0.35],
    ],
    height: -0.04,
    width: 0.12,
  },
  { name: 'pit of the neck', from: FRONT, under: TRUNK, line: [[0, 6.45, 0.36]], height: -0.05, width: 0.075 },
  {
    name: 'neck muscle',
    from: [0.5, 0, 0.866],
    under: TRUNK,
    line: [
      [0.3, 7.0, 0.12],
      [0.22, 6.78, 0.28],
      [0.1, 6.48, 0.36],
    ],
    height: 0.035,
    width: 0.07,
  },
  {
    name: 'behind the neck muscle',
    from: [0.8, 0, 0.6],
    under: TRUNK,
    line: [
      [0.3, 6.75, 0.12],
      [0.32, 6.62, 0.18],
    ],
    height: -0.025,
    width: 0.08,
  },
  // Breastbone and ribs.
  {
    name: 'breastbone',
    from: FRONT,
    under: TRUNK,
    line: [
      [0, 6.3, 0.4],
      [0, 5.7, 0.55],
      [0, 5.42, 0.57],
    ],
    height: -0.02,
    width: 0.06,
  },
  {
    name: 'rib arch',
    from: FRONT,
    under: TRUNK,
    line: [
      [0.09, 5.34, 0.57],
      [0.2, 5.18, 0.56],
      [0.34, 4.99, 0.5],
      [0.5, 4.84, 0.36],
      [0.6, 4.8, 0.2],
    ],
    height: 0.026,
    width: 0.09,
  },
  {
    name: 'below the rib arch',
    from: FRONT,
    under: TRUNK,
    line: [
      [0.07, 5.18, 0.56],
      [0.2, 4.98, 0.55],
      [0.36, 4.8, 0.47],
    ],
    height: -0.022,
    width: 0.09,
  },
  ...[0, 1, 2, 3].map((i): SkinForm => ({
    name: `rib ${String(6 + i)}`,
    from: [0.8, 0, 0.6],
    under: TRUNK,
    line: [
      [0.66, 5.62 - 0.17 * i, 0.1],
      [0.58, 5.49 - 0.17 * i, 0.34],
      [0.48, 5.43 - 0.16 * i, 0.44],
    ],
    height: 0.01,
    width: 0.06,
  })),
  // Back.
  {
    name: 'furrow of the spine',
    from: BACK,
    under: TRUNK,
    line: [
      [0, 6.35, -0.25],
      [0, 5.6, -0.4],
      [0, 4.9, -0.3],
      [0, 4.6, -0.25],
    ],
    height: -0.028,
    width: 0.07,
  },
  { name: 'seventh vertebra', from: BACK, under: TRUNK, line: [[0, 6.6, -0.14]], height: 0.022, width: 0.075 },
  {
    name: 'spine of the shoulder blade',
    from: [0, 0.35, -0.937],
    under: TRUNK,
    line: [
      [0.38, 6.2, -0.28],
      [0.5, 6.28, -0.25],
      [0.7, 6.4, -0.14],
      [0.86, 6.48, 0],
    ],
    height: 0.03,
    width: 0.06,
  },
  {
    name: 'inner edge of the shoulder blade',
    from: BACK,
    under: TRUNK,
    line: [
      [0.29, 6.2, -0.3],
      [0.27, 5.95, -0.38],
      [0.33, 5.68, -0.38],
      [0.42, 5.56, -0.34],
    ],
    height: 0.026,
    width: 0.065,
  },
  {
    name: 'below the spine of the shoulder blade',
    from: BACK,
    under: TRUNK,
    line: [
      [0.42, 6.1, -0.28],
      [0.56, 6.16, -0.22],
    ],
    height: -0.018,
    width: 0.09,
  },
  { name: 'dimple of the sacrum', from: BACK, under: TRUNK, line: [[0.16, 4.62, -0.25]], height: -0.03, width: 0.06 },
  // Pelvis.
  {
    name: 'hip point',
    from: [0.45, 0, 0.893],
    under: /^(torso|thigh)/,
    line: [[0.5, 4.5, 0.42]],
    height: 0.022,
    width: 0.1,
  },
  {
    name: 'iliac crest',
    from: [0.9, 0.2, 0.38],
    under: /^(torso|thigh)/,
    line: [
      [0.5, 4.5, 0.42],
      [0.6, 4.66, 0.28],
      [0.64, 4.72, 0.08],
      [0.58, 4.72, -0.12],
    ],
    height: 0.016,
    width: 0.1,
  },
  {
    name: 'above the iliac crest',
    from: [0.9, 0, 0.43],
    under: /^(torso|thigh)/,
    line: [
      [0.52, 4.72, 0.34],
      [0.62, 4.86, 0.1],
    ],
    height: -0.016,
    width: 0.1,
  },
  {
    name: 'great trochanter',
    from: OUTSIDE,
    under: /^(torso|thigh)/,
    line: [[0.72, 4.08, -0.06]],
    height: 0.02,
    width: 0.1,
  },
  // Arm.
  {
    name: 'inner point of the elbow',
    from: [-0.55, -0.75, 0.36],
    under: ARM,
    line: [[1.66, 5.24, 0.1]],
    height: 0.014,
    width: 0.07,
  },
  {
    name: 'point of the elbow',
    from: [0.3, -0.3, -0.9],
    under: ARM,
    line: [[1.76, 5.29, -0.04]],
    height: 0.016,
    width: 0.08,
  },
  { name: 'wrist bone', from: [0.75, 0.5, -0.43], under: WRIST, line: [[2.36, 4.83, 0.81]], height: 0.02, width: 0.06 },
  // Leg.
  { name: 'kneecap', from: FRONT, under: LEG, line: [[0.655, 2.33, 0.36]], height: 0.04, width: 0.1 },
  {
    name: 'beside the kneecap',
    from: FRONT,
    under: LEG,
    line: [
      [0.55, 2.16, 0.3],
      [0.52, 2.28, 0.3],
    ],
    height: -0.026,
    width: 0.06,
  },
  {
    name: 'outside the kneecap',
    from: FRONT,
    under: LEG,
    line: [
      [0.77, 2.18, 0.3],
      [0.79, 2.32, 0.3],
    ],
    height: -0.026,
    width: 0.06,
  },
  { name: 'below the kneecap', from: FRONT, under: LEG, line: [[0.66, 2.08, 0.34]], height: 0.026, width: 0.055 },
  {
    name: 'shin',
    from: [-0.25, 0, 0.968],
    under: LEG,
    line: [
      [0.665, 2.0, 0.33],
      [0.69, 1.6, 0.3],
      [0.74, 1.1, 0.24],
      [0.79, 0.7, 0.2],
    ],
    height: 0.022,
    width: 0.05,
  },
  {
    name: 'inner face of the shin',
    from: [-0.8, 0, 0.6],
    under: LEG,
    line: [
      [0.6, 1.7, 0.24],
      [0.68, 1.1, 0.16],
      [0.74, 0.7, 0.12],
    ],
    height: -0.012,
    width: 0.08,
  },
  { name: 'head of the fibula', from: OUTSIDE, under: LEG, line: [[0.86, 2.0, 0.05]], height: 0.014, width: 0.085 },
  { name: 'inner ankle', from: INSIDE, under: FOOT, line: [[0.75, 0.38, 0.08]], height: 0.034, width: 0.065 },
  { name: 'outer ankle', from: OUTSIDE, under: FOOT, line: [[1.0, 0.3, 0.02]], height: 0.034, width: 0.06 },
  {
    name: 'Achilles tendon',
    from: BACK,
    under: FOOT,
    line: [
      [0.83, 0.95, -0.1],
      [0.86, 0.4, -0.18],
    ],
    height: 0.014,
    width: 0.05,
  },
  {
    name: 'behind the outer ankle',
    from: OUTSIDE,
    under: FOOT,
    line: [
      [1.0, 0.24, -0.1],
      [1.0, 0.36, -0.12],
    ],
    height: -0.02,
    width: 0.06,
  },
];
