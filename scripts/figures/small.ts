// Small pictures of a share of the sets' views, and their facts: tsx small.ts SHARE OF OUT_DIR; prints catalogue rows as JSON.
import { mkdirSync } from 'node:fs';
import sharp from 'sharp';
import { BUILDS } from '@/core/figure/builds';
import { figureFileName } from '@/core/figure/catalogue';
import { draftPicture } from '@/core/figure/draft';
import { buildFigure } from '@/core/figure/figure';
import { FIRST_FIGURES, figureFacts, poseHeadingDeg, poseOf, SET_FIGURES } from '@/core/figure/reference';

const [share, of, dir, only = ''] = process.argv.slice(2);
/** Dense enough for 320 pixels. */
const FINENESS = { h: 0.045, detail: 0.75 };
for (const folder of ['small', 'covered']) mkdirSync(`${dir}/${folder}`, { recursive: true });
const rows = [];
for (const [i, reference] of SET_FIGURES.entries()) {
  const { poseId, build, view } = reference;
  if (i % Number(of) !== Number(share) || !poseId.includes(only)) continue;
  const { pose, name, family } = poseOf(poseId);
  const figure = buildFigure(pose, BUILDS[build], FINENESS);
  const file = figureFileName(poseId, build, view.azimuthDeg);
  let size: [number, number] = [0, 0];
  for (const covered of [false, true]) {
    const { width, height, data } = draftPicture(figure, view, { longSidePx: 320, ground: false, covered });
    size = [width, height];
    await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } })
      .webp({ quality: 78, alphaQuality: 80, effort: 6 })
      .toFile(`${dir}/${covered ? 'covered' : 'small'}/${file}.webp`);
  }
  rows.push({
    index: i,
    pose: [poseId, name, family, poseHeadingDeg(poseId, build)],
    view: [
      poseId,
      build,
      view.azimuthDeg,
      view.elevationDeg,
      view.lensDeg,
      figureFacts(reference).difficulty,
      ...size,
      FIRST_FIGURES.includes(reference) ? 1 : 0,
    ],
  });
}
console.log(JSON.stringify(rows));
