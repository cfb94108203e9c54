import { expect, type Page, test } from '@playwright/test';
import { openPlan, pose, posesBlock, runPlan, WALKING } from './steps';

/** Phones upright and on their side, a laptop at 200 and 400 %, a tablet between two layouts, a large screen. */
const SIZES = [
  [390, 844],
  [844, 390],
  [667, 375],
  [640, 400],
  [320, 256],
  [700, 900],
  [1920, 1080],
] as const;
const PLACES = ['/', '/plan', '/poses', '/journal', '/months', '/habits', '/handbook', '/data', '/room'];

const sideways = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** Buttons of the session that can't be reached: beyond the window and in nothing that scrolls to them. */
const outOfReach = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('main button')]
      .filter((b) => b.checkVisibility({ visibilityProperty: true }) && !b.closest('[inert]'))
      .filter((b) => {
        b.scrollIntoView({ block: 'nearest', inline: 'nearest' });
        const { left, top, right, bottom } = b.getBoundingClientRect();
        return left < -1 || top < -1 || right > innerWidth + 1 || bottom > innerHeight + 1;
      })
      .map((b) => b.textContent || (b.getAttribute('aria-label') ?? '')),
  );

test('no place scrolls sideways at any size', async ({ page }) => {
  test.slow();
  for (const place of PLACES) {
    if (place === '/plan') await openPlan(page);
    else await page.goto(place);
    await expect(page.locator('main h1, main h2').first()).toBeVisible();
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      expect(await sideways(page), `${place} at ${String(width)} by ${String(height)}`).toBeLessThanOrEqual(0);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  }
});

test('in a session the picture keeps half of the height, and every button can be reached', async ({ page }) => {
  test.slow();
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 600_000, { leadInMs: 600_000 })]));
  const atAllSizes = async (screen: string): Promise<void> => {
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      const where = `${screen} at ${String(width)} by ${String(height)}`;
      expect(await outOfReach(page), where).toEqual([]);
      expect(await sideways(page), where).toBeLessThanOrEqual(0);
      const stage = await page.locator('main > div').first().boundingBox();
      expect(stage!.height, where).toBeGreaterThanOrEqual(height / 2);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  };
  await atAllSizes('lead-in');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('timer', { name: 'Time left' })).toBeVisible();
  await atAllSizes('pose');
  await page.keyboard.press(' ');
  await expect(page.getByRole('region', { name: 'On hold' })).toBeVisible();
  await atAllSizes('hold');
});
