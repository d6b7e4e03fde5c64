// What is a person's own: units, keys, and where he stands in the application.
import { expect, test } from '@playwright/test';
import { expectAccessible, signIn } from './helpers';

/** Figures that a sentence still carries with their kinds: nobody may see them so. */
const CARRIED = /\{[a-z]+#? -?\d/;
/** Figures of metric units and times of a clock of 24 hours, but for the names of baits. */
const METRIC = /\d (m\/s|km|hPa|°C|m³\/s)\b|\b(1[3-9]|2[0-3]):[0-5]\d\b/;

test('a captain who reads in feet, knots and pm sees nothing else, and what he types is stored as it was meant', async ({ page }) => {
  await signIn(page, 'Ilse Marrable');
  await page.goto('/settings');
  await page.getByRole('button', { name: 'All US' }).click();
  await expect(page.getByText(/such as 21 ft of water, wind 14 kn/)).toBeVisible();
  await expectAccessible(page);
  const { tomorrow } = await (await page.request.get('/api/board')).json();
  const { id } = tomorrow.find((t: { captain: { name: string } }) => t.captain.name === 'Ilse Marrable');
  for (const to of ['/', '/water', '/grounds', `/trips/${id}`, `/brief/${tomorrow[0].startsAt.slice(0, 10)}`, '/log', `/deck/${id}`]) {
    await page.goto(to);
    await expect(page.locator('main, [data-deck]').first()).toBeVisible();
    await expect(page.getByRole('status').filter({ hasText: /\.\.\.$/ })).toHaveCount(0, { timeout: 60_000 });
    const text = await page.locator('body').innerText();
    expect(text, to).not.toMatch(CARRIED);
    expect(text.match(METRIC)?.[0] ?? '', to).toBe('');
  }
  await page.goto('/water');
  await page.getByRole('button', { name: /Add a reading/ }).click();
  await page.getByLabel('Value, ft').fill('200');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('to 131.23 ft');
  await page.getByLabel('Value, ft').fill('6,6');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText(/6\.6 ft is stored/)).toBeVisible();
  await page.goto('/settings');
  await page.getByRole('button', { name: 'All metric' }).click();
  await expect(page.getByText(/such as 6.4 m of water/)).toBeVisible();
  await page.goto('/water');
  await expect(page.getByText('2.0 m seen')).toBeVisible();
});

test('single keys can be switched off; Ctrl K and the screens stay', async ({ page }) => {
  await signIn(page, 'Nell Quarrie');
  await page.goto('/settings');
  await page.getByLabel('Single keys do something').uncheck();
  await expect(page.getByLabel('Single keys do something')).not.toBeChecked();
  await page.goto('/water');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Hollin Sound');
  await page.keyboard.press('n');
  await page.keyboard.press('g');
  await page.keyboard.press('l');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/^Screen, trip/).fill('cold kettle');
  await expect(page.getByRole('option', { name: /Cold Kettle drain, Hollin Sound/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 2, name: 'Cold Kettle drain' })).toBeVisible();
  await page.goto('/settings');
  await page.getByLabel('Single keys do something').check();
  await expect(page.getByLabel('Single keys do something')).toBeChecked();
});

test('tab, spot and hour are in the address: a reload finds them, and Back returns', async ({ page }) => {
  await signIn(page, 'Nell Quarrie');
  await page.goto('/water');
  await page.getByRole('tab', { name: /Bars/ }).click();
  for (let i = 0; i < 3; i++) await page.keyboard.press('>');
  await expect(page).toHaveURL(/tab=passage&at=2026/);
  const at = await page.getByRole('slider', { name: 'Time' }).getAttribute('aria-valuenow');
  await page.reload();
  await expect(page.getByRole('tab', { name: /Bars/ })).toHaveAttribute('data-state', 'active');
  await expect(page.getByRole('slider', { name: 'Time' })).toHaveAttribute('aria-valuenow', String(at));

  await page.goto('/grounds');
  await page.locator('[data-spot="Cold Kettle drain"]').click();
  await expect(page.getByRole('heading', { level: 2, name: 'Cold Kettle drain' })).toBeVisible();
  await page.goBack();
  await expect(page.locator('[data-spot="Cold Kettle drain"]')).toBeVisible();
  await page.goForward();
  await expect(page.getByRole('heading', { level: 2, name: 'Cold Kettle drain' })).toBeVisible();
});

test('a word of the trade is explained beside it, and the chart is used by keys', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/water?tab=warmth');
  await page.getByRole('button', { name: 'What “warmth” means' }).click();
  await expect(page.getByText(/Dark, shallow ground/)).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');

  await page.goto('/grounds');
  await expect(page.getByRole('heading', { level: 1, name: 'Hollin Sound' })).toBeVisible();
  await page.keyboard.press('n');
  const { lat, lon } = (await (await page.request.get(`/api/waters/${await waterId(page)}/spots`)).json())[0];
  await page.getByLabel('Latitude, °').fill('47,x');
  await page.getByRole('button', { name: 'Set' }).click();
  await expect(page.getByRole('alert')).toContainText('Degrees with a fraction');
  await page.getByLabel('Latitude, °').fill(String(lat + 0.0004).replace('.', ','));
  await page.getByLabel('Longitude, °').fill(String(lon));
  await page.getByLabel('Longitude, °').press('Enter');
  await expect(page.getByRole('dialog').getByLabel('Latitude, °')).toHaveValue(new RegExp(`^${String(lat + 0.0004).slice(0, 8)}`));
  await page.getByRole('button', { name: 'Leave it' }).click();
  await page.locator('[data-chart]').focus();
  const scale = page.locator('.ol-scale-line-inner');
  const whole = await scale.innerText();
  for (let i = 0; i < 3; i++) await page.keyboard.press('+');
  await expect(scale).not.toHaveText(whole);
  await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: 'The whole water' }).click();
  await expect(scale).toHaveText(whole);
});

async function waterId(page: import('@playwright/test').Page): Promise<string> {
  const { waters } = await (await page.request.get('/api/outfit')).json();
  return waters.find((w: { name: string }) => w.name === 'Hollin Sound').id;
}
