// npm run bench: ratios against a baseline measured in the same run, and sizes. Needs a build. With `-- --run`, the run alone.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { CHROMIUM } from './chromium.mjs';
import { archiveRows } from './bench/archive.mjs';
import { importRow } from './bench/import.mjs';
import { libraryRows } from './bench/library.mjs';
import { quietRows } from './bench/quiet.mjs';
import { runRows } from './bench/run.mjs';
import { serve } from './serve.mjs';

const bundle = 'test-results/bench-core.mjs';
await build({
  entryPoints: ['scripts/bench/core.ts'],
  bundle: true,
  outfile: bundle,
  platform: 'node',
  format: 'esm',
  logLevel: 'error',
});
const core = JSON.parse(spawnSync(process.execPath, [bundle, ...process.argv.slice(2)], { encoding: 'utf8' }).stdout);
rmSync(bundle);

/** First script of each route, gzip. */
function routeSizes() {
  const { routes } = JSON.parse(readFileSync('.next/prerender-manifest.json', 'utf8'));
  return Object.keys(routes)
    .filter((route) => !route.startsWith('/_') && !route.includes('.'))
    .map((route) => {
      const html = readFileSync(`.next/server/app${route === '/' ? '/index' : route}.html`, 'utf8');
      const scripts = [...html.matchAll(/<script([^>]*)src="([^"]+)"([^>]*)>/g)]
        .filter((m) => !/noModule/i.test(m[0]))
        .map((m) => m[2]);
      const bytes = [...new Set(scripts)].reduce(
        (sum, src) =>
          sum + gzipSync(readFileSync(`.next${src.replace('/_next', '').split('?')[0]}`), { level: 9 }).length,
        0,
      );
      return { route, kB: bytes / 1000 };
    });
}

/** In the page: the picture that is shown, to be shown elsewhere. */
const dataUrl = async () => {
  const { src } = /** @type {HTMLImageElement} */ (document.querySelector('main img'));
  const reader = new FileReader();
  reader.readAsDataURL(await (await fetch(src)).blob());
  await new Promise((resolve) => (reader.onload = resolve));
  return String(reader.result);
};

/** From a key to the picture on the screen, in the app: a view never seen, and one seen before. */
async function viewRows() {
  const { base, stop } = await serve();
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  await page.goto(`${base}/poses/figure?id=${encodeURIComponent('figure/archer-turning/masc/33/6/26')}`);
  /** Milliseconds from a key going down to another picture standing on the screen. */
  const painted = async (key) => {
    await page.evaluate(() => {
      const picture = () => /** @type {HTMLImageElement | null} */ (document.querySelector('main img'));
      const before = picture().src;
      window.painted = new Promise((resolve) => {
        window.addEventListener(
          'keydown',
          () => {
            const from = performance.now();
            const look = () => {
              const now = picture();
              if (now && now.src !== before && now.complete)
                requestAnimationFrame(() => resolve(performance.now() - from));
              else if (performance.now() - from > 60_000) resolve(Infinity);
              else requestAnimationFrame(look);
            };
            look();
          },
          { once: true, capture: true },
        );
      });
    });
    await page.keyboard.press(key);
    return page.evaluate(() => window.painted);
  };
  const finished = () =>
    page.getByText('A draft; the finished picture follows.').waitFor({ state: 'hidden', timeout: 120_000 });
  await page.locator('main img').waitFor();
  await finished();
  const cold = [];
  for (let i = 0; i < 5; i++) cold.push(await painted('ArrowRight'));
  await finished();
  await page.waitForTimeout(500);
  const warm = [];
  // Back and forth between two finished views.
  await painted('ArrowRight');
  await finished();
  for (let i = 0; i < 8; i++) {
    warm.push(await painted(i % 2 === 0 ? 'ArrowLeft' : 'ArrowRight'));
    await page.waitForTimeout(300);
  }
  // What this machine takes to decode and paint the two pictures on an empty page, whenever they take each other's place.
  const addresses = [await page.evaluate(dataUrl)];
  await painted('ArrowLeft');
  addresses.push(await page.evaluate(dataUrl));
  await page.goto(`${base}/figures/archer-tired-on-a-crate-muscular-40.webp`);
  const bare = await page.evaluate(async (pictures) => {
    const blobs = await Promise.all(pictures.map(async (url) => (await fetch(url)).blob()));
    const image = document.querySelector('img');
    const took = [];
    for (let i = 0; i < 9; i++) {
      const from = performance.now();
      image.src = URL.createObjectURL(blobs[i % 2]);
      while (!image.complete) await new Promise((resolve) => requestAnimationFrame(resolve));
      await new Promise((resolve) => requestAnimationFrame(resolve));
      took.push(performance.now() - from);
      await new Promise((resolve) => setTimeout(resolve, 300));
    }
    return took;
  }, addresses);
  await browser.close();
  stop();
  const half = (values) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)];
  const middle = (values) => half(values).toFixed(0);
  const warmLimitMs = Math.max(50, 2 * half(bare));
  return [
    { name: 'turn to an unseen view: first look painted, median', value: `${middle(cold)} ms`, limit: '2000 ms' },
    { name: 'two finished views taking turns on an empty page: painted, median', value: `${middle(bare)} ms` },
    {
      name: 'turn to a cached view: painted, median',
      value: `${middle(warm)} ms`,
      limit: `${warmLimitMs.toFixed(0)} ms${half(warm) > warmLimitMs ? ' OVER' : ''}`,
    },
  ];
}

/** Mean size of the pictures that ship. */
function pictureSizes() {
  const mean = (folder) => {
    const sizes = readdirSync(folder, { withFileTypes: true })
      .filter((f) => f.isFile())
      .map((f) => statSync(`${folder}/${f.name}`).size);
    return `${(sizes.reduce((a, b) => a + b, 0) / sizes.length / 1000).toFixed(1)} kB (${sizes.length})`;
  };
  return [
    { name: 'a small picture', value: mean('public/figures/small'), limit: 'about 5 kB' },
    { name: 'a small covered picture', value: mean('public/figures/covered'), limit: 'about 5 kB' },
    { name: 'a full-size picture', value: mean('public/figures') },
  ];
}

const app = await serve();
const run = [...(await runRows(app.base)), ...(await quietRows(app.base))];
app.stop();
const { driftMs, missingMs, ticks } = core.threeHours;
run.push({
  name: `three hours by ${String(ticks)} uneven ticks with holds: drift of the end / time in no sum`,
  value: `${String(driftMs)} / ${String(missingMs)} ms`,
  limit: `0${driftMs !== 0 || missingMs !== 0 ? ' OVER' : ''}`,
});
console.log('\n| the run | measured | limit |\n| --- | --- | --- |');
for (const { name, value, limit } of run) console.log(`| ${name} | ${value} | ${limit ?? ''} |`);
if (process.argv.includes('--run')) process.exit(0);
const views = await viewRows();
console.log('\n| figures | measured | limit |\n| --- | --- | --- |');
for (const { name, value, limit } of [...core.figures, ...views, ...pictureSizes()])
  console.log(`| ${name} | ${value} | ${limit ?? ''} |`);
console.log('\n| plans and pictures | measured | limit |\n| --- | --- | --- |');
for (const { name, value, limit } of [...core.plans, ...core.references, ...core.variety, ...(await libraryRows())])
  console.log(`| ${name} | ${value} | ${limit ?? ''} |`);
const served = await serve();
console.log('\n| archives | measured | limit |\n| --- | --- | --- |');
for (const { name, value, limit } of await archiveRows(served.base))
  console.log(`| ${name} | ${value} | ${limit ?? ''} |`);
served.stop();
console.log('\n| what | took | against | ratio |\n| --- | --- | --- | --- |');
for (const { name, value, baseline, ratio } of [...core.rows, await importRow()])
  console.log(`| ${name} | ${value} | ${baseline} | ${ratio.toFixed(2)} |`);
console.log('\n| route | first script, kB gzip (limit 250) |\n| --- | --- |');
for (const { route, kB } of routeSizes()) console.log(`| ${route} | ${kB.toFixed(0)}${kB > 250 ? ' OVER' : ''} |`);
