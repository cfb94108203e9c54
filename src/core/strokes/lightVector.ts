import type { LightFrom } from '../practice/rules/pictureCues';

/** Where light comes from across a picture: x to the right, y down; undefined where it comes from the front, and no side lies away from it. */
export function lightVector(from: LightFrom | undefined): readonly [number, number] | undefined {
  switch (from) {
    case 'left':
      return [-1, 0];
    case 'right':
      return [1, 0];
    case 'above':
      return [0, -1];
    case 'upper left':
      return [-1, -1];
    case 'upper right':
      return [1, -1];
    case 'front':
    case undefined:
      return undefined;
  }
}
