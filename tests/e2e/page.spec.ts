import { expect, type Page, test } from '@playwright/test';
import { png } from '../images';
import { kept, keptLog, next, pose, posesBlock, runPlan, stopAndKeep, WAITING, WALKING } from './steps';
import { driveClock, letPass } from '../../scripts/page-clock.mjs';

/** Draw a pose of a plan for a while. */
async function draw(page: Page): Promise<void> {
  await next(page);
  await expect(page.getByRole('timer', { name: 'Time left' })).toBeVisible();
  await letPass(page, 6000); // what is passed within five seconds is no drawing
}
const addPage = (page: Page) =>
  page
    .getByLabel('Choose photographs of pages')
    .setInputFiles({ name: 'page.png', mimeType: 'image/png', buffer: Buffer.from(png(300, 400)) });

test('a page beside its reference: laid over it, in exchange with it, remembered where it lay', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000)]));
  // Nothing can be laid over anything while it is drawn.
  await draw(page);
  await expect(page.getByText('Lay a reference over it')).toHaveCount(0);
  await stopAndKeep(page);
  await addPage(page);
  await page.getByRole('button', { name: 'Page 1, larger' }).click();
  const dialog = page.getByRole('dialog', { name: 'Page 1' });
  await dialog.getByRole('button', { name: /^Pose of/ }).click();
  const reference = dialog.getByRole('img', { name: 'The reference' });
  await expect(reference).toBeVisible();
  await expect(reference).toHaveCSS('opacity', '0.5');
  await dialog.getByRole('button', { name: 'Blink: the reference' }).click();
  await expect(reference).toHaveCSS('opacity', '1');
  await dialog.getByRole('button', { name: 'Blink: the page' }).click();
  await expect(reference).toHaveCSS('opacity', '0');

  const leftOf = async (): Promise<number> => (await reference.boundingBox())?.x ?? NaN;
  const before = await leftOf();
  const surface = dialog.getByRole('button', { name: /The reference over the page/ });
  const box = (await surface.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  await page.mouse.move(box.x + 60, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 100, box.y + 70, { steps: 4 });
  await page.mouse.up();
  await expect.poll(leftOf).toBeCloseTo(before + 40, 0);
  await surface.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect.poll(leftOf).toBeCloseTo(before + 40 - 0.01 * box.width, 0);
  const lies = await leftOf();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(dialog).toBeHidden();
  await kept(page, 'pages', null, '"laid"');
  await page.reload();
  await page.getByRole('button', { name: 'Page 1, larger' }).click();
  await dialog.getByRole('button', { name: /^Pose of/ }).click();
  await expect.poll(leftOf).toBeCloseTo(lies, 0);
});

test('up to three marks of what to fix, moved by keys, counted in the journal, shut with judging', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('flowing-gesture', [pose(WALKING, 60_000)]));
  await draw(page);
  await stopAndKeep(page);
  await addPage(page);
  await page.getByRole('button', { name: 'Page 1, larger' }).click();
  const dialog = page.getByRole('dialog', { name: 'Page 1' });
  const mark = async (part: string, at: { x: number; y: number }): Promise<void> => {
    await dialog.getByLabel('What the mark is about').selectOption(part);
    await dialog.getByRole('button', { name: 'Mark it' }).click();
    await dialog.getByRole('button', { name: /Mark the page here/ }).click({ position: at });
  };
  await mark('hand', { x: 60, y: 90 });
  await mark('head', { x: 90, y: 30 });
  await mark('hand', { x: 160, y: 120 });
  await expect(dialog.getByRole('button', { name: 'Mark it' })).toBeDisabled();
  const second = dialog.getByRole('button', { name: /^Mark 2: head/ });
  const x = async (): Promise<number> => (await second.boundingBox())?.x ?? NaN;
  const before = await x();
  await second.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(x).toBeGreaterThan(before + 5);
  await dialog.getByRole('button', { name: 'Take it off' }).last().click();
  await expect(dialog.getByRole('button', { name: /^Mark \d/ })).toHaveCount(2);
  await dialog.getByRole('button', { name: 'Close' }).click();

  await page.getByText('A verdict, or none for a while').click();
  await page.getByRole('button', { name: '7 days' }).click();
  await expect(page.getByText(/No judging of this session until/)).toBeVisible();
  await page.getByRole('button', { name: 'Page 1, larger' }).click();
  await expect(dialog.getByText(/Judging is shut/)).toBeVisible();
  await expect(dialog.getByRole('button', { name: /^Mark/ })).toHaveCount(0);
  await expect(dialog.getByRole('button', { name: /^Pose of/ })).toHaveCount(0);
  await page.goto('/journal');
  await expect(page.getByText('Marked to fix in the last 30 days: hand 1, head 1.')).toBeVisible();
});

test('taken out to be shown or sold as far as its pictures allow', async ({ page }) => {
  await driveClock(page);
  await page.goto('/poses?set=library');
  await page
    .getByLabel('Choose pictures')
    .setInputFiles({ name: 'dancer.png', mimeType: 'image/png', buffer: Buffer.from(png(300, 400)) });
  const cell = page.getByRole('link', { name: /dancer/ }).first();
  await expect(cell).toBeVisible();
  await cell.click();
  await expect(page).toHaveURL(/poses\/picture/);
  const address = page.url();
  const id = new URL(address).searchParams.get('id') ?? '';
  await runPlan(page, posesBlock('flowing-gesture', [pose(`picture/${id}`, 60_000)]));
  await draw(page);
  await stopAndKeep(page);
  const after = page.url();
  await addPage(page);
  const takeOut = async (name: string): Promise<string> => {
    await page.getByRole('button', { name: 'Page 1, larger' }).click();
    const section = page.getByRole('dialog', { name: 'Page 1' }).getByRole('region', { name: 'Take it out' });
    await section.getByRole('button', { name }).click();
    const said = (await section.getByRole('status').textContent()) ?? '';
    await page.keyboard.press('Escape');
    return said;
  };
  expect(await takeOut('To show it')).toContain('Nothing is said yet');

  await page.goto(address);
  const practice = page.getByRole('button', { name: 'practice only' });
  await practice.click();
  await expect(practice).toHaveAttribute('aria-pressed', 'true');
  await kept(page, 'pictures', id, 'practice');
  await page.goto(after);
  expect(await takeOut('To show it')).toContain('who is to be named');
  expect(await takeOut('To sell it')).toContain('not for sale');

  await page.goto(address);
  const credit = page.getByLabel(/^Credit/);
  await credit.fill('A. Baker');
  await credit.blur();
  await kept(page, 'pictures', id, 'A. Baker');
  await page.reload();
  await expect(credit).toHaveValue('A. Baker');
  await page.goto(after);
  const [file, said] = await Promise.all([page.waitForEvent('download'), takeOut('To show it')]);
  expect(said).toContain('after A. Baker');
  expect(file.suggestedFilename()).toBe('page-1.jpg');
  expect(await takeOut('To sell it')).toContain('not for sale');
});

test('every drawing of a figure stands in one strip on its page, with its exercise, time and session', async ({
  page,
}) => {
  await driveClock(page);
  await runPlan(
    page,
    posesBlock('flowing-gesture', [pose(WALKING, 60_000), pose(WAITING, 60_000)]),
    posesBlock('blind-contour', [pose(WALKING, 120_000)]),
  );
  await draw(page);
  await next(page);
  await next(page);
  await draw(page);
  await next(page);
  await next(page);
  await next(page);
  await letPass(page, 6000);
  await stopAndKeep(page);
  await page.goto('/journal');
  await page.getByRole('list', { name: 'Poses drawn' }).getByRole('link').first().click();
  await expect(page).toHaveURL(/poses\/figure/);
  const strip = page.getByRole('region', { name: 'Drawn before' });
  await expect(strip.getByRole('heading')).toHaveText('Drawn 2 times');
  await expect(strip.getByRole('listitem')).toHaveText([/Flowing gesture/, /Blind contour/]);
  await strip.getByRole('button', { name: 'by time drawn' }).click();
  await strip.getByRole('link').first().click();
  await expect(page).toHaveURL(/journal\?session=/);
});

test('the first page against the last, with what was drawn, and not while judging is shut', async ({ page }) => {
  await driveClock(page);
  await runPlan(page, posesBlock('look-then-draw', [pose(WALKING, 60_000)]));
  await next(page);
  await expect(page.getByText('Now from memory')).toBeVisible();
  await letPass(page, 6000);
  await stopAndKeep(page);
  await addPage(page);
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'First against last' })).toHaveCount(0);
  await addPage(page);
  await page.getByRole('button', { name: 'First against last' }).click();
  for (const name of ['The first page', 'The last page', 'What was drawn'])
    await expect(page.getByRole('img', { name })).toBeVisible();
  await page.getByText('A verdict, or none for a while').click();
  await page.getByRole('button', { name: '1 day' }).click();
  await expect(page.getByRole('button', { name: 'First against last' })).toHaveCount(0);
});

test('a perspective box: drawn into where there is no picture, laid over the page, and kept as such', async ({
  page,
}) => {
  await driveClock(page);
  await runPlan(page, posesBlock('from-imagination', [pose(null, 60_000)]));
  await next(page);
  await page.keyboard.press('d');
  const horizon = page.getByRole('slider', { name: /^Horizon/ });
  await expect(horizon).toHaveAttribute('aria-valuetext', '65 % up');
  await horizon.focus();
  await page.keyboard.press('ArrowDown');
  await expect(horizon).toHaveAttribute('aria-valuetext', '63 % up');
  await expect.poll(async () => (await keptLog(page)).map((e) => e.type)).toContain('intoRoom');
  await letPass(page, 6000);
  await stopAndKeep(page);
  await addPage(page);
  await page.getByRole('button', { name: 'Page 1, larger' }).click();
  const room = page.getByRole('checkbox', { name: 'A perspective box over it' });
  await room.check();
  await expect(horizon).toHaveAttribute('aria-valuetext', '65 % up');
  await horizon.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowUp');
  await letPass(page, 500);
  await kept(page, 'pages', null, '"horizon":0.25');
  await page.keyboard.press('Escape');
  await expect(page.getByText(/Page 1 · \d{4}-1-1, in a setting/)).toBeVisible();
  await page.goto('/journal');
  await expect(page.getByRole('list', { name: 'Poses drawn' })).toContainText('in a setting');
  await page.getByRole('button', { name: 'Page 1, larger' }).click();
  await expect(horizon).toHaveAttribute('aria-valuetext', '75 % up');
  await room.uncheck();
  await expect(horizon).toHaveCount(0);
});
