import { BUILDS } from '@/core/figure/skeleton/builds';
import { buildFigure, COARSE, FINE, placeFigure } from '@/core/figure/figure';
import { fieldDistance } from '@/core/figure/surface/field';
import { draftPicture } from '@/core/figure/picture/draft';
import { answerKey } from '@/core/figure/facts/answerKey';
import { STUDIO_LIGHT } from '@/core/figure/picture/light';
import { figureFacts, poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { fieldBounds } from '@/core/figure/surface/surface';
import { AIMS, type Aim } from '@/core/practice/start/aims';
import { fitPlan, SHAPES } from '@/core/practice/fit/fit';
import { refit } from '@/core/practice/fit/refit';
import { proposePlan } from '@/core/practice/start/propose';
import { expandPlan } from '@/core/practice/time/timeline';
import { referenceRows } from './references';
import { varietyRows } from './variety';
import { threeHours } from './threeHours';

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

export interface Row {
  name: string;
  value: string;
  baseline: string;
  ratio: number;
}
const row = (name: string, ms: number, baseline: string, baseMs: number): Row => ({
  name,
  value: `${ms.toFixed(2)} ms`,
  baseline: `${baseline}: ${baseMs.toFixed(2)} ms`,
  ratio: ms / baseMs,
});

/** Laying out a three-hour plan, against parsing the same plan from JSON. */
function planExpansion(): Row {
  const references = Array.from({ length: 30 }, (_, i) => ({ id: `r${i}` }));
  const history = { facings: { left: 0, right: 0 }, timesDrawn: new Map<string, number>() };
  const plan = proposePlan({ availableMs: 180 * 60_000, references, history, seed: 1 });
  const text = JSON.stringify(plan);
  const many = (job: () => unknown) => (): void => {
    for (let i = 0; i < 500; i++) job();
  };
  return row(
    'expand a 3 h plan, 500 times',
    timeMs(
      9,
      many(() => expandPlan(plan)),
    ),
    'JSON.parse of it',
    timeMs(
      9,
      many(() => JSON.parse(text)),
    ),
  );
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
function fitting(): Figure[] {
  const requests = (Object.keys(AIMS) as Aim[]).flatMap((aim) =>
    SHAPES.map((shape) => ({ availableMs: 180 * 60_000, aim, shape, setId: 's', seed: 1 })),
  );
  const fit = timesOver(requests, 6, fitPlan);
  const { recipe } = fitPlan(requests[0]);
  const again = timesOver([recipe], 12, (r) => refit(r, 120 * 60_000));
  const line = (name: string, times: number[], limitMs: number): Figure => ({
    name,
    value: `${quantile(times, 0.5).toFixed(1)} / ${quantile(times, 0.95).toFixed(1)} ms`,
    limit: `${String(limitMs)} ms${quantile(times, 0.95) > limitMs ? ' OVER' : ''}`,
  });
  return [
    line('fit three hours, every aim and run, median / p95', fit, 20),
    line('fit what is here: 3 h into 2 h, median / p95', again, 100),
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

/** Meshing a figure, against evaluating its field once at every point of the same lattice without any culling. */
function surfaceMeshing(): Row {
  const { pose } = poseOf('stilt-walker-at-rest');
  const { field } = placeFigure(pose, BUILDS.masc);
  const all = Int16Array.from({ length: field.count }, (_, i) => i);
  const { lo, hi } = fieldBounds(field);
  const samples = 4000;
  const sampleMs = timeMs(3, () => {
    for (let i = 0; i < samples; i++) {
      const at = (k: number): number => lo[k] + (hi[k] - lo[k]) * ((i * [0.7549, 0.5698, 0.4302][k]) % 1);
      fieldDistance(field, all, all.length, at(0), at(1), at(2));
    }
  });
  const lattice = ((hi[0] - lo[0]) * (hi[1] - lo[1]) * (hi[2] - lo[2])) / FINE.h ** 3;
  return row(
    'build a fine figure',
    timeMs(3, () => buildFigure(pose, BUILDS.masc, FINE)),
    'every lattice point unculled (extrapolated)',
    (sampleMs / samples) * lattice,
  );
}

export interface Figure {
  name: string;
  value: string;
  /** What it should stay under, where there is such a thing. */
  limit?: string;
}
const quantile = (values: number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))];
const spread = (values: number[]): string =>
  `${quantile(values, 0.5).toFixed(0)} / ${quantile(values, 0.95).toFixed(0)} ms`;

/** Surfaces, drafts and facts over a spread of the sets. */
function figures(): Figure[] {
  const some = SET_FIGURES.filter((_, i) => i % 9 === 0);
  const times: Record<'fine' | 'coarse' | 'facts' | 'lines' | 'draft', number[]> = {
    fine: [],
    coarse: [],
    facts: [],
    lines: [],
    draft: [],
  };
  const timed = <T>(into: keyof typeof times, job: () => T): T => {
    const from = performance.now();
    const result = job();
    times[into].push(performance.now() - from);
    return result;
  };
  for (const warm of [true, false])
    for (const reference of warm ? some.slice(0, 3) : some) {
      const { pose } = poseOf(reference.poseId);
      const build = BUILDS[reference.build];
      const figure = timed('coarse', () => buildFigure(pose, build, COARSE));
      timed('facts', () => figureFacts(reference));
      timed('lines', () => answerKey(figure, pose, build, reference.view, STUDIO_LIGHT));
      timed('draft', () => draftPicture(figure, reference.view, { longSidePx: 620, ground: true }));
      timed('fine', () => buildFigure(pose, build, FINE));
      if (warm) for (const list of Object.values(times)) list.length = 0;
    }
  const { pose } = poseOf('stilt-walker-at-rest');
  const fineCpu = cpuMs(6, () => buildFigure(pose, BUILDS.masc, FINE));
  const triangles = buildFigure(pose, BUILDS.masc, FINE).indices.length / 3000;
  return [
    {
      name: 'processor time per thousand triangles, run quality',
      value: `${(fineCpu / triangles).toFixed(2)} ms (${triangles.toFixed(0)} k, ${fineCpu.toFixed(0)} ms)`,
    },
    { name: 'surface at run quality, median / p95', value: spread(times.fine) },
    { name: 'surface at first-look quality, median / p95', value: spread(times.coarse) },
    { name: 'draft picture of 620 px, median / p95', value: spread(times.draft) },
    { name: 'facts a figure is chosen by, median / p95', value: spread(times.facts), limit: '20 ms' },
    { name: 'whole answer key with contours and shadow, median / p95', value: spread(times.lines) },
    { name: 'facts per second', value: (1000 / quantile(times.facts, 0.5)).toFixed(0) },
  ];
}

const runOnly = process.argv.includes('--run');
console.log(
  JSON.stringify({
    threeHours: threeHours(),
    ...(!runOnly && everythingElse()),
  }),
);

function everythingElse() {
  return {
    rows: [planExpansion(), surfaceMeshing()],
    figures: figures(),
    plans: fitting(),
    references: referenceRows(),
    variety: varietyRows(),
  };
}
