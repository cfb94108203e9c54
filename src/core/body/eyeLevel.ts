import { clamp } from '../clamp';
import { RAD_PER_DEG } from '../figure/skeleton/vector';
import type { BodyPoint } from './points';
import { boundsOf } from './oneBody';

/** Elevations of the eye over the middle of a figure, degrees, at which it is seen from below and from above. */
const EYE_DEG = { below: -3, above: 22 };

type EyeLevel = 'from below' | 'at eye level' | 'from above';

const levelOf = (deg: number): EyeLevel =>
  deg < EYE_DEG.below ? 'from below' : deg > EYE_DEG.above ? 'from above' : 'at eye level';

/**
 * Focal lengths as shares of a picture's longer side: a usual one, and the widest and longest that people are photographed with (24, 35 and
 * 85 mm behind a frame 36 mm wide). The picture doesn't say which it was.
 */
const FOCAL = { usual: 35 / 36, wide: 24 / 36, long: 85 / 36 };

export interface EyeReading {
  eyeLevel: EyeLevel;
  /** How sure, 0 to 1: less where another lens would say otherwise. */
  sure: number;
  why: string;
}

/**
 * How the eye stands to a figure, from where the horizon is: both are angles from the middle of the picture, by the pinhole camera
 * (R. Hartley and A. Zisserman, Multiple View Geometry, 2003, chapter 8: a level horizon is the image of the eye's own level).
 * @param horizon Share of the picture's height from its top; it may lie outside.
 * @param aspect The picture's width over its height.
 */
export function eyeLevelByHorizon(horizon: number, points: readonly BodyPoint[], aspect: number): EyeReading {
  const { top, bottom } = boundsOf(points);
  const elevationDeg = (focal: number): number => {
    const f = focal * Math.max(1, aspect);
    const angle = (y: number): number => Math.atan((y - 0.5) / f);
    return (angle((top + bottom) / 2) - angle(horizon)) / RAD_PER_DEG;
  };
  const [deg, ...ends] = [FOCAL.usual, FOCAL.wide, FOCAL.long].map(elevationDeg);
  const eyeLevel = levelOf(deg);
  const certain = ends.every((end) => levelOf(end) === eyeLevel);
  const [low, high] = ends.map((end) => Math.round(Math.abs(end))).sort((a, b) => a - b);
  return {
    eyeLevel,
    sure: certain
      ? 0.95
      : clamp(0.6 + Math.min(...Object.values(EYE_DEG).map((edge) => Math.abs(deg - edge))) / 40, 0, 0.9),
    why: `the horizon you drew lies ${String(low)} to ${String(high)}° ${deg >= 0 ? 'above' : 'below'} the middle of the figure, by the lens`,
  };
}
