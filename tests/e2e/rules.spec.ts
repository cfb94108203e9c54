import { expect, type Page, test } from '@playwright/test';
import { kept, keptLog, next, pose, posesBlock, runPlan, seconds, WAITING, WALKING } from './steps';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';

const reference = (page: Page) => page.getByRole('img', { name: /Reference:/ });

test('drawn from memory, a picture is to be had nowhere: not here, not in another tab, not by going back', async ({
  page,
  context,
}) => {
  await runPlan(page, posesBlock('look-then-draw', [pose(WALKING, 120_000, { lookMs: 20_000, lookAgainMs: 20_000 })]));
  await next(page);
  await expect(reference(page)).toBeVisible();
  await next(page);
  await expect(page.getByText('Now from memory')).toBeVisible();
  await expect(reference(page)).toHaveCount(0);
  // Keys of the aids show nothing either.
  for (const key of ['g', 'z', 'h', 'h', 'k']) await page.keyboard.press(key);
  await expect(reference(page)).toHaveCount(0);
  await expect(page.getByText('The answer key opens when the time is up.')).toBeVisible();
  const other = await context.newPage();
  await other.goto(`/poses/figure?id=${encodeURIComponent(WALKING)}`);
  await expect(other.getByText(/drawing this from memory just now/)).toBeVisible();
  await expect(other.locator('main img')).toHaveCount(0);
  // Another view of the same pose gives it away as well.
  await other.goto(`/poses/figure?id=${encodeURIComponent(WALKING.replace('/65/', '/35/'))}`);
  await expect(other.getByText(/drawing this from memory just now/)).toBeVisible();
  await other.goto('/run/window');
  await expect(other.getByText('Now from memory')).toBeVisible();
  await expect(other.getByRole('img', { name: /Reference:/ })).toHaveCount(0);
  // Seen again, it comes back everywhere by itself.
  await other.goto(`/poses/figure?id=${encodeURIComponent(WALKING)}`);
  await expect(other.getByText(/drawing this from memory just now/)).toBeVisible();
  await next(page);
  await expect(reference(page)).toBeVisible();
  await expect(other.getByText(/drawing this from memory just now/)).toHaveCount(0);
  await other.close();
  // Going back on the way, the session waits; the picture is still put away.
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('Now from memory')).toBeVisible();
});

test('drawn, then from memory: both are put away, then all three are laid out; four mixes of set and open time', async ({
  page,
}) => {
  await runPlan(
    page,
    posesBlock('draw-then-memory', [pose(WALKING, 60_000, { againMs: 60_000, lookAgainMs: 20_000 })]),
  );
  await next(page);
  await expect(reference(page)).toBeVisible();
  await next(page);
  await expect(page.getByText('Put the drawing away too. Once more, from memory')).toBeVisible();
  await expect(reference(page)).toHaveCount(0);
  await next(page);
  await expect(page.getByText('Lay both drawings beside the picture.')).toBeVisible();
  await expect(reference(page)).toBeVisible();
  for (const openLook of [false, true])
    for (const openDraw of [false, true]) {
      await runPlan(
        page,
        posesBlock('look-then-draw', [pose(WALKING, 60_000, { lookMs: 10_000, openLook, openDraw })]),
      );
      await next(page);
      await expect(page.getByText(openLook ? 'Look until you have it. Then hide it.' : 'Look. It hides')).toBeVisible();
      await expect(page.getByRole('timer', { name: openLook ? 'Time so far' : 'Time left' })).toBeVisible();
      await next(page);
      await expect(page.getByText('Now from memory')).toBeVisible();
      await expect(page.getByRole('timer', { name: openDraw ? 'Time so far' : 'Time left' })).toBeVisible();
    }
});

test('no measuring in contour work: the overlays stay shut, and open where measuring is meant', async ({ page }) => {
  await runPlan(page, posesBlock('contour', [pose(WALKING, 300_000)]), posesBlock('envelope', [pose(WAITING, 60_000)]));
  await next(page);
  await expect(reference(page)).toBeVisible();
  await page.keyboard.press('p');
  await expect(page.getByText('No measuring in this exercise')).toBeVisible();
  await page.keyboard.press('q');
  await expect(page.getByRole('button', { name: /Plumb and level/ })).toBeDisabled();
  await expect(page.getByRole('button', { name: /Envelope/ })).toBeDisabled();
  await page.keyboard.press('q');
  await next(page);
  await next(page);
  await next(page);
  await expect(reference(page)).toBeVisible();
  await page.keyboard.press('q');
  await page.getByRole('button', { name: /Envelope/ }).click();
  await expect(page.getByRole('button', { name: /Envelope/ })).toHaveAttribute('aria-pressed', 'true');
});

test('blind: a held key counts the seconds, and more than two in a hundred is said to be over', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('blind-contour', [pose(WALKING, 60_000)]));
  await next(page);
  await expect(reference(page)).toBeVisible();
  await page.keyboard.down('i');
  await letPass(page, 2000);
  await page.keyboard.up('i');
  await expect(page.getByText(/1 peek, \d+\.\d s of 1\.2 s, over\. Go on\./)).toBeVisible();
  await expect(page.getByRole('timer')).toHaveCount(0);
});

test('one line: lifts are counted and nothing is lost; the start is marked and remembered', async ({ page }) => {
  await runPlan(
    page,
    posesBlock('continuous-line', [pose(WALKING, 180_000)]),
    posesBlock('contour', [pose(WALKING, 300_000)]),
  );
  await next(page);
  await page.keyboard.press('i');
  await page.keyboard.press('i');
  await expect(page.getByText(/2 lifts\. Set it down where you left off/)).toBeVisible();
  await expect(page.getByText('one line: never lift; back and across are fine')).toBeVisible();
  const skipToContour = async (): Promise<void> => {
    for (let i = 0; i < 3; i++) await next(page);
    await expect(page.getByText('Tap the picture where you begin.')).toBeVisible();
  };
  await skipToContour();
  const box = await reference(page).boundingBox();
  if (!box) throw new Error('no picture');
  await page.mouse.click(box.x + box.width * 0.4, box.y + box.height * 0.3);
  await expect(page.getByText('Tap the picture where you begin.')).toHaveCount(0);
  await expect.poll(async () => (await keptLog(page)).map((e) => e.type)).toContain('startPoint');
  // Written a moment later; next time it is there to be left for another place.
  await kept(page, 'viewings', WALKING, '"starts":[{');
  await runPlan(page, posesBlock('contour', [pose(WALKING, 300_000)]));
  await next(page);
  await expect(page.getByText('Crosses: where you began before.')).toBeVisible();
  await expect(page.locator('main svg g[opacity="0.55"]')).toHaveCount(1);
});

test('the dot of the pace is on the outline, moves, and stands still on hold', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('contour', [pose(WALKING, 60_000)]));
  await next(page);
  await expect(reference(page)).toBeVisible();
  await page.keyboard.press('a');
  const dot = page.locator('circle[data-pace]');
  await expect(dot).toHaveCount(1);
  const at = async (): Promise<[number, number]> => [
    Number(await dot.getAttribute('cx')),
    Number(await dot.getAttribute('cy')),
  ];
  const before = await at();
  await expect
    .poll(async () => Math.hypot((await at())[0] - before[0], (await at())[1] - before[1]))
    .toBeGreaterThan(5);
  await page.keyboard.press('Space');
  await expect(page.getByText('On hold', { exact: true })).toBeVisible();
  // The step under way still comes; seven more of a dot that moves would have.
  await letPass(page, 200);
  const still = await at();
  await letPass(page, 700);
  expect(await at()).toEqual(still);
});

test('eyes closed: the end waits for an answer, whatever the learner does meanwhile', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('eyes-closed', [pose(WALKING, 30_000, { lookMs: 5000 }), pose(WAITING, 30_000)]));
  await next(page);
  await next(page);
  await expect(page.getByText('Close your eyes and draw')).toBeVisible();
  await letPass(page, 90_000);
  await expect(page.getByText('Time. Open your eyes.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Next sheet. Then')).toBeVisible();
});

test('a length is changed before and during, one more is added, a hold has its reason', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000), pose(WAITING, 60_000)]));
  await page.getByRole('button', { name: /Longer/ }).click();
  await expect(page.getByText('Flowing gesture, 1½ min')).toBeVisible();
  await page.keyboard.press('-');
  await expect(page.getByText('Flowing gesture, 1 min')).toBeVisible();
  await next(page);
  const timer = page.getByRole('timer', { name: 'Time left' });
  await letPass(page, 10_000);
  await page.keyboard.press('+');
  await expect.poll(async () => seconds((await timer.textContent()) ?? '')).toBeGreaterThan(70);
  await page.keyboard.press('n');
  await expect(page.getByText('Once more after this.')).toBeVisible();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'somebody came' }).click();
  await expect(page.getByRole('button', { name: 'somebody came' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Space');
  await next(page);
  await expect(page.getByText('one more, extra')).toBeVisible();
  await next(page);
  await page.keyboard.press('r');
  await expect(page.getByText('attempt 2')).toBeVisible();
  const kept = async (): Promise<string[]> =>
    (await keptLog(page)).map((e) => e.type).filter((t) => ['length', 'oneMore', 'why', 'restart'].includes(t));
  await expect.poll(kept).toEqual(['length', 'length', 'length', 'oneMore', 'why', 'restart']);
});

test('after a short pose: whole or not, the answer key, and on', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000), pose(WAITING, 60_000)]));
  await next(page);
  await expect(reference(page)).toBeVisible();
  await letPass(page, 30_000);
  await next(page);
  await page.getByRole('button', { name: /Not yet/ }).click();
  await expect.poll(async () => (await keptLog(page)).at(-1)).toMatchObject({ type: 'whole', down: false });
  await page.keyboard.press('k');
  await expect(page.getByRole('region', { name: 'Answer key' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Answer key' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('region', { name: 'Answer key' })).toHaveCount(0);
});

test('seeing aids change what is seen and never the picture; zoom is remembered for each', async ({ page }) => {
  await runPlan(page, posesBlock('two-values', [pose(WALKING, 120_000), pose(WAITING, 120_000)]));
  await next(page);
  await expect(reference(page)).toBeVisible();
  const filter = () => reference(page).evaluate((c) => getComputedStyle(c).filter);
  await expect.poll(filter).toContain('values-2');
  const values = await shades(page);
  expect(values).toBe(2);
  await page.keyboard.down('s');
  await expect.poll(filter).toContain('blur');
  await page.keyboard.up('s');
  await expect.poll(filter).not.toContain('blur');
  const width = async () => (await reference(page).boundingBox())?.width ?? 0;
  const whole = await width();
  await page.keyboard.press('z');
  await expect.poll(width).toBeCloseTo(2 * whole, 0);
  await kept(page, 'viewings', WALKING, '"zoom":2');
  await next(page);
  await next(page);
  await next(page);
  await expect(reference(page)).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(async () => Math.round(await width())).toBe(Math.round(2 * whole));
});

/** How many different grays the middle of the picture shows. */
async function shades(page: Page): Promise<number> {
  const box = await page.getByRole('img', { name: /Reference:/ }).boundingBox();
  if (!box) throw new Error('no picture');
  const shot = await page.screenshot({
    clip: { x: box.x + box.width * 0.3, y: box.y + box.height * 0.3, width: box.width * 0.3, height: box.height * 0.3 },
  });
  return page.evaluate(async (base64) => {
    const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
    const image = await createImageBitmap(new Blob([bytes], { type: 'image/png' }));
    const canvas = new OffscreenCanvas(image.width, image.height);
    const context = canvas.getContext('2d');
    context?.drawImage(image, 0, 0);
    const { data } = context!.getImageData(0, 0, image.width, image.height);
    const seen = new Map<number, number>();
    for (let i = 0; i < data.length; i += 4) seen.set(data[i], (seen.get(data[i]) ?? 0) + 1);
    // Edges are smoothed by the scaling to the screen: only what covers something counts.
    return [...seen.values()].filter((n) => n > (data.length / 4) * 0.01).length;
  }, shot.toString('base64'));
}

test('what is left of a pot is told for each, and shared out when asked', async ({ page }) => {
  const pot = { atZero: 'pot', potMs: 300_000 };
  await runPlan(
    page,
    posesBlock('flowing-gesture', [pose(WALKING, 60_000), pose(WAITING, 60_000), pose(WALKING, 60_000)], pot),
  );
  await expect(page.getByText(/5:00 left for 3/)).toBeVisible();
  // A word is explained where it stands; Escape closes that, and nothing else.
  await page.getByRole('button', { name: '5:00 left' }).click();
  const meaning = page.getByText('one length of time for as many drawings as come');
  await expect(meaning).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(meaning).toBeHidden();
  await expect(page.getByText(/5:00 left for 3/)).toBeVisible();
  await next(page);
  await expect(page.getByText(/2 more out of these [45]:/)).toBeVisible();
  await next(page);
  await page.getByRole('button', { name: /^2:\d\d each/ }).click();
  await expect(page.getByText(/left for 2, 2:\d\d each/)).toBeVisible();
  await next(page);
  await next(page);
  await expect(page.getByText('1 more out of the pot, shared evenly.')).toBeVisible();
  await expect(page.getByRole('timer', { name: 'Time left' })).toHaveText(/^2:/);
  await expect.poll(async () => (await keptLog(page)).filter((e) => e.type === 'shareOut').length).toBe(1);
});

test('loose or tight is one tap between poses, and nothing is done about it unasked', async ({ page }) => {
  const three = [pose(WALKING, 60_000), pose(WAITING, 60_000), pose(WALKING, 60_000)];
  await runPlan(page, { ...posesBlock('flowing-gesture', three), changeMs: 60_000 });
  const line = page.getByRole('group', { name: 'The line of the last pose' });
  for (const time of [1, 2]) {
    await next(page);
    await expect(reference(page)).toBeVisible();
    await next(page);
    await expect(line).toBeVisible();
    await page.keyboard.press('2');
    await expect(line.getByRole('button', { name: /tight/ })).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByText(/Tight twice running/)).toHaveCount(time - 1);
    await next(page);
  }
  await expect
    .poll(async () => (await keptLog(page)).map((e) => e.type))
    .toEqual(['start', ...Array.from({ length: 2 }, () => ['next', 'next', 'line', 'next']).flat()]);
});

test('the face lattice is there on demand, and shut where nothing is measured', async ({ page }) => {
  await runPlan(page, posesBlock('structural-gesture', [pose(WAITING, 120_000)]));
  await next(page);
  await expect(reference(page)).toBeVisible();
  const lines = page.locator('main svg path[stroke="var(--russet)"][stroke-width="0.9"]');
  await expect(lines).toHaveCount(0);
  await page.keyboard.press('j');
  await expect(lines).toHaveCount(1);
  await page.keyboard.press('j');
  await expect(lines).toHaveCount(0);
  await runPlan(page, posesBlock('contour', [pose(WAITING, 120_000)]));
  await next(page);
  await expect(reference(page)).toBeVisible();
  await page.keyboard.press('j');
  await expect(page.getByText(/No measuring in this exercise/)).toBeVisible();
  await expect(lines).toHaveCount(0);
});
