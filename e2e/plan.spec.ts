// Two captains plan the same afternoon: pin, ban, drag, undo, compare, keep; the second goes round what the first has.
import type { PlanDesk } from '@bluffwind/contract/plan';
import { expect, type Page, test } from '@playwright/test';
import { expectAccessible, rows, signIn } from './helpers';

test.describe.configure({ mode: 'serial' });

interface BoardTrip {
  readonly id: string;
  readonly boat: { readonly name: string };
  readonly startsAt: string;
}
interface Stay {
  readonly spot: string;
  readonly from: string;
  readonly to: string;
}

async function tripOf(page: Page, boat: string, after: string): Promise<string> {
  const board = (await (await page.request.get('/api/board')).json()) as { tomorrow: BoardTrip[] };
  const trip = board.tomorrow.find((t) => t.boat.name === boat && t.startsAt > after);
  if (!trip) throw new Error(`no trip of ${boat}`);
  return trip.id;
}

async function openAndLay(page: Page, id: string): Promise<void> {
  await page.goto(`/trips/${id}`);
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 30_000 });
  await page.keyboard.press('s');
  await expect(page.locator('[data-proof]')).toBeVisible();
}

/** The legs on the ribbon, by their labels. */
async function stays(page: Page): Promise<Stay[]> {
  const legs = await page
    .locator('g[data-leg]')
    .evaluateAll((all) => all.map((g) => [g.getAttribute('data-leg'), g.getAttribute('aria-label')] as const));
  return legs.map(([spot, label]) => {
    const times = /(\d\d:\d\d) to (\d\d:\d\d)/.exec(label ?? '');
    return { spot: spot ?? '', from: times?.[1] ?? '', to: times?.[2] ?? '' };
  });
}

const expected = async (page: Page) => Number(await page.locator('[data-expected]').getAttribute('data-expected'));
const MORNING = '2026-06-19T06:00:00.000Z';
const AFTERNOON = '2026-06-19T14:00:00.000Z';
let contested: Stay;

test("the wind's shift makes yesterday's spots lose, and the screen says by how much and why", async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await openAndLay(page, await tripOf(page, "Tern's Errand", AFTERNOON));
  await page.getByRole('tab', { name: 'Yesterday' }).click();
  const naive = page.locator('[data-naive]');
  await expect(naive.locator('[data-naive-less]')).toContainText(/^[\d.]+ more$/);
  const more = Number((await naive.locator('[data-naive-less]').innerText()).split(' ')[0]);
  expect(more).toBeGreaterThan(2);
  await expect(naive.getByText(/wind/).last()).toBeVisible();
  await expect(
    naive.locator('li', { hasText: /the wind stands wrong on this bank|over the limit|wind from .*, poor here/ }).first(),
  ).toBeVisible();
  const said = Number(/give ([\d.]+), /.exec((await naive.innerText()).replaceAll('\n', ' '))?.[1]);
  // Each is shown whole from ten on.
  expect(Math.abs((await expected(page)) - said - more)).toBeLessThan(1.1);
  await expectAccessible(page);

  // What would change the plan is worked out behind it, with its worth.
  await page.getByRole('tab', { name: /What if/ }).click();
  await expect(page.locator('[data-changes-done=true]')).toBeVisible({ timeout: 60_000 });
  const windy = page.locator('[data-trigger]', { hasText: /wind/ }).first();
  await expect(windy).toContainText(/Worth [\d.]+ fish/);
  await expectAccessible(page);
});

test('the second captain plans alone first', async ({ page }) => {
  await signIn(page, 'Ilse Marrable');
  await openAndLay(page, await tripOf(page, 'Second Kettle', AFTERNOON));
  const mine = await stays(page);
  expect(mine.length).toBeGreaterThan(1);
  contested = mine.at(-1) as Stay;
  // Another trip begins with nothing of this one.
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/^Screen, trip/).fill('plan marrow');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: /Marrow/ })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('No stops yet. S lays the day.')).toBeVisible();
  await expect(page.locator('g[data-leg]')).toHaveCount(0);
});

test('a captain pins, bans, drags, undoes, compares and keeps', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  const id = await tripOf(page, "Tern's Errand", AFTERNOON);
  await openAndLay(page, id);
  const free = await expected(page);

  // Pins the spot that the other captain would have.
  await page.getByLabel('Search calls').fill(contested.spot);
  await page.locator(`[data-call="${contested.spot}"]`).getByRole('button').first().click();
  await expect(page.locator('[data-why-not]')).toContainText(contested.spot);
  const pinned = page.locator(`g[data-leg="${contested.spot}"]`);
  if ((await pinned.count()) === 0) await page.getByRole('button', { name: /Pin into the plan/ }).click();
  else await page.getByRole('button', { name: /Pin as it is/ }).click();
  await expect(pinned).toHaveAttribute('aria-label', /pinned/);
  expect(await expected(page)).toBeLessThanOrEqual(free + 0.05);

  // Bans the best of the rest; the pin stays.
  await page.getByLabel('Search calls').fill('');
  const other = (await stays(page)).map((s) => s.spot).find((s) => s !== contested.spot) as string;
  await page.locator(`g[data-leg="${other}"]`).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('x');
  await expect(page.locator(`g[data-leg="${other}"]`)).toHaveCount(0);
  await expect(pinned).toHaveAttribute('aria-label', /pinned/);
  await expect(page.locator('[data-against-last]')).toContainText('banned');
  const banned = await expected(page);

  // Undo and redo.
  await page.keyboard.press('z');
  await expect(page.locator(`g[data-leg="${other}"]`)).toHaveCount(1);
  await page.keyboard.press('Shift+Z');
  await expect(page.locator(`g[data-leg="${other}"]`)).toHaveCount(0);
  expect(await expected(page)).toBe(banned);

  // Drags the last leg before the one that it follows: they change places, and the solver times them anew.
  const before = await stays(page);
  expect(before.length).toBeGreaterThan(1);
  const last = before.length - 1;
  const from = await page.locator('g[data-leg] > rect').nth(last).boundingBox();
  const to = await page
    .locator('g[data-leg]')
    .nth(last - 1)
    .boundingBox();
  if (!from || !to) throw new Error('no legs to drag');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width / 2 - 12, from.y + from.height / 2, { steps: 3 });
  await expect(page.locator('[data-against-last]')).toContainText(/fish so|timed anew/);
  await page.mouse.move(to.x + 2, from.y + from.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await stays(page)).at(-1)?.spot).toBe(before[last - 1]?.spot);
  // The pinned stay may have been moved to better hours, but no order beats the free day.
  expect(await expected(page)).toBeLessThanOrEqual(free + 0.05);
  await expect(page.locator('[data-against-last]')).toContainText('another order');
  await page.keyboard.press('z');
  await expect.poll(async () => (await stays(page)).at(-1)?.spot).toBe(before[last]?.spot);

  // Side by side with yesterday's best.
  await page.keyboard.press('c');
  await page.getByRole('combobox', { name: 'Against' }).click();
  await page
    .getByRole('option', { name: /yesterday/i })
    .first()
    .click();
  await expect(page.locator('[data-gained]')).toContainText(/[\d.]+ (more|fewer)/);
  await expectAccessible(page);
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/Plan 1 saved/)).toBeVisible();
  const [plan] = await rows<{ legs: number; pinned: number; basis: number; bans: number }>(
    `select count(l.*)::int as legs, count(*) filter (where l.pinned)::int as pinned, jsonb_array_length(p.basis)::int as basis, cardinality(p.bans)::int as bans
     from plan p join leg l on l.plan_id = p.id where p.trip_id = $1 group by p.id`,
    [id],
  );
  expect(plan).toEqual({ legs: before.length, pinned: 1, basis: before.length, bans: 1 });
  await page.getByRole('tab', { name: 'Kept' }).click();
  await expect(page.locator('[data-kept="1"]')).toContainText(contested.spot);
  await expectAccessible(page);
});

test("the second captain's plan yields the contested spot", async ({ page }) => {
  await signIn(page, 'Ilse Marrable');
  const id = await tripOf(page, 'Second Kettle', AFTERNOON);
  await openAndLay(page, id);
  const desk = (await (await page.request.get(`/api/trips/${id}/desk`)).json()) as PlanDesk;
  const spotId = desk.spots.find((s) => s.name === contested.spot)?.id;
  const taken = desk.taken.filter((t) => t.spotId === spotId);
  expect(taken).toHaveLength(1);
  const [held] = taken as [(typeof taken)[number]];
  const clock = (ms: number) => new Date(ms - 2 * 3_600_000).toISOString().slice(11, 16);
  for (const s of (await stays(page)).filter((x) => x.spot === contested.spot)) {
    expect(s.to <= clock(held.fromMs) || s.from >= clock(held.toMs), `${s.from} to ${s.to}`).toBe(true);
  }
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/Plan 1 saved/)).toBeVisible();

  // The fleet of the day sees no two boats meet, and who gives up what.
  await page.keyboard.press('g');
  await page.keyboard.press('f');
  await expect(page.locator('[data-fleet-done=true]')).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('[data-meeting]')).toHaveCount(0);
  await expect(page.locator('[data-fleet-trip]')).toHaveCount(5);
  await expect(page.locator('[data-fleet-trip]').first()).toContainText(/gives up/);
  await expectAccessible(page);
});

test('the party, the baits and the past foretold', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  // The morning: lines are down at its middle, while the afternoon's wind may have the boat at the dock by then.
  const id = await tripOf(page, "Tern's Errand", MORNING);
  await openAndLay(page, id);
  const whole = await expected(page);
  await page.getByRole('tab', { name: 'Party' }).click();
  await expect(page.locator('[data-fit]')).toContainText(/every \d+ min at the slowest|a whole stop may go by/i);
  // A mate named for the trip is aboard on it.
  const mates = page.getByRole('group', { name: 'Mates aboard' });
  await mates.getByLabel('Birk Solander').check();
  await expect
    .poll(async () => (await rows<{ n: number }>('select count(*)::int as n from trip_mate where trip_id = $1', [id]))[0]?.n)
    .toBe(2);
  await mates.getByLabel('Birk Solander').uncheck();
  await page.getByRole('button', { name: 'Lunch 30 min' }).click();
  await expect(page.getByText(/Lunch, lines up \d\d:\d\d to \d\d:\d\d/).first()).toBeVisible();
  await page.keyboard.press('s');
  await expect.poll(() => expected(page)).toBeLessThan(whole);
  await page.getByRole('button', { name: 'Take Lunch out' }).click();
  await expect(page.getByRole('button', { name: 'Take Lunch out' })).toHaveCount(0);
  await expectAccessible(page);

  // What is not in the boat is not called.
  await page.getByText('In the boat: every bait').click();
  await page.getByRole('button', { name: 'None', exact: true }).click();
  await page.getByLabel(/Paddle-tail/).check();
  await page.getByRole('button', { name: 'Plan with these' }).click();
  await expect(page.getByText(/In the boat: 1 of \d+ baits/)).toBeVisible();
  await page.getByRole('tab', { name: 'Calls' }).click();
  await expect
    .poll(async () => [...new Set(await page.locator('[data-bait]').allInnerTexts())], { timeout: 30_000 })
    .toEqual([expect.stringContaining('Paddle-tail')]);

  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await expect(page.getByRole('heading', { level: 1, name: 'Baits' })).toBeVisible();
  await page.getByLabel('Search baits').fill('blade');
  await page.locator('[data-family="F5"]').getByRole('button', { name: 'Edit family' }).click();
  await page.getByLabel('Depth from, m').fill('9');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByRole('alert').first()).toContainText('expected at least 9 m, got 3 m');
  await expectAccessible(page);
  await page.getByLabel('Depth from, m').fill('0.6');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.locator('[data-family="F5"]')).toContainText('0.6 to 3 m deep');

  await page.goto(`/trips/${id}/foretold`);
  await expect(page.locator('[data-backtest=true]')).toBeVisible({ timeout: 90_000 });
  const deviance = async (way: string) =>
    Number(
      await page
        .getByRole('row', { name: new RegExp(way) })
        .getByRole('cell')
        .nth(1)
        .innerText(),
    );
  // Foretold from what was known before, the model is nearer than a spot's average or the day before.
  expect(await deviance('the model')).toBeLessThan(await deviance('each spot’s average'));
  expect(await deviance('the model')).toBeLessThan(await deviance('the day before'));
  await expectAccessible(page);
});
