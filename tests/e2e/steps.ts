import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { keepPlan, planOf } from '../../scripts/keep-plan.mjs';
import { letPass, picturesSeen } from '../../scripts/page-clock.mjs';

const { views } = JSON.parse(readFileSync('src/core/figure/catalogue/catalogue.json', 'utf8')) as {
  views: (string | number)[][];
};
const FIGURES = views.map((view) => ['figure', ...view.slice(0, 5)].join('/'));

/** Pictures of all figures lie ready, as where they were drawn from before: making one takes both cores for seconds. Today is open. */
const picturesReady = (page: Page): Promise<void> =>
  page.evaluate(
    async ([ids, some]) => {
      const image = await (await fetch(some)).blob();
      const open = indexedDB.open('fox-minute');
      await new Promise((resolve) => (open.onsuccess = resolve));
      const tx = open.result.transaction('renders', 'readwrite');
      for (const id of ids) tx.objectStore('renders').put({ image, usedAtMs: Date.now() }, id);
      await new Promise((resolve) => (tx.oncomplete = resolve));
      open.result.close();
    },
    [FIGURES, '/figures/bread-carrier-walking-stocky-65.webp'] as const,
  );

/** Choose the minutes on Today's ruler by keyboard: Home is one minute, each Right the next step. Of a bit of everything, whatever the months say. */
export async function chooseMinutes(page: Page, stepsFromOne: number): Promise<void> {
  await expect(page.getByText('Why this plan:')).toBeVisible();
  const advice = page.getByRole('button', { name: 'No advice, please' });
  if (await advice.isVisible()) await advice.click();
  await expect(advice).toHaveCount(0);
  await picturesReady(page);
  const ruler = page.getByRole('slider', { name: 'How long have you got?' });
  await ruler.focus();
  await page.keyboard.press('Home');
  for (let i = 0; i < stepsFromOne; i++) await page.keyboard.press('ArrowRight');
}

/** Open Today and start a session of some length. */
export async function startSession(page: Page, stepsFromOne: number): Promise<void> {
  await page.goto('/');
  await chooseMinutes(page, stepsFromOne);
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await picturesSeen(page);
}

/** Go on to the next segment, once its picture is there: the clock would wait for it. */
export async function next(page: Page): Promise<void> {
  await picturesSeen(page);
  await page.keyboard.press('ArrowRight');
}

/** Draw the poses of a plan that has nothing else, each for eight seconds. Its clock is driven. */
export async function drawAll(page: Page, poses: number): Promise<void> {
  for (let i = 0; i < poses; i++) {
    if (i > 0) await letPass(page, CHANGE_MS);
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await next(page);
    await expect(page.getByRole('timer', { name: 'Time left' })).toBeVisible();
    await letPass(page, 8000);
    await next(page);
  }
  await expect(page).toHaveURL(/\/after/);
}

/** Go to the next segment until some words are on screen. */
export async function skipTo(page: Page, words: string | RegExp): Promise<void> {
  const target = page.getByText(words).first();
  for (let i = 0; i < 120; i++) {
    if (await target.isVisible()) return;
    await page.keyboard.press('ArrowRight');
    await target.waitFor({ state: 'visible', timeout: 60 }).catch(() => undefined);
  }
  throw new Error(`never came to ${String(words)}`);
}

/** Stop and keep, and wait for the end card. */
export async function stopAndKeep(page: Page): Promise<void> {
  await page.keyboard.press('x');
  await page.getByRole('button', { name: /Stop and keep X/ }).click();
  await expect(page).toHaveURL(/\/after/);
}

/** "1:05" to 65. */
export const seconds = (digits: string): number => digits.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);

/** The six sums and their total as the journal shows them, seconds. */
export async function sumsShown(
  page: Page,
): Promise<{ parts: number[]; together: number; byName: Record<string, number> }> {
  const cells = page.locator('[data-sum]');
  await expect(cells).toHaveCount(7);
  const entries = await cells.evaluateAll((nodes) =>
    nodes.map((n) => [(n as HTMLElement).dataset['sum'] ?? '', n.textContent ?? '']),
  );
  const byName = Object.fromEntries(entries.map(([name, text]) => [name, seconds(text)]));
  const { together, ...parts } = byName;
  return { parts: Object.values(parts), together, byName };
}

/** A drawing of a plan as it is kept; its lead-in is long enough to be left by hand on a slow machine. */
export const pose = (referenceId: string | null, drawMs: number, more: object = {}): object => ({
  referenceId,
  leadInMs: 25_000,
  lookMs: 0,
  drawMs,
  lookAgainMs: 0,
  ...more,
});
/** Between two poses. */
const CHANGE_MS = 4000;
export const posesBlock = (exercise: string, poses: object[], settings?: object): object => ({
  kind: 'poses',
  exercise,
  changeMs: CHANGE_MS,
  poses,
  ...(settings && { settings }),
});
/** Two views of the sets whose full picture ships. */
export const WALKING = 'figure/bread-carrier-walking/stocky/65/10/26';
export const WAITING = 'figure/bell-ringer-waiting/stocky/30/6/26';

/** Run a plan of some blocks now: the session is put where the app keeps it, as Start does. */
export async function runPlan(page: Page, ...blocks: object[]): Promise<void> {
  if (!page.url().startsWith('http')) {
    await page.goto('/');
    await expect(page.getByText('Why this plan:')).toBeVisible();
  }
  await page.evaluate(keepPlan, planOf(...blocks));
  await page.goto('/run');
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await picturesSeen(page);
}

/** A record as it is on disk, by its store and key; with no key, all of the store. */
export const stored = (page: Page, store: string, key: string | null): Promise<unknown> =>
  page.evaluate(
    async ([from, of]) => {
      const open = indexedDB.open('fox-minute');
      await new Promise((resolve) => (open.onsuccess = resolve));
      const records = open.result.transaction(from).objectStore(from);
      const get = (of === null ? records.getAll() : records.get(of)) as IDBRequest<unknown>;
      await new Promise((resolve) => (get.onsuccess = resolve));
      open.result.close();
      return get.result;
    },
    [store, key] as const,
  );

/** Wait until something is on disk: a record, as JSON, holds some words. Before a page is left, where it shows a change at once. */
export const kept = (page: Page, store: string, key: string | null, words: string): Promise<void> =>
  expect
    .poll(async () => {
      const record = await stored(page, store, key);
      // Settings of several parts are JSON already.
      return typeof record === 'string' ? record : (JSON.stringify(record) ?? '');
    })
    .toContain(words);

interface KeptSession {
  id: string;
  startedAtMs: number;
  lastSeenMs: number;
  status: string;
  log: { type: string; atMs: number }[];
}
/** The session that runs or ran last, as it is on disk. */
export const lastSession = async (page: Page): Promise<KeptSession | undefined> =>
  ((await stored(page, 'sessions', null)) as KeptSession[]).toSorted((a, b) => a.startedAtMs - b.startedAtMs).at(-1);

/** Wait until the session has given a sign of life so many milliseconds into it. */
export const seenAlive = (page: Page, fromMs: number): Promise<void> =>
  expect.poll(async () => (await lastSession(page))?.lastSeenMs ?? 0).toBeGreaterThanOrEqual(fromMs);

/** Its log. */
export const keptLog = async (page: Page): Promise<KeptSession['log']> => (await lastSession(page))?.log ?? [];

/** A folder on disk for a page that asks for one: files are put into it, and taken out. */
export async function withFolder(page: Page): Promise<{
  put: (name: string, bytes: Iterable<number>) => Promise<void>;
  drop: (name: string) => Promise<void>;
}> {
  await page.addInitScript(() => {
    const folder = async () =>
      (await navigator.storage.getDirectory()).getDirectoryHandle('Sketches', { create: true });
    Object.assign(window, {
      showDirectoryPicker: folder,
      putFile: async (name: string, bytes: number[]) => {
        const handle = await (await folder()).getFileHandle(name, { create: true });
        const stream = await handle.createWritable();
        await stream.write(Uint8Array.from(bytes));
        await stream.close();
      },
      dropFile: async (name: string) => (await folder()).removeEntry(name),
    });
  });
  type Disk = Window & {
    putFile: (n: string, b: readonly number[]) => Promise<void>;
    dropFile: (n: string) => Promise<void>;
  };
  return {
    put: (name, bytes) =>
      page.evaluate(([n, b]) => (window as unknown as Disk).putFile(n, b), [name, [...bytes]] as const),
    drop: (name) => page.evaluate((n) => (window as unknown as Disk).dropFile(n), name),
  };
}

/** Go to the plan, and wait until it can be worked on. */
export async function openPlan(page: Page): Promise<void> {
  await page.goto('/plan');
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeEnabled();
  await expect(ribbon(page).getByRole('option').first()).toBeVisible();
}
/** The ribbon of the plan as a list of its blocks. */
export const ribbon = (page: Page) => page.getByRole('listbox', { name: 'Blocks of the session, in order' });
