import { BUILDS } from '@/core/figure/builds';
import { buildFigure, COARSE, FINE, placeFigure } from '@/core/figure/figure';
import { fieldDistance } from '@/core/figure/field';
import { POSES } from '@/core/figure/poses';
import { fieldBounds } from '@/core/figure/surface';
import { proposePlan } from '@/core/practice/propose';
import { expandPlan } from '@/core/practice/timeline';

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

/** Meshing a figure, against evaluating its field once at every point of the same lattice without any culling. */
function surfaceMeshing(): Row[] {
  const { pose } = POSES['bell-ringer-leaning'];
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
  const lattice = (h: number): number => ((hi[0] - lo[0]) * (hi[1] - lo[1]) * (hi[2] - lo[2])) / h ** 3;
  return (
    [
      ['fine', FINE],
      ['coarse', COARSE],
    ] as const
  ).map(([name, fineness]) =>
    row(
      `build a ${name} figure`,
      timeMs(3, () => buildFigure(pose, BUILDS.masc, fineness)),
      'every lattice point unculled (extrapolated)',
      (sampleMs / samples) * lattice(fineness.h),
    ),
  );
}

console.log(JSON.stringify([planExpansion(), ...surfaceMeshing()]));
