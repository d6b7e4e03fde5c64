import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { type Browser, type BrowserContext, expect, type Locator, type Page } from '@playwright/test';
import pg from 'pg';

/** Signs in through the page as one of the demo's people; once more where a busy machine did not get there, as a person would. */
export async function signIn(page: Page, name: string): Promise<void> {
  const board = page.getByRole('heading', { name: /Tonight and/ });
  await expect(async () => {
    await page.goto('/sign-in');
    await page.getByRole('button', { name: new RegExp(name) }).click();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(board).toBeVisible({ timeout: 15_000 });
  }).toPass({ timeout: 40_000 });
}

/** Rows straight from the database, as the owner of the tables. */
export async function rows<T>(sql: string, values: unknown[] = []): Promise<T[]> {
  const client = new pg.Client({ connectionString: process.env.OWNER_URL });
  await client.connect();
  try {
    const { rows } = await client.query(sql, values);
    // What is changed behind the server's back is told to it, as each of its own changes is.
    if (!/^\s*select/i.test(sql))
      await client.query(
        `insert into outfit_version as v (outfit_id, version) select id, 1 from outfit on conflict (outfit_id) do update set version = v.version + 1,
           topics = coalesce((select jsonb_object_agg(key, value::bigint + 1) from jsonb_each_text(v.topics)), '{}');
         update brief_kept set seq = seq + 1`,
      );
    return rows as T[];
  } finally {
    await client.end();
  }
}

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What axe-core finds on the page as it stands: WCAG 2 A and AA, and what is usual practice unless it is minor. */
async function axeFaults(page: Page, only: 'all' | 'colours'): Promise<string[]> {
  // By the debugger, so that the page's content security policy need not allow it.
  await page.evaluate(AXE);
  return page.evaluate(async (what) => {
    const { axe } = window as unknown as {
      axe: { run(root: Document, options: object): Promise<{ violations: { id: string; impact: string; nodes: { html: string }[] }[] }> };
    };
    const result = await axe.run(document, {
      runOnly: what === 'colours' ? ['color-contrast'] : ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
    });
    const told = result.violations.filter((v) => v.impact !== 'minor');
    return told.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 140)).join(' | ')}`);
  }, only);
}

/**
 * Fails on an accessibility fault that stays. A message that is fading in or a screen that is just being
 * put up is looked at again: half faded letters have no contrast of their own, and a page that goes on meanwhile cannot be looked at.
 *
 * @param only - Of a screen that was looked at as a whole in another theme its colours alone are new.
 */
export async function expectAccessible(page: Page, only: 'all' | 'colours' = 'all'): Promise<void> {
  const faults = () => axeFaults(page, only).catch((problem: Error) => [problem.message]);
  // A large screen takes some seconds to go through where other work is under way.
  await expect.poll(faults, { timeout: 45_000, intervals: [0, 300, 700, 1500, 3000] }).toEqual([]);
}

/** Sets the demo clock through the page's session. */
export async function setDemoClock(page: Page, iso: string): Promise<void> {
  const answer = await page.request.post('/api/demo/clock', { data: { now: iso } });
  expect(answer.ok(), await answer.text()).toBe(true);
}

/** Ends the server without warning and waits until it is back. */
export async function crashServer(): Promise<void> {
  await ordered('/crash');
}

/** The phone loses its signal: its pages are told, and no page or worker of it reaches the server. */
export async function loseSignal(context: BrowserContext): Promise<void> {
  await context.setOffline(true);
  await ordered('/line/cut');
}

/** The line is there again, and the phone does not know it yet. */
export const lineIsBack = () => ordered('/line/mend');

/** It has a signal again. */
export async function findSignal(context: BrowserContext): Promise<void> {
  await ordered('/line/mend');
  await context.setOffline(false);
}

const SHOWN = 1500;

/** After a story: a signal that it ended without is there for the next, and where it failed its pages' words are printed. */
export async function afterStory({ browser, context }: { browser: Browser; context: BrowserContext }, failed: boolean): Promise<void> {
  if (failed)
    for (const page of browser.contexts().flatMap((c) => c.pages())) {
      const words = await page.evaluate(() => document.body?.innerText ?? '').catch(String);
      console.log(`${page.url()}\n${words.slice(0, SHOWN)}\n`);
    }
  await findSignal(context);
}

/** Puts another station in the place of the one that runs: none, a broken one, or a good one again. */
export async function station(kind: 'none' | 'broken' | 'good'): Promise<void> {
  await ordered(`/station/${kind}`);
}

/** Starts a second server on the same database and one address before both, which gives each of them every other request. */
export const pairOfServers = () => ordered<{ url: string }>('/pair');

/** How many requests each server of the pair has had. */
export const pairCounts = () => ordered<number[]>('/pair/counts');

/** Ends the second server. */
export const endPair = () => ordered('/pair/end');

/** Starts a server on a database of its own that holds nothing. */
export const emptyWorld = () => ordered<{ url: string }>('/empty');

/** Runs "npm start" as the README says, without any database given. */
export const ownStart = () => ordered<{ url: string }>('/start');

/** Kills it without warning. */
export const killStart = () => ordered('/start/kill');

/** Letters that were written so far, the newest last. */
export const lettersSoFar = () => ordered<{ to: string[]; subject: string; text: string; files: { name: string }[] }[]>('/letters');

/** Ends it and removes its database. */
export const endStart = () => ordered('/start/end');

/** Ends it. */
export const endEmptyWorld = () => ordered('/empty/end');

async function ordered<T>(what: string): Promise<T> {
  const answer = await fetch(`${process.env.CONTROL_URL}${what}`);
  const text = await answer.text();
  expect(answer.ok, text).toBe(true);
  return JSON.parse(text) as T;
}

/** Opens the deck's sheet for a fish of this kind, and sets its length by the nearest key and a centimetre at a time. */
export async function pickFish(page: Page, key: string, name: string, cm: number): Promise<void> {
  const direct = page.getByRole('button', { name: key, exact: true });
  if (await direct.isVisible()) await direct.click();
  else {
    await page.getByRole('button', { name: 'Other', exact: true }).click();
    await page.getByRole('button', { name, exact: true }).click();
  }
  const keys = page.getByRole('dialog').getByRole('button', { name: /^\d+$/ });
  await keys.first().waitFor();
  const all = (await keys.allInnerTexts()).map(Number);
  const nearest = all.reduce((best, k) => (Math.abs(k - cm) < Math.abs(best - cm) ? k : best));
  await keys.filter({ hasText: new RegExp(`^${nearest}$`) }).click();
  for (let k = nearest; k !== cm; k += Math.sign(cm - k))
    await page.getByRole('button', { name: `${cm > k ? '+' : '−'}1 centimetre` }).click();
  await expect(page.locator('[data-decision]')).toContainText(` ${cm} cm`);
}

/** Moves the ribbon's cursor to an instant by its keys. */
export async function moveCursor(page: Page, atMs: number): Promise<void> {
  const slider = page.getByRole('slider', { name: 'Time' });
  for (let i = 0; i < 400; i++) {
    const now = Number(await slider.getAttribute('aria-valuenow'));
    const quarters = Math.round((atMs - now) / 900_000);
    if (quarters === 0) break;
    await page.keyboard.press(Math.abs(quarters) >= 4 ? (quarters > 0 ? '>' : '<') : quarters > 0 ? '.' : ',');
  }
  expect(Number(await slider.getAttribute('aria-valuenow'))).toBe(atMs);
}

/** Waits until the application itself is kept on the device; a visit whose download was cut short is repeated, as one would. */
export async function keptForOffline(page: Page): Promise<void> {
  const kept = () => page.waitForFunction(() => navigator.serviceWorker.controller !== null, undefined, { timeout: 25_000 });
  try {
    await kept();
  } catch {
    await page.reload();
    await kept();
  }
}

/** Takes one thing of a list that opens. */
export async function choose(page: Page | Locator, label: string | RegExp, option: string): Promise<void> {
  const list = page.getByRole('combobox', typeof label === 'string' ? { name: label, exact: true } : { name: label });
  await list.click();
  const own = 'page' in page ? (page as Locator).page() : (page as Page);
  await own.getByRole('option', { name: option, exact: true }).click();
}

/** Makes a trip as the owner, on a day on which nothing else is planned: the demo's clock goes forward only, and other stories have moved it. */
export async function makeTrip(
  page: Page,
  { id, inDays, boat, captain, mate }: { id: string; inDays: number; boat: string; captain: string; mate: string },
): Promise<{ day: string; startsAt: string; endsAt: string }> {
  await signIn(page, 'Runa Askeby');
  const outfit = await (await page.request.get('/api/outfit')).json();
  const find = (list: { name: string; id: string }[], name: string) => list.find((x) => x.name === name)?.id;
  const { now } = (await (await page.request.get('/api/me')).json()) as { now: string };
  const day = new Date(Date.parse(now) + inDays * 86_400_000).toISOString().slice(0, 10);
  const times = { startsAt: `${day}T08:30:00.000Z`, endsAt: `${day}T15:00:00.000Z` };
  const made = await page.request.post('/api/trips', {
    data: {
      id,
      ...times,
      boatId: find(outfit.boats, boat),
      captainId: find(outfit.crew, captain),
      mateIds: [find(outfit.crew, mate)],
      waterId: find(outfit.waters, 'Hollin Sound'),
      goal: 'numbers',
      speciesIds: [find(outfit.species, 'European sea bass')],
      rods: 2,
      skill: 2,
      wish: '',
      clientIds: [],
    },
  });
  expect(made.ok(), await made.text()).toBe(true);
  return { day, ...times };
}
