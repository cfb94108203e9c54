import { clamp } from '../clamp';
import { placeIn, type Rect } from './place';

/** Which cells of a picture hold something to draw from: a square grid over the whole picture, row by row. */
export type Occupied = readonly boolean[];

/** Cells along each side of the grid. */
export const GRID = 32;
/** Fainter than this is a cast shadow or nothing, 0 to 255. */
const SOLID_ALPHA = 140;

/** Returns the cells of a picture that are solid. @param rgba Its pixels, scaled to `GRID` by `GRID`. */
export const occupiedIn = (rgba: Uint8ClampedArray): Occupied =>
  Array.from({ length: GRID * GRID }, (_, i) => rgba[4 * i + 3] >= SOLID_ALPHA);

/** Sizes tried, from the largest. */
const SCALES = [1, 0.95, 0.9, 0.85, 0.8, 0.75, 0.7, 0.65, 0.6];
const LEANS = [0, 0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875, 1];
const HEIGHTS = [0, 0.25, 0.5, 0.75, 1];
/** Covering the whole figure costs as much as losing its size twenty times over: a foot counts. */
const COVERED_COST = 20;
const SHIFT_COST = 0.04;
/** Air around words, CSS pixels. */
const AIR_PX = 6;

/** The share of the solid cells that lie under one of the boxes, 0 to 1. */
export function coveredShare(place: Rect, occupied: Occupied, boxes: readonly Rect[]): number {
  const cell = { width: place.width / GRID, height: place.height / GRID };
  const covered = new Set<number>();
  for (const box of boxes) {
    const left = clamp(Math.floor((box.x - AIR_PX - place.x) / cell.width), 0, GRID);
    const right = clamp(Math.ceil((box.x + box.width + AIR_PX - place.x) / cell.width), 0, GRID);
    const top = clamp(Math.floor((box.y - AIR_PX - place.y) / cell.height), 0, GRID);
    const bottom = clamp(Math.ceil((box.y + box.height + AIR_PX - place.y) / cell.height), 0, GRID);
    for (let row = top; row < bottom; row++)
      for (let column = left; column < right; column++)
        if (occupied[row * GRID + column]) covered.add(row * GRID + column);
  }
  const all = occupied.filter(Boolean).length;
  return all === 0 ? 0 : covered.size / all;
}

/**
 * Finds the place of a picture in which words and digits cover as little of the figure as possible: it is moved first, and made
 * smaller only where that isn't enough.
 * @param lean Where it stands if nothing is in the way: 0 left, 1 right.
 * @param boxes What lies over the picture, in the coordinates of `room`.
 */
export function clearPlace(
  room: Rect,
  picture: { width: number; height: number },
  lean: number,
  occupied: Occupied,
  boxes: readonly Rect[],
): Rect {
  const usual = placeIn(room, picture.width, picture.height, lean);
  if (coveredShare(usual, occupied, boxes) === 0) return usual;
  let best = { place: usual, cost: Infinity };
  for (const scale of SCALES) {
    if (1 - scale >= best.cost) break;
    const [width, height] = [usual.width * scale, usual.height * scale];
    for (const across of [lean, ...LEANS])
      for (const down of HEIGHTS) {
        const place = {
          x: room.x + (room.width - width) * across,
          y: room.y + (room.height - height) * down,
          width,
          height,
        };
        const shift = SHIFT_COST * (Math.abs(across - lean) + Math.abs(down - 0.5));
        if (1 - scale + shift >= best.cost) continue;
        const cost = 1 - scale + shift + COVERED_COST * coveredShare(place, occupied, boxes);
        if (cost < best.cost) best = { place, cost };
      }
  }
  return best.place;
}
