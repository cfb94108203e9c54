import type { Rgba } from '@/core/desk/picture';
import { type Corners, homography, mapped, type Point } from '@/core/desk/quad';
import type { SheetBox } from '@/core/desk/readingOrder';
import { answerKey } from '@/core/figure/facts/answerKey';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { poseOf, WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import { COARSE } from '@/core/figure/forms';
import { STUDIO_LIGHT } from '@/core/figure/picture/light';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { seededRandom } from '@/core/random';
import { KIT } from '../core/kit';

/** Pixels of a made sheet for each millimeter. */
const PER_MM = 4;

export interface DrawnSheet {
  width: number;
  height: number;
  widthMm: number;
  heightMm: number;
  /** How dark each pixel is drawn, 0 to 1. */
  ink: Float32Array;
  /** Where the drawings are, shares of the sheet, as it is read. */
  boxes: SheetBox[];
}

/** A stroke of a pencil along a line, a little uneven. */
function stroke(sheet: DrawnSheet, points: readonly Point[], random: () => number): void {
  const { width, height, ink } = sheet;
  const half = 1.6 + random();
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i], points[i + 1]];
    const steps = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1])));
    for (let s = 0; s <= steps; s++) {
      const x = a[0] + ((b[0] - a[0]) * s) / steps;
      const y = a[1] + ((b[1] - a[1]) * s) / steps;
      const press = 0.6 + 0.3 * random();
      for (let v = Math.floor(y - half); v <= y + half; v++)
        for (let u = Math.floor(x - half); u <= x + half; u++)
          if (u >= 0 && v >= 0 && u < width && v < height)
            ink[v * width + u] = Math.max(
              ink[v * width + u],
              press * Math.min(1, Math.max(0, half + 0.5 - Math.hypot(u - x, v - y))),
            );
    }
  }
}

/** A sheet with figures of the sets drawn on it in outline, in up to two rows, apart from each other. */
export function drawnSheet({
  seed,
  figures,
  widthMm,
  heightMm,
}: {
  seed: number;
  figures: number;
  widthMm: number;
  heightMm: number;
}): DrawnSheet {
  const random = seededRandom(seed);
  const [width, height] = [widthMm * PER_MM, heightMm * PER_MM];
  const sheet: DrawnSheet = { width, height, widthMm, heightMm, ink: new Float32Array(width * height), boxes: [] };
  const rows = figures > 3 ? 2 : 1;
  const columns = Math.ceil(figures / rows);
  for (let i = 0; i < figures; i++) {
    const reference = WHOLE_FIGURES[Math.floor(random() * WHOLE_FIGURES.length)];
    const { pose } = poseOf(reference.poseId);
    const key = answerKey(
      referenceFigure(KIT, reference, COARSE),
      pose,
      BUILDS[reference.build],
      reference.view,
      STUDIO_LIGHT,
    );
    const lines = [...key.outline, ...key.inner].map(({ points }) => points);
    const all = lines.flat();
    const [x0, x1] = [Math.min(...all.map(([x]) => x)), Math.max(...all.map(([x]) => x))];
    const [y0, y1] = [Math.min(...all.map(([, y]) => y)), Math.max(...all.map(([, y]) => y))];
    const cell = { w: width / columns, h: height / rows };
    const k = Math.min((cell.w * 0.72) / (x1 - x0), (cell.h * 0.78) / (y1 - y0));
    const left = (i % columns) * cell.w + (cell.w - k * (x1 - x0)) * (0.4 + 0.2 * random());
    const top = Math.floor(i / columns) * cell.h + (cell.h - k * (y1 - y0)) * (0.4 + 0.2 * random());
    for (const line of lines)
      stroke(
        sheet,
        line.map(([x, y]): Point => [left + (x - x0) * k, top + (y - y0) * k]),
        random,
      );
    sheet.boxes.push({
      x: left / width,
      y: top / height,
      width: (k * (x1 - x0)) / width,
      height: (k * (y1 - y0)) / height,
    });
  }
  return sheet;
}

const DESKS = { dark: [52, 50, 54], wood: [142, 100, 64] } as const;

/** A photograph of a sheet: from aslant, on a desk, in uneven light with a soft shadow, and grainy. */
export function photographed(
  sheet: DrawnSheet,
  { seed, desk, width, height }: { seed: number; desk: keyof typeof DESKS; width: number; height: number },
): { photo: Rgba; corners: Corners } {
  const random = seededRandom(seed * 7 + 1);
  const between = (low: number, high: number): number => low + (high - low) * random();
  // A pinhole camera over the desk: tilted, turned, far enough away that the sheet fills most of the picture.
  const [mw, mh] = [sheet.widthMm, sheet.heightMm];
  const focal = 0.6 * Math.hypot(width, height);
  const [tilt, around, roll] = [between(4, 22), between(0, 360), between(-8, 8)].map((deg) => (deg * Math.PI) / 180);
  const axis = [-Math.sin(around), Math.cos(around)];
  const [c, s] = [Math.cos(tilt), Math.sin(tilt)];
  const turned = (x: number, y: number): [number, number, number] => {
    const along = x * axis[0] + y * axis[1];
    const across = x * axis[1] - y * axis[0];
    const u = along * axis[0] + across * c * axis[1];
    const v = along * axis[1] - across * c * axis[0];
    return [u * Math.cos(roll) - v * Math.sin(roll), u * Math.sin(roll) + v * Math.cos(roll), across * s];
  };
  const distance = 1.36 * focal * Math.max(mw / width, mh / height);
  const project = (x: number, y: number): Point => {
    const [u, v, w] = turned(x - mw / 2, y - mh / 2);
    return [width / 2 + (focal * u) / (distance + w), height / 2 + (focal * v) / (distance + w)];
  };
  const corners: Corners = [project(0, 0), project(mw, 0), project(mw, mh), project(0, mh)];
  const back = homography(corners, [
    [0, 0],
    [mw, 0],
    [mw, mh],
    [0, mh],
  ]);
  const [slant, light] = [between(0, 2 * Math.PI), between(0.12, 0.3)];
  const shadow = { x: between(0.2, 0.8), k: between(0.1, 0.25) };
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0; x < width; x++, o += 4) {
      const [u, v] = mapped(back, x + 0.5, y + 0.5);
      const on = u >= 0 && v >= 0 && u < mw && v < mh;
      const grain = 0.96 + 0.08 * random();
      let color: readonly number[] = DESKS[desk].map((channel) => channel * (0.85 + 0.3 * random()));
      if (on) {
        const dark = 1 - 0.78 * sheet.ink[Math.floor(v * PER_MM) * sheet.width + Math.floor(u * PER_MM)];
        color = [240, 236, 226].map((channel) => channel * dark * grain);
      }
      const across = (x / width - 0.5) * Math.cos(slant) + (y / height - 0.5) * Math.sin(slant);
      const shaded = 1 - shadow.k / (1 + Math.exp(-(x / width - shadow.x) * 40));
      for (let k = 0; k < 3; k++) data[o + k] = color[k] * (0.92 - light * across) * shaded + (random() - 0.5) * 8;
      data[o + 3] = 255;
    }
  return { photo: { width, height, data }, corners };
}
