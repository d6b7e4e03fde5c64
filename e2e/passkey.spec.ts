// Signing in by a passkey, with the browser's own virtual authenticator (W3C WebDriver extension of Web Authentication).
import { expect, type Page, test } from '@playwright/test';
import { expectAccessible, rows } from './helpers';

// A passkey needs a server with a name: this machine's own.
const named = (baseURL: string | undefined, path: string) => `${(baseURL ?? '').replace('127.0.0.1', 'localhost')}${path}`;

async function authenticator(page: Page) {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('WebAuthn.enable');
  const { authenticatorId } = await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  return {
    unlocked: (isUserVerified: boolean) => cdp.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified }),
  };
}

test('a device is added with the password, signs in without it, and opens nothing once it is taken away', async ({
  page,
  baseURL,
  context,
}) => {
  const device = await authenticator(page);
  await page.goto(named(baseURL, '/sign-in'));
  await page.getByRole('button', { name: /Oskar Thrane/ }).click();
  const password = await page.getByLabel('Password').inputValue();
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { name: /Tonight and/ })).toBeVisible();
  await page.goto(named(baseURL, '/settings'));
  await page.getByRole('button', { name: 'Add this device' }).click();
  await page.getByLabel('What you call this device').fill('Wheelhouse laptop');
  await page.getByLabel('Your password').fill('not my password');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('not your password').first()).toBeVisible();
  await page.getByLabel('Your password').fill(password);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('You can sign in by Wheelhouse laptop from now on.')).toBeVisible();

  await context.clearCookies();
  await page.goto(named(baseURL, '/sign-in'));
  // Not unlocked by its owner it says nothing, and the page stays.
  await device.unlocked(false);
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByRole('button', { name: 'Sign in with a passkey' })).toBeEnabled();
  await expect(page.getByRole('heading', { name: /Tonight and/ })).toHaveCount(0);
  await device.unlocked(true);
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByRole('heading', { name: /Tonight and/ })).toBeVisible();
  const [key] = await rows<{ used: boolean; counter: string }>(
    'select last_used_at is not null as used, counter from passkey where name = $1',
    ['Wheelhouse laptop'],
  );
  expect(key?.used).toBe(true);

  // The same answer sent again opens nothing: its challenge was taken.
  const replayed = await page.evaluate(async () => {
    const post = (path: string, body?: object) =>
      fetch(`/api${path}`, {
        method: 'POST',
        ...(body ? { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) } : {}),
      });
    const { options } = await (await post('/sign-in/passkey/begin')).json();
    const bytes = (s: string) => Uint8Array.from(atob(s.replace(/-/g, '+').replace(/_/g, '/')), (c) => c.charCodeAt(0));
    const text = (b: ArrayBuffer) =>
      btoa(String.fromCharCode(...new Uint8Array(b)))
        .replace(/\+/g, '-')
        .replace(/\//g, '_')
        .replace(/=+$/, '');
    const got = (await navigator.credentials.get({
      publicKey: { challenge: bytes(options.challenge), rpId: options.rpId, userVerification: 'required' },
    })) as PublicKeyCredential;
    const r = got.response as AuthenticatorAssertionResponse;
    const answer = {
      id: got.id,
      rawId: text(got.rawId),
      type: got.type,
      clientExtensionResults: {},
      response: { clientDataJSON: text(r.clientDataJSON), authenticatorData: text(r.authenticatorData), signature: text(r.signature) },
    };
    return [(await post('/sign-in/passkey', { answer })).status, (await post('/sign-in/passkey', { answer })).status];
  });
  expect(replayed).toEqual([200, 401]);

  await page.goto(named(baseURL, '/settings'));
  await page.getByRole('button', { name: 'Take away the passkey Wheelhouse laptop' }).click();
  await page.getByLabel('Your password').fill(password);
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(page.getByText('It opens nothing more here.')).toBeVisible();
  await context.clearCookies();
  await page.goto(named(baseURL, '/sign-in'));
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByText('That passkey does not hold')).toBeVisible();
});
