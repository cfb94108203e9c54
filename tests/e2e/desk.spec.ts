import { expect, type Page, test } from '@playwright/test';
import sharp from 'sharp';
import { kept, pose, posesBlock, runPlan, WAITING, WALKING } from './steps';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';

/** A photograph of a sheet with two drawings on it, made by tests/desk/camera.ts. */
const SHEET = 'tests/fixtures/sheet.jpg';

/** Draw two poses and photograph the sheet. */
async function withPhoto(
  page: Page,
  photo: string | { name: string; mimeType: string; buffer: Buffer },
): Promise<void> {
  await driveClock(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 30_000), pose(WAITING, 30_000)]));
  for (let i = 0; i < 2; i++) {
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('timer', { name: 'Time left' })).toBeVisible();
    await letPass(page, 8000);
    await page.keyboard.press('ArrowRight');
  }
  await expect(page).toHaveURL(/\/after/);
  await page.getByLabel('Choose photographs of pages').setInputFiles(photo);
  await page.getByRole('link', { name: 'Page 1 on the desk' }).click();
  await expect(page.getByRole('heading', { name: 'The page on the desk' })).toBeVisible();
}

test('a photographed sheet is found, straightened and cut into its drawings, each with its pose', async ({ page }) => {
  test.setTimeout(120_000);
  await withPhoto(page, SHEET);
  await expect(page.getByText('The sheet was found.')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Straighten it' }).click();
  const list = page.getByRole('list', { name: 'Drawings on this sheet' });
  await expect(list.getByRole('listitem')).toHaveCount(2, { timeout: 30_000 });
  const which = list.getByRole('combobox');
  await expect(which.nth(0)).toHaveValue(/.+/);
  await expect(which.nth(0).locator('option:checked')).toHaveText(/^1\. Flowing gesture/);
  await expect(which.nth(1).locator('option:checked')).toHaveText(/^2\. Flowing gesture/);
  await expect(list.getByRole('img', { name: 'What it was drawn from' })).toHaveCount(2);
  await page.getByRole('button', { name: /^Drawing 1: / }).click();
  await page.getByRole('button', { name: 'Cut it in two' }).click();
  await expect(list.getByRole('listitem')).toHaveCount(3);
  await page.getByRole('button', { name: 'Join it with the next' }).click();
  await expect(list.getByRole('listitem')).toHaveCount(2);
  // Moved by keys, taken off, found again: kept as it was left.
  const first = page.getByRole('button', { name: /^Drawing 1: / });
  const before = (await first.boundingBox())!;
  await first.focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await first.boundingBox())!.x).toBeGreaterThan(before.x + 5);
  await page.getByRole('button', { name: /^Drawing 2: / }).focus();
  await page.keyboard.press('Delete');
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await page.getByLabel('How many drawings are on the sheet').fill('2');
  await page.getByRole('button', { name: 'Find them again:' }).click();
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await which.nth(1).selectOption('None of the session’s drawings');
  await kept(page, 'pages', null, '"drawing":null');
  await page.reload();
  await expect(list.getByRole('listitem')).toHaveCount(2, { timeout: 30_000 });
  await expect(which.nth(1)).toHaveValue('');
  await page.getByRole('button', { name: 'Turn the sheet' }).click();
  await expect(page.getByRole('img', { name: /^The sheet, straightened/ })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('link', { name: 'Back to the journal' }).click();
  await expect(page.getByRole('link', { name: 'Page 1 on the desk' })).toHaveText(/^\d drawings?$/);
});

test('corners are dragged where no sheet was found, with a magnifier', async ({ page }) => {
  test.setTimeout(120_000);
  const plain = await sharp({ create: { width: 600, height: 450, channels: 3, background: '#888' } })
    .png()
    .toBuffer();
  await withPhoto(page, { name: 'plain.png', mimeType: 'image/png', buffer: plain });
  await expect(page.getByText('No sheet was found in the photograph')).toBeVisible({ timeout: 30_000 });
  const corner = page.getByRole('button', { name: /^Upper left corner/ });
  const box = (await corner.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y + 20, { steps: 3 });
  await page.mouse.up();
  const moved = (await corner.boundingBox())!;
  expect(moved.x - box.x).toBeCloseTo(40, 0);
  await corner.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await corner.boundingBox())!.x).toBeGreaterThan(moved.x + 5);
  await page.getByLabel('Paper').selectOption('A4');
  await page.getByRole('button', { name: 'Straighten it' }).click();
  await expect(page.getByText('No drawing was found on this sheet.')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'One more box' }).click();
  await expect(page.getByRole('list', { name: 'Drawings on this sheet' }).getByRole('listitem')).toHaveCount(1);
});

test('an address without a page says so', async ({ page }) => {
  await page.goto('/desk?session=none&page=none');
  await expect(page.getByText('There is no page at this address any more.')).toBeVisible();
});
