import type { Shown } from '../figure';
import { formOfLook, type KeyLight, type Look, STUDIO_LIGHT } from './light';

/** How a figure is shown: its light, its material, whether it wears close-fitting cover, and how much its bones show. */
export interface Appearance {
  light: KeyLight;
  look: Look;
  covered: boolean;
  /** Covered from the neck to wrists and ankles. */
  suit?: boolean;
  /** From BONES.low, soft, to BONES.high, pronounced; as usual when missing. */
  bones?: number;
}

/** How much bones can be made to show. */
export const BONES = { low: 0, usual: 1, high: 2, step: 0.5 } as const;

/** What a figure is built as to be shown so. */
export const shownAs = ({ look, suit, bones }: Appearance): Omit<Shown, 'part'> => ({
  form: formOfLook(look),
  bones: bones ?? BONES.usual,
  cover: suit ? 'suit' : 'shorts',
});

export const STUDIO: Appearance = { light: STUDIO_LIGHT, look: 'clay', covered: false };

/** The eight directions the key light can come from, degrees from behind the eye, and the heights it can stand at. */
export const LIGHT_DIRECTIONS = [
  { azimuthDeg: 0, name: 'from behind you' },
  { azimuthDeg: 58, name: 'from the right' },
  { azimuthDeg: 90, name: 'from the side, right' },
  { azimuthDeg: 135, name: 'from behind it, right' },
  { azimuthDeg: 180, name: 'from behind it' },
  { azimuthDeg: -135, name: 'from behind it, left' },
  { azimuthDeg: -90, name: 'from the side, left' },
  { azimuthDeg: -58, name: 'from the left' },
] as const;
export const LIGHT_HEIGHTS = [
  { elevationDeg: 14, name: 'low' },
  { elevationDeg: 46, name: 'high' },
  { elevationDeg: 74, name: 'overhead' },
] as const;

/** Tells two appearances apart in a cache; empty for the studio's. */
export function appearanceKey({ light, look, covered, suit, bones = BONES.usual }: Appearance): string {
  const plain =
    light.azimuthDeg === STUDIO_LIGHT.azimuthDeg &&
    light.elevationDeg === STUDIO_LIGHT.elevationDeg &&
    (light.source ?? 'studio') === 'studio' &&
    look === 'clay';
  const lit = plain
    ? ''
    : `?${look},${String(light.azimuthDeg)},${String(light.elevationDeg)}${light.source ? `,${light.source}` : ''}`;
  const built = `${suit ? '+suit' : ''}${bones === BONES.usual ? '' : `+bones${String(bones)}`}`;
  return `${lit}${covered ? '+covered' : ''}${built}`;
}
