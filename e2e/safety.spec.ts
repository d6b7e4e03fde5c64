// What speaks against a trip is told in the same words wherever it is read, and what nobody knows is told as that.
import { expect, type Page, test } from '@playwright/test';
import { choose, expectAccessible, moveCursor, rows, signIn } from './helpers';

test.describe.configure({ mode: 'serial' });

interface BoardTrip {
  readonly id: string;
  readonly boat: { readonly name: string };
  readonly guests: readonly { readonly name: string }[];
}
const FRIDAY = '2026-06-19';

async function tripOf(page: Page, is: (t: BoardTrip) => boolean): Promise<string> {
  const board = (await (await page.request.get('/api/board')).json()) as { tomorrow: BoardTrip[] };
  const trip = board.tomorrow.find(is);
  if (!trip) throw new Error('no such trip');
  return trip.id;
}
const ofPell = (t: BoardTrip) => t.guests.some((g) => g.name === 'Sunniva Pell');

async function layDay(page: Page): Promise<void> {
  // What was laid before and not kept would come back, and be taken for the new day.
  await page.evaluate(() => {
    for (const key of Object.keys(localStorage)) if (key.startsWith('plan of ')) localStorage.removeItem(key);
  });
  await page.reload();
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 30_000 });
  await page.keyboard.press('s');
  await expect(page.locator('[data-proof]')).toBeVisible({ timeout: 30_000 });
}

/** Lines of risk as they stand there, with their level; times and places cut off, since each screen looks at its own hours. */
async function lines(page: Page, within: string): Promise<string[]> {
  const all = await page.locator(`${within} [data-risk] li`).allInnerTexts();
  return all.map((t) => t.replaceAll(/\s+/g, ' ').trim());
}
/** "near gusts", "over wind": the words of a line without its numbers. */
const gist = (line: string) => {
  const level = /(over|near):/.exec(line)?.[1] ?? 'not known';
  const what = /Gusts|Wind against|Wind|Waves|Water \d+|under the keel|swell|Visibility/i.exec(line)?.[0] ?? line;
  return `${level} ${what.replace(/\d+/, '').trim().toLowerCase()}`;
};
const gists = (list: readonly string[]) => [...new Set(list.map(gist))].sort();

const noPlans = async () => {
  await rows('delete from leg');
  await rows('delete from plan');
};
// What other stories have kept would have its spots; the stories after this one begin with no plan kept.
test.beforeAll(noPlans);
test.afterAll(async () => {
  await noPlans();
  await rows("update client set experience = 1 where name in ('Sunniva Pell', 'Torsten Pell', 'Petra Lund-Hay')");
});

test('a party on a boat for the first time is led elsewhere, and plan, brief, deck, Water and Board say the same', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  const id = await tripOf(page, ofPell);
  await page.goto(`/trips/${id}`);
  await layDay(page);
  const stops = () => page.locator('g[data-leg]').evaluateAll((all) => all.map((g) => g.getAttribute('data-leg') ?? ''));
  const careful = await stops();
  expect(careful.length).toBeGreaterThan(0);

  // Old hands may go where beginners may not.
  await page.getByRole('tab', { name: 'Party' }).click();
  for (const guest of ['Sunniva Pell', 'Torsten Pell', 'Petra Lund-Hay']) {
    await choose(page, `Experience of ${guest}`, 'knows the way');
    await expect(page.getByLabel(`Experience of ${guest}`)).toHaveText('knows the way');
  }
  await page.goto(`/trips/${id}`);
  await layDay(page);
  const hardy = await stops();
  expect(hardy).not.toEqual(careful);
  await page.getByRole('tab', { name: 'Party' }).click();
  for (const guest of ['Sunniva Pell', 'Torsten Pell', 'Petra Lund-Hay']) {
    await choose(page, `Experience of ${guest}`, 'first time');
    await expect(page.getByLabel(`Experience of ${guest}`)).toHaveText('first time');
  }
  await page.goto(`/trips/${id}`);
  await layDay(page);
  expect(await stops()).toEqual(careful);

  // Where the wind stands against the current the place is shut to them, and the call says so; the plan stays away from it.
  const call = page.locator('[data-call="Outer jetty, head"]');
  if ((await call.count()) > 0) await expect(call).toContainText(/shut|over/);
  expect(careful).not.toContain('Outer jetty, head');
  const wind = page.locator('[data-lane="wind"], svg').filter({ hasText: 'limit for this party 9.75' });
  await expect(wind.first()).toBeVisible();

  await page.getByRole('tab', { name: 'Stops' }).click();
  await expect(page.locator('[data-stop] [data-risk] li').first()).toBeVisible();
  // What the water is all day stands below the stops; all other lines belong to one of them.
  const planned = [...(await lines(page, '[data-stop]')), ...(await lines(page, '[role="tabpanel"]')).filter((l) => /Water \d/.test(l))];
  expect(planned.length).toBeGreaterThan(1);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/Plan \d+ saved/)).toBeVisible();

  const said = gists(planned);
  expect(said).toContain('near water');
  await page.goto('/');
  await expect(page.locator('[data-trip-risk]').first()).toBeVisible({ timeout: 30_000 });
  const row = page.locator('li', { hasText: 'Pell party' });
  // What was read before the plan was saved may stand there for a moment.
  const onBoard = async () => {
    const texts = await row.locator('[data-trip-risk] li').allInnerTexts();
    return [...new Set(texts.map((t) => gist(t.replaceAll(/\s+/g, ' '))))].sort();
  };
  await expect.poll(onBoard, { timeout: 30_000 }).toEqual(said);

  await page.goto(`/brief/${FRIDAY}`);
  await page.getByRole('button', { name: /14:30 Pell party/ }).click({ timeout: 60_000 });
  await expect(page.getByRole('heading', { name: /Tern's Errand, 14:30/ })).toBeVisible();
  await expect(page.locator('main [data-risk] li').first()).toBeVisible();
  const briefed = await lines(page, 'main');
  for (const g of said) expect(gists(briefed), g).toContain(g);

  await page.goto(`/deck/${id}`);
  await expect(page.getByRole('button', { name: 'Begin the trip' })).toBeVisible();
  await expect(page.locator('[data-risk] li').first()).toBeVisible();
  const onDeck = gists(await lines(page, 'body'));
  expect(onDeck).toEqual(said);

  await page.goto('/water');
  await page.getByRole('tab', { name: /Bars/ }).click();
  const boat = page.locator('[data-against="Tern\'s Errand"]');
  await expect(boat).toContainText(/near:\s*Gusts .* near the limit of 12\.2/, { timeout: 20_000 });
  await expect(boat).toContainText(/over:\s*Gusts .* over the limit of 12\.2/);
});

test('a water without any wind data says what it does not know, and a plan is laid only once that was seen', async ({ page }) => {
  await signIn(page, 'Ottoline Speck');
  const outfit = await (await page.request.get('/api/outfit')).json();
  const made = await page.request.post('/api/trips', {
    data: {
      id: '019ee000-0000-7000-8000-00000000b001',
      boatId: outfit.boats[0].id,
      captainId: outfit.crew[0].id,
      waterId: outfit.waters[0].id,
      startsAt: '2026-06-19T09:00:00Z',
      endsAt: '2026-06-19T14:00:00Z',
      goal: 'numbers',
      speciesIds: [outfit.species[0].id],
      rods: 2,
      skill: 2,
      wish: '',
      clientIds: [],
    },
  });
  expect(made.ok(), await made.text()).toBe(true);
  await page.goto('/');
  await expect(page.locator('[data-trip-risk]')).toContainText(/Not known: wind, gusts, waves/, { timeout: 30_000 });
  await page.goto('/water');
  await page.getByRole('tab', { name: /Bars/ }).click();
  await expect(page.locator('[data-against="Patient Wader"]')).toContainText(/Not known: wind, gusts, waves/i, { timeout: 20_000 });

  await page.goto('/trips/019ee000-0000-7000-8000-00000000b001');
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('alert')).toContainText(/Nobody has said what these do on this trip: wind, gusts, waves/);
  await expectAccessible(page);
  await page.keyboard.press('s');
  await expect(page.locator('g[data-leg]')).toHaveCount(0);
  await page.getByRole('button', { name: /I have seen it, plan without/ }).click();
  await page.keyboard.press('s');
  await expect(page.locator('g[data-leg]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/Plan \d+ saved/)).toBeVisible();
  await page.goto(`/brief/${FRIDAY}`);
  await expect(page.getByText(/without wind, gusts, waves/).first()).toBeVisible({ timeout: 60_000 });
  await page.goto('/deck/019ee000-0000-7000-8000-00000000b001');
  await expect(page.getByText(/Not known: wind, gusts, waves/).first()).toBeVisible();
});

test('gusts of 11 over a limit of 10 read "over" on every screen', async ({ page }) => {
  await signIn(page, 'Oskar Thrane');
  const id = await tripOf(page, (t) => t.boat.name === 'Marrow');
  const over = /over:\s*Gusts 11\.\d m\/s.*over the limit of 10\.0/;
  await expect(page.locator('[data-trip-risk="over"]')).toContainText(over, { timeout: 30_000 });

  await page.goto('/water');
  await choose(page, 'Water', 'Lake Ansgar');
  await page.getByRole('tab', { name: /Bars/ }).click();
  await expect(page.locator('[data-against="Marrow"]')).toBeVisible({ timeout: 20_000 });
  await moveCursor(page, Date.parse('2026-06-19T15:15:00Z'));
  await expect(page.locator('[data-against="Marrow"]')).toContainText(/13:15 over: gusts/i);

  await page.goto(`/trips/${id}`);
  await layDay(page);
  // No stop stands in it.
  const ends = await page
    .locator('g[data-leg]')
    .evaluateAll((all) => all.map((g) => / to (\d\d:\d\d)/.exec(g.getAttribute('aria-label') ?? '')?.[1] ?? ''));
  for (const end of ends) expect(end <= '12:50', end).toBe(true);
  await page.goto(`/brief/${FRIDAY}`);
  await page.getByRole('button', { name: /08:00 Averill party/ }).click({ timeout: 60_000 });
  await expect(page.getByRole('heading', { name: /Marrow, 08:00/ })).toBeVisible();
  await expect(page.locator('[data-risk]', { hasText: over }).first()).toBeVisible();

  await page.goto(`/deck/${id}`);
  await expect(page.getByText(/No plan/).first()).toBeVisible({ timeout: 20_000 });
});
