// npm run bench: ratios against a baseline measured in the same run, and sizes. Needs a build.
// `npm run bench -- figures archives` measures only these parts.
import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { build } from 'esbuild';
import { archiveRows } from './bench/archive.mjs';
import { bombRows } from './bench/bombs.mjs';
import { inkRows } from './bench/ink.mjs';
import { importRow } from './bench/import.mjs';
import { libraryRows } from './bench/library.mjs';
import { monthsRows } from './bench/months.mjs';
import { pagesRows } from './bench/pages.mjs';
import { quietRows } from './bench/quiet.mjs';
import { runRows } from './bench/run.mjs';
import { pictureSizes, routeSizes } from './bench/sizes.mjs';
import { viewRows } from './bench/views.mjs';
import { serve } from './serve.mjs';

/**
 * Rows measured in plain code, by `scripts/bench/core.ts`.
 * @param {'run' | 'figures' | 'plans' | 'archives' | 'against'} part
 */
async function core(part) {
  const bundle = 'test-results/bench-core.mjs';
  const entryPoints = ['scripts/bench/core.ts'];
  await build({ entryPoints, bundle: true, outfile: bundle, platform: 'node', format: 'esm', logLevel: 'error' });
  const { stdout } = spawnSync(process.execPath, [bundle, part], { encoding: 'utf8' });
  rmSync(bundle);
  return JSON.parse(stdout);
}

/** Something measured in the app as it is served. */
async function inApp(measure) {
  const { base, stop } = await serve();
  const rows = await measure(base);
  stop();
  return rows;
}

/** What can be measured by itself: a heading, and its rows. */
const PARTS = {
  run: { heading: 'the run', rows: async () => [...(await inApp(runRows)), ...(await core('run'))] },
  quiet: { heading: 'processor time of the run', rows: () => inApp(quietRows) },
  figures: {
    heading: 'figures',
    rows: async () => [...(await core('figures')), ...(await inApp(viewRows)), ...pictureSizes()],
  },
  plans: { heading: 'plans and picks', rows: () => core('plans') },
  library: { heading: 'a library of pictures', rows: () => inApp(libraryRows) },
  pages: { heading: 'pages and their drawings', rows: () => inApp(pagesRows) },
  ink: { heading: 'ink on the screen', rows: () => inApp(inkRows) },
  months: { heading: 'months', rows: () => inApp(monthsRows) },
  archives: {
    heading: 'archives',
    rows: async () => [...(await inApp(archiveRows)), ...(await core('archives')), ...(await inApp(bombRows))],
  },
  against: { heading: 'against what must be', rows: async () => [...(await core('against')), await inApp(importRow)] },
  scripts: { heading: 'first scripts', rows: () => routeSizes() },
};
const asked = process.argv.slice(2);
const unknown = asked.find((part) => !(part in PARTS));
if (unknown !== undefined) {
  console.error(`There is no part called ${unknown}. There are ${Object.keys(PARTS).join(', ')}.`);
  process.exit(1);
}
for (const [part, { heading, rows }] of Object.entries(PARTS)) {
  if (asked.length > 0 && !asked.includes(part)) continue;
  console.log(`\n| ${heading} | measured | limit |\n| --- | --- | --- |`);
  for (const { name, value, limit } of await rows()) console.log(`| ${name} | ${value} | ${limit ?? ''} |`);
}
