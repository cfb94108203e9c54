import { expect, type Page, test } from '@playwright/test';

/** Tab until the focused element has this accessible text. */
async function tabTo(page: Page, text: RegExp): Promise<void> {
  for (let i = 0; i < 60; i++) {
    await page.keyboard.press('Tab');
    const focused = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement | null;
      return e ? (e.getAttribute('aria-label') ?? e.textContent ?? '') : '';
    });
    if (text.test(focused)) return;
  }
  throw new Error(`never reached ${String(text)} by Tab`);
}

test('the whole evening by keys alone', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Why this plan:')).toBeVisible();
  await tabTo(page, /How long have you got/);
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/\d poses, /)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/run/);
  await page.keyboard.press('PageDown');
  await expect(page.getByText(/pose 1 of \d+, /)).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByText('On hold', { exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  await page.keyboard.press('PageDown');
  await page.keyboard.press('PageUp');
  await expect(page.getByText(/pose 1 of \d+, /)).toBeVisible();
  await page.keyboard.press('x');
  await page.keyboard.press('x');
  await expect(page).toHaveURL(/\/after/);
  await expect(page.getByRole('link', { name: 'To the journal' })).toBeVisible();
  await tabTo(page, /To the journal/);
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-sum]')).toHaveCount(7);
  // The demo learner's evenings stand back, and can be looked at.
  await tabTo(page, /Look at hers/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: '40 sessions of Wren Halloran’s' })).toBeVisible();
  await tabTo(page, /The one before/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'The one after' })).toBeVisible();
});

test('a figure is opened, turned, read and left by keys', async ({ page }) => {
  await page.goto('/poses');
  await expect(page.getByRole('link', { name: /Bell-ringer waiting/ }).first()).toBeVisible();
  await tabTo(page, /Bell-ringer waiting/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Bell-ringer waiting' })).toBeVisible();
  await expect(page.getByText(/^The action line is/)).toBeVisible();
  const address = page.url();
  await page.keyboard.press('ArrowLeft');
  await expect(page).not.toHaveURL(address);
  await page.keyboard.press('4');
  await expect(page.getByRole('checkbox', { name: 'Landmarks' })).toBeChecked();
  await expect(page.getByText('navel')).toBeVisible();
  await page.keyboard.press('m');
  await expect(page).toHaveURL(/~m/);
  await expect(page.getByRole('checkbox', { name: 'Landmarks' })).toBeChecked();
  await page.goBack();
  await expect(page.getByRole('link', { name: /Bell-ringer waiting/ }).first()).toBeVisible();
});

test('a set is made by keys', async ({ page }) => {
  await page.goto('/poses');
  await tabTo(page, /New set/);
  await page.keyboard.press('Enter');
  await page.keyboard.type('Hands');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the set')).toHaveValue('Hands');
});
