import { readFileSync, statSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { buildFigure, type Figure } from '@/core/figure/figure';
import { COARSE, FINE } from '@/core/figure/forms';
import { poseBody } from '@/core/figure/posedBody';
import { bodyKit } from '@/core/figure/mesh/kit';
import { draftPicture } from '@/core/figure/picture/draft';
import { answerKey } from '@/core/figure/facts/answerKey';
import { STUDIO_LIGHT } from '@/core/figure/picture/light';
import { figureFacts, poseOf, WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import { AIMS } from '@/core/practice/start/aims';
import type { Aim } from '@/core/practice/start/aimIds';
import { fitPlan, SHAPES } from '@/core/practice/fit/fit';
import { refit } from '@/core/practice/fit/refit';
import { proposePlan } from '@/core/practice/start/propose';
import { expandPlan } from '@/core/practice/time/timeline';
import { manyFiles } from './manyFiles';
import { KIT } from '../figures/kit';
import { referenceRows } from './references';
import { varietyRows } from './variety';
import { threeHours } from './threeHours';
import { against, limited, quantile, type Row, timesRow } from './row.mjs';

const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)];

function timeMs(runs: number, job: () => unknown): number {
  job();
  return median(
    Array.from({ length: runs }, () => {
      const from = performance.now();
      job();
      return performance.now() - from;
    }),
  );
}

/** Laying out a three-hour plan, against parsing the same plan from JSON. */
function planExpansion(): Row {
  const references = Array.from({ length: 30 }, (_, i) => ({ id: `r${i}` }));
  const history = { facings: { left: 0, right: 0 }, timesDrawn: new Map<string, number>() };
  const plan = proposePlan({ availableMs: 180 * 60_000, references, history, seed: 1 });
  const text = JSON.stringify(plan);
  const many = (job: () => unknown) => (): void => {
    for (let i = 0; i < 500; i++) job();
  };
  const expandMs = timeMs(
    9,
    many(() => expandPlan(plan)),
  );
  const parseMs = timeMs(
    9,
    many(() => JSON.parse(text)),
  );
  return against('expand a 3 h plan, 500 times', expandMs, 'JSON.parse of it', parseMs, 1);
}

/** Times of a job over some inputs, milliseconds; the first round compiles and does not count. */
function timesOver<T>(inputs: readonly T[], rounds: number, job: (input: T) => unknown): number[] {
  inputs.forEach(job);
  return Array.from({ length: rounds }, () => inputs)
    .flat()
    .map((input) => {
      const from = performance.now();
      job(input);
      return performance.now() - from;
    });
}
/** Fitting a three-hour plan for every aim and run of lengths, and fitting that plan into two thirds of its time. */
function fitting(): Row[] {
  const requests = (Object.keys(AIMS) as Aim[]).flatMap((aim) =>
    SHAPES.map((shape) => ({ availableMs: 180 * 60_000, aim, shape, setId: 's', seed: 1 })),
  );
  const fit = timesOver(requests, 6, fitPlan);
  const { recipe } = fitPlan(requests[0]);
  const again = timesOver([recipe], 12, (r) => refit(r, 120 * 60_000));
  return [
    timesRow('fit three hours, every aim and run', fit, 20),
    timesRow('fit what is here: 3 h into 2 h', again, 100),
  ];
}

/** Milliseconds of processor time of a job, the least of a few runs. */
function cpuMs(runs: number, job: () => unknown): number {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const before = process.cpuUsage();
    job();
    const { user, system } = process.cpuUsage(before);
    least = Math.min(least, (user + system) / 1000);
  }
  return least;
}

/** A median in words and as a number. */
function medianOf(times: number[]): [words: string, value: number] {
  const value = quantile(times, 0.5);
  return [`${value.toFixed(0)} ms (p95 ${quantile(times, 0.95).toFixed(0)})`, value];
}

/** Surfaces, drafts and facts over a spread of the sets. */
function figures(): Row[] {
  const some = WHOLE_FIGURES.filter((_, i) => i % 9 === 0).map((reference) => ({
    reference,
    pose: poseOf(reference.poseId).pose,
    build: BUILDS[reference.build],
  }));
  const coarse = new Map(some.map((one) => [one, buildFigure(KIT, one.pose, one.build, COARSE)]));
  const figureOf = (one: (typeof some)[number]) => coarse.get(one) as Figure;
  const key = (one: (typeof some)[number]) =>
    answerKey(figureOf(one), one.pose, one.build, one.reference.view, STUDIO_LIGHT);
  const firstFrom = performance.now();
  key(some[0]);
  const firstMs = performance.now() - firstFrom;
  const keys = timesOver(some, 3, key);
  const facts = timesOver(some, 1, ({ reference }) => figureFacts(reference));
  const { pose } = poseOf('stilt-walker-at-rest');
  const fineCpu = cpuMs(6, () => buildFigure(KIT, pose, BUILDS.masc, FINE));
  const triangles = buildFigure(KIT, pose, BUILDS.masc, FINE).indices.length / 3000;
  const rounds = some.filter((_, i) => i % 3 === 0);
  const packed = statSync('public/body.pack').size;
  const bytes = gunzipSync(readFileSync('public/body.pack'));
  const starts = timesOver([0], 3, () => bodyKit(bytes).sitter('masc'));
  return [
    limited(
      'processor time of a figure at run quality',
      `${fineCpu.toFixed(0)} ms (${triangles.toFixed(0)} k triangles)`,
      fineCpu,
      450,
      'ms',
    ),
    limited(
      'pose without light, median',
      ...medianOf(timesOver(some, 2, (one) => poseBody(KIT, one.pose, one.build))),
      40,
      'ms',
    ),
    timesRow(
      'surface at run quality',
      timesOver(rounds, 1, (one) => buildFigure(KIT, one.pose, one.build, FINE)),
    ),
    limited(
      'surface at first-look quality, median',
      ...medianOf(timesOver(some, 1, (one) => buildFigure(KIT, one.pose, one.build, COARSE))),
      150,
      'ms',
    ),
    limited('packed body', `${(packed / 1000).toFixed(0)} kB`, packed / 1000, 300, 'kB'),
    limited('a body read and one sitter ready, median of three', ...medianOf(starts), 400, 'ms'),
    timesRow(
      'draft picture of 620 px',
      timesOver(some, 1, (one) => draftPicture(figureOf(one), one.reference.view, { longSidePx: 620, ground: true })),
    ),
    timesRow('facts a figure is chosen by', facts, 20),
    limited(
      'whole answer key with contours and shadow, median',
      `${quantile(keys, 0.5).toFixed(0)} ms (p95 ${quantile(keys, 0.95).toFixed(0)})`,
      quantile(keys, 0.5),
      20,
      'ms',
    ),
    { name: 'the first answer key of a process, which compiles it', value: `${firstMs.toFixed(0)} ms` },
    { name: 'facts per second', value: (1000 / quantile(facts, 0.5)).toFixed(0) },
  ];
}

/** What a run's clock is off by after three hours. */
function clock(): Row[] {
  const { driftMs, missingMs, ticks } = threeHours();
  const name = `three hours by ${String(ticks)} uneven ticks with holds: drift of the end / time in no sum`;
  return [
    limited(name, `${String(driftMs)} / ${String(missingMs)} ms`, Math.abs(driftMs) + Math.abs(missingMs), 0, 'ms'),
  ];
}

const PARTS: Record<string, () => Row[] | Promise<Row[]>> = {
  run: clock,
  against: () => [planExpansion()],
  figures,
  plans: () => [...fitting(), ...referenceRows(), ...varietyRows()],
  archives: async () => [await manyFiles()],
};
console.log(JSON.stringify(await PARTS[process.argv[2]]()));
