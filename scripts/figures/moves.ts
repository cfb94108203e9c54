// Pictures of the moves of the warm-up, in a suit: tsx moves.ts OUT_DIR
import { mkdirSync } from 'node:fs';
import sharp from 'sharp';
import { buildFigure } from '@/core/figure/figure';
import { FINE } from '@/core/figure/forms';
import { draftPicture, marginsFor, sceneOf, shownPositions } from '@/core/figure/picture/draft';
import { frameFigure } from '@/core/figure/picture/view';
import { BODY_MOVE_POSES } from '@/core/figure/poses/bodyMoves';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { KIT } from './kit';

/** Of a picture's height, how much of it fades away at its lower edge. */
const FADES = 0.22;
function fadeBelow(data: Uint8ClampedArray, width: number, height: number): void {
  for (let y = 0; y < height; y++) {
    const there = Math.min(1, (height - y) / (height * FADES));
    for (let x = 0; x < width; x++) data[(y * width + x) * 4 + 3] *= there;
  }
}

const [dir] = process.argv.slice(2);
mkdirSync(`${dir}/moves`, { recursive: true });
for (const [name, { build, view, part, from, poses }] of Object.entries(BODY_MOVE_POSES)) {
  const figures = poses.map((pose) => buildFigure(KIT, pose, BUILDS[build], FINE, { part, cover: 'suit' }));
  const covered = part === undefined;
  // One frame for all of its poses: nothing moves but the body.
  const all = figures.map((figure) => shownPositions(sceneOf(figure, covered)));
  const low = from ?? -Infinity;
  const together = Float32Array.from(
    all.flatMap((points) => [...points].filter((_, i) => points[i - (i % 3) + 1] > low)),
  );
  const frame = frameFigure(together, view, marginsFor(figures[0], false));
  for (const [i, figure] of figures.entries()) {
    const { width, height, data } = draftPicture(figure, view, { longSidePx: 360, ground: false, covered, frame });
    if (from !== undefined) fadeBelow(data, width, height);
    await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } })
      .webp({ quality: 78, alphaQuality: 80, effort: 6 })
      .toFile(`${dir}/moves/${name}-${String(i + 1)}.webp`);
  }
}
