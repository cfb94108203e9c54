// Turning a figure in the built app: from a key to the picture on the screen.
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../chromium.mjs';
import { limited, quantile } from './row.mjs';

/** In the page: the picture that is shown, to be shown elsewhere; base64 of a WebP. */
const shownPicture = async () => {
  const picture = /** @type {HTMLImageElement} */ (document.querySelector('main img'));
  const canvas = document.createElement('canvas');
  Object.assign(canvas, { width: picture.naturalWidth, height: picture.naturalHeight });
  canvas.getContext('2d').drawImage(picture, 0, 0);
  return canvas.toDataURL('image/webp', 0.9).split(',')[1];
};

/** From a key to the picture on the screen, in the app: a view never seen, and one seen before. */
export async function viewRows(base) {
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
  const pictures = [await page.evaluate(shownPicture)];
  await painted('ArrowLeft');
  pictures.push(await page.evaluate(shownPicture));
  await page.goto(`${base}/figures/archer-tired-on-a-crate-masc-40.webp`);
  const bare = await page.evaluate(async (encoded) => {
    const blobs = encoded.map(
      (text) => new Blob([Uint8Array.from(atob(text), (c) => c.charCodeAt(0))], { type: 'image/webp' }),
    );
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
  }, pictures);
  await browser.close();
  const half = (values) => quantile(values, 0.5);
  const words = (values) => `${half(values).toFixed(0)} ms`;
  return [
    limited('turn to an unseen view: first look painted, median', words(cold), half(cold), 2000, 'ms'),
    { name: 'two finished views taking turns on an empty page: painted, median', value: words(bare) },
    limited('turn to a cached view: painted, median', words(warm), half(warm), Math.max(50, 2 * half(bare)), 'ms'),
  ];
}
