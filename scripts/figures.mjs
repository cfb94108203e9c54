// Makes what ships of the built-in figures: npm run figures [-- --small | --full] [-- name part]
// public/figures/small and covered: cut-outs for grids; public/figures: full-size pictures of the first figures;
// src/core/figure/catalogue.json: their facts.
import { execFile } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { format, resolveConfig } from 'prettier';
import { openFigurePage } from './figures/browser.mjs';

const run = promisify(execFile);
const root = fileURLToPath(new URL('..', import.meta.url));
const pictures = `${root}/public/figures`;
const smallOnly = process.argv.includes('--small');
const fullOnly = process.argv.includes('--full');
const only = process.argv.slice(2).find((a) => !a.startsWith('--')) ?? '';

async function smallPictures() {
  const shares = availableParallelism();
  const parts = await Promise.all(
    Array.from({ length: shares }, async (_, i) => {
      const { stdout } = await run(
        'npx',
        ['tsx', 'scripts/figures/small.ts', String(i), String(shares), pictures, only],
        { cwd: root, maxBuffer: 1 << 26 },
      );
      return JSON.parse(stdout);
    }),
  );
  return parts.flat().sort((a, b) => a.index - b.index);
}

async function writeCatalogue(rows) {
  const file = `${root}/src/core/figure/catalogue.json`;
  const poses = {};
  for (const { pose } of rows) poses[pose[0]] ??= pose.slice(1);
  const catalogue = { poses, views: rows.map((r) => r.view) };
  writeFileSync(file, await format(JSON.stringify(catalogue), { ...(await resolveConfig(file)), filepath: file }));
}

async function fullPictures() {
  const { page, close } = await openFigurePage();
  for (const { id, file } of await page.evaluate(() => globalThis.first())) {
    if (!file.includes(only)) continue;
    const [full] = await page.evaluate(
      (i) => globalThis.pictures(i, [{ longSidePx: 1400, passes: 16, ground: true }]),
      id,
    );
    writeFileSync(`${pictures}/${file}.webp`, Buffer.from(full.url.split(',')[1], 'base64'));
    console.log(file, full.width, full.height);
  }
  await close();
}

if (!only && !smallOnly && !fullOnly) rmSync(pictures, { recursive: true, force: true });
const rows = fullOnly ? [] : await smallPictures();
if (fullOnly) console.log('full-size pictures only');
else if (!only) await writeCatalogue(rows);
else console.log(`${rows.length} small pictures; the catalogue is written only when all are made`);
if (!smallOnly) await fullPictures();
