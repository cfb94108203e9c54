import { RAD_PER_DEG, type Vec3 } from '../skeleton/vector';

/** The key light: from which side of the picture it comes and how high it stands. Degrees; azimuth 0 is behind the eye, negative from the left. */
export interface KeyLight {
  azimuthDeg: number;
  elevationDeg: number;
  /** Where it comes from; a studio lamp when missing. */
  source?: LightSource | undefined;
}

/** Kinds of light: a lamp in a studio, a window, a lamp on the floor, a covered sky. */
export const LIGHT_SOURCES = ['studio', 'window', 'lamp from below', 'overcast'] as const;
export type LightSource = (typeof LIGHT_SOURCES)[number];

/** How a source differs from the studio's lamp: its angular radius, and factors on the key and on what comes from sky and ground. */
export const SOURCE: Readonly<Record<LightSource, { radius: number; key: number; sky: number; ground: number }>> = {
  studio: { radius: 0.035, key: 1, sky: 1, ground: 1 },
  window: { radius: 0.2, key: 0.92, sky: 1.5, ground: 1.4 },
  'lamp from below': { radius: 0.05, key: 1, sky: 0.55, ground: 0.9 },
  overcast: { radius: 0.3, key: 0.16, sky: 4.6, ground: 3.4 },
};

/** How high the lamp on the floor stands, degrees. */
const FLOOR_LAMP_DEG = -22;

/** From the upper left, far enough aside that light, core shadow, reflected light and cast shadow stay apart. */
export const STUDIO_LIGHT: KeyLight = { azimuthDeg: -58, elevationDeg: 46 };

/** The material and light a figure is shown in. */
export const LOOKS = ['clay', 'plaster', 'red clay', 'dark clay', 'flat', 'planes', 'solids'] as const;
export type Look = (typeof LOOKS)[number];

/** What a figure is made of in a look. */
export const formOfLook = (look: Look): 'skin' | 'planes' | 'solids' =>
  look === 'planes' || look === 'solids' ? look : 'skin';

/** Unit vector from the figure to the light when the eye is at `viewAzimuthDeg`. */
export function towardLight({ azimuthDeg, elevationDeg, source }: KeyLight, viewAzimuthDeg: number): Vec3 {
  const a = (azimuthDeg + viewAzimuthDeg) * RAD_PER_DEG;
  const e = (source === 'lamp from below' ? FLOOR_LAMP_DEG : elevationDeg) * RAD_PER_DEG;
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
const PAINTS: Record<Exclude<Look, 'planes' | 'solids'>, Paint> = {
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
  'red clay': {
    body: [0.46, 0.2, 0.12],
    cover: [0.16, 0.17, 0.19],
    prop: [0.5, 0.44, 0.36],
    key: [1.3, 1.12, 0.92],
    sky: [0.17, 0.18, 0.2],
    ground: [0.13, 0.09, 0.06],
  },
  'dark clay': {
    body: [0.165, 0.092, 0.058],
    cover: [0.33, 0.33, 0.35],
    prop: [0.4, 0.35, 0.29],
    key: [1.62, 1.42, 1.2],
    sky: [0.28, 0.3, 0.33],
    ground: [0.2, 0.15, 0.11],
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

/** Reflectances and lights of a look, by the light that falls on it. Planes and solids are of plaster. */
export function paintOf(look: Look, source: LightSource = 'studio'): Paint {
  const paint = PAINTS[look === 'planes' || look === 'solids' ? 'plaster' : look];
  const { key, sky, ground } = SOURCE[source];
  const by = (light: Vec3, factor: number): Vec3 => [light[0] * factor, light[1] * factor, light[2] * factor];
  return { ...paint, key: by(paint.key, key), sky: by(paint.sky, sky), ground: by(paint.ground, ground) };
}
