import { expect, test } from '@playwright/test';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';
import { png } from '../images';
import { drawAll, keptLog, next, pose, posesBlock, runPlan, stopAndKeep, WAITING, WALKING, withFolder } from './steps';

const SHEET = 'tests/fixtures/sheet.jpg';

test('a page is put away in a rest: the session waits as long, and goes on', async ({ page }) => {
  await driveClock(page);
  await runPlan(
    page,
    posesBlock('flowing-gesture', [pose(WALKING, 30_000)]),
    { kind: 'rest', durationMs: 60_000 },
    posesBlock('flowing-gesture', [pose(WAITING, 30_000)]),
  );
  await next(page);
  await letPass(page, 8000);
  await next(page);
  await page.getByRole('button', { name: 'Put a page away' }).click();
  const dialog = page.getByRole('dialog', { name: 'The pages so far' });
  await expect(dialog.getByText(/^Write this in the corner of the sheet: \d{4}-1-1$/)).toBeVisible();
  await dialog.getByLabel('Choose photographs of pages').setInputFiles(SHEET);
  await expect(dialog.getByRole('button', { name: 'Page 1, larger' })).toBeVisible();
  // Keys are the dialog's: nothing is skipped under it.
  await page.keyboard.press('ArrowRight');
  await letPass(page, 90_000);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Let the arm hang and shake the hand out')).toBeVisible();
  await expect
    .poll(async () => (await keptLog(page)).map((e) => e.type))
    .toEqual(['start', 'next', 'next', 'hold', 'resume']);
  await stopAndKeep(page);
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toBeVisible();
});

test('a sheet of no session is cut all the same, and can be given to one later', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 30_000), pose(WAITING, 30_000)]));
  await drawAll(page, 2);
  await page.goto('/journal');
  await page.getByText('Sheets of no session').click();
  await page.getByLabel('Choose photographs of pages').last().setInputFiles(SHEET);
  await expect(page.getByText('Sheets of no session, 1 page')).toBeVisible();
  await page.getByRole('link', { name: 'Page 1 on the desk' }).click();
  await page.getByRole('button', { name: 'Straighten it' }).click();
  const list = page.getByRole('list', { name: 'Drawings on this sheet' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await expect(list.getByRole('combobox').first().locator('option:checked')).toHaveText(/^None of/);
  await page.getByLabel('Of the session of').selectOption({ index: 1 });
  await expect(page).not.toHaveURL(/session=none/);
  await list.getByRole('combobox').first().selectOption({ index: 3 });
  await list.getByRole('combobox').nth(1).selectOption({ index: 4 });
  await page.getByRole('link', { name: 'Back to the journal' }).click();
  await expect(page.getByText(/^Sheets of no session$/)).toBeVisible();
  await page.getByRole('button', { name: 'First against last' }).click();
  for (const name of ['The first drawing', 'The last drawing', 'What the first was drawn from'])
    await expect(page.getByRole('img', { name })).toBeVisible();
});

test('a line of the flow and a focal area are put on the picture before it is drawn, and asked for after', async ({
  page,
}) => {
  await driveClock(page);
  await runPlan(page, posesBlock('tone-study', [{ ...pose(WALKING, 60_000), lookMs: 60_000 }, pose(WAITING, 60_000)]));
  await next(page);
  const picture = page.getByRole('img', { name: /Reference:/ });
  const box = (await picture.boundingBox())!;
  const at = (u: number, v: number): [number, number] => [box.x + u * box.width, box.y + v * box.height];
  await page.mouse.move(...at(0.5, 0.1));
  await page.mouse.down();
  for (const v of [0.3, 0.5, 0.7, 0.9]) await page.mouse.move(...at(0.45, v), { steps: 4 });
  await page.mouse.up();
  await page.mouse.click(...at(0.4, 0.2));
  await expect
    .poll(async () => (await keptLog(page)).map((e) => e.type))
    .toEqual(['start', 'next', 'flowLine', 'focal']);
  await next(page);
  await expect(page.locator('[data-focal]')).toHaveCount(1);
  await letPass(page, 8000);
  await next(page);
  await page
    .getByRole('group', { name: 'The focal area' })
    .getByRole('button', { name: /It does/ })
    .click();
  await expect.poll(async () => (await keptLog(page)).at(-1)?.type).toBe('focalKept');
});

test('what a scanner puts into its folder from now on is put away; what lay there is left alone', async ({ page }) => {
  const disk = await withFolder(page);
  await page.goto('/after?session=demo-1');
  await disk.put('old.png', png(60, 80, 1));
  await page.getByRole('button', { name: 'A scanner’s folder' }).click();
  await expect(page.getByText(/^Scan now:/)).toBeVisible();
  await disk.put('scan 1.png', png(60, 80, 2));
  await disk.put('notes.txt', [1, 2, 3]);
  await expect(page.getByText('1 page came from the folder.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Page \d, larger$/ })).toHaveCount(1);
  await page.getByRole('button', { name: 'Stop watching “Sketches”' }).click();
  await expect(page.getByRole('button', { name: 'A scanner’s folder' })).toBeVisible();
});
