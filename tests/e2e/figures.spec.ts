import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import extract from 'png-chunks-extract';
import text from 'png-chunk-text';
import { kept } from './steps';

const open = (page: Page, id: string) => page.goto(`/poses/figure?id=${encodeURIComponent(id)}`);
const longest = (page: Page) =>
  page
    .getByRole('main')
    .locator('img')
    .evaluate((i: HTMLImageElement) => Math.max(i.naturalWidth, i.naturalHeight));
const DRAFT = 'A draft; the finished picture follows.';
const draft = (page: Page) => page.getByText(DRAFT);

async function saved(page: Page, press: () => Promise<void>): Promise<{ name: string; bytes: Buffer }> {
  const [download] = await Promise.all([page.waitForEvent('download'), press()]);
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
}

test('a figure is turned: a draft at once, then the finished picture, kept, and drawn from', async ({ page }) => {
  await open(page, 'figure/net-mender-kneeling/lean/35/6/26');
  await expect(page.getByRole('heading', { name: 'Net-mender kneeling' })).toBeVisible();
  await expect(draft(page)).toBeVisible();
  await expect(draft(page)).toHaveCount(0);
  expect(await longest(page)).toBe(1200);
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/110%2F28/);
  await expect(draft(page)).toBeVisible();
  // Back and forth: the second time there is no draft of the first view.
  await page.addInitScript((words) => {
    new MutationObserver(() => {
      if (document.body.innerText.includes(words)) document.documentElement.dataset['sawDraft'] = 'yes';
    }).observe(document, { childList: true, subtree: true, characterData: true });
  }, DRAFT);
  await open(page, 'figure/net-mender-kneeling/lean/35/6/26');
  await expect.poll(() => longest(page)).toBe(1200);
  await expect(page.locator('html')).not.toHaveAttribute('data-saw-draft');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('html')).toHaveAttribute('data-saw-draft');
  await page.getByRole('button', { name: '30 s' }).click();
  await page.waitForURL('/run');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('pose 1 of 1, net-mender kneeling')).toBeVisible();
  await expect(page.getByRole('img', { name: 'Reference: Net-mender kneeling' })).toBeVisible();
});

test('light, build and layers change the picture and are remembered', async ({ page }) => {
  await open(page, 'figure/bell-ringer-waiting/stocky/30/6/26');
  await expect(page.getByText(/^The action line is/)).toBeVisible();
  const image = page.getByRole('main').locator('img');
  const before = await image.getAttribute('src');
  await page.getByRole('radio', { name: 'from behind it', exact: true }).click();
  await page.getByRole('radio', { name: 'Plaster' }).click();
  await expect(image).not.toHaveAttribute('src', before ?? '');
  await page.getByLabel('How the picture is seen').selectOption('In 3 values');
  await expect(image).toHaveCSS('filter', 'url("#seen-values-3")');
  await page.getByLabel('Build of the figure').selectOption('Slight woman, twenties');
  await expect(page).toHaveURL(/slight/);
  await page.keyboard.press('7');
  await expect(page.getByRole('checkbox', { name: 'Envelope' })).toBeChecked();
  await kept(page, 'settings', 'figurePage', 'envelope');
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Plaster' })).toBeChecked();
  await expect(page.getByRole('radio', { name: 'from behind it', exact: true })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'Envelope' })).toBeChecked();
  await expect(page.getByLabel('How the picture is seen')).toHaveValue('values-3');
  await expect(page.locator('[data-layer=envelope]')).toBeVisible();
});

test('picture, answer key and model are taken out', async ({ page }) => {
  await open(page, 'figure/bell-ringer-waiting/stocky/30/6/26');
  await expect(page.getByText(/^The action line is/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Answer key (SVG)' })).toBeDisabled();
  for (const key of '123') await page.keyboard.press(key);
  await expect(page.locator('[data-layer=tilts]')).toBeVisible();

  const png = await saved(page, () => page.getByRole('button', { name: 'Picture (PNG)' }).click());
  expect(png.name).toBe('bell-ringer-waiting.png');
  const [chunk] = extract(png.bytes).filter(({ name }) => name === 'tEXt');
  const { keyword, text: content } = text.decode(chunk.data);
  expect(keyword).toBe('fox-minute-figure');
  expect(JSON.parse(content)).toMatchObject({
    reference: 'figure/bell-ringer-waiting/stocky/30/6/26',
    pose: { ik: {} },
  });

  const svg = await saved(page, () => page.getByRole('button', { name: 'Answer key (SVG)' }).click());
  const markup = svg.bytes.toString();
  expect(svg.name).toBe('bell-ringer-waiting-answer-key.svg');
  expect(markup).toContain('data-layer="tilts"');
  expect(markup).toMatch(/stroke="#[0-9a-f]{6}"/i);
  expect(markup).not.toContain('var(');
  // Letters are outlines, and none stands out over the page.
  expect(markup).not.toContain('<text');
  const outside = await page.evaluate((source) => {
    const holder = document.createElement('div');
    holder.innerHTML = source;
    document.body.append(holder);
    const svg = holder.querySelector('svg') as SVGSVGElement;
    const { x, width, height } = svg.viewBox.baseVal;
    const labels = [...svg.querySelectorAll('path[aria-label]')] as SVGPathElement[];
    const out = labels.filter((label) => {
      const box = label.getBBox();
      return box.x < x || box.y < 0 || box.x + box.width > x + width || box.y + box.height > height;
    });
    holder.remove();
    return { labels: labels.length, out: out.length };
  }, markup);
  expect(outside.labels).toBeGreaterThan(1);
  expect(outside.out).toBe(0);

  // Dropped where pictures are taken, it is the figure again.
  await page.goto('/poses?set=library');
  await page.getByLabel('Choose pictures').setInputFiles({ name: png.name, mimeType: 'image/png', buffer: png.bytes });
  await expect(page.getByText(/holds a figure/)).toBeVisible();
  await page.getByRole('button', { name: /Figures from files/ }).click();
  await expect(page.getByRole('link', { name: /Bell-ringer waiting/i })).toBeVisible();
  await page.goBack();
  await page.goto('/poses/figure?id=figure%2Fbell-ringer-waiting%2Fstocky%2F30%2F6%2F26');
  await expect(page.getByText(/^The action line is/)).toBeVisible();

  // On paper it is one page.
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);

  const glb = await saved(page, () => page.getByRole('button', { name: 'Model (glTF)' }).click());
  expect(glb.bytes.subarray(0, 4).toString()).toBe('glTF');
  expect(glb.bytes.readUInt32LE(8)).toBe(glb.bytes.length);
});

test('covered figures only: every grid and page shows them so', async ({ page }) => {
  await page.goto('/poses');
  const first = page.getByRole('list', { name: 'Lantern pageant figures' }).locator('img').first();
  await expect(first).toHaveAttribute('src', /\/figures\/small\//);
  await page.getByRole('checkbox', { name: 'Covered figures only' }).click();
  await expect(first).toHaveAttribute('src', /\/figures\/covered\//);
  await page.reload();
  await expect(first).toHaveAttribute('src', /\/figures\/covered\//);
});

test('a family of poses is a set to practice from', async ({ page }) => {
  await page.goto('/poses');
  await page.getByRole('link', { name: 'reclining', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Figures reclining' }).getByRole('link')).toHaveCount(20);
  await page.getByRole('button', { name: 'Practice from this set' }).click();
  await expect(page.getByLabel('What to draw from')).toHaveValue('built-in/reclining');
  await expect(page.getByText('Why this plan:')).toBeVisible();
});

test('chance poses are rolled, kept as a set, taken out as JSON and put back in', async ({ page }) => {
  await page.goto('/poses?set=chance');
  const figures = page.getByRole('list', { name: 'Chance poses' }).getByRole('link');
  await expect(figures).toHaveCount(12);
  const first = await figures.first().textContent();
  await page.getByRole('button', { name: 'Another twelve' }).click();
  await expect(figures.first()).not.toHaveText(first ?? '');
  await page.getByRole('button', { name: 'Keep these as a set' }).click();
  await expect(page.getByLabel('Name of the set')).toHaveValue(/Chance poses \d+ to \d+/);
  const json = await saved(page, () => page.getByRole('button', { name: 'Poses as JSON' }).click());
  expect(JSON.parse(json.bytes.toString())).toMatchObject({ format: 'fox-minute-poses', version: 1 });
  await page.getByRole('button', { name: 'Poses from a file' }).click();
  await page
    .getByLabel(/A motion file/)
    .setInputFiles({ name: 'kept.json', mimeType: 'application/json', buffer: json.bytes });
  await expect(page.getByRole('button', { name: /Chance poses \d+ to \d+ 12 poses/ })).toHaveCount(2);
});

test('a walk and a throw become sets; a broken file is told by its line', async ({ page }) => {
  await page.goto('/poses');
  await page.getByRole('button', { name: 'Poses from a file' }).click();
  const chooser = page.getByLabel(/A motion file/);
  const walk = readFileSync('tests/fixtures/walk.bvh', 'utf8');
  const bvh = (name: string, content: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(content) });
  await chooser.setInputFiles(bvh('broken.bvh', walk.replace('OFFSET 0 12 0', 'OFFSET 0 twelve 0')));
  await expect(page.getByRole('alert').filter({ hasText: 'Line 8: “twelve” is not a number.' })).toBeVisible();
  await chooser.setInputFiles(bvh('notes.json', '{"a": 1}'));
  await expect(page.getByRole('alert').filter({ hasText: 'not a set of poses from this program' })).toBeVisible();
  // Names nobody could guess: the table asks for them.
  await chooser.setInputFiles(bvh('odd.bvh', walk.replaceAll('LeftLeg', 'Zapf')));
  await expect(page.getByText('Say which joints are: left knee')).toBeVisible();
  await page.getByLabel('left knee').selectOption('Zapf');
  await expect(page.getByText(/moments worth drawing/)).toBeVisible();
  for (const name of ['walk', 'throw']) {
    if (name === 'throw') await page.getByRole('button', { name: 'Poses from a file' }).click();
    await chooser.setInputFiles(`tests/fixtures/${name}.bvh`);
    await expect(page.getByText(/moments worth drawing, mutually different/)).toBeVisible();
    // The clip stands on the figure at once, not only when it is played: an empty plate would be a kilobyte.
    const preview = page.getByRole('img', { name: 'The figure at this moment' });
    await expect.poll(async () => (await preview.screenshot()).length).toBeGreaterThan(5000);
    await page.getByRole('button', { name: `Keep these as the set “${name}”` }).click();
    await expect(page.getByLabel('Name of the set')).toHaveValue(name);
    await expect(page.getByRole('list', { name: 'Figures' }).getByRole('link').first()).toBeVisible();
  }
  await page.getByRole('button', { name: 'Practice from this set' }).click();
  await expect(page.getByText('Why this plan:')).toBeVisible();
});

test('an address without a figure says so', async ({ page }) => {
  await page.goto('/poses/figure?id=figure/nobody');
  await expect(page.getByText('There is no figure at this address.')).toBeVisible();
  await open(page, 'figure/nobody/masc/0/6/26');
  await expect(page.getByRole('main').getByRole('alert')).toBeVisible();
});

test('a figure turns live under the hand, and the finished picture takes its place', async ({ page }) => {
  await open(page, 'figure/bell-ringer-waiting/stocky/30/6/26');
  await expect(draft(page)).toHaveCount(0);
  const plate = page.getByRole('main').locator('canvas');
  await expect(plate).toBeHidden();
  const box = (await plate.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 40, y, { steps: 4 });
  await expect(plate).toBeVisible();
  await page.mouse.move(x - 100, y, { steps: 4 });
  await page.mouse.up();
  await expect(page).toHaveURL(/stocky%2F70%2F6%2F26/);
  await expect(plate).toBeHidden({ timeout: 120_000 });
  await expect(draft(page)).toHaveCount(0);
  expect(await longest(page)).toBe(1200);
});

test('heads are a set of their own, with a key of their own', async ({ page }) => {
  await page.goto('/poses');
  await page.getByRole('link', { name: 'heads', exact: true }).click();
  const heads = page.getByRole('list', { name: 'Heads' }).getByRole('link');
  await expect(heads).toHaveCount(169);
  await heads.first().click();
  await expect(page.getByText(/^The head /)).toBeVisible();
  await page.keyboard.press('4');
  await expect(page.getByText('tip of the nose').first()).toBeVisible();
  await page.getByRole('radio', { name: 'Planes' }).click();
  await expect(draft(page)).toBeVisible();
  await expect(draft(page)).toHaveCount(0);
});

const handle = (page: Page, name: string) => page.getByRole('button', { name: `Move the ${name}` });
const middleOf = async (page: Page, name: string): Promise<{ x: number; y: number }> => {
  const box = (await handle(page, name).boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};

test('joints are moved by hand and by keys, undone, settled and kept as a pose of one’s own', async ({ page }) => {
  await open(page, 'figure/stilt-walker-at-rest/tall/25/6/26');
  await expect(page.getByText(/^The action line is/)).toBeVisible();
  await page.keyboard.press('j');
  await expect(handle(page, 'left hand')).toBeVisible();
  const from = await middleOf(page, 'left hand');
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y - 110, { steps: 5 });
  await page.mouse.up();
  await expect(page).toHaveURL(/moved\.stilt-walker-at-rest\./);
  await expect(page.getByRole('heading', { name: 'Stilt-walker at rest, moved' })).toBeVisible();
  const byHand = page.url();
  // The hand is about where it was dragged to, in a picture that is framed anew.
  await expect.poll(async () => (await middleOf(page, 'left hand')).y).toBeLessThan(from.y - 50);
  await handle(page, 'head').focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect.poll(() => page.url()).not.toBe(byHand);
  const byKeys = page.url();
  await page.keyboard.press('Control+z');
  await expect(page).toHaveURL(byHand);
  await page.getByRole('button', { name: 'Again' }).click();
  await expect(page).toHaveURL(byKeys);
  await page.getByRole('button', { name: 'Settle' }).click();
  await expect(page.getByText(/^It stands on/)).toBeVisible();
  await page.getByLabel('Keep it among your own poses as').fill('Waving');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Kept as “Waving” under Poses')).toBeVisible();
  await page.goto('/poses?set=own-poses');
  await expect(page.getByRole('link', { name: /Waving/ })).toBeVisible();
  await page.getByRole('link', { name: /Waving/ }).click();
  await expect(page).toHaveURL(/moved\.stilt-walker-at-rest\./);
  await page.getByRole('button', { name: '30 s' }).click();
  await page.waitForURL('/run');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('img', { name: /^Reference: / })).toBeVisible();
});

test('planes and solids lie over a figure, bones show as far as is wished, a suit covers it', async ({ page }) => {
  await open(page, 'figure/archer-turning/lean/20/6/26');
  await expect(page.getByText(/^The action line is/)).toBeVisible();
  await page.keyboard.press('s');
  const solids = page.locator('[data-layer=solids] path');
  await expect(solids).toHaveAttribute('d', /^M.+Z$/);
  await page.keyboard.press('s');
  await page.keyboard.press('p');
  await expect(page.locator('[data-layer=planes] path')).toHaveAttribute('d', /^M.+Z$/);
  const image = page.getByRole('main').locator('img');
  const shown = async (): Promise<string> => (await image.getAttribute('src')) ?? '';
  let before = await shown();
  await page.getByRole('slider', { name: /How much bones show/ }).press('End');
  await expect.poll(shown).not.toBe(before);
  before = await shown();
  await page.getByRole('checkbox', { name: 'In a close-fitting suit' }).check();
  await expect.poll(shown).not.toBe(before);
  await kept(page, 'settings', 'figurePage', '"suit":true');
  await page.reload();
  await expect(page.getByRole('checkbox', { name: 'In a close-fitting suit' })).toBeChecked();
  await expect(page.getByRole('slider', { name: /How much bones show/ })).toHaveValue('2');
});

test('a picture becomes a figure in its pose, to be seen from another side', async ({ page }) => {
  await page.goto('/poses?set=library');
  await page.getByLabel('Choose pictures').setInputFiles('public/figures/archer-sprinting-slight-70.webp');
  await page
    .getByRole('link', { name: /sprinting/ })
    .first()
    .click();
  const section = page.getByRole('region', { name: 'As a figure' });
  await expect(section).toBeVisible();
  const limb = section.getByRole('button', { name: /toward you|away from you/ }).first();
  const way = (await limb.textContent()) ?? '';
  await limb.click();
  const name = way.split(':')[0];
  const other = way.includes('toward you') ? 'away from you' : 'toward you';
  await expect(section.getByRole('button', { name: new RegExp(`^${name}: ${other}`) })).toBeVisible();
  await section.getByLabel('Whose body it has').selectOption('Slight woman, twenties');
  await section.getByRole('button', { name: 'Make a figure of it' }).click();
  await expect(page).toHaveURL(/seen\.[\w-]+%2Fslight%2F0%2F4%2F26/);
  await expect(page.getByRole('heading', { name: 'Pose from a picture' })).toBeVisible();
  await expect(page.getByText(/^The action line is/)).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page).toHaveURL(/slight%2F15%2F4%2F26/);
});
