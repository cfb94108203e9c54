import { chromium } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';
import { serve } from './serve.mjs';
const { base, stop } = await serve();
const browser = await chromium.launch(CHROMIUM);
for (const [name, o] of [['w', {}], ['n', { viewport: { width: 390, height: 844 }, colorScheme: 'dark' }], ['r', { reducedMotion: 'reduce' }]]) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, ...o });
  page.on('console', (m) => { if (m.type() === 'error' && !/bluetooth/.test(m.text())) console.log('console:', m.text().slice(0, 300)); });
  page.on('pageerror', (e) => console.log('page error:', e.message));
  await page.goto(`${base}/`);
  await page.waitForTimeout(2500);
  await page.getByRole('button', { name: /^Start/ }).first().click();
  await page.waitForURL(/run/);
  await page.waitForTimeout(2500);
  for (let i = 0; i < 12; i++) { const t = await page.getByRole('main').innerText(); if (/Body,/.test(t)) break; await page.keyboard.press('ArrowRight'); await page.waitForTimeout(500); }
  await page.waitForTimeout(800);
  await page.screenshot({ path: `.look/${name}1.png` });
  if (name === 'w') { for (let i = 0; i < 5; i++) { await page.keyboard.press('ArrowRight'); await page.waitForTimeout(400); } await page.waitForTimeout(1200); await page.screenshot({ path: `.look/${name}2.png` }); }
  await page.close();
}
await browser.close(); await stop();
