// Pictures of figures whose truth is known, for measuring what is read from them: tsx pictures.ts SHARE OF OUT_DIR [shipped]
// `shipped`: as they ship, in the middle of an empty plate, rather than in made-up rooms, cut off, in twos and in all lights.
import { mkdirSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { draftPicture } from '@/core/figure/picture/draft';
import { answerKey } from '@/core/figure/facts/answerKey';
import { STUDIO_LIGHT } from '@/core/figure/picture/light';
import { buildFigure } from '@/core/figure/figure';
import { FINE } from '@/core/figure/forms';
import { figureFacts, poseOf, WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import { seededRandom } from '@/core/random';
import { KIT } from '../figures/kit';

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

/** A made-up room behind the figure: wall, floor, a window or a door, so that the ground is not empty. */
function room(width: number, height: number, random: () => number): string {
  const hue = Math.floor(random() * 360);
  const wall = `hsl(${String(hue)} ${String(10 + random() * 25)}% ${String(35 + random() * 50)}%)`;
  const floor = `hsl(${String((hue + 40) % 360)} 20% ${String(25 + random() * 40)}%)`;
  const horizon = height * (0.55 + random() * 0.25);
  const x = random() * width * 0.8;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${String(width)}" height="${String(height)}"><rect width="100%" height="100%" fill="${wall}"/><rect y="${String(horizon)}" width="100%" height="100%" fill="${floor}"/><rect x="${String(x)}" y="${String(height * 0.08)}" width="${String(width * 0.22)}" height="${String(height * 0.4)}" fill="hsl(${String((hue + 180) % 360)} 15% ${String(20 + random() * 60)}%)"/></svg>`;
}

/** So many pictures of nobody. */
const NOBODY = 96;

/** Something in a room that is no person: an animal on four legs, a bird, a chair, a lamp, a coat on a stand, a tree. */
function thing(width: number, height: number, random: () => number): string {
  const at = (x: number, y: number): [string, string] => [(x * width).toFixed(0), (y * height).toFixed(0)];
  const dark = `hsl(${String(Math.floor(random() * 360))} ${String(10 + random() * 30)}% ${String(15 + random() * 35)}%)`;
  const light = `hsl(30 ${String(10 + random() * 30)}% ${String(55 + random() * 30)}%)`;
  const size = 0.5 + random() * 0.5;
  const [x0, floor] = [0.5 + (random() - 0.5) * 0.3, 0.88];
  const line = (x1: number, y1: number, x2: number, y2: number, w: number, color = dark): string => {
    const [[a, b], [c, d]] = [at(x0 + x1 * size, floor - y1 * size), at(x0 + x2 * size, floor - y2 * size)];
    return `<path d="M${a} ${b}L${c} ${d}" stroke="${color}" stroke-width="${(w * size * width).toFixed(0)}" stroke-linecap="round"/>`;
  };
  const blob = (x: number, y: number, rx: number, ry: number, color = dark): string => {
    const [cx, cy] = at(x0 + x * size, floor - y * size);
    return `<ellipse cx="${cx}" cy="${cy}" rx="${(rx * size * width).toFixed(0)}" ry="${(ry * size * height).toFixed(0)}" fill="${color}"/>`;
  };
  const kinds = [
    // Four legs, a neck, a head, a tail.
    () =>
      [-0.22, -0.14, 0.14, 0.22].map((x) => line(x, 0.3, x + 0.02, 0, 0.045)).join('') +
      blob(0, 0.38, 0.28, 0.12) +
      line(0.24, 0.42, 0.34, 0.6, 0.09) +
      blob(0.39, 0.63, 0.09, 0.05) +
      line(-0.28, 0.42, -0.38, 0.28, 0.03),
    // A bird that stands upright.
    () =>
      line(-0.03, 0.12, -0.03, 0, 0.015) +
      line(0.04, 0.12, 0.04, 0, 0.015) +
      blob(0, 0.3, 0.13, 0.2) +
      blob(0.03, 0.56, 0.07, 0.07) +
      line(0.09, 0.56, 0.16, 0.54, 0.02, light) +
      blob(0.01, 0.27, 0.07, 0.14, light),
    // A chair.
    () =>
      [-0.15, 0.15].map((x) => line(x, 0.3, x, 0, 0.03)).join('') +
      line(-0.15, 0.3, 0.15, 0.3, 0.04) +
      line(-0.15, 0.7, -0.15, 0.3, 0.03) +
      line(0.15, 0.7, 0.15, 0.3, 0.03) +
      line(-0.15, 0.6, 0.15, 0.6, 0.05) +
      line(-0.15, 0.48, 0.15, 0.48, 0.03),
    // A standing lamp.
    () => line(0, 0.75, 0, 0, 0.02) + line(-0.1, 0.01, 0.1, 0.01, 0.03) + blob(0, 0.82, 0.13, 0.1, light),
    // A coat on a stand: shoulders, sleeves, nobody in it.
    () =>
      line(0, 0.85, 0, 0, 0.02) +
      blob(0, 0.5, 0.13, 0.25, light) +
      line(-0.12, 0.68, -0.2, 0.4, 0.07, light) +
      line(0.12, 0.68, 0.2, 0.4, 0.07, light) +
      blob(0, 0.86, 0.03, 0.02),
    // A tree.
    () =>
      line(0, 0.45, 0, 0, 0.06) +
      line(0, 0.4, 0.14, 0.55, 0.03) +
      blob(0, 0.66, 0.22, 0.2, light) +
      blob(-0.12, 0.56, 0.12, 0.1, light),
    // Nothing at all.
    () => '',
  ];
  return kinds[Math.floor(random() * kinds.length)]();
}

/** Pictures in which nobody is: rooms with things in them, grainy and more or less bright. */
async function nobody(file: string, seed: number): Promise<void> {
  const random = seededRandom(seed);
  const [w, h] = random() < 0.5 ? [640, 480] : [480, 640];
  const things = Array.from({ length: 1 + Math.floor(random() * 3) }, () => thing(w, h, random)).join('');
  const grain = Buffer.from(Array.from({ length: w * h * 3 }, () => 128 + Math.round((random() - 0.5) * 40)));
  const noise = await sharp(grain, { raw: { width: w, height: h, channels: 3 } })
    .png()
    .toBuffer();
  await sharp(Buffer.from(room(w, h, random).replace('</svg>', `${things}</svg>`)))
    .composite([{ input: noise, blend: 'soft-light' }])
    .blur(0.6)
    .modulate({ brightness: 0.6 + random() * 0.6 })
    .jpeg({ quality: 85 })
    .toFile(`${dir}/${file}`);
}

const plate = (width: number, height: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${String(width)}" height="${String(height)}"><rect width="100%" height="100%" fill="#e9e5dd"/></svg>`;

const truths: Truth[] = [];
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
if (!shipped)
  for (let i = Number(share); i < NOBODY; i += Number(of))
    await nobody(`nobody-${String(i).padStart(3, '0')}.jpg`, 5000 + i);
writeFileSync(`${dir}/truth-${share}.json`, JSON.stringify(truths));
