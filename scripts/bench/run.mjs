// The run measured in the built app: lateness of pose changes, swapping of 12-megapixel pictures, sound on the beat.
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { build } from 'esbuild';
import sharp from 'sharp';
import { chromium } from '@playwright/test';
import { PLAINLY_PAINTED } from '../chromium.mjs';
import { keepPlan, planOf } from '../keep-plan.mjs';
import { rawBrowser } from '../raw-browser.mjs';
import { quantile } from './row.mjs';

/** Enough that the slowest of a hundred is not the slowest of all. */
const POSES = 200;
const POSE_MS = 500;
/** For sound, each begins at a full second. */
const SOUND_POSES = 30;
const SOUND_POSE_MS = 1000;
/** The first pose is longer, as a lead-in is: what comes second is ready by then. */
const FIRST_MS = 5000;

const spread = (values) => [0.5, 0.99, 1].map((q) => quantile(values, q).toFixed(0)).join(' / ');

const pose = (referenceId, drawMs = POSE_MS) => ({ referenceId, leadInMs: 0, lookMs: 0, drawMs, lookAgainMs: 0 });
/** In the page: keep a plan, and when it began. */
const remembered = `async (plan) => {
  const { startedAtMs } = await (${keepPlan})(plan);
  localStorage.setItem('bench-started', String(startedAtMs));
}`;
/** @param {object[]} poses */
const benchPlan = (poses) =>
  planOf({
    kind: 'poses',
    exercise: 'new-medium',
    changeMs: 0,
    poses: [{ ...poses[0], drawMs: FIRST_MS }, ...poses.slice(1)],
  });

/** In the page: watch the pose number and the pictures; `late` in ms against the deadline, when known and when painted. */
const watch = ({ poses, poseMs, firstMs }) => {
  const startedAtMs = Number(localStorage.getItem('bench-started'));
  const late = [];
  const painted = [];
  let blank = 0;
  let seen = 0;
  const look = () => {
    const number = Number(document.body.innerText.match(/pose (\d+) of \d+/)?.[1] ?? 0);
    if (number <= seen) return;
    seen = number;
    const dueMs = startedAtMs + firstMs + (number - 2) * poseMs;
    if (number > 1) late.push(Date.now() - dueMs);
    if (number > 1) requestAnimationFrame(() => painted.push(Date.now() - dueMs));
  };
  new MutationObserver(look).observe(document.body, { subtree: true, childList: true, characterData: true });
  const frame = () => {
    const canvases = [...document.querySelectorAll('main canvas')];
    if (seen > 1 && seen < poses && canvases.length > 0 && !canvases.some((c) => c.ariaHidden === 'false')) blank++;
    requestAnimationFrame(frame);
  };
  frame();
  window.benched = () => ({ late, painted, blank });
};

const WATCHED = { poses: POSES, poseMs: POSE_MS, firstMs: FIRST_MS };

/** Lateness of the changes, in a tab that is seen, hidden, or busy. */
async function changes(base, how) {
  const profile = mkdtempSync(join(tmpdir(), 'fox-bench-'));
  const browser = await rawBrowser(profile);
  const tab = await browser.open(`${base}/`);
  await tab.until(`document.body.innerText.includes('Why this plan:')`);
  await tab.evaluate(`(${remembered})(${JSON.stringify(benchPlan(Array.from({ length: POSES }, () => pose(null))))})`);
  await tab.go(`${base}/run`);
  await tab.evaluate(`(${watch})(${JSON.stringify(WATCHED)})`);
  if (how === 'busy')
    await tab.evaluate(
      `setInterval(() => { for (const until = performance.now() + 40; performance.now() < until; ); }, 80)`,
    );
  if (how === 'hidden') await browser.open('about:blank');
  await sleep(FIRST_MS + (POSES + 2) * POSE_MS);
  const measured = await tab.evaluate('window.benched()');
  await browser.close();
  rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
  return measured;
}

/** Changes between two photographs of twelve megapixels. */
async function swaps(base) {
  const folder = mkdtempSync(join(tmpdir(), 'fox-bench-pictures-'));
  mkdirSync(folder, { recursive: true });
  const files = [];
  for (const [i, color] of ['#b8472a', '#41607a'].entries()) {
    const noise = { type: /** @type {const} */ ('gaussian'), mean: 128, sigma: 40 };
    const grain = await sharp({ create: { width: 1000, height: 750, channels: 3, background: color, noise } })
      .png()
      .toBuffer();
    const file = join(folder, `${String(i)}.jpg`);
    writeFileSync(file, await sharp(grain).resize(4000, 3000).jpeg({ quality: 90 }).toBuffer());
    files.push(file);
  }
  const browser = await chromium.launch(PLAINLY_PAINTED);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/poses?set=library`);
  await page.getByLabel('Choose pictures').setInputFiles(files);
  const taken = async () => {
    const open = indexedDB.open('fox-minute');
    await new Promise((resolve) => (open.onsuccess = resolve));
    const all = open.result.transaction('pictures').objectStore('pictures').getAll();
    await new Promise((resolve) => (all.onsuccess = resolve));
    open.result.close();
    return all.result.map((p) => `picture/${p.id}`);
  };
  let ids = [];
  for (let tries = 0; ids.length < 2 && tries < 120; tries++) {
    await page.waitForTimeout(500);
    ids = await page.evaluate(taken);
  }
  if (ids.length < 2) throw new Error('the pictures were not taken in');
  const [a, b] = ids;
  await page.evaluate(
    `(${remembered})(${JSON.stringify(benchPlan(Array.from({ length: POSES }, (_, i) => pose(i % 2 === 0 ? a : b))))})`,
  );
  await page.goto(`${base}/run`);
  await page.evaluate(watch, WATCHED);
  await page.waitForTimeout(FIRST_MS + (POSES + 2) * POSE_MS);
  const measured = await page.evaluate(() => window.benched());
  await browser.close();
  rmSync(folder, { recursive: true });
  return measured;
}

/** The same on a page that is empty but for two canvases of the window's size, exchanged by nothing but a timer: what this machine takes. */
async function emptySwaps() {
  const browser = await chromium.launch(PLAINLY_PAINTED);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.setContent('<canvas></canvas><canvas></canvas>');
  const painted = await page.evaluate(async ({ poses, poseMs }) => {
    const [a, b] = /** @type {HTMLCanvasElement[]} */ ([...document.querySelectorAll('canvas')]);
    for (const [canvas, color] of /** @type {const} */ ([
      [a, '#b8472a'],
      [b, '#41607a'],
    ])) {
      Object.assign(canvas, { width: 1067, height: 800 });
      canvas.style.cssText = 'position:absolute;inset:0;width:960px;height:720px';
      const context = canvas.getContext('2d');
      for (let i = 0; i < 800; i++) {
        context.fillStyle = i % 2 ? color : '#e9e5dd';
        context.fillRect(0, i, 1067, 1);
      }
    }
    const late = [];
    const from = performance.now();
    for (let i = 1; i <= poses; i++) {
      const dueMs = from + i * poseMs;
      await new Promise((resolve) => setTimeout(resolve, dueMs - performance.now()));
      a.style.visibility = i % 2 ? 'hidden' : 'visible';
      b.style.visibility = i % 2 ? 'visible' : 'hidden';
      await new Promise((resolve) => requestAnimationFrame(resolve));
      late.push(performance.now() - dueMs);
    }
    return late;
  }, WATCHED);
  await browser.close();
  return painted;
}

/** Cues rendered by the browser: from the time they are put at to the first sample that is not silent. */
async function sound(base) {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { CUE_KINDS } from '@/core/clock/cues';
        import { renderCue } from '@/ui/sound/cueSounds';
        window.onsets = async () => {
          const out = [];
          for (const kind of CUE_KINDS) for (const calm of [false, true]) for (let k = 0; k < 8; k++) {
            const at = 0.05 + 0.0137 * k;
            const audio = new OfflineAudioContext(1, 44100, 44100);
            renderCue(audio, kind, calm, at, 1);
            const samples = (await audio.startRendering()).getChannelData(0);
            const peak = samples.reduce((a, b) => Math.max(a, Math.abs(b)), 0);
            const first = samples.findIndex((s) => Math.abs(s) > 0);
            const tenth = samples.findIndex((s) => Math.abs(s) > peak / 10);
            out.push({ calm, error: Math.abs(first / 44100 - at) * 1000, rise: (tenth / 44100 - at) * 1000 });
          }
          return out;
        };`,
      resolveDir: process.cwd(),
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'iife',
    tsconfig: 'tsconfig.json',
  });
  const browser = await chromium.launch(PLAINLY_PAINTED);
  const page = await browser.newPage();
  await page.goto(`${base}/icon.svg`);
  await page.evaluate(outputFiles[0].text);
  const onsets = await page.evaluate(() => window.onsets());

  // In the app: when each start cue is put on the audio clock, against when it is due.
  await page.goto(base);
  await page.getByText('Why this plan:').waitFor();
  await page.evaluate(
    `(${remembered})(${JSON.stringify(benchPlan(Array.from({ length: SOUND_POSES }, () => pose(null, SOUND_POSE_MS))))})`,
  );
  await page.addInitScript(() => {
    const put = [];
    const start = OscillatorNode.prototype.start;
    const stop = OscillatorNode.prototype.stop;
    OscillatorNode.prototype.start = function (when) {
      const wall = Date.now() - Number(localStorage.getItem('bench-started'));
      this.entry = { dueMs: wall + (when - this.context.currentTime) * 1000, hz: this.frequency.value, kept: true };
      put.push(this.entry);
      start.call(this, when);
    };
    OscillatorNode.prototype.stop = function (when) {
      if (when === undefined && this.entry) this.entry.kept = false;
      if (when === undefined) stop.call(this);
      else stop.call(this, when);
    };
    window.put = () => put.filter((e) => e.kept);
  });
  await page.goto(`${base}/run`);
  await page.getByRole('button', { name: 'Pause' }).waitFor();
  await page.waitForTimeout(1000); // until keys are heard
  await page.keyboard.press('c');
  await page.waitForTimeout(32_000);
  const put = await page.evaluate(() => window.put());
  await browser.close();
  // The first note of a start cue; each is due at a full second.
  const errors = put
    .filter((e) => e.hz === 587 && e.dueMs > 3000)
    .map((e) => Math.abs(e.dueMs - Math.round(e.dueMs / 1000) * 1000));
  return { onsets, errors };
}

/** Rows of the run for the table. */
export async function runRows(base) {
  const rows = [];
  // Told as they come: the whole takes minutes.
  const told = (...more) => {
    rows.push(...more);
    for (const { name, value } of more) console.error(`${name}: ${value}`);
  };
  const over = (value, limit) => `${limit.toFixed(0)} ms${value > limit ? ' OVER' : ''}`;
  const empty = await emptySwaps();
  told({
    name: `two canvases exchanged on an empty page, p50 / p99 / max (${empty.length})`,
    value: `${spread(empty)} ms`,
  });
  // Where painting in software alone takes longer than the eye notices, the run may take as much again.
  const limitMs = Math.max(50, 2 * quantile(empty, 0.99));
  for (const [how, words] of [
    ['seen', 'a tab that is seen'],
    ['hidden', 'a hidden tab'],
    ['busy', 'a tab seen, its main thread busy for 40 ms of every 80'],
  ]) {
    const { late, painted } = await changes(base, how);
    const used = how === 'hidden' ? late : painted;
    if (how !== 'hidden')
      told({ name: `the same, on the page but not yet painted (${String(late.length)})`, value: `${spread(late)} ms` });
    told({
      name: `change of pose in ${words}, p50 / p99 / max (${String(used.length)})`,
      value: `${spread(used)} ms`,
      limit: how === 'seen' ? over(quantile(used, 0.99), limitMs) : '',
    });
  }
  const { painted, blank } = await swaps(base);
  told(
    {
      name: `swap of 12-megapixel pictures, p50 / p99 / max (${String(painted.length)})`,
      value: `${spread(painted)} ms`,
      limit: over(quantile(painted, 0.99), limitMs),
    },
    { name: 'frames without a picture meanwhile', value: String(blank), limit: blank > 0 ? 'none OVER' : 'none' },
  );
  const { onsets, errors } = await sound(base);
  const first = onsets.map((o) => o.error);
  told(
    {
      name: 'sound in rendered audio: first sample against its time, max',
      value: `${Math.max(...first).toFixed(2)} ms`,
      limit: over(Math.max(...first), 5),
    },
    {
      name: 'rise to a tenth of the peak: crisp / calm cues, max',
      value: `${Math.max(...onsets.filter((o) => !o.calm).map((o) => o.rise)).toFixed(1)} / ${Math.max(...onsets.filter((o) => o.calm).map((o) => o.rise)).toFixed(1)} ms`,
    },
    {
      name: `start cues, once sound is on, put on the audio clock against their time, p50 / p99 / max (${String(errors.length)})`,
      value: `${[0.5, 0.99, 1].map((q) => quantile(errors, q).toFixed(1)).join(' / ')} ms`,
      limit: over(quantile(errors, 0.99), 5),
    },
  );
  return rows;
}
