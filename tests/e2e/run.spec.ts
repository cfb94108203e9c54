import { expect, test } from '@playwright/test';
import { seconds, skipTo, startSession, stopAndKeep, sumsShown } from './steps';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';

const TWENTY = 17;

test('pause stops the clock; what was held is told apart', async ({ page }) => {
  await driveClock(page);
  await startSession(page, 1);
  await letPass(page, 8000);
  await page.keyboard.press('Space');
  await expect(page.getByText('On hold', { exact: true })).toBeVisible();
  const left = await page.getByRole('timer', { name: 'Time left' }).textContent();
  await letPass(page, 47_000);
  await expect(page.getByRole('timer', { name: 'Time left' })).toHaveText(left ?? '');
  await page.keyboard.press('Space');
  await expect(page.getByText('On hold', { exact: true })).toHaveCount(0);
  await letPass(page, 120_000);
  await expect(page).toHaveURL(/\/after/);
  await page.getByRole('link', { name: 'To the journal' }).click();
  const { parts, together, byName } = await sumsShown(page);
  expect(parts.reduce((a, b) => a + b, 0)).toBe(together);
  expect(byName['held']).toBeGreaterThanOrEqual(47);
  expect(byName['drawing']).toBe(90);
});

test('left goes back for more, R starts over, + adds a step, X asks and keeps', async ({ page }) => {
  await driveClock(page);
  await startSession(page, 1);
  const timer = page.getByRole('timer', { name: 'Time left' });
  await page.keyboard.press('ArrowRight');
  await letPass(page, 9000);
  await page.keyboard.press('r');
  await expect(timer).toHaveText(/0:20|0:30|0:19|0:29/);
  const before = seconds((await timer.textContent()) ?? '');
  await page.keyboard.press('+');
  await expect.poll(async () => seconds((await timer.textContent()) ?? '')).toBeGreaterThan(before + 5);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Next sheet. Then')).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText(/pose 1 of 3, /)).toBeVisible();
  await letPass(page, 7000);
  await page.keyboard.press('x');
  await expect(page.getByText('Stop here and keep everything so far?')).toBeVisible();
  await page.keyboard.press('x');
  await expect(page).toHaveURL(/\/after/);
  await expect(page.getByText(/more on poses you went back to/)).toBeVisible();
});

test('lines go by pages, counting up; only "page full" ends one', async ({ page }) => {
  await driveClock(page);
  await startSession(page, TWENTY);
  await skipTo(page, 'Page full');
  const onPage = page.getByRole('timer', { name: 'Time on this page' });
  await letPass(page, 95_000);
  // The clock goes on by itself while a busy machine takes its time.
  await expect(onPage).toHaveText(/^(1:[3-5]|2:[0-2])\d$/);
  await page.getByRole('button', { name: /Page full/ }).click();
  await expect(page.getByText('page 2 of 2')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Ready', { exact: true })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await letPass(page, 6000);
  await stopAndKeep(page);
  await expect(page.getByText(/2 pages of lines, (1:[3-5]|2:[0-4])\d of it/)).toBeVisible();
});

test('the body warm-up shows a move at a time and can be passed over', async ({ page }) => {
  await startSession(page, TWENTY);
  await expect(page.getByText('Shake the hands out', { exact: true })).toBeVisible();
  await expect(page.getByText('Stop at pain, numbness or tingling.')).toBeVisible();
  await page.getByRole('button', { name: /Next move/ }).click();
  await expect(page.getByText('Stretch each finger', { exact: true })).toBeVisible();
});

test('a figure shows each move with the breath, and all of it at once to who wants no motion', async ({ page }) => {
  await driveClock(page);
  await startSession(page, TWENTY);
  const poses = page.locator('img[src*="/figures/moves/shake-hands"]');
  await expect(poses).toHaveCount(2);
  await expect(poses.nth(0)).toHaveAttribute('data-shown');
  await letPass(page, 2600);
  await expect(poses.nth(1)).toHaveAttribute('data-shown');
  await expect(poses.nth(0)).not.toHaveAttribute('data-shown');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  for (const i of [0, 1]) await expect(poses.nth(i)).toHaveCSS('opacity', '1');
});

test('blind contour goes by sound, counts peeks and keeps calm', async ({ page }) => {
  await driveClock(page);
  await startSession(page, TWENTY);
  await skipTo(page, 'Blind contour, 2 min');
  // As it stands beside the picture, not as a screen reader hears it in the lead-in.
  await skipTo(page, /^\s*eyes on the edge; a sound ends it$/);
  // Sound was unlocked by Start, so no digits pull the eyes away.
  await expect(page.getByRole('timer', { name: 'Time left' })).toHaveCount(0);
  await page.keyboard.press('i');
  await page.getByRole('button', { name: /I peeked/ }).click();
  await expect(page.getByText('2 peeks, 2.0 s of 2.4 s. Go on.')).toBeVisible();
  await letPass(page, 65_000);
  await expect(page.getByText('The last minute. Keep the pace.')).toBeVisible();
  await stopAndKeep(page);
  await expect(page.getByText(/2 peeks, 2.0 s: .* over the 2 %/)).toBeVisible();
});

test('look, then draw: the reference hides for drawing and comes back', async ({ page }) => {
  await driveClock(page);
  await startSession(page, TWENTY);
  await skipTo(page, /Look, then draw, /);
  const reference = page.getByRole('img', { name: /Reference:/ });
  await expect(reference).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Look. It hides when the time is up.')).toBeVisible();
  await expect(reference).toBeVisible();
  await letPass(page, 30_000);
  await expect(page.getByText('Now from memory')).toBeVisible();
  await expect(reference).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Here it is again.')).toBeVisible();
  await expect(page.getByText('What was left out?')).toBeVisible();
  await expect(reference).toBeVisible();
});

test('the keys can be asked for, the clock made smaller and put away', async ({ page }) => {
  await startSession(page, 1);
  await page.keyboard.press('ArrowRight');
  const timer = page.getByRole('timer', { name: 'Time left' });
  const height = async () => (await timer.boundingBox())?.height ?? 0;
  const large = await height();
  await page.keyboard.press('c');
  await expect.poll(height).toBeLessThan(large / 2);
  await page.keyboard.press('c');
  await expect(timer).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'Keys' })).toHaveCount(0);
});

test('sound, start to end: cues are put on the audio clock at their times', async ({ page }) => {
  await page.addInitScript(() => {
    const started: number[] = [];
    Object.assign(window, { started });
    const original = OscillatorNode.prototype.start;
    OscillatorNode.prototype.start = function (when?: number) {
      started.push((when ?? 0) - this.context.currentTime);
      original.call(this, when);
    };
  });
  await startSession(page, 1);
  const started = () => page.evaluate(() => (window as unknown as { started: number[] }).started);
  // Two strokes of the start cue, arranged up to a second and a half before it is due.
  await expect.poll(async () => (await started()).length).toBeGreaterThanOrEqual(2);
  for (const ahead of await started()) {
    expect(ahead).toBeGreaterThanOrEqual(0);
    expect(ahead).toBeLessThan(1.7);
  }
});

test('with no session the run says so', async ({ page }) => {
  await page.goto('/run');
  await expect(page.getByRole('heading', { name: 'No session is running.' })).toBeVisible();
  await page.getByRole('button', { name: 'To Today' }).click();
  await expect(page.getByText('Why this plan:')).toBeVisible();
});
