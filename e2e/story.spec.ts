// The whole path: Thursday evening at the desk, Friday on a phone, Friday evening's brief.
import { expect, test } from '@playwright/test';
import {
  afterStory,
  crashServer,
  expectAccessible,
  findSignal,
  keptForOffline,
  loseSignal,
  pickFish,
  rows,
  setDemoClock,
  signIn,
} from './helpers';

test.afterEach(({ browser, context }, { errors }) => afterStory({ browser, context }, errors.length > 0));

test.describe.configure({ mode: 'serial' });
let tripId = '';
let tripPath = '';

test('a captain plans tomorrow from conditions and the log', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await expect(page.getByText("Tern's Errand 06:30: no plan yet")).toBeVisible();

  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await expect(page.getByRole('heading', { name: /Hollin Sound, Thu 18 June 1[78]:/ })).toBeVisible();
  await expect(page.getByText('The wind goes round.')).toBeVisible();
  await expect(page.getByText('Point Sarn is left out for wind.')).toBeVisible();

  // The chart follows the ribbon's cursor.
  await page.keyboard.press('g');
  await page.keyboard.press('g');
  await expect(page.getByRole('heading', { name: 'Hollin Sound' })).toBeVisible();
  const slider = page.getByRole('slider', { name: 'Time' });
  const before = await slider.getAttribute('aria-valuenow');
  await page.keyboard.press('>');
  expect(Number(await slider.getAttribute('aria-valuenow')) - Number(before)).toBeGreaterThanOrEqual(45 * 60_000);
  const drain = page.locator('[data-spot="Cold Kettle drain"] .num').first();
  const depthThen = await drain.innerText();
  for (let i = 0; i < 4; i++) await page.keyboard.press('>');
  await expect(drain).not.toHaveText(depthThen);

  await page.goto('/');
  await page.getByRole('link', { name: /Tern's Errand.*Halden party/ }).click();
  const first = page.locator('[data-call]').first();
  await expect(first).toBeVisible({ timeout: 30_000 });
  tripPath = new URL(page.url()).pathname;
  tripId = tripPath.split('/').at(-1) as string;

  // The factors shown for a call multiply to a rate, and its stops open from it.
  await first.getByRole('button').first().click();
  await expect(first.getByText('Stops in the most alike water')).toBeVisible();
  const cells = (await first.locator('tbody tr td:nth-child(2)').allInnerTexts()).map(Number);
  const product = cells.slice(0, -1).reduce((a, b) => a * b, 1);
  expect(Math.abs(product / (cells.at(-1) as number) - 1)).toBeLessThan(0.01);

  await page.keyboard.press('s');
  const legs = page.locator('g[role=button]');
  await expect(legs.first()).toBeVisible();
  await expect(page.getByText(/no better day exists/)).toBeVisible();
  const worth = async () => Number(await page.locator('[data-expected]').getAttribute('data-expected'));
  const expected = await worth();
  expect(expected).toBeGreaterThan(1);

  // Pins one leg, bans the spot of another, and solves again.
  expect(await legs.count()).toBeGreaterThan(1);
  await legs.nth(1).focus();
  await page.keyboard.press('p');
  await expect(legs.nth(1)).toHaveAttribute('aria-label', /pinned/);
  const label = (await legs.nth(1).getAttribute('aria-label')) ?? '';
  const pinned = /\d\d:\d\d to \d\d:\d\d, pinned/.exec(label)?.[0] ?? 'no pin';
  await legs.first().focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /Ban from this trip/ }).click();
  await expect
    .poll(async () => (await legs.evaluateAll((all) => all.map((g) => g.getAttribute('aria-label')))).join('; '))
    .toContain(pinned);
  await expect.poll(worth).toBeLessThan(expected);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/Plan 1 saved/)).toBeVisible();

  const [plan] = await rows<{ expected: number; bans: string[]; legs: number; pinned: number }>(
    `select p.expected, p.bans, count(l.*)::int as legs, count(*) filter (where l.pinned)::int as pinned from plan p join leg l on l.plan_id = p.id where p.trip_id = $1 group by p.id`,
    [tripId],
  );
  expect(plan).toMatchObject({ pinned: 1 });
  expect(plan?.bans).toHaveLength(1);
  const shown = (x: number) => (x < 9.95 ? x.toFixed(1) : x.toFixed(0));
  expect(shown(plan?.expected ?? 0)).toBe(await page.locator('[data-expected]').innerText());
  await page.goto('/');
  await expect(page.getByRole('link', { name: new RegExp(`Tern's Errand.*${shown(plan?.expected ?? 0)}`) })).toBeVisible();
});

test('a mate logs the trip on a phone, without signal and through a crash', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, baseURL: process.env.BASE_URL });
  const page = await context.newPage();
  await signIn(page, 'Nell Quarrie');
  await setDemoClock(page, '2026-06-19T08:30:00.000Z');
  const deck = `/deck/${tripId}`;
  await page.goto(deck);
  await expect(page.getByRole('button', { name: 'Begin the trip' })).toBeVisible();
  await expectAccessible(page);
  await keptForOffline(page);
  await page.getByRole('button', { name: 'Begin the trip' }).click();
  await page.getByRole('button', { name: /Lines in at/ }).click();
  await expect(page.locator('[data-advice]')).toContainText('Stay. Look again at');
  await expectAccessible(page);

  // Three taps: species, size, kept or released.
  const bass = (cm: number) => pickFish(page, 'Sea bass', 'European sea bass', cm);
  await bass(38);
  await expect(page.getByText('Must release')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeDisabled();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Released', exact: true }).click();
  await bass(46);
  await page.getByRole('button', { name: 'Kept', exact: true }).click();
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 20_000 });

  // No signal: entries stay on the phone, also over a reload, and arrive once.
  await loseSignal(context);
  await bass(50);
  await page.getByRole('button', { name: 'Released', exact: true }).click();
  await page.getByRole('button', { name: 'Missed', exact: true }).click();
  await expect(page.getByText(/No signal. 2 entries on this phone, safe/)).toBeVisible({ timeout: 20_000 });
  await page.reload();
  await expect(page.getByText('Sea bass 50 cm, released')).toBeVisible();
  await findSignal(context);
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 20_000 });

  // A slip, taken back.
  await page.getByRole('button', { name: 'Lost', exact: true }).click();
  await page.getByRole('button', { name: /Undo lost/ }).click();
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 20_000 });

  // The server dies in the middle of logging; nothing acknowledged is lost, nothing comes twice.
  await crashServer();
  await bass(42);
  await page.getByRole('button', { name: 'Released', exact: true }).click();
  // The line below it still speaks of the entries before until this one is written.
  await expect(page.getByText('Sea bass 42 cm, released')).toBeVisible();
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 30_000 });
  const landed = async () =>
    (
      await rows<{ length_mm: number }>(
        `select c.length_mm from "catch" c join "set" s on s.id = c.set_id join stop st on st.id = s.stop_id where st.trip_id = $1 and c.outcome = 'landed' and c.deleted_at is null order by c.at`,
        [tripId],
      )
    ).map((r) => r.length_mm);
  expect(await landed()).toEqual([380, 460, 500, 420]);

  // An empty half hour at another spot counts as effort.
  await setDemoClock(page, '2026-06-19T09:30:00.000Z');
  await page.reload();
  // The phone opens from what it has kept; what is logged next must bear the clock that was set.
  await expect(page.getByText(/^07:3\d/).first()).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Leave spot' }).click();
  await page.getByRole('button', { name: 'Another spot' }).click();
  await page.getByRole('button', { name: 'Long bank', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Long bank' })).toBeVisible();
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 20_000 });
  await setDemoClock(page, '2026-06-19T10:01:00.000Z');
  await page.reload();
  await expect(page.getByText(/^08:0\d/).first()).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Leave spot' }).click();
  await page.getByRole('button', { name: 'End the trip' }).click();
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByRole('heading', { name: 'The trip is done' })).toBeVisible();
  await expect(page.locator('[data-tally]')).toContainText('4 fish');
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 20_000 });
  const stops = await rows<{ name: string; hours: number; fish: number }>(
    `select sp.name, sum(s.rods * extract(epoch from s.ended_at - s.started_at) / 3600)::float8 as hours,
       (select count(*)::int from "catch" c join "set" x on x.id = c.set_id where x.stop_id = st.id and c.outcome = 'landed' and c.deleted_at is null) as fish
     from stop st join spot sp on sp.id = st.spot_id join "set" s on s.stop_id = st.id where st.trip_id = $1 group by st.id, sp.name order by st.started_at`,
    [tripId],
  );
  expect(stops.map((s) => s.fish)).toEqual([4, 0]);
  expect(stops[1]?.name).toBe('Long bank');
  expect(stops[1]?.hours).toBeGreaterThan(2);
  expect(stops[1]?.hours).toBeLessThan(2.3);
  await context.close();
});

test('the evening brief shows expected against happened and has moved the ranking', async ({ page }) => {
  await signIn(page, 'Runa Askeby');
  await setDemoClock(page, '2026-06-19T20:00:00.000Z');
  // A trip on Saturday, so that there is something to brief.
  const outfit = await (await page.request.get('/api/outfit')).json();
  const find = (list: { name: string; id: string }[], name: string) => list.find((x) => x.name === name)?.id;
  const made = await page.request.post('/api/trips', {
    data: {
      id: '019ee000-0000-7000-8000-00000000a001',
      boatId: find(outfit.boats, "Tern's Errand"),
      captainId: find(outfit.crew, 'Tobias Wend'),
      waterId: find(outfit.waters, 'Hollin Sound'),
      startsAt: '2026-06-20T08:30:00Z',
      endsAt: '2026-06-20T15:00:00Z',
      goal: 'numbers',
      speciesIds: [find(outfit.species, 'European sea bass'), find(outfit.species, 'Pollack')],
      rods: 3,
      skill: 2,
      wish: '',
      clientIds: [],
    },
  });
  expect(made.ok(), await made.text()).toBe(true);
  await page.goto('/brief/2026-06-20');
  await expect(page.getByRole('heading', { name: 'Brief for Sat 20 June' })).toBeVisible({ timeout: 30_000 });
  const slack = page.locator('[data-against="Long bank"]');
  await expect(slack.locator('[data-fish]')).toHaveText('0');
  const [stop] = await rows<{ name: string; fish: number }>(
    `select sp.name, count(c.*)::int as fish from stop st join spot sp on sp.id = st.spot_id join "set" s on s.stop_id = st.id join "catch" c on c.set_id = s.id
     where st.trip_id = $1 and c.outcome = 'landed' and c.deleted_at is null group by sp.name`,
    [tripId],
  );
  await expect(page.locator(`[data-against="${stop?.name}"] [data-fish]`)).toHaveText(String(stop?.fish));
  const change = page.locator(`[data-change="${stop?.name}"]`);
  await expect(change).toContainText(`${stop?.fish} fish in`);
  // The day has moved the rate of what was fished, and the order of the spots.
  const brief = await (await page.request.get('/api/brief/2026-06-20')).json();
  type Change = { spotName: string; rankBefore: number; rankAfter: number; rateBefore: number; rateAfter: number };
  const changes: Change[] = brief.changes;
  for (const name of [stop?.name, 'Long bank']) {
    const moved = changes.find((c) => c.spotName === name);
    expect(moved?.rateAfter).not.toBe(moved?.rateBefore);
  }
  expect(changes.some((c) => c.rankAfter !== c.rankBefore)).toBe(true);
  await expect(
    page
      .locator('[data-change]')
      .filter({ hasText: /(up|down) from/ })
      .first(),
  ).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Publish to crew' }).click();
  await page.getByRole('button', { name: 'I have read it' }).click();
  await expect(page.getByText('Marked as read by you.')).toBeVisible();
  // The owner is not aboard: the captain has not read it yet.
  await expect(page.getByText('Not read.').first()).toBeVisible();
  expect(
    await rows(
      `select b.date::text, p.name from brief b join brief_read r on r.brief_id = b.id join person p on p.id = r.person_id where b.date = '2026-06-20'`,
    ),
  ).toEqual([{ date: '2026-06-20', name: 'Runa Askeby' }]);

  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('cell', { name: 'Long bank' }).first()).toBeVisible();
  const [total] = await rows<{ fish: number }>(
    `select count(*)::int as fish from "catch" c join outfit o on o.id = c.outfit_id where c.outcome = 'landed' and c.deleted_at is null and o.name = 'Greywether Guiding'`,
  );
  await expect(page.getByText(`${total?.fish} fish in`)).toBeVisible();
  await expectAccessible(page);
});
