// Five and a half years of sessions in the app: 2,000 of five drawings each, over media and exercises.
import { framesWhileScrolling } from './library.mjs';
import { freshPage } from './page.mjs';
import { limited, quantile, timesRow } from './row.mjs';

const SESSIONS = 2000;
const DRAWINGS = 5;

/** Fill the page's database with kept sessions: an answer about the whole figure in each. */
const fill = (page) =>
  page.evaluate(
    async ({ sessions, drawings }) => {
      const open = indexedDB.open('fox-minute');
      const db = await new Promise((resolve) => (open.onsuccess = () => resolve(open.result)));
      const tx = db.transaction('sessions', 'readwrite');
      for (let i = 0; i < sessions; i++) {
        const poses = Array.from({ length: drawings }, (_, k) => ({
          referenceId: `figure/bread-carrier-walking/stocky/${(i + k) % 90}/10/26`,
          leadInMs: 3000,
          lookMs: 0,
          drawMs: 60_000,
          lookAgainMs: 0,
        }));
        const exercise = ['flowing-gesture', 'continuous-line', 'blind-contour', 'structural-gesture'][i % 4];
        const settings = { medium: ['pencil', 'ballpoint', 'charcoal'][i % 3] };
        tx.objectStore('sessions').put({
          id: `bench-${i}`,
          plan: {
            version: 2,
            title: 'Evening',
            why: 'Because.',
            seed: 1,
            availableMs: 3_600_000,
            blocks: [{ kind: 'poses', exercise, changeMs: 4000, poses, settings }],
          },
          log: [
            { type: 'start', atMs: 0 },
            { type: 'whole', atMs: 65_000, down: i % 3 > 0 },
          ],
          startedAtMs: Date.now() - (i + 1) * 86_400_000,
          lastSeenMs: drawings * 67_000,
          status: 'kept',
          note: '',
        });
      }
      await new Promise((resolve, reject) => {
        tx.oncomplete = resolve;
        tx.onerror = () => reject(tx.error);
      });
      db.close();
    },
    { sessions: SESSIONS, drawings: DRAWINGS },
  );

/** Milliseconds from the first paint of a page to its numbers. */
const fromFirstPaint = (page) =>
  page.evaluate(() => performance.now() - performance.getEntriesByName('first-contentful-paint')[0].startTime);

/** Milliseconds from a press of a button to the next frame painted after it. */
const pressToPaint = (page, name) =>
  page.evaluate(async (label) => {
    const button = [...document.querySelectorAll('button')].find((b) => b.textContent === label);
    const from = performance.now();
    button.click();
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    return performance.now() - from;
  }, name);

/** Milliseconds from another choice in a list that one is in to the next frame painted after it. @param which 0 for the first. */
const selectToPaint = (page, name, which) =>
  page.evaluate(
    async ([label, index]) => {
      const select = [...document.querySelectorAll('label')]
        .find((l) => l.firstChild.textContent === label)
        ?.querySelector('select');
      // How many there are of each is said anew in the list one is in.
      select.focus();
      const from = performance.now();
      // React listens to what the browser says, not to what a script sets.
      Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'selectedIndex').set.call(select, index);
      select.dispatchEvent(new Event('change', { bubbles: true }));
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
      return performance.now() - from;
    },
    [name, which],
  );

/**
 * What this machine takes in the same minute for a choice in a list of an empty page that exchanges as many small pictures as a wall shows:
 * milliseconds to the next frame painted after it.
 */
async function emptyWall(page, base) {
  await page.goto('about:blank');
  await page.setContent(
    `<label>Which<select><option>one</option><option>other</option></select></label>${'<img width="112" height="150" alt="">'.repeat(28)}`,
  );
  await page.evaluate((from) => {
    const names = ['archer-drawing-masc--55', 'archer-drawing-strong-35'];
    const select = document.querySelector('select');
    select.addEventListener('change', () => {
      for (const [i, img] of [...document.querySelectorAll('img')].entries())
        img.src = `${from}/figures/small/${names[(select.selectedIndex + i) % 2]}.webp`;
    });
  }, base);
  const times = [];
  for (let i = 0; i < 20; i++) times.push(await selectToPaint(page, 'Which', (i + 1) % 2));
  return times;
}

export async function monthsRows(base) {
  const { browser, page } = await freshPage(base);
  await fill(page);
  const openings = [];
  for (let i = 0; i < 5; i++) {
    await page.goto(`${base}/journal/months`);
    await page.getByRole('row', { name: /^Together/ }).waitFor();
    openings.push(await fromFirstPaint(page));
  }
  const presses = [];
  for (let i = 0; i < 4; i++)
    for (const name of ['Medium', 'Pose', 'Hand', 'Month', 'Exercise']) presses.push(await pressToPaint(page, name));
  const hung = [];
  for (let i = 0; i < 5; i++) {
    await page.goto(`${base}/journal/wall`);
    await page.getByText(new RegExp(`^${String(SESSIONS * DRAWINGS)} drawings in .*, newest first`)).waitFor();
    hung.push(await fromFirstPaint(page));
  }
  const filters = [];
  for (const facet of ['Exercise', 'Medium', 'Drawn from', 'Pose', 'View', 'Hand', 'Month', 'State']) {
    const times = [];
    for (let i = 0; i < 7; i++) times.push(await selectToPaint(page, facet, (i + 1) % 2));
    filters.push({ facet, ms: quantile(times, 0.5), times });
  }
  const frames = await framesWhileScrolling(page);
  await page.goto(base);
  await page.getByText('Why this plan:').waitFor();
  const todayMs = await fromFirstPaint(page);
  const empty = await emptyWall(page, base);
  await browser.close();
  const slowest = filters.reduce((most, one) => (one.ms > most.ms ? one : most));
  const all = filters.flatMap(({ times }) => times);
  const count = `${SESSIONS.toLocaleString('en')} sessions with ${(SESSIONS * DRAWINGS).toLocaleString('en')} drawings`;
  const openMs = quantile(openings, 0.5);
  const most = Math.max(...presses);
  return [
    limited(`months of ${count}: there after the first paint, median`, `${openMs.toFixed(0)} ms`, openMs, 1000, 'ms'),
    limited(
      'counted by something else: painted, median / max',
      `${quantile(presses, 0.5).toFixed(0)} / ${most.toFixed(0)} ms`,
      quantile(presses, 0.5),
      50,
      'ms',
    ),
    limited(
      `the wall of them: there after the first paint, median`,
      `${quantile(hung, 0.5).toFixed(0)} ms`,
      quantile(hung, 0.5),
      1000,
      'ms',
    ),
    timesRow('as many small pictures exchanged by a list on an empty page: painted', empty),
    limited(
      'a filter of the wall changed: painted, median / p95; median of the slowest filter',
      `${quantile(all, 0.5).toFixed(0)} / ${quantile(all, 0.95).toFixed(0)} ms; ${slowest.facet} ${slowest.ms.toFixed(0)} ms`,
      slowest.ms,
      50,
      'ms',
    ),
    limited(
      'scrolling the wall: frame, median / max; over 50 ms',
      `${quantile(frames, 0.5).toFixed(0)} / ${Math.max(...frames).toFixed(0)} ms; ${frames.filter((f) => f > 50).length} of ${frames.length}`,
      frames.filter((f) => f > 50).length,
      0,
      'frames',
    ),
    limited('Today of them: its plan after the first paint', `${todayMs.toFixed(0)} ms`, todayMs, 2000, 'ms'),
  ];
}
