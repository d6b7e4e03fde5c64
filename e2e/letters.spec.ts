// What goes out by mail, read at the mail server: a hand asked in, a forgotten password, a brief that is read as it went out.
import { expect, type Page, test } from '@playwright/test';
import { expectAccessible, lettersSoFar, makeTrip, signIn } from './helpers';

const HAND = 'sanne@greywether.example';
const TRIP = '019ee000-0000-7000-8000-00000000d001';

/** The link in the newest letter to somebody, without the address that it begins with. */
async function linkTo(address: string, subject: RegExp): Promise<string> {
  const find = async () => (await lettersSoFar()).filter((l) => l.to.includes(address) && subject.test(l.subject)).at(-1);
  await expect.poll(find, { timeout: 30_000 }).toBeTruthy();
  return /https?:\/\/[^/]+(\/\S+)/.exec((await find())?.text ?? '')?.[1] ?? '';
}
async function chooses(page: Page, password: string): Promise<void> {
  await page.getByLabel(/password/i).fill(password);
  await page.getByRole('button', { name: 'Come in', exact: true }).click();
  await expect(page.getByRole('heading', { name: /Tonight and/ })).toBeVisible({ timeout: 30_000 });
}

test('a hand is asked in by letter, forgets his password, and comes in again by another letter', async ({ page, browser }) => {
  await signIn(page, 'Runa Askeby');
  await page.goto('/crew');
  await page.getByRole('button', { name: 'Ask somebody in' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Sanne Okke');
  await page.getByLabel('E-mail, to sign in with').fill(HAND);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Ask them in' }).click();
  await expect(page.getByText('The letter to Sanne Okke is on its way.')).toBeVisible();
  // The owner is shown no link: the letter alone lets in.
  await expect(page.locator('[data-link]')).toHaveCount(0);

  const hand = await browser.newContext({ baseURL: process.env.BASE_URL, viewport: { width: 390, height: 844 } });
  const his = await hand.newPage();
  await his.goto(await linkTo(HAND, /^Come in to/));
  await chooses(his, 'an oar and a bucket');

  await hand.clearCookies();
  await his.goto('/sign-in');
  await expect(his.getByRole('button', { name: /Forgotten it/ })).toBeDisabled();
  await his.getByLabel('E-mail').fill(HAND);
  await his.getByRole('button', { name: 'Send me a link to a new password' }).click();
  await expect(his.getByRole('status')).toContainText('If there is an account');
  await expectAccessible(his);
  const link = await linkTo(HAND, /new password/);
  await his.goto(link);
  await expect(his.getByRole('heading', { name: 'A new password' })).toBeVisible();
  await chooses(his, 'two oars and a bucket');
  // It worked once.
  await hand.clearCookies();
  await his.goto('/sign-in');
  await his.goto(link);
  await expect(his.getByText(/does not hold|over|used/i).first()).toBeVisible();
  await hand.close();
});

test('a brief goes out with the captain’s words, stays as it went out when the day is changed, and says what has changed', async ({
  page,
}) => {
  const { day } = await makeTrip(page, { id: TRIP, inDays: 9, boat: "Tern's Errand", captain: 'Tobias Wend', mate: 'Nell Quarrie' });
  await page.goto(`/brief/${day}`);
  await expect(page.getByRole('heading', { name: /^Brief for/ })).toBeVisible({ timeout: 120_000 });
  await page.getByRole('button', { name: 'Write to everybody' }).click();
  await page.getByLabel('To everybody').fill('Ramp is slippery below the third ring.');
  // What is typed outlives a reload.
  await page.reload();
  await expect(page.getByLabel('To everybody')).toHaveValue('Ramp is slippery below the third ring.', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.locator('[data-words="To everybody"]')).toContainText('third ring', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Publish to crew' }).click();
  await expect(page.getByText('Nothing has changed since it went out.')).toBeVisible({ timeout: 120_000 });

  await page.locator('[data-words="To everybody"]').getByRole('button', { name: 'Change' }).click();
  await page.getByLabel('To everybody').fill('Ramp is dry again.');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Changed since it went out' })).toContainText('What is written to everybody has changed.', {
    timeout: 60_000,
  });
  await expectAccessible(page);
  await page.getByRole('radio', { name: /As it went out/ }).click();
  await expect(page.locator('[data-words="To everybody"]')).toContainText('third ring', { timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Change' })).toHaveCount(0);

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF' }).click();
  expect((await download).suggestedFilename()).toBe(`brief-${day}.pdf`);

  await page.getByRole('button', { name: 'I have read it' }).click();
  await expect(page.getByText('Read by Runa')).toHaveCount(0);
  await expect(page.getByText('Marked as read by you.')).toBeVisible();
});
