// A whole day on a phone without a signal, from the list before leaving to the page that the guests keep.
import { expect, type Page, test } from '@playwright/test';
import {
  afterStory,
  expectAccessible,
  findSignal,
  keptForOffline,
  loseSignal,
  makeTrip,
  pickFish,
  rows,
  setDemoClock,
  signIn,
} from './helpers';

test.describe.configure({ mode: 'serial' });
test.afterEach(({ browser, context }, { errors }) => afterStory({ browser, context }, errors.length > 0));

const tripId = '019ee000-0000-7000-8000-00000000da01';
let startMs = 0;
let address = '';
const at = (page: Page, min: number) => setDemoClock(page, new Date(startMs + min * 60_000).toISOString());

/** A picture as a phone's camera gives it, drawn in the page: larger than is sent. */
async function snapshot(page: Page): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const bytes = await page.evaluate(async () => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [2600, 1950];
    const pen = canvas.getContext('2d') as CanvasRenderingContext2D;
    for (let i = 0; i < 400; i++) {
      pen.fillStyle = `hsl(${190 + (i % 40)} 40% ${20 + (i % 60)}%)`;
      pen.fillRect((i * 131) % 2600, (i * 197) % 1950, 220, 160);
    }
    const blob = await new Promise<Blob>((resolve) => canvas.toBlob((b) => resolve(b as Blob), 'image/jpeg', 0.95));
    return [...new Uint8Array(await blob.arrayBuffer())];
  });
  return { name: 'fish.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(bytes) };
}

test('a mate goes through the list, fishes, tells of fish, takes photos and lays the rest of the day anew, all without a signal', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, baseURL: process.env.BASE_URL });
  const page = await context.newPage();
  const office = await browser.newPage({ baseURL: process.env.BASE_URL });
  const trip = await makeTrip(office, { id: tripId, inDays: 7, boat: 'Second Kettle', captain: 'Ilse Marrable', mate: 'Birk Solander' });
  startMs = Date.parse(trip.startsAt);
  await at(office, -10);
  await office.close();
  await signIn(page, 'Birk Solander');
  // What the rest of the day is laid from is taken along with the trip.
  await page.goto(`/trips/${tripId}`);
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 60_000 });
  await page.goto(`/deck/${tripId}`);
  await expect(page.getByRole('heading', { name: /Before leaving/ })).toBeVisible({ timeout: 60_000 });
  await expectAccessible(page);
  await keptForOffline(page);
  await loseSignal(context);

  // Ticked, put away, and there again; then signed with one thing left open.
  await page.getByLabel(/Drain plug/).check();
  await page.reload();
  await expect(page.getByLabel(/Drain plug/)).toBeChecked({ timeout: 60_000 });
  for (const box of await page.getByRole('checkbox').all()) await box.check();
  await page.getByLabel(/Fire extinguisher/).uncheck();
  await page.getByLabel('Who ashore knows').fill('the harbour office');
  await page.getByRole('button', { name: '−15 minutes' }).click();
  await page.getByRole('button', { name: 'Sign with 1 left open' }).click();
  await expect(page.locator('[data-signed]')).toContainText('Left open: Fire extinguisher');
  await page.getByRole('button', { name: 'Begin the trip' }).click();

  // Lines in at the first spot of the list; the next of them is laid anew on the phone.
  await page.getByRole('button', { name: 'Another spot' }).click();
  await page.getByRole('dialog').getByRole('button').first().click();
  await expect(page.locator('[data-advice]')).toBeVisible();
  // Past a headland with a signal, and on; fifty minutes have gone.
  expect(await rows('select from departure where trip_id = $1', [tripId])).toEqual([]);
  await findSignal(context);
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 60_000 });
  await at(page, 40);
  await page.reload();
  await expect(page.getByText(/, 50 min/)).toBeVisible({ timeout: 60_000 });
  await loseSignal(context);
  await pickFish(page, 'Sea bass', 'European sea bass', 45);
  await page.getByRole('button', { name: 'Released', exact: true }).click();
  await page.getByRole('button', { name: /^Tell more of [\d:]+ Sea bass 45 cm/ }).click();
  await page.getByRole('button', { name: 'Deep', exact: true }).click();
  await expect(page.getByText('Cut the leader, do not dig.')).toBeVisible();
  await page.getByLabel(/Depth it took at/).fill('12');
  await page.getByLabel('What it had eaten').fill('sand eel');
  await page.getByLabel('Photo file').setInputFiles(await snapshot(page));
  await expect(page.getByText('on this phone', { exact: true })).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('Photo file').setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture at all') });
  await expect(page.getByRole('alert').filter({ hasText: /picture|image/i })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Chart, rest of day' }).click();
  await page.getByRole('button', { name: 'Lay the rest anew' }).click();
  await expect(page.locator('[data-rest]')).toBeVisible({ timeout: 60_000 });
  expect(await page.locator('[data-rest-leg]').count()).toBeGreaterThan(0);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take this' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Tell more of [\d:]+ Sea bass 45 cm, released/ })).toContainText('a photo', {
    timeout: 60_000,
  });

  // A full phone says so, and nothing looks as if it were logged; with room again, the same entry is kept.
  await page.evaluate(() => {
    const { put } = IDBObjectStore.prototype;
    const store = IDBObjectStore.prototype as unknown as {
      put: (this: IDBObjectStore, ...args: Parameters<typeof put>) => IDBRequest;
      back: () => void;
    };
    store.put = function (...args) {
      if (this.name === 'entries') throw new DOMException('full', 'QuotaExceededError');
      return put.apply(this, args);
    };
    store.back = () => {
      store.put = put;
    };
  });
  await page.getByRole('button', { name: 'Missed', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'could not be kept on this phone' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Tell more of [\d:]+ missed/ })).toHaveCount(0);
  await page.evaluate(() => (IDBObjectStore.prototype as unknown as { back: () => void }).back());
  await page.getByRole('button', { name: 'keep it again' }).click();
  await page.getByRole('button', { name: /^Undo missed/ }).click();
  await expect(page.getByText('could not be kept on this phone')).toHaveCount(0);

  // Who signs out now would lose what only this phone has: he is told so, of the photo too, and stays.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: /^Sign out/ }).click();
  await expect(page.getByText(/\d+ entries and 1 photo on this phone only: sign out when there is a network/)).toBeVisible();
  await page.keyboard.press('Escape');

  // Measured wrongly: put right. Then the line is back, and what was entered is what is stored.
  await page.getByRole('button', { name: /^Tell more of [\d:]+ Sea bass 45 cm/ }).click();
  await page.getByRole('button', { name: 'Put its size, angler or fate right' }).click();
  await page.getByRole('button', { name: '+1 centimetre' }).click();
  await page.getByRole('button', { name: 'Released', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Tell more of [\d:]+ Sea bass 46 cm/ })).toBeVisible();
  // Another of the same by one tap, not measured; it was one too many and is undone.
  await page.getByRole('button', { name: 'another Sea bass' }).click();
  await expect(page.getByRole('button', { name: /^Tell more of [\d:]+ Sea bass, released/ })).toBeVisible();
  await expectAccessible(page);
  await page
    .getByRole('button', { name: /^Undo landed/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Tell more of [\d:]+ Sea bass, released/ })).toHaveCount(0);
  // Weed on the lines: out by two taps, in again by one; what fishes then fishes anew.
  await page.getByRole('button', { name: 'Lines out' }).click();
  await page.getByRole('button', { name: 'Weed on the lines' }).click();
  await expect(page.locator('[data-lines-out]')).toContainText('weed on the lines');
  await expect(page.getByRole('button', { name: 'Sea bass', exact: true })).toHaveCount(0);
  await expectAccessible(page);
  await page.reload();
  await expect(page.locator('[data-lines-out]')).toBeVisible({ timeout: 60_000 });
  // While the lines are out two leaders are rigged: from now on each fishes on a rod of its own.
  await page.getByRole('button', { name: 'Chart, rest of day' }).click();
  await page.getByRole('button', { name: 'Compare leaders, hooks or lures' }).click();
  await page.getByLabel('Number 1').fill('6');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Compare at least two' })).toBeVisible();
  await page.getByLabel('Number 2').fill('9,5');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Trial: 6 kg against 9.5 kg' })).toBeVisible();
  await page.getByRole('button', { name: 'Lines in again' }).click();
  await expect(page.locator('[data-lines-out]')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /6 kg on 1 rod/ })).toBeVisible();
  await page.getByRole('button', { name: /9\.5 kg on 1 rod/ }).click();
  // The drift is recorded from the phone's own position; a part of it is kept though the page is put away meanwhile.
  await context.grantPermissions(['geolocation']);
  await context.setGeolocation({ latitude: 47.6, longitude: -35.2, accuracy: 8 });
  await page.getByRole('button', { name: 'Record the drift' }).click();
  for (const north of [1, 2, 3]) {
    await page.waitForTimeout(600);
    await context.setGeolocation({ latitude: 47.6 + north * 0.0003, longitude: -35.2, accuracy: 8 });
  }
  await expect(page.locator('[data-track-on="true"]')).toContainText(/1\d\d m in 0 min/);
  await page.getByRole('button', { name: 'Stop recording the drift' }).click();
  // Marks under the boat are set on the chart where she is, with how they lie.
  await page.getByRole('button', { name: 'Chart, and where I am' }).click();
  await page.getByRole('button', { name: 'A sign where I am' }).click({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Marks on the sounder' }).click();
  await page.getByRole('button', { name: 'Tight to the bottom' }).click();
  await page.getByLabel(/How deep/).fill('7,5');
  await page.getByRole('button', { name: 'deep', exact: true }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Set it' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  // Twenty minutes on: what was fished for less than two counts for nothing.
  await findSignal(context);
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 60_000 });
  await at(page, 62);
  await page.reload();
  await expect(page.getByRole('button', { name: /6 kg on 1 rod, (1\d|2\d) min/ })).toBeVisible({ timeout: 60_000 });
  await loseSignal(context);
  await page.getByRole('button', { name: 'Leave spot' }).click();
  await expect(page.getByText(/laid anew on deck/)).toBeVisible();
  await page.getByRole('button', { name: 'End the trip' }).click();
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByText(/No signal. \d+ entries on this phone, safe/)).toBeVisible({ timeout: 20_000 });
  await findSignal(context);
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 60_000 });
  expect(await rows('select signed_by, left_open, ashore, due_at from departure where trip_id = $1', [tripId])).toEqual([
    {
      signed_by: 'Ilse Marrable',
      left_open: ['fire'],
      ashore: 'the harbour office',
      due_at: new Date(Date.parse(trip.endsAt) + 45 * 60_000),
    },
  ]);
  expect(
    await rows('select d.what, d.to_at is not null as over from disturbance d join stop st on st.id = d.stop_id where st.trip_id = $1', [
      tripId,
    ]),
  ).toEqual([{ what: 'weed', over: true }]);
  expect(
    await rows(
      'select s.tried, s.arm, s.rods from "set" s join stop st on st.id = s.stop_id where st.trip_id = $1 and s.arm is not null order by 2',
      [tripId],
    ),
  ).toEqual([
    { tried: 'leader', arm: '6 kg', rods: 1 },
    { tried: 'leader', arm: '9.5 kg', rods: 1 },
  ]);
  // The rest that was laid anew and taken on this phone is every phone's.
  expect(await rows('select jsonb_array_length(legs) > 0 as laid from trip_rest where trip_id = $1', [tripId])).toEqual([{ laid: true }]);
  const drift = await rows<{ points: { lat: number }[] }>(
    'select p.points from track_part p join stop st on st.id = p.stop_id where st.trip_id = $1 order by p.at',
    [tripId],
  );
  expect(drift.flatMap((d) => d.points.map((p) => p.lat))).toEqual([47.6, 47.6003, 47.6006, 47.6009]);
  expect(await rows('select kind, relation, depth_m, side, spot_id, lat, lon from sighting where trip_id = $1', [tripId])).toEqual([
    { kind: 'marks', relation: 'tight', depth_m: 7.5, side: 'deep', spot_id: null, lat: 47.6009, lon: -35.2 },
  ]);
  const fish = `select c.id, c.length_mm, c.kept, c.outcome, c.more from "catch" c join "set" s on s.id = c.set_id
    join stop st on st.id = s.stop_id where st.trip_id = $1 and c.deleted_at is null`;
  const [stored, ...more] = await rows<{ id: string }>(fish, [tripId]);
  expect(more).toEqual([]);
  expect(stored).toMatchObject({ length_mm: 460, kept: false, outcome: 'landed', more: { hook: 'deep', depthM: 12, forage: 'sand eel' } });
  await expect
    .poll(() => rows('select catch_id, octet_length(bytes) < 500000 as small from photo where trip_id = $1', [tripId]), { timeout: 40_000 })
    .toEqual([{ catch_id: stored?.id, small: true }]);
  await context.close();
});

test('the captain signs the debrief and sends the guests a page that tells no place; once ended it opens nothing', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Ilse Marrable');
  await page.goto(`/trips/${tripId}/after`);
  await expect(page.locator('[data-stop]').first()).toContainText(/where .* expected: /, { timeout: 60_000 });
  await expectAccessible(page);
  await page.getByRole('button', { name: 'slow', exact: true }).click();
  await page.getByLabel('In your words').fill('Nothing until the turn.');
  await page.getByLabel('What was lost').fill('28 g head');
  await page.getByRole('button', { name: 'One' }).click();
  await page.getByRole('button', { name: 'Sign off' }).click();
  await expect(page.locator('[data-signed-off]')).toContainText('Signed off by Ilse Marrable');
  expect(await rows('select said, chips, lost from debrief where trip_id = $1', [tripId])).toEqual([
    { said: 'Nothing until the turn.', chips: ['slow'], lost: [{ what: '28 g head', number: 1 }] },
  ]);

  // What was compared on deck stands in the log, and that so little tells nothing yet.
  await page.goto('/log?show=trials');
  await expect(page.locator('[data-trial]').first()).toContainText('9.5 kg', { timeout: 60_000 });
  await expect(page.locator('[data-outcome]').first()).toContainText(/Only \d+ chances in 100/);
  await expect(page.locator('[data-follows]')).not.toBeEmpty();
  await expectAccessible(page);
  await page.goto(`/trips/${tripId}/after`);
  await expect(page.locator('[data-signed-off]')).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'The day on the chart' }).click();
  await expect(page.locator('[data-way-gone]')).toContainText(/went \d+ m in/, { timeout: 60_000 });
  await expect(page.locator('[data-day-fish]')).toContainText('European sea bass 46 cm, released');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Close the day’s chart' }).click();

  // A spot's name in the text is caught before it goes out.
  const spots = await rows<{ name: string; lat: number; lon: number }>('select name, lat, lon from spot where lat is not null');
  const text = page.getByLabel('To the party');
  const drafted = await text.inputValue();
  await text.fill(`${drafted}\nWe were at ${spots.find((s) => s.name.length > 6)?.name}.`);
  await page.getByRole('button', { name: 'Make the page' }).click();
  await expect(page.getByText(/^Say it without/)).toBeVisible();
  await text.fill(drafted);
  await page.locator('fieldset').getByRole('checkbox').first().check();
  await page.getByRole('button', { name: 'Make the page' }).click();
  address = (await page.locator('[data-address] a').getAttribute('href')) ?? '';

  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const guest = await context.newPage();
  const said: string[] = [];
  guest.on('response', (r) => {
    if (r.url().includes('/api/'))
      void r.body().then(
        (b) => said.push(b.toString('latin1')),
        () => undefined,
      );
  });
  await guest.goto(address);
  await expect(guest.getByRole('heading', { level: 1 })).toContainText('Your day on');
  await expect(guest.locator('[data-photo]').first()).toBeVisible();
  await expectAccessible(guest);
  expect(await guest.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const pdf = (await guest.pdf()).toString('latin1');
  const seen = [await guest.content(), ...said].join('\n');
  expect(seen).toContain('46 cm');
  for (const s of spots) {
    expect(seen.includes(s.name), s.name).toBe(false);
    for (const degrees of [s.lat, s.lon]) expect(seen.includes(Math.abs(degrees).toFixed(4)), String(degrees)).toBe(false);
  }
  expect(pdf.length).toBeGreaterThan(2000);
  await page.getByRole('button', { name: 'End its address' }).click();
  await expect(page.getByText('The address opens nothing more.')).toBeVisible();
  await guest.reload();
  await expect(guest.getByRole('alert')).toContainText('No such page');
  await context.close();
});

test('a boat that is not back when it said is told of on every screen of the crew', async ({ page, browser }) => {
  await signIn(page, 'Runa');
  // The trip of this morning, as if it were still out: it was to be back three quarters of an hour after its end.
  await rows(`update trip set status = 'under way', ended_at = null where id = $1 returning id`, [tripId]);
  await at(page, 6 * 60 + 30 + 44);
  await page.goto('/');
  await expect(page.locator('[data-out="Second Kettle"]')).toContainText(/under way since .*, 1 fish, back by/, { timeout: 30_000 });
  await expect(page.locator('[data-overdue]')).toHaveCount(0);
  await at(page, 6 * 60 + 30 + 46);
  const other = await browser.newContext({ baseURL: process.env.BASE_URL });
  const mate = await other.newPage();
  await signIn(mate, 'Nell Quarrie');
  for (const path of ['/log', '/gear']) {
    await mate.goto(path);
    await expect(mate.locator('[data-overdue]')).toContainText('is overdue: due back', { timeout: 30_000 });
  }
  await expectAccessible(mate);
  await rows(`update trip set status = 'done', ended_at = $2 where id = $1 returning id`, [tripId, new Date(startMs + 40 * 60_000)]);
  await other.close();
});
