import { expect, type Page, test } from '@playwright/test';
import {
  kept,
  keptLog,
  lastSession,
  WALKING,
  WAITING,
  pose,
  posesBlock,
  runPlan,
  seconds,
  skipTo,
  startSession,
} from './steps';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';

test('a pedal is learned by pressing it, and works; forgotten, it does not', async ({ page }) => {
  await page.goto('/room');
  const row = page.getByRole('listitem').filter({ hasText: 'One more of this' });
  await row.getByRole('button', { name: 'Learn' }).click();
  await page.getByRole('button', { name: 'Press a simulated pedal' }).click();
  await expect(page.getByText('the simulated pedal: One more of this')).toBeVisible();
  await page.getByRole('listitem').filter({ hasText: 'Pause, go on' }).getByRole('button', { name: 'Learn' }).click();
  await page.keyboard.press('F9');
  await expect(page.getByText('F9: Pause, go on')).toBeVisible();
  await kept(page, 'settings', 'room', 'F9');
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000)]));
  await page.keyboard.press('ArrowRight');
  await page.evaluate(() => window.dispatchEvent(new Event('fox-minute-pedal')));
  await expect(page.getByText('Once more after this.')).toBeVisible();
  await page.keyboard.press('F9');
  await expect(page.getByText('On hold', { exact: true })).toBeVisible();
  await page.goto('/room');
  await page.getByRole('button', { name: /Forget F9/ }).click();
  await expect(page.getByRole('button', { name: /Forget F9/ })).toHaveCount(0);
});

test('the whole session with one key', async ({ page }) => {
  await driveClock(page);
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await skipTo(page, 'Page full');
  // A page waits: the key ends it.
  await page.keyboard.press('Enter');
  await expect(page.getByText('page 2 of 2')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Ready', { exact: true })).toBeVisible();
  // A pose runs: the key holds it, and goes on.
  await page.keyboard.press('Enter');
  await expect(page.getByText('On hold', { exact: true })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('On hold', { exact: true })).toHaveCount(0);
  await letPass(page, 30 * 60_000);
  await expect(page).toHaveURL(/\/after/);
  expect((await keptLog(page)).filter((e) => e.type === 'next').length).toBeGreaterThan(1);
});

test('at the easel everything is larger; for the left hand it stands the other way round', async ({ page }) => {
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000)]));
  await page.keyboard.press('ArrowRight');
  const timer = page.getByRole('timer', { name: 'Time left' });
  const box = async () => (await timer.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  const desk = await box();
  await page.goto('/room');
  await page.getByRole('radio', { name: /At an easel/ }).check();
  await page.getByRole('radio', { name: /the left hand/ }).check();
  await kept(page, 'settings', 'room', 'left');
  await page.goto('/run');
  await page
    .getByRole('button', { name: /^Go on/ })
    .first()
    .click();
  const easel = await box();
  expect(easel.height).toBeGreaterThan(desk.height * 1.5);
  expect(desk.x).toBeLessThan(200);
  expect(easel.x + easel.width).toBeGreaterThan(1000);
  const name = page.getByText('Flowing gesture', { exact: true });
  expect(parseFloat(await name.evaluate((n) => getComputedStyle(n).fontSize))).toBeGreaterThanOrEqual(40);
});

test('a second window shows the same within a fifth of a second, steers it, and can be the clock alone', async ({
  page,
  context,
}) => {
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000), pose(WAITING, 60_000)]));
  await page.keyboard.press('ArrowRight');
  const window2 = await context.newPage();
  await window2.goto('/run/window');
  const timerOf = (p: Page) => p.getByRole('timer', { name: 'Time left' });
  await expect(timerOf(window2)).toBeVisible();
  await expect(window2.getByRole('img', { name: /Reference:/ })).toBeVisible();
  await page.keyboard.press('g');
  await expect
    .poll(() => window2.getByRole('img', { name: /Reference:/ }).evaluate((c) => getComputedStyle(c).filter))
    .toContain('grayscale');
  // Both are asked at the same moments: they differ by a second at most at the turn of one.
  for (let i = 0; i < 5; i++) {
    const [a, b] = await Promise.all([timerOf(page).textContent(), timerOf(window2).textContent()]);
    expect(Math.abs(seconds(a ?? '') - seconds(b ?? ''))).toBeLessThanOrEqual(1);
    await page.waitForTimeout(230);
  }
  await window2.keyboard.press(' ');
  await expect(page.getByText('On hold', { exact: true })).toBeVisible();
  await expect(window2.getByText('On hold.')).toBeVisible();
  await window2.keyboard.press(' ');
  await window2.keyboard.press('ArrowRight');
  await expect(page.getByText('Next sheet. Then')).toBeVisible();
  await window2.goto('/run/window?show=clock');
  await expect(timerOf(window2)).toBeVisible();
  await expect(window2.getByRole('img', { name: /Reference:/ })).toHaveCount(0);
  await page.close();
  await expect(window2.getByText(/is not heard|is over|No session/)).toBeVisible();
});

test('in the pocket it is dark, and a tap anywhere goes on or holds', async ({ page }) => {
  await page.goto('/room');
  await page.getByRole('radio', { name: /Phone in the pocket/ }).check();
  await kept(page, 'settings', 'room', 'pocket');
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000)]));
  await page.getByRole('button', { name: /Tap to go on or to hold/ }).click();
  await expect(page.getByRole('button', { name: /On hold. Tap to go on/ })).toBeVisible();
  await page.getByRole('button', { name: 'Light again' }).click();
  await expect(page.getByText('On hold', { exact: true })).toBeVisible();
});

test('a card against the screen: a figure is shown as many centimeters tall as wanted', async ({ page }) => {
  await page.goto('/room');
  await page.getByRole('slider', { name: 'Width of the card on the screen' }).fill('342');
  await page.getByRole('button', { name: 'They are alike' }).click();
  await expect(page.getByText('Measured: 4.00 pixels a millimeter.')).toBeVisible();
  await kept(page, 'settings', 'room', '"pxPerMm":');
  await runPlan(page, posesBlock('contour', [pose(WALKING, 300_000)]));
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('img', { name: /Reference:/ })).toBeVisible();
  await page.keyboard.press('a');
  // The outline that the pace follows is exactly as tall as the figure.
  const outline = page.locator('main svg path[stroke-opacity="0.45"]');
  await expect(outline).toHaveCount(1);
  await page.keyboard.press('q');
  for (const cm of [12, 18]) {
    await page.getByLabel(/cm tall on the screen/).fill(String(cm));
    await page.getByRole('button', { name: 'Show', exact: true }).click();
    // Four pixels a millimeter; a tenth of a centimeter is four of them.
    // Its own box, not the one that makes room for the line's width.
    const heightPx = (): Promise<number> =>
      outline.evaluate((path: SVGPathElement) => path.getBBox().height * Math.abs(path.getScreenCTM()?.d ?? 0));
    await expect.poll(async () => Math.abs((await heightPx()) - cm * 40)).toBeLessThanOrEqual(4);
  }
});

test('after a session: what was seen is kept, the next time is shown, judging can be shut', async ({ page }) => {
  await driveClock(page);
  await runPlan(
    page,
    posesBlock('mark-allowance', [pose(WALKING, 30_000)]),
    posesBlock('flowing-gesture', [pose(WAITING, 30_000)]),
  );
  await letPass(page, 120_000);
  await expect(page).toHaveURL(/\/after/);
  await page.getByRole('button', { name: 'tight', exact: true }).click();
  await expect(page.getByRole('button', { name: 'tight', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Marks in the last one, of 20').fill('24');
  await page.keyboard.press('Enter');
  await expect(page.getByText('4 more than allowed, 20 % over')).toBeVisible();
  const missingMost = page.getByText(/Missing most often: tilt of hips/);
  const timesMissing = async (): Promise<number[]> =>
    ((await missingMost.textContent()) ?? '').match(/\d+/g)?.map(Number) ?? [];
  await page.getByRole('button', { name: 'Tilt of hips' }).click();
  await expect.poll(timesMissing, 'this session alone: the demo learner’s are not mine').toEqual([1, 1]);
  await page.getByText('A verdict, or none for a while').click();
  await page
    .getByRole('group', { name: /Placement, for 30 s/ })
    .getByRole('button', { name: 'nearly' })
    .click();
  await expect(page.getByText('placement nearly for 30 s')).toBeVisible();
  await page.getByText('Park the critic').click();
  await page.getByLabel(/What it says/).fill('You never finish.');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Burn it' }).click();
  await expect(page.getByRole('button', { name: 'Burn it' })).toHaveCount(0);
  await page.getByLabel(/Next time/).fill('Hips before limbs');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: '7 days' }).click();
  await expect(page.getByText(/No judging of this session until/)).toBeVisible();
  await expect(page.getByRole('group', { name: /Placement/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Tilt of hips' })).toHaveCount(0);
  await page.goto('/');
  await expect(page.getByText('Hips before limbs').first()).toBeVisible();
});

test('a session still running has no page to be put away yet', async ({ page, context }) => {
  await startSession(page, 1);
  const other = await context.newPage();
  const running = await lastSession(page);
  expect(running?.status).toBe('running');
  await other.goto(`/after?session=${running?.id ?? ''}`);
  await expect(other.getByText('This session is still going on.')).toBeVisible();
});
