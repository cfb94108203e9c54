// Bodies that the shipped model finds in the JPEG files of a folder, in Chromium: written as bodies.json beside them.
import { createServer } from 'node:http';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { CHROMIUM } from '../chromium.mjs';

const TYPES = { html: 'text/html', js: 'text/javascript', wasm: 'application/wasm', jpg: 'image/jpeg' };
const PAGE = `
import * as Comlink from 'comlink';
const api = Comlink.wrap(new Worker('/landmarks/worker.js'));
globalThis.warm = (model) => api.warm(model);
globalThis.find = async (name, model) => {
  const image = await (await fetch('/pictures/' + name)).blob();
  const from = performance.now();
  return { ...(await api.find(image, model)), ms: performance.now() - from };
};`;

/** @returns By file name, what was found and how long it took, milliseconds. */
export async function findBodies(folder, model = 'full') {
  const script = await build({
    stdin: { contents: PAGE, resolveDir: '.' },
    bundle: true,
    format: 'iife',
    write: false,
    logLevel: 'error',
  });
  const server = createServer((request, response) => {
    const path = new URL(request.url, 'http://x').pathname;
    const send = (body, ending) => response.writeHead(200, { 'Content-Type': TYPES[ending] ?? 'text/plain' }).end(body);
    try {
      if (path === '/') send('<!doctype html><script src="/page.js"></script>', 'html');
      else if (path === '/page.js') send(script.outputFiles[0].contents, 'js');
      else if (path.startsWith('/pictures/')) send(readFileSync(folder + path.slice(9)), 'jpg');
      else send(readFileSync(`public${path}`), path.split('.').pop());
    } catch {
      response.writeHead(404).end();
    }
  });
  await new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(undefined)));
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  await page.goto(`http://127.0.0.1:${/** @type {import('node:net').AddressInfo} */ (server.address()).port}/`);
  await page.evaluate((m) => globalThis.warm(m), model);
  const out = {};
  for (const file of readdirSync(folder)
    .filter((f) => f.endsWith('.jpg'))
    .sort())
    out[file] = await page.evaluate(([f, m]) => globalThis.find(f, m), [file, model]);
  await browser.close();
  server.close();
  writeFileSync(`${folder}/bodies.json`, JSON.stringify(out));
  return out;
}
