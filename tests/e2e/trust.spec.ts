import { expect, test } from '@playwright/test';
import { createProfile } from './browser';
import { keptLog, seconds, seenAlive, startSession, stopAndKeep } from './steps';

test('a machine that slept puts the session on hold as of the last tick: go on, or count it as drawn', async ({
  baseURL,
}) => {
  const profile = createProfile(baseURL!);
  const { page, context, signal } = await profile.open();
  await startSession(page, 1);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('+');
  const timer = page.getByRole('timer', { name: 'Time left' });
  await expect.poll(async () => (await keptLog(page)).map((e) => e.type)).toContain('length');
  const left = async (): Promise<number> => seconds((await timer.textContent()) ?? '');
  /** Stops the pages for seven seconds. @returns What the timer said before, and how long ago that was when they stopped, seconds. */
  const sleep = async (): Promise<{ before: number; since: number }> => {
    const before = await left();
    const read = Date.now();
    signal('STOP', 'renderers');
    const since = (Date.now() - read) / 1000;
    await new Promise((r) => setTimeout(r, 7000));
    signal('CONT', 'renderers');
    return { before, since };
  };
  const first = await sleep();
  await expect(page.getByText(/This machine slept for 0:\d\d/)).toBeVisible();
  // As of the last tick: what went by before the pages stopped, and the turn of a second on either side.
  expect(first.before - (await left())).toBeLessThanOrEqual(first.since + 2);
  await page.getByRole('button', { name: /Go on from where I was/ }).click();
  await expect(page.getByText(/This machine slept/)).toHaveCount(0);
  const second = await sleep();
  await page.getByRole('button', { name: 'Count it as drawn' }).click();
  await expect(page.getByText(/This machine slept/)).toHaveCount(0);
  expect(second.before - (await left())).toBeGreaterThanOrEqual(6);
  await context.close();
  profile.remove();
});

test('the screen is kept awake while a session runs and let go after it', async ({ page }) => {
  await page.addInitScript(() => {
    const calls: string[] = [];
    Object.assign(window, { wakeCalls: calls });
    Object.defineProperty(navigator, 'wakeLock', {
      value: {
        request: (type: string) => {
          calls.push(type);
          return Promise.resolve({ release: () => Promise.resolve(void calls.push('released')) });
        },
      },
    });
  });
  const calls = () => page.evaluate(() => (window as unknown as { wakeCalls: string[] }).wakeCalls);
  await startSession(page, 1);
  await expect.poll(calls).toEqual(['screen']);
  await stopAndKeep(page);
  await expect.poll(calls).toEqual(['screen', 'released']);
});

test('a view that was never rendered is shown rough, then fine, within the session', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  await page.evaluate(async () => {
    const plan = {
      version: 1,
      title: 'A view nobody has seen',
      why: 'To see it.',
      seed: 0,
      availableMs: 600_000,
      blocks: [
        {
          kind: 'poses',
          exercise: 'flowing-gesture',
          changeMs: 0,
          poses: [
            {
              referenceId: 'figure/archer-lunging/stocky/155/12/30',
              leadInMs: 1000,
              lookMs: 0,
              drawMs: 500_000,
              lookAgainMs: 0,
            },
          ],
        },
      ],
    };
    const session = {
      id: 'unseen',
      plan,
      log: [{ type: 'start', atMs: 0 }],
      startedAtMs: Date.now(),
      lastSeenMs: 0,
      status: 'running',
      note: '',
    };
    const database = await new Promise<IDBDatabase>((resolve) => {
      const open = indexedDB.open('fox-minute');
      open.onsuccess = () => resolve(open.result);
    });
    const tx = database.transaction('sessions', 'readwrite');
    tx.objectStore('sessions').put(session);
    await new Promise((done) => (tx.oncomplete = done));
    database.close();
  });
  await page.goto('/run');
  await page
    .getByRole('button', { name: /^Go on/ })
    .first()
    .click();
  const canvas = page.locator('canvas[aria-label="Reference: Archer lunging"]');
  await expect(canvas).toBeVisible();
  const size = () => canvas.evaluate((c: HTMLCanvasElement) => Math.max(c.width, c.height));
  await expect.poll(size).toBeGreaterThanOrEqual(500);
  await expect.poll(size).toBeGreaterThanOrEqual(800);
});

test('nothing of the demo learner returns after stopping mid-way: the journal holds the new session first', async ({
  page,
}) => {
  await startSession(page, 1);
  await page.keyboard.press('ArrowRight');
  await seenAlive(page, 6000);
  await stopAndKeep(page);
  await expect(page.getByRole('heading', { name: /^1 drawing, 0:\d\d of drawing$/ })).toBeVisible();
  await page.goto('/journal');
  await expect(page.getByRole('heading', { name: '1 session', exact: true })).toBeVisible();
  await expect(page.getByText(/Session 1: 1 drawing, begun at/)).toBeVisible();
  await page.getByRole('link', { name: 'Look at hers' }).click();
  await expect(page.getByRole('heading', { name: '40 sessions of Wren Halloran’s' })).toBeVisible();
  await page.goBack();
  await expect(page.getByText(/Session 1: 1 drawing, begun at/)).toBeVisible();
});

test('a session unknown to this browser is said to be so', async ({ page }) => {
  await page.goto('/after?session=nobody');
  await expect(page.getByText('That session is not kept in this browser.')).toBeVisible();
  await page.goto('/journal?session=nobody');
  await expect(page.getByText('That session is not kept in this browser. Here is the last one.')).toBeVisible();
});
