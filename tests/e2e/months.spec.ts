import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { kept } from './steps';

test('from the journal to the months: by keys, with a promise that stays, and out as a table', async ({ page }) => {
  await page.goto('/journal');
  await page.getByRole('link', { name: 'Weeks and months' }).click();
  await expect(page.getByText(/^\d+ drawings in \d+ hours .*over 40 sessions since/)).toBeVisible();
  const together = page.getByRole('row', { name: /^Together/ });
  const said = await together.textContent();
  const exercise = page.getByRole('button', { name: 'Exercise' });
  await exercise.focus();
  for (const name of ['Medium', 'Pose', 'Hand', 'Month']) {
    await page.keyboard.press('Tab');
    await expect(page.getByRole('button', { name, exact: true })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('columnheader', { name, exact: true })).toBeVisible();
    expect(await together.textContent()).toBe(said);
  }
  await page.getByRole('spinbutton', { name: 'and for minutes a week' }).fill('100');
  await kept(page, 'settings', 'promisedMinutes', '100');
  await page.reload();
  await expect(page.getByRole('spinbutton', { name: 'and for minutes a week' })).toHaveValue('100');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /Take it out as a table/ }).click(),
  ]);
  const rows = readFileSync(await file.path(), 'utf8').split('\n');
  const drawings = Number((await page.getByText(/^\d+ drawings in/).textContent())?.match(/^\d+/)?.[0]);
  expect(rows.filter((row) => row.includes(',yes,'))).toHaveLength(drawings);
});
