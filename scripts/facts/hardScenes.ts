// Pictures that are hard in the ways photographs are: one to four people, small or cut off by the edge, in front of one another, among things, dim and grainy.
import { writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { seededRandom } from '@/core/random';
import { grainy, room, thing } from './room';

/** A figure cut out of its picture, with its landmarks in shares of the cut-out. */
export interface CutOut {
  png: Buffer;
  width: number;
  height: number;
  marks: Record<string, [number, number]>;
}

export interface HardTruth {
  file: string;
  /** Those of whom more than half is in the picture and uncovered. */
  people: number;
  /** Of a picture of one: as the points say that tell it. */
  extent?: 'whole' | 'cropped' | 'part';
  /** Height of the smallest person, as a share of the picture's. */
  smallest: number;
}

const ENDS = ['chin', 'left hip point', 'right hip point', 'left knee', 'right knee', 'left ankle', 'right ankle'];

interface Placed {
  cut: CutOut;
  left: number;
  top: number;
  scale: number;
}

const boxOf = ({ cut, left, top, scale }: Placed) => ({
  left,
  top,
  right: left + cut.width * scale,
  bottom: top + cut.height * scale,
});
const areaOf = ({ left, top, right, bottom }: ReturnType<typeof boxOf>): number =>
  Math.max(0, right - left) * Math.max(0, bottom - top);
const shared = (a: ReturnType<typeof boxOf>, b: ReturnType<typeof boxOf>): number =>
  areaOf({
    left: Math.max(a.left, b.left),
    top: Math.max(a.top, b.top),
    right: Math.min(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
  });

function extentOf(placed: Placed, w: number, h: number): HardTruth['extent'] {
  const out = ENDS.filter((name) => {
    const mark = placed.cut.marks[name];
    if (!mark) return false;
    const x = placed.left + mark[0] * placed.cut.width * placed.scale;
    const y = placed.top + mark[1] * placed.cut.height * placed.scale;
    return x < 0 || x > w || y < 0 || y > h;
  });
  return out.length === 0 ? 'whole' : out.some((name) => name.endsWith('hip point')) ? 'part' : 'cropped';
}

/** One scene. @param cuts What may stand in it. @returns The truth of it; the file is written. */
export async function hardScene(dir: string, file: string, seed: number, cuts: readonly CutOut[]): Promise<HardTruth> {
  const random = seededRandom(seed);
  const [w, h] = random() < 0.7 ? [1280, 853] : [853, 1280];
  const wanted = [1, 1, 2, 2, 3, 4][Math.floor(random() * 6)];
  const crop = wanted === 1 && random() < 0.6;
  const placed: Placed[] = [];
  for (let tries = 0; placed.length < wanted && tries < 60; tries++) {
    const cut = cuts[Math.floor(random() * cuts.length)];
    // A crowd stands farther off; one alone may fill the picture and leave it.
    const share = crop ? 0.9 + random() * 1.9 : wanted === 1 ? 0.16 + random() * 0.6 : 0.2 + random() * 0.45;
    const scale = Math.min((share * h) / cut.height, crop ? 9 : (0.9 * w) / cut.width);
    const [cw, ch] = [cut.width * scale, cut.height * scale];
    const left = crop ? (w - cw) * (0.3 + 0.4 * random()) : random() * Math.max(1, w - cw);
    const top = crop ? h * (0.04 + 0.08 * random()) : Math.min(h - ch - 4, h * (0.45 + 0.5 * random()) - ch * 0.6);
    const next = { cut, left, top: Math.max(crop ? -h : 2, top), scale };
    const box = boxOf(next);
    // In front of one another, but no one hidden by more than a third.
    if (placed.some((p) => shared(boxOf(p), box) > 0.33 * Math.min(areaOf(boxOf(p)), areaOf(box)))) continue;
    placed.push(next);
  }
  const things = Array.from({ length: Math.floor(random() * 3) }, () => thing(w, h, random)).join('');
  const layers = await Promise.all(
    placed.map(async ({ cut, left, top, scale }) => {
      const full = { width: Math.round(cut.width * scale), height: Math.round(cut.height * scale) };
      const from = { x: Math.max(0, -Math.round(left)), y: Math.max(0, -Math.round(top)) };
      const size = {
        width: Math.min(full.width - from.x, w - Math.max(0, Math.round(left))),
        height: Math.min(full.height - from.y, h - Math.max(0, Math.round(top))),
      };
      const input = await sharp(cut.png).resize(full.width, full.height, { fit: 'fill' }).png().toBuffer();
      return {
        input: await sharp(input)
          .extract({ left: from.x, top: from.y, ...size })
          .png()
          .toBuffer(),
        left: Math.max(0, Math.round(left)),
        top: Math.max(0, Math.round(top)),
      };
    }),
  );
  const svg = Buffer.from(room(w, h, random).replace('</svg>', `${things}</svg>`));
  const composed = await sharp(svg).composite(layers).png().toBuffer();
  writeFileSync(`${dir}/${file}`, await grainy(composed, w, h, random));
  const extent = placed.length === 1 ? extentOf(placed[0], w, h) : undefined;
  return {
    file,
    people: placed.length,
    ...(extent && { extent }),
    smallest: Math.min(...placed.map((p) => (p.cut.height * p.scale) / h)),
  };
}
