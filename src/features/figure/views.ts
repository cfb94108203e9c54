import type { FigureReference } from '@/core/figure/catalogue/referenceId';

/** Bounds of the camera, degrees: from the floor to well above, from flat to strongly wide. */
const ELEVATION = { low: -15, high: 75 } as const;
export const LENS = { low: 8, high: 80 } as const;
export const TURN_DEG = 15;
export const RAISE_DEG = 10;

const wrap = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;
const bounded = (value: number, low: number, high: number): number => Math.max(low, Math.min(high, Math.round(value)));

/** A view turned, raised and with its lens changed, within bounds. */
export function moved(
  reference: FigureReference,
  by: { turnDeg?: number; raiseDeg?: number; lensDeg?: number },
): FigureReference {
  const { view } = reference;
  return {
    ...reference,
    view: {
      azimuthDeg: Math.round(wrap(view.azimuthDeg + (by.turnDeg ?? 0))),
      elevationDeg: bounded(view.elevationDeg + (by.raiseDeg ?? 0), ELEVATION.low, ELEVATION.high),
      lensDeg: bounded(view.lensDeg + (by.lensDeg ?? 0), LENS.low, LENS.high),
    },
  };
}

/** Eye levels that follow each other from one view to the next. */
const LEVELS = [6, 28, -8, 14];

/** Another view of the same pose: on around it by a step that meets every side, at another eye level. */
export function anotherView(reference: FigureReference): FigureReference {
  const { view } = reference;
  const level = LEVELS.findIndex((e) => Math.abs(e - view.elevationDeg) < 3);
  return {
    ...reference,
    view: {
      ...view,
      azimuthDeg: wrap(view.azimuthDeg + 75),
      elevationDeg: LEVELS[(level + 1) % LEVELS.length],
    },
  };
}
