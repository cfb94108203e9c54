import { expect, test } from '@playwright/test';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';
import { keptLog, next, pose, posesBlock, runPlan, stopAndKeep, WAITING, WALKING } from './steps';

test('marks are counted after each pose, what is missing is ticked, rubbing out is owned up to, and all of it is kept', async ({
  page,
}) => {
  await driveClock(page);
  await runPlan(
    page,
    posesBlock('mark-allowance', [pose(WALKING, 120_000), pose(WAITING, 120_000)], {
      tickEach: true,
      medium: 'pencil',
    }),
  );
  await next(page);
  await expect(page.getByText('no erasing')).toBeVisible();
  await page.keyboard.press('0');
  await expect(page.getByText('Noted; the drawing counts all the same.')).toBeVisible();
  await letPass(page, 30_000);
  await next(page);
  const marks = page.getByRole('group', { name: 'Marks of the last pose' });
  await marks.getByRole('button', { name: 'one mark more' }).click();
  await marks.getByRole('button', { name: 'one mark more' }).click();
  await expect(marks.getByRole('button', { pressed: true })).toHaveText('22');
  await page
    .getByRole('group', { name: 'Missing in the last pose' })
    .getByRole('button', { name: 'Nothing repeated' })
    .click();
  await expect.poll(() => keptLog(page)).toContainEqual(expect.objectContaining({ type: 'marks', count: 22 }));
  await stopAndKeep(page);
  await expect(page.getByText('22 of 20 marks')).toBeVisible();
  await expect(page.getByText(/within on 0 of 1/)).toBeVisible();
});

test('the whole figure first: it is mended once a tap says that it is in', async ({ page }) => {
  await runPlan(page, posesBlock('structural-gesture', [pose(WALKING, 120_000)], { wholeFirst: 0.5 }));
  await next(page);
  await expect(page.getByText('the whole figure, roughly', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Whole figure in' }).click();
  await expect(page.getByText('mend what is off', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Whole figure in' })).toHaveCount(0);
});

test('no clock is none anywhere, in a pose and between two', async ({ page }) => {
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 120_000), pose(WAITING, 120_000)]));
  for (let i = 0; i < 2; i++) await page.keyboard.press('c');
  await expect(page.getByText('No clock. C brings it back.')).toBeVisible();
  for (let i = 0; i < 3; i++) {
    await expect(page.getByRole('timer')).toHaveCount(0);
    await expect(page.getByText(/left$/)).toHaveCount(0);
    await next(page);
  }
  await page.keyboard.press('c');
  await expect(page.getByRole('timer').first()).toBeVisible();
});

test('a shape of an evening begins a plan; a picture is put into a slot and dragged by keys; a refusal is taken its way', async ({
  page,
}) => {
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Begin from' }).click();
  await page.getByRole('button', { name: /^Slow, fast, slow, fast/ }).click();
  await expect(page.getByText(/\d pairs: 5 min, 30 s/)).toBeVisible();
  await page.getByRole('button', { name: /^Contour and flowing gesture in turn/ }).click();
  await expect(page.getByText(/% of the 25:00 you have/)).toBeVisible();

  await page.getByRole('tab', { name: 'Pictures' }).click();
  await page.getByRole('button', { name: 'Another picture for pair 1' }).click();
  const choices = page.getByRole('dialog').getByRole('listitem').getByRole('button');
  await choices.nth(5).click();
  await expect(page.getByRole('button', { name: 'Unpin the picture of pair 1' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Unpin/ })).toHaveCount(1);
  await expect(page.getByRole('button', { name: 'Another picture for pair 1' })).toBeFocused();
  const spoken = page.getByRole('status');
  // dnd-kit listens for keys only one task after Space, so on a busy machine an arrow key can come too soon.
  await expect(async () => {
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Move the picture of pair 1' }).focus();
    await page.keyboard.press('Space');
    await expect(spoken.getByText('pair 1: position 1 of 4.')).toBeAttached({ timeout: 20_000 });
    await page.keyboard.press('ArrowRight');
    await expect(spoken.getByText('pair 1: position 2 of 4.')).toBeAttached({ timeout: 20_000 });
  }).toPass();
  await page.keyboard.press('Space');
  // Where all of them are is the learner's from then on.
  await expect.poll(() => page.getByRole('button', { name: /^Unpin/ }).count()).toBeGreaterThan(1);

  await page.getByRole('tab', { name: 'Paper' }).click();
  await page.getByRole('checkbox', { name: 'as large as it fits' }).uncheck();
  await page.getByLabel('Height of a figure, millimeters').fill('500');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/stand \d+ mm over the margins of A3/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeDisabled();
  await page.getByRole('button', { name: 'As large as they fit' }).click();
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeEnabled();

  await page.getByLabel('Sheets left in the pad').fill('2');
  await page.keyboard.press('Enter');
  await expect(page.getByText('sheets are wanted.')).toBeVisible();
  await page.getByRole('button', { name: /times as many on each/ }).click();
  await expect(page.getByText('sheets are wanted.')).toHaveCount(0);
});
