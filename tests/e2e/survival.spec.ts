import { expect, type Page, test } from '@playwright/test';
import { picturesSeen } from '../../scripts/page-clock.mjs';
import { createProfile } from './browser';
import {
  chooseMinutes,
  keptLog,
  pose,
  posesBlock,
  runPlan,
  seenAlive,
  startSession,
  stopAndKeep,
  WALKING,
} from './steps';

/** Number of kills: a few in every check, `KILLS=60` for a measurement. */
const KILLS = Number(process.env['KILLS'] ?? 5);
/** A press counts as shown as saved after this long without a warning, milliseconds. */
const SHOWN_MS = 150;

/** Reports how many key presses the page has shown as saved. Call it before opening the page. */
async function reportSaved(page: Page, report: (presses: number) => void): Promise<void> {
  await page.exposeFunction('reportSaved', report);
  await page.addInitScript((shownMs) => {
    let presses = 0;
    let pressedAt = 0;
    let said = 0;
    window.addEventListener(
      'keydown',
      () => {
        presses++;
        pressedAt = performance.now();
      },
      true,
    );
    setInterval(() => {
      const marked = /Saving…|Not saved yet/.test(document.body.textContent ?? '');
      if (marked || said === presses || performance.now() - pressedAt < shownMs) return;
      said = presses;
      (window as unknown as { reportSaved: (n: number) => void }).reportSaved(said);
    }, 20);
  }, SHOWN_MS);
}

/** Returns the holds and resumes that Space caused, without those for a picture or a closed tab. */
function pressesIn(log: readonly { type: string; reason?: string }[]): string[] {
  const out: string[] = [];
  for (const { type, reason } of log)
    if (type === 'hold' ? reason === 'paused' : type === 'resume' && out.at(-1) === 'hold') out.push(type);
  return out;
}

/** Makes every write to a store fail, or to all stores with null, until `letWrite`. */
const failWrites = (page: Page, store: string | null, error: string): Promise<void> =>
  page.evaluate(
    ([only, name]) => {
      const put = IDBObjectStore.prototype.put;
      const state = { fails: true };
      Object.assign(window, { letWrite: () => (state.fails = false) });
      IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
        if (state.fails && (only === null || this.name === only)) throw new DOMException('made to fail', name);
        return put.apply(this, args);
      };
    },
    [store, error] as const,
  );
const letWrite = (page: Page): Promise<void> =>
  page.evaluate(() => (window as unknown as { letWrite: () => void }).letWrite());

test('keeps every press shown as saved when the browser is killed at random moments', async ({ baseURL }) => {
  const profile = createProfile(baseURL!);
  let browser = await profile.open();
  await runPlan(browser.page, posesBlock('flowing-gesture', [pose(WALKING, 1_800_000)]));
  await browser.page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await keptLog(browser.page)).map((e) => e.type)).toContain('next');
  let shownInAll = 0;
  for (let kill = 0; kill < KILLS; kill++) {
    await browser.context.close();
    browser = await profile.open();
    const { page } = browser;
    let shown = 0;
    await reportSaved(page, (presses) => (shown = presses));
    await page.goto('/run');
    await page.getByRole('button', { name: 'Go on', exact: true }).first().click();
    await expect.poll(async () => (await keptLog(page)).at(-1)?.type).toBe('resume');
    await picturesSeen(page);
    const before = (await keptLog(page)).length;
    const untilMs = Date.now() + 300 + Math.random() * 2500;
    while (Date.now() < untilMs) {
      await page.keyboard.press('Space');
      await page.waitForTimeout(Math.random() * 300);
    }
    browser.signal('KILL', 'all');
    await browser.context.close().catch(() => undefined);
    browser = await profile.open();
    await browser.page.goto('/handbook');
    const log = await keptLog(browser.page);
    const inTurn = Array.from({ length: shown }, (_, i) => (i % 2 === 0 ? 'hold' : 'resume'));
    expect(pressesIn(log.slice(before)).slice(0, shown), `kill ${String(kill + 1)}`).toEqual(inTurn);
    shownInAll += shown;
  }
  expect(shownInAll).toBeGreaterThan(KILLS / 2);
  test.info().annotations.push({ type: 'presses shown as saved', description: String(shownInAll) });
  await browser.context.close();
  profile.remove();
});

for (const [error, sentence] of [
  ['UnknownError', 'could not save that'],
  ['QuotaExceededError', 'no room left'],
] as const)
  test(`${error} during a run: says so, retries, and saves the press`, async ({ page }) => {
    await startSession(page, 1);
    await failWrites(page, 'sessions', error);
    await page.keyboard.press('ArrowRight');
    const warning = page.getByRole('alert').filter({ hasText: sentence });
    await expect(warning).toContainText('Everything kept so far is safe');
    await expect(page.getByText('Not saved yet. Trying again.')).toBeVisible();
    await letWrite(page);
    await expect(warning).toHaveCount(0);
    await expect(page.getByText('Not saved yet. Trying again.')).toHaveCount(0);
    expect((await keptLog(page)).map((e) => e.type)).toContain('next');
    await page.reload();
    await expect(page.getByText(/pose 1 of 3/)).toBeVisible();
  });

test('says when storage stops answering during a run, and goes on', async ({ page }) => {
  await startSession(page, 1);
  await page.evaluate(async () => {
    // An endless transaction over all stores blocks every other request.
    const open = indexedDB.open('fox-minute');
    await new Promise((done) => (open.onsuccess = done));
    const stores = [...open.result.objectStoreNames];
    const busy = open.result.transaction(stores, 'readwrite').objectStore(stores[0]);
    const ask = (): void => {
      busy.get('').onsuccess = ask;
    };
    ask();
  });
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Saving…')).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'isn’t answering' })).toBeVisible();
  await expect(page.getByText(/^pose \d of 3/).first()).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('region', { name: 'On hold' })).toBeVisible();
});

test('saves the session again and says so when storage is cleared during a run', async ({ page, context, baseURL }) => {
  await startSession(page, 1);
  await page.keyboard.press('ArrowRight');
  await seenAlive(page, 6000);
  const devtools = await context.newCDPSession(page);
  await devtools.send('Storage.clearDataForOrigin', { origin: baseURL!, storageTypes: 'indexeddb' });
  await page.keyboard.press('+');
  await expect(page.getByRole('alert').filter({ hasText: 'cleared its storage' })).toContainText(
    'saved again from memory',
  );
  expect((await keptLog(page)).map((e) => e.type)).toEqual(expect.arrayContaining(['next', 'length']));
  await stopAndKeep(page);
  await expect(page.getByRole('heading', { name: /^1 drawing/ })).toBeVisible();
});

test('says that there is no room to start a session, and starts once there is', async ({ page }) => {
  await page.goto('/');
  await chooseMinutes(page, 1);
  await failWrites(page, null, 'QuotaExceededError');
  await page.getByRole('button', { name: 'Start' }).click();
  const noRoom = page.getByText('This browser has no room left for Fox Minute.');
  await expect(noRoom.first()).toBeVisible();
  await expect(page).not.toHaveURL(/\/run/);
  await letWrite(page);
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
});

test('runs a session and says that nothing is kept when the browser denies storage', async ({ page }) => {
  await page.addInitScript(() => {
    const deny = (): never => {
      throw new DOMException('denied', 'SecurityError');
    };
    for (const name of ['sessionStorage', 'localStorage']) Object.defineProperty(window, name, { get: deny });
    Object.defineProperty(window, 'indexedDB', { value: { open: deny }, configurable: true });
  });
  await page.goto('/');
  await expect(page.getByText('This browser doesn’t let Fox Minute keep anything.')).toBeVisible();
  await startSession(page, 1);
  await expect(page.getByText('pose 1 of 3', { exact: true })).toBeVisible();
});

test('offers drawing without saving when storage never answers', async ({ page }) => {
  await page.addInitScript(() => {
    const request = Object.create(IDBOpenDBRequest.prototype) as IDBOpenDBRequest;
    Object.defineProperty(request, 'addEventListener', { value: () => undefined });
    Object.defineProperty(window, 'indexedDB', { value: { open: () => request }, configurable: true });
  });
  await page.goto('/');
  await page.getByRole('button', { name: 'draw now without keeping anything' }).click();
  await expect(page.getByText('This browser doesn’t let Fox Minute keep anything.')).toBeVisible();
  await page.getByRole('button', { name: /^Start/ }).click();
  await expect(page).toHaveURL(/\/run$/);
  await expect(page.getByRole('heading', { name: 'Session running' })).toBeAttached();
});

test('runs a session in memory in a private window that opens no database', async ({ page }) => {
  // In some browsers the request fails a moment later.
  await page.addInitScript(() => {
    const open = (): IDBOpenDBRequest => {
      const request = Object.create(IDBOpenDBRequest.prototype) as IDBOpenDBRequest;
      const error = new DOMException('private', 'InvalidStateError');
      Object.defineProperties(request, {
        error: { value: error },
        addEventListener: {
          value: (type: string, listener: (event: Event) => void) => {
            if (type === 'error') setTimeout(() => listener(new Event('error')), 20);
          },
        },
        removeEventListener: { value: () => undefined },
      });
      return request;
    };
    Object.defineProperty(window, 'indexedDB', { value: { open }, configurable: true });
  });
  await page.goto('/');
  await expect(page.getByText('This browser doesn’t let Fox Minute keep anything.')).toBeVisible();
  await page.getByRole('button', { name: /^Start/ }).click();
  await expect(page.getByRole('heading', { name: 'Session running' })).toBeAttached();
});

test('releases the run lock after Forward and Back within 200 ms', async ({ page }) => {
  await startSession(page, 1);
  await page.keyboard.press('ArrowRight');
  await page.goBack();
  await expect(page.getByRole('region', { name: 'Cut off' })).toBeVisible();
  for (const waitMs of [0, 20, 60, 100, 130, 160, 200]) {
    await page.evaluate(async (ms) => {
      history.forward();
      await new Promise((r) => setTimeout(r, ms));
      history.back();
    }, waitMs);
    await page.waitForTimeout(150);
  }
  await expect(page).toHaveURL(/\/$/);
  await expect
    .poll(() => page.evaluate(async () => (await navigator.locks.query()).held?.map((l) => l.name) ?? []))
    .toEqual([]);
  await page.getByRole('region', { name: 'Cut off' }).getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('region', { name: 'On hold' })).toBeVisible();
  await expect(page.getByText('A session is running in another tab')).toHaveCount(0);
});
