import { evenLight, type EvenSheet } from './evenLight';
import type { Rgba } from './picture';
import type { Corners } from './quad';
import type { SheetBox } from './readingOrder';
import { straightened } from './straighten';

/** Long side of a straightened sheet, pixels. */
const SHEET_PX = 1600;

/**
 * The sheet between corners straightened and evenly lit.
 * @param corners In pixels of the photograph, as the sheet is to stand.
 * @param aspect Its width over its height, so standing.
 */
export function flatSheet(photo: Rgba, corners: Corners, aspect: number): EvenSheet {
  const width = Math.round(aspect < 1 ? SHEET_PX * aspect : SHEET_PX);
  const height = Math.round(aspect < 1 ? SHEET_PX : SHEET_PX / aspect);
  return evenLight(straightened(photo, corners, width, height));
}

/** What is ink in a box of a sheet, and where the box begins; pixels. */
export interface InkInBox {
  left: number;
  top: number;
  width: number;
  height: number;
  /** Not 0 where there is ink, row by row. */
  mask: Uint8Array;
}

/** The ink in a box. @param ink Of a sheet so wide and high, row by row. */
export function inkInBox(ink: Uint8Array, width: number, height: number, box: SheetBox): InkInBox {
  const [left, top] = [Math.floor(box.x * width), Math.floor(box.y * height)];
  const [w, h] = [Math.floor(box.width * width), Math.floor(box.height * height)];
  const mask = new Uint8Array(w * h);
  for (let y = 0; y < h; y++) mask.set(ink.subarray((top + y) * width + left, (top + y) * width + left + w), y * w);
  return { left, top, width: w, height: h, mask };
}
