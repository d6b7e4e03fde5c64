// Five stops in a day without a signal, with a phone that is put away and one that dies: what the crew has in the evening is what was entered.
import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import {
  afterStory,
  expectAccessible,
  findSignal,
  keptForOffline,
  lineIsBack,
  loseSignal,
  makeTrip,
  rows,
  setDemoClock,
  signIn,
} from './helpers';

test.afterEach(({ browser, context }, { errors }) => afterStory({ browser, context }, errors.length > 0));

const tripId = '019ee000-0000-7000-8000-00000000da05';
const MINUTE = 60_000;

interface Entered {
  spot: string;
  bait: string;
  outcome: string;
  cm: number | null;
  kept: boolean;
  minute: number;
}

/** The phone's own clock goes on without the server: what has passed is added to it. */
async function withItsOwnClock(context: BrowserContext): Promise<void> {
  await context.addInitScript(() => {
    const Real = Date;
    const now = () => Real.now() + Number(localStorage.getItem('passed') ?? 0);
    class Later extends Real {
      constructor(...of: unknown[]) {
        super(...((of.length > 0 ? of : [now()]) as [number]));
      }
      static override now = now;
    }
    globalThis.Date = Later as DateConstructor;
  });
}

/** It is so many minutes after the trip's start on the phone. */
async function passed(page: Page, startMs: number, minute: number): Promise<void> {
  await page.evaluate(
    (toMs) => {
      const before = Number(localStorage.getItem('passed') ?? 0);
      const now = Date.now() + Number(localStorage.getItem('clock-offset') ?? 0);
      localStorage.setItem('passed', String(before + toMs - now));
    },
    startMs + minute * MINUTE,
  );
}

/** How often the screen was touched so far. */
async function touches(page: Page): Promise<number> {
  return page.evaluate(() => {
    const counted = window as unknown as { touched?: number };
    if (counted.touched === undefined) {
      counted.touched = 0;
      window.addEventListener('pointerdown', () => (counted.touched = (counted.touched ?? 0) + 1), { capture: true });
    }
    return counted.touched;
  });
}

/** The page's process ends as on a phone that runs out of memory; the next page finds what it had kept. */
async function dies(context: BrowserContext, page: Page): Promise<Page> {
  const cdp = await context.newCDPSession(page);
  const gone = page.waitForEvent('crash');
  void cdp.send('Page.crash').catch(() => undefined);
  await gone;
  await page.close();
  return context.newPage();
}

/** A photo as a phone's camera gives it. */
async function snapshot(page: Page): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const base64 = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [1800, 1350];
    const pen = canvas.getContext('2d') as CanvasRenderingContext2D;
    for (let i = 0; i < 300; i++) {
      pen.fillStyle = `hsl(${190 + (i % 40)} 40% ${20 + (i % 60)}%)`;
      pen.fillRect((i * 131) % 1800, (i * 197) % 1350, 220, 160);
    }
    return canvas.toDataURL('image/jpeg', 0.9).split(',')[1] ?? '';
  });
  return { name: 'fish.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(base64, 'base64') };
}

/** A deck screen as it must be: a thumb's targets, and nothing that axe finds in any theme. */
async function asItMustBe(page: Page): Promise<void> {
  expect(await small(page)).toEqual([]);
  for (const theme of ['night', 'glare', 'chalk']) {
    await page.evaluate((t) => {
      document.documentElement.dataset.theme = t;
    }, theme);
    await expectAccessible(page);
  }
}

/** What is under a thumb on deck and smaller than one. */
async function small(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const within = document.querySelector('[role=dialog]') ?? document.querySelector('main') ?? document.body;
    return [...within.querySelectorAll<HTMLElement>('button, a, input:not([type=file]), summary, [role=slider]')].flatMap((e) => {
      const target = e.matches('input[type=checkbox], input[type=radio]') ? (e.closest('label') ?? e) : e;
      const { width, height } = target.getBoundingClientRect();
      // Canvas controls of the chart have their own size; links within a sentence are no targets of their own.
      if (width === 0 || e.closest('.ol-viewport, p')) return [];
      return height < 55.5
        ? [`${(e.textContent || e.getAttribute('aria-label') || e.tagName).trim().slice(0, 40)}: ${height.toFixed(0)}`]
        : [];
    });
  });
}

test('five stops, three switches, a drift, fourteen fish with three photos, and a phone that dies: all of it is there', async ({
  browser,
}) => {
  test.setTimeout(420_000);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, baseURL: process.env.BASE_URL });
  await withItsOwnClock(context);
  let page = await context.newPage();
  const office = await browser.newPage({ baseURL: process.env.BASE_URL });
  const trip = await makeTrip(office, { id: tripId, inDays: 6, boat: 'Second Kettle', captain: 'Ilse Marrable', mate: 'Birk Solander' });
  const startMs = Date.parse(trip.startsAt);
  const at = (minute: number) => setDemoClock(office, new Date(startMs + minute * MINUTE).toISOString());
  await at(-10);
  await signIn(page, 'Birk Solander');
  await page.goto(`/deck/${tripId}`);
  await expect(page.getByRole('heading', { name: /Before leaving/ })).toBeVisible({ timeout: 60_000 });
  await asItMustBe(page);
  await keptForOffline(page);
  // The crew's wall, open all day in the office.
  await office.goto('/');
  await expect(office.getByRole('heading', { name: 'Today' })).toBeVisible({ timeout: 30_000 });
  await loseSignal(context);

  const entered: Entered[] = [];
  const stops: { spot: string; baits: string[] }[] = [];
  const told: { outcome: string; cm: number }[] = [];
  const taps: number[] = [];
  const button = (name: string | RegExp) => page.getByRole('button', { name, exact: true });
  const here = () => stops.at(-1) as { spot: string; baits: string[] };
  const note = (outcome: string, cm: number | null, kept: boolean, minute: number) =>
    entered.push({ spot: here().spot, bait: here().baits.at(-1) ?? '', outcome, cm, kept, minute });
  const linesIn = async (nth: number, minute: number) => {
    await passed(page, startMs, minute);
    await button('Another spot').click();
    const item = page.getByRole('dialog').getByRole('button').nth(nth);
    const spot = (await item.innerText()).trim();
    await item.click();
    await expect(page.locator('[data-advice]')).toBeVisible();
    const bait = await page.locator('button[aria-pressed="true"] > span').first().innerText();
    stops.push({ spot, baits: [bait] });
  };
  const land = async (cm: number, kept: boolean, minute: number) => {
    await passed(page, startMs, minute);
    // By its key where there is one, else by one stroke of the dial: each touch is counted.
    const before = await touches(page);
    const direct = button('Sea bass');
    if (await direct.isVisible()) await direct.click();
    else {
      await button('Other').click();
      await button('European sea bass').click();
    }
    const key = page.getByRole('dialog').getByRole('button', { name: String(cm), exact: true });
    await page.locator('[data-dial]').waitFor();
    if (await key.isVisible()) await key.click();
    else {
      const knob = page.getByRole('slider', { name: 'Length, cm' });
      const [least, most] = [Number(await knob.getAttribute('aria-valuemin')), Number(await knob.getAttribute('aria-valuemax'))];
      const box = await page.locator('[data-dial]').boundingBox();
      if (!box) throw new Error('no dial');
      await page.mouse.click(box.x + ((cm - least) / (most - least)) * box.width, box.y + box.height / 2);
    }
    await expect(page.locator('[data-decision]')).toContainText(` ${cm} cm`);
    if (entered.length === 0) await asItMustBe(page);
    await button(kept ? 'Kept' : 'Released').click();
    taps.push((await touches(page)) - before);
    await expect(page.getByRole('button', { name: new RegExp(`Tell more of .* Sea bass ${cm} cm`) }).first()).toBeVisible();
    note('landed', cm, kept, minute);
  };
  const oneTap = async (name: 'Missed' | 'Lost', minute: number) => {
    await passed(page, startMs, minute);
    await button(name).click();
    note(name.toLowerCase(), null, false, minute);
  };
  const photo = async (cm: number, depthM: string) => {
    await page
      .getByRole('button', { name: new RegExp(`Tell more of .* Sea bass ${cm} cm`) })
      .first()
      .click();
    await page.getByLabel('Photo file').setInputFiles(await snapshot(page));
    await expect(page.getByText('on this phone', { exact: true })).toBeVisible({ timeout: 30_000 });
    await page.getByLabel(/Depth it took at/).fill(depthM);
    if (told.length === 0) await asItMustBe(page);
    await button('Done').click();
    told.push({ outcome: depthM, cm });
  };
  const switchBait = async (minute: number) => {
    await passed(page, startMs, minute);
    await button('Switch bait').click();
    const item = page.getByRole('dialog').getByRole('button').first();
    const bait = await item.evaluate((e) => e.firstChild?.textContent ?? '');
    expect(await small(page)).toEqual([]);
    await item.click();
    here().baits.push(bait.split(',')[0] as string);
  };
  const leave = async (minute: number) => {
    await passed(page, startMs, minute);
    await button('Leave spot').click();
    await expect(button('Another spot')).toBeVisible();
  };

  for (const box of await page.getByRole('checkbox').all()) await box.check();
  await button('Sign the list').click();
  await expect(page.locator('[data-signed]')).toContainText('Signed by Ilse Marrable');
  await button('Begin the trip').click();
  await linesIn(0, 2);
  await asItMustBe(page);
  await land(38, false, 8);
  await land(46, true, 14);
  await photo(46, '6');
  await switchBait(25);
  await land(41, false, 33);
  await oneTap('Missed', 40);
  await context.grantPermissions(['geolocation']);
  await context.setGeolocation({ latitude: 47.61, longitude: -35.21, accuracy: 8 });
  await button('Chart, rest of day').click();
  await asItMustBe(page);
  await button('Record the drift').click();
  for (const east of [1, 2]) {
    await page.waitForTimeout(600);
    await context.setGeolocation({ latitude: 47.61, longitude: -35.21 + east * 0.0004, accuracy: 8 });
  }
  await expect(page.locator('[data-track-on="true"]')).toContainText(/\d m in/);
  await page.waitForTimeout(600);
  await button('Stop recording the drift').click();
  await leave(58);

  await linesIn(2, 75);
  for (const [i, cm] of [35, 44, 52, 39].entries()) await land(cm, false, 82 + 8 * i);
  await page.reload();
  await expect(page.getByRole('button', { name: /Tell more of .* Sea bass 39 cm/ })).toBeVisible({ timeout: 60_000 });
  await switchBait(112);
  await button('Saw sign').click();
  await button('A follow').click();
  await oneTap('Lost', 118);
  // A drift has just begun; then, in the middle of a fish's sheet, the phone dies. What was not said of the fish is not there, all else is.
  await context.setGeolocation({ latitude: 47.62, longitude: -35.3, accuracy: 8 });
  await button('Chart, rest of day').click();
  await button('Record the drift').click();
  await expect(page.locator('[data-track-on="true"]')).toContainText('in 0 min');
  await page
    .getByRole('button', { name: /Sea bass$/ })
    .first()
    .click();
  page = await dies(context, page);
  await page.goto(`/deck/${tripId}`);
  await expect(page.getByRole('button', { name: /Tell more of .* lost/ })).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('[data-advice]')).toBeVisible();
  await leave(128);

  await linesIn(3, 145);
  await land(47, true, 152);
  await photo(47, '4.5');
  await land(36, false, 160);
  await land(40, false, 171);
  await button('Lines out').click();
  await button('Trouble with gear').click();
  await passed(page, startMs, 180);
  await button('Lines in again').click();
  here().baits.push(here().baits.at(-1) as string);
  await leave(198);

  await linesIn(4, 215);
  await land(43, false, 221);
  await switchBait(230);
  await land(37, false, 244);
  await button('Saw sign').click();
  await button('Bait massed or showering').click();
  await leave(268);

  await linesIn(1, 285);
  await land(55, false, 292);
  await photo(55, '8');
  await land(42, false, 310);
  await oneTap('Missed', 325);
  await expect(page.getByText(/No signal. \d+ entries on this phone, safe/)).toBeVisible({ timeout: 20_000 });
  expect(entered.filter((e) => e.outcome === 'landed')).toHaveLength(14);
  process.stdout.write(`touches of a fish, in order: ${taps.join(' ')}\n`);
  expect([...taps].sort((a, b) => a - b)[7]).toBe(3);

  // A signal off the harbour: the office's screen, open since the morning, has the day by itself.
  await lineIsBack();
  await at(327);
  await findSignal(context);
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 90_000 });
  await expect(office.locator('[data-out="Second Kettle"]')).toContainText(/lines in at .*, 14 fish/, { timeout: 30_000 });
  await at(346);
  await leave(345);
  await button('End the trip').click();
  await button('End it').click();
  await expect(page.getByText(/14 fish in/)).toBeVisible();
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 60_000 });

  const stored = await rows<Entered & { at: Date }>(
    `select sp.name as spot, split_part(p.name, ',', 1) as bait, c.outcome, (c.length_mm / 10)::int as cm, c.kept, c.at
     from "catch" c join "set" s on s.id = c.set_id join stop st on st.id = s.stop_id join spot sp on sp.id = st.spot_id
     join presentation p on p.id = s.presentation_id where st.trip_id = $1 and c.deleted_at is null order by c.at`,
    [tripId],
  );
  // To the minute in which it was tapped, and the one after, since the phone went on meanwhile.
  const minutes = stored.map((s, i) => (s.at.getTime() - startMs) / MINUTE - (entered[i]?.minute ?? 0));
  for (const [i, m] of minutes.entries()) expect(m, `entry ${i}`).toBeGreaterThanOrEqual(-0.01);
  for (const [i, m] of minutes.entries()) expect(m, `entry ${i}`).toBeLessThan(1.5);
  expect(stored.map(({ at: _, ...s }, i) => ({ ...s, minute: entered[i]?.minute }))).toEqual(entered);
  const sets = await rows<{ spot: string; baits: string[] }>(
    `select sp.name as spot, array_agg(split_part(p.name, ',', 1) order by s.started_at, s.id) as baits from stop st join spot sp on sp.id = st.spot_id
     join "set" s on s.stop_id = st.id join presentation p on p.id = s.presentation_id
     where st.trip_id = $1 group by st.id, sp.name order by min(s.started_at)`,
    [tripId],
  );
  expect(sets).toEqual(stops);
  expect(await rows('select signed_by, left_open from departure where trip_id = $1', [tripId])).toEqual([
    { signed_by: 'Ilse Marrable', left_open: [] },
  ]);
  expect(
    await rows('select status, began_at is not null as began, ended_at is not null as ended from trip where id = $1', [tripId]),
  ).toEqual([{ status: 'done', began: true, ended: true }]);
  expect(
    await rows('select sg.kind, sp.name as spot from sighting sg join spot sp on sp.id = sg.spot_id where sg.trip_id = $1 order by sg.at', [
      tripId,
    ]),
  ).toEqual([
    { kind: 'follow', spot: stops[1]?.spot },
    { kind: 'bait', spot: stops[3]?.spot },
  ]);
  expect(
    await rows('select d.what, d.to_at is not null as over from disturbance d join stop st on st.id = d.stop_id where st.trip_id = $1', [
      tripId,
    ]),
  ).toEqual([{ what: 'gear', over: true }]);
  const drift = await rows<{ points: { lon: number }[] }>(
    'select p.points from track_part p join stop st on st.id = p.stop_id where st.trip_id = $1 order by p.at',
    [tripId],
  );
  expect(drift.flatMap((d) => d.points.map((p) => p.lon))).toEqual([-35.21, -35.2096, -35.2092, -35.3]);
  await expect
    .poll(
      () =>
        rows(
          `select (c.length_mm / 10)::int as cm, (c.more->>'depthM') as outcome from photo f join "catch" c on c.id = f.catch_id where f.trip_id = $1 order by c.at`,
          [tripId],
        ),
      { timeout: 60_000 },
    )
    .toEqual(told.map(({ cm, outcome }) => ({ cm, outcome: String(Number(outcome)) })));
  await context.close();
});
