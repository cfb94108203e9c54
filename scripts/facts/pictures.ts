// Pictures of figures whose truth is known, for measuring what is read from them: tsx pictures.ts SHARE OF OUT_DIR [shipped]
// `shipped`: as they ship, in the middle of an empty plate, rather than in made-up rooms, cut off, in twos and in all lights.
import { mkdirSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { draftPicture } from '@/core/figure/picture/draft';
import { type AnswerKey, answerKey } from '@/core/figure/facts/answerKey';
import { STUDIO_LIGHT } from '@/core/figure/picture/light';
import { buildFigure } from '@/core/figure/figure';
import { FINE } from '@/core/figure/forms';
import { figureFacts, poseOf, WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import { seededRandom } from '@/core/random';
import { KIT } from '../figures/kit';
import { type CutOut, hardScene, type HardTruth } from './hardScenes';
import { grainy, room, thing } from './room';

export interface Truth {
  file: string;
  poseId: string;
  family: string;
  viewName: string;
  facing: string;
  elevationDeg: number;
  difficulty: number;
  extent: 'whole' | 'cropped';
  people: number;
  shouldersDeg: number;
  hipsDeg: number;
  endOn: boolean;
  foreshortening: number;
  /** Where the key light comes from. */
  lightAzimuthDeg: number;
  flat: boolean;
  /** Landmarks in shares of the picture. */
  marks: Record<string, [number, number]>;
  /** Names of those that nothing covers. */
  uncovered: string[];
}

const [share, of, dir, how] = process.argv.slice(2);
const shipped = how === 'shipped';
const LONG_SIDE = 640;
const ELEVATIONS = [6, -14, 8, 34, 4, 52];
mkdirSync(dir, { recursive: true });

/** So many pictures of nobody. */
const NOBODY = 192;

/** Pictures in which nobody is: rooms with things in them, grainy and more or less bright. */
async function nobody(file: string, seed: number): Promise<void> {
  const random = seededRandom(seed);
  const large = seed % 2 === 0 ? 2 : 1;
  const [w, h] = (random() < 0.5 ? [640, 480] : [480, 640]).map((px) => px * large);
  const things = Array.from({ length: 1 + Math.floor(random() * 3) }, () => thing(w, h, random)).join('');
  writeFileSync(
    `${dir}/${file}`,
    await grainy(Buffer.from(room(w, h, random).replace('</svg>', `${things}</svg>`)), w, h, random),
  );
}

const plate = (width: number, height: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${String(width)}" height="${String(height)}"><rect width="100%" height="100%" fill="#e9e5dd"/></svg>`;

/** So many hard scenes that were looked at while the rules were made, and twice as many that were measured once at the end. */
const HARD = 96;
const UNSEEN_SEEDS = [170_000, 171_000];

/** A figure without what is empty around it. */
async function cutOut(png: Buffer, key: AnswerKey): Promise<CutOut> {
  const { data, info } = await sharp(png).trim({ threshold: 0 }).toBuffer({ resolveWithObject: true });
  const { width: whole, height: tall } = await sharp(png).metadata();
  const [left, top] = [-(info.trimOffsetLeft ?? 0), -(info.trimOffsetTop ?? 0)];
  const share = ([x, y]: readonly [number, number]): [number, number] => [
    ((x / key.width) * whole - left) / info.width,
    ((y / key.height) * tall - top) / info.height,
  ];
  const marks = Object.fromEntries(key.marks.map((m) => [m.name, share(m.at)]));
  return { png: data, width: info.width, height: info.height, marks };
}

const truths: Truth[] = [];
const cuts: CutOut[] = [];
for (const [i, { poseId, build, view: shown }] of WHOLE_FIGURES.entries()) {
  if (i % Number(of) !== Number(share)) continue;
  const random = seededRandom(i + 1);
  const view = shipped ? shown : { ...shown, elevationDeg: ELEVATIONS[i % ELEVATIONS.length] };
  const pose = poseOf(poseId).pose;
  const figure = buildFigure(KIT, pose, BUILDS[build], FINE);
  const light = shipped
    ? STUDIO_LIGHT
    : { azimuthDeg: [-70, 70, -45, 45, 0, 150][i % 6], elevationDeg: 30 + 30 * random() };
  const flat = !shipped && i % 5 === 4;
  const covered = !shipped && i % 2 === 0;
  const look = shipped ? 'clay' : flat ? ('flat' as const) : (['clay', 'plaster'] as const)[i % 2];
  const pixels = draftPicture(figure, view, { longSidePx: LONG_SIDE, light, look, covered, ground: true });
  const key = answerKey(figure, pose, BUILDS[build], view, light, { covered });
  const cropped = !shipped && i % 9 === 5;
  const people = !shipped && i % 12 === 7 ? 2 : 1;
  const { width, height } = pixels;
  const cut = sharp(Buffer.from(pixels.data.buffer), { raw: { width, height, channels: 4 } }).png();
  const one = await cut.toBuffer();
  if (!shipped) cuts.push(await cutOut(one, key));
  const w = width * people;
  const h = cropped
    ? Math.round(key.top * (height / key.height) + (key.bottom - key.top) * (height / key.height) * 0.6)
    : height;
  const composed = await sharp(Buffer.from(shipped ? plate(w, height) : room(w, height, random)))
    .composite(Array.from({ length: people }, (_, k) => ({ input: one, left: k * width, top: 0 })))
    .png()
    .toBuffer();
  const file = `${String(i).padStart(3, '0')}.jpg`;
  await sharp(composed)
    .extract({ left: 0, top: 0, width: w, height: h })
    .jpeg({ quality: 88 })
    .toFile(`${dir}/${file}`);
  const facts = figureFacts({ poseId, build, view });
  truths.push({
    file,
    poseId,
    family: facts.family,
    viewName: facts.viewName,
    facing: facts.facing,
    elevationDeg: view.elevationDeg,
    difficulty: facts.difficulty,
    extent: cropped ? 'cropped' : 'whole',
    people,
    shouldersDeg: key.shoulders.deg,
    hipsDeg: key.hips.deg,
    endOn: key.shoulders.endOn || key.hips.endOn,
    foreshortening: key.foreshortening,
    lightAzimuthDeg: light.azimuthDeg,
    flat,
    uncovered: key.marks.filter(({ visible, findable }) => findable ?? visible).map(({ name }) => name),
    marks: Object.fromEntries(
      key.marks.map((m) => [m.name, [(m.at[0] / key.width) * (1 / people), (m.at[1] / key.height) * (height / h)]]),
    ),
  });
}
const hard: HardTruth[] = [];
const number = (i: number): string => String(i).padStart(3, '0');
if (!shipped) {
  for (let i = Number(share); i < NOBODY; i += Number(of)) await nobody(`nobody-${number(i)}.jpg`, 5000 + i);
  for (let i = Number(share); i < HARD; i += Number(of)) {
    hard.push(await hardScene(dir, `hard-${number(i)}.jpg`, 20_000 + i, cuts));
    for (const [set, seed] of UNSEEN_SEEDS.entries())
      hard.push(await hardScene(dir, `unseen-${String(set)}-${number(i)}.jpg`, seed + i, cuts));
  }
}
writeFileSync(`${dir}/hard-${share}.json`, JSON.stringify(hard));
writeFileSync(`${dir}/truth-${share}.json`, JSON.stringify(truths));
