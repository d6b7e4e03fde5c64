// Files in and out, and what is drawn by hand.
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readGpx } from '@bluffwind/core/formats/gpx';
import { expect, type Page, test } from '@playwright/test';
import jpeg from 'jpeg-js';
import { choose, expectAccessible, rows, signIn } from './helpers';

const folder = mkdtempSync(path.join(tmpdir(), 'bluffwind-files-'));
const file = (name: string, text: string) => {
  const to = path.join(folder, name);
  writeFileSync(to, text);
  return to;
};
const menu = async (page: Page, name: RegExp) => {
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem', { name }).click();
};
const openGrounds = async (page: Page) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/grounds');
  await expect(page.locator('[data-spot]').first()).toBeVisible();
};

test('readings come in from semicolons and decimal commas, a bad line is refused, and all is undone whole', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/water');
  await expect(page.getByText('Since this time yesterday')).toBeVisible();
  await page.keyboard.press('i');
  await page
    .locator('input[type=file]')
    .setInputFiles(
      file(
        'logger.csv',
        'Datum;Zeit;Water temp (°F)\n17.06.2026;09:10;57,4\n17.06.2026;09:20;57,6\n17.06.2026;09:30;warm\n17.06.2026;09:40;57,5\n',
      ),
    );
  await expect(page.locator('[data-preview]')).toContainText('3 readings of water temperature');
  await expect(page.getByText('1 line is refused')).toBeVisible();
  await expect(page.getByText(/Line 4: "warm" in Water temp/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Store 3 readings' }).click();
  await expect(page.getByText('3 readings of logger.csv are stored.')).toBeVisible();
  const stored = await rows<{ n: number; mean: number }>(
    `select count(*)::int as n, avg(value)::float8 as mean from reading r join import i on i.id = r.import_id where i.file_name = 'logger.csv' and r.withdrawn_at is null`,
  );
  expect(stored[0]?.n).toBe(3);
  expect(stored[0]?.mean).toBeCloseTo(14.17, 1);
  await page.keyboard.press('i');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByText('logger.csv is undone')).toBeVisible();
  expect(
    (await rows<{ n: number }>(`select count(*)::int as n from reading where import_id is not null and withdrawn_at is null`))[0]?.n,
  ).toBe(0);
});

test('a 50 MB track is read off the screen’s thread, thinned, and stored as a track', async ({ page }) => {
  await openGrounds(page);
  const points: string[] = [];
  for (let i = 0; i < 640_000; i++)
    points.push(
      `<trkpt lat="${(47.598 + 0.004 * Math.sin(i / 9000)).toFixed(7)}" lon="${(-35.21 + i * 2e-8).toFixed(7)}"><time>2026-06-17T10:00:00Z</time></trkpt>`,
    );
  const big = file(
    'season.gpx',
    `<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>Whole season</name><trkseg>${points.join('\n')}</trkseg></trk></gpx>`,
  );
  expect(readFileSync(big).length).toBeGreaterThan(50e6);
  await menu(page, /Import spots/);
  await page.locator('input[type=file]').setInputFiles(big);
  // The screen still answers meanwhile.
  await expect(page.getByText(/Reading season.gpx/)).toBeVisible();
  await expect(page.getByRole('cell', { name: 'Whole season' })).toBeVisible({ timeout: 90_000 });
  await expect(page.getByLabel('What Whole season becomes')).toHaveText('a track');
  await page.getByRole('button', { name: 'Store 1 places' }).click();
  await expect(page.getByText('1 places of season.gpx are stored.')).toBeVisible();
  await page.getByRole('tab', { name: 'Piles, drawn' }).click();
  await expect(page.getByText('Whole season', { exact: true })).toBeVisible();
});

test('an XML bomb and swapped positions are caught with a remedy, duplicates offered for merging', async ({ page }) => {
  await openGrounds(page);
  await menu(page, /Import spots/);
  const input = page.locator('input[type=file]');
  await input.setInputFiles(
    file(
      'bomb.gpx',
      `<!DOCTYPE gpx [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]><gpx><wpt lat="47.6" lon="-35.2"><name>&b;</name></wpt></gpx>`,
    ),
  );
  await expect(page.getByRole('alert')).toContainText('entities of its own');
  await expect(page.getByRole('alert')).toContainText('Take the DOCTYPE out');
  const spot = (await rows<{ lat: number; lon: number }>(`select lat, lon from spot where name = 'Stub rocks'`))[0];
  if (!spot) throw new Error('no Stub rocks');
  const wpt = (lat: number, lon: number, name: string) => `<wpt lat="${lat}" lon="${lon}"><name>${name}</name></wpt>`;
  await input.setInputFiles(
    file('swapped.gpx', `<gpx>${wpt(spot.lon, spot.lat, 'Stub')}${wpt(spot.lon + 0.01, spot.lat, 'Fresh ledge')}</gpx>`),
  );
  await expect(page.getByRole('alert')).toContainText('look swapped');
  await page.getByRole('button', { name: 'Swap them' }).click();
  await expect(page.getByRole('row', { name: /Stub/ })).toContainText('Stub rocks, 0 m');
  await expect(page.getByLabel('What Stub becomes')).toHaveText('part of Stub rocks');
  await expect(page.getByLabel('What Fresh ledge becomes')).toHaveText('a new spot');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Store 2 places' }).click();
  await expect(page.locator('[data-spot="Fresh ledge"]')).toBeVisible();
  const note = await rows<{ note: string }>(`select note from spot where name = 'Stub rocks'`);
  expect(note[0]?.note).toMatch(/Also "Stub" \(swapped\.gpx, /);
});

test('soundings become contours in sight, can be stopped, and change the chart until undone', async ({ page }) => {
  await openGrounds(page);
  const lines = ['lat,lon,depth (ft),time'];
  for (let l = 0; l < 60; l++)
    for (let i = 0; i < 100; i++)
      lines.push(
        `${(47.6105 + l * 0.00008).toFixed(6)},${(-35.195 + i * 0.00006).toFixed(6)},${(20 + 6 * Math.sin(i / 9)).toFixed(1)},2026-06-17 09:${String(l).padStart(2, '0')}`,
      );
  await menu(page, /Import soundings/);
  await page.locator('input[type=file]').setInputFiles(file('drift.csv', lines.join('\n')));
  await expect(page.locator('[data-preview]')).toContainText('6000 soundings. The height of tide at their times is taken off.');
  await expect(page.getByLabel('Depth in')).toHaveText('feet');
  await page.getByRole('button', { name: 'Show contours' }).click();
  await expect(page.getByRole('img', { name: 'Contours of the soundings' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /Lay 6000 soundings/ }).click();
  await expect(page.getByText('6000 soundings of drift.csv are laid over the chart.')).toBeVisible();
  await page.getByRole('tab', { name: 'Piles, drawn' }).click();
  await expect(page.getByText('drift.csv', { exact: true })).toBeVisible();
  await menu(page, /Import soundings/);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByText('drift.csv is undone')).toBeVisible();
});

test('a grid of depths in metres of a zone lies where the zone says, and a wrong projection is told', async ({ page }) => {
  await openGrounds(page);
  const [lon, lat] = [-35.195, 47.612];
  const { default: proj4 } = await import('proj4');
  const [x, y] = proj4('+proj=longlat +datum=WGS84', '+proj=utm +zone=25 +datum=WGS84', [lon, lat]);
  const cells = Array.from({ length: 40 }, (_, r) =>
    Array.from({ length: 50 }, (_, c) => (-4 - 3 * Math.sin(c / 9) - r / 20).toFixed(2)).join(' '),
  );
  const grid = ['ncols 50', 'nrows 40', `xllcorner ${x}`, `yllcorner ${y}`, 'cellsize 10', 'NODATA_value -9999', ...cells].join('\n');
  await menu(page, /Import soundings/);
  await page.locator('input[type=file]').setInputFiles(file('sound.asc', grid));
  await expect(page.locator('[data-depth-file]')).toContainText('A grid with 2000 depths');
  await expect(page.getByLabel('Projection')).toHaveValue('EPSG:32625');
  await expect(page.getByLabel('Depth counts')).toHaveText('up (negative below)');
  await expect(page.locator('[data-preview]')).toContainText('2000 soundings.');
  await page.getByLabel('Projection').fill('EPSG:2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('no projection that can be used');
  await page.getByLabel('Projection').fill('EPSG:32625');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Show contours' }).click();
  await expect(page.getByRole('img', { name: 'Contours of the soundings' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /Lay 2000 soundings/ }).click();
  await expect(page.getByText('2000 soundings of sound.asc are laid over the chart.')).toBeVisible();
  const [survey] = await rows<{ south: number; west: number }>(
    `select (points->'lat'->>0)::float8 as south, (points->'lon'->>0)::float8 as west from survey where name = 'sound.asc'`,
  ).catch(() => []);
  if (survey) expect([Math.abs(survey.west - lon) < 0.01, Math.abs(survey.south - lat) < 0.01]).toEqual([true, true]);
  await menu(page, /Import soundings/);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByText('sound.asc is undone')).toBeVisible();
});

test('a spot is set on the chart with a key and a click, edited, and goes out in a file', async ({ page }) => {
  await openGrounds(page);
  await page.keyboard.press('n');
  await expect(page.getByText('Click where it lies.')).toBeVisible();
  const box = await page.locator('[data-chart]').boundingBox();
  if (!box) throw new Error('no chart');
  await page.mouse.click(box.x + box.width * 0.35, box.y + box.height * 0.62);
  await page.getByLabel('Name').fill('New ledge');
  await choose(page, 'Structure', 'edge');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'New ledge' })).toBeVisible();
  await page.keyboard.press('e');
  await page.getByRole('button', { name: 'Add a hazard' }).click();
  await page.getByLabel('Hazard 1, in words').fill('Old mooring chain');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.locator('[data-spot-panel]')).toContainText('Old mooring chain');
  const stored = await rows<{ depth_min_m: number; hazards: { note: string }[] }>(
    `select depth_min_m, hazards from spot where name = 'New ledge'`,
  );
  expect(stored[0]?.hazards).toMatchObject([{ note: 'Old mooring chain' }]);
  expect(stored[0]?.depth_min_m).toBeGreaterThan(-0.6);

  await menu(page, /Export spots/);
  await page.getByLabel(/that only captains know/).check();
  await page.getByRole('button', { name: 'Save the file' }).click();
  await expect(page.getByRole('alert')).toContainText('cannot be called back');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /Yes, with the captains/ }).click();
  const saved = readGpx(readFileSync(await (await download).path(), 'utf8'));
  expect(saved.places.map((p) => p.name)).toEqual(expect.arrayContaining(['New ledge', 'Tarn hole']));
});

test('what the sea bed shows is taken with one key and dismissed with another, which can be undone', async ({ page }) => {
  await openGrounds(page);
  await page.getByRole('tab', { name: 'Found' }).click();
  const list = page.locator('[data-found]');
  await expect(list.first()).toBeVisible({ timeout: 30_000 });
  const before = await list.count();
  const key = await list.first().getAttribute('data-found');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('x');
  await expect(page.getByText(/is dismissed\.$/)).toBeVisible();
  await expect(page.locator(`[data-found="${key}"]`)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator(`[data-found="${key}"]`)).toHaveCount(1);
  await page.locator(`[data-found="${key}"]`).getByRole('button').first().click();
  await page.keyboard.press('x');
  await expect(page.locator(`[data-found="${key}"]`)).toHaveCount(0);
  await page.keyboard.press('a');
  await page.getByLabel('Name').fill('Found place');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Found place' })).toBeVisible();
  await page.reload();
  await page.getByRole('tab', { name: 'Found' }).click();
  await expect(list.first()).toBeVisible({ timeout: 30_000 });
  await expect(page.locator(`[data-found="${key}"]`)).toHaveCount(0);
  expect(await list.count()).toBeLessThan(before);
});

test('a part of the water is written off with a reason, and its spots say so', async ({ page }) => {
  await openGrounds(page);
  await page.getByRole('button', { name: 'Draw' }).click();
  await page.getByRole('menuitem', { name: 'A part of the water' }).click();
  const box = await page.locator('[data-chart]').boundingBox();
  if (!box) throw new Error('no chart');
  const at = (x: number, y: number): [number, number] => [box.x + box.width * x, box.y + box.height * y];
  for (const p of [at(0.22, 0.55), at(0.33, 0.55), at(0.33, 0.78)]) await page.mouse.click(...p);
  await page.mouse.dblclick(...at(0.22, 0.78));
  await page.getByLabel('Name').fill('Mussel side');
  await page.getByLabel(/Write it off/).check();
  await page.getByLabel('Reason').fill('dredged in spring');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText('Mussel side is on the chart.')).toBeVisible();
  await expect(page.locator('[data-spot="Mussel beds"]')).toContainText('written off');
  // It is taken back, so that other stories find the water as it was.
  await page.getByRole('tab', { name: 'Piles, drawn' }).click();
  await page.locator('li', { hasText: 'Mussel side' }).getByRole('button', { name: 'remove' }).click();
  await page.getByRole('button', { name: 'Take it off' }).click();
  await expect(page.getByText('Mussel side is off the chart.')).toBeVisible();
});

test('a picture from the air is fitted by points that are known, lies under the chart and is taken away', async ({ page }) => {
  await openGrounds(page);
  const spots = await rows<{ name: string; lat: number; lon: number }>(
    `select s.name, s.lat, s.lon from spot s join water w on w.id = s.water_id where w.name = $1 and s.retired_at is null and s.privacy = 'crew' order by s.lat`,
    [(await page.getByRole('heading', { level: 1 }).textContent()) ?? ''],
  );
  // A made-up picture, north up, that holds them all.
  const [width, height] = [800, 600];
  const of = (key: 'lat' | 'lon') => spots.map((s) => s[key]);
  const [west, east, south, north] = [
    Math.min(...of('lon')) - 0.004,
    Math.max(...of('lon')) + 0.004,
    Math.min(...of('lat')) - 0.003,
    Math.max(...of('lat')) + 0.003,
  ];
  const place = (s: { lat: number; lon: number }) =>
    [((s.lon - west) / (east - west)) * width, ((north - s.lat) / (north - south)) * height] as const;
  const data = Buffer.alloc(width * height * 4, 255);
  for (let i = 0; i < width * height; i++) data.set([40 + (i % width) / 8, 90 + i / width / 8, 110, 255], 4 * i);
  const picture = path.join(folder, 'from-above.jpg');
  writeFileSync(picture, jpeg.encode({ width, height, data }, 80).data);

  await menu(page, /Pictures from the air/);
  await page.getByRole('button', { name: 'Add a picture' }).click();
  await page.locator('input[type=file]').setInputFiles(picture);
  const shown = page.getByRole('button', { name: /^The picture: tap a point/ });
  const tap = async (s: (typeof spots)[number]) => {
    const box = await shown.boundingBox();
    if (!box) throw new Error('no picture');
    const [x, y] = place(s);
    await shown.click({ position: { x: (x / width) * box.width, y: (y / height) * box.height } });
  };
  const byEast = [...spots].sort((a, b) => a.lon - b.lon);
  const known = [spots[0], spots.at(-1), byEast[0], byEast.at(-1)].filter((s, i, all) => s && all.indexOf(s) === i) as typeof spots;
  for (const [i, s] of known.entries()) {
    await tap(s);
    await choose(page, `Point ${i + 1} is`, s.name);
  }
  await expect(page.getByText(/The points lie \d+ m off on average|Three points fit whatever they are/)).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Name').fill('June from above');
  await page.getByRole('button', { name: 'Lay it under the chart' }).click();
  await expect(page.getByText('June from above lies under the chart.')).toBeVisible();
  await expect(page).toHaveURL(/picture=/);
  const [kept] = await rows<{ lon: number[]; lat: number[]; width_px: number }>(
    'select lon, lat, width_px from water_picture where name = $1',
    ['June from above'],
  );
  if (!kept) throw new Error('no picture was kept');
  expect(kept.width_px).toBe(width);
  for (const s of spots) {
    const [x, y] = place(s);
    const [lon, lat] = [kept.lon, kept.lat].map((l) => (l[0] as number) + (l[1] as number) * x + (l[2] as number) * y);
    // A tap is good to a pixel or two: some tens of metres here.
    expect(Math.hypot(((lon as number) - s.lon) * 75_000, ((lat as number) - s.lat) * 111_200), s.name).toBeLessThan(60);
  }
  await menu(page, /Pictures from the air/);
  await expect(page.getByRole('checkbox', { name: 'June from above' })).toBeChecked();
  await page.getByRole('button', { name: 'Take away June from above' }).click();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(page.getByText('None yet.')).toBeVisible();
  await expect(page).not.toHaveURL(/picture=/);
});
