// Processor time of a run in which nothing happens but time, in the built app: all processes of the browser together.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { keepPlan, planOf } from '../keep-plan.mjs';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../chromium.mjs';
import { limited } from './row.mjs';

const MEASURED_MS = 20_000;
/** Ticks of /proc/pid/stat are hundredths of a second on every Linux that Chromium runs on. */
const TICKS_PER_S = 100;

/** What /proc says of a process: its parent, and the processor time it used, ticks; undefined when it has ended meanwhile. */
function statOf(pid) {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1).split(' ');
    return { parent: Number(fields[1]), ticks: Number(fields[11]) + Number(fields[12]) };
  } catch {
    return undefined;
  }
}

function commandOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    return '';
  }
}

/** Processor seconds used so far by a process and all that came of it. */
function cpuSeconds(pid) {
  const stats = readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map((name) => ({ pid: Number(name), ...statOf(name) }));
  const family = new Set([pid]);
  for (let grew = true; grew;) {
    grew = false;
    for (const one of stats)
      if (family.has(one.parent) && !family.has(one.pid)) {
        family.add(one.pid);
        grew = true;
      }
  }
  return stats.reduce((sum, one) => sum + (family.has(one.pid) ? (one.ticks ?? 0) : 0), 0) / TICKS_PER_S;
}

/** Cores used over a while. */
async function coresUsed(pid) {
  const before = cpuSeconds(pid);
  await sleep(MEASURED_MS);
  return (cpuSeconds(pid) - before) / (MEASURED_MS / 1000);
}

const FIGURES = ['figure/archer-lunging/muscular/-40/6/26', 'figure/bread-carrier-walking/stocky/65/10/26'];
const pose = (referenceId, drawMs) => ({ referenceId, leadInMs: 0, lookMs: 0, drawMs, lookAgainMs: 0 });

/** Whether everything the run gets ready is there: nothing is rendered any more. */
async function settled(pid) {
  for (let quiet = 0, last = cpuSeconds(pid), i = 0; quiet < 3 && i < 90; i++) {
    await sleep(2000);
    const now = cpuSeconds(pid);
    quiet = now - last < 1 ? quiet + 1 : 0;
    last = now;
  }
}

/** A browser whose processes are known: a child of this one, by the profile it was given. */
async function browse(task) {
  const profile = mkdtempSync(join(tmpdir(), 'fox-bench-'));
  const context = await chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    viewport: { width: 1280, height: 800 },
  });
  const pid = readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map(Number)
    .find((id) => commandOf(id).includes(profile) && !commandOf(id).includes('--type='));
  const measured = await task(context.pages()[0] ?? (await context.newPage()), pid);
  await context.close();
  rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
  return measured;
}

/** How often the edge of a run moves. */
const STEPS_PER_S = 5;

/** Cores used by a page that shows a picture as large as a run's, and maybe a speck that moves: what this machine takes for that alone. */
async function emptyPage(base, stepsPerS) {
  return browse(async (page, pid) => {
    await page.goto(`${base}/figures/archer-tired-on-a-crate-masc-40.webp`);
    await page.evaluate(async (steps) => {
      const picture = document.querySelector('img');
      await picture.decode();
      document.body.innerHTML =
        '<canvas width="662" height="800" style="width:546px;height:660px"></canvas>' +
        '<div style="position:absolute;top:9px;left:9px;width:9px;height:9px;background:red;will-change:transform"></div>';
      document.querySelector('canvas').getContext('2d').drawImage(picture, 0, 0, 662, 800);
      window.addEventListener('gamepadconnected', () => undefined);
      let x = 0;
      if (steps > 0)
        setInterval(() => (document.querySelector('div').style.transform = `translate(${++x}px)`), 1000 / steps);
    }, stepsPerS);
    await sleep(3000);
    return coresUsed(pid);
  });
}

async function run(base, poses, task) {
  return browse(async (page, pid) => {
    await page.goto(base);
    await page.getByText('Why this plan:').waitFor();
    await page.evaluate(keepPlan, planOf({ kind: 'poses', exercise: 'new-medium', changeMs: 0, poses }));
    await page.goto(`${base}/run`);
    await page.locator('main canvas[aria-hidden=false]').waitFor();
    return task(page, pid);
  });
}

/** Cores used by a minute's pose, with the clock put away, on hold, and while the pictures of a long session are made ready. */
export async function quietRows(base) {
  // Twice each, and the least of them: whatever else this machine does only ever adds to it.
  const rounds = [];
  for (let round = 0; round < 2; round++) {
    const [drawing, away, held] = await run(
      base,
      FIGURES.map((id) => pose(id, 60_000)),
      async (page, pid) => {
        // On hold until everything is ready, then from the beginning.
        await page.keyboard.press(' ');
        await settled(pid);
        const from = async (...keys) => {
          for (const key of keys) await page.keyboard.press(key);
          await sleep(1500);
          return coresUsed(pid);
        };
        const seen = await from(' ', 'r');
        await page.getByRole('timer').waitFor();
        return [seen, await from('c', 'c', 'r'), await from(' ')];
      },
    );
    rounds.push({
      drawing,
      away,
      held,
      still: await emptyPage(base, 0),
      moving: await emptyPage(base, STEPS_PER_S),
    });
  }
  const least = (name) => Math.min(...rounds.map((round) => round[name]));
  const [drawing, away, held, still, moving] = ['drawing', 'away', 'held', 'still', 'moving'].map(least);
  const many = Array.from({ length: 40 }, (_, i) =>
    pose(`figure/archer-lunging/muscular/${i * 4 - 80}/${i % 9}/26`, 60_000),
  );
  const preparing = await run(base, many, async (_, pid) => coresUsed(pid));
  const row = (name, cores, most) =>
    most === undefined ? { name, value: cores.toFixed(3) } : limited(name, cores.toFixed(3), cores, most, 'cores');
  // What the machine takes for an empty page is not the run's; what a run takes beyond it is.
  return [
    row('cores used by a page that shows one such picture and listens for pedals, 20 s', still),
    row(`the same with a speck that moves ${STEPS_PER_S} times a second`, moving),
    row('cores used by a pose of a minute, 20 s', drawing, moving + 0.1),
    row('the same with the clock put away', away, still + 0.03),
    row('the same on hold', held, still + 0.01),
    row('the same while the first pictures of forty poses are being made', preparing),
  ];
}
