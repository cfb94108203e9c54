import { readFileSync, writeFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { startSession } from './steps';

test.use({ serviceWorkers: 'allow' });

const SERVICE_WORKER = 'public/sw.js';

/** Whether the whole program is kept for offline use. */
const kept = async (page: Page): Promise<void> => {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
};
const storedFiles = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    let files = 0;
    for (const name of await caches.keys()) files += (await (await caches.open(name)).keys()).length;
    return files;
  });
/** Serves another version of the program for as long as some work takes. */
async function withNewVersion(work: () => Promise<void>): Promise<void> {
  const before = readFileSync(SERVICE_WORKER, 'utf8');
  writeFileSync(SERVICE_WORKER, `${before}\n// Another version.\n`);
  try {
    await work();
  } finally {
    writeFileSync(SERVICE_WORKER, before);
  }
}

test('a new version is offered, waits for a running session, and is taken in all tabs at once', async ({
  page,
  context,
}) => {
  await page.goto('/');
  await kept(page);
  const files = await storedFiles(page);
  const other = await context.newPage();
  await other.goto('/handbook');
  const running = await context.newPage();
  await running.goto('/');
  await startSession(running, 1);
  await withNewVersion(async () => {
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
    const offer = page.getByText('A new version is ready.');
    await expect(offer).toBeVisible();
    // What did not change is not stored twice.
    expect(await storedFiles(page)).toBe(files);
    await expect(running.getByText('A new version is ready.')).toBeHidden();
    await page.getByRole('button', { name: 'Update now' }).click();
    await expect(page.getByText('A session is running. Update when it’s over.')).toBeVisible();
    await running.close();
    const reloads = [page, other].map((tab) => tab.waitForEvent('load'));
    await expect(async () => {
      await page.getByRole('button', { name: 'Update now' }).click({ timeout: 1000 });
      await Promise.race(reloads);
    }).toPass();
    await Promise.all(reloads);
    await expect(page.getByRole('heading', { name: 'Still open' })).toBeVisible();
    await expect(offer).toBeHidden();
  });
});

test('without the network, other spellings of an address lead to its page, and unknown ones say so', async ({
  page,
  context,
}) => {
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  await page.goto('/');
  await kept(page);
  await context.setOffline(true);
  await page.goto('/plan/');
  await expect(page).toHaveURL(/\/plan$/);
  await expect(page.getByLabel('Name of the plan')).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  expect(faults).toEqual([]);
});

test('another host name is sent away, and every answer carries a policy', async ({ request }) => {
  const foreign = await request.get('/', { headers: { host: 'evil.example' } });
  expect(foreign.status()).toBe(421);
  for (const path of ['/sw.js', '/plan/', '/', '/nowhere', '/_next/image?url=%2Ficon.svg&w=64&q=75']) {
    const answer = await request.get(path, { maxRedirects: 0 });
    expect(answer.headers()['content-security-policy'], path).toContain("default-src 'none'".slice(0, 11));
  }
  expect((await request.get('/plan/', { maxRedirects: 0 })).status()).toBe(308);
  expect((await request.get('/_next/image?url=%2Ficon.svg&w=64&q=75')).status()).toBe(404);
});
