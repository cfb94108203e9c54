import { expect, test } from '@playwright/test';
import { startSession } from './steps';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

test('an evening by thumb: start, pause, next, stop, journal', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).tap();
  for (const name of ['Back', 'Pause', 'Next', 'Stop and keep']) {
    const box = (await page.getByRole('button', { name, exact: true }).boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(56);
  }
  await page.getByRole('button', { name: 'Pause' }).tap();
  await expect(page.getByText('On hold', { exact: true })).toBeVisible();
  await page
    .getByRole('button', { name: /^Go on/ })
    .first()
    .tap();
  await page.getByRole('button', { name: 'Next', exact: true }).tap();
  await expect(page.getByText('Stretch each finger', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Stop and keep', exact: true }).tap();
  await page
    .getByRole('region', { name: 'On hold' })
    .getByRole('button', { name: /Stop and keep/ })
    .tap();
  await expect(page).toHaveURL(/\/after/);
  await page.getByRole('link', { name: 'To the journal' }).tap();
  await expect(page.locator('[data-sum]')).toHaveCount(7);
});

test('the ribbon wraps like writing, and nothing of it leaves the screen', async ({ page }) => {
  await page.goto('/');
  const ribbon = page.getByRole('img', { name: /The session on a ribbon/ });
  await expect(ribbon).toBeVisible();
  await expect.poll(() => ribbon.locator('svg').count()).toBeGreaterThan(1);
  const beyond = await ribbon
    .locator('svg')
    .evaluateAll((lines) => lines.filter((l) => l.getBoundingClientRect().right > innerWidth).length);
  expect(beyond).toBe(0);
});

test('what happens is announced to a screen reader', async ({ page }) => {
  await driveClock(page);
  await startSession(page, 1);
  const status = page.getByRole('status').filter({ hasText: /./ }).first();
  await expect(status).toHaveText(/^Next: Flowing gesture, pose 1 of 3\. .*No erasing\./);
  await letPass(page, 5000);
  await expect(status).toHaveText(/^Draw for \d+ seconds\. The model: .+\.$/);
  await page.keyboard.press('Space');
  await expect(status).toHaveText('On hold.');
});

test('a cue is seen as well as heard: the edge shows when a pose begins', async ({ page }) => {
  await page.addInitScript(() => {
    const seen: string[] = [];
    Object.assign(window, { seen });
    const original = Element.prototype.animate;
    Element.prototype.animate = function (...args: Parameters<typeof original>) {
      seen.push(this.className);
      return original.apply(this, args);
    };
  });
  await driveClock(page);
  await startSession(page, 1);
  await letPass(page, 5000);
  await expect
    .poll(() =>
      page.evaluate(() => (window as unknown as { seen: string[] }).seen.some((c) => c.includes('border-russet'))),
    )
    .toBe(true);
});
