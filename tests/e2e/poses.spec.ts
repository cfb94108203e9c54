import { driveClock } from '../../scripts/page-clock.mjs';
import { expect, type Page, test } from '@playwright/test';
import { chooseMinutes } from './steps';
import { avif, gif, heic, jpeg, png, pngHeader, webp } from '../images';

const file = (name: string, bytes: Uint8Array, mimeType = 'image/png') => ({
  name,
  mimeType,
  buffer: Buffer.from(bytes),
});

async function newSet(page: Page, name: string): Promise<void> {
  await page.goto('/poses');
  await page.getByRole('button', { name: 'New set' }).click();
  await page.getByLabel('What is the set called?').fill(name);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the set')).toHaveValue(name);
}
const pictures = (page: Page) => page.getByRole('list', { name: 'Pictures' }).getByRole('link');
const choose = (page: Page) => page.getByLabel('Choose pictures');

test('pictures of every kind go into a set, and a session is drawn from it', async ({ page }) => {
  await newSet(page, 'Market people');
  await expect(page.getByText('An empty set')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Practice from this set' })).toBeDisabled();
  await choose(page).setInputFiles([
    file('a.png', png(120, 90)),
    file('b.jpg', jpeg, 'image/jpeg'),
    file('c.webp', webp, 'image/webp'),
    file('d.gif', gif, 'image/gif'),
    file('e.avif', avif, 'image/avif'),
    file('f.heic', heic, 'image/heic'),
  ]);
  await expect(page.getByText('6 pictures added.')).toBeVisible();
  await expect(pictures(page)).toHaveCount(6);
  await expect(page.getByRole('list', { name: 'Pictures' }).locator('img')).toHaveCount(6);
  await page.reload();
  await expect(pictures(page)).toHaveCount(6);

  await page.getByRole('button', { name: 'Practice from this set' }).click();
  await expect(page.getByLabel('What to draw from')).toHaveValue(/.+/);
  await expect(page.getByLabel('What to draw from').locator('option:checked')).toHaveText('Market people');
  await chooseMinutes(page, 0);
  await driveClock(page);
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText('Ready', { exact: true })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('img', { name: /Reference: a picture of yours/ })).toBeVisible();
});

test('bad files are told one by one and the rest goes through', async ({ page }) => {
  await newSet(page, 'Mixed');
  await choose(page).setInputFiles([
    file('good.png', png(60, 60)),
    file('empty.png', new Uint8Array(0)),
    file('words.png', new TextEncoder().encode('only words, and no picture at all')),
    file('half.png', png(200, 200).subarray(0, 300)),
    file('huge.png', pngHeader(20_000, 10_000)),
    file('twin.png', png(60, 60)),
    file('last.png', png(61, 60)),
  ]);
  await expect(page.getByText('2 pictures added.')).toBeVisible();
  for (const sentence of [
    '“empty.png” is empty (0 bytes).',
    '“words.png” is not a picture.',
    '“half.png” breaks off before its end',
    '“huge.png” has 200 megapixels; up to 100',
    '“twin.png” is the same file as “good.png”',
  ])
    await expect(page.getByText(sentence)).toBeVisible();
  await expect(pictures(page)).toHaveCount(2);
});

test('pictures are dropped and pasted too', async ({ page }) => {
  await newSet(page, 'Dropped');
  const send = (event: 'drop' | 'paste', bytes: number[], name: string) =>
    page.evaluate(
      ([kind, data, fileName]) => {
        const transfer = new DataTransfer();
        transfer.items.add(new File([Uint8Array.from(data)], fileName, { type: 'image/png' }));
        document.dispatchEvent(
          kind === 'drop'
            ? new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true })
            : new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true }),
        );
      },
      [event, bytes, name] as const,
    );
  await send('drop', [...png(30, 30)], 'dropped.png');
  await expect(page.getByText('1 picture added.')).toBeVisible();
  await send('paste', [...png(31, 31)], 'pasted.png');
  await expect(pictures(page)).toHaveCount(2);
});

test('adding many shows progress and can be canceled; what was added stays', async ({ page }) => {
  await newSet(page, 'Many');
  await choose(page).setInputFiles(Array.from({ length: 150 }, (_, i) => file(`${i}.png`, png(500, 400, i))));
  await expect(page.getByText(/ of 150 looked at, [1-9]/)).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('You canceled the rest; what was added stays.')).toBeVisible();
  const added = Number((await page.getByText(/^\d+ pictures? added\./).textContent())?.match(/^\d+/)?.[0] ?? 0);
  expect(added).toBeGreaterThan(0);
  expect(added).toBeLessThan(150);
  await page.reload();
  await expect(page.getByRole('button', { name: new RegExp(`Many ${added} pictures?`) })).toBeVisible();
});

test('no room: told, and nothing kept is touched', async ({ page }) => {
  await newSet(page, 'Full');
  await choose(page).setInputFiles([file('first.png', png(20, 20))]);
  await expect(pictures(page)).toHaveCount(1);
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if (this.name === 'images') throw new DOMException('full', 'QuotaExceededError');
      return put.apply(this, args);
    };
  });
  await choose(page).setInputFiles([file('second.png', png(21, 21))]);
  await expect(page.getByText('There was no room left for “second.png”.')).toBeVisible();
  await page.reload();
  await expect(pictures(page)).toHaveCount(1);
});

test('pictures and sets go to the bin and come back; a set is renamed', async ({ page }) => {
  await newSet(page, 'Hands');
  await choose(page).setInputFiles([file('a.png', png(20, 20)), file('b.png', png(22, 20))]);
  await expect(pictures(page)).toHaveCount(2);
  await page.getByRole('button', { name: 'Choose a.png' }).click();
  await page.getByRole('button', { name: 'Put 1 in the bin' }).click();
  await expect(pictures(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(pictures(page)).toHaveCount(2);
  await page.getByLabel('Name of the set').fill('Fists');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Fists 2 pictures/ })).toBeVisible();
  await page.getByRole('button', { name: 'Put the set away' }).click();
  await expect(page.getByRole('button', { name: /Fists/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Put back' }).last().click();
  await expect(page.getByRole('button', { name: /Fists 2 pictures/ })).toBeVisible();
});
