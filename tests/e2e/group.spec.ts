import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import { expect, type Page, test } from '@playwright/test';
import sharp from 'sharp';
import { kept, stored } from './steps';

async function add(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a figure' }).click();
  const dialog = page.getByRole('dialog', { name: 'One more for the group' });
  await dialog.getByLabel('Named').fill(name);
  await dialog.getByRole('listitem').first().getByRole('button').click();
  await expect(dialog).toBeHidden();
}

test('several figures on one sheet: moved, ordered, looked at, taken out, drawn', async ({ page }) => {
  await page.goto('/poses');
  await page.getByRole('link', { name: 'Several figures' }).click();
  await page.getByRole('button', { name: 'New draft' }).click();
  await add(page, 'Bread-carrier walking');
  await add(page, 'Bell-ringer waiting');
  const sheet = page.getByRole('group', { name: 'The group on its sheet' });
  const first = sheet.getByRole('button', { name: /^1, bread-carrier walking/ });
  const second = sheet.getByRole('button', { name: /^2, bell-ringer waiting/ });
  await expect(second).toBeVisible();
  const found = page.getByRole('region', { name: 'What was found' });
  await expect(found).toContainText('Largest empty circle');
  // By keys behind the one in front: a joint is lost. By the pointer away again.
  await second.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(found).toContainText('1 pair of 1 loses a joint or a hand.');
  const [from, all] = [(await first.locator('path').last().boundingBox())!, (await sheet.boundingBox())!];
  await page.mouse.move(from.x + from.width * 0.55, from.y + from.height * 0.35);
  await page.mouse.down();
  await page.mouse.move(all.x + all.width * 0.85, from.y + from.height * 0.35, { steps: 4 });
  await page.mouse.up();
  await expect(found).not.toContainText('loses a joint');
  await expect(found).toContainText('Pair by pair, 1 pair');
  await page.keyboard.press('Control+z');
  await expect(found).toContainText('1 pair of 1 loses a joint or a hand.');
  await page.getByRole('button', { name: 'Undo' }).click();
  // Slid in one go, the eye level is one step.
  const eyeLevel = page.getByRole('slider', { name: 'Eye level' });
  const level = await eyeLevel.inputValue();
  await eyeLevel.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await expect(eyeLevel).not.toHaveValue(level);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(eyeLevel).toHaveValue(level);
  // Another order covers otherwise and changes no size.
  const sizes = () => page.locator('ol > li .tabular-nums.text-quiet').allTextContents();
  const before = (await sizes()).map((words) => words.split(',')[0]).sort();
  await page.getByRole('button', { name: /^2, bell-ringer waiting.* one step to the front$/ }).click();
  await expect(first).toHaveCount(0);
  expect((await sizes()).map((words) => words.split(',')[0]).sort()).toEqual(before);
  await page.getByLabel('a giant').first().check();
  await expect(page.getByLabel('Times as large, number 1')).toHaveValue('1.6');
  await page.getByLabel('Named').fill('Market');
  await page.getByLabel('Among the 3 to show').check();
  await kept(page, 'groups', null, '"name":"Market"');
  // Kept once, it rests.
  await kept(page, 'groups', null, '"shown":true');
  await page.waitForTimeout(700);
  const resting = await stored(page, 'groups', null);
  await page.waitForTimeout(1500);
  expect(await stored(page, 'groups', null)).toEqual(resting);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'To show it' }).click();
  const { width, height } = await sharp(await (await saved).path()).metadata();
  expect([width, height]).toEqual([2400, 1697]);
  await page.getByRole('button', { name: 'Another draft after it' }).click();
  const drafts = page.getByRole('region', { name: 'Drafts' });
  await expect(drafts.getByRole('listitem')).toHaveCount(2);
  await drafts.getByRole('button', { name: 'Only those to show' }).click();
  await expect(drafts.getByRole('listitem')).toHaveCount(1);
  await page.getByRole('button', { name: 'Keep it as a plan' }).click();
  await kept(page, 'plans', null, '"title":"Market');
  const { recipe } = ((await stored(page, 'plans', null)) as SavedPlan[]).find((one) =>
    one.recipe.title.startsWith('Market'),
  )!;
  expect(recipe.blocks.map((b) => b.kind === 'poses' && [b.source.kind, b.source.pins.length])[0]).toEqual([
    'pictures',
    2,
  ]);
  await page.getByRole('button', { name: 'Draw this group' }).click();
  await expect(page.getByText('pose 1 of 2, figure 1 from the front')).toBeVisible();
});
