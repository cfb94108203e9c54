import { expect, type Page, test } from '@playwright/test';
import sharp from 'sharp';
import { drawAll, kept, pose, posesBlock, runPlan, WAITING, WALKING } from './steps';
import { driveClock } from '../../scripts/page-clock.mjs';

/** A photograph of a sheet with two drawings on it, made by the hand and the camera of core/hand. */
const SHEET = 'tests/fixtures/sheet.jpg';

/** Draw two poses and photograph the sheet. */
async function withPhoto(
  page: Page,
  photo: string | { name: string; mimeType: string; buffer: Buffer },
): Promise<void> {
  await driveClock(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 30_000), pose(WAITING, 30_000)]));
  await drawAll(page, 2);
  await page.getByLabel('Choose photographs of pages').setInputFiles(photo);
  await page.getByRole('link', { name: 'Page 1 on the desk' }).click();
  await expect(page.getByRole('heading', { name: 'The page on the desk' })).toBeVisible();
}

test('a photographed sheet is found, straightened and cut into its drawings, each with its pose', async ({ page }) => {
  await withPhoto(page, SHEET);
  await expect(page.getByText('The sheet was found.')).toBeVisible();
  await page.getByRole('button', { name: 'Straighten it' }).click();
  const list = page.getByRole('list', { name: 'Drawings on this sheet' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
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
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await expect(which.nth(1)).toHaveValue('');
  await page.getByRole('button', { name: 'Turn the sheet' }).click();
  await expect(page.getByRole('img', { name: /^The sheet, straightened/ })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the journal' }).click();
  await expect(page.getByRole('link', { name: 'Page 1 on the desk' })).toHaveText(/^\d drawings?$/);
});

test('corners are dragged where no sheet was found, with a magnifier', async ({ page }) => {
  const plain = await sharp({ create: { width: 600, height: 450, channels: 3, background: '#888' } })
    .png()
    .toBuffer();
  await withPhoto(page, { name: 'plain.png', mimeType: 'image/png', buffer: plain });
  await expect(page.getByText('No sheet was found in the photograph')).toBeVisible();
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
  await expect(page.getByText('No drawing was found on this sheet.')).toBeVisible();
  await page.getByRole('button', { name: 'One more box' }).click();
  await expect(page.getByRole('list', { name: 'Drawings on this sheet' }).getByRole('listitem')).toHaveCount(1);
});

test('an address without a page says so', async ({ page }) => {
  await page.goto('/desk?session=none&page=none');
  await expect(page.getByText('There is no page at this address any more.')).toBeVisible();
});

test('a drawing is looked at beside its reference, measured, and what became of it is kept', async ({ page }) => {
  await page.goto('/journal?session=demo-11');
  await page.getByRole('link', { name: 'Page 1 on the desk' }).click();
  const list = page.getByRole('list', { name: 'Drawings on this sheet' });
  await expect(list.getByRole('listitem')).toHaveCount(4);
  // The ground between the limbs, on the picture and where the figure lies in the drawing: of a pose that has some.
  await list.getByRole('button', { name: 'Look at it closely' }).nth(1).click();
  await page.getByRole('button', { name: 'Shapes between' }).click();
  await expect(page.locator('main svg path[fill="var(--slate)"]')).toHaveCount(2);
  await page.getByRole('button', { name: 'Back to the sheet' }).click();
  await list.getByRole('button', { name: 'Look at it closely' }).first().click();
  await expect(page.getByRole('img', { name: 'What it was drawn from' })).toBeVisible();
  const drawing = page.getByRole('img', { name: 'Drawing 1' });
  const before = (await drawing.boundingBox())!;
  await page.getByRole('button', { name: 'Step back' }).click();
  await expect.poll(async () => (await drawing.boundingBox())!.width).toBeLessThan(before.width / 8);
  await page.getByRole('button', { name: 'Step back' }).click();
  // A plumb line tapped on one appears on both.
  await page.getByRole('button', { name: 'Plumb line' }).click();
  const plate = (await drawing.locator('..').boundingBox())!;
  await page.mouse.click(plate.x + plate.width / 2, plate.y + plate.height / 2);
  await expect(page.locator('main svg line')).toHaveCount(2);
  // What is light, on the picture and where the figure lies in the drawing.
  await page.getByRole('button', { name: 'Brightest light' }).click();
  await expect(page.getByText(/^The picture has /)).toBeVisible();
  await expect(page.getByText(/^The drawing has /)).toBeVisible();
  await page.getByRole('button', { name: 'Over each other' }).click();
  await expect(page.getByLabel('Reference seen through')).toBeVisible();
  // Continued later: its own minutes, apart from the session's.
  await page.getByLabel('Worked on it later, for').fill('1:50');
  await page.getByRole('button', { name: 'Add', exact: true }).first().click();
  await expect(page.getByText(/^\d:\d\d \+ 1:50 = \d:\d\d\./)).toBeVisible();
  await page.getByRole('checkbox', { name: 'Finished' }).click();
  await expect(page.getByRole('checkbox', { name: 'Finished' })).toBeChecked();
  await page.getByRole('button', { name: 'Measure it' }).click();
  await expect(page.getByRole('button', { name: /^crown, proposed/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^head / })).toContainText('±');
  const table = page.getByRole('row', { name: /^head / });
  const was = await table.textContent();
  const crown = page.getByRole('button', { name: /^crown, / });
  await crown.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByRole('button', { name: /^crown, put by you/ })).toBeVisible();
  await expect(table).not.toHaveText(was ?? '');
  await kept(page, 'pages', 'demo-page-5', '"by":"hand"');
  await page.reload();
  await list.getByRole('button', { name: 'Look at it closely' }).first().click();
  await expect(page.getByRole('button', { name: /^crown, put by you/ })).toBeVisible();
  await page.getByRole('button', { name: 'Look at it by eye' }).click();
  await expect(page.getByRole('checkbox', { name: 'Finished' })).toBeChecked();
});

test('boxes are cut along a line, put in another order, and all of it is undone', async ({ page }) => {
  await page.goto('/journal?session=demo-11');
  await page.getByRole('link', { name: 'Page 1 on the desk' }).click();
  const list = page.getByRole('list', { name: 'Drawings on this sheet' });
  const which = list.getByRole('combobox');
  await expect(list.getByRole('listitem')).toHaveCount(4);
  const names = async (): Promise<string[]> =>
    which.evaluateAll((all) => all.map((one) => (one as HTMLSelectElement).value));
  const before = await names();
  await page.getByRole('button', { name: /^Drawing 1: / }).focus();
  await page.getByRole('button', { name: 'Later' }).click();
  await expect.poll(names).toEqual([before[1], before[0], before[2], before[3]]);
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(before);
  await page.getByRole('button', { name: /^Drawing 4: / }).focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: /^Drawing 3: / })).toBeFocused();
  await expect(list.getByRole('listitem')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(before);
  await page.getByRole('button', { name: 'Cut along a line' }).click();
  await page.getByRole('button', { name: /^Drawing 1: / }).scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, -2000);
  await expect.poll(() => page.evaluate(() => scrollY)).toBe(0);
  const box = (await page.getByRole('button', { name: /^Drawing 1: / }).boundingBox())!;
  await page.mouse.move(box.x - 4, box.y + box.height * 0.55);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width + 4, box.y + box.height * 0.5, { steps: 4 });
  await page.mouse.up();
  await expect(list.getByRole('listitem')).toHaveCount(5);
  await page.getByRole('button', { name: 'Undo cutting along a line' }).click();
  await expect(list.getByRole('listitem')).toHaveCount(4);
  await which.nth(3).selectOption('This is a note');
  await expect(page.getByText('4 note')).toBeVisible();
});

test('the camera takes a sheet by itself once it is still; without one a made-up camera shows how', async ({
  page,
}) => {
  await page.goto('/journal?session=demo-2');
  await page.getByRole('button', { name: 'Camera' }).click();
  await page.getByRole('button', { name: 'See how it goes with a made-up camera' }).click();
  await expect(page.getByRole('img', { name: 'What the camera shows' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Page 1 on the desk' })).toBeVisible();
  await expect(page.getByRole('dialog')).toBeHidden();
  // Putting the page away asks only where there are drawings on it.
  await page.getByRole('button', { name: 'Put page 1 in the bin' }).click();
  await expect(page.getByRole('link', { name: 'Page 1 on the desk' })).toBeHidden();
  await page.goto('/journal?session=demo-11');
  await page.getByRole('button', { name: 'Put page 1 in the bin' }).click();
  await page.getByRole('button', { name: 'The drawings were thrown away too' }).click();
  await expect(page.getByRole('link', { name: 'Page 1 on the desk' })).toBeHidden();
  await kept(page, 'drawings', null, '"thrownAway":true');
});

test('an exercise is seen being drawn, stage by stage and on another figure', async ({ page }) => {
  await page.goto('/handbook');
  await page.getByRole('button', { name: 'See Flowing gesture drawn' }).click();
  const dialog = page.getByRole('dialog', { name: 'Flowing gesture, drawn' });
  await expect(dialog.getByRole('img', { name: /^Flowing gesture drawn by the program’s hand, 0:/ })).toBeVisible();
  await dialog.getByRole('button', { name: 'limb rhythms' }).click();
  await expect(dialog.getByRole('button', { name: 'Go on' })).toBeVisible();
  await expect(dialog.getByText(/^0:[3-5]\d of 1 min$/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Another figure' }).click();
  await expect(dialog.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
});
