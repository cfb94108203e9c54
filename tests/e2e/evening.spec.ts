import { expect, test } from '@playwright/test';
import { png } from '../images';
import { chooseMinutes, kept, startSession, sumsShown } from './steps';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';

test('from the first visit to drawing in two actions: opening and Start', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  await expect(page.getByRole('img', { name: /The session on a ribbon/ })).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page).toHaveURL(/\/run/);
  await expect(page.getByRole('timer').first()).toBeVisible();
});

test('two minutes: lead-in, pose, change, pose, and what was made', async ({ page }) => {
  await driveClock(page);
  await startSession(page, 1);
  await expect(page.getByText('Ready', { exact: true })).toBeVisible();
  await expect(page.getByText(/Flowing gesture, \d+ s/)).toBeVisible();
  await expect(page.getByRole('img', { name: /Reference:/ })).toHaveCount(0);

  await letPass(page, 5000);
  await expect(page.getByText(/pose 1 of 3, /)).toBeVisible();
  await expect(page.getByRole('img', { name: /Reference:/ })).toBeVisible();
  await expect(page.getByRole('timer', { name: 'Time left' })).toHaveText(/0:(1|2|3)\d/);

  await letPass(page, 120_000);
  await expect(page).toHaveURL(/\/after/);
  await expect(page.getByRole('heading', { name: /^3 drawings, 1:30 of drawing$/ })).toBeVisible();
  await expect(page.getByText('As planned, to the second.')).toBeVisible();

  await page
    .getByLabel('Choose photographs of pages')
    .setInputFiles({ name: 'page.png', mimeType: 'image/png', buffer: Buffer.from(png(300, 400)) });
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toBeVisible();
  await page.getByLabel('One line for later').fill('The weight was in the left leg.');
  await page.getByLabel('One line for later').press('Enter');
  await expect(page.getByText('Saved.')).toBeVisible();

  await page.getByRole('link', { name: 'To the journal' }).click();
  await expect(page.getByText('3 drawings, begun at')).toBeVisible();
  const { parts, together, byName } = await sumsShown(page);
  expect(parts.reduce((a, b) => a + b, 0)).toBe(together);
  expect(byName).toMatchObject({ drawing: 90, changing: 25, held: 0, together: 115 });
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toBeVisible();
  await expect(page.getByLabel('One line for later')).toHaveValue('The weight was in the left leg.');
  await expect(page.getByRole('img', { name: /^Planned:/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^As it went:/ })).toBeVisible();
});

test('a page can be looked at large, put in the bin and taken back', async ({ page }) => {
  await page.goto('/after?session=demo-1');
  await page.getByLabel('Choose photographs of pages').setInputFiles([
    { name: 'broken.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture at all') },
    { name: 'page.png', mimeType: 'image/png', buffer: Buffer.from(png(300, 400)) },
  ]);
  await expect(page.getByText('“broken.jpg” is not a picture.')).toBeVisible();
  await page.getByRole('button', { name: 'Page 1, larger' }).click();
  await expect(page.getByRole('img', { name: 'Page 1, photographed' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Put page 1 in the bin' }).click();
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toBeVisible();
});

test('the minutes chosen last and the theme are remembered', async ({ page }) => {
  await page.goto('/');
  await chooseMinutes(page, 4);
  await page.getByRole('button', { name: 'Night studio: dim the lights' }).click();
  await kept(page, 'settings', 'minutes', '5');
  await page.reload();
  await expect(page.getByRole('slider', { name: 'How long have you got?' })).toHaveAttribute(
    'aria-valuetext',
    '5 minutes',
  );
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
});

test('another mix gives other poses for the same time', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  const pictures = () =>
    page.locator('main img').evaluateAll((images) => images.map((i) => i.getAttribute('src')).join());
  await expect.poll(pictures).not.toBe('');
  const before = await pictures();
  await page.getByRole('button', { name: 'Another mix' }).click();
  await expect.poll(pictures).not.toBe(before);
});

test('the ruler answers to the pointer, logarithmically', async ({ page }) => {
  await page.goto('/');
  const ruler = page.getByRole('slider', { name: 'How long have you got?' });
  await expect(ruler).toHaveAttribute('aria-valuetext', '20 minutes');
  const box = (await ruler.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  // Half way between 1 and 180 is the square root of 180, about 13.
  await expect(ruler).toHaveAttribute('aria-valuetext', /^1[2-5] minutes$/);
  await page.mouse.move(box.x + box.width - 2, box.y + 20, { steps: 4 });
  await expect(ruler).toHaveAttribute('aria-valuetext', '3 hours');
  await page.mouse.up();
});
