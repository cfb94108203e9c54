import { expect, test } from '@playwright/test';
import { startSession } from './steps';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';

test.use({ serviceWorkers: 'allow' });

test('with the network gone a session runs to its end and is kept', async ({ page, context }) => {
  await page.goto('/');
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await context.setOffline(true);
  await page.reload();
  await driveClock(page);
  await startSession(page, 1);
  await letPass(page, 5000);
  await expect(page.getByRole('img', { name: /Reference:/ })).toBeVisible();
  await letPass(page, 120_000);
  await expect(page.getByRole('heading', { name: /^3 drawings, 1:30 of drawing$/ })).toBeVisible();
  await page.goto('/journal');
  await expect(page.getByRole('heading', { name: '1 session', exact: true })).toBeVisible();
});
