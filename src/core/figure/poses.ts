import type { Pose } from './pose';

export type Family =
  | 'standing even'
  | 'weight shifted'
  | 'walking or running'
  | 'reaching or pulling'
  | 'bending'
  | 'kneeling or crouching'
  | 'seated'
  | 'reclining'
  | 'balancing';

export interface AuthoredPose {
  name: string;
  family: Family;
  pose: Pose;
}

/** The built-in poses: people getting ready for a village lantern pageant. */
export const POSES = {
  'stilt-walker-at-rest': {
    name: 'Stilt-walker at rest',
    family: 'weight shifted',
    pose: {
      root: { pos: [-0.14, 4.1, 0], rot: [2, 4, -7] },
      spine: [0, -6, 4],
      chest: [0, -9, 6],
      neck: [4, 5, 8],
      head: [2, 5, 16],
      clavL: [2, 0],
      clavR: [-4, 0],
      shL: [16, 60, -10],
      elL: [26, 20],
      handL: { curl: 0.3 },
      handR: { curl: 0.3 },
      ik: {
        legR: { pos: [-0.26, 0.33, -0.12], pole: [-0.16, 0, 1], rot: [0, -16, 0] },
        legL: { pos: [0.5, 0.33, 0.24], pole: [0.35, 0, 1], rot: [0, 30, 0] },
        armR: {
          rel: 'pelvis',
          pos: [-0.84, 0.38, -0.16],
          pole: [-1, 0.15, -0.5],
          palm: [0.85, 0.1, -0.45],
          fing: [0.42, -0.45, 0.8],
        },
      },
    },
  },
  'stilt-walker-reaching': {
    name: 'Stilt-walker reaching',
    family: 'reaching or pulling',
    pose: {
      root: { pos: [-0.1, 4.32, 0], rot: [-2, 0, 4] },
      spine: [-6, -4, -4],
      chest: [-8, -8, -8],
      neck: [-6, -4, -8],
      head: [-12, -4, -14],
      clavR: [8, 0],
      clavL: [4, 0],
      shR: [170, 40, 20],
      elR: [8, 0],
      shL: [128, 75, 40],
      elL: [50, 10],
      handR: { curl: 0.06, spread: 0.8 },
      handL: { curl: 0.25 },
      wrR: [-8, 0],
      ik: {
        legR: { pos: [-0.32, 0.64, -0.05], pole: [-0.1, 0, 1], rot: [36, -8, 0] },
        legL: { pos: [0.4, 0.62, -0.55], pole: [0.15, 0, 1], rot: [34, 16, 0] },
      },
      toeR: 36,
      toeL: 34,
    },
  },
  'bread-carrier-crouching': {
    name: 'Bread-carrier crouching',
    family: 'kneeling or crouching',
    pose: {
      root: { pos: [0, 1.55, -0.4], rot: [30, 0, 0] },
      spine: [24, 0, 0],
      chest: [18, 2, 4],
      neck: [-14, 0, 0],
      head: [-20, 0, 12],
      ik: {
        legL: { pos: [0.46, 0.33, 0.15], pole: [0.45, 0.5, 1], rot: [0, 18, 0] },
        legR: { pos: [-0.42, 0.66, -0.25], pole: [-0.35, 0.2, 1], rot: [40, -12, 0] },
        armL: { pos: [0.3, 1.72, 1.95], pole: [1, -0.25, -0.2], palm: [-0.7, -0.3, -0.5], fing: [-0.5, -0.8, 0.4] },
        armR: { pos: [-0.2, 1.6, 1.92], pole: [-1, -0.25, -0.2], palm: [0.6, -0.4, -0.5], fing: [0.5, -0.85, 0.3] },
      },
      toeR: 40,
      handL: { curl: 0.3 },
      handR: { curl: 0.3 },
    },
  },
  'drummer-waiting': {
    name: 'Drummer waiting',
    family: 'seated',
    pose: {
      support: 1.86,
      root: { pos: [0, 2.4, 0], rot: [-4, 0, 0] },
      spine: [22, 0, 0],
      chest: [24, -4, -8],
      neck: [6, 0, 0],
      head: [12, 0, -4],
      props: [{ c: [0, 0.93, -0.45], s: [0.95, 0.93, 0.75] }],
      ik: {
        legL: { pos: [0.5, 0.33, 1.45], pole: [0.2, 1, 0.6], rot: [0, 14, 0] },
        legR: { pos: [-0.42, 0.33, 1.05], pole: [-0.15, 1, 0.6], rot: [0, -10, 0] },
        armR: { pos: [-0.12, 2.02, 1.72], pole: [-1, -0.3, -0.3], palm: [0.75, -0.1, -0.6], fing: [0.35, -0.9, 0.25] },
        armL: { pos: [0.26, 2.1, 1.86], pole: [1, -0.1, -0.4], palm: [-0.75, -0.1, -0.55], fing: [-0.45, -0.85, 0.2] },
      },
      handL: { curl: 0.3 },
      handR: { curl: 0.4 },
    },
  },
  'net-mender-pausing': {
    name: 'Net-mender pausing',
    family: 'seated',
    pose: {
      support: 0,
      root: { pos: [0, 0.62, 0], rot: [-18, 0, 0] },
      spine: [14, 0, 4],
      chest: [12, -4, 8],
      neck: [6, 0, 8],
      head: [4, 4, 18],
      ik: {
        legL: { pos: [0.4, 0.33, 1.4], pole: [0.2, 1, 0.3], rot: [0, 10, 0] },
        legR: { pos: [-0.8, 0.35, 3.45], pole: [-0.5, 1, 0], rot: [-62, -30, 0] },
        armR: { pos: [-1.0, 0.14, -1.05], pole: [-0.4, 0.1, -1], palm: [0, -1, -0.1], fing: [-0.6, -0.15, -0.8] },
        armL: { pos: [0.3, 2.02, 1.55], pole: [1, -0.2, -0.2], palm: [0, -1, -0.3], fing: [-0.35, -0.75, 0.55] },
      },
      handL: { curl: 0.25 },
      handR: { curl: 0.05 },
    },
  },
  'archer-turning': {
    name: 'Archer turning',
    family: 'weight shifted',
    pose: {
      root: { pos: [0, 4.06, 0], rot: [2, 0, 3] },
      spine: [8, 2, 16],
      chest: [4, 6, 24],
      neck: [2, 0, 16],
      head: [2, 0, 22],
      clavR: [2, 12],
      shR: [82, -28, 0],
      elR: [28, 20],
      shL: [48, 160, 0],
      elL: [62, 30],
      handL: { curl: 0.5 },
      handR: { curl: 0.2 },
      ik: {
        legR: { pos: [-0.46, 0.33, 0.2], pole: [-0.1, 0, 1], rot: [0, -6, 0] },
        legL: { pos: [0.5, 0.33, -0.35], pole: [0.4, 0, 1], rot: [0, 34, 0] },
      },
    },
  },
  'archer-lunging': {
    name: 'Archer lunging',
    family: 'walking or running',
    pose: {
      root: { pos: [0, 3.02, -0.1], rot: [14, -6, 0] },
      spine: [6, 0, -8],
      chest: [2, 2, -14],
      neck: [-8, 0, 10],
      head: [-8, 0, 12],
      shR: [95, 28, 10],
      elR: [12, 10],
      shL: [74, 138, -10],
      elL: [70, 10],
      handR: { curl: 0.12, spread: 0.7 },
      handL: { curl: 0.85, thumb: 0.7 },
      ik: {
        legL: { pos: [0.42, 0.33, 1.5], pole: [0.15, 0.3, 1], rot: [0, 6, 0] },
        legR: { pos: [-0.5, 0.7, -2.15], pole: [-0.2, -0.3, 1], rot: [46, -20, 0] },
      },
      toeR: 46,
    },
  },
  'drummer-reclining': {
    name: 'Drummer reclining',
    family: 'reclining',
    pose: {
      support: 0,
      root: { pos: [0, 0.7, 0], rot: [0, 0, 78] },
      spine: [4, 24, 0],
      chest: [6, 26, -6],
      neck: [6, 14, 0],
      head: [4, 8, -6],
      clavR: [14, 0],
      ik: {
        legR: { pos: [3.45, 0.3, 0.35], pole: [0, 0.1, 1], rot: [20, 60, 80] },
        legL: { pos: [2.05, 0.34, 0.95], pole: [0, 1, 0.8], rot: [0, 30, 0] },
        armR: { pos: [-1.75, 0.16, 1.15], pole: [-1, -1, -0.2], palm: [0, -1, 0], fing: [0.5, -0.05, 0.85] },
        armL: { pos: [0.62, 1.62, 0.78], pole: [-0.3, 0.5, -1], palm: [-0.1, -1, -0.3], fing: [0.9, -0.35, 0.35] },
      },
      handL: { curl: 0.15 },
      handR: { curl: 0.1 },
    },
  },
  'net-mender-kneeling': {
    name: 'Net-mender kneeling',
    family: 'kneeling or crouching',
    pose: {
      root: { pos: [0, 2.28, 0], rot: [-2, 0, 0] },
      spine: [8, 0, 6],
      chest: [8, 0, 10],
      neck: [8, 0, 6],
      head: [12, 4, 10],
      ik: {
        legR: { pos: [-0.4, 0.24, -1.62], pole: [-0.05, -1, 0.35], rot: [152, -4, 0] },
        legL: { pos: [0.48, 0.33, 1.55], pole: [0.2, 1, 0.6], rot: [0, 8, 0] },
        armL: { pos: [0.42, 2.56, 1.55], pole: [1, 0.2, -0.5], palm: [-0.1, -1, -0.1], fing: [-0.3, -0.65, 0.7] },
        armR: { pos: [-1.0, 2.35, 0.35], pole: [-0.6, 0, -1] },
      },
      handL: { curl: 0.3 },
      handR: { curl: 0.35 },
    },
  },
  'bread-carrier-bending': {
    name: 'Bread-carrier bending',
    family: 'bending',
    pose: {
      root: { pos: [0, 3.92, -0.55], rot: [66, 0, 0] },
      spine: [28, 0, 0],
      chest: [22, 0, 0],
      neck: [10, 0, 0],
      head: [10, 0, 6],
      ik: {
        legR: { pos: [-0.38, 0.33, -0.15], pole: [-0.05, 0, 1], rot: [0, -6, 0] },
        legL: { pos: [0.4, 0.33, 0.2], pole: [0.05, 0, 1], rot: [0, 8, 0] },
        armL: { pos: [0.4, 1.05, 0.95], pole: [1, 0.4, -0.4], palm: [-0.6, 0, -0.8], fing: [-0.1, -1, 0.1] },
        armR: { pos: [-0.42, 0.85, 0.8], pole: [-1, 0.4, -0.4], palm: [0.6, 0, -0.8], fing: [0.1, -1, 0.1] },
      },
      handL: { curl: 0.2 },
      handR: { curl: 0.2 },
    },
  },
  'bell-ringer-stretching': {
    name: 'Bell-ringer stretching',
    family: 'weight shifted',
    pose: {
      root: { pos: [0.12, 4.12, 0], rot: [0, 0, 6] },
      spine: [-4, 4, -4],
      chest: [-8, 6, -8],
      neck: [6, -4, -8],
      head: [6, -4, -12],
      ik: {
        legL: { pos: [0.28, 0.33, -0.08], pole: [0.15, 0, 1], rot: [0, 14, 0] },
        legR: { pos: [-0.48, 0.33, 0.2], pole: [-0.3, 0, 1], rot: [0, -26, 0] },
        armL: {
          rel: 'head',
          pos: [0.4, 0.3, -0.5],
          pole: [1, -0.05, 0.45],
          palm: [-0.2, -0.1, 1],
          fing: [-0.95, 0.1, -0.1],
        },
        armR: {
          rel: 'head',
          pos: [-0.4, 0.22, -0.5],
          pole: [-1, -0.05, 0.45],
          palm: [0.2, -0.1, 1],
          fing: [0.95, 0.1, -0.1],
        },
      },
      handL: { curl: 0.2 },
      handR: { curl: 0.2 },
      clavL: [0, -6],
      clavR: [0, -6],
    },
  },
  'net-mender-hugging-knees': {
    name: 'Net-mender hugging the knees',
    family: 'seated',
    pose: {
      support: 0,
      root: { pos: [0, 0.6, 0], rot: [-18, 0, 0] },
      spine: [28, 0, 0],
      chest: [20, 0, 4],
      neck: [14, 0, 0],
      head: [16, 6, 10],
      ik: {
        legL: { pos: [0.34, 0.33, 1.62], pole: [0.12, 1, 0.3], rot: [0, 6, 0] },
        legR: { pos: [-0.34, 0.33, 1.46], pole: [-0.1, 1, 0.3], rot: [0, -6, 0] },
        armL: { pos: [0.16, 1.34, 2.02], pole: [1, -0.4, -0.3], palm: [-0.3, -0.2, -1], fing: [-1, -0.2, 0.1] },
        armR: { pos: [-0.1, 1.14, 2.0], pole: [-1, -0.4, -0.3], palm: [0.3, 0.1, -1], fing: [1, -0.2, 0.1] },
      },
      handL: { curl: 0.25 },
      handR: { curl: 0.25 },
    },
  },
  'net-mender-on-all-fours': {
    name: 'Net-mender on all fours',
    family: 'kneeling or crouching',
    pose: {
      root: { pos: [0, 2.16, -1.0], rot: [80, 0, 0] },
      spine: [6, 0, 0],
      chest: [2, -4, 8],
      neck: [-14, 0, 0],
      head: [-26, 0, 14],
      ik: {
        legL: { pos: [0.42, 0.24, -2.55], pole: [0.05, -1, 0.4], rot: [158, 4, 0] },
        legR: { pos: [-0.42, 0.24, -2.05], pole: [-0.05, -1, 0.6], rot: [158, -4, 0] },
        armL: { pos: [0.85, 0.15, 1.15], pole: [0.8, 0, -1], palm: [0, -1, 0], fing: [-0.15, -0.1, 1] },
        armR: { pos: [-0.8, 0.15, 1.75], pole: [-0.8, 0, -1], palm: [0, -1, 0], fing: [0.15, -0.1, 1] },
      },
      handL: { curl: 0.05 },
      handR: { curl: 0.05 },
    },
  },
  'bell-ringer-leaning': {
    name: 'Bell-ringer leaning in',
    family: 'reaching or pulling',
    pose: {
      root: { pos: [0, 3.55, 0], rot: [30, 0, 0] },
      spine: [8, 0, 0],
      chest: [4, 2, 6],
      neck: [-6, 0, 0],
      head: [4, 0, -6],
      ik: {
        legL: { pos: [0.4, 0.33, 0.95], pole: [0.1, 0.2, 1], rot: [0, 4, 0] },
        legR: { pos: [-0.42, 0.62, -1.75], pole: [-0.1, -0.2, 1], rot: [34, -10, 0] },
        armL: { pos: [0.62, 5.35, 3.15], pole: [0.9, -0.6, 0], palm: [0, 0, 1], fing: [-0.1, 1, 0.1] },
        armR: { pos: [-0.58, 4.75, 3.15], pole: [-0.9, -0.6, 0], palm: [0, 0, 1], fing: [0.1, 1, 0.1] },
      },
      toeR: 34,
      handL: { curl: 0.08, spread: 0.6 },
      handR: { curl: 0.08, spread: 0.6 },
    },
  },
  'drummer-lying-down': {
    name: 'Drummer lying down',
    family: 'reclining',
    pose: {
      support: 0,
      root: { pos: [0, 0.55, 0], rot: [-86, 0, 0] },
      spine: [2, 0, 0],
      chest: [-4, 0, 0],
      neck: [-10, 0, 4],
      head: [-10, 0, 24],
      shL: [78, 95, 40],
      elL: [40, -20],
      handL: { curl: 0.35 },
      handR: { curl: 0.3 },
      ik: {
        legL: { pos: [0.42, 0.33, 1.55], pole: [0.1, 1, 0.2], rot: [0, 8, 0] },
        legR: { pos: [-0.7, 0.34, 3.4], pole: [-0.4, 1, 0], rot: [-60, -35, 0] },
        armR: { pos: [-0.38, 1.02, -0.75], pole: [-1, -0.1, -0.3], palm: [0.1, -1, 0], fing: [1, -0.1, 0.35] },
      },
    },
  },
  'stilt-walker-balancing': {
    name: 'Stilt-walker balancing',
    family: 'balancing',
    pose: {
      root: { pos: [0, 4.1, 0], rot: [56, 0, 0] },
      spine: [-22, 0, 4],
      chest: [-18, 0, 8],
      neck: [-10, 0, 0],
      head: [-4, 0, 6],
      shR: [112, 20, 0],
      elR: [16, 0],
      shL: [88, 105, 0],
      elL: [18, 0],
      handL: { curl: 0.12, thumb: 0.1 },
      handR: { curl: 0.1, thumb: 0.1 },
      ik: {
        legR: { pos: [-0.05, 0.33, -0.05], pole: [-0.1, 0, 1], rot: [0, -10, 0] },
        legL: { pos: [0.6, 3.55, -3.62], pole: [0.35, -0.8, 0], rot: [132, 8, 0] },
      },
    },
  },
} satisfies Record<string, AuthoredPose>;

export type PoseId = keyof typeof POSES;
