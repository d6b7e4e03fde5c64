// The application as a crew starts it: nothing given but the checkout.
import { expect, test } from '@playwright/test';
import { endStart, killStart, ownStart } from './helpers';

test.describe.configure({ timeout: 300_000 });
test.afterAll(() => endStart());

test('npm start without a database makes one of its own, which holds an outfit over a kill -9; the next stranger is asked for an invitation', async ({
  browser,
}) => {
  const { url } = await ownStart();
  const context = await browser.newContext({ baseURL: url });
  const page = await context.newPage();
  await page.goto('/');
  // Who looks round the demo comes back to what he has typed.
  await page.getByLabel('Your name').fill('Ode');
  const [demo] = await Promise.all([context.waitForEvent('page'), page.getByRole('link', { name: 'look round the demo' }).click()]);
  await expect(demo.getByRole('heading', { name: 'This is the demo' })).toBeVisible();
  await demo.close();
  await expect(page.getByLabel('Your name')).toHaveValue('Ode');
  await page.getByLabel('Name of the outfit').fill('Skerry Mornings');
  await page.getByLabel('Your name').fill('Ode Farran');
  await page.getByLabel('Your e-mail').fill('ode@skerry.example');
  await page.getByLabel('Password', { exact: true }).fill('early and by the tide');
  await page.getByRole('button', { name: 'Make the outfit' }).click();
  await expect(page.getByRole('heading', { name: /Tonight and/ })).toBeVisible();
  await killStart();
  const again = await ownStart();
  const later = await (await browser.newContext({ baseURL: again.url })).newPage();
  await later.goto('/begin');
  await expect(later.getByText(/by invitation only/)).toBeVisible();
  await later.goto('/sign-in');
  await later.getByLabel('E-mail').fill('ode@skerry.example');
  await later.getByLabel('Password').fill('early and by the tide');
  await later.getByRole('button', { name: 'Sign in' }).click();
  await expect(later.getByText(/Skerry Mornings/)).toBeVisible();
});
