import { getStroke } from 'perfect-freehand';
import { type Material, NATURES } from '../hand/ink';
import type { StrokePoint } from '../hand/stroke';
import type { InkStroke } from './inkStroke';

/** Half width of the eraser, millimeters. */
const ERASER_HALF_MM = 4;
/** Long strokes are outlined in pieces of so many places, each beginning so many before the last one's end: what is laid does not change any more. */
const PIECE = 160;
const OVERLAP = 6;

/** What says how broad a stroke lies. */
export type Laid = Pick<InkStroke, 'tool' | 'side'>;

/** Half width of what a tool lays down, millimeters: charcoal lies on its side, the others stand on their points unless they are held flat. */
export function halfMmOf({ tool, side }: Laid): number {
  if (tool === 'eraser') return ERASER_HALF_MM;
  return tool === 'charcoal' || side ? NATURES[tool].broadMm : NATURES[tool].halfMm;
}

/** How dark a stroke lies at full pressure, 0 to 1. */
export const darknessOf = (tool: Material): number => NATURES[tool].darkest;

/** Pressure in the middle of a stroke, 0 to 1. */
export const meanPress = (points: readonly StrokePoint[]): number =>
  points.reduce((sum, [, , , press]) => sum + press, 0) / Math.max(1, points.length);

/**
 * Where a stroke's ink lies: a ring of places around it.
 * @param points Millimeters.
 * @param ended The stroke is over: its end is drawn to a close.
 * @param leastHalfMm It is laid no narrower than this, half of it: on a screen that shows a large sheet small it would not be seen.
 */
export function strokeOutline(
  points: readonly StrokePoint[],
  laid: Laid,
  ended: boolean,
  leastHalfMm = 0,
): (readonly [number, number])[] {
  const half = Math.max(leastHalfMm, halfMmOf(laid));
  return getStroke(
    points.map(([x, y, , press]) => [x, y, press]),
    {
      size: 2 * half,
      thinning: laid.tool === 'eraser' ? 0 : Math.min(1, NATURES[laid.tool].swells),
      smoothing: 0.4,
      // The line lies where the tool was: nothing is drawn after it.
      streamline: 0,
      simulatePressure: false,
      last: ended,
    },
  ).map(([x, y]) => [x, y] as const);
}

/** The pieces a stroke is laid in, as ranges of its places; all but the last are as they stay. */
export function strokePieces(places: number): (readonly [from: number, to: number])[] {
  const pieces: [number, number][] = [];
  for (let from = 0; ; from += PIECE - OVERLAP) {
    const to = Math.min(places, from + PIECE);
    pieces.push([from, to]);
    if (to === places) return pieces;
  }
}

const two = (v: number): string => v.toFixed(2);

/** A ring as an SVG path, millimeters. */
export const ringPath = (ring: readonly (readonly [number, number])[]): string =>
  ring.length === 0 ? '' : `M${ring.map(([x, y]) => `${two(x)} ${two(y)}`).join('L')}Z`;
