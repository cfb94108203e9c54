import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';
import { createProfile } from './browser';
import { kept, pose, posesBlock, runPlan, stored, WAITING, WALKING } from './steps';

/** Sessions are drawn on the screen from here on. */
async function onScreen(page: Page, more: object = {}): Promise<void> {
  await page.goto('/room');
  await page.getByRole('radio', { name: /^this screen/ }).check();
  if ('liftDoes' in more) await page.getByRole('radio', { name: /^ends the drawing/ }).check();
  await kept(page, 'settings', 'room', '"drawsOn":"screen"');
}

const sheet = (page: Page) => page.getByRole('img', { name: /^Sheet \d+: / });

/** A stroke over the sheet with a pen that is pressed, shares of where it lies. @param lifts It is lifted at the end. */
async function drawWithPen(page: Page, points: readonly (readonly [number, number])[], lifts = true): Promise<void> {
  const cdp = await page.context().newCDPSession(page);
  const box = (await sheet(page).boundingBox())!;
  const at = (i: number) => ({ x: box.x + points[i][0] * box.width, y: box.y + points[i][1] * box.height });
  const send = (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', i: number) =>
    cdp.send('Input.dispatchMouseEvent', {
      type,
      ...at(i),
      button: 'left',
      buttons: type === 'mouseReleased' ? 0 : 1,
      pointerType: 'pen',
      force: 0.3 + (0.5 * i) / points.length,
      clickCount: 1,
    });
  await send('mousePressed', 0);
  for (let i = 1; i < points.length; i++) await send('mouseMoved', i);
  if (lifts) await send('mouseReleased', points.length - 1);
  await cdp.detach();
}
const DOWN = [0.3, 0.36, 0.42, 0.48, 0.54, 0.6].map((y): readonly [number, number] => [0.45, y]);
const ACROSS = [0.35, 0.45, 0.55, 0.65].map((x): readonly [number, number] => [x, 0.5]);

/** How much ink is to be seen on the sheet: places of the finished canvas that are not clear. */
const inkOn = (page: Page): Promise<number> =>
  sheet(page)
    .locator('canvas')
    .first()
    .evaluate((canvas) => {
      const { width, height } = canvas as HTMLCanvasElement;
      const data = (canvas as HTMLCanvasElement).getContext('2d')!.getImageData(0, 0, width, height).data;
      return data.filter((v, i) => i % 4 === 3 && v > 0).length;
    });

test('drawn with a pen: kept at once, after a reload too, a page of the journal, cut, measured, stroke by stroke', async ({
  page,
}) => {
  await driveClock(page);
  await onScreen(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000), pose(WAITING, 60_000)]));
  await expect(page.getByText('Ready', { exact: true })).toBeVisible();
  // Nothing is drawn before the pose.
  await drawWithPen(page, DOWN);
  await expect(sheet(page)).toHaveAccessibleName('Sheet 1: 0 strokes');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('timer', { name: 'Time left' })).toBeVisible();
  await letPass(page, 4000);
  await page.getByRole('button', { name: 'Brush' }).click();
  await drawWithPen(page, DOWN);
  await drawWithPen(page, ACROSS);
  await expect(sheet(page)).toHaveAccessibleName('Sheet 1: 2 strokes');
  expect(await inkOn(page)).toBeGreaterThan(200);
  // No eraser where nothing is erased, and nothing is taken back.
  await expect(page.getByRole('button', { name: 'Eraser' })).toHaveCount(0);
  await page.keyboard.press('Backspace');
  await expect(sheet(page)).toHaveAccessibleName('Sheet 1: 2 strokes');
  await kept(page, 'strokes', null, '"by":"pen"');
  await page.reload();
  await page.getByRole('button', { name: 'Go on', exact: true }).first().click();
  await expect(sheet(page)).toHaveAccessibleName('Sheet 1: 2 strokes');
  await expect.poll(() => inkOn(page)).toBeGreaterThan(200);
  await letPass(page, 8000);
  await page.keyboard.press('ArrowRight');
  // Between two: one sentence, the sheet turned, and then a new one.
  await expect(page.getByText(/^Nine tenths of the figure were down after/)).toBeVisible();
  await page.getByRole('button', { name: 'The sheet upside down' }).click();
  await expect(sheet(page).locator('canvas').first().locator('..')).toHaveAttribute('style', /rotate\(180deg\)/);
  await page.keyboard.press('ArrowRight');
  await expect(sheet(page)).toHaveAccessibleName('Sheet 2: 0 strokes');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page).toHaveURL(/\/after/);
  await page
    .getByRole('link', { name: 'The page on the desk' })
    .or(page.getByRole('link', { name: /on the desk$/ }))
    .first()
    .click();
  const list = page.getByRole('list', { name: 'Drawings on this sheet' });
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await list.getByRole('button', { name: 'Look at it closely' }).click();
  await page.getByRole('link', { name: 'Stroke by stroke' }).click();
  await expect(page.getByRole('heading', { name: 'Flowing gesture, stroke by stroke' })).toBeVisible();
  await expect(page.getByText(/^Nine tenths of the figure were down after/)).toBeVisible();
  await page.getByText('The rest of what the strokes tell').click();
  await expect(page.getByRole('list', { name: 'What the strokes tell' })).toContainText('2 marks');
  await page.getByRole('slider', { name: 'Moment of the drawing' }).fill('0');
  await expect(page.getByRole('img', { name: 'The drawing at 0:00' })).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: /InkML/ }).click();
  const ink = readFileSync(await (await saved).path(), 'utf8');
  expect(ink.match(/<trace /g)).toHaveLength(2);
});

test('a browser killed in the middle of a stroke has every stroke before it', async ({ baseURL }) => {
  const profile = createProfile(baseURL!);
  const first = await profile.open();
  await onScreen(first.page);
  await runPlan(first.page, posesBlock('flowing-gesture', [pose(WALKING, 60_000)]));
  await first.page.keyboard.press('ArrowRight');
  await drawWithPen(first.page, DOWN);
  await drawWithPen(first.page, ACROSS);
  await expect.poll(async () => (await stored(first.page, 'strokes', null)) as unknown[]).toHaveLength(2);
  await drawWithPen(first.page, DOWN.toReversed(), false);
  first.signal('KILL', 'all');
  await first.context.close().catch(() => undefined);
  const { page, context } = await profile.open();
  await page.goto('/run');
  await page.getByRole('button', { name: 'Go on', exact: true }).first().click();
  await expect(sheet(page)).toHaveAccessibleName('Sheet 1: 2 strokes');
  await context.close();
  profile.remove();
});

test('blind: nothing is seen until the time is up, a peek is seen as long as it is held, and counted', async ({
  page,
}) => {
  await driveClock(page);
  await onScreen(page);
  await runPlan(page, posesBlock('blind-contour', [pose(WALKING, 60_000), pose(WAITING, 60_000)]));
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Your lines are there; they are seen when the time is up.')).toBeVisible();
  await drawWithPen(page, DOWN);
  await expect(sheet(page)).toHaveAccessibleName('Sheet 1: 1 stroke, seen when the time is up');
  const ink = sheet(page).locator('canvas').first();
  await expect(ink).toBeHidden();
  await page.keyboard.down('i');
  await expect(ink).toBeVisible();
  await letPass(page, 1000);
  await page.keyboard.up('i');
  await expect(ink).toBeHidden();
  await expect(page.getByText(/^1 peek, /)).toBeVisible();
  await letPass(page, 8000);
  await page.keyboard.press('ArrowRight');
  await expect(ink).toBeVisible();
});

test('one line: a second stroke is a lift, or the line’s end', async ({ page }) => {
  await driveClock(page);
  await onScreen(page);
  await runPlan(page, posesBlock('continuous-line', [pose(WALKING, 120_000), pose(WAITING, 120_000)]));
  await page.keyboard.press('ArrowRight');
  await drawWithPen(page, DOWN);
  await drawWithPen(page, ACROSS);
  await expect(page.getByText(/^1 lift\. Set it down/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'I lifted' })).toHaveCount(0);
  await page.keyboard.press('x');
  await page.getByRole('button', { name: /Stop and keep X/ }).click();
  await onScreen(page, { liftDoes: 'ends' });
  await runPlan(page, posesBlock('continuous-line', [pose(WALKING, 120_000), pose(WAITING, 120_000)]));
  await page.keyboard.press('ArrowRight');
  await drawWithPen(page, DOWN);
  await expect(page.getByText(/^Next/).first()).toBeVisible();
});

test('marks are counted against their allowance; masses have the charcoal’s side alone; an eraser takes back', async ({
  page,
}) => {
  await driveClock(page);
  await onScreen(page);
  await runPlan(
    page,
    posesBlock('action-line', [pose(WALKING, 60_000)]),
    posesBlock('gesture-by-mass', [pose(WALKING, 600_000)]),
  );
  await page.keyboard.press('ArrowRight');
  const line = (x: number) => [0.3, 0.4, 0.5, 0.6].map((y): readonly [number, number] => [x, y]);
  for (const x of [0.35, 0.42, 0.5, 0.6]) await drawWithPen(page, line(x));
  await expect(page.getByText('3 of 3 marks, 1 over')).toBeVisible();
  await letPass(page, 8000);
  await page.keyboard.press('ArrowRight');
  const tools = page.getByRole('group', { name: 'Drawn with' });
  await expect(page.getByText('Gesture by mass, 10 min')).toBeVisible();
  while (!(await page.getByRole('timer', { name: 'Time left' }).isVisible())) await page.keyboard.press('ArrowRight');
  await expect(tools.getByRole('button', { name: 'Charcoal' })).toBeVisible();
  await expect(tools.getByRole('button', { name: 'Brush' })).toHaveCount(0);
  await drawWithPen(page, DOWN);
  await drawWithPen(page, ACROSS);
  const before = await inkOn(page);
  await tools.getByRole('button', { name: 'Eraser' }).click();
  await drawWithPen(page, DOWN);
  expect(await inkOn(page)).toBeLessThan(before * 0.9);
  await page.keyboard.press('Backspace');
  await expect.poll(() => inkOn(page)).toBeGreaterThan(before * 0.95);
  await tools.getByRole('button', { name: 'Take the last stroke back' }).click();
  await expect.poll(() => inkOn(page)).toBeLessThan(before * 0.9);
});

test('by finger at 390 px, beside another window, and back on paper', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await driveClock(page);
  await onScreen(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000)]));
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('timer', { name: 'Time left' })).toBeVisible();
  const box = (await sheet(page).boundingBox())!;
  expect(box.x + box.width).toBeLessThanOrEqual(390);
  const cdp = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number, y: number) =>
    cdp.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x: box.x + x * box.width, y: box.y + y * box.height }],
    });
  await touch('touchStart', 0.4, 0.3);
  for (const y of [0.4, 0.5, 0.6]) await touch('touchMove', 0.45, y);
  await touch('touchEnd', 0.45, 0.6);
  await expect(sheet(page)).toHaveAccessibleName('Sheet 1: 1 stroke');
  await kept(page, 'strokes', null, '"by":"finger"');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.keyboard.press('3');
  await expect(sheet(page)).toHaveCount(0);
  await page.keyboard.press('3');
  await expect(sheet(page)).toHaveAccessibleName('Sheet 1: 1 stroke');
  await page.setViewportSize({ width: 1280, height: 800 });
  const before = (await sheet(page).boundingBox())!.width;
  await page.getByRole('button', { name: /^The sheet alone/ }).click();
  await expect.poll(async () => (await sheet(page).boundingBox())!.width).toBeGreaterThan(before * 1.2);
  await expect(page.getByRole('img', { name: /^Reference: / })).toHaveCount(0);
  await context.close();
});
