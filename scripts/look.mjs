// A picture of a screen, for looking at it: npm run look -- /poses --night --width 390 --height 844 --out x.png
//   --click "Start"      press a button or link by its name first (may be given several times)
//   --keys "Space,x"     press keys after that
//   --wait 2000          wait before the picture, ms
//   --files DIR          give all files of a folder to the chooser of the page, before anything is pressed
//   --profile DIR        keep what the browser stores in a folder, and find it again next time
//   --full               the whole page, not only the window
import { mkdirSync, readdirSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { chromium } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';
import { serve } from './serve.mjs';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    night: { type: 'boolean' },
    width: { type: 'string', default: '1280' },
    height: { type: 'string', default: '800' },
    out: { type: 'string', default: '.look/look.png' },
    click: { type: 'string', multiple: true, default: [] },
    keys: { type: 'string', default: '' },
    minutes: { type: 'string' },
    wait: { type: 'string', default: '800' },
    files: { type: 'string' },
    profile: { type: 'string' },
    full: { type: 'boolean' },
  },
});
mkdirSync('.look', { recursive: true });
const PORT_OF_PROFILES = 3177;
const { base, stop } = await serve(values.profile && PORT_OF_PROFILES);
const options = {
  viewport: { width: Number(values.width), height: Number(values.height) },
  colorScheme: /** @type {'dark' | 'light'} */ (values.night ? 'dark' : 'light'),
};
const browser = values.profile
  ? await chromium.launchPersistentContext(values.profile, { ...CHROMIUM, ...options })
  : await chromium.launch(CHROMIUM);
const page = await browser.newPage(values.profile ? undefined : options);
page.on('console', (m) => {
  if (m.type() === 'error' || m.type() === 'warning') console.log('console:', m.text().slice(0, 300));
});
page.on('pageerror', (e) => console.log('page error:', e.message));
await page.goto(base + (positionals[0] ?? '/'));
await page.waitForTimeout(500); // until keys are heard
if (values.files)
  await page
    .getByLabel('Choose pictures')
    .setInputFiles(readdirSync(values.files).map((name) => `${values.files}/${name}`));
if (values.minutes) {
  await page.getByRole('slider').first().focus();
  await page.keyboard.press('Home');
  for (let i = 0; i < Number(values.minutes); i++) await page.keyboard.press('ArrowRight');
}
for (const name of values.click) {
  const target = page.getByRole('button', { name }).or(page.getByRole('link', { name })).first();
  await target.click();
  await page.waitForTimeout(500);
}
for (const key of values.keys.split(',').filter(Boolean)) {
  await page.keyboard.press(key);
  await page.waitForTimeout(250);
}
await page.waitForTimeout(Number(values.wait));
await page.screenshot({ path: values.out, fullPage: values.full });
await browser.close();
stop();
