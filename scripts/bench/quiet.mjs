// Processor time of a run in which nothing happens but time, in the built app: all processes of the browser together.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { keepPlan, planOf } from '../keep-plan.mjs';
import { rawBrowser } from '../raw-browser.mjs';

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

async function run(base, poses, prepare) {
  const profile = mkdtempSync(join(tmpdir(), 'fox-bench-'));
  const browser = await rawBrowser(profile);
  const tab = await browser.open(`${base}/`);
  await tab.until(`document.body.innerText.includes('Why this plan:')`);
  const plan = planOf({ kind: 'poses', exercise: 'new-medium', changeMs: 0, poses });
  await tab.evaluate(`(${keepPlan})(${JSON.stringify(plan)})`);
  await tab.go(`${base}/run`);
  await tab.until(`document.querySelector('main canvas') !== null`);
  const measured = await prepare(tab, browser.pid);
  await browser.close();
  rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
  return measured;
}

/** Cores used by a minute's pose, with the clock put away, on hold, and while the pictures of a long session are made ready. */
export async function quietRows(base) {
  const [drawing, away, held] = await run(
    base,
    [pose(FIGURES[0], 60_000), pose(FIGURES[1], 60_000)],
    async (tab, pid) => {
      await settled(pid);
      await tab.key('r');
      await sleep(1500);
      const seen = await coresUsed(pid);
      await tab.key('c');
      await tab.key('c');
      await tab.key('r');
      await sleep(1500);
      const hidden = await coresUsed(pid);
      await tab.key(' ');
      await sleep(1500);
      return [seen, hidden, await coresUsed(pid)];
    },
  );
  const idle = await (async () => {
    const profile = mkdtempSync(join(tmpdir(), 'fox-bench-'));
    const browser = await rawBrowser(profile);
    await browser.open(`${base}/icon.svg`);
    await sleep(3000);
    const cores = await coresUsed(browser.pid);
    await browser.close();
    rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
    return cores;
  })();
  const many = Array.from({ length: 40 }, (_, i) =>
    pose(`figure/archer-lunging/muscular/${i * 4 - 80}/${i % 9}/26`, 60_000),
  );
  const busy = await run(base, many, async (_, pid) => coresUsed(pid));
  const row = (name, cores, limit) => ({
    name,
    value: cores.toFixed(3),
    limit: limit === undefined ? '' : `${limit}${cores > limit ? ' OVER' : ''}`,
  });
  return [
    row('cores used by an empty page, 20 s', idle),
    row('cores used by a pose of a minute, 20 s', drawing, 0.1),
    row('the same with the clock put away', away, 0.03),
    row('the same on hold', held, 0.01),
    row('the same while the first pictures of forty poses are being made', busy),
  ];
}
