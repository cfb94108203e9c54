import type { Vec3 } from './vector';

/** A body type. Scales multiply the base figure's bone lengths (y) and widths (x, z); keys of `s` are bone names without side. */
export interface Build {
  name: string;
  s: Record<string, Vec3>;
  /** Factor on muscle bulges; 1 is the base figure. */
  muscle: number;
  /** 0 lean to 1 heavy. */
  fat: number;
  /** Factor on blend radii between primitives. */
  soft: number;
  breast: number;
  /** 0 masculine to 1 feminine pelvis, waist and face. */
  fem: number;
  /** 0 none, 1 short, 2 tied back. */
  hair: number;
}

export const BUILDS = {
  masc: { name: 'masc', s: {}, muscle: 1, fat: 0.08, soft: 1, breast: 0, fem: 0, hair: 0 },
  fem: {
    name: 'fem',
    muscle: 0.62,
    fat: 0.18,
    soft: 1.3,
    breast: 0.75,
    fem: 1,
    hair: 2,
    s: {
      chest: [0.83, 0.97, 0.89],
      clav: [0.84, 1, 0.9],
      shoulderW: [0.83, 1, 1],
      spine: [0.86, 1, 0.93],
      pelvis: [1.07, 0.98, 1.02],
      hipW: [1.06, 1, 1],
      kneeIn: [0.9, 1, 1],
      uarm: [0.82, 0.96, 0.84],
      farm: [0.84, 0.96, 0.85],
      hand: [0.86, 0.92, 0.88],
      thigh: [1.06, 0.98, 1.04],
      calf: [0.94, 0.98, 0.94],
      foot: [0.88, 0.93, 0.92],
      toe: [0.88, 0.93, 0.92],
      neck: [0.8, 1.0, 0.83],
      head: [0.95, 0.985, 0.965],
    },
  },
  lean: {
    name: 'lean',
    muscle: 0.8,
    fat: 0,
    soft: 0.85,
    breast: 0,
    fem: 0.1,
    hair: 1,
    s: {
      chest: [0.9, 1.02, 0.88],
      clav: [0.93, 1, 0.92],
      shoulderW: [0.93, 1, 1],
      spine: [0.86, 1.04, 0.82],
      pelvis: [0.9, 1, 0.88],
      hipW: [0.93, 1, 1],
      uarm: [0.82, 1.05, 0.84],
      farm: [0.86, 1.05, 0.88],
      hand: [0.95, 1.03, 0.95],
      thigh: [0.86, 1.05, 0.88],
      calf: [0.88, 1.06, 0.88],
      foot: [0.95, 1, 1],
      toe: [0.95, 1, 1],
      neck: [0.88, 1.05, 0.9],
      head: [0.96, 1, 0.97],
    },
  },
  stocky: {
    name: 'stocky',
    muscle: 1.08,
    fat: 0.75,
    soft: 1.3,
    breast: 0.12,
    fem: 0,
    hair: 1,
    s: {
      chest: [1.12, 0.96, 1.14],
      clav: [1.06, 1, 1.08],
      shoulderW: [1.06, 1, 1],
      spine: [1.16, 0.94, 1.22],
      pelvis: [1.08, 0.97, 1.12],
      hipW: [1.06, 1, 1],
      uarm: [1.16, 0.92, 1.16],
      farm: [1.14, 0.92, 1.14],
      hand: [1.08, 0.95, 1.08],
      thigh: [1.12, 0.9, 1.12],
      calf: [1.12, 0.9, 1.12],
      foot: [1.08, 1, 1],
      toe: [1.08, 1, 1],
      neck: [1.16, 0.88, 1.16],
      head: [1.03, 1, 1.03],
    },
  },
} satisfies Record<string, Build>;

export type BuildName = keyof typeof BUILDS;
