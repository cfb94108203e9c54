import type { BuildName } from '../skeleton/buildNames';

/** How somebody's hair is worn, or what covers it. Lengths in head heights of the base figure, angles in degrees. */
export interface HairStyle {
  /** Where the hair comes together or parts: azimuth from the face (0) round to the back (180), and height above the level. */
  pole: readonly [azimuth: number, elevation: number];
  /** Thickness at the hairline, at the middle and toward the pole. */
  thick: readonly [edge: number, middle: number, pole: number];
  /** Height above the level where it ends, by azimuth from the face round to the back: front, temple, before the ear, ear, behind it, nape. */
  line: readonly [front: number, temple: number, sideburn: number, ear: number, behind: number, nape: number];
  /** Locks around the pole, how deep the furrows between them are against the thickness, and how much they wind. */
  locks: number;
  depth: number;
  wave: number;
  /** Lumps instead of locks: how many across the head, 0 for none. */
  curls: number;
  /** How far below the middle of the head it hangs at the sides and the back; 0 where it does not hang. */
  fall: number;
  /** Gathered at the pole. */
  gathered?: 'knot' | 'plait' | 'scarf';
  /** Rolled up along the edge, as a knitted cap is. */
  rim?: number;
}

const OPEN: HairStyle['line'] = [31, 25, -10, 6, -14, -38];

/** Named for what they are. */
export const HAIR_STYLES = {
  'cropped close': {
    pole: [170, 72],
    thick: [0.012, 0.03, 0.034],
    line: OPEN,
    locks: 34,
    depth: 0.35,
    wave: 0.5,
    curls: 0,
    fall: 0,
  },
  'short and swept aside': {
    pole: [35, 66],
    thick: [0.02, 0.075, 0.07],
    line: [33, 28, -12, 6, -12, -36],
    locks: 17,
    depth: 0.5,
    wave: 0.9,
    curls: 0,
    fall: 0,
  },
  'short curls': {
    pole: [175, 75],
    thick: [0.03, 0.075, 0.085],
    line: [31, 26, -10, 8, -12, -34],
    locks: 0,
    depth: 0.6,
    wave: 0,
    curls: 6.5,
    fall: 0,
  },
  'full curls': {
    pole: [175, 75],
    thick: [0.06, 0.2, 0.2],
    line: [29, 20, -12, -14, -30, -42],
    locks: 0,
    depth: 0.5,
    wave: 0,
    curls: 4.6,
    fall: 0,
  },
  receding: {
    pole: [178, 60],
    thick: [0.01, 0.026, 0.004],
    line: [76, 60, 2, 6, -14, -36],
    locks: 30,
    depth: 0.4,
    wave: 0.4,
    curls: 0,
    fall: 0,
  },
  'chin-length': {
    pole: [15, 70],
    thick: [0.03, 0.07, 0.055],
    line: [34, 22, -4, -8, -8, -8],
    locks: 15,
    depth: 0.45,
    wave: 1.1,
    curls: 0,
    fall: 0.66,
  },
  'in a knot': {
    pole: [180, 26],
    thick: [0.016, 0.038, 0.045],
    line: [31, 26, -6, 8, -10, -34],
    locks: 22,
    depth: 0.4,
    wave: 0.25,
    curls: 0,
    fall: 0,
    gathered: 'knot',
  },
  'in a plait': {
    pole: [180, -22],
    thick: [0.018, 0.045, 0.05],
    line: [30, 24, -8, 0, -16, -38],
    locks: 20,
    depth: 0.42,
    wave: 0.3,
    curls: 0,
    fall: 0,
    gathered: 'plait',
  },
  'a headscarf': {
    pole: [180, -30],
    thick: [0.03, 0.05, 0.05],
    line: [27, 18, -4, -10, -30, -44],
    locks: 9,
    depth: 0.3,
    wave: 0.6,
    curls: 0,
    fall: 0,
    gathered: 'scarf',
  },
  'a knitted cap': {
    pole: [175, 86],
    thick: [0.055, 0.06, 0.075],
    line: [24, 20, 14, 12, 4, -8],
    locks: 44,
    depth: 0.12,
    wave: 0,
    curls: 0,
    fall: 0,
    rim: 0.035,
  },
} as const satisfies Record<string, HairStyle>;
export type HairStyleName = keyof typeof HAIR_STYLES;

/** How each of them wears it; who has none is bald. */
export const HAIR: Readonly<Partial<Record<BuildName, HairStyleName>>> = {
  masc: 'short and swept aside',
  fem: 'in a knot',
  lean: 'short curls',
  stocky: 'receding',
  muscular: 'cropped close',
  heavy: 'full curls',
  slight: 'chin-length',
  elder: 'a headscarf',
  strong: 'in a plait',
  small: 'cropped close',
  tall: 'chin-length',
  big: 'a knitted cap',
};
