// A generated library in the app: opening it, narrowing it down, scrolling through it.
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../chromium.mjs';
import { limited, quantile } from './row.mjs';

/** Fill the page's database with pictures and thumbnails made there. */
async function fillLibrary(page, count) {
  await page.evaluate(async (n) => {
    const open = indexedDB.open('fox-minute');
    const db = await new Promise((resolve) => (open.onsuccess = () => resolve(open.result)));
    const pick = (list, i) => list[i % list.length];
    const views = ['front', 'three-quarter', 'profile', 'back three-quarter', 'back'];
    const families = ['standing even', 'weight shifted', 'bending', 'seated', 'reclining', 'kneeling or crouching'];
    const canvas = new OffscreenCanvas(240, 320);
    const context = canvas.getContext('2d');
    const thumbnails = [];
    for (let i = 0; i < 40; i++) {
      context.fillStyle = `hsl(${i * 41} 30% 70%)`;
      context.fillRect(0, 0, 240, 320);
      context.fillStyle = `hsl(${i * 83} 35% 30%)`;
      context.beginPath();
      context.ellipse(120, 170, 40 + (i % 5) * 8, 120, (i % 7) / 5 - 0.6, 0, 7);
      context.fill();
      const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 });
      thumbnails.push({ type: blob.type, bytes: await blob.arrayBuffer() });
    }
    for (let from = 0; from < n; from += 500) {
      const tx = db.transaction(['pictures', 'images'], 'readwrite');
      for (let i = from; i < Math.min(n, from + 500); i++) {
        const id = `bench-${i}`;
        tx.objectStore('pictures').put({
          id,
          setIds: [],
          name: `Picture ${i}.jpg`,
          type: 'image/jpeg',
          widthPx: 900 + (i % 7) * 90,
          heightPx: 1200,
          hash: i.toString(16).padStart(64, '0'),
          likeness: Array.from({ length: 16 }, (_, k) => ((i * 2654435761 * (k + 1)) >>> 24) % 16)
            .map((v) => v.toString(16))
            .join(''),
          bytes: 300000,
          addedAtMs: 1700000000000 + i * 1000,
          takenAtMs: null,
          binnedAtMs: null,
          rights: { license: pick(['own', 'free', 'practice-only', null], i), credit: '', permission: '', source: '' },
          found: {
            subject: pick(['people/one figure', 'people/one figure', 'people/two or more', 'parts/hands'], i),
            view: pick(views, i),
            facing: pick(['left', 'right', 'toward you'], i * 7),
            family: pick(families, i * 3),
            eyeLevel: pick(['at eye level', 'from above', 'from below'], i * 5),
            extent: pick(['whole', 'whole', 'cropped'], i),
            difficulty: String(1 + (i % 5)),
            foreshortened: pick(['yes', 'no'], i),
            light: pick(['clear', 'flat'], i),
            tone: pick(['dark', 'middle', 'bright'], i),
          },
          sure: { view: 0.8, facing: 0.9 },
          readBy: 1,
          corrected: {},
          measures: { mean: 0.5, spread: 0.5 },
          felt: 0,
          tags: i % 9 === 0 ? ['lanterns'] : [],
          laterAtMs: null,
          keptBeside: [],
        });
        tx.objectStore('images').put(pick(thumbnails, i), `thumbnail/${id}`);
      }
      await new Promise((resolve) => (tx.oncomplete = resolve));
    }
    db.close();
  }, count);
}

/** Milliseconds from a press to the next frame painted after what it changed is there. */
const pressToPaint = (page, label) =>
  page.evaluate(async (name) => {
    const box = [...document.querySelectorAll('label')]
      .find((l) => l.textContent.startsWith(name))
      .querySelector('input');
    const status = document.querySelector('p[aria-live=polite]');
    const before = status.textContent;
    const from = performance.now();
    box.click();
    while (status.textContent === before) await new Promise((resolve) => requestAnimationFrame(resolve));
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    return performance.now() - from;
  }, label);

/** Lengths of the frames while the page is scrolled by hand, milliseconds. */
export const framesWhileScrolling = (page) =>
  page.evaluate(async () => {
    const frames = [];
    let last = performance.now();
    for (let i = 0; i < 180; i++) {
      window.scrollBy(0, 130);
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const now = performance.now();
      frames.push(now - last);
      last = now;
    }
    return frames.slice(5);
  });

const middle = (values) => quantile(values, 0.5);

export async function libraryRows(base) {
  const browser = await chromium.launch({
    ...CHROMIUM,
    args: [...CHROMIUM.args.filter((arg) => !/gl=|angle|swiftshader/.test(arg)), '--disable-gpu'],
  });
  const rows = [];
  for (const count of [1000, 10_000]) {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto(`${base}/poses?set=library`);
    await page.getByText('No pictures yet').waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready);
    await fillLibrary(page, count);
    const from = Date.now();
    await page.reload();
    await page.locator('[data-cell="0"] img').waitFor();
    const openMs = Date.now() - from;
    await page.waitForTimeout(2500);
    const presses = [];
    for (const label of ['profile', 'profile', 'left', 'seated', 'left', 'seated', 'back three-quarter'])
      presses.push(await pressToPaint(page, label));
    await page.getByRole('button', { name: 'Show all' }).click();
    await page.waitForTimeout(500);
    const frames = await framesWhileScrolling(page);
    const memory = await page.evaluate(() => performance.memory.usedJSHeapSize / 1e6);
    rows.push(
      { name: `open a library of ${count}`, value: `${openMs} ms` },
      limited(
        `a facet changed, ${count} pictures: painted, median / max`,
        `${middle(presses).toFixed(0)} / ${Math.max(...presses).toFixed(0)} ms`,
        middle(presses),
        50,
        'ms',
      ),
      limited(
        `scrolling ${count} pictures: frame, median / max; over 50 ms`,
        `${middle(frames).toFixed(0)} / ${Math.max(...frames).toFixed(0)} ms; ${frames.filter((f) => f > 50).length} of ${frames.length}`,
        frames.filter((f) => f > 50).length,
        0,
        'frames',
      ),
      { name: `memory of the page with ${count} pictures`, value: `${memory.toFixed(0)} MB` },
    );
    await page.context().close();
  }
  await browser.close();
  return rows;
}
