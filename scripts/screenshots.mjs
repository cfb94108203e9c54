// npm run screenshots: one current picture of each main view, from demo data, into docs/screenshots. Needs a build.
import { mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { PLAINLY_PAINTED } from './chromium.mjs';
import { keepPlan, planOf } from './keep-plan.mjs';
import { driveClock, letPass, picturesSeen } from './page-clock.mjs';
import { serve } from './serve.mjs';

const OUT = 'docs/screenshots';
// Always the same evening, so that a picture changes only when its view does.
const EVENING = new Date('2026-11-25T19:10:00');

const { base, stop } = await serve();
const browser = await chromium.launch(PLAINLY_PAINTED);
mkdirSync(OUT, { recursive: true });
/** @type {Set<string>} */
const taken = new Set();

async function open({ width = 1280, height = 800, night = false } = {}) {
  const context = await browser.newContext({
    viewport: { width, height },
    colorScheme: night ? 'dark' : 'light',
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  await driveClock(page, { time: EVENING });
  return page;
}
async function snap(name, page) {
  await page.waitForTimeout(1500);
  // On a busy machine, a cue can flash for longer.
  await page.locator('[data-cue]:not([hidden])').waitFor({ state: 'detached' });
  await page.screenshot({ path: `${OUT}/${name}.png` });
  taken.add(`${name}.png`);
  console.log(name);
}
/** The last picture of a page. */
async function shoot(name, page) {
  await snap(name, page);
  await page.context().close();
}
async function today(page) {
  await page.goto(base);
  await page.locator('main img').first().waitFor();
}
async function start(page, stepsFromOne) {
  await today(page);
  // A bit of everything, whatever the months say.
  await page.getByRole('button', { name: 'No advice, please' }).click();
  await page.getByRole('slider').focus();
  await page.keyboard.press('Home');
  for (let i = 0; i < stepsFromOne; i++) await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: 'Start' }).click();
  await page.getByRole('timer').first().waitFor();
  await picturesSeen(page);
}
async function skipTo(page, words) {
  for (let i = 0; i < 99 && !(await page.getByText(words).first().isVisible()); i++) {
    await page.keyboard.press('ArrowRight');
    await page.waitForTimeout(80);
  }
}
/** A drawing of the demo learner's on the screen: what it is of, and its strokes, shares of its sheet. */
function shippedStrokes() {
  /** @type {{ sessionId: string, drawing: string, points: number[] }[]} */
  const all = JSON.parse(readFileSync('public/demo/strokes.json', 'utf8'));
  const own = all.filter(({ sessionId, drawing }) => sessionId === 'demo-28' && drawing === '1:0');
  return own.map(({ points }) =>
    Array.from({ length: points.length / 4 }, (_, i) => [
      points[4 * i] / 29_700,
      points[4 * i + 1] / 42_000,
      points[4 * i + 3] / 1000,
    ]),
  );
}
/** What they are of. */
const DRUMMER = 'figure/drummer-running/masc/-115/10/26';
const poseOf = (referenceId) => ({ referenceId, leadInMs: 1000, lookMs: 0, drawMs: 120_000, lookAgainMs: 0 });

/** Draw strokes on the sheet with a pen that knows pressure. */
async function drawn(page, strokes) {
  const cdp = await page.context().newCDPSession(page);
  const sheet = await page
    .getByRole('img', { name: /^Sheet 1: / })
    .locator('canvas')
    .first()
    .boundingBox();
  for (const stroke of strokes)
    for (const [i, [x, y, force]] of [...stroke, stroke[stroke.length - 1]].entries()) {
      const type = i === 0 ? 'mousePressed' : i === stroke.length ? 'mouseReleased' : 'mouseMoved';
      const at = { x: sheet.x + x * sheet.width, y: sheet.y + y * sheet.height };
      const buttons = type === 'mouseReleased' ? 0 : 1;
      await cdp.send('Input.dispatchMouseEvent', {
        type,
        ...at,
        button: 'left',
        buttons,
        pointerType: 'pen',
        force,
        clickCount: 1,
      });
    }
}
const TWENTY = 17;
const FORTY_FIVE = 22;

{
  const page = await open();
  await today(page);
  await shoot('today', page);
}
{
  const page = await open();
  await start(page, TWENTY);
  await skipTo(page, 'look more than draw');
  await page.getByRole('img', { name: /Reference:/ }).waitFor();
  await letPass(page, 9000);
  await shoot('run-pose', page);
}
{
  const page = await open();
  await start(page, TWENTY);
  await skipTo(page, 'eyes on the edge');
  await page.getByRole('img', { name: /Reference:/ }).waitFor();
  await letPass(page, 40_000);
  await shoot('run-blind-contour', page);
}
{
  const page = await open();
  await start(page, TWENTY);
  await skipTo(page, 'look more than draw');
  await page.getByRole('img', { name: /Reference:/ }).waitFor();
  for (const key of ['v', 'v', 'd', 'q']) await page.keyboard.press(key);
  await page.getByRole('region', { name: 'Seeing aids' }).waitFor();
}
{
  const page = await open({ night: true });
  await start(page, FORTY_FIVE);
  await skipTo(page, 'Rest, then');
  await letPass(page, 26_000);
  await shoot('run-rest-night', page);
}
{
  const page = await open();
  await start(page, 0);
  await letPass(page, 20_000);
  await page.keyboard.press('Space');
  await letPass(page, 11_000);
  await page.keyboard.press('Space');
  await letPass(page, 60_000);
  await page.waitForURL(/after/);
  await page.getByLabel('One line for later').fill('The bell-ringer leans further than I dared.');
  await shoot('after', page);
}
{
  const page = await open();
  await page.goto(`${base}/journal/again`);
  // Her pages come in one after another, and what is read again is read a moment later.
  const now = page.getByRole('img', { name: /^Now: / });
  const straightened = async () => (await now.isVisible()) && (await page.locator('main .skeleton').count()) === 0;
  for (let i = 0; i < 240 && !(await straightened()); i++) {
    await letPass(page, 500);
    await page.waitForTimeout(500);
  }
  await now.waitFor();
  await shoot('again', page);
}
for (const [name, path, last] of [
  ['journal', '/journal', 'ul[aria-label="Poses drawn"] li:last-child img'],
  ['months', '/journal/months', 'tfoot'],
  ['habits', '/journal/habits', '#lessons'],
  ['poses', '/poses', 'main img'],
]) {
  const page = await open();
  await page.goto(base + path);
  // What comes last is there, however slow the machine.
  await page.locator(last).first().waitFor();
  await shoot(name, page);
}
{
  const page = await open();
  await page.goto(`${base}/poses/figure?id=${encodeURIComponent('figure/bell-ringer-waiting/stocky/30/6/26')}`);
  await page.getByText(/^The action line is/).waitFor({ timeout: 60_000 });
  for (const key of '13j') await page.keyboard.press(key);
  await page.getByRole('button', { name: 'Move the head' }).waitFor();
  await shoot('figure', page);
}
{
  const page = await open();
  await page.goto(`${base}/plan`);
  await page.getByRole('combobox', { name: 'What you are after' }).selectOption('proportion');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await page.getByRole('option', { name: /^Structural gesture/ }).click({ position: { x: 14, y: 30 } });
  await shoot('plan', page);
}
{
  const page = await open();
  await page.goto(`${base}/handbook`);
  await page.locator('article img').first().waitFor();
  await shoot('handbook', page);
}
{
  const page = await open();
  await page.goto(`${base}/poses?set=library`);
  const figures = readdirSync('public/figures').filter((name) => name.endsWith('.webp'));
  await page.getByLabel('Choose pictures').setInputFiles(figures.map((name) => `public/figures/${name}`));
  await page.getByText(`${figures.length} pictures added.`).waitFor();
  await page.getByRole('button', { name: 'Good' }).click();
  await page.getByText('Finding poses in your pictures').waitFor();
  await page.getByText('Finding poses in your pictures').waitFor({ state: 'hidden', timeout: 300_000 });
  await page.waitForTimeout(2500);
  await snap('library', page);
  await page.getByRole('list', { name: 'Pictures' }).getByRole('link', { name: 'stilt-walker-raising-a-pole' }).click();
  await page.getByRole('button', { name: 'Move its points' }).waitFor();
  for (const key of '1367') await page.keyboard.press(key);
  await page.waitForTimeout(600);
  await snap('picture', page);
}
{
  const page = await open();
  await today(page);
  await page.goto(`${base}/journal?session=demo-11`);
  await page.getByRole('link', { name: 'Page 1 on the desk' }).click();
  await page.getByRole('list', { name: 'Drawings on this sheet' }).waitFor();
  await page.getByRole('button', { name: 'Look at it closely' }).first().click();
  await page.getByRole('button', { name: 'Measure it' }).click();
  await page.getByRole('button', { name: /^crown, proposed/ }).waitFor();
  // What it was drawn from is made while the points are found.
  await page.getByAltText('What it was drawn from').waitFor({ timeout: 120_000 });
  await page.waitForFunction(() => [...document.images].every((one) => one.complete && one.naturalWidth > 0));
  await page.waitForTimeout(4000);
  await shoot('desk-measured', page);
}
{
  const page = await open();
  await today(page);
  await page.goto(`${base}/room`);
  await page.getByRole('radio', { name: /^this screen/ }).check();
  await page.waitForTimeout(800);
  await page.evaluate(
    keepPlan,
    planOf({ kind: 'poses', exercise: 'flowing-gesture', changeMs: 4000, poses: [poseOf(DRUMMER)] }),
  );
  await page.goto(`${base}/run`);
  await page.getByRole('img', { name: /Reference:/ }).waitFor();
  await letPass(page, 3000);
  await drawn(page, shippedStrokes());
  await letPass(page, 12_000);
  await shoot('run-sheet', page);
}
{
  const page = await open();
  await today(page);
  await page.goto(`${base}/journal?session=demo-28`);
  await page.getByRole('link', { name: 'Page 2 on the desk' }).waitFor();
  await page.goto(`${base}/desk/strokes?session=demo-28&drawing=1:0`);
  await page.getByLabel('Beside it').selectOption({ index: 2 });
  await page.getByText('The rest of what the strokes tell').click();
  await page.getByRole('img', { name: 'What it was drawn from' }).waitFor();
  await page.waitForTimeout(2500);
  await shoot('strokes', page);
}
{
  const page = await open();
  await today(page);
  await page.goto(`${base}/poses/group`);
  await page.getByRole('button', { name: 'New draft' }).click();
  for (const name of ['Bread-carrier walking', 'Bell-ringer waiting', 'Drummer running', 'Archer aiming']) {
    await page.getByRole('button', { name: 'Add a figure' }).click();
    await page.getByRole('dialog').getByLabel('Named').fill(name);
    await page.getByRole('dialog').getByRole('listitem').first().getByRole('button').click();
  }
  // Every member's own picture in place of its outline.
  await page.waitForFunction(() => document.querySelectorAll('main svg image').length === 4, undefined, {
    timeout: 120_000,
  });
  await page.waitForTimeout(1500);
  await shoot('group', page);
}
await browser.close();
stop();
// Only now: whoever breaks off keeps what was there.
for (const file of readdirSync(OUT)) if (!taken.has(file)) rmSync(`${OUT}/${file}`);
