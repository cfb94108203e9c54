import { expect, type Page, test } from '@playwright/test';
import sharp, { type Sharp } from 'sharp';
import { next, pose, posesBlock, runPlan, stored } from './steps';

const cells = (page: Page) => page.getByRole('list', { name: 'Pictures' }).getByRole('link');
const plain = (background: string, width = 80, height = 40) =>
  sharp({ create: { width, height, channels: 3, background } });
const stripes = (shift: number) =>
  sharp(
    Buffer.from(
      Array.from({ length: 120 * 120 * 3 }, (_, i) => {
        const [x, y] = [Math.floor(i / 3) % 120, Math.floor(i / 360)];
        return 128 + 60 * Math.sin((x + shift) / 9) + 60 * Math.sin((y * (x % 40)) / 300);
      }),
    ),
    { raw: { width: 120, height: 120, channels: 3 } },
  );

const figure = (name: string) => sharp(`public/figures/${name}.webp`).flatten({ background: '#d8d0c4' });

/** What is kept of the pictures: name, size, type and whether the file still tells where it was taken. */
const kept = (page: Page) =>
  page.evaluate(async () => {
    const open = indexedDB.open('fox-minute');
    const db = await new Promise<IDBDatabase>((resolve) => (open.onsuccess = () => resolve(open.result)));
    const all = <T>(request: IDBRequest<T>): Promise<T> =>
      new Promise((resolve) => (request.onsuccess = () => resolve(request.result)));
    const tx = db.transaction(['pictures', 'images']);
    const pictures = (await all(tx.objectStore('pictures').getAll())) as {
      id: string;
      name: string;
      widthPx: number;
      heightPx: number;
      takenAtMs: number | null;
    }[];
    const images = await Promise.all(
      pictures.map((p) => all(tx.objectStore('images').get(`picture/${p.id}`)) as Promise<Blob>),
    );
    const texts = await Promise.all(images.map((image) => image.text()));
    const bitmaps = await Promise.all(images.map((image) => createImageBitmap(image)));
    db.close();
    return pictures.map((p, i) => ({
      name: p.name,
      record: [p.widthPx, p.heightPx],
      shown: [bitmaps[i].width, bitmaps[i].height],
      type: images[i].type,
      tells: texts[i].includes('secret place'),
      taken: p.takenAtMs === null ? null : new Date(p.takenAtMs).getFullYear(),
    }));
  });

test('phones’ photographs stand upright and lose the place they were taken at; odd files are taken as they are', async ({
  page,
}) => {
  const exif = {
    IFD0: { ImageDescription: 'secret place' },
    IFD2: { DateTimeOriginal: '2024:05:03 10:00:00' },
    IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
  };
  const frames = await Promise.all(['#111111', '#999999'].map((c) => plain(c).png().toBuffer()));
  const files = [
    [
      'phone.jpg',
      await plain('#774411').withExif(exif).withMetadata({ orientation: 6 }).withExifMerge(exif).jpeg().toBuffer(),
    ],
    ['place.png', await plain('#226633').withExif(exif).png().toBuffer()],
    ['place.webp', await plain('#aa3366').withExif(exif).webp().toBuffer()],
    ['turned.webp', await plain('#66aa33').withMetadata({ orientation: 6 }).webp().toBuffer()],
    ['place.avif', await plain('#3355aa').withExif(exif).avif().toBuffer()],
    ['print.jpg', await plain('#118877').toColorspace('cmyk').jpeg().toBuffer()],
    ['deep.png', await plain('#887711').toColorspace('rgb16').png().toBuffer()],
    [
      'moving.gif',
      await sharp(frames, { join: { animated: true } })
        .gif()
        .toBuffer(),
    ],
  ] as const;
  await page.goto('/poses?set=library');
  await page
    .getByLabel('Choose pictures')
    .setInputFiles(files.map(([name, buffer]) => ({ name, mimeType: '', buffer })));
  await expect(page.getByText('8 pictures added.')).toBeVisible();
  await expect(page.getByText('“moving.gif” moves; its first frame is kept to draw from.')).toBeVisible();
  await expect(cells(page).locator('img')).toHaveCount(8);
  const pictures = await kept(page);
  for (const { name, record, shown, tells } of pictures) {
    expect(tells, name).toBe(false);
    expect(shown, name).toEqual(record);
  }
  const of = (name: string) => pictures.find((p) => p.name === name);
  expect(of('phone.jpg')).toMatchObject({ shown: [40, 80], type: 'image/jpeg', taken: 2024 });
  expect(of('turned.webp')).toMatchObject({ shown: [40, 80], type: 'image/png' });
  expect(of('place.png')).toMatchObject({ shown: [80, 40], type: 'image/png' });
  expect(of('place.avif')?.type).toBe('image/webp');
});

test('alike pictures are shown side by side; one goes to the bin and comes back from there', async ({ page }) => {
  const files = await Promise.all(
    [
      ['one.jpg', figure('archer-sprinting-slight-70').jpeg({ quality: 92 })],
      ['one-smaller.jpg', figure('archer-sprinting-slight-70').resize(700).jpeg({ quality: 60 })],
      ['other.jpg', stripes(40).jpeg()],
    ].map(async ([name, image]) => ({
      name: name as string,
      mimeType: 'image/jpeg',
      buffer: await (image as Sharp).toBuffer(),
    })),
  );
  await page.goto('/poses?set=library');
  await page.getByLabel('Choose pictures').setInputFiles(files);
  await expect(page.getByText('3 pictures added.')).toBeVisible();
  await page.getByRole('button', { name: 'for practice only' }).click();
  await page.getByLabel('Credit line for all of them').fill('Wren Halloran');
  await page.getByRole('button', { name: 'Good' }).click();
  await page.getByRole('button', { name: 'Look at them' }).click();
  await page.getByRole('button', { name: 'Put one-smaller.jpg in the bin' }).click();
  await expect(page.getByText('None are left.')).toBeVisible();
  await expect(cells(page)).toHaveCount(2);
  await page.getByRole('button', { name: 'Bin 1' }).click();
  await page.getByRole('button', { name: 'Put one-smaller.jpg back' }).click();
  await page.getByRole('button', { name: /^All your pictures/ }).click();
  await page.getByRole('button', { name: 'Look at them' }).click();
  await page.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.getByText('None are left.')).toBeVisible();
  await expect(cells(page)).toHaveCount(3);
  await page.getByRole('searchbox').fill('halloran');
  await expect(cells(page)).toHaveCount(3);
});

test('a close-up keeps its parent’s rights, and a part left out is veiled in the picture', async ({ page }) => {
  await page.goto('/poses?set=library');
  await page
    .getByLabel('Choose pictures')
    .setInputFiles({ name: 'whole.jpg', mimeType: 'image/jpeg', buffer: await stripes(3).jpeg().toBuffer() });
  await expect(page.getByText('1 picture added.')).toBeVisible();
  await cells(page).first().click();
  await page.getByRole('button', { name: 'for practice only' }).click();
  await expect(page.getByText(/needs a credit line: write it down now/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave a part out' }).click();
  await page.getByLabel('What is left out').selectOption('the head');
  await page.getByRole('button', { name: 'Use this frame' }).click();
  await expect(page.getByRole('button', { name: 'Leave nothing out (the head)' })).toBeVisible();
  const whole = `picture/${new URL(page.url()).searchParams.get('id') ?? ''}`;
  await page.getByRole('button', { name: 'Close-up of a part' }).click();
  const frame = page.getByRole('slider', { name: /^The frame/ });
  await frame.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(frame).toHaveAttribute('aria-valuetext', 'from 26 % across and 20 % down, 50 by 61 %');
  await page.getByRole('button', { name: 'Use this frame' }).click();
  await expect(page.getByRole('heading', { name: 'Part of whole.jpg' })).toBeVisible();
  await expect(page.getByText('60 by 73 pixels')).toBeVisible();
  await expect(page.getByRole('button', { name: 'for practice only' })).toHaveAttribute('aria-pressed', 'true');

  // Drawn without the head; between two poses it can be seen.
  const drawn = pose(whole, 60_000, { leftOut: ['the head'], leadInMs: 30_000 });
  await runPlan(page, posesBlock('contour', [drawn, drawn]));
  await next(page);
  await next(page);
  await page.getByRole('button', { name: 'Lift the veil' }).click();
  await expect(page.getByRole('img', { name: 'The last pose with nothing left out' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Left out: the head')).toBeVisible();
});

/** Red and green above, blue and yellow below. */
const quarters = (width: number, height: number) =>
  sharp(
    Buffer.from(
      `<svg width="${String(width)}" height="${String(height)}"><rect width="100%" height="100%" fill="#c02020"/>` +
        '<rect x="50%" width="50%" height="100%" fill="#20a020"/><rect y="50%" width="50%" height="50%" fill="#2020c0"/>' +
        '<rect x="50%" y="50%" width="50%" height="50%" fill="#c0c020"/></svg>',
    ),
  );
/** What is seen in the middle of each quarter: which of red, green and blue are strong. */
const seenIn = (source: HTMLElement | SVGElement): string => {
  const canvas = new OffscreenCanvas(4, 4);
  const context = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
  context.drawImage(source as HTMLImageElement | HTMLCanvasElement, 0, 0, 4, 4);
  const at = (x: number, y: number): string =>
    Array.from(context.getImageData(x, y, 1, 1).data.slice(0, 3), (v) => (v > 110 ? '1' : '0')).join('');
  return [at(0, 0), at(3, 0), at(0, 3), at(3, 3)].join(' ');
};
const QUARTERS = '100 010 001 110';

test('large photographs are the same small, in a run and whole, however they are written; a spoiled one is named', async ({
  page,
}) => {
  const large = quarters(4001, 2999);
  const whole = await large.clone().jpeg({ quality: 90 }).toBuffer();
  // Its header and its end are right, but the code it is written in is not.
  const spoiled = Buffer.from(whole).fill(0xff, whole.indexOf(Buffer.from([0xff, 0xc4])) + 4, 620);
  const files = [
    ['wide.jpg', whole],
    ['slowly.jpg', await large.clone().jpeg({ progressive: true, chromaSubsampling: '4:4:4' }).toBuffer()],
    ['gray.jpg', await quarters(3000, 4000).grayscale().jpeg().toBuffer()],
    ['huge.jpg', await quarters(7000, 4000).jpeg().toBuffer()],
    ['spoiled.jpg', spoiled],
  ] as const;
  await page.goto('/poses?set=library');
  await page
    .getByLabel('Choose pictures')
    .setInputFiles(files.map(([name, buffer]) => ({ name, mimeType: 'image/jpeg', buffer })));
  await expect(page.getByText('4 pictures added.')).toBeVisible();
  await expect(page.getByText('“spoiled.jpg” is damaged and cannot be shown.')).toBeVisible();
  await expect(page.getByText('“huge.jpg” was')).toBeVisible();
  const pictures = (await stored(page, 'pictures', null)) as { id: string; name: string }[];
  const records = await kept(page);
  for (const { name, record, shown } of records) expect(shown, name).toEqual(record);
  const id = (name: string) => pictures.find((p) => p.name === name)?.id ?? '';
  const small = async (name: string) => {
    const image = page.getByRole('link', { name, exact: true }).locator('img');
    const size = await image.evaluate((img: HTMLImageElement) => [img.naturalWidth, img.naturalHeight]);
    return { size, seen: await image.evaluate(seenIn) };
  };
  expect(await small('wide.jpg')).toEqual({ size: [360, 270], seen: QUARTERS });
  expect(await small('slowly.jpg')).toEqual({ size: [360, 270], seen: QUARTERS });
  expect(await small('huge.jpg')).toEqual({ size: [360, 206], seen: QUARTERS });
  expect((await small('gray.jpg')).size).toEqual([270, 360]);
  for (const name of ['wide.jpg', 'slowly.jpg']) {
    await runPlan(page, posesBlock('new-medium', [pose(`picture/${id(name)}`, 60_000, { leadInMs: 0 })]));
    const canvas = page.locator('main canvas[aria-hidden=false]');
    await expect(canvas).toBeVisible();
    const { ratio, width } = await canvas.evaluate((c: HTMLCanvasElement) => ({
      ratio: c.width / c.height,
      width: c.width,
    }));
    expect(ratio).toBeCloseTo(4001 / 2999, 2);
    expect(width).toBeGreaterThan(600);
    expect(await canvas.evaluate(seenIn)).toBe(QUARTERS);
  }
});
