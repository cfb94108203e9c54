import { readdirSync, readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { zipSync } from 'fflate';
import sharp from 'sharp';
import { png } from '../images';
import { stored, withFolder } from './steps';
import { driveClock } from '../../scripts/page-clock.mjs';

const figures = readdirSync('public/figures')
  .filter((name) => name.endsWith('.webp'))
  .slice(0, 6);
const figure = (name: string) => ({ name, mimeType: 'image/webp', buffer: readFileSync(`public/figures/${name}`) });
const plain = (name: string, tint: number, width = 60) => ({
  name,
  mimeType: 'image/png',
  buffer: Buffer.from(png(width, 40, tint)),
});
const cells = (page: Page) => page.getByRole('list', { name: 'Pictures' }).getByRole('link');
async function library(page: Page, files: { name: string; mimeType: string; buffer: Buffer }[]): Promise<void> {
  await page.goto('/poses?set=library');
  await page.getByLabel('Choose pictures').setInputFiles(files);
  await expect(page.getByText(`${String(files.length)} picture${files.length === 1 ? '' : 's'} added.`)).toBeVisible();
}

test('a folder of pictures goes from drop to pick to drawing; poses are found meanwhile', async ({ page }) => {
  await library(page, [...figures.map(figure), plain('plain.png', 10)]);
  await page.getByRole('button', { name: 'my own' }).click();
  await page.getByRole('button', { name: 'Good' }).click();
  await expect(page.getByText('In 1 picture no person was found.')).toBeVisible();
  await page.getByRole('checkbox', { name: /^people/ }).check();
  await expect(cells(page)).toHaveCount(6);
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(cells(page)).toHaveCount(7);
  await page.getByRole('button', { name: 'Say what they show' }).click();
  await page.getByRole('button', { name: 'things' }).click();
  await page.getByRole('button', { name: 'cloth' }).click();
  await expect(page.getByText('All sorted')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: 'Pick for me' }).click();
  await page.getByLabel('Minutes').selectOption('3');
  const poses = page.getByRole('list', { name: 'Poses picked' }).getByRole('listitem');
  await expect(page.getByText(/pictures you have not drawn, gentle to hard/)).toBeVisible();
  await expect(poses.first().getByRole('img')).toBeVisible();
  const first = await poses.first().getByRole('img').getAttribute('src');
  await page.getByRole('button', { name: 'Another picture for pose 1', exact: true }).click();
  await expect(poses.first().getByRole('img')).not.toHaveAttribute('src', first ?? '');
  await page.getByRole('button', { name: 'Draw these' }).click();
  await expect(page.getByText('Ready', { exact: true })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('img', { name: /Reference: a picture of yours/ })).toBeVisible();
});

test('what is said of a picture holds over what is found, is undone by key, and outlives a reload', async ({
  page,
}) => {
  await library(page, [figure(figures[0])]);
  await cells(page).first().click();
  await expect(page.getByRole('button', { name: 'Move its points' })).toBeVisible();
  const view = page.getByRole('listitem').filter({ hasText: /^View/ });
  await view.getByText('% sure').click();
  await expect(view.getByText(/Because shoulders and hips are turned/)).toBeVisible();
  await view.getByRole('combobox').selectOption('back');
  await expect(view.getByText('you said so')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(view.getByText('you said so')).toHaveCount(0);
  await page.keyboard.press('Control+y');
  await page.getByRole('button', { name: 'Move its points' }).click();
  const knee = page.getByRole('slider', { name: /left knee/ });
  const before = await knee.getAttribute('aria-valuetext');
  await knee.focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(knee).not.toHaveAttribute('aria-valuetext', before ?? '');
  const moved = await knee.getAttribute('aria-valuetext');
  // On disk as it is shown: undoing takes back what was kept.
  const [across, down] = (moved ?? '').match(/\d+/g)?.map(Number) ?? [];
  await expect
    .poll(async () => {
      const bodies = (await stored(page, 'bodies', null)) as { points: { x: number; y: number }[] }[];
      return bodies[0].points.some((p) => Math.round(p.x * 100) === across && Math.round(p.y * 100) === down);
    })
    .toBe(true);
  await page.keyboard.press('Control+z');
  await expect(knee).not.toHaveAttribute('aria-valuetext', moved ?? '');
  await page.keyboard.press('Control+y');
  await expect(knee).toHaveAttribute('aria-valuetext', moved ?? '');
  await page.reload();
  await expect(view.getByText('you said so')).toBeVisible();
  await page.getByRole('button', { name: 'Move its points' }).click();
  await expect(page.getByRole('slider', { name: /left knee/ })).toHaveAttribute('aria-valuetext', moved ?? '');
  for (const key of '1234567') await page.keyboard.press(key);
  await expect(page.locator('[data-layer]')).toHaveCount(7);
});

test('taking in goes on after a reload in the middle', async ({ page }) => {
  await page.goto('/poses?set=library');
  await page
    .getByLabel('Choose pictures')
    .setInputFiles(Array.from({ length: 160 }, (_, i) => plain(`${String(i)}.png`, i, 900)));
  await expect(page.getByText(/ of 160 looked at/)).toBeVisible();
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByText(/; paused/)).toBeVisible();
  // What waits is copied after a moment.
  await expect
    .poll(async () =>
      ((await stored(page, 'waiting', null)) as { file?: unknown }[]).every((w) => w.file !== undefined),
    )
    .toBe(true);
  await page.reload();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('160 pictures added.')).toBeVisible();
});

test('two tabs take pictures in at once; each file is kept once', async ({ page, context }) => {
  const other = await context.newPage();
  const files = Array.from({ length: 40 }, (_, i) => plain(`${String(i)}.png`, i, 300));
  await library(page, [plain('first.png', 200)]);
  await other.goto('/poses?set=library');
  await expect(cells(other)).toHaveCount(1);
  await Promise.all([
    page.getByLabel('Choose pictures').setInputFiles(files),
    other.getByLabel('Choose pictures').setInputFiles(files.slice(20)),
  ]);
  await expect(page.getByRole('button', { name: 'All your pictures 41 pictures' })).toBeVisible();
  await expect(page.getByText('is the same file as').first()).toBeVisible();
  await expect(other.getByRole('button', { name: 'All your pictures 41 pictures' })).toBeVisible();
});

test('a ZIP, names with markup and of every script, and a file under a wrong name', async ({ page }) => {
  await page.goto('/poses?set=library');
  const zip = zipSync({
    'in/<b>bold</b>.png': png(30, 30, 1),
    [`${'猫'.repeat(90)}.png`]: png(30, 30, 2),
    'really-png.jpg': png(30, 30, 3),
    'notes.txt': new TextEncoder().encode('no picture'),
  });
  await page
    .getByLabel('Choose a ZIP')
    .setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) });
  await expect(page.getByText('3 pictures added.')).toBeVisible();
  await expect(page.getByText('“notes.txt” is not a picture.')).toBeVisible();
  await expect(page.getByText('“really-png.jpg” is of another kind than its name says')).toBeVisible();
  await expect(
    cells(page)
      .filter({ has: page.locator('[aria-label*="<b>bold"]') })
      .or(page.getByLabel('in/<b>bold</b>.png', { exact: true }))
      .first(),
  ).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the report' }).click();
  expect(readFileSync(await (await saved).path(), 'utf8')).toContain('Pictures given: 4. Added: 3. Left out: 1.');
});

test('a set that mirrors a folder on disk follows what happens there', async ({ page }) => {
  const disk = await withFolder(page);
  const put = (name: string, tint: number): Promise<void> => disk.put(name, png(50, 40, tint));
  await page.goto('/poses?set=library');
  await put('a.png', 1);
  await put('b.png', 2);
  await page.getByText('Add pictures').click();
  await page.getByRole('button', { name: /A folder that stays on disk/ }).click();
  await expect(page.getByLabel('Name of the set')).toHaveValue('Sketches');
  await expect(cells(page)).toHaveCount(2);
  await disk.drop('a.png');
  await put('c.png', 3);
  await page.reload();
  await expect(page.getByText(/1 new picture; 1 picture no longer in the folder/)).toBeVisible();
  await expect(cells(page)).toHaveCount(3);
  await expect(page.getByText('Its file is not there now')).toHaveCount(1);
});

test('a search becomes a set, chosen pictures go to the later shelf, and the order is one’s own', async ({ page }) => {
  await library(
    page,
    [1, 2, 3].map((i) => plain(`${String(i)}.png`, i)),
  );
  await page.getByRole('searchbox').fill('2');
  await expect(cells(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Keep as a set' }).click();
  await expect(page.getByLabel('Name of the set')).toHaveValue('“2”');
  await expect(cells(page)).toHaveCount(1);
  await page.getByRole('button', { name: /^All your pictures/ }).click();
  await expect(page.getByRole('searchbox')).toHaveValue('2');
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('button', { name: 'Choose 1.png' }).click();
  await page.getByRole('button', { name: 'For later' }).click();
  await expect(page.getByRole('button', { name: 'Later 1 picture' })).toBeVisible();
  // The toast doesn't cover the selection bar.
  const bar = page.getByRole('toolbar', { name: 'Pictures chosen' });
  const toast = page.locator('[data-sonner-toast]').filter({ hasText: '1 picture put on the later shelf.' });
  await expect
    .poll(async () => {
      const [above, below] = [await toast.boundingBox(), await bar.boundingBox()];
      return above && below && (above.y + above.height <= below.y || above.y >= below.y + below.height);
    })
    .toBe(true);

  await page.getByRole('button', { name: 'New set' }).click();
  await page.getByLabel('What is the set called?').fill('Mine');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the set')).toHaveValue('Mine');
  await page.getByLabel('Choose pictures').setInputFiles([1, 2, 3].map((i) => plain(`${String(i)}.png`, i)));
  await expect(cells(page)).toHaveCount(3);
  const names = (): Promise<(string | null)[]> =>
    cells(page).evaluateAll((links) => links.map((l) => l.getAttribute('aria-label')));
  await cells(page).first().focus();
  await page.keyboard.press('.');
  await expect.poll(names).toEqual(['2.png', '1.png', '3.png']);
  await page.getByRole('button', { name: 'Choose 3.png' }).click();
  await page.getByRole('button', { name: 'Earlier' }).click();
  await expect.poll(names).toEqual(['2.png', '3.png', '1.png']);
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(['2.png', '1.png', '3.png']);
  await page.reload();
  await expect.poll(names).toEqual(['2.png', '1.png', '3.png']);
});

test('unclothed pictures are veiled on a shared screen until their pose starts', async ({ page }) => {
  await library(page, [figure(figures[1])]);
  const picture = cells(page).locator('img');
  const pixels = (): Promise<number> => picture.evaluate((img: HTMLImageElement) => img.naturalWidth);
  const open = await pixels();
  await page
    .getByRole('button', { name: /^Choose / })
    .first()
    .click();
  await page.getByText('Say what they show').last().click();
  await page.getByRole('combobox', { name: 'Clothing' }).selectOption('bare');
  await page.keyboard.press('Escape');
  await page.getByRole('checkbox', { name: 'Shared screen' }).click();
  // Drawn from seven pixels: nothing in it can be told any more, and it is smaller than before.
  await expect.poll(pixels).toBeLessThan(open / 1.5);
  await page.getByRole('button', { name: 'Draw these' }).click();
  await page.getByLabel('Minutes').selectOption('3');
  await page.getByRole('button', { name: 'Draw these' }).last().click();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('img', { name: /Reference: a picture of yours/ })).toBeVisible();
});

test('coverage shows what is missing and lets it be drawn', async ({ page }) => {
  await page.goto('/poses?set=coverage');
  await page.getByRole('button', { name: /^seated, profile left: 0 drawn, \d+ to draw from/ }).click();
  await page.getByRole('button', { name: 'Draw these' }).click();
  await expect(page.getByRole('heading', { name: /from “seated, profile left”/ })).toBeVisible();
  await expect(page.getByText('faces left').first()).toBeVisible();
});

test('five minutes of choosing ring once and offer to begin; the time is in the journal', async ({ page }) => {
  await driveClock(page);
  await page.goto('/poses?set=library');
  await library(page, [figure(figures[0])]);
  const rung = page.getByText('Five minutes of choosing.');
  for (let i = 0; i < 40 && !(await rung.isVisible()); i++) {
    await page.mouse.move(100 + i, 100);
    await page.clock.runFor(10_000);
  }
  await expect(rung).toBeVisible();
  await page.getByRole('button', { name: 'Start with what you have' }).click();
  await page.getByRole('button', { name: 'Draw these' }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
});

test('of several people in a picture each can be looked at; a drawn horizon tells how it is seen', async ({ page }) => {
  const one = await sharp('public/figures/drummer-at-attention-muscular-0.webp')
    .resize({ height: 560 })
    .png()
    .toBuffer();
  const { width } = await sharp(one).metadata();
  const buffer = await sharp({ create: { width: 2 * width + 240, height: 640, channels: 3, background: '#b9c2c4' } })
    .composite([
      { input: one, left: 60, top: 50 },
      { input: await sharp(one).resize({ height: 420 }).toBuffer(), left: width + 160, top: 180 },
    ])
    .jpeg()
    .toBuffer();
  await library(page, [{ name: 'two.jpg', mimeType: 'image/jpeg', buffer }]);
  await cells(page).first().click();
  await expect(page.getByText('2 people were found.')).toBeVisible();
  const person = (n: number) => page.getByRole('button', { name: `Person ${String(n)} of 2, from the left` });
  await expect(person(1)).toHaveAttribute('aria-pressed', 'true');
  await person(2).press('Enter');
  await expect(person(2)).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Control+z');
  await expect(person(1)).toHaveAttribute('aria-pressed', 'true');

  await page.getByRole('button', { name: 'Draw the horizon' }).click();
  const horizon = page.getByRole('slider', { name: /^The horizon/ });
  await horizon.focus();
  for (let i = 0; i < 22; i++) await page.keyboard.press('Shift+ArrowUp');
  await expect(horizon).toHaveAttribute('aria-valuetext', '60 % of the height above the picture');
  await page.getByRole('button', { name: 'Use this horizon' }).click();
  const seen = page.getByRole('listitem').filter({ hasText: /^Seen/ });
  await expect(seen).toContainText(/from above9\d % sure/);
  await page.keyboard.press('Control+z');
  await expect(seen).not.toContainText('the horizon you drew');
});
