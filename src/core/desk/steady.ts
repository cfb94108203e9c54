import { apart } from '../plane';
import type { Corners } from './quad';

/** One look at what the camera shows. */
export interface Look {
  atMs: number;
  /** Of the sheet, shares of the picture; undefined where none is seen. */
  corners: Corners | undefined;
  /** How well the worst of its sides is seen, 0 to 1, and how far they are bowed. */
  worstSide: number;
  bow: number;
  sharpness: number;
}

/** What the sheet has to do yet before it is taken. */
export type Waiting = 'no sheet' | 'half seen' | 'moving' | 'curled' | 'blurred' | 'holding' | 'take';

/** Corners that move no more than this between looks are still, share of the picture. */
const STILL = 0.012;
/** It is taken once it was still for so long, and looked at so often. */
const HELD_MS = 900;
const LOOKS = 3;
const WELL_SEEN = 0.5;
const FLAT = 0.45;
/** Of the sharpest look of the last seconds. */
const SHARP_ENOUGH = 0.7;
const REMEMBERED_MS = 8000;

/** How far the corner that moved the most has moved. */
const moved = (a: Corners, b: Corners): number => Math.max(...a.map((corner, i) => apart(corner, b[i])));

/** Looks that still matter, with one more. */
export const looksWith = (looks: readonly Look[], look: Look): Look[] => [
  ...looks.filter(({ atMs }) => look.atMs - atMs < REMEMBERED_MS),
  look,
];

/** Whether a sheet is flat, sharp and still enough to be taken, by the last looks at it, the oldest first. */
export function waitingFor(looks: readonly Look[]): Waiting {
  const last = looks.at(-1);
  if (!last?.corners) return 'no sheet';
  if (last.worstSide < WELL_SEEN) return 'half seen';
  let since = last;
  let held = 1;
  for (let i = looks.length - 2; i >= 0; i--) {
    const before = looks[i];
    if (!before.corners || moved(before.corners, last.corners) > STILL) break;
    since = before;
    held++;
  }
  if (held < 2) return 'moving';
  if (last.bow > FLAT) return 'curled';
  const sharpest = Math.max(...looks.map(({ sharpness }) => sharpness));
  if (last.sharpness < SHARP_ENOUGH * sharpest) return 'blurred';
  return held >= LOOKS && last.atMs - since.atMs >= HELD_MS ? 'take' : 'holding';
}

/** What to say of it. */
export const WAITING_WORDS: Record<Waiting, string> = {
  'no sheet': 'Hold the camera over the sheet until all four corners are in the picture.',
  'half seen': 'One edge is hard to see: a darker table under the sheet helps, or a little more of it in the picture.',
  moving: 'Hold it still.',
  curled: 'The sheet is curled: press it flat, or take it as it is.',
  blurred: 'It is blurred: a little farther away, or more light.',
  holding: 'Still and sharp. A moment.',
  take: 'Taken.',
};
