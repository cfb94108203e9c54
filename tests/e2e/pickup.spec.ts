import { expect, type Page, test } from '@playwright/test';
import { createProfile } from './browser';
import { keptLog, lastSession, seconds, seenAlive, startSession, sumsShown } from './steps';

const left = async (page: Page): Promise<number> =>
  seconds((await page.getByRole('timer', { name: 'Time left' }).textContent()) ?? '');

test('a reload in the middle loses nothing, and the sums add up to the wall time', async ({ page }) => {
  await startSession(page, 1);
  const began = (await lastSession(page))?.startedAtMs ?? 0;
  await page.keyboard.press('ArrowRight');
  await seenAlive(page, 4000);
  const before = await left(page);
  await page.reload();
  await expect(page.getByText('Picked up where it was cut off')).toBeVisible();
  // The last sign of life is at most five seconds old.
  expect((await left(page)) - before).toBeLessThanOrEqual(6);
  expect((await left(page)) - before).toBeGreaterThanOrEqual(-1);
  // Time on hold, to be found in the sums.
  await page.waitForTimeout(1500);
  await page
    .getByRole('button', { name: /^Go on/ })
    .first()
    .click();
  await page.keyboard.press('x');
  await page.keyboard.press('x');
  const wall = (Date.now() - began) / 1000;
  await expect(page).toHaveURL(/\/after/);
  await page.getByRole('link', { name: 'To the journal' }).click();
  const { parts, together, byName } = await sumsShown(page);
  expect(parts.reduce((a, b) => a + b, 0)).toBe(together);
  expect(Math.abs(together - wall)).toBeLessThan(3);
  expect(byName['held']).toBeGreaterThanOrEqual(1);
});

test('a closed tab leaves the session waiting on Today: go on, or stop and keep', async ({ context, page }) => {
  await startSession(page, 1);
  await page.keyboard.press('ArrowRight');
  await seenAlive(page, 4000);
  await page.close();
  const again = await context.newPage();
  await again.goto('/');
  const waiting = again.getByRole('region', { name: 'Cut off' });
  await expect(waiting).toContainText('is waiting with');
  await waiting.getByRole('button', { name: 'Go on' }).click();
  await expect(again.getByText('Picked up where it was cut off')).toBeVisible();
  await again
    .getByRole('button', { name: /Stop and keep/ })
    .first()
    .click();
  await expect(again).toHaveURL(/\/after/);
  await again.goto('/');
  await expect(again.getByText('Why this plan:')).toBeVisible();
  await expect(again.getByRole('region', { name: 'Cut off' })).toHaveCount(0);
});

test('leaving for another place puts the session on hold', async ({ page }) => {
  await startSession(page, 1);
  await page.keyboard.press('ArrowRight');
  await page.goBack();
  await expect(page.getByRole('region', { name: 'Cut off' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop and keep' }).click();
  await expect(page.getByRole('region', { name: 'Cut off' })).toHaveCount(0);
});

test('a killed browser comes back where it was', async ({ baseURL }) => {
  const profile = createProfile(baseURL!);
  const first = await profile.open();
  await startSession(first.page, 1);
  await first.page.keyboard.press('ArrowRight');
  await first.page.keyboard.press('+');
  await expect.poll(async () => (await keptLog(first.page)).map((e) => e.type)).toContain('length');
  first.signal('KILL', 'all');
  await first.context.close().catch(() => undefined);
  const { page, context } = await profile.open();
  await page.goto('/run');
  await expect(page.getByText('Picked up where it was cut off')).toBeVisible();
  await expect(page.getByText(/pose 1 of 3/)).toBeVisible();
  await context.close();
  profile.remove();
});

test('one tab runs at a time: a second says so and can take over', async ({ context, page }) => {
  await startSession(page, 1);
  await page.keyboard.press('ArrowRight');
  const other = await context.newPage();
  await other.goto('/run');
  await expect(other.getByText('A session is running in another tab or window.')).toBeVisible();
  await other.getByRole('button', { name: 'Take over here' }).click();
  await expect(other.getByText('Taken over from the other tab')).toBeVisible();
  await expect(page.getByText('This session goes on in another tab or window.')).toBeVisible();
  await other
    .getByRole('button', { name: /^Go on/ })
    .first()
    .click();
  await expect(other.getByText(/pose 1 of 3/)).toBeVisible();
});
