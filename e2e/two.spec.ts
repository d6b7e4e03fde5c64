// A phone whose requests go to two servers in turn, while stations are polled by both.
import { expect, test } from '@playwright/test';
import { endPair, makeTrip, pairCounts, pairOfServers, pickFish, rows, setDemoClock, signIn } from './helpers';

const TRIP = '019ee000-0000-7000-8000-00000000c001';

test.afterEach(() => endPair());

test('a mate logs a trip at two servers at once; each fish is stored once, the desk at one server hears of the other, and no station is asked twice', async ({
  browser,
  page,
}) => {
  const { day } = await makeTrip(page, { id: TRIP, inDays: 5, boat: "Tern's Errand", captain: 'Tobias Wend', mate: 'Nell Quarrie' });
  await setDemoClock(page, `${day}T09:00:00.000Z`);
  // The desk stays at the first server; the second begins with the clock that was set.
  const { url } = await pairOfServers();
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Tern's Errand/ }).first()).toBeVisible();

  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, baseURL: url });
  const phone = await context.newPage();
  await signIn(phone, 'Nell Quarrie');
  await phone.goto(`/deck/${TRIP}`);
  await phone.getByRole('button', { name: 'Begin the trip' }).click();
  await phone.getByRole('button', { name: 'Another spot' }).click();
  await phone.getByRole('button', { name: 'Long bank', exact: true }).click();
  const lengths = [44, 46, 48, 50, 52];
  for (const cm of lengths) {
    await pickFish(phone, 'Sea bass', 'European sea bass', cm);
    await phone.getByRole('button', { name: 'Released', exact: true }).click();
  }
  await phone.getByRole('button', { name: 'Leave spot' }).click();
  await phone.getByRole('button', { name: 'End the trip' }).click();
  await phone.getByRole('button', { name: 'End it' }).click();
  await expect(phone.getByRole('heading', { name: 'The trip is done' })).toBeVisible();
  await expect(phone.getByText(/entries are with the crew/)).toBeVisible({ timeout: 30_000 });
  const landed = await rows<{ length_mm: number }>(
    `select c.length_mm from "catch" c join "set" s on s.id = c.set_id join stop st on st.id = s.stop_id
     where st.trip_id = $1 and c.outcome = 'landed' and c.deleted_at is null order by c.length_mm`,
    [TRIP],
  );
  expect(landed.map((r) => r.length_mm)).toEqual(lengths.map((cm) => cm * 10));
  const [first, second] = await pairCounts();
  expect(first).toBeGreaterThan(5);
  expect(second).toBeGreaterThan(5);
  await context.close();

  const polls = async () =>
    (await rows<{ n: number }>(`select count(*)::int as n from pgboss.job where name = 'poll-stations' and state = 'completed'`))[0]?.n ??
    0;
  const before = await polls();
  await expect.poll(polls, { timeout: 40_000 }).toBeGreaterThan(before);
  const twice = await rows(`select 1 from reading where station_id is not null group by station_id, variable, at having count(*) > 1`);
  expect(twice).toEqual([]);
});
