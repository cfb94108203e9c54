import type { Point } from './quad';
import type { SheetBox } from './readingOrder';

/**
 * The two parts of a box on either side of a line, each as tight around its ink as it goes.
 * @param ink Not 0 where there is ink, of a sheet so wide and high.
 * @param from A point of the line, and `to` another: shares of the sheet.
 * @returns undefined where one side has no ink.
 */
export function splitAlong(
  ink: ArrayLike<number>,
  width: number,
  height: number,
  box: SheetBox,
  from: Point,
  to: Point,
): [SheetBox, SheetBox] | undefined {
  const [ax, ay, bx, by] = [from[0] * width, from[1] * height, to[0] * width, to[1] * height];
  const ends = [0, 1].map(() => ({ left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity }));
  const [x0, x1] = [Math.max(0, Math.floor(box.x * width)), Math.min(width, Math.ceil((box.x + box.width) * width))];
  const [y0, y1] = [
    Math.max(0, Math.floor(box.y * height)),
    Math.min(height, Math.ceil((box.y + box.height) * height)),
  ];
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      if (!ink[y * width + x]) continue;
      const side = (bx - ax) * (y + 0.5 - ay) - (by - ay) * (x + 0.5 - ax) > 0 ? 1 : 0;
      const end = ends[side];
      end.left = Math.min(end.left, x);
      end.right = Math.max(end.right, x + 1);
      end.top = Math.min(end.top, y);
      end.bottom = Math.max(end.bottom, y + 1);
    }
  if (ends.some(({ left }) => left === Infinity)) return undefined;
  const [a, b] = ends.map(({ left, top, right, bottom }): SheetBox => ({
    x: left / width,
    y: top / height,
    width: (right - left) / width,
    height: (bottom - top) / height,
  }));
  // The upper one first, of two side by side the left one.
  return a.y + a.height / 2 + (a.x + a.width / 2) / 4 <= b.y + b.height / 2 + (b.x + b.width / 2) / 4 ? [a, b] : [b, a];
}
