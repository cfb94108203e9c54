import { expect, test } from '@playwright/test';
import { png } from '../images';
import { openPlan, ribbon } from './steps';

test('a shared plan carries pictures that may be passed on; another browser takes them in when it says so', async ({
  page,
  browser,
}) => {
  await page.goto('/poses?set=library');
  const drawn = (name: string, tint: number) => ({
    name,
    mimeType: 'image/png',
    buffer: Buffer.from(png(60, 80, tint)),
  });
  await page.getByLabel('Choose pictures').setInputFiles([drawn('one.png', 40), drawn('two.png', 120)]);
  await expect(page.getByText('2 pictures added.')).toBeVisible();
  await page.getByRole('button', { name: 'my own' }).click();
  await page.getByRole('button', { name: 'Good' }).click();
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Begin from…' }).click();
  await page.getByRole('button', { name: /A spare minute/ }).click();
  await page.getByRole('combobox', { name: 'Set of pictures' }).selectOption({ label: 'All your pictures' });
  await page.getByRole('button', { name: 'Keep, print, share…' }).click();
  await expect(page.getByLabel(/^with 1 picture of your own that may be passed on/)).toBeChecked();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Share as a file' }).click();
  const saved = await saving;
  expect(saved.suggestedFilename()).toMatch(/plan\.zip$/);
  const file = await saved.path();
  await expect(page.getByText(/order and cues, and 1 picture of your own\./)).toBeVisible();

  const other = await browser.newPage();
  await openPlan(other);
  const open = async (): Promise<void> => {
    await other.getByRole('button', { name: 'Begin from…' }).click();
    await other.getByLabel('Plan file').setInputFiles(file);
  };
  await open();
  await other.getByRole('button', { name: 'Open without them' }).click();
  await expect(other.getByText(/1 picture of it is not in this browser/)).toBeVisible();
  await open();
  await expect(other.getByRole('group', { name: 'Pictures with the plan' })).toContainText(/brings 1 picture/);
  await other.getByRole('button', { name: 'Take them in and open' }).click();
  await expect(other.getByText(/with the same pictures in the same order/)).toBeVisible();
  await expect(ribbon(other).locator('img').first()).toBeVisible();
  // A second time they are here: nothing is asked.
  await open();
  await expect(other.getByText(/with the same pictures in the same order/)).toBeVisible();
  await other.goto('/poses?set=library');
  await expect(other.getByRole('list', { name: 'Pictures' }).getByRole('link')).toHaveCount(1);
});
