import { indexLibrary, search } from '@/core/references/facets';
import type { ReferenceFacts } from '@/core/references/coverage';
import { alikeGroups } from '@/core/references/likeness';
import { pick } from '@/core/references/pick';
import { type Picture, pictureSchema } from '@/core/references/picture';
import { EVERYTHING, toggled } from '@/core/references/query';
import { seededRandom } from '@/core/random';
import { type Row, timesRow } from './row.mjs';

const COUNT = 10_000;
const VIEWS = ['front', 'three-quarter', 'profile', 'back three-quarter', 'back'];
const SIDES = ['left', 'right', 'toward you', 'away'] as const;
const FAMILIES = ['standing even', 'seated', 'reclining', 'bending', 'balancing'];

function library(): Picture[] {
  const random = seededRandom(5);
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  return Array.from({ length: COUNT }, (_, i) =>
    pictureSchema.parse({
      id: `p${String(i)}`,
      setIds: [],
      name: `Picture ${String(i)}.jpg`,
      type: 'image/jpeg',
      widthPx: 900,
      heightPx: 1200,
      hash: i.toString(16).padStart(64, '0'),
      likeness: Array.from({ length: 16 }, () => Math.floor(random() * 16).toString(16)).join(''),
      addedAtMs: i,
      binnedAtMs: null,
      found: {
        view: one(VIEWS),
        facing: one(SIDES),
        family: one(FAMILIES),
        difficulty: String(1 + Math.floor(random() * 5)),
      },
      tags: random() < 0.1 ? ['lanterns'] : [],
    }),
  );
}

function times(runs: number, job: (i: number) => unknown): number[] {
  return Array.from({ length: runs }, (_, i) => {
    const from = performance.now();
    job(i);
    return performance.now() - from;
  });
}

/** Working with ten thousand pictures, median and 95th percentile; the first run, cold, is among them. */
export function referenceRows(): Row[] {
  const pictures = library();
  const pool = pictures.map((p): ReferenceFacts => ({
    id: p.id,
    viewName: p.found.view,
    facing: p.found.facing as ReferenceFacts['facing'],
    family: p.found.family,
    difficulty: Number(p.found.difficulty),
  }));
  const timesDrawn = new Map(pool.filter((_, i) => i % 3 === 0).map((r, i) => [r.id, 1 + (i % 4)]));
  const picks = (['shuffled', 'gentle to hard', 'widen'] as const).flatMap((order) =>
    times(12, (seed) =>
      pick({ pool, count: 60, order, seed, timesDrawn, level: { left: 15, right: 5 }, mirror: true }),
    ),
  );
  const cold = times(1, () => indexLibrary(pictures, () => undefined, 0));
  const index = indexLibrary(pictures, () => undefined, 0);
  const again = times(12, (i) =>
    indexLibrary(
      pictures.map((p, k) => (k === i ? { ...p, tags: ['new'] } : p)),
      () => undefined,
      0,
    ),
  );
  const searches = times(24, (i) =>
    search(index, { ...toggled(EVERYTHING, 'view', VIEWS[i % 5]), text: i % 2 ? 'picture' : '' }),
  );
  const alike = times(3, () => alikeGroups(pictures, () => false));
  return [
    timesRow('pick 60 of 10,000', picks, 30),
    { name: 'lay out 10,000 pictures for searching, first time', value: `${cold[0].toFixed(0)} ms` },
    timesRow('the same after one changed', again),
    timesRow('search 10,000 pictures with all counts', searches, 50),
    timesRow('alike pictures among 10,000 (in a worker)', alike),
  ];
}
