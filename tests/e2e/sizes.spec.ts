import { expect, type Page, test } from '@playwright/test';
import { openPlan, pose, posesBlock, runPlan, WAITING, WALKING } from './steps';
import { smallTargets, textFaults } from './textFaults';

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

/** The sizes at which every screen is read, in both themes. */
const READ_AT = [[1280, 800], [390, 844], [1920, 1080], [820, 1180], ...SIZES.slice(1, 5)] as const;

/** Reads a screen at every size and in both themes. */
async function readable(page: Page, screen: string): Promise<string[]> {
  const found: string[] = [];
  for (const [width, height] of READ_AT) {
    await page.setViewportSize({ width, height });
    // What follows the size of the window is laid out a frame or two later.
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 100))));
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
      for (const { kind, words } of await textFaults(page))
        found.push(`${screen} at ${String(width)}x${String(height)}, ${colorScheme}: ${kind}: ${words}`);
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'no-preference' });
  return found;
}

/** Every place, and what is opened in it. */
const SCREENS: readonly (readonly [name: string, path: string, press?: string])[] = [
  ['Today', '/'],
  ['Plan', '/plan'],
  ['Plan, start from', '/plan', 'Begin from'],
  ['Plan, add a block', '/plan', 'Add poses'],
  ['Plan, keep', '/plan', 'Keep, print, share'],
  ['Plan, more choices', '/plan', 'More to say'],
  ['Plan, by tapping', '/plan', 'Tap it'],
  ['Poses', '/poses'],
  ['library', '/poses?set=library'],
  ['figure', '/poses/figure?id=figure%2Fbell-ringer-waiting%2Fstocky%2F30%2F6%2F26'],
  ['groups', '/poses/group'],
  ['journal', '/journal'],
  ['one session', '/journal?session=demo-11'],
  ['month', '/journal/month'],
  ['months', '/journal/months'],
  ['habits', '/journal/habits'],
  ['again', '/journal/again'],
  ['wall', '/journal/wall'],
  ['after', '/after?session=demo-28'],
  ['strokes', '/desk/strokes?session=demo-28&drawing=1:0'],
  ['course', '/course'],
  ['desk', '/desk?session=demo-28'],
  ['handbook', '/handbook'],
  ['safety', '/handbook/safety'],
  ['words', '/handbook/words'],
  ['data', '/data'],
  ['room', '/room'],
];
for (const [name, path, press] of SCREENS)
  test(`${name}: no text is cut or overlaps, and everything can be hit`, async ({ page }) => {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    if (press) await page.getByRole('button', { name: press }).first().click();
    expect(await smallTargets(page)).toEqual([]);
    expect(await readable(page, name)).toEqual([]);
  });

test('in a session no text is cut or overlaps, whatever is open', async ({ page }) => {
  test.slow();
  await runPlan(
    page,
    posesBlock('flowing-gesture', [pose(WALKING, 600_000, { leadInMs: 600_000 }), pose(WAITING, 600_000)]),
    { kind: 'rest', durationMs: 600_000 },
    posesBlock('blind-contour', [pose(WALKING, 600_000, { leadInMs: 600_000 })]),
  );
  const found = await readable(page, 'lead-in');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('timer', { name: 'Time left' })).toBeVisible();
  found.push(...(await readable(page, 'pose')));
  await page.keyboard.press('q');
  await expect(page.getByRole('region', { name: 'Seeing aids' })).toBeVisible();
  found.push(...(await readable(page, 'aids')));
  await page.keyboard.press('q');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  found.push(...(await readable(page, 'keys')));
  await page.keyboard.press('Escape');
  await page.keyboard.press(' ');
  await expect(page.getByRole('region', { name: 'On hold' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Go on/ }).first()).toBeFocused();
  found.push(...(await readable(page, 'hold')));
  await page.keyboard.press(' ');
  await expect(page.locator('main')).toBeFocused();
  expect(found).toEqual([]);
});

test('the finders find what is wrong', async ({ page }) => {
  await page.setContent(`<body style="margin:0;font:16px sans-serif">
    <div style="width:40px;overflow:hidden;white-space:nowrap">cut by its box</div>
    <div style="width:60px;overflow:hidden;text-overflow:ellipsis;white-space:nowrap">cut by dots</div>
    <div style="position:absolute;left:0;top:100px">laid under</div>
    <div style="position:absolute;left:10px;top:103px">laid over</div>
    <div style="position:absolute;left:0;top:200px"><span style="display:inline-block">19:45</span><span style="display:inline-block">19:50</span></div>
    <div style="position:absolute;left:3000px;top:300px">far off</div>
    <div style="position:absolute;top:400px;width:60px;height:20px;overflow:auto">fine: this box scrolls to all of its words</div>
    <button style="position:absolute;top:500px;width:18px;height:18px;padding:0">x</button>
  `);
  expect((await textFaults(page)).map(({ kind, words }) => `${kind}: ${words}`).sort()).toEqual([
    'cut: cut by dots',
    'cut: cut by its box',
    'off screen: far off',
    'overlap: laid under | laid over',
    'run together: 19:45 | 19:50',
  ]);
  expect(await smallTargets(page)).toEqual(['x (18x18)']);
});
