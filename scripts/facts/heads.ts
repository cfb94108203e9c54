// Heads alone, from all sides, before made-up rooms: tsx heads.ts SHARE OF OUT_DIR
import { writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { draftPicture } from '@/core/figure/picture/draft';
import { figureFacts } from '@/core/figure/catalogue/reference';
import { type BuildName, BUILDS } from '@/core/figure/skeleton/builds';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { FINE } from '@/core/figure/forms';
import { seededRandom } from '@/core/random';
import { KIT } from '../figures/kit';
import { grainy, room } from './room';

export interface HeadTruth {
  file: string;
  viewName: string;
  facing: string;
  lightAzimuthDeg: number;
}

const [share, of, dir] = process.argv.slice(2);
const AZIMUTHS = [-150, -105, -75, -45, -20, 0, 20, 45, 75, 105, 150, 180];
const POSES = ['head-level', 'head-bowed', 'head-raised', 'head-turned', 'head-tilted'];
const BUILT = Object.keys(BUILDS) as BuildName[];
/** So many heads were looked at while the rules were made, and as many more are measured once at the end. */
const HEADS = 8;
const truths: HeadTruth[] = [];
for (let i = Number(share); i < 2 * HEADS; i += Number(of)) {
  const reference = { poseId: POSES[i % POSES.length], build: BUILT[i % BUILT.length] };
  for (const [k, turned] of AZIMUTHS.entries()) {
    const random = seededRandom(70_000 + 100 * i + k);
    const view = { lensDeg: 26, azimuthDeg: turned + Math.round((random() - 0.5) * 10), elevationDeg: 4 };
    const figure = referenceFigure(KIT, reference, FINE);
    const light = { azimuthDeg: [-60, 60, 20][k % 3], elevationDeg: 40 };
    const pixels = draftPicture(figure, view, { longSidePx: 520, light, look: 'clay', covered: false, ground: false });
    const { width, height } = pixels;
    const head = await sharp(Buffer.from(pixels.data.buffer), { raw: { width, height, channels: 4 } })
      .png()
      .toBuffer();
    // The neck leaves the picture at its lower edge.
    const [w, h] = [Math.round(width * 1.3), Math.round(height * 1.06)];
    const composed = await sharp(Buffer.from(room(w, h, random)))
      .composite([{ input: head, left: Math.round((w - width) / 2), top: h - height }])
      .png()
      .toBuffer();
    const file = `${i < HEADS ? 'head' : 'headunseen'}-${String(i * AZIMUTHS.length + k).padStart(3, '0')}.jpg`;
    writeFileSync(`${dir}/${file}`, await grainy(composed, w, h, random));
    const { viewName, facing } = figureFacts({ ...reference, view });
    truths.push({ file, viewName, facing, lightAzimuthDeg: light.azimuthDeg });
  }
}
writeFileSync(`${dir}/heads-${share}.json`, JSON.stringify(truths));
