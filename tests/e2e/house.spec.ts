import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { png } from '../images';
import { WALKING, pose, posesBlock, runPlan, startSession, stopAndKeep } from './steps';

const STANDARDS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** @param colorsOnly What a change of theme can change. */
async function expectAccessible(page: Page, colorsOnly = false): Promise<void> {
  // What fades is looked at when it has; a change of theme begins with the next frame.
  // Rows below the fold, which are drawn only when one scrolls to them, are drawn too: their colors stand still otherwise.
  await page.evaluate(async () => {
    const drawn = new CSSStyleSheet();
    drawn.replaceSync('* { content-visibility: visible !important }');
    document.adoptedStyleSheets = [drawn];
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
    await Promise.allSettled(document.getAnimations().map((animation) => animation.finished));
  });
  // Without frames of other origins the page itself can be asked.
  const axe = new AxeBuilder({ page }).setLegacyMode();
  const { violations } = await (
    colorsOnly ? axe.withRules(['color-contrast', 'link-in-text-block']) : axe.withTags(STANDARDS)
  ).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
}

const SCREENS: [name: string, open: (page: Page) => Promise<void>][] = [
  [
    'Today',
    async (page) => {
      await page.goto('/');
      await expect(page.getByRole('img', { name: /The session on a ribbon/ })).toBeVisible();
    },
  ],
  [
    'Plan, a block chosen',
    async (page) => {
      await page.goto('/plan');
      await page.getByRole('option', { name: /^Flowing gesture/ }).click({ position: { x: 14, y: 30 } });
      await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeEnabled();
    },
  ],
  [
    'Plan, choosing an exercise',
    async (page) => {
      await page.goto('/plan');
      await page.getByRole('button', { name: 'Add poses' }).click();
      await expect(page.getByRole('dialog', { name: 'Add a block' })).toBeVisible();
    },
  ],
  [
    'the handbook',
    async (page) => {
      await page.goto('/handbook');
      await expect(page.getByRole('heading', { name: 'Blind contour' })).toBeVisible();
    },
  ],
  [
    'Journal',
    async (page) => {
      await page.goto('/journal');
      await expect(page.locator('[data-sum]')).toHaveCount(7);
    },
  ],
  [
    'Habits',
    async (page) => {
      await page.goto('/journal/habits');
      await expect(page.getByRole('heading', { name: 'Lessons tried' })).toBeVisible();
    },
  ],
  [
    'the wall',
    async (page) => {
      await page.goto('/journal/wall');
      await expect(page.getByRole('status')).toContainText('of drawing, newest first');
    },
  ],
  [
    'Then and now',
    async (page) => {
      await page.goto('/journal/again');
      await expect(page.getByText(/^Then: /)).toBeVisible();
    },
  ],
  [
    'a month',
    async (page) => {
      await page.goto('/journal/month');
      await expect(page.getByRole('button', { name: 'Print this month' })).toBeVisible();
    },
  ],
  [
    'Courses',
    async (page) => {
      await page.goto('/course');
      await expect(page.getByText(/^6 of 10 days/)).toBeVisible();
    },
  ],
  [
    'a chapter of the handbook',
    async (page) => {
      await page.goto('/handbook/looking');
      await expect(page.getByRole('img', { name: 'Tilts over a figure' })).toBeVisible();
    },
  ],
  [
    'words of the handbook',
    async (page) => {
      await page.goto('/handbook/words');
      await expect(page.getByRole('heading', { name: 'Words' })).toBeVisible();
    },
  ],
  [
    'Months',
    async (page) => {
      await page.goto('/journal/months');
      await expect(page.getByRole('row', { name: /^Together/ })).toBeVisible();
    },
  ],
  [
    'Poses',
    async (page) => {
      await page.goto('/poses');
      await expect(page.getByRole('link', { name: /Archer turning/ }).first()).toBeVisible();
    },
  ],
  [
    'a set of pictures',
    async (page) => {
      await page.goto('/poses');
      await page.getByRole('button', { name: 'New set' }).click();
      await page.getByLabel('What is the set called?').fill('Hands');
      await page.keyboard.press('Enter');
      await page.getByLabel('Choose pictures').setInputFiles([
        { name: 'a.png', mimeType: 'image/png', buffer: Buffer.from(png(40, 30)) },
        { name: 'bad.png', mimeType: 'image/png', buffer: Buffer.from('words, words, words, words') },
      ]);
      await expect(page.getByText('1 picture added.')).toBeVisible();
    },
  ],
  [
    'all pictures, some chosen',
    async (page) => {
      await page.goto('/poses?set=library');
      await page.getByLabel('Choose pictures').setInputFiles('public/figures/archer-sprinting-slight-70.webp');
      await expect(page.getByText('1 picture added.')).toBeVisible();
      await page.getByRole('button', { name: /^Choose archer/ }).click();
      await page.getByText('Say what they show').last().click();
    },
  ],
  [
    'a picture',
    async (page) => {
      await page.goto('/poses?set=library');
      await page.getByLabel('Choose pictures').setInputFiles('public/figures/archer-sprinting-slight-70.webp');
      await expect(page.getByText('1 picture added.')).toBeVisible();
      await page.getByRole('link', { name: 'archer-sprinting-slight-70.webp' }).click();
      await page
        .getByRole('button', { name: 'Place points by hand' })
        .or(page.getByRole('button', { name: 'Move its points' }))
        .click();
      await expect(page.getByRole('slider', { name: /left knee/ })).toBeVisible();
    },
  ],
  [
    'a pick',
    async (page) => {
      await page.goto('/poses');
      await page.getByRole('button', { name: 'Pick for me' }).click();
      await expect(page.getByRole('list', { name: 'Poses picked' }).getByRole('listitem').first()).toBeVisible();
    },
  ],
  [
    'what was drawn',
    async (page) => {
      await page.goto('/poses?set=coverage');
      await page.getByRole('button', { name: /^seated, front: \d+ drawn/ }).click();
    },
  ],
  [
    'a figure, held by its joints',
    async (page) => {
      await page.goto(`/poses/figure?id=${encodeURIComponent('figure/archer-turning/masc/-20/6/26')}`);
      await expect(page.getByText(/^The action line is/)).toBeVisible();
      for (const key of '1234567890spj') await page.keyboard.press(key);
      await expect(page.locator('[data-layer]')).toHaveCount(12);
      await expect(page.getByRole('button', { name: 'Move the left hand' })).toBeVisible();
    },
  ],
  [
    'the desk',
    async (page) => {
      await page.goto('/journal');
      await page.getByLabel('Choose photographs of pages').setInputFiles('tests/fixtures/sheet.jpg');
      await page
        .getByRole('link', { name: /on the desk/ })
        .last()
        .click();
      await page.getByRole('button', { name: 'Straighten it' }).click();
      await expect(page.getByRole('list', { name: 'Drawings on this sheet' })).toBeVisible();
    },
  ],
  [
    'chance poses',
    async (page) => {
      await page.goto('/poses?set=chance');
      await expect(page.getByRole('link', { name: /Chance pose/ })).toHaveCount(12);
    },
  ],
  [
    'Your room',
    async (page) => {
      await page.goto('/room');
      await expect(page.getByRole('radio', { name: /At a desk/ })).toBeVisible();
    },
  ],
  [
    'Run, seeing aids',
    async (page) => {
      await runPlan(page, posesBlock('c-s-straight', [pose(WALKING, 60_000)]));
      await page.keyboard.press('ArrowRight');
      await expect(page.getByRole('img', { name: /Reference:/ })).toBeVisible();
      for (const key of ['v', 'd', 'p', 'q']) await page.keyboard.press(key);
      await expect(page.getByRole('region', { name: 'Seeing aids' })).toBeVisible();
    },
  ],
  [
    'Data',
    async (page) => {
      await page.goto('/data');
      await expect(page.getByText(/Right now/)).toBeVisible();
    },
  ],
  [
    'Run, a pose',
    async (page) => {
      await startSession(page, 0);
      await page.keyboard.press('ArrowRight');
      await expect(page.getByRole('img', { name: /Reference:/ })).toBeVisible();
    },
  ],
  [
    'Run, on hold with the keys',
    async (page) => {
      await startSession(page, 0);
      await page.keyboard.press('Space');
      await page.keyboard.press('?');
      await expect(page.getByText('On hold', { exact: true })).toBeVisible();
    },
  ],
  [
    'Run, body',
    async (page) => {
      await startSession(page, 17);
      await expect(page.getByText('Shake the hands out', { exact: true })).toBeVisible();
    },
  ],
  [
    'Run, blind contour',
    async (page) => {
      await runPlan(page, posesBlock('blind-contour', [pose(WALKING, 60_000)]));
      await page.keyboard.press('ArrowRight');
      await expect(page.getByText('eyes on the edge; a sound ends it').first()).toBeVisible();
    },
  ],
  [
    'After',
    async (page) => {
      await startSession(page, 0);
      await stopAndKeep(page);
      await expect(page.getByRole('heading', { name: /drawings?, / })).toBeVisible();
    },
  ],
  [
    'a sheet on the screen',
    async (page) => {
      await page.goto('/room');
      await page.getByRole('radio', { name: /^this screen/ }).check();
      await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 600_000)]));
      await page.keyboard.press('ArrowRight');
      await expect(page.getByRole('timer', { name: 'Time left' })).toBeVisible();
      await expect(page.getByRole('img', { name: /^Sheet 1: / })).toBeVisible();
    },
  ],
  [
    'stroke by stroke',
    async (page) => {
      await page.goto('/journal?session=demo-28');
      await expect(page.getByRole('link', { name: 'Page 2 on the desk' })).toBeVisible();
      await page.goto('/desk/strokes?session=demo-28&drawing=1:0');
      await page.getByText('The rest of what the strokes tell').click();
      await expect(page.getByRole('list', { name: 'What the strokes tell' })).toContainText('lifts');
    },
  ],
  [
    'several figures',
    async (page) => {
      await page.goto('/poses/group');
      await page.getByRole('button', { name: 'New draft' }).click();
      await page.getByRole('button', { name: 'Add a figure' }).click();
      await page.getByRole('dialog').getByRole('listitem').first().getByRole('button').click();
      await expect(page.getByLabel('a giant')).toBeVisible();
    },
  ],
];

/** As wide as its window, for a finger and for a mouse. */
async function expectNoScrollSideways(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setTouchEmulationEnabled', { enabled: true });
  await page.setViewportSize({ width: 390, height: 844 });
  // Laid out anew: what is measured by an observer follows a frame later.
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth))
    .toBeLessThanOrEqual(0);
}

test.describe('every screen', () => {
  test.use({ colorScheme: 'light', contextOptions: { reducedMotion: 'reduce' } });
  for (const [name, open] of SCREENS)
    test(`${name} passes axe on paper and at night, and does not scroll sideways on a narrow screen`, async ({
      page,
    }) => {
      await open(page);
      await expectAccessible(page);
      await page.emulateMedia({ colorScheme: 'dark' });
      // The page is told of it a moment later.
      await expect.poll(() => page.evaluate(() => matchMedia('(prefers-color-scheme: dark)').matches)).toBe(true);
      await expectAccessible(page, true);
      await expectNoScrollSideways(page);
    });
});

test.describe('at 1280 by 800', () => {
  for (const path of ['/', '/run'])
    test(`${path} does not scroll`, async ({ page }) => {
      if (path === '/') await SCREENS[0][1](page);
      else await startSession(page, 0);
      expect(await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBeLessThanOrEqual(0);
    });
});

test('no request leaves for another origin, and the policy is there and kept', async ({ page, baseURL }) => {
  const origins = new Set<string>();
  const complaints: string[] = [];
  page.on('request', (r) => {
    if (/^https?:/.test(r.url())) origins.add(new URL(r.url()).origin);
  });
  page.on('console', (m) => {
    if (m.type() === 'error') complaints.push(m.text());
  });
  page.on('pageerror', (e) => complaints.push(e.message));
  const response = await page.goto('/');
  const policy = response?.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toContain("'unsafe-eval'");
  for (const path of ['/journal', '/poses', '/data', '/run', '/after?session=demo-1']) {
    expect((await page.goto(path))?.headers()['content-security-policy']).toContain("connect-src 'self'");
    await page.waitForLoadState('networkidle');
  }
  await startSession(page, 0);
  await page.keyboard.press('ArrowRight');
  await page.waitForLoadState('networkidle');
  expect([...origins]).toEqual([new URL(baseURL!).origin]);
  expect(complaints).toEqual([]);
});

test('a page that does not exist says where things are', async ({ page }) => {
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
});
