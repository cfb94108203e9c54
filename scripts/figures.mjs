// Makes what ships of the built-in figures: npm run figures [-- --small | --facts | --full] [-- name part]
// public/figures/small and covered: cut-outs for grids; moves: the warm-up's; public/figures: full-size pictures of the first figures;
// src/core/figure/{catalogue,envelopes}.json: their facts; src/core/practice/exercises/pictures.json: the pictures of the exercises.
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
const part = ['small', 'facts', 'full'].find((p) => process.argv.includes(`--${p}`)) ?? 'all';
const only = process.argv.slice(2).find((a) => !a.startsWith('--')) ?? '';

const tsx = async (...args) => (await run('npx', ['tsx', ...args], { cwd: root, maxBuffer: 1 << 26 })).stdout;

async function smallPictures() {
  const shares = availableParallelism();
  await Promise.all(
    Array.from({ length: shares }, (_, i) =>
      tsx('scripts/figures/small.ts', String(i), String(shares), pictures, only),
    ),
  );
}

async function writeJson(path, json) {
  const file = `${root}/${path}`;
  writeFileSync(file, await format(json, { ...(await resolveConfig(file)), filepath: file }));
}

async function writeFacts() {
  const json = await Promise.all(['envelopes', 'exercises'].map((name) => tsx(`scripts/figures/${name}.ts`)));
  await writeJson('src/core/figure/catalogue/envelopes.json', json[0]);
  // The outlines in it are those of the envelopes.
  const { catalogue, shapes } = JSON.parse(await tsx('scripts/figures/catalogue.ts', `${pictures}/small`));
  await writeJson('src/core/figure/catalogue/catalogue.json', JSON.stringify(catalogue));
  await writeJson('src/core/figure/catalogue/shapes.json', JSON.stringify(shapes));
  // One line: nobody reads it, and it is large.
  writeFileSync(`${root}/src/core/practice/exercises/pictures.json`, `${json[1]}`);
}

/** A share of the full-size pictures, in a browser of its own. */
async function fullPictures(share, of) {
  const { page, close } = await openFigurePage();
  const first = await page.evaluate(() => globalThis.first());
  for (const { id, file } of first.filter((_, i) => i % of === share)) {
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

if (!only && part === 'all') rmSync(pictures, { recursive: true, force: true });
if (part === 'all' || part === 'small') await Promise.all([smallPictures(), tsx('scripts/figures/moves.ts', pictures)]);
if (part !== 'full') await writeFacts();
if (part === 'all' || part === 'full') {
  const shares = availableParallelism();
  await Promise.all(Array.from({ length: shares }, (_, i) => fullPictures(i, shares)));
}
