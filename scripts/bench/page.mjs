import { chromium } from '@playwright/test';
import { PLAINLY_PAINTED } from '../chromium.mjs';

/** Today, open in a browser that was never here, with its database made. */
export async function freshPage(base) {
  const browser = await chromium.launch(PLAINLY_PAINTED);
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.goto(base);
  await page.getByText('Why this plan:').waitFor();
  return { browser, page };
}
