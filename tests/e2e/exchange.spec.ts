import { expect, test } from '@playwright/test';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';
import { keepPlan, planOf } from '../../scripts/keep-plan.mjs';
import { keptLog, next, pose, posesBlock, runPlan, stopAndKeep, WAITING, WALKING } from './steps';

const inCharcoal = (poses: object[]): object =>
  posesBlock('flowing-gesture', poses, { medium: 'charcoal', rule: { erasing: 'free' } });

test('exchanges picture, hand and medium before a pose, and keeps them when a stopped session continues', async ({
  page,
}) => {
  await driveClock(page);
  await runPlan(page, inCharcoal([pose(WALKING, 60_000), pose(WAITING, 60_000)]));
  const change = page.getByRole('group', { name: 'Change the next pose' });
  await page.keyboard.press('4');
  await expect.poll(async () => (await keptLog(page)).map((e) => e.type)).toEqual(['start', 'picture']);
  await page.keyboard.press('5');
  await expect(page.getByText('Use your other hand.', { exact: true })).toBeVisible();
  await change.getByRole('button', { name: /Your usual hand/ }).click();
  await expect(page.getByText('Use your other hand.', { exact: true })).toHaveCount(0);
  await change.getByLabel('Draw with').selectOption('pastel');
  await next(page);
  await expect(page.getByText(/pose 1 of 2/)).not.toContainText('bread-carrier walking');
  await letPass(page, 20_000);
  await stopAndKeep(page);
  // It starts with what was left of the first pose.
  await page.getByRole('button', { name: /^Continue: 2 poses/ }).click();
  await expect(page.getByText('Flowing gesture, 40 s')).toBeVisible();
  await expect(change.getByLabel('Draw with')).toHaveValue('pastel');
});

test('the clock waits for a late picture, and After reports the wait separately', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  let release = (): void => undefined;
  const late = new Promise<void>((resolve) => (release = resolve));
  await page.route(/\/figures\/.*walking.*\.webp/, async (route) => {
    await late;
    await route.continue();
  });
  await page.evaluate(keepPlan, planOf(posesBlock('flowing-gesture', [pose(WALKING, 5000, { leadInMs: 1000 })])));
  await page.goto('/run');
  await expect(page.getByText('Getting the picture ready. The clock waits for it.')).toBeVisible();
  await expect(page.getByRole('timer', { name: 'Time left' })).toHaveText('0:05');
  await expect(page.getByRole('button', { name: /Another picture/ })).toBeVisible();
  // Less than a second of waiting isn't reported.
  await page.waitForTimeout(1500);
  release();
  await expect(page).toHaveURL(/\/after/, { timeout: 60_000 });
  await expect(page.getByText(/waiting for pictures/)).toBeVisible();
  await expect(page.getByRole('heading', { name: /1 drawing, 0:05 of drawing/ })).toBeVisible();
});
