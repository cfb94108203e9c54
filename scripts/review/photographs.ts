// A share of the photographs of `npm run review-truth`: tsx scripts/review/photographs.ts <share> <of> <count>. Prints one line of JSON for each.
import sharp from 'sharp';
import { proposeDrawings } from '@/core/desk/drawings';
import { findSheet } from '@/core/desk/findSheet';
import { flatSheet, inkInBox } from '@/core/desk/flatSheet';
import { inkOf } from '@/core/desk/ink';
import { type Corners, homography, mapped } from '@/core/desk/quad';
import type { SheetBox } from '@/core/desk/readingOrder';
import { sheetDoubts, sheetShape } from '@/core/desk/sheet';
import { referenceKey } from '@/core/figure/catalogue/referenceKey';
import { WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import type { AnswerKey } from '@/core/figure/facts/answerKey';
import type { HandTask } from '@/core/hand/draw';
import { MATERIALS } from '@/core/hand/ink';
import { pageByHand } from '@/core/hand/page';
import { DESKS, type PaperTone, photographOf } from '@/core/hand/photograph';
import { compare } from '@/core/measure/compare';
import { placesSeen, TAPPED_SIGMA } from '@/core/measure/drawn';
import { fitPlaces } from '@/core/measure/fitPlaces';
import type { Place, PlaceName } from '@/core/measure/places';
import { gaussian, seededRandom } from '@/core/random';
import { KIT } from '../figures/kit';

const [share, of, count] = process.argv.slice(2, 5).map(Number);
const FIRST_SEED = 5000;
const MANNERS = ['flowing', 'contour', 'block-in', 'hatching'] as const;
const TONES: readonly PaperTone[] = ['white', 'cream', 'white', 'gray', 'white', 'tan'];
const PAPERS = [
  [210, 297],
  [297, 420],
  [297, 210],
  [148, 210],
] as const;

const shared = (a: SheetBox, b: SheetBox): number => {
  const w = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const h = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  return w <= 0 || h <= 0 ? 0 : (w * h) / (a.width * a.height + b.width * b.height - w * h);
};

/** As the Desk looks at a photograph: its longer side at most so long. */
const PHOTO_PX = 2048;

async function review(i: number): Promise<unknown> {
  const random = seededRandom(FIRST_SEED + i);
  const between = (low: number, high: number): number => low + (high - low) * random();
  const gauss = (): number => gaussian(random);
  const [widthMm, heightMm] = PAPERS[i % PAPERS.length];
  const drawings = Array.from({ length: 1 + (i % 3) }, (_, k): HandTask & { key: AnswerKey } => {
    const reference = WHOLE_FIGURES[Math.floor(random() * WHOLE_FIGURES.length)];
    const key = referenceKey(KIT, reference);
    const errors = {
      head: between(-0.08, 0.2),
      legs: between(-0.1, 0.06),
      waist: between(-0.1, 0.1),
      tilts: between(0.5, 1.1),
      shaky: between(0.001, 0.004),
      scratchy: between(0, 0.4),
    };
    return { key, manner: MANNERS[(i + k) % MANNERS.length], drawMs: 60_000, seed: i * 10 + k, errors };
  });
  const material = MATERIALS[(i >> 1) % MATERIALS.length];
  const page = pageByHand({ widthMm, heightMm, perMm: 6, material, drawings, seed: i });
  const lying = widthMm > heightMm;
  // Every fourth is of 12 megapixels.
  const long = i % 4 === 0 ? 4032 : 2016;
  const [width, height] = lying ? [long, (long * 3) / 4] : [(long * 3) / 4, long];
  const trouble = i % 5 === 3 ? 'curled' : i % 5 === 4 ? 'hard shadow' : 'none';
  const desk = DESKS[i % DESKS.length];
  const whole = photographOf({
    page,
    tone: TONES[i % TONES.length],
    desk,
    width,
    height,
    seed: i,
    curl: trouble === 'curled' ? between(0.004, 0.012) : 0,
    shadow: trouble === 'hard shadow' ? between(0.25, 0.5) : 0,
  });
  const started = process.cpuUsage();
  const k = Math.min(1, PHOTO_PX / Math.max(width, height));
  const { data, info } = await sharp(whole.photo.data, { raw: { width, height, channels: 4 } })
    .resize(Math.round(width * k), Math.round(height * k))
    .raw()
    .toBuffer({ resolveWithObject: true });
  const photo = { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
  const corners = whole.corners.map(([x, y]) => [x * k, y * k] as const) as unknown as Corners;
  const { candidates, bow } = findSheet(photo);
  const doubts = sheetDoubts(candidates, bow);
  const diagonal = Math.hypot(photo.width, photo.height);
  const found = candidates.at(0)?.corners;
  const off = found
    ? Math.max(...found.map(([x, y], c) => Math.hypot(x - corners[c][0], y - corners[c][1]))) / diagonal
    : 1;
  const result = { i, desk, trouble, material, megapixels: (width * height) / 1e6, off, doubts: doubts.length };
  if (!found || off > 0.03) return { ...result, drawings: [], of: drawings.length };
  const { aspect } = sheetShape(found, photo.width, photo.height);
  const flat = flatSheet(photo, found, aspect);
  const { width: w, height: h } = flat.picture;
  const ink = inkOf(flat);
  const { boxes } = proposeDrawings(ink, w, h, drawings.length);
  const used = process.cpuUsage(started);
  const ms = (used.user + used.system) / 1000;
  // From the made sheet to the straightened one, through the true corners: what is left of the sheet's error counts.
  const toPhoto = homography(
    [
      [0, 0],
      [page.sheet.width, 0],
      [page.sheet.width, page.sheet.height],
      [0, page.sheet.height],
    ],
    corners,
  );
  const toFlat = homography(found, [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ]);
  const measured = page.drawings.map((truth, d) => {
    const { key, manner } = drawings[d];
    const best = boxes.reduce<SheetBox | undefined>(
      (a, b) => (!a || shared(b, truth.box) > shared(a, truth.box) ? b : a),
      undefined,
    );
    if (!best || shared(best, truth.box) < 0.4) return { manner, cut: best ? shared(best, truth.box) : 0, values: [] };
    const inBox = inkInBox(ink, w, h, best);
    const { left, top } = inBox;
    const fitted = fitPlaces(key, inBox);
    const seen = placesSeen(key, false);
    const was = new Map<PlaceName, Place>();
    for (const name of seen.keys()) {
      const [x, y] = truth.places.get(name) as readonly [number, number];
      // A curled sheet has no one truth in the flat: there the drawing's own places stand.
      const [u, v] =
        trouble === 'curled'
          ? [(x / page.sheet.width) * w, (y / page.sheet.height) * h]
          : mapped(toFlat, ...mapped(toPhoto, x, y));
      was.set(name, { at: [u - left, v - top], sigma: 0 });
    }
    const is = compare(seen, fitted ? new Map([...fitted.places].filter(([name]) => was.has(name))) : new Map());
    // The same by hand: every point tapped with the error a magnifier leaves.
    const height = best.height * h;
    const tapped = new Map(
      [...was].map(([name, { at }]): [PlaceName, Place] => {
        const sigma = TAPPED_SIGMA * height;
        return [name, { at: [at[0] + sigma * gauss(), at[1] + sigma * gauss()], sigma }];
      }),
    );
    const byHand = compare(seen, tapped);
    const values = compare(seen, was).flatMap(({ measure, off: true_ }) => {
      const one = is.find((c) => c.measure.id === measure.id);
      const hand = byHand.find((c) => c.measure.id === measure.id);
      return one && hand
        ? [
            {
              id: measure.id,
              unit: measure.unit,
              error: one.off.value - true_.value,
              sigma: one.off.sigma,
              handError: hand.off.value - true_.value,
              handSigma: hand.off.sigma,
            },
          ]
        : [];
    });
    return { manner, cut: shared(best, truth.box), met: fitted?.inkMet ?? 0, values };
  });
  return { ...result, ms, boxes: boxes.length, of: drawings.length, drawings: measured };
}

for (let i = share; i < count; i += of) console.log(JSON.stringify(await review(i)));
