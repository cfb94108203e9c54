// Contact sheet of figures for judging them by eye: node scripts/contact-sheet.mjs OUT.png id id ...
import { writeFileSync } from 'node:fs';
import { openFigurePage } from './figures/browser.mjs';

const [out, ...ids] = process.argv.slice(2);
const { page, close } = await openFigurePage();
const cells = [];
for (const id of ids) {
  const [full] = await page.evaluate((i) => globalThis.pictures(i, [{ longSidePx: 420, passes: 4, ground: true }]), id);
  cells.push(`<figure style="margin:0;width:300px;height:400px;display:grid;place-items:center;font:11px sans-serif">
    <img src="${full.url}" style="max-width:300px;max-height:380px"><figcaption>${id.slice(7)}</figcaption></figure>`);
}
await page.setViewportSize({ width: 1500, height: 410 * Math.ceil(cells.length / 5) });
await page.setContent(`<body style="margin:0;background:#e9e5dc;display:flex;flex-wrap:wrap">${cells.join('')}`);
writeFileSync(out, await page.screenshot());
await close();
