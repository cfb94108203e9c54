// Renders the pictures of built-in figures that ship with the app: node scripts/figures.mjs [name part]
// Writes public/figures/*.webp (full, with shadow), public/figures/small/*.webp (cut out) and their sizes.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format, resolveConfig } from 'prettier';
import { openFigurePage } from './figures/browser.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const sizesFile = `${root}/src/core/figure/shippedPictures.json`;
const only = process.argv[2] ?? '';
mkdirSync(`${root}/public/figures/small`, { recursive: true });
const sizes = only ? JSON.parse(readFileSync(sizesFile, 'utf8')) : {};
const { page, close } = await openFigurePage();
const shipped = await page.evaluate(() => globalThis.shipped());
for (const { id, file } of shipped) {
  if (!file.includes(only)) continue;
  const [full, small] = await page.evaluate(
    (i) =>
      globalThis.pictures(i, [
        { longSidePx: 1400, passes: 24, ground: true },
        { longSidePx: 320, passes: 12, ground: false },
      ]),
    id,
  );
  const save = (name, { url }) =>
    writeFileSync(`${root}/public/figures/${name}.webp`, Buffer.from(url.split(',')[1], 'base64'));
  save(file, full);
  save(`small/${file}`, small);
  sizes[id] = { file, size: [full.width, full.height], small: [small.width, small.height] };
  console.log(file, full.width, full.height);
}
writeFileSync(
  sizesFile,
  await format(JSON.stringify(sizes), { ...(await resolveConfig(sizesFile)), filepath: sizesFile }),
);
await close();
