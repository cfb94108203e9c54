// An archive of many pictures, in the built app: how long it takes to take out and to look through, and what memory that needs.
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../chromium.mjs';
import { measured } from './memory.mjs';
import { limited } from './row.mjs';

const PICTURES = Number(process.env.ARCHIVE_PICTURES ?? 2000);
const BYTES = 3_000_000;
const WITHIN_MS = 30 * 60_000;

/** In the page: keep pictures of noise, as the library keeps them. */
async function keepPictures([count, bytes]) {
  const open = indexedDB.open('fox-minute');
  await new Promise((resolve) => (open.onsuccess = resolve));
  const noise = new Uint8Array(bytes);
  for (let i = 0; i < bytes; i += 65_536) crypto.getRandomValues(noise.subarray(i, Math.min(bytes, i + 65_536)));
  // A file on disk, so that only what is kept takes room, and no memory of the browser's does.
  const handle = await (await navigator.storage.getDirectory()).getFileHandle('noise', { create: true });
  const into = await handle.createWritable();
  await into.write(noise);
  await into.close();
  const image = (await handle.getFile()).slice(0, bytes, 'image/jpeg');
  for (let i = 0; i < count; i++) {
    const id = `bench-${i}`;
    const tx = open.result.transaction(['pictures', 'images'], 'readwrite');
    tx.objectStore('pictures').put({
      id,
      setIds: [],
      name: `${id}.jpg`,
      type: 'image/jpeg',
      widthPx: 2000,
      heightPx: 1500,
      hash: i.toString(16).padStart(64, '0'),
      likeness: null,
      bytes,
      addedAtMs: i,
      takenAtMs: null,
      binnedAtMs: null,
      rights: { license: null, credit: '', permission: '', source: '' },
      found: {},
      sure: {},
      readBy: 99,
      corrected: {},
      measures: null,
      felt: 0,
      tags: [],
      laterAtMs: null,
      keptBeside: [],
    });
    tx.objectStore('images').put(image, `picture/${id}`);
    await new Promise((resolve, reject) => {
      tx.oncomplete = resolve;
      tx.onabort = () => reject(tx.error);
    });
  }
  open.result.close();
}

/** @returns Rows of the bench: out, and looked through to be put back in. */
export async function archiveRows(base) {
  const profile = mkdtempSync(join(tmpdir(), 'fox-bench-'));
  const context = await chromium.launchPersistentContext(profile, CHROMIUM);
  const page = context.pages()[0] ?? (await context.newPage());
  page.setDefaultTimeout(WITHIN_MS);
  await page.goto(`${base}/data`);
  await page.getByText(/Right now: 12 sessions/).waitFor();
  await page.evaluate(keepPictures, [PICTURES, BYTES]);
  await page.reload();
  await page.getByText(new RegExp(`${PICTURES} pictures`)).waitFor();
  const out = await measured(async () => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Take out as ZIP' }).click();
    const file = join(profile, 'out.zip');
    await (await download).saveAs(file);
    await page.getByText(/Taken out: .* read back and found whole/).waitFor();
    return file;
  });
  const { size } = statSync(out.result);
  const read = await measured(async () => {
    await page.getByLabel('Choose a ZIP').setInputFiles(out.result);
    await page.getByRole('group', { name: 'What is in the ZIP' }).waitFor();
  });
  await context.close();
  // Into a browser that has nothing of it.
  const other = mkdtempSync(join(tmpdir(), 'fox-bench-'));
  const fresh = await chromium.launchPersistentContext(other, CHROMIUM);
  const empty = fresh.pages()[0] ?? (await fresh.newPage());
  empty.setDefaultTimeout(WITHIN_MS);
  await empty.goto(`${base}/data`);
  await empty.getByText(/Right now: 12 sessions/).waitFor();
  await empty.getByLabel('Choose a ZIP').setInputFiles(out.result);
  await empty.getByRole('group', { name: 'What is in the ZIP' }).waitFor();
  const back = await measured(async () => {
    await empty.getByRole('button', { name: 'Put it in' }).click();
    await empty.getByText(/records? put back/).waitFor();
  });
  await empty.reload();
  await empty.getByText(new RegExp(`${PICTURES} pictures`)).waitFor();
  await fresh.close();
  rmSync(other, { recursive: true, force: true, maxRetries: 5, retryDelay: 500 });
  rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 500 });
  const row = (name, { seconds, grewMB }) =>
    limited(
      `${name} (${PICTURES.toLocaleString('en')} pictures, ${(size / 1e9).toFixed(2)} GB): time, memory of the page beyond what it had`,
      `${seconds.toFixed(0)} s, ${grewMB.toFixed(0)} MB`,
      grewMB,
      300,
      'MB',
    );
  return [
    row('take everything out, read back', out),
    row('look through it to put it in', read),
    row('put it in where nothing of it is', back),
  ];
}
