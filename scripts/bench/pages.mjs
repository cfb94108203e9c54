// A year of sheets in the app: 200 pages with 15 drawings on each, of them one of the same figure.
import { framesWhileScrolling } from './library.mjs';
import { freshPage } from './page.mjs';
import { limited, quantile } from './row.mjs';

const SHEETS = 200;
const ON_EACH = 15;
const SAME = 'figure/bread-carrier-walking/stocky/65/10/26';
const DAY_MS = 86_400_000;

/** Fill the page's database with kept sessions, their pages, and the sheets as the Desk leaves them. */
const fill = (page) =>
  page.evaluate(
    async ({ sheets, onEach, same, dayMs }) => {
      const [photo, small] = await Promise.all(
        ['/demo/page-1.jpg', '/demo/small-page-1.jpg'].map(async (name) => (await fetch(name)).blob()),
      );
      const bytes = await small.arrayBuffer();
      const open = indexedDB.open('fox-minute');
      const db = await new Promise((resolve) => (open.onsuccess = () => resolve(open.result)));
      const shape = {
        corners: [
          [0.1, 0.1],
          [0.9, 0.1],
          [0.9, 0.9],
          [0.1, 0.9],
        ],
        quarters: 0,
        aspect: 0.7,
      };
      for (let i = 0; i < sheets; i++) {
        const id = `bench-${i}`;
        const tx = db.transaction(['sessions', 'pages', 'images', 'renders'], 'readwrite');
        const poses = Array.from({ length: onEach }, (_, k) => ({
          referenceId: k === 0 ? same : null,
          leadInMs: 0,
          lookMs: 0,
          drawMs: 60_000,
          lookAgainMs: 0,
        }));
        tx.objectStore('sessions').put({
          id,
          plan: {
            version: 1,
            title: 'Evening',
            why: 'Because.',
            seed: 1,
            availableMs: 3_600_000,
            blocks: [{ kind: 'poses', exercise: 'flowing-gesture', changeMs: 0, poses }],
          },
          log: [{ type: 'start', atMs: 0 }],
          startedAtMs: Date.now() - (i + 1) * dayMs,
          lastSeenMs: onEach * 60_000,
          status: 'kept',
          note: '',
        });
        const drawings = Array.from({ length: onEach }, (_, k) => ({
          x: 0.02 + (k % 5) * 0.19,
          y: 0.02 + Math.floor(k / 5) * 0.32,
          width: 0.18,
          height: 0.3,
          drawing: `0:${k}`,
        }));
        tx.objectStore('pages').put({
          id,
          sessionId: id,
          widthPx: 1200,
          heightPx: 1600,
          addedAtMs: Date.now() - (i + 1) * dayMs,
          binnedAtMs: null,
          sheet: { ...shape, drawings },
        });
        tx.objectStore('images').put(photo, `page/${id}`);
        tx.objectStore('images').put({ type: small.type, bytes }, `thumbnail/${id}`);
        tx.objectStore('renders').put({ image: small, usedAtMs: Date.now() }, `sheet/${id}/${JSON.stringify(shape)}`);
        await new Promise((resolve, reject) => {
          tx.oncomplete = resolve;
          tx.onerror = () => reject(tx.error);
        });
      }
      db.close();
    },
    { sheets: SHEETS, onEach: ON_EACH, same: SAME, dayMs: DAY_MS },
  );

/** Milliseconds from a change of a choice to the next frame painted after it. */
const chooseToPaint = (page, value) =>
  page.evaluate(async (chosen) => {
    const select = document.querySelector('ol select');
    const from = performance.now();
    Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')?.set?.call(select, chosen);
    select.dispatchEvent(new Event('change', { bubbles: true }));
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    return performance.now() - from;
  }, value);

export async function pagesRows(base) {
  const { browser, page } = await freshPage(base);
  await fill(page);
  const timed = async (path, there) => {
    const from = Date.now();
    await page.goto(`${base}${path}`);
    await there();
    return Date.now() - from;
  };
  const count = `${SHEETS} pages with ${(SHEETS * ON_EACH).toLocaleString('en')} drawings`;
  const journalMs = await timed('/journal', () => page.getByRole('heading', { name: `${SHEETS} sessions` }).waitFor());
  const strip = page.getByRole('region', { name: 'Drawn before' });
  const versionsMs = await timed(`/poses/figure?id=${encodeURIComponent(SAME)}`, () =>
    strip.getByRole('img', { name: 'The drawing' }).first().waitFor(),
  );
  await page.waitForTimeout(4000);
  await strip.scrollIntoViewIfNeeded();
  const frames = await framesWhileScrolling(page);
  await page.goto(`${base}/desk?session=bench-0&page=bench-0`);
  await page.getByRole('list', { name: 'Drawings on this sheet' }).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  const choices = [];
  for (const value of ['0:3', '', '0:5', '0:0', 'not-one/note', '0:0']) choices.push(await chooseToPaint(page, value));
  const memory = await page.evaluate(() => performance.memory.usedJSHeapSize / 1e6);
  await browser.close();
  return [
    limited(`open the journal with ${count}`, `${journalMs} ms`, journalMs, 3000, 'ms'),
    limited(`the ${SHEETS} versions of one figure: the first is seen`, `${versionsMs} ms`, versionsMs, 4000, 'ms'),
    limited(
      'scrolling the versions: frame, median / max; over 50 ms',
      `${quantile(frames, 0.5).toFixed(0)} / ${Math.max(...frames).toFixed(0)} ms; ${frames.filter((f) => f > 50).length} of ${frames.length}`,
      frames.filter((f) => f > 50).length,
      0,
      'frames',
    ),
    limited(
      `a sheet of ${ON_EACH} on the Desk, which one is said: painted, median / max`,
      `${quantile(choices, 0.5).toFixed(0)} / ${Math.max(...choices).toFixed(0)} ms`,
      quantile(choices, 0.5),
      50,
      'ms',
    ),
    { name: `memory of the Desk with ${count} kept`, value: `${memory.toFixed(0)} MB` },
  ];
}
