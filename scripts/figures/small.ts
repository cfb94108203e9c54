// Small pictures of a share of the sets' views: tsx small.ts SHARE OF OUT_DIR [name part]
import { mkdirSync } from 'node:fs';
import sharp from 'sharp';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { hasCover } from '@/core/figure/catalogue/families';
import { figureFileName } from '@/core/figure/catalogue/catalogue';
import { draftPicture } from '@/core/figure/picture/draft';
import { FINE } from '@/core/figure/forms';
import { poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { KIT } from './kit';

const [share, of, dir, only = ''] = process.argv.slice(2);
for (const folder of ['small', 'covered']) mkdirSync(`${dir}/${folder}`, { recursive: true });
for (const [i, { poseId, build, view }] of SET_FIGURES.entries()) {
  if (i % Number(of) !== Number(share) || !poseId.includes(only)) continue;
  const figure = referenceFigure(KIT, { poseId, build }, FINE);
  const file = figureFileName(poseId, build, view.azimuthDeg);
  for (const covered of hasCover(poseOf(poseId).family) ? [false, true] : [false]) {
    const { width, height, data } = draftPicture(figure, view, { longSidePx: 320, ground: false, covered });
    await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } })
      .webp({ quality: 75, alphaQuality: 65, effort: 6 })
      .toFile(`${dir}/${covered ? 'covered' : 'small'}/${file}.webp`);
  }
}
