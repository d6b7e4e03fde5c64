// The evening's second half: from tomorrow's plans to rigs, the list ticked on a phone, and the sums of the bench; numbers on screen are the
// command line's.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, type Page, test } from '@playwright/test';
import { afterStory, expectAccessible, findSignal, loseSignal, rows, signIn } from './helpers';

test.afterEach(({ browser, context }, { errors }) => afterStory({ browser, context }, errors.length > 0));

test.describe.configure({ mode: 'serial' });

const LAB = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../dist/lab.mjs');
// biome-ignore lint/suspicious/noExplicitAny: answers of every calculation
function lab(name: string, input: object): any {
  return JSON.parse(spawnSync(process.execPath, [LAB, name], { input: JSON.stringify(input), encoding: 'utf8' }).stdout);
}

async function tripOf(page: Page, boat: string): Promise<string> {
  const board = (await (await page.request.get('/api/board')).json()) as { tomorrow: { id: string; boat: { name: string } }[] };
  const trip = board.tomorrow.find((t) => t.boat.name === boat);
  if (!trip) throw new Error(`no trip of ${boat}`);
  return trip.id;
}

/** Lays a trip's day and saves it. */
async function plan(page: Page, id: string): Promise<void> {
  await page.goto(`/trips/${id}`);
  await expect(page.locator('[data-call]').first()).toBeVisible({ timeout: 60_000 });
  const seen = page.getByRole('button', { name: /I have seen|I saw/ });
  if ((await seen.count()) > 0) await seen.first().click();
  await page.keyboard.press('s');
  await expect(page.locator('[data-proof]')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/Plan \d+ saved/)).toBeVisible({ timeout: 30_000 });
}

test.beforeAll(async () => {
  await rows('delete from leg');
  await rows('delete from plan');
  // Another story left one bait aboard.
  await rows('update trip set aboard = null where aboard is not null');
});
test.afterAll(async () => {
  await rows('delete from leg');
  await rows('delete from plan');
});

test('a trip without a plan says what is missing; with one every stop has its rigs, and one is changed by hand', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  const id = await tripOf(page, "Tern's Errand");
  await page.goto(`/trips/${id}/rigs`);
  await page.getByRole('link', { name: 'Lay the day and save it' }).click();
  await plan(page, id);
  await page.keyboard.press('g');
  await page.keyboard.press('k');
  await expect(page.getByRole('heading', { level: 1, name: /^Rigs for/ })).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('[data-rig-stop]').first()).toBeVisible({ timeout: 60_000 });
  const stops = await rows<{ n: number }>('select count(*)::int as n from leg l join plan p on p.id = l.plan_id where p.trip_id = $1', [
    id,
  ]);
  await expect(page.locator('[data-rig-stop]')).toHaveCount(stops[0]?.n ?? 0);
  await expect(page.locator('[data-rig-picture]').first()).toBeVisible();
  await expectAccessible(page);

  // Where a weight hangs, what the card says is what the sum says; which rigs a day has is for the water to decide.
  const rigs = page.getByRole('navigation', { name: 'Rigs', exact: true }).getByRole('button');
  const HOLDS = /(\d+) g[\s\S]*Holds (\d+)° from plumb in ([\d.]+) m\/s on [^(]*\(([\d.]+) mm\)/;
  for (let i = 0; i < (await rigs.count()); i++) {
    await rigs.nth(i).click();
    const weight = page.locator('[data-part="weight"]');
    const said = (await weight.count()) > 0 ? HOLDS.exec(await weight.innerText()) : null;
    if (!said) continue;
    const stop = page.locator('[data-rig-stop]').filter({ has: page.locator('[aria-pressed="true"]') });
    const depthM = Number(/([\d.]+) m deep/.exec(await stop.innerText())?.[1]);
    const [grams, angle, currentMps, lineMm] = said.slice(1).map(Number) as [number, number, number, number];
    // Depth, current and line are shown rounded, and the depth is that of the middle of the stay.
    expect(Math.abs(lab('plumb', { depthM, currentMps, lineMm, sinkerG: grams }).angleDeg - angle)).toBeLessThan(6);
    break;
  }

  const leader = page.locator('[data-part="leader"]');
  const was = (await leader.locator('[data-what]').innerText()).split(',')[0] ?? '';
  await leader.getByRole('button', { name: 'Change' }).click();
  await page.getByLabel('leader, kg').fill('400');
  await expect(page.getByText('From 0.1 to 200.')).toBeVisible();
  await page.getByLabel('leader, kg').fill('9.5');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(leader.getByRole('button', { name: 'Change' })).toBeFocused();
  await expect(leader.locator('[data-what]')).toContainText('9.5 kg');
  await expect(leader).toContainText(`by the reckoning it would be ${was}`);
  expect(await rows('select value, part from rig_choice where trip_id = $1', [id])).toEqual([{ value: 9.5, part: 'leader' }]);
  await page.reload();
  await expect(leader.locator('[data-what]')).toContainText('9.5 kg', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Give it back' }).click();
  await expect(leader.locator('[data-what]')).toContainText(was);

  // A spot drawn as a line is drifted along, behind the sea anchor of its card; the boat's own drift, timed, takes the place of the guess.
  const track = page.locator('[data-part="track"]');
  // Whether the day goes to one, and with what, is for the water to decide: the last stop is moved to one and given a spoon.
  await rows(
    `update leg set spot_id = (select id from spot where name = 'Whin island point'),
       presentation_id = (select p.id from presentation p join outfit o on o.id = p.outfit_id where p.name = 'Vertical spoon 60 g' and o.name = 'Greywether Guiding') where id = (select l.id from leg l join plan p on p.id = l.plan_id
       where p.trip_id = $1 order by l.position desc limit 1)`,
    [id],
  );
  await page.reload();
  await page.locator('[data-rig-stop]').filter({ hasText: 'Whin island point' }).getByRole('button').first().click({ timeout: 60_000 });
  await expect(track).toContainText(/Drift (along|across) it behind a sea anchor of .*(a pass takes|passes an hour)/);
  const guessed = await track.innerText();
  await expect(page.locator('[data-drift-of]')).toContainText('is guessed from her seats and draught');
  await page.getByRole('button', { name: 'Time her drift' }).click();
  await page.getByLabel('Wind, m/s').fill('3');
  await page.getByLabel('She drifted, m/s').fill('4');
  await page.getByRole('dialog').getByRole('button', { name: 'Store', exact: true }).click();
  await expect(page.getByText('expected less than the wind')).toBeVisible();
  await page.getByLabel('Wind, m/s').fill('6');
  await page.getByLabel('She drifted, m/s').fill('0.9');
  await expectAccessible(page);
  await page.getByRole('dialog').getByRole('button', { name: 'Store', exact: true }).click();
  await expect(page.locator('[data-drift-of]')).toContainText('drifts as she was timed', { timeout: 30_000 });
  await expect(track).not.toHaveText(guessed, { timeout: 30_000 });
  const [hull] = await rows<{ windage_m2: number; hull_m2: number }>(
    `select windage_m2, hull_m2 from boat where name = 'Tern''s Errand' and windage_m2 is not null`,
  );
  const timed = { windMps: 6, windFromDeg: 0, currentMps: 0, currentToDeg: 0, windageM2: hull?.windage_m2, hullM2: hull?.hull_m2 };
  expect(lab('drift', timed).throughWaterMps).toBeCloseTo(0.9, 2);
  await rows(`update boat set hull_m2 = null where name = 'Tern''s Errand'`);

  // Cards for the box, and the list, on paper.
  await page.emulateMedia({ media: 'print' });
  const cards = page.locator('[data-print-cards] section');
  expect(await cards.count()).toBeGreaterThan(stops[0]?.n ?? 0);
  await expect(cards.first()).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Screens' })).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
});

test('the list of the night before is ticked on a phone without a network, and the crew sees it', async ({ browser, page }) => {
  await signIn(page, 'Oskar Thrane');
  const id = await tripOf(page, 'Marrow');
  await plan(page, id);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, baseURL: process.env.BASE_URL });
  const phone = await context.newPage();
  await signIn(phone, 'Oskar Thrane');
  await phone.goto(`/trips/${id}/rigs?show=tonight`);
  await expect(phone.locator('[data-tonight] input').first()).toBeVisible({ timeout: 60_000 });
  await expectAccessible(phone);
  await phone.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const all = await phone.locator('[data-tonight] input').count();
  await loseSignal(context);
  await phone.locator('[data-tonight] input').nth(0).check();
  await phone.locator('[data-tonight] input').nth(1).check();
  await expect(phone.locator('[data-ticked]')).toHaveText(`2 of ${all}`);
  await expect(phone.getByText('2 on this phone, sent when there is a network.')).toBeVisible();
  expect(await rows('select key from rig_tick where trip_id = $1', [id])).toEqual([]);
  // Closed and opened again where there is none: nothing is lost.
  await phone.reload();
  await expect(phone.locator('[data-ticked]')).toHaveText(`2 of ${all}`, { timeout: 60_000 });
  await findSignal(context);
  await expect.poll(() => rows('select key from rig_tick where trip_id = $1 and done', [id]), { timeout: 40_000 }).toHaveLength(2);
  await page.goto(`/trips/${id}/rigs`);
  await expect(page.locator('[data-ticked]')).toHaveText(`2 of ${all}`, { timeout: 60_000 });
  await page.locator('[data-tonight] input').nth(1).uncheck();
  await expect(page.locator('[data-ticked]')).toHaveText(`1 of ${all}`);
  await expect.poll(() => rows('select key from rig_tick where trip_id = $1 and done', [id])).toHaveLength(1);
  await context.close();
});

test('the bench works its sums as the command line does, and counted casts come to the chart', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/bench?sum=feeder');
  const figure = (name: string) => page.locator(`[data-figure="${name}"]`);
  const said = async (name: string) => Number.parseFloat((await figure(name).innerText()).replace('+', ''));
  const usual = lab('feeder', { clipM: 40, depthM: 9, fallMps: 0.6, keepS: 20 });
  expect(await said('Comes to rest at')).toBeCloseTo(usual.restM, 2);
  await page.getByLabel('Depth', { exact: true }).first().fill('12');
  const deeper = lab('feeder', { clipM: 40, depthM: 12, fallMps: 0.6, keepS: 20 });
  await expect(figure('Comes to rest at')).toContainText(deeper.restM.toFixed(2));
  expect(await said('Feed left in it')).toBeCloseTo(deeper.leftShare * 100, -0.3);
  expect(page.url()).toContain('depthM=12');
  await page.getByLabel('Clip', { exact: true }).first().fill('10');
  await expect(page.getByRole('alert')).toContainText('expected more than the depth of 12 m, got 10');
  await page.getByLabel('Clip', { exact: true }).first().fill('50');
  // The clip is dragged in the picture.
  const handle = page.locator('[data-handle="clipM"]');
  const box = await handle.boundingBox();
  if (!box) throw new Error('no handle');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x - 60, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  expect(Number(new URL(page.url()).searchParams.get('clipM'))).toBeLessThan(50);
  await expectAccessible(page);

  await page.goto('/bench?sum=plumb&depthM=14&currentMps=0.4&lineMm=0.15&sinkerG=60');
  const hangs = lab('plumb', { depthM: 14, currentMps: 0.4, lineMm: 0.15, sinkerG: 60 });
  expect(await said('Line out')).toBeCloseTo(hangs.lineM, 2);
  expect(await said('Angle at the rod')).toBeCloseTo(hangs.angleDeg, 1);

  for (const sum of ['sink', 'plumb', 'drift', 'zone', 'dive', 'search', 'mix', 'campaign', 'fish', 'gas', 'leader']) {
    await page.goto(`/bench?sum=${sum}`);
    await expect(page.locator('[data-sum]')).toBeVisible();
    await expect(page.getByRole('alert')).toHaveCount(0);
    await expect(page.locator('main')).not.toContainText(/NaN|undefined|Infinity/);
  }

  await page.goto('/bench?sum=boards');
  await expect(page.locator('[data-board="1"] [data-bait]')).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('Let out, m of board 1').fill('4.5');
  await expect(page.locator('[data-board="1"] [data-bait]')).toContainText('5.7 m');
  await expectAccessible(page);

  await page.goto('/bench?sum=countdown');
  await expect(page.locator('[data-sounding]').first()).toBeVisible({ timeout: 30_000 });
  const casts = lab('countdown', { bombMps: 2.2, at: [0, 0], casts: [{ bearingDeg: 20, distanceM: 40, seconds: 2.1 }] });
  expect(Number.parseFloat(await page.locator('[data-sounding]').first().innerText())).toBeCloseTo(casts.soundings[0].depthM, 1);
  await page.getByRole('button', { name: 'Put them on the chart' }).click();
  await expect(page.getByText(/4 soundings are on the chart of/)).toBeVisible();
  const [survey] = await rows<{ n: number; tide: boolean }>(
    `select cardinality(depth_m) as n, tide_corrected as tide from survey where name = 'Counted casts'`,
  );
  expect(survey).toEqual({ n: 4, tide: true });
  await page.goto('/grounds');
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem', { name: /Import soundings/ }).click();
  await expect(page.getByRole('dialog').getByText('Counted casts').first()).toBeVisible({ timeout: 30_000 });
  await rows(`delete from survey where name = 'Counted casts'`);
  await rows(`delete from import where file_name = 'Counted casts'`);
});

test('gear that the crew lists is what rigs are chosen from', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/baits');
  await page.getByRole('link', { name: 'Gear', exact: true }).click();
  await expect(page.getByText('None listed: the usual sizes are taken.').first()).toBeVisible();
  await page.keyboard.press('n');
  await page.getByLabel('Name').fill('Bell lead');
  await page.getByLabel(/^Weight, g/).fill('77');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.locator('[data-gear="Bell lead"]')).toContainText('77 g');
  await expectAccessible(page);
  const id = await tripOf(page, "Tern's Errand");
  const { box } = await (await page.request.get(`/api/trips/${id}/rigs`)).json();
  expect(box).toMatchObject({ weightsG: [77], usual: { weights: false } });
  await page.getByRole('button', { name: 'Put away Bell lead' }).click();
  await expect(page.getByText('Bell lead is put away.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Bell lead is back.')).toBeVisible();
  await rows(`delete from gear`);
});
