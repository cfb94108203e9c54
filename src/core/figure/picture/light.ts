import { RAD_PER_DEG, type Vec3 } from '../skeleton/vector';

/** The key light: from which side of the picture it comes and how high it stands. Degrees; azimuth 0 is behind the eye, negative from the left. */
export interface KeyLight {
  azimuthDeg: number;
  elevationDeg: number;
}

/** From the upper left, far enough aside that light, core shadow, reflected light and cast shadow stay apart. */
export const STUDIO_LIGHT: KeyLight = { azimuthDeg: -58, elevationDeg: 46 };

/** The material and light a figure is shown in. */
export type Look = 'clay' | 'plaster' | 'flat';

/** Unit vector from the figure to the light when the eye is at `viewAzimuthDeg`. */
export function towardLight({ azimuthDeg, elevationDeg }: KeyLight, viewAzimuthDeg: number): Vec3 {
  const a = (azimuthDeg + viewAzimuthDeg) * RAD_PER_DEG;
  const e = elevationDeg * RAD_PER_DEG;
  return [Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e)];
}

interface Paint {
  /** Linear reflectance of the body, its cover and the props. */
  body: Vec3;
  cover: Vec3;
  prop: Vec3;
  /** Radiance of a surface square to the key, and of one lit only from the sky or from the ground, over its reflectance. */
  key: Vec3;
  sky: Vec3;
  ground: Vec3;
}

/** Reflectances and lights of each look, linear. */
export const PAINT: Record<Look, Paint> = {
  clay: {
    body: [0.672, 0.474, 0.328],
    cover: [0.19, 0.2, 0.225],
    prop: [0.624, 0.565, 0.468],
    key: [1.24, 1.09, 0.9],
    sky: [0.14, 0.155, 0.175],
    ground: [0.1, 0.078, 0.056],
  },
  plaster: {
    body: [0.79, 0.775, 0.74],
    cover: [0.4, 0.4, 0.41],
    prop: [0.62, 0.6, 0.57],
    key: [1.06, 1.02, 0.95],
    sky: [0.13, 0.14, 0.155],
    ground: [0.1, 0.088, 0.074],
  },
  /** Nearly even light, so that the form is read from edges rather than shadow. */
  flat: {
    body: [0.75, 0.7, 0.62],
    cover: [0.5, 0.48, 0.45],
    prop: [0.7, 0.66, 0.58],
    key: [0.22, 0.22, 0.21],
    sky: [0.74, 0.74, 0.73],
    ground: [0.58, 0.57, 0.55],
  },
};
