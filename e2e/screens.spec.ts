import { expect, test } from '@playwright/test';
import { expectAccessible, rows, signIn } from './helpers';

test('every desk screen opens by keys, without errors, and passes axe in every theme', async ({ page }) => {
  test.setTimeout(300_000);
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  await page.goto('/sign-in');
  await expect(page.getByRole('heading', { name: 'Bluffwind' })).toBeVisible();
  await expectAccessible(page);
  await signIn(page, 'Ilse Marrable');
  // Until then the page asks who it is and is told 401, which the browser notes.
  errors.length = 0;
  for (const theme of ['chalk', 'night', 'glare']) {
    await page.evaluate((t) => {
      document.documentElement.dataset.theme = t;
      localStorage.setItem('theme', t);
    }, theme);
    for (const [key, heading] of [
      ['b', /Tonight and/],
      ['a', /Week of/],
      ['w', /Hollin Sound, /],
      ['g', 'Hollin Sound'],
      ['p', /Second Kettle|Tern's Errand|Marrow/],
      ['e', /the day in hindsight/],
      ['f', /Fleet, /],
      ['t', 'Baits'],
      ['r', /Brief for/],
      ['l', 'Log'],
      ['c', 'Crew'],
    ] as const) {
      await page.keyboard.press('g');
      await page.keyboard.press(key);
      await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible({ timeout: 30_000 });
      await expect(page.locator('main [role=status]')).toHaveCount(0, { timeout: 30_000 });
      await expectAccessible(page, theme === 'chalk' ? 'all' : 'colours');
    }
  }
  expect(errors).toEqual([]);
});

test('the palette finds a screen and a trip', async ({ page }) => {
  await signIn(page, 'Ilse Marrable');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/^Screen, trip/).fill('plan marrow');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: /Marrow/ })).toBeVisible({ timeout: 30_000 });
});

test('a wrong password and a lost page say what to do', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill('tobias@greywether.example');
  await page.getByLabel('Password').fill('wrong');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('Wrong e-mail or password');
  await signIn(page, 'Tobias Wend');
  await page.goto('/trips/00000000-0000-4000-8000-000000000000');
  await expect(page.getByRole('alert')).toContainText('No such trip');
});

test('a reading typed in is stored and shown', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/water');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Hollin Sound');
  await page.keyboard.press('n');
  await page.getByLabel('Value, m').fill('1.9');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText('1.9 m seen')).toBeVisible();
});

test.describe('where a part of the application does not come', () => {
  test.use({ serviceWorkers: 'block' });
  test('Plan says that the spots could not be ranked, and ranks them when it is tried again', async ({ page }) => {
    await signIn(page, 'Ilse Marrable');
    await page.route(/plan\.worker/, (route) => route.abort());
    await page
      .getByRole('link', { name: /Second Kettle/ })
      .first()
      .click();
    await expect(page.getByRole('alert')).toContainText('could not be ranked', { timeout: 60_000 });
    await page.unroute(/plan\.worker/);
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 60_000 });
  });
  test('every screen that is refused its rows keeps a heading, and opens when it is tried again', async ({ page }) => {
    test.setTimeout(180_000);
    await signIn(page, 'Ilse Marrable');
    const [trip] = await rows<{ id: string }>(
      `select p.trip_id as id from plan p join boat b on b.outfit_id = p.outfit_id join trip t on t.id = p.trip_id and t.boat_id = b.id
       where b.name = 'Marrow' and t.status = 'planned' order by p.made_at desc limit 1`,
    );
    const ofTrip = trip ? ['', '/rigs', '/after', '/foretold'].map((more) => `/trips/${trip.id}${more}`).concat(`/deck/${trip.id}`) : [];
    for (const to of ['/water', '/grounds', '/log', '/calendar', '/baits', '/brief/2026-06-19', '/fleet/2026-06-19', ...ofTrip]) {
      await page.route(/\/api\/(?!me$|changes)/, (route) =>
        route.fulfill({ status: 500, contentType: 'application/problem+json', body: 'null' }),
      );
      await page.goto(to);
      const main = page.locator('main');
      await expect(main.getByText('The server failed'), to).toBeVisible({ timeout: 30_000 });
      await expect(main.getByRole('heading', { level: 1 }), to).toBeVisible();
      await page.unrouteAll({ behavior: 'ignoreErrors' });
      await main.getByRole('button', { name: 'Try again' }).first().focus();
      await page.keyboard.press('Enter');
      await expect(main.getByText('The server failed'), to).toHaveCount(0, { timeout: 30_000 });
      expect(await page.evaluate(() => document.activeElement?.tagName), to).not.toBe('BODY');
      await expect(main.getByRole('heading', { level: 1 }), to).toBeVisible();
    }
  });
  test('a screen whose code does not come says so in its place, and the others open', async ({ page }) => {
    await signIn(page, 'Ilse Marrable');
    await page.route(/assets\/Log-/, (route) => route.abort());
    await page.getByRole('link', { name: 'Log', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('could not be fetched');
    await page.getByRole('link', { name: 'To the Board', exact: true }).click();
    await expect(page.getByRole('heading', { name: /Tonight and/ })).toBeVisible();
  });
});
