// Taking pictures in, in the app: against only decoding the same files one after another.
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../chromium.mjs';
import { against } from './row.mjs';

/** Without the emulated graphics card that the figure pictures need: it would take both cores for painting the page. */
const PLAIN = [...CHROMIUM.args.filter((arg) => !/gl=|angle|swiftshader/.test(arg)), '--disable-gpu'];
const COUNT = 200;

/** 200 pictures of 1600 by 1200: checked, decoded, shrunk, hashed, kept; then the first hundred megabytes' memory. */
export async function importRow(base) {
  const browser = await chromium.launch({ ...CHROMIUM, args: PLAIN });
  const page = await browser.newPage();
  await page.goto(`${base}/poses?set=library`);
  await page.getByText('No pictures yet').waitFor();
  // The app is still being kept for offline use on a first visit: that is not what is measured.
  await page.evaluate(() => navigator.serviceWorker.ready);
  const decodeMs = await page.evaluate(async (count) => {
    const canvas = new OffscreenCanvas(1600, 1200);
    const context = canvas.getContext('2d');
    const files = [];
    for (let i = 0; i < count; i++) {
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
  }, COUNT);
  const from = Date.now();
  await page.evaluate(() => {
    const transfer = new DataTransfer();
    for (const file of window.benchFiles) transfer.items.add(file);
    document.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));
  });
  // Looked for seldom: a search of the page's text at every frame would be measured too.
  await page.waitForFunction(
    (words) => [...document.querySelectorAll('p.font-semibold')].some((p) => p.textContent.startsWith(words)),
    `${COUNT} pictures added.`,
    { polling: 100, timeout: 300_000 },
  );
  const importMs = Date.now() - from;
  await browser.close();
  return against(
    `add ${COUNT} pictures (check, decode, shrink, hash, keep)`,
    importMs,
    'decoding them one after another',
    decodeMs,
    1.3,
  );
}
