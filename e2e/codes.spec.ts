// A code at sign-in and a key for a program: what keeps a stranger with a password out, and what lets a logger in.
import { execFile } from 'node:child_process';
import { createRequire } from 'node:module';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { expectAccessible, rows, signIn } from './helpers';

const OWNER = 'Ottoline Speck';
const codeNow = (secret: string): string => {
  const { Secret, TOTP } = createRequire(import.meta.url)('otpauth') as typeof import('otpauth');
  return new TOTP({ secret: Secret.fromBase32(secret), digits: 6, period: 30, algorithm: 'SHA1' }).generate();
};

test('who asks for it is asked for a code at sign-in, comes in by the one of now or by one on paper, and ends it again', async ({
  page,
}) => {
  await signIn(page, OWNER);
  const password = await page.evaluate(async () => (await (await fetch('/api/demo')).json()).password as string);
  await page.goto('/settings');
  const section = page.getByRole('region', { name: 'A code at sign-in' });
  await section.getByRole('button', { name: 'Ask me for a code' }).click();
  await page.getByLabel('Your password').fill('not this one');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('not your password').first()).toBeVisible();
  await page.getByLabel('Your password').fill(password);
  await page.getByRole('button', { name: 'Go on' }).click();
  const secret = await page.locator('[data-secret]').getAttribute('data-secret');
  await expect(page.getByRole('img', { name: 'Square to scan with an authenticator' })).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Six figures').fill(codeNow(secret ?? ''));
  await page.getByRole('button', { name: 'Ask me from now on' }).click();
  const written = page.locator('[data-code]');
  await expect(written).toHaveCount(10);
  await expectAccessible(page);
  const onPaper = (await written.first().textContent()) ?? '';
  await page.getByRole('button', { name: 'I have them' }).click();
  await expect(section).toContainText('Of the codes on paper 10 are left');

  // Elsewhere the password alone is not enough.
  await page.context().clearCookies();
  await page.goto('/sign-in');
  await page.getByRole('button', { name: new RegExp(OWNER) }).click();
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByLabel('Code', { exact: true })).toBeFocused();
  await page.getByLabel('Code', { exact: true }).fill('000000');
  await page.keyboard.press('Enter');
  await expect(page.getByText('That code does not hold')).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Code', { exact: true }).fill(onPaper);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Tonight and/ })).toBeVisible({ timeout: 30_000 });
  await page.goto('/settings');
  await expect(section).toContainText('9 are left');
  await section.getByRole('button', { name: 'Ask me for none' }).click();
  await page.getByLabel('Your password').fill(password);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(section.getByRole('button', { name: 'Ask me for a code' })).toBeVisible();
});

test('a program with a key stores its reading and reads the log, until the key is ended', async ({ page }) => {
  await signIn(page, OWNER);
  await page.goto('/crew?tab=more');
  const keys = page.getByRole('region', { name: 'Keys for programs' });
  await keys.getByRole('button', { name: 'Make a key' }).click();
  await page.getByLabel('What has it').fill('Logger on the pier');
  await page.getByLabel('store readings').check();
  await page.getByLabel('read the log').check();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Make it' }).click();
  const key = await page.getByLabel('Key', { exact: true }).inputValue();
  await page.getByRole('button', { name: 'I have it' }).click();
  await expect(keys.locator('[data-key="Logger on the pier"]')).toContainText('not used yet');

  const now = await page.evaluate(async () => (await (await fetch('/api/me')).json()).now as string);
  const logger = () =>
    promisify(execFile)(process.execPath, ['scripts/pier-logger.mjs', process.env.BASE_URL ?? '', 'clarityM', '1.7'], {
      env: { ...process.env, BLUFFWIND_KEY: key, BLUFFWIND_NOW: now },
    });
  expect((await logger()).stdout).toContain('clarityM 1.7 is stored');
  const [stored] = await rows<{ n: number }>(`select count(*)::int as n from reading where note = 'pier logger' and value = 1.7`);
  expect(stored?.n).toBe(1);
  await page.reload();
  await expect(keys.locator('[data-key="Logger on the pier"]')).toContainText('last used');
  await keys.getByRole('button', { name: 'End the key Logger on the pier' }).click();
  await page.getByRole('button', { name: 'End it', exact: true }).last().click();
  await expect(keys.locator('[data-key]')).toHaveCount(0);
  await expect(logger()).rejects.toMatchObject({ stderr: expect.stringContaining('Not signed in') });
});
