// Ink on a sheet on the screen: strokes of the program's hand replayed with a pen while the clock runs, and a session of many strokes opened.
import { readFileSync } from 'node:fs';
import { keepPlan, planOf } from '../keep-plan.mjs';
import { freshPage } from './page.mjs';
import { limited, quantile } from './row.mjs';

/** Places replayed, as often a second as a pen is asked. */
const PLACES = 1200;
const EVERY_MS = 8;
const MANY = 5000;
const A3 = { widthMm: 297, heightMm: 420 };

const STEP = 4;
/** Strokes of a flowing gesture, in shares of the sheet. */
function drawn() {
  const all = JSON.parse(readFileSync('public/demo/strokes.json', 'utf8'));
  return all
    .filter(({ sessionId, drawing }) => sessionId === 'demo-13' && drawing === '1:0')
    .map(({ points }) =>
      Array.from({ length: points.length / STEP }, (_, i) => [
        points[i * STEP] / 100 / A3.widthMm,
        points[i * STEP + 1] / 100 / A3.heightMm,
        points[i * STEP + 3] / 1000,
      ]),
    );
}

/** In the page: how long after each event of the pen its ink is laid, and when the frame after it is put together. */
function watch() {
  const laid = [];
  const framed = [];
  addEventListener('pointermove', (event) => {
    const at = event.timeStamp;
    // After the sheet's own listener, which lies deeper.
    laid.push(performance.now() - at);
    requestAnimationFrame(() => framed.push(performance.now() - at));
  });
  globalThis.inked = () => ({ laid, framed });
}

const onScreen = async () => {
  const open = indexedDB.open('fox-minute');
  await new Promise((resolve) => (open.onsuccess = resolve));
  const tx = open.result.transaction('settings', 'readwrite');
  tx.objectStore('settings').put(JSON.stringify({ drawsOn: 'screen' }), 'room');
  await new Promise((resolve) => (tx.oncomplete = resolve));
  open.result.close();
};

const POSES = { referenceId: null, leadInMs: 0, lookMs: 0, drawMs: 600_000, lookAgainMs: 0 };

/** @param {string} base */
export async function inkRows(base) {
  const { page, browser } = await freshPage(base);
  await page.evaluate(onScreen);
  await page.evaluate(keepPlan, planOf({ kind: 'poses', exercise: 'new-medium', changeMs: 0, poses: [POSES] }));
  await page.goto(`${base}/run`);
  const sheet = page.getByRole('img', { name: /^Sheet 1: / });
  await sheet.waitFor();
  await page.waitForTimeout(2000);
  await page.evaluate(watch);
  const frame = await sheet.locator('canvas').first().boundingBox();
  const cdp = await page.context().newCDPSession(page);
  const send = (type, [x, y, force]) =>
    cdp.send('Input.dispatchMouseEvent', {
      type,
      x: frame.x + x * frame.width,
      y: frame.y + y * frame.height,
      button: 'left',
      buttons: type === 'mouseReleased' ? 0 : 1,
      pointerType: 'pen',
      force,
      clickCount: 1,
    });
  let places = 0;
  for (const stroke of drawn()) {
    if (places > PLACES) break;
    await send('mousePressed', stroke[0]);
    for (const place of stroke) {
      await send('mouseMoved', place);
      await page.waitForTimeout(EVERY_MS);
      places++;
    }
    await send('mouseReleased', stroke[stroke.length - 1]);
  }
  const { laid, framed } = await page.evaluate(() => globalThis.inked());
  const [half, worst] = [quantile(laid, 0.5), Math.max(...laid)];
  const frames = quantile(framed, 0.5);

  // Many strokes on one sheet: what was drawn before lies there again.
  await page.evaluate(
    async ({ many, strokes }) => {
      const open = indexedDB.open('fox-minute');
      const db = await new Promise((resolve) => (open.onsuccess = () => resolve(open.result)));
      const sessions = db.transaction('sessions').objectStore('sessions').getAll();
      await new Promise((resolve) => (sessions.onsuccess = resolve));
      const { id } = sessions.result.find((one) => one.status === 'running');
      const tx = db.transaction('strokes', 'readwrite');
      for (let n = 1000; n < 1000 + many; n++) {
        const stroke = strokes[n % strokes.length];
        tx.objectStore('strokes').put({
          id: `${id}/${String(n).padStart(8, '0')}`,
          sessionId: id,
          sheet: 0,
          drawing: '0:0',
          attempt: 0,
          n,
          atMs: n,
          tool: 'graphite',
          by: 'pen',
          points: stroke.flatMap(([x, y, press], i) => [
            Math.round(x * 29_700),
            Math.round(y * 42_000),
            i * 8,
            Math.round(press * 1000),
          ]),
        });
      }
      await new Promise((resolve) => (tx.oncomplete = resolve));
      db.close();
    },
    { many: MANY, strokes: drawn() },
  );
  await page.reload();
  await page.getByText('On hold').first().waitFor();
  const readMs = await page.evaluate(async (many) => {
    for (;;) {
      const name = document.querySelector('[aria-label^="Sheet 1: "]')?.ariaLabel ?? '';
      if (Number(/: (\d+) strokes/.exec(name)?.[1] ?? 0) >= many) return performance.now();
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  }, MANY);
  const paint = await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0);
  await browser.close();
  return [
    limited(
      'from the pen to its ink, median of the replayed strokes',
      `${half.toFixed(1)} ms (${String(laid.length)} places; the frame after it ${frames.toFixed(0)} ms)`,
      half,
      16,
      'ms',
    ),
    limited('the slowest of them', `${worst.toFixed(1)} ms`, worst, 50, 'ms'),
    limited(
      `a sheet of ${MANY.toLocaleString('en')} strokes is there, after the first paint`,
      `${((readMs - paint) / 1000).toFixed(2)} s`,
      (readMs - paint) / 1000,
      1,
      's',
    ),
  ];
}
