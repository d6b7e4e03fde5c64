// From an empty database to a laid and saved plan, a logged catch and a brief, by screens alone.
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { seeded } from '@bluffwind/core/units/seeded';
import { type Browser, expect, type Page, test } from '@playwright/test';
import writeXlsxFile from 'write-excel-file/node';
import boston from '../packages/core/src/tide/fixtures/boston.json' with { type: 'json' };
import { Doer } from './doer';
import { choose, emptyWorld, endEmptyWorld, expectAccessible, pickFish } from './helpers';

test.describe.configure({ mode: 'serial', timeout: 240_000 });
test.afterAll(() => endEmptyWorld());
const PASSWORD = 'three words and a fish';
/** The most that a guide is asked to do before his first day is laid, fished and told. */
const MOST = 80;

/** Sixty days of a tide table from today on. */
function tideTable(): string {
  const from = Math.floor(Date.now() / 86_400_000) * 86_400_000;
  const turns = tideTurns(tideModel(boston.constituents, boston.z0M), from, from + 60 * 86_400_000);
  return turns
    .map(
      (t) => `${new Date(t.atMs).toISOString().slice(0, 16).replace('T', ', ')}, ${t.heightM.toFixed(2)}, ${t.kind === 'high' ? 'H' : 'L'}`,
    )
    .join('\n');
}

/** Lays and keeps the plan of the trip that the calendar shows first, or of another. */
async function layAndKeep(d: Doer, opens = d.page.locator('[data-trip] button').first()): Promise<void> {
  const { page } = d;
  await d.click(opens);
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 60_000 });
  const unseen = page.getByRole('button', { name: 'I have seen it, plan without' });
  if (await unseen.isVisible()) await d.click(unseen);
  await d.press('s');
  await expect(page.locator('[data-expected]')).toBeVisible();
  await d.button('Save plan');
  await expect(page.getByText(/Plan 1 saved/)).toBeVisible();
}

/** A fish on deck, kept by the crew. */
async function catchOne(d: Doer, key: string, name: string, cm: number): Promise<void> {
  const { page } = d;
  await d.link('Deck');
  await d.button('Begin the trip');
  await d.button(/Lines in at/);
  d.count += 3;
  await pickFish(page, key, name, cm);
  await page.getByRole('button', { name: 'Released', exact: true }).click();
  await d.button('Leave spot');
  await d.button('End the trip');
  await d.button('End it');
  await expect(page.getByRole('heading', { name: 'The trip is done' })).toBeVisible();
  await expect(page.locator('[data-tally]')).toContainText('1 fish');
  await expect(page.getByText(/entries are with the crew/)).toBeVisible({ timeout: 30_000 });
}

let url = '';

/** A place and a zone where it is nine in the morning now: a day can be laid and fished at whatever hour this runs. */
const EAST = ((9 - new Date().getUTCHours() + 36) % 24) - 12;
const HERE = { zone: `Etc/GMT${EAST > 0 ? '-' : '+'}${Math.abs(EAST)}`, lon: Math.max(-179, Math.min(179, EAST * 15)) };
const TODAY = new Date(Date.now() + EAST * 3_600_000).toISOString().slice(0, 10);

/** A browser that knows nothing of the others, on a desk in that zone. */
async function atADesk(browser: Browser) {
  const context = await browser.newContext({
    baseURL: url,
    locale: 'en-GB',
    timezoneId: HERE.zone,
    viewport: { width: 1280, height: 800 },
  });
  const page = await context.newPage();
  return { context, page, d: new Doer(page) };
}

test('a salt-water captain draws a shore, pastes sixty days of tides, asks a captain in, and has his day', async ({ browser }) => {
  ({ url } = await emptyWorld());
  const { context, page, d } = await atADesk(browser);
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'An outfit of your own' })).toBeVisible();
  await expectAccessible(page);
  await d.fill('Name of the outfit', 'Hollow Firth Charters');
  await d.fill('Your name', 'Vesna Holt');
  await d.fill('Your e-mail', 'vesna@hollow.example');
  await d.fill('Password', PASSWORD);
  await d.button('Make the outfit');
  await expect(page.getByRole('heading', { name: 'The first evening' })).toBeVisible();
  await expectAccessible(page);

  await d.link('Add a water');
  await d.fill('Name', 'Hollow Firth');
  await d.fill('Where you set out', `47 36.6 N ${Math.abs(HERE.lon)} 12.0 ${HERE.lon < 0 ? 'W' : 'E'}`);
  await expectAccessible(page);
  await d.button('Store');
  await d.button('Draw on it');
  await expect(page.getByText(/Click its points/)).toBeVisible();
  for (const [x, y] of [
    [0.05, 0.05],
    [0.95, 0.05],
    [0.95, 0.25],
    [0.6, 0.3],
  ] as const)
    await d.onChart(x, y);
  await d.onChart(0.05, 0.2, { twice: true });
  await expect(page.getByText('The shore is on the chart.')).toBeVisible();

  // Three places, by hand.
  for (const [name, x, y] of [
    ['Inner ledge', 0.55, 0.4],
    ['Firth bank', 0.3, 0.6],
    ['Outer mark', 0.7, 0.75],
  ] as const) {
    await d.press('n');
    await d.onChart(x, y);
    await d.fill('Name', name);
    await d.fill(/Shallowest, /, '3');
    await d.fill(/Deepest/, '6');
    await d.button('Store');
    await expect(page.getByRole('heading', { level: 2, name })).toBeVisible();
  }

  await d.link('Crew');
  await d.tab('Waters');
  await d.button('Tide of Hollow Firth');
  await d.fill('Or paste it here', tideTable());
  await expect(page.locator('[data-tide-read]')).toContainText('high and low waters over 60 days', { timeout: 20_000 });
  await expectAccessible(page);
  await d.button('Foretell from this');
  await expect(page.getByText('tides are foretold')).toBeVisible();

  await d.tab('Boats');
  for (const [name, wind] of [
    ['Gull', '10'],
    ['Skua', '12'],
  ] as const) {
    await d.button('Add a boat');
    await d.fill('Name', name);
    await d.fill(/Wind limit/, wind);
    await d.fill(/Wave limit/, '0.8');
    await d.button('Store');
    await expect(page.locator(`[data-boat="${name}"]`)).toBeVisible();
  }

  await d.tab('People');
  await d.button('Ask somebody in');
  await d.fill('Name', 'Arno Beck');
  await d.fill('E-mail, to sign in with', 'arno@hollow.example');
  // He stands beside the owner: he gets the link from her, not by mail.
  await page.getByLabel('Send it by mail').uncheck();
  d.count++;
  await d.button('Ask them in');
  const link = await page.locator('[data-link]').inputValue();
  await d.button('I have it');
  await comeIn(browser, link);
  await page.reload();
  await expect(page.locator('[data-person="Arno Beck"]')).toContainText('captain');

  await d.link('Calendar');
  await d.click(page.locator(`[data-cell="${TODAY} Gull"] button`));
  await d.fill('From', '10:30');
  await d.fill('To', '15:00');
  await page.getByRole('dialog').getByLabel('European sea bass').check();
  d.count++;
  await expectAccessible(page);
  await d.button('Make the trip');
  await expect(page.locator('[data-trip]').first()).toContainText('Vesna');
  await expectAccessible(page);
  await layAndKeep(d);
  await catchOne(d, 'Sea bass', 'European sea bass', 45);
  await d.link('Brief');
  await expect(page.getByRole('heading', { name: /Brief for/ })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/from 1 trip on/)).toBeVisible();
  process.stdout.write(`salt-water captain: ${d.count} interactions\n`);
  expect(d.count).toBeLessThanOrEqual(MOST);
  await context.close();
});

/** A lake 3 km long: its shore, soundings of a bowl with a hump in it, waypoints, and what its guide wrote down of two seasons. */
const LAKE = { lat: 47.61, lon: HERE.lon + (HERE.lon < 0 ? -0.3 : 0.3) };
const M = { lat: 111_180, lon: 75_100 };
const lakeAt = (east: number, north: number): [number, number] => [LAKE.lon + east / M.lon, LAKE.lat + north / M.lat];

function shoreFile(): string {
  const ring = Array.from({ length: 72 }, (_, i) => lakeAt(1500 * Math.cos((i * Math.PI) / 36), 700 * Math.sin((i * Math.PI) / 36)));
  return JSON.stringify({
    type: 'FeatureCollection',
    features: [{ type: 'Feature', properties: { name: 'Loch Arrin' }, geometry: { type: 'Polygon', coordinates: [[...ring, ring[0]]] } }],
  });
}

function soundingsFile(): string {
  const random = seeded(11);
  const lines = ['lat,lon,depth m'];
  while (lines.length <= 20_000) {
    const [x, y] = [3000 * random() - 1500, 1400 * random() - 700];
    const r = Math.hypot(x / 1500, y / 700);
    if (r > 0.97) continue;
    const depth = 14 * (1 - r * r) - 5 * Math.exp(-((x - 500) ** 2 + y ** 2) / 120 ** 2) + 0.5;
    const [lon, lat] = lakeAt(x, y);
    lines.push(`${lat.toFixed(6)},${lon.toFixed(6)},${depth.toFixed(2)}`);
  }
  return lines.join('\n');
}

const PLACES = Array.from({ length: 12 }, (_, i) => ({
  name: `Loch mark ${i + 1}`,
  at: lakeAt(1000 * Math.cos(i / 2), 450 * Math.sin(i / 2)),
}));
const waypoints = () =>
  `<?xml version="1.0"?><gpx version="1.1" creator="phone" xmlns="http://www.topografix.com/GPX/1/1">${PLACES.map((p) => `<wpt lat="${p.at[1]}" lon="${p.at[0]}"><name>${p.name}</name></wpt>`).join('')}</gpx>`;

/** Sixty trips of three stops, as rows of a workbook. */
async function workbook(): Promise<Buffer> {
  const random = seeded(5);
  const rows: (string | number)[][] = [['Date', 'Start', 'Hours', 'Place', 'Lure', 'Fish', 'Species', 'Length cm']];
  for (let k = 0; k < 60; k++) {
    const date = new Date(Date.UTC(2024, 4, 1) + k * 4 * 86_400_000).toISOString().slice(0, 10);
    for (let s = 0; s < 3; s++) {
      const place = PLACES[Math.floor(random() * 12)]?.name ?? '';
      const fish = random() < 0.45 ? 0 : 1 + Math.floor(random() * 4);
      rows.push([
        date,
        `${7 + 2 * s}:00`,
        1.5,
        place,
        ['Blade', 'Soft shad', 'Deep diver'][s] ?? '',
        fish,
        fish > 0 ? 'perch' : '',
        fish === 1 ? 31 : '',
      ]);
    }
  }
  return Buffer.from(await (await writeXlsxFile(rows.map((r) => r.map((value) => ({ value }))))).toBuffer());
}

/** Two days of hourly weather from now on. */
function forecastFile(): string {
  const time = Array.from({ length: 48 }, (_, k) => new Date(Math.floor(Date.now() / 3_600_000) * 3_600_000 + k * 3_600_000).toISOString());
  const list = (f: (k: number) => number) => time.map((_, k) => f(k));
  return JSON.stringify({
    hourly_units: { wind_speed: 'm/s', wind_gusts: 'm/s' },
    hourly: {
      time,
      wind_speed: list((k) => 4 + 2 * Math.sin(k / 5)),
      wind_gusts: list((k) => 6 + 2 * Math.sin(k / 5)),
      wind_direction: list(() => 240),
      air_temperature: list(() => 12),
      visibility: list(() => 20_000),
      cloud_cover: list(() => 40),
    },
  });
}

test('a lake guide brings shore, soundings, waypoints, two seasons and a forecast in files, and has his day', async ({ browser }) => {
  const { context, page, d } = await atADesk(browser);
  await page.goto('/sign-in');
  await d.link('Make an outfit of your own');
  await d.fill('Name of the outfit', 'Arrin Guiding');
  await d.fill('Your name', 'Jory Pell');
  await d.fill('Your e-mail', 'jory@arrin.example');
  await d.fill('Password', PASSWORD);
  await d.button('Make the outfit');
  await d.link('Add a boat');
  await d.button('Add a boat');
  await d.fill('Name', 'Skua');
  await d.fill(/Wind limit/, '10');
  await d.fill(/Wave limit/, '0.5');
  await d.button('Store');
  await expect(page.locator('[data-boat="Skua"]')).toBeVisible();
  // Nothing of the other outfit on this server.
  await expect(page.locator('[data-boat="Gull"]')).toHaveCount(0);
  await d.tab('Waters');
  await expect(page.getByText('Hollow Firth')).toHaveCount(0);
  await d.button('Add a water');
  await d.fill('Name', 'Loch Arrin');
  await choose(page, 'It is', 'fresh water');
  d.count += 2;
  await d.fill('Where you set out', `${LAKE.lat}, ${LAKE.lon - 0.015}`);
  await d.button('Store');
  await d.file('From a file', 'arrin.geojson', shoreFile());
  await expect(page.locator('[data-shore-read]')).toContainText('1 area, 72 corners');
  await expectAccessible(page);
  await d.button('Put it on the chart');
  await d.link('Loch Arrin');
  await expect(page.getByRole('heading', { level: 1, name: 'Loch Arrin' })).toBeVisible();

  await d.button('Files');
  await d.click(page.getByRole('menuitem', { name: /Import soundings/ }));
  await d.file(/File/, 'arrin.csv', soundingsFile());
  await d.button(/contours/i);
  await d.click(page.getByRole('button', { name: /Lay|Store/ }).last());
  await expect(page.getByText('Soundings (20000)')).toBeVisible({ timeout: 60_000 });

  await d.button('Files');
  await d.click(page.getByRole('menuitem', { name: /Import spots/ }));
  await d.file(/File/, 'marks.gpx', waypoints());
  await d.button('Store 12 places');
  await expect(page.getByText(/12 spots/)).toBeVisible();

  await d.link('Log');
  await d.button('Past trips');
  await d.file(/File/, 'seasons.xlsx', await workbook(), 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet');
  await expect(page.locator('[data-past-made]')).toContainText('60 trips, 180 stops', { timeout: 30_000 });
  await expectAccessible(page);
  await d.button('Store 60 trips');
  await expect(page.getByText('60 past trips are in the log.')).toBeVisible({ timeout: 30_000 });

  await d.link('Water');
  await expect(page.getByRole('heading', { level: 1, name: /Loch Arrin, / })).toBeVisible();
  await d.press('i');
  await d.file(/File/, 'hours.json', forecastFile());
  await d.click(page.getByRole('button', { name: /^Store \d+ readings/ }));
  await expect(page.getByText(/are stored/)).toBeVisible();

  await d.link('Calendar');
  await d.click(page.locator(`[data-cell="${TODAY} Skua"] button`));
  await d.fill('From', '10:30');
  await d.fill('To', '15:00');
  await page.getByRole('dialog').getByLabel('European perch').check();
  d.count++;
  await d.button('Make the trip');
  await layAndKeep(d);
  // The past speaks: a call stands on stops of the seasons that were brought in.
  await expect(page.locator('[data-call]').first()).toContainText(/ fish in /);
  await catchOne(d, 'Perch', 'European perch', 30);
  await d.link('Brief');
  await expect(page.getByText(/from 1 trip on/)).toBeVisible({ timeout: 60_000 });
  process.stdout.write(`lake guide: ${d.count} interactions\n`);
  expect(d.count).toBeLessThanOrEqual(MOST);
  await context.close();
});

test('an owner who has nothing yet looks at a sample lake, plans on it, and takes it out whole', async ({ browser }) => {
  const { context, page, d } = await atADesk(browser);
  await page.goto('/begin');
  await d.fill('Name of the outfit', 'Otter Pool Guiding');
  await d.fill('Your name', 'Ansa Reed');
  await d.fill('Your e-mail', 'ansa@otterpool.example');
  await d.fill('Password', PASSWORD);
  await d.button('Make the outfit');
  await d.button('Add the sample lake');
  await expect(page.getByText('Lake Ansgar (sample) is here to look at')).toBeVisible({ timeout: 30_000 });
  await expectAccessible(page);
  // The first evening still counts what is one's own: nothing.
  await expect(page.getByText('Five things, in any order')).toBeVisible();
  await layAndKeep(d, page.getByRole('link', { name: /Marrow \(sample\).*no plan yet/ }).first());
  await expect(page.locator('[data-call]').first()).toContainText(/ fish in /);
  await page.goto('/');
  await d.button('Take the sample out');
  await page.getByRole('alertdialog').getByRole('button', { name: 'Take it out', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Add the sample lake' })).toBeVisible({ timeout: 30_000 });
  await page.goto('/log');
  await expect(page.getByText('Ansgar')).toHaveCount(0);
  await page.goto('/crew?tab=boats');
  await expect(page.getByText(/No boat yet/)).toBeVisible();
  // Her clock was another's: what it does to what is planned is said before it is taken.
  await page.goto('/crew?tab=more');
  await d.button(/^Change it: name and time zone/);
  await d.fill('Name of the outfit', 'Otter Pool and Sons');
  await choose(page, 'Time zone of your waters', 'Pacific/Kiritimati');
  await d.button('Store');
  await expect(page.getByRole('alertdialog')).toContainText('Nothing that was logged or planned moves in time');
  await expectAccessible(page);
  await d.button('Take that clock');
  await expect(page.getByText('Otter Pool and Sons, by the clock of Pacific/Kiritimati').first()).toBeVisible();
  await expect(page.getByText(/^Otter Pool and Sons · you are/)).toBeVisible({ timeout: 20_000 });
  await context.close();
});

/** Opens an invitation on another browser, which knows nothing of the first. */
async function comeIn(browser: Browser, link: string): Promise<void> {
  const other = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page: Page = await other.newPage();
  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'Come aboard Hollow Firth Charters' })).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('heading', { name: /Tonight and/ })).toBeVisible();
  // It works once.
  await page.goto('about:blank');
  await page.goto(link);
  await expect(page.getByText(/does not hold any more/)).toBeVisible();
  await other.close();
}
