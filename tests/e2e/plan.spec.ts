import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { kept, openPlan, ribbon, seconds, skipTo } from './steps';

const block = (page: Page, name: string | RegExp) => ribbon(page).getByRole('option', { name });
/** Choose a block by pressing it away from the edges of its cells. */
const choose = (page: Page, name: string | RegExp) =>
  block(page, name)
    .first()
    .click({ position: { x: 14, y: 30 } });
const inspector = (page: Page) => page.locator('#inspector');

/** The sum as it is shown: its parts and its total, seconds. */
async function sum(page: Page): Promise<{ parts: number; total: number }> {
  const text = (await page.locator('main p').filter({ hasText: '=' }).innerText()).replace(/\s+/g, ' ');
  const numbers = [...text.split('=')[0].matchAll(/(\d+(?::\d\d)+)/g)].map((m) => seconds(m[1]));
  return { parts: numbers.reduce((a, b) => a + b, 0), total: seconds(/=\s*(\d+(?::\d\d)+)/.exec(text)?.[1] ?? '0:00') };
}
async function fill(page: Page, name: string, typed: string): Promise<void> {
  const field = page.getByRole('textbox', { name, exact: true });
  await field.fill(typed);
  await field.press('Enter');
}

test('a lunch break of 23 minutes is planned by saying so, adds up, and never runs over', async ({ page }) => {
  await openPlan(page);
  await fill(page, 'Time available', '23:00');
  await page.getByRole('combobox', { name: 'What you are after' }).selectOption('proportion');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Planned for 23:00' })).toBeVisible();
  await expect(block(page, /Structural gesture/)).toBeVisible();
  const { parts, total } = await sum(page);
  expect(parts).toBe(total);
  expect(total).toBeLessThanOrEqual(23 * 60);
  expect(total).toBeGreaterThan(22 * 60 + 30);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
});

test('until a finish time, after a start time, the plan ends by then', async ({ page }) => {
  await openPlan(page);
  await fill(page, 'Start time', '19:10');
  await page.getByRole('button', { name: 'More to say' }).click();
  await page.getByRole('button', { name: /Say until when/ }).click();
  await fill(page, 'Finish time', '19:50');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByText('Planned for 40:00')).toBeVisible();
  await expect(page.locator('main p').filter({ hasText: '=' })).toContainText(/19:10 to 19:(49:5\d|50:00)/);
});

test('an evening with a model: three hours, poses called, no pictures, breaks', async ({ page }) => {
  await openPlan(page);
  await page.getByRole('button', { name: 'Begin from…' }).click();
  await page.getByRole('button', { name: /An evening with a model/ }).click();
  const { parts, total } = await sum(page);
  expect(parts).toBe(total);
  expect(total).toBeLessThanOrEqual(3 * 3600);
  expect(total).toBeGreaterThan(3 * 3600 - 120);
  await expect(page.getByText(/poses asked of the model/)).toBeVisible();
  await expect(page.getByText(/The model decides/)).toBeVisible();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await skipTo(page, 'Draw what is before you.');
});

test('two ladders of shrinking time with looking first, by mouse', async ({ page }) => {
  await openPlan(page);
  await page.getByRole('button', { name: 'Begin from…' }).click();
  await page.getByRole('button', { name: /Less time each time/ }).click();
  await expect(block(page, /Shrinking time/)).toHaveCount(2);
  await block(page, /Shrinking time/)
    .first()
    .click();
  await expect(inspector(page).getByRole('radio', { name: 'descend' })).toBeChecked();
  await fill(page, 'Longest pose', '10:00');
  await fill(page, 'Shortest pose', '1:00');
  await fill(page, 'Looking first', '1:00');
  await expect(inspector(page)).toContainText('10:00, 5:00, 2:00, 1:00');
  const { parts, total } = await sum(page);
  expect(parts).toBe(total);
});

test('small plans: framed on one sheet like the large one, and printed to be drawn on', async ({ page }) => {
  await openPlan(page);
  await page.keyboard.press('n');
  await page.getByRole('searchbox', { name: 'Find an exercise' }).fill('frames');
  await page.getByRole('button', { name: 'Small plans', exact: true }).click();
  await page.getByLabel('How many').fill('4');
  await page.getByRole('button', { name: /^Add 4 ×/ }).click();
  const framed = page.getByRole('img', { name: /small plans, (landscape|portrait): 4 frames, \d+ mm × \d+ mm/i });
  await expect(framed).toHaveCount(1);
  await expect(framed.locator('text')).toHaveText(['1', '2', '3', '4']);
  await page.getByRole('tab', { name: 'Paper' }).click();
  await page.getByLabel('Frames on the sheet').selectOption('');
  await expect(framed).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(framed).toHaveCount(1);
});

test('a blind contour series with both hands, by keys only', async ({ page }) => {
  await openPlan(page);
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog', { name: 'Add a block' });
  await dialog.getByRole('button', { name: 'Blind contour', exact: true }).focus();
  await page.keyboard.press('Enter');
  await dialog.getByLabel('How many').fill('4');
  await dialog.getByRole('button', { name: 'Add 4 × 1 min' }).focus();
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  const added = block(page, /Blind contour, 4 × 1 min/);
  await added.focus();
  await page.keyboard.press('[');
  await expect(block(page, /Blind contour, 3 × 1 min/)).toBeVisible();
  await block(page, /Blind contour, 3 × 1 min/).press('Enter');
  await page.getByRole('radio', { name: 'own list' }).focus();
  await page.keyboard.press('Space');
  await fill(page, 'Lengths of the poses', '0:30, 1:00, 5:00');
  await page.getByRole('tab', { name: 'Time' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.getByRole('checkbox', { name: 'then all again with the other' }).focus();
  await page.keyboard.press('Space');
  const both = block(page, /Blind contour, 2 × 30 s, 2 × 1 min, 2 × 5 min/);
  await expect(both).toBeVisible();
  // 6 lead-ins of 5 s, 13:00 of drawing, 5 changes of 5 s within.
  await expect(page.getByRole('button', { name: /^Blind contour 2 × 30 s/ })).toContainText('13:5');
});

test('the ribbon by keys: choose, lengthen, move, duplicate, split, pin, delete, undo, redo', async ({ page }) => {
  await openPlan(page);
  const names = () =>
    ribbon(page)
      .getByRole('option')
      .evaluateAll((all) => all.map((o) => (o.getAttribute('aria-label') ?? '').split(',')[0]));
  const before = await names();
  const gesture = block(page, /^Flowing gesture/);
  await gesture.focus();
  await page.keyboard.press('Space');
  await expect(gesture).toHaveAttribute('aria-selected', 'true');
  const was = await sum(page);
  await page.keyboard.press('+');
  await expect(gesture).toHaveAccessibleName(/1 min/);
  expect((await sum(page)).total).toBeGreaterThan(was.total);
  await page.keyboard.press('Alt+ArrowLeft');
  expect((await names()).indexOf('Flowing gesture')).toBe(before.indexOf('Flowing gesture') - 1);
  await page.keyboard.press('d');
  await expect(block(page, /^Flowing gesture/)).toHaveCount(2);
  await page.keyboard.press('s');
  await expect(block(page, /^Flowing gesture/)).toHaveCount(3);
  await page.keyboard.press('p');
  await expect(block(page, /^Flowing gesture.*pinned/)).not.toHaveCount(0);
  await page.keyboard.press('Delete');
  await expect(page.getByRole('status').filter({ hasText: 'deleted' })).toBeVisible();
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(before);
  await expect.poll(() => sum(page)).toEqual(was);
  await page.keyboard.press('Control+y');
  await expect(gesture).toHaveAccessibleName(/1 min/);
});

test('the ribbon by mouse: drag an edge along the steps, drag a block to another place', async ({ page }) => {
  await openPlan(page);
  const slow = block(page, /^Look, then draw/);
  const box = await slow.boundingBox();
  if (!box) throw new Error('no block');
  const before = await slow.getAttribute('aria-label');
  await page.mouse.move(box.x + box.width - 4, box.y + 30);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width + 120, box.y + 30, { steps: 8 });
  await expect(page.locator('output')).toContainText(/min/);
  await page.mouse.up();
  await expect(block(page, before ?? '')).toHaveCount(0);
  await expect(slow).toHaveAttribute('aria-selected', 'true');
  const names = () =>
    ribbon(page)
      .getByRole('option')
      .evaluateAll((all) => all.map((o) => (o.getAttribute('aria-label') ?? '').split(',')[0]));
  const order = await names();
  const from = await block(page, /^Flowing gesture/).boundingBox();
  const to = await block(page, /^Structural gesture/).boundingBox();
  if (!from || !to) throw new Error('no blocks');
  await page.mouse.move(from.x + 30, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2 + 30, to.y + 30, { steps: 15 });
  await page.mouse.up();
  await expect
    .poll(async () => (await names()).indexOf('Flowing gesture'))
    .toBeGreaterThan(order.indexOf('Flowing gesture'));
});

test('what is built is fitted into another time, with a pinned block left alone', async ({ page }) => {
  await openPlan(page);
  await choose(page, /^Blind contour/);
  await page.getByRole('checkbox', { name: 'Pinned' }).check();
  const pinned = await block(page, /^Blind contour/).getAttribute('aria-label');
  await fill(page, 'Time available', '40 min');
  await page.getByRole('button', { name: 'Fit what is here' }).click();
  await expect(page.getByText(/^Fitted: /)).toBeVisible();
  const { total, parts } = await sum(page);
  expect(total).toBeLessThanOrEqual(2400);
  expect(total).toBeGreaterThan(2340);
  expect(parts).toBe(total);
  expect((await block(page, /^Blind contour/).getAttribute('aria-label'))?.split(', from')[0]).toBe(
    pinned?.split(', from')[0],
  );
  await fill(page, 'Time available', '1:00');
  await page.getByRole('button', { name: 'Fit what is here' }).click();
  await expect(page.getByText(/Even its smallest form is longer than 1:00. Nothing was changed/)).toBeVisible();
  await expect.poll(() => sum(page)).toEqual({ total, parts });
});

test('bad input is told beside the field, and nothing is lost', async ({ page }) => {
  await openPlan(page);
  await choose(page, /^Flowing gesture/);
  const field = page.getByRole('textbox', { name: 'Length of each pose' });
  const shown = await field.inputValue();
  const before = await sum(page);
  for (const [typed, words] of [
    ['0:00', /too short/],
    ['7:00:00', /too long/],
    ['1e9', /not a length/],
    ['soon', /not a length/],
  ] as const) {
    await field.fill(typed);
    await field.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
    await expect(field).toHaveValue(typed);
  }
  await expect.poll(() => sum(page)).toEqual(before);
  await page.getByRole('button', { name: `Back to ${shown}` }).click();
  await expect(field).toHaveValue(shown);
  await fill(page, 'How many poses', '0');
  await expect(page.getByText(/At least one. To leave it out, delete the block/)).toBeVisible();
  await fill(page, 'How many poses', '10000');
  await expect(page.getByText('At most 500 in one block.')).toBeVisible();
  await fill(page, 'How many poses', '500');
  await fill(page, 'Length of each pose', '1m30');
  await expect(field).toHaveValue('1:30');
  await expect(inspector(page)).toContainText(/pictures for 500 poses/);
  await fill(page, 'Length of each pose', '6:00:00');
  await expect(page.getByText(/longer than a day/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeDisabled();
  await fill(page, 'Length of each pose', '1:00');
  await page.getByRole('radio', { name: 'pot' }).press('Space');
  await fill(page, 'The pot', '0:30');
  await expect(inspector(page).getByText(/The pot of 0:30 is smaller than one pose/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeDisabled();
});

test('a set that is deleted while the plan draws from it is told, and another can be chosen', async ({ page }) => {
  await page.goto('/poses');
  await page.getByRole('button', { name: 'New set' }).click();
  await page.getByLabel('What is the set called?').fill('My feet');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/set=/);
  const address = page.url();
  await openPlan(page);
  const sets = page.getByRole('combobox', { name: 'Set of pictures' });
  await sets.selectOption({ label: 'My feet' });
  await expect(page.getByText(/No picture in this set is as asked for/).first()).toBeVisible();
  const setId = new URL(address).searchParams.get('set') ?? '';
  await kept(page, 'settings', 'planDraft', setId);
  await page.goto(address);
  await page
    .getByRole('button', { name: /Put .* away/ })
    .first()
    .click();
  // Gone from the list, so it is written.
  await expect(page.getByText(/is in the bin/).first()).toBeVisible();
  await page.goto('/plan');
  await expect(page.getByText(/no longer here. Choose another/).first()).toBeVisible();
  await page.getByRole('combobox', { name: 'Set of pictures' }).selectOption({ label: 'Lantern pageant figures' });
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeEnabled();
});

test('kept, shared and opened again it is the same plan with the same pictures', async ({ page }) => {
  await openPlan(page);
  await choose(page, /^Flowing gesture/);
  await page.getByRole('button', { name: 'Longer (+)' }).click();
  const shape = await ribbon(page)
    .getByRole('option')
    .evaluateAll((all) => all.map((o) => o.getAttribute('aria-label')?.split(', from')[0]));
  const pictures = () =>
    ribbon(page)
      .locator('img')
      .evaluateAll((all) => all.map((i) => (i as HTMLImageElement).src));
  await expect.poll(async () => (await pictures()).length).toBeGreaterThan(4);
  const shown = await pictures();
  await page.getByRole('button', { name: 'Keep, print, share…' }).click();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Share as a file' }).click();
  const file = await (await saving).path();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ format: 'fox-minute-plan', version: 1 });
  await page.getByRole('button', { name: 'Keep, print, share…' }).click();
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await page.getByRole('button', { name: 'Begin from…' }).click();
  await page.getByRole('button', { name: /A spare minute/ }).click();
  await expect(ribbon(page).getByRole('option')).toHaveCount(1);
  await page.getByRole('button', { name: 'Begin from…' }).click();
  await page.getByLabel('Plan file').setInputFiles(file);
  await expect(page.getByText(/with the same pictures in the same order/)).toBeVisible();
  expect(
    await ribbon(page)
      .getByRole('option')
      .evaluateAll((all) => all.map((o) => o.getAttribute('aria-label')?.split(', from')[0])),
  ).toEqual(shape);
  await expect.poll(pictures).toEqual(shown);
  await page.getByRole('button', { name: 'Begin from…' }).click();
  await page.getByLabel('Plan file').setInputFiles({
    name: 'later.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"fox-minute-plan","version":7}'),
  });
  await expect(page.getByText(/made by a newer Fox Minute. Nothing here was changed/)).toBeVisible();
  const dialog = page.getByRole('dialog', { name: 'Begin from' });
  await dialog
    .getByRole('button', { name: /25 min of practice 2/ })
    .first()
    .click();
  expect(
    await ribbon(page)
      .getByRole('option')
      .evaluateAll((all) => all.map((o) => o.getAttribute('aria-label')?.split(', from')[0])),
  ).toEqual(shape);
});

test('prints as one page, goes into a calendar, and a session timed by hand is a journal entry', async ({ page }) => {
  await openPlan(page);
  const press = (name: string | RegExp) => page.getByRole('button', { name }).click();
  await press('Keep, print, share…');
  const printing = page.waitForEvent('download');
  await press('Make the sheet (PDF)');
  expect(
    readFileSync(await (await printing).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  await press('Keep, print, share…');
  const calendar = page.waitForEvent('download');
  await press('Save the calendar file');
  expect(readFileSync(await (await calendar).path(), 'utf8')).toMatch(/BEGIN:VCALENDAR[\s\S]*BYDAY=MO,WE,FR/);
  await press('Keep, print, share…');
  await press('Enter a session timed by hand');
  await fill(page, 'Actual time of 3, Flowing gesture', '2:00');
  await page.getByLabel('A line of notes').fill('By the kitchen clock.');
  await press('Enter it in the journal');
  await expect(page.getByText('It is in the journal')).toBeVisible();
  await page.goto('/journal');
  await expect(page.getByText('By the kitchen clock.').first()).toBeVisible();
});

test('a remedy brings blocks and its reason; an exercise of one’s own can be made and used', async ({ page }) => {
  await openPlan(page);
  await page.getByRole('button', { name: 'Begin from…' }).click();
  await page.getByRole('button', { name: 'My figures look stiff' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Curves from the shoulder' })).toBeVisible();
  await expect(block(page, /^C, S and straight/)).toBeVisible();
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Make my own from it' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Knees only');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(block(page, /^Knees only/)).toBeVisible();
  await kept(page, 'settings', 'planDraft', 'Knees only');
  await page.reload();
  await expect(block(page, /^Knees only/)).toBeVisible();
});

test('Today’s plan is taken to the planner as it is', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  const label = (await page.getByRole('img', { name: /The session on a ribbon/ }).getAttribute('aria-label')) ?? '';
  await page.getByRole('button', { name: 'Change this plan' }).click();
  await expect(page).toHaveURL(/\/plan$/);
  await expect(ribbon(page).getByRole('option').first()).toBeVisible();
  const first = await ribbon(page)
    .getByRole('option')
    .evaluateAll((all) => all.map((o) => (o.getAttribute('aria-label') ?? '').split(',')[0]));
  for (const name of first) expect(label).toContain(name);
  expect((await sum(page)).total).toBe(seconds(/In all (\d+:\d\d)/.exec(label)?.[1] ?? '0:00'));
});

test('on a narrow screen it wraps, nothing sticks out, and it can be planned and started', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 780 });
  await openPlan(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
  await page.getByRole('button', { name: /^Flowing gesture/ }).click();
  await expect(inspector(page)).toBeVisible();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
});

test('printed from the browser the plan is its blocks and what goes on the table, not the editor', async ({ page }) => {
  await openPlan(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'Blocks' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'On the table' })).toBeVisible();
  for (const name of ['Start', 'Add poses', 'Keep, print, share…'])
    await expect(page.getByRole('button', { name, exact: true })).toBeHidden();
  await expect(page.getByRole('region', { name: 'The chosen block' })).toBeHidden();
});
