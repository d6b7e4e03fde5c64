// The same screens on a phone: nothing runs out of the page, every place is in reach of a thumb, and a day is planned there.
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { afterStory, choose, expectAccessible, findSignal, loseSignal, signIn } from './helpers';

test.afterEach(({ browser, context }, { errors }) => afterStory({ browser, context }, errors.length > 0));

const PHONE = { width: 390, height: 844 };
test.use({ viewport: PHONE, hasTouch: true });

/** What stands over the right edge, or is cut off without saying so. */
async function outOfPage(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const name = (e: Element) => `${e.tagName.toLowerCase()} "${(e.textContent ?? '').trim().slice(0, 40)}"`;
    const scrolls = (e: Element | null): boolean =>
      e !== null && (/auto|scroll/.test(getComputedStyle(e).overflowX) || e.matches('.ol-viewport, .sr-only') || scrolls(e.parentElement));
    const found: string[] = [];
    if (document.documentElement.scrollWidth > window.innerWidth) found.push(`the page is ${document.documentElement.scrollWidth} wide`);
    for (const e of document.querySelectorAll('body *')) {
      const box = e.getBoundingClientRect();
      if (box.width === 0 || box.height === 0 || e.closest('svg')) continue;
      if (box.right > window.innerWidth + 1 && !scrolls(e.parentElement)) found.push(`over the edge: ${name(e)}`);
      const style = getComputedStyle(e);
      const ownText = [...e.childNodes].some((n) => n.nodeType === 3 && (n.textContent ?? '').trim() !== '');
      if (
        ownText &&
        style.overflowX === 'hidden' &&
        style.textOverflow !== 'ellipsis' &&
        e.scrollWidth > e.clientWidth + 1 &&
        !e.matches('.sr-only')
      )
        found.push(`cut off: ${name(e)}`);
    }
    return [...new Set(found)].slice(0, 8);
  });
}

async function routes(page: Page): Promise<string[]> {
  const { today, tomorrow } = await (await page.request.get('/api/board')).json();
  const trip = tomorrow[0].id;
  return [
    '/',
    '/water',
    '/grounds',
    `/trips/${trip}`,
    `/trips/${trip}/foretold`,
    `/trips/${trip}/rigs`,
    `/trips/${today[0].id}/after`,
    `/deck/${trip}`,
    '/fleet/2026-06-19',
    '/baits',
    '/brief/2026-06-19',
    '/log',
    '/log?show=rates',
    '/log?show=sizes',
    '/log?show=trials',
    '/gear',
    '/bench',
    '/calendar',
    '/settings',
    '/sign-in',
    '/begin',
    '/come-in',
    '/r/no-such-report',
    ...['people', 'boats', 'waters', 'clients', 'species', 'rules', 'more'].map((tab) => `/crew?tab=${tab}`),
  ];
}

/** The paths that the application knows, as its screens say them; a page that is not there is none of them. */
function pathsOfScreens(): string[] {
  const web = path.join(import.meta.dirname, '..', 'packages', 'web', 'src');
  const files = readdirSync(web, { recursive: true, encoding: 'utf8' }).filter((f) => /[fF]eature\.tsx$|^app.main\.tsx$/.test(f));
  const said = files.map((f) => readFileSync(path.join(web, f), 'utf8')).join('\n');
  return [...said.matchAll(/\bpath: '(\/[^']*)'/g)].flatMap(([, p]) => p ?? []);
}

/** Until a screen shows what it is about. */
async function shown(page: Page): Promise<void> {
  await expect(page.locator('main')).not.toContainText(/^(Opening|Reading|Comparing)[^.]* \.\.\.$/, { timeout: 60_000 });
  await expect(page.getByRole('heading').first()).toBeVisible({ timeout: 60_000 });
}

test('no screen runs over the edge at any width, and axe finds nothing on a phone', async ({ page }) => {
  test.setTimeout(480_000);
  await signIn(page, 'Runa');
  const all = await routes(page);
  const isOf = (known: string) => new RegExp(`^${known.replace(/:[^/]+/g, '[^/]+')}$`);
  const left = pathsOfScreens().filter((known) => !all.some((to) => isOf(known).test(to.split('?')[0] ?? '')));
  expect(left, 'screens that nobody looks at here').toEqual([]);
  for (const to of all) {
    await page.setViewportSize(PHONE);
    await page.goto(to);
    await shown(page);
    await page.waitForTimeout(600);
    await expectAccessible(page);
    for (const width of [320, 390, 768, 1280, 1920]) {
      await page.setViewportSize({ width, height: width < 700 ? 844 : 800 });
      await page.waitForTimeout(150);
      expect(await outOfPage(page), `${to} at ${width}`).toEqual([]);
    }
  }
});

test('a captain gets about by the bar and plans a trip by thumb', async ({ page }) => {
  await signIn(page, 'Ilse Marrable');
  const bar = page.getByRole('navigation', { name: 'Screens' });
  await bar.getByRole('link', { name: 'Water' }).tap();
  await expect(page.getByRole('heading', { level: 1, name: /Hollin Sound/ })).toBeVisible();
  await bar.getByRole('link', { name: 'Chart' }).tap();
  // The panel is pulled up over the chart and down again.
  const panel = page.getByRole('region', { name: 'Spots' }).first();
  await expect(panel).toHaveAttribute('data-pull', 'a third');
  const handle = page.getByRole('button', { name: /^Spots: a third/ });
  const at = await handle.boundingBox();
  if (!at) throw new Error('no handle');
  await page.mouse.move(at.x + at.width / 2, at.y + 10);
  await page.mouse.down();
  for (let i = 1; i <= 10; i++) await page.mouse.move(at.x + at.width / 2, at.y + 10 - i * 40);
  await page.mouse.up();
  await expect(panel).toHaveAttribute('data-pull', 'whole');
  await page.getByRole('button', { name: /^Spots: whole/ }).press('ArrowDown');
  await expect(panel).toHaveAttribute('data-pull', 'two thirds');

  await bar.getByRole('button', { name: 'More' }).tap();
  await page.getByRole('dialog').getByRole('link', { name: 'Log' }).tap();
  await expect(page.getByRole('heading', { level: 1, name: 'Log' })).toBeVisible();
  await page.getByRole('button', { name: 'Filter' }).tap();
  await choose(page, 'Water', 'Hollin Sound');
  await page.getByRole('button', { name: 'Show' }).tap();
  await page.getByRole('button', { name: /Hollin Sound: take this filter away/ }).tap();
  await expect(page).toHaveURL(/\/log$/);

  await page.goto('/');
  await page
    .getByRole('link', { name: /Second Kettle/ })
    .first()
    .tap();
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Lay the day' }).tap();
  await expect(page.locator('[data-day]')).toBeVisible({ timeout: 30_000 });
  // The ribbon shows the stops, then one lane after the other.
  await expect(page.locator('g[role=button]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Next lane' }).tap();
  await expect(page.locator('g[role=button]')).toHaveCount(0);
  await expect(page.getByText('Tide', { exact: true })).toBeVisible();
  await page.getByRole('tab', { name: 'Stops' }).tap();
  await expect(page.getByRole('tabpanel', { name: 'Stops' })).toBeVisible();
});

test('where one is signed in is seen and ended, and the owner sets how long notes are kept', async ({ page, browser }) => {
  const other = await browser.newContext({
    userAgent: 'Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 Chrome/126.0 Mobile Safari/537.36',
  });
  const second = await other.newPage();
  await signIn(second, 'Runa');
  await signIn(page, 'Runa');
  await page.goto('/crew?tab=more');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Sign out: Android phone, Chrome' }).first().tap();
  await expect(page.getByText('Signed out there.')).toBeVisible();
  await second.goto('/log');
  await expect(second.getByRole('button', { name: 'Sign in' })).toBeVisible();
  const days = page.getByLabel(/Keep them for/);
  await days.fill('0');
  await expect(page.getByRole('alert')).toContainText('from 1 to 3650');
  await days.fill('365');
  await page.getByRole('button', { name: 'Keep them so long' }).tap();
  await expect(page.getByText(/Medical notes go 365 days after/)).toBeVisible();
  await other.close();
});

test('after one sign-in the screens of the day open without a network, and say so', async ({ page, context }) => {
  await signIn(page, 'Ilse Marrable');
  const { tomorrow } = await (await page.request.get('/api/board')).json();
  const trip = tomorrow.find((t: { boat: { name: string } }) => t.boat.name === 'Second Kettle');
  // Nothing else is opened: what the day needs is taken along by itself.
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<string[]>((resolve, reject) => {
          const open = indexedDB.open('bluffwind-deck');
          open.onerror = () => reject(open.error);
          open.onsuccess = () => {
            const all = open.result.transaction('answers').objectStore('answers').getAll();
            all.onsuccess = () => {
              open.result.close();
              resolve(all.result.map((a: { key: string[] }) => a.key.slice(0, 2).join(' ')));
            };
          };
        }),
    );
  await expect.poll(kept, { timeout: 120_000 }).toContain(`brief ${trip.startsAt.slice(0, 10)}`);
  await expect.poll(kept).toContain(`desk ${trip.id}`);
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.waitForTimeout(1500);
  await loseSignal(context);
  await page.reload();
  await expect(page.getByRole('link', { name: /Second Kettle/ }).first()).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('[data-away]')).toBeVisible();
  const bar = page.getByRole('navigation', { name: 'Screens' });
  await bar.getByRole('link', { name: 'Water' }).tap();
  await expect(page.getByRole('heading', { level: 1, name: /Hollin Sound/ })).toBeVisible();
  await bar.getByRole('link', { name: 'Chart' }).tap();
  await expect(page.getByText(/\d+ spots/)).toBeVisible();
  await page.goto(`/trips/${trip.id}`);
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Lay the day' }).tap();
  await expect(page.locator('[data-day]')).toBeVisible({ timeout: 30_000 });
  // Left without being saved, and there again.
  const worth = await page.locator('[data-expected]').innerText();
  await page.reload();
  await expect(page.locator('[data-expected]')).toHaveText(worth, { timeout: 60_000 });
  await page.goto(`/brief/${trip.startsAt.slice(0, 10)}`);
  await expect(page.getByRole('heading', { name: /Brief for/ })).toBeVisible();
  await page.goto(`/deck/${trip.id}`);
  await expect(page.getByRole('button', { name: 'Begin the trip' })).toBeVisible();
  await page.goto('/log');
  await expect(page.getByRole('alert')).toContainText('No connection to the server');
  await findSignal(context);
  await page.goto('/');
  await expect(page.locator('[data-away]')).toHaveCount(0);
});

test('an entry made without a network leaves the phone when there is one, with no page of ours open', async ({ page, context }) => {
  await signIn(page, 'Oskar Thrane');
  const { tomorrow } = await (await page.request.get('/api/board')).json();
  const trip = tomorrow.find((t: { boat: { name: string } }) => t.boat.name === 'Marrow');
  await page.goto(`/deck/${trip.id}`);
  await expect(page.getByRole('button', { name: 'Begin the trip' })).toBeVisible({ timeout: 60_000 });
  await page.evaluate(() => navigator.serviceWorker.ready);
  const states = (on: Page) =>
    on.evaluate(
      () =>
        new Promise<string[]>((resolve, reject) => {
          const open = indexedDB.open('bluffwind-deck');
          open.onerror = () => reject(open.error);
          open.onsuccess = () => {
            const all = open.result.transaction('entries').objectStore('entries').getAll();
            all.onsuccess = () => {
              open.result.close();
              resolve(all.result.map((e: { state: string }) => e.state));
            };
          };
        }),
    );
  await loseSignal(context);
  await page.getByRole('button', { name: 'Begin the trip' }).tap();
  await expect.poll(() => states(page)).toEqual(['on this phone']);
  // Put away only once the browser was asked: on a slow machine the page is gone sooner than a thumb could close it.
  const asked = () =>
    page.evaluate(async () => {
      const here = (await navigator.serviceWorker.ready) as unknown as { sync: { getTags(): Promise<string[]> } };
      return here.sync.getTags();
    });
  await expect.poll(asked).toEqual(['send-entries']);
  // A picture of the same address: nothing of the application runs in it.
  await page.goto('about:blank');
  await findSignal(context);
  await page.goto('/icon.svg');
  // The browser asks when it likes, and waits minutes where it was refused once; here it is made to ask.
  await askedBySync(page, 'send-entries');
  await expect.poll(() => states(page), { timeout: 60_000 }).not.toEqual(['on this phone']);
});

/** Makes the browser ask the service worker of this address to send, as it does by itself when a network comes. */
async function askedBySync(page: Page, tag: string): Promise<void> {
  const told = await page.context().newCDPSession(page);
  const registered = new Promise<string>((resolve) => {
    told.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) => {
      const [first] = registrations;
      if (first) resolve(first.registrationId);
    });
  });
  await told.send('ServiceWorker.enable');
  await told.send('ServiceWorker.dispatchSyncEvent', {
    origin: new URL(page.url()).origin,
    registrationId: await registered,
    tag,
    lastChance: false,
  });
}
