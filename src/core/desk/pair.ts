import { clamp } from '../clamp';
import type { Point } from './quad';

/** A figure in a picture, pixels: its picture's size and the box around it. */
export interface Pictured {
  width: number;
  height: number;
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** A figure by its edges: points of a picture so wide and high, in one unit. */
export function picturedBy(points: readonly Point[], width: number, height: number): Pictured {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return {
    width,
    height,
    left: Math.min(...xs),
    right: Math.max(...xs),
    top: Math.min(...ys),
    bottom: Math.max(...ys),
  };
}

/** A picture of which nothing is known but its size: all of it is the figure. */
export const whollyPictured = (width: number, height: number): Pictured => ({
  width,
  height,
  left: 0,
  top: 0,
  right: width,
  bottom: height,
});

/** What of a picture is shown, pixels of it. */
export interface Window {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Where a whole picture lies behind its window, in shares of the window: for styles. */
export const behindWindow = (p: Pictured, w: Window): { width: string; height: string; left: string; top: string } => {
  const percent = (share: number): string => `${String(share * 100)}%`;
  return {
    width: percent(p.width / w.width),
    height: percent(p.height / w.height),
    left: percent(-w.left / w.width),
    top: percent(-w.top / w.height),
  };
};

/** Room around a figure, share of its height. */
const MARGIN = 0.07;

/**
 * Windows of one shape on two pictures, in which both figures are as tall, stand on one line and have their middles above each
 * other: side by side they compare, laid over each other they meet.
 */
export function pairWindows(a: Pictured, b: Pictured): { a: Window; b: Window; aspect: number } {
  const tall = ({ top, bottom }: Pictured): number => Math.max(1, bottom - top);
  const wide = (p: Pictured): number => (p.right - p.left) / tall(p);
  const [height, width] = [1 + 2 * MARGIN, Math.max(wide(a), wide(b)) + 2 * MARGIN];
  const windowOf = (p: Pictured): Window => ({
    left: (p.left + p.right) / 2 - (width * tall(p)) / 2,
    top: p.top - MARGIN * tall(p),
    width: width * tall(p),
    height: height * tall(p),
  });
  return { a: windowOf(a), b: windowOf(b), aspect: width / height };
}

/** A place as shares of a figure's width and height, from one as shares of its window, and back. */
export const inFigure = (p: Pictured, w: Window, [u, v]: readonly [number, number]): [number, number] => [
  (w.left + u * w.width - p.left) / (p.right - p.left),
  (w.top + v * w.height - p.top) / (p.bottom - p.top),
];
export const inWindow = (p: Pictured, w: Window, [u, v]: readonly [number, number]): [number, number] => [
  (p.left + u * (p.right - p.left) - w.left) / w.width,
  (p.top + v * (p.bottom - p.top) - w.top) / w.height,
];

/** How a picture is turned while it is looked at. Nothing of it is kept. */
export interface Turned {
  mirrored: boolean;
  /** Quarter turns to the right. */
  quarters: number;
}
export const UPRIGHT: Turned = { mirrored: false, quarters: 0 };

/** Where a place on a turned plate lies in what it shows: both as shares of their sides. Mirrored first, then turned. */
export function unturned({ mirrored, quarters }: Turned, [x, y]: readonly [number, number]): [number, number] {
  let [u, v] = [x, y];
  for (let i = 0; i < quarters; i++) [u, v] = [v, 1 - u];
  return [clamp(mirrored ? 1 - u : u, -1, 2), clamp(v, -1, 2)];
}

/** The same turned once more, or turned over. Four quarters, or two mirrorings, are as it was. */
export const turnedOnce = (t: Turned): Turned => ({ ...t, quarters: (t.quarters + 1) % 4 });
export const turnedOver = (t: Turned): Turned => ({ ...t, mirrored: !t.mirrored });
