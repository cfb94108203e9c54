import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { z } from 'zod';
import { keepPlan, planOf } from '../../scripts/keep-plan.mjs';
import { rawBrowser } from '../../scripts/raw-browser.mjs';
import { sessionSchema } from '../../src/core/journal/session';
import { accountSession, holdsOf } from '../../src/core/journal/sessionAccount';
import { WALKING, WAITING, pose, posesBlock } from './steps';

const startedSchema = z.object({ id: z.string(), startedAtMs: z.number() });
const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const S = 1000;

const read = (id: string): string => `(async () => {
  const open = indexedDB.open('fox-minute');
  await new Promise((r) => (open.onsuccess = r));
  const get = open.result.transaction('sessions').objectStore('sessions').get('${id}');
  await new Promise((r) => (get.onsuccess = r));
  open.result.close();
  return get.result;
})()`;
const HELD = `document.body.innerText.includes('Picked up where it was cut off')`;
const POSE = `document.body.innerText.match(/pose (\\d) of 5/)?.[1]`;

test('three minutes in real time: hidden for a minute, reloaded, killed; not a second is lost', async ({ baseURL }) => {
  test.setTimeout(900_000);
  const profile = mkdtempSync(join(tmpdir(), 'fox-real-'));
  let browser = await rawBrowser(profile);
  let tab = await browser.open(`${baseURL}/`);
  await tab.until(`document.body.innerText.includes('Why this plan:')`);
  const references = [WALKING, WAITING, WALKING, WAITING, WALKING];
  const blocks = [
    posesBlock(
      'flowing-gesture',
      references.map((r) => pose(r, 30 * S, { leadInMs: 3 * S })),
    ),
  ];
  const { id, startedAtMs: beganAtMs } = startedSchema.parse(
    await tab.evaluate(`(${keepPlan.toString()})(${JSON.stringify(planOf(...blocks))})`),
  );
  await tab.go(`${baseURL}/run`);
  await tab.until(POSE);

  // Hidden from about 10 s to 75 s: behind another tab, its timers slowed by the browser.
  await sleep(beganAtMs + 10 * S - Date.now());
  const other = await browser.open('about:blank');
  expect(await tab.evaluate('document.visibilityState')).toBe('hidden');
  await sleep(beganAtMs + 75 * S - Date.now());
  await tab.toFront();
  // 3 + 30 + 4 + 3 + 30 + 4 = 74: the third pose has just come up, by itself.
  await sleep(300);
  expect(await tab.evaluate('document.visibilityState')).toBe('visible');
  expect(await tab.evaluate(POSE)).toBe('3');
  await other.close();

  // Reloaded in the third pose: on hold as of the last sign of life; what was not seen is on hold.
  await sleep(beganAtMs + 90 * S - Date.now());
  await tab.go(`${baseURL}/run`);
  await tab.until(HELD);
  await sleep(2 * S);
  await tab.key(' ');
  await tab.until(`!${HELD}`);

  // Killed, as by a power cut.
  await sleep(12 * S);
  await browser.kill();
  const killedAtMs = Date.now();
  browser = await rawBrowser(profile);
  tab = await browser.open(`${baseURL}/run`);
  await tab.until(HELD);
  await tab.key(' ');
  await tab.until(`!${HELD}`);
  const backAtMs = Date.now();

  await tab.until(`location.pathname === '/after'`, 150 * S);
  const overAtMs = Date.now();
  const session = sessionSchema.parse(await tab.evaluate(read(id)));
  await browser.close();
  rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });

  const account = accountSession(session);
  const { preparingMs, lookingMs, drawingMs, changingMs, restingMs, heldMs, wallMs } = account;
  expect(preparingMs + lookingMs + drawingMs + changingMs + restingMs + heldMs).toBe(wallMs);
  expect(account.drawings).toBe(5);
  // Every pose had its thirty seconds, every change and lead-in its own, whatever happened to the browser.
  expect(drawingMs).toBe(150 * S);
  expect(changingMs).toBe(5 * 3 * S + 4 * 4 * S);
  // A freshly opened browser may still be decoding the picture. That wait is a hold of its own kind.
  const holds = holdsOf(session);
  expect(holds.map((h) => h.reason).filter((reason) => reason !== 'picture')).toEqual(['closed', 'closed']);
  const awaitedMs = holds.reduce((sum, h) => sum + (h.reason === 'picture' ? h.toMs - h.fromMs : 0), 0);
  // On hold is what the browser was away, and since the last sign of life before it, five seconds each at most.
  const awayMs = 2 * S + (backAtMs - killedAtMs);
  expect(heldMs).toBeGreaterThanOrEqual(awayMs - S);
  expect(heldMs).toBeLessThanOrEqual(awayMs + awaitedMs + 2 * 5.2 * S + 3 * S);
  // And the whole is the time on the wall, less what it takes to see the last page.
  expect(overAtMs - beganAtMs - wallMs).toBeGreaterThanOrEqual(0);
  expect(overAtMs - beganAtMs - wallMs).toBeLessThan(2 * S);
});
