// A headless browser with the figure renderer loaded; used by the scripts that make pictures of figures.
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { CHROMIUM } from '../chromium.mjs';

export async function openFigurePage() {
  const root = fileURLToPath(new URL('../..', import.meta.url));
  const { outputFiles } = await build({
    entryPoints: [`${root}/scripts/figures/page.ts`],
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
    tsconfig: `${root}/tsconfig.json`,
  });
  const server = createServer((request, response) => {
    const script = request.url === '/page.js';
    if (request.url === '/body.pack') {
      response.end(readFileSync(`${root}/public/body.pack`));
      return;
    }
    response.setHeader('content-type', script ? 'text/javascript' : 'text/html');
    response.end(script ? outputFiles[0].text : '<!doctype html><script src="page.js"></script>');
  }).listen(0, '127.0.0.1');
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  page.on('pageerror', (error) => console.error(error));
  await page.goto(`http://127.0.0.1:${/** @type {import('node:net').AddressInfo} */ (server.address()).port}/`);
  return {
    page,
    close: async () => {
      await browser.close();
      server.close();
    },
  };
}
