import { expect, test } from '@playwright/test';
import { stopAndKeep, stored } from './steps';

test('a course is begun, its day waits on Today, is drawn, and stands in the journal', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  await page.getByRole('link', { name: 'Courses' }).click();
  await page.getByRole('combobox', { name: 'I want to practice' }).selectOption('speed');
  await page.getByRole('spinbutton').fill('5');
  await page.getByRole('button', { name: 'Begin today' }).click();
  await expect(page.getByText('because it is day 1 of 10 of the course “speed”')).toBeVisible();
  await page.getByRole('button', { name: 'Trying something?' }).click();
  await page.getByRole('textbox', { name: 'Trying:' }).fill('lead with the hips');
  await page.getByRole('button', { name: /^Start/ }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await stopAndKeep(page);
  await page.goto('/journal');
  await expect(page.getByText('Day 1 of a course, trying “lead with the hips”.')).toBeVisible();
  // Today's day is done: the months speak again.
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  await expect(page.getByText('of the course “speed”')).toHaveCount(0);
  await page.goto('/course');
  await expect(page.getByText(/^1 of 10 days, begun on /)).toBeVisible();
});

test('advice is one sentence, another on request, and none where it is not wanted', async ({ page }) => {
  await page.goto('/');
  const why = page.locator('div', { has: page.getByText('Why this plan:') }).last();
  await expect(why).toContainText('because a first session goes from short to long; it stays until');
  // The demo learner's weeks are shown, and are no reason for a newcomer's session.
  await expect(why).not.toContainText('Wren');
  await page.getByRole('button', { name: 'No advice, please' }).click();
  await expect(why).not.toContainText('it stays until');
  await page.reload();
  await expect(page.getByRole('button', { name: 'Advise me again' })).toBeVisible();
  // What is drawn with is remembered.
  await page.getByRole('combobox', { name: 'What to draw with' }).selectOption('ballpoint');
  await expect.poll(() => stored(page, 'settings', 'medium')).toBe('ballpoint');
  await page.reload();
  await expect(page.getByRole('combobox', { name: 'What to draw with' })).toHaveValue('ballpoint');
});

test('the demo learner’s months: what she is off by, her wall by keys, a picture then and now', async ({ page }) => {
  await page.goto('/journal/habits');
  await expect(page.getByRole('status')).toContainText(/^Tilts of shoulders and hips keep 7\d % of what is seen/);
  await expect(page.getByText(/it helped, 1\d % too large before, \d % too large since\./)).toBeVisible();
  await page.getByRole('link', { name: 'Wall' }).click();
  await expect(page.getByRole('status')).toContainText(/^305 drawings in \d:\d\d:\d\d of drawing, newest first\./);
  const sheets = page.getByRole('combobox', { name: 'State' });
  await sheets.focus();
  await expect(sheets.locator('option', { hasText: /^on a sheet here \(2\d\)$/ })).toHaveCount(1);
  await sheets.selectOption('on a sheet here');
  await expect(page.getByRole('status')).toContainText(/^2\d drawings of 305/);
  await page.locator('[data-at="0"]').focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('[data-at="1"]')).toBeFocused();
  await page.keyboard.press('Enter');
  const large = page.getByRole('dialog');
  await expect(large.getByRole('img', { name: 'The drawing' })).toBeVisible();
  await expect(large.getByRole('link', { name: 'Its sheet' })).toBeVisible();
  await large.getByLabel('Used for').fill('a poster');
  await large.getByRole('checkbox', { name: 'It surprised me' }).check();
  await large.getByRole('button', { name: 'To show it' }).click();
  await expect(large.getByRole('status')).toContainText('Taken out. Nobody has to be named.');
  await page.keyboard.press('Escape');
  await page.getByRole('combobox', { name: 'Used for' }).selectOption('a poster');
  await expect(page.getByRole('status')).toContainText(/^1 drawing of 305/);
  // Gone elsewhere right after a filter, and back: as it was left.
  await page.getByRole('link', { name: 'Then and now' }).click();
  await expect(page.getByRole('img', { name: /^Then: / })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('status')).toContainText(/^1 drawing of 305/);
  await page.getByRole('link', { name: 'Then and now' }).click();
  await page.getByRole('button', { name: 'Which is newer?' }).click();
  await page.getByRole('button', { name: 'The right one' }).click();
  await expect(page.getByText(/^You knew the newer one [01] of 1 times\./)).toBeVisible();
});

test('the handbook’s chapters, a word explained where it stands, and an exercise tried at once', async ({ page }) => {
  await page.goto('/handbook/looking');
  await expect(page.getByRole('img', { name: 'Tilts over a figure' })).toBeVisible();
  await page.goto('/handbook/session');
  await expect(page.getByRole('img', { name: '1 min: masses and rhythms, drawn by the program’s hand' })).toBeVisible();
  await page.goto('/handbook/tools');
  await expect(page.getByRole('img', { name: 'Charcoal on its side, drawn by the program’s hand' })).toBeVisible();
  await page.goto('/journal/months');
  await page.getByRole('button', { name: 'The time in which the whole figure is down' }).click();
  await expect(page.getByText('working time: the time in which the whole figure is down')).toBeVisible();
  const all = page.getByRole('link', { name: 'All words' });
  await page.keyboard.press('Tab');
  await expect(all).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(all).toHaveCount(0);
  const word = page.getByRole('button', { name: 'The time in which the whole figure is down' });
  await expect(word).toBeFocused();
  await page.keyboard.press('Enter');
  await all.click();
  await expect(page.getByRole('heading', { name: 'Words' })).toBeVisible();
  await page.getByRole('link', { name: 'Exercises' }).click();
  await page.getByRole('button', { name: 'Try Continuous line now' }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await stopAndKeep(page);
  await page.goto('/journal');
  await expect(page.getByText('Trying “Continuous line”.')).toBeVisible();
});
