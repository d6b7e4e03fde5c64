// A captain's evening without a mouse: nothing here clicks.
import { expect, type Page, test } from '@playwright/test';

/** Presses Tab until what has the focus is called so; fails when the focus falls to the page itself or goes round without it. */
async function tabTo(page: Page, name: RegExp, role = '', most = 90): Promise<void> {
  const seen: string[] = [];
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const here = await page.evaluate((role) => {
      const el = document.activeElement;
      if (!el || el === document.body) return null;
      const labelled = el.id ? document.querySelector(`label[for="${CSS.escape(el.id)}"]`)?.textContent : '';
      if (role !== '' && el.getAttribute('role') !== role) return '';
      return (el.getAttribute('aria-label') ?? (labelled || el.textContent) ?? '').trim();
    }, role);
    if (here !== null && name.test(here)) return;
    seen.push((here ?? 'the page').slice(0, 40));
  }
  throw new Error(`Tab does not come to ${name}; it came to: ${seen.join(' | ')}`);
}

/** Opens the list that has the focus, goes to an entry by its first letter and takes it. */
async function takeByLetter(page: Page, letter: string, name: string): Promise<void> {
  await page.keyboard.press('Enter');
  const option = page.getByRole('option', { name, exact: true });
  await expect(option).toBeVisible();
  await expect(page.locator('[role=option]:focus')).toHaveCount(1);
  await page.keyboard.press(letter);
  await expect(option).toBeFocused();
  await page.keyboard.press('Enter');
}

const heading = (page: Page, name: RegExp) => expect(page.getByRole('heading', { level: 1, name })).toBeVisible({ timeout: 30_000 });

test('a captain signs in, looks at the water, adds a reading, lays and saves a day and reads the brief by keys alone', async ({ page }) => {
  await page.goto('/sign-in');
  await expect(page.getByRole('button', { name: /Tobias Wend/ })).toBeVisible();
  await tabTo(page, /Tobias Wend/);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Password')).not.toHaveValue('');
  await page.keyboard.press('Shift+Tab');
  for (let i = 0; i < 12; i++) {
    if (await page.evaluate(() => document.activeElement?.textContent === 'Sign in')) break;
    await page.keyboard.press('Shift+Tab');
  }
  await page.keyboard.press('Enter');
  await heading(page, /Tonight and/);

  // Past the rail by the link that comes first.
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'To the screen' })).toBeFocused();
  await page.keyboard.press('Enter');
  expect(await page.evaluate(() => document.activeElement?.id)).toBe('screen');

  await page.keyboard.press('g');
  await page.keyboard.press('w');
  await heading(page, /Hollin Sound/);
  await tabTo(page, /^Changed$/);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: /Where it warms first/ })).toBeVisible();
  await page.keyboard.press('n');
  const what = page.getByRole('combobox', { name: 'What' });
  await expect(what).toBeVisible();
  await tabTo(page, /^What$/);
  await takeByLetter(page, 'w', 'Water temperature');
  await expect(what).toHaveText('Water temperature');
  await tabTo(page, /^Value, °C/);
  await page.keyboard.type('14,5');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Water temperature 14.5 °C is stored.')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.keyboard.press('g');
  await page.keyboard.press('p');
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('s');
  await expect(page.locator('g[data-leg]').first()).toBeVisible({ timeout: 30_000 });
  await tabTo(page, /^Save plan$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Plan \d+ saved/)).toBeVisible({ timeout: 30_000 });

  await page.keyboard.press('Control+k');
  await page.keyboard.type('brief');
  await page.keyboard.press('Enter');
  await heading(page, /Brief for/);
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await page.keyboard.press('l');
  await heading(page, /^Log$/);
  await tabTo(page, /^Water$/, 'combobox');
  await takeByLetter(page, 'h', 'Hollin Sound');
  await expect(page).toHaveURL(/waterId=/);
});
