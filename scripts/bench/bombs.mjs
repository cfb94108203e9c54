// ZIPs that unpack to far more than they are, in the built app: how soon they are refused, and what memory that takes.
import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { zipSync } from 'fflate';
import { CHROMIUM } from '../chromium.mjs';
import { measured } from './memory.mjs';
import { limited } from './row.mjs';

const MOST_SECONDS = 2;
const MOST_MB = 300;

/** Every size in the list of a ZIP, made to say less than is there. */
function lyingAboutSizes(zip, bytes) {
  const view = Buffer.from(zip);
  const signature = Buffer.from([0x50, 0x4b, 1, 2]);
  for (let at = view.indexOf(signature); at >= 0; at = view.indexOf(signature, at + 4))
    view.writeUInt32LE(bytes, at + 24);
  return view;
}

/** ZIPs of nothing but zeros, behind a beginning that does not shrink. */
function bombs() {
  const zeros = new Uint8Array(500_000);
  const many = Object.fromEntries(Array.from({ length: 4000 }, (_, i) => [`${String(i)}.png`, zeros]));
  const large = new Uint8Array(500_000_000);
  large.set(randomBytes(1000));
  const one = zipSync({ 'large.png': large }, { level: 6 });
  return {
    'four thousand small bombs (2 GB)': Buffer.from(zipSync(many, { level: 6 })),
    'one of 500 MB': Buffer.from(one),
    'the same, which says it is small': lyingAboutSizes(one, 500_000),
  };
}

/** @returns Rows of the bench: each bomb given to the library and to where archives are put back in. */
export async function bombRows(base) {
  const folder = mkdtempSync(join(tmpdir(), 'fox-bench-'));
  const rows = [];
  for (const [name, bytes] of Object.entries(bombs())) {
    const file = join(folder, 'bomb.zip');
    writeFileSync(file, bytes);
    for (const [where, path, label] of [
      ['among pictures', '/poses?set=library', 'Choose pictures'],
      ['as an archive', '/data', 'Choose a ZIP'],
    ]) {
      const browser = await chromium.launch(CHROMIUM);
      const page = await browser.newPage();
      await page.goto(`${base}${path}`);
      await page.getByLabel(label).first().waitFor({ state: 'attached' });
      await page.evaluate(() => navigator.serviceWorker.ready);
      const { seconds, grewMB } = await measured(async () => {
        await page.getByLabel(label).first().setInputFiles(file);
        await page
          .getByText(/unpack to far more than it should|is damaged at|not made by Fox Minute/)
          .first()
          .waitFor();
      });
      await browser.close();
      const value = `${seconds.toFixed(1)} s, ${Math.max(0, grewMB).toFixed(0)} MB`;
      const most = Math.max(seconds / MOST_SECONDS, grewMB / MOST_MB);
      rows.push({
        ...limited(`${name}, ${where}: refused in, memory beyond what there was`, value, most, 1, ''),
        limit: `${MOST_SECONDS} s, ${MOST_MB} MB${most > 1 ? ' OVER' : ''}`,
      });
    }
  }
  rmSync(folder, { recursive: true, force: true });
  return rows;
}
