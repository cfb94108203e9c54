import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { png } from '../images';
import { startSession, stopAndKeep } from './steps';

const kept = (page: Page) => page.getByText(/Right now/);
const putIn = (page: Page, name: string, bytes: Uint8Array) =>
  page.getByLabel('Choose a ZIP').setInputFiles({ name, mimeType: 'application/zip', buffer: Buffer.from(bytes) });
const survey = (page: Page) => page.getByRole('group', { name: 'What is in the ZIP' });

async function takeOut(page: Page): Promise<Uint8Array> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take out as ZIP' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^fox-minute-\d{4}-\d\d-\d\d\.zip$/);
  return new Uint8Array(readFileSync(await file.path()));
}
/** Contents without what changes from one export to the next. */
function contents(zip: Uint8Array): Record<string, string> {
  const files = unzipSync(zip);
  return Object.fromEntries(
    Object.entries(files).map(([name, bytes]) => [
      name,
      name === 'manifest.json' ? '' : Buffer.from(bytes).toString('base64'),
    ]),
  );
}

test('everything goes out as one ZIP, is wiped, and comes back identical', async ({ page }) => {
  await page.goto('/poses');
  await page.getByRole('button', { name: 'New set' }).click();
  await page.getByLabel('What is the set called?').fill('Hands');
  await page.keyboard.press('Enter');
  await page
    .getByLabel('Choose pictures')
    .setInputFiles([{ name: 'a.png', mimeType: 'image/png', buffer: Buffer.from(png(40, 30)) }]);
  await expect(page.getByText('1 picture added.')).toBeVisible();
  await page.goto('/after?session=demo-1');
  await page
    .getByLabel('Choose photographs of pages')
    .setInputFiles([{ name: 'page.png', mimeType: 'image/png', buffer: Buffer.from(png(50, 60)) }]);
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toBeVisible();

  await page.goto('/data');
  await expect(kept(page)).toContainText('40 sessions, 1 page, 1 picture in 1 set of your own');
  const out = await takeOut(page);
  const names = Object.keys(unzipSync(out));
  expect(names.filter((n) => n.startsWith('images/'))).toHaveLength(4);
  const picture = names.find((n) => n.startsWith('images/picture/'))!;
  expect(Buffer.compare(Buffer.from(unzipSync(out)[picture]), Buffer.from(png(40, 30)))).toBe(0);

  await page.getByRole('button', { name: 'Wipe everything' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(kept(page)).toContainText('40 sessions');
  await page.getByRole('button', { name: 'Wipe everything' }).click();
  await page.getByRole('button', { name: 'Wipe it' }).click();
  await expect(page.getByText('Right now that is nothing.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Right now that is nothing.')).toBeVisible();
  await page.goto('/journal');
  await expect(page.getByText('Nothing in the journal yet')).toBeVisible();

  await page.goto('/data');
  await putIn(page, 'fox.zip', out);
  await expect(survey(page)).toContainText('40 sessions, 1 page, 1 set, 1 picture, 36 drawings and 1 course');
  // Nothing is touched before that is said.
  await expect(page.getByText('Right now that is nothing.')).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByText('Nothing of the ZIP was put in.')).toBeVisible();
  await putIn(page, 'fox.zip', out);
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(page.getByText('80 records put back.')).toBeVisible();
  expect(contents(await takeOut(page))).toEqual(contents(out));
  await putIn(page, 'fox.zip', out);
  await expect(survey(page)).toContainText('80 of these are here already and will stay as they are.');
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(page.getByText('0 records put back. 80 were here already and stayed as they are.')).toBeVisible();
});

test('a ZIP that is not right is refused in a sentence, and nothing is touched', async ({ page }) => {
  await page.goto('/data');
  await expect(kept(page)).toContainText('40 sessions');
  const good = await takeOut(page);
  const files = unzipSync(good);
  const cases: [string, Uint8Array, RegExp][] = [
    ['words.zip', strToU8('no zip at all'), /This file is not a whole ZIP/],
    ['other.zip', zipSync({ 'letter.txt': strToU8('hello') }), /was not made by Fox Minute/],
    ['half.zip', good.subarray(0, good.length / 2), /This file is not a whole ZIP/],
    ['climbing.zip', zipSync({ ...files, '../../evil': strToU8('x') }), /paths that lead elsewhere/],
    [
      'bomb.zip',
      zipSync({ ...files, 'images/page/x.png': new Uint8Array(48 * 1024 ** 2) }),
      /unpack to far more than it should/,
    ],
    ['odd.zip', zipSync({ ...files, 'records/sessions-1.json': strToU8('[]') }), /is damaged/],
  ];
  for (const [name, bytes, sentence] of cases) {
    await putIn(page, name, bytes);
    await expect(page.getByRole('alert').filter({ hasText: sentence })).toContainText('Nothing kept here was changed.');
  }
  await page.reload();
  await expect(kept(page)).toContainText('40 sessions');
});

test('the demo learner goes and the own sessions stay', async ({ page }) => {
  await startSession(page, 0);
  await stopAndKeep(page);
  // With a session of one's own the demo learner steps back by herself.
  await expect(page.getByRole('link', { name: /demo sessions/ })).toHaveCount(0);
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'This week’s boxes' })).toBeVisible();
  await page.goto('/data');
  await expect(kept(page)).toContainText('41 sessions');
  await page.getByRole('button', { name: 'Take the demo sessions away' }).click();
  await expect(kept(page)).toContainText('1 session,');
  await expect(page.getByRole('link', { name: /demo sessions/ })).toHaveCount(0);
  await page.goto('/journal');
  await expect(page.getByRole('heading', { name: '1 session' })).toBeVisible();
});

test('the demo sessions can be put back after a wipe, and the volume is kept', async ({ page }) => {
  await page.goto('/data');
  await expect(kept(page)).toContainText('40 sessions');
  await page.getByRole('button', { name: 'Wipe everything' }).click();
  await page.getByRole('button', { name: 'Wipe it' }).click();
  await expect(page.getByText('Right now that is nothing.')).toBeVisible();
  await page.getByRole('button', { name: 'Put the demo sessions in' }).click();
  await expect(kept(page)).toContainText('40 sessions');
  await page.getByRole('link', { name: /Your room/ }).click();
  await page.getByRole('slider', { name: 'Volume of the cues' }).fill('0.3');
  // The slider stands where the kept setting is.
  await expect(page.getByRole('slider', { name: 'Volume of the cues' })).toHaveValue('0.3');
  await page.reload();
  await expect(page.getByRole('slider', { name: 'Volume of the cues' })).toHaveValue('0.3');
});

test('what is in the bin can be brought back: a page, and a plan', async ({ page }) => {
  await page.goto('/after?session=demo-1');
  await page
    .getByLabel('Choose photographs of pages')
    .setInputFiles([{ name: 'page.png', mimeType: 'image/png', buffer: Buffer.from(png(50, 60)) }]);
  await page.getByRole('button', { name: 'Put page 1 in the bin' }).click();
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toHaveCount(0);
  await page.goto('/data');
  const bin = page.getByRole('region', { name: 'Bin' });
  await expect(bin).toContainText('30 days left');
  await bin.getByRole('button', { name: /^Put the page of .* back$/ }).click();
  await expect(bin).toContainText('No page and no plan is in it.');
  await page.goto('/after?session=demo-1');
  await expect(page.getByRole('button', { name: 'Page 1, larger' })).toBeVisible();
});

test('settings are put back to the start, and nothing else', async ({ page }) => {
  await page.goto('/data');
  await expect(kept(page)).toContainText('40 sessions');
  await page.evaluate(async () => {
    const open = indexedDB.open('fox-minute');
    await new Promise((resolve) => (open.onsuccess = resolve));
    // As an older version, or somebody else's program, may have left them.
    const store = open.result.transaction('settings', 'readwrite').objectStore('settings');
    store.put(1e9, 'minutes');
    store.put('a word', 'volume');
    await new Promise((resolve) => (store.transaction.oncomplete = resolve));
    open.result.close();
  });
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  await expect(page.getByRole('slider', { name: 'How long have you got?' })).toHaveAttribute(
    'aria-valuetext',
    '20 minutes',
  );
  await page.goto('/data');
  await page.getByRole('button', { name: 'Put settings back' }).click();
  await expect(page.getByText('Settings are as they come.')).toBeVisible();
  await expect(kept(page)).toContainText('40 sessions');
});

test('what could never have been written opens all the same: no page fails, and what is wrong is left as it comes', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  // Past every door, as a broken disk or a stranger's tool would.
  await page.evaluate(async () => {
    const open = indexedDB.open('fox-minute');
    await new Promise((resolve) => (open.onsuccess = resolve));
    const tx = open.result.transaction(['settings', 'sessions'], 'readwrite');
    const settings = tx.objectStore('settings');
    for (const [name, value] of Object.entries({
      minutes: 1e9,
      covered: 'perhaps',
      room: '{"hand":"third"}',
      planDraft: '{"blocks":[{}]}',
      libraryPage: 'not even JSON',
    }))
      settings.put(value, name);
    const sessions = tx.objectStore('sessions');
    const all = sessions.getAll() as IDBRequest<{ log: unknown[] }[]>;
    await new Promise((resolve) => (all.onsuccess = resolve));
    const [one] = all.result;
    const peeks = Array.from({ length: 20_000 - one.log.length - 1 }, (_, i) => ({ type: 'peek', atMs: 60_000 + i }));
    sessions.put({
      ...one,
      id: 'pressed',
      startedAtMs: Date.now() - 7_200_000,
      lastSeenMs: 3_600_000,
      log: [{ type: 'start', atMs: 0 }, ...peeks],
    });
    await new Promise((done) => (tx.oncomplete = done));
    open.result.close();
  });
  const failures: string[] = [];
  page.on('pageerror', (error) => failures.push(error.message));
  for (const path of [
    '/',
    '/plan',
    '/journal',
    '/journal?session=pressed',
    '/poses',
    '/poses?set=library',
    '/room',
    '/data',
    '/handbook',
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expect(page.getByText('Something went wrong on this page')).toHaveCount(0);
    await expect(page.locator('main')).not.toContainText('NaN');
  }
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Start' })).toBeEnabled();
  expect(failures).toEqual([]);
});
