// npm run bench: ratios against a baseline measured in the same run, and sizes. Needs a build.
import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { CHROMIUM } from './chromium.mjs';
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
const core = JSON.parse(spawnSync(process.execPath, [bundle], { encoding: 'utf8' }).stdout);
rmSync(bundle);

/** Adding 200 pictures of 1600 by 1200, against only decoding them one after another. */
async function importRow() {
  const { base, stop } = await serve();
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  await page.goto(`${base}/poses`);
  await page.getByRole('button', { name: 'New set' }).click();
  await page.getByLabel('What is the set called?').fill('Bench');
  await page.keyboard.press('Enter');
  await page.getByLabel('Name of the set').waitFor();
  const decodeMs = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(1600, 1200);
    const context = canvas.getContext('2d');
    const files = [];
    for (let i = 0; i < 200; i++) {
      for (let k = 0; k < 60; k++) {
        context.fillStyle = `hsl(${(i * 37 + k * 11) % 360} 50% ${30 + (k % 50)}%)`;
        context.fillRect((k * 97) % 1600, (k * 61 + i * 13) % 1200, 300, 220);
      }
      files.push(
        new File([await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 })], `${i}.jpg`, {
          type: 'image/jpeg',
        }),
      );
    }
    window.benchFiles = files;
    const from = performance.now();
    for (const file of files) (await createImageBitmap(file)).close();
    return performance.now() - from;
  });
  const from = Date.now();
  await page.evaluate(() => {
    const transfer = new DataTransfer();
    for (const file of window.benchFiles) transfer.items.add(file);
    document.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));
  });
  await page.getByText('200 pictures added.').waitFor({ timeout: 300_000 });
  const importMs = Date.now() - from;
  await browser.close();
  stop();
  return {
    name: 'add 200 pictures (check, decode, shrink, hash, keep)',
    value: `${(importMs / 1000).toFixed(1)} s`,
    baseline: `decode only: ${(decodeMs / 1000).toFixed(1)} s`,
    ratio: importMs / decodeMs,
  };
}

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

console.log('\n| what | took | against | ratio |\n| --- | --- | --- | --- |');
for (const { name, value, baseline, ratio } of [...core, await importRow()])
  console.log(`| ${name} | ${value} | ${baseline} | ${ratio.toFixed(2)} |`);
console.log('\n| route | first script, kB gzip (limit 250) |\n| --- | --- |');
for (const { route, kB } of routeSizes()) console.log(`| ${route} | ${kB.toFixed(0)}${kB > 250 ? ' OVER' : ''} |`);
