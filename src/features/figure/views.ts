import type { View } from '@/core/figure/picture/view';
import type { FigureReference } from '@/core/figure/catalogue/referenceId';

/** Bounds of the camera, degrees: from the floor to well above, from flat to strongly wide. */
const ELEVATION = { low: -15, high: 75 } as const;
export const LENS = { low: 8, high: 80 } as const;
export const TURN_DEG = 15;
export const RAISE_DEG = 10;

const wrap = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;

/** By how much a camera moves, degrees. */
interface Move {
  turnDeg?: number;
  raiseDeg?: number;
  lensDeg?: number;
}

const within = (value: number, { low, high }: { low: number; high: number }): number =>
  Math.max(low, Math.min(high, value));

/** A view turned, raised and with its lens changed, within bounds; between whole degrees too. */
export const viewFrom = (view: View, { turnDeg = 0, raiseDeg = 0, lensDeg = 0 }: Move): View => ({
  azimuthDeg: wrap(view.azimuthDeg + turnDeg),
  elevationDeg: within(view.elevationDeg + raiseDeg, ELEVATION),
  lensDeg: within(view.lensDeg + lensDeg, LENS),
});

/** Whether two views are the same to the degree. */
export const sameView = (a: View, b: View): boolean =>
  Math.abs(wrap(a.azimuthDeg - b.azimuthDeg)) < 1 &&
  Math.abs(a.elevationDeg - b.elevationDeg) < 1 &&
  Math.abs(a.lensDeg - b.lensDeg) < 1;

/** The same of a reference, to whole degrees, as ids have them. */
export function moved(reference: FigureReference, by: Move): FigureReference {
  const { azimuthDeg, elevationDeg, lensDeg } = viewFrom(reference.view, by);
  return {
    ...reference,
    view: {
      azimuthDeg: Math.round(azimuthDeg),
      elevationDeg: Math.round(elevationDeg),
      lensDeg: Math.round(lensDeg),
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
