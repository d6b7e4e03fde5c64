// What a guide asks of Water and Grounds, read from the screen and compared with the core.
import type { Chart, SpotView } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { WaterStateView } from '@bluffwind/contract/water';
import { passageTimes } from '@bluffwind/core/conditions/passages';
import { shelterOf } from '@bluffwind/core/conditions/shelter';
import { conditionsOver, plainSpot } from '@bluffwind/core/conditions/spotConditions';
import { warmingOrder } from '@bluffwind/core/conditions/warming';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { measureSpot } from '@bluffwind/core/ground/measureSpot';
import { bedOf, overlaySurveys } from '@bluffwind/core/ground/overlay';
import { pileShade } from '@bluffwind/core/ground/piles';
import { DAY, HOUR, localTime, startOfLocalDay } from '@bluffwind/core/units/time';
import { sampleSeries } from '@bluffwind/core/weather/series';
import { expect, type Page, test } from '@playwright/test';
import { choose, expectAccessible, moveCursor, signIn } from './helpers';

const ZONE = 'Etc/GMT+2';
const FRIDAY = startOfLocalDay('2026-06-19', ZONE);
const iso = (ms: number) => new Date(ms).toISOString();

/** What the screens work on, asked for in the same way. */
async function world(page: Page, from: number, to: number) {
  const get = async <T>(path: string): Promise<T> => (await page.request.get(`/api${path}`)).json();
  const outfit = await get<OutfitView>('/outfit');
  const water = outfit.waters.find((w) => w.name === 'Hollin Sound');
  if (!water) throw new Error('no Hollin Sound');
  const state = await get<WaterStateView>(`/waters/${water.id}/state?${new URLSearchParams({ from: iso(from), to: iso(to) })}`);
  const spots = await get<SpotView[]>(`/waters/${water.id}/spots`);
  const chart = await get<Chart>(`/waters/${water.id}/chart`);
  const live = waterStateOf(state.record);
  const bed = overlaySurveys(
    bedOf(chart.bed),
    chart.surveys.flatMap((s) => (s.grid ? [bedOf(s.grid)] : [])),
  );
  return { outfit, water, state, spots, chart, live, bed, at: conditionsOver(live, from, to) };
}

test('where it is sheltered at 14:00, which side of pile 3 is shaded at 16:30', async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/grounds');
  await expect(page.getByRole('heading', { level: 1, name: 'Hollin Sound' })).toBeVisible();
  const start = startOfLocalDay('2026-06-18', ZONE);
  const w = await world(page, start + 4 * HOUR, start + 46 * HOUR);

  const two = FRIDAY + 14 * HOUR;
  await moveCursor(page, two);
  await choose(page, 'Order', 'most sheltered first');
  const expected = w.spots.filter((s) => shelterOf(w.at(s, two)) === 'sheltered').map((s) => s.name);
  expect(expected.length).toBeGreaterThan(1);
  const shown: string[] = [];
  for (const row of await page.locator('[data-spot]').all()) {
    if (/, sheltered/.test(await row.innerText())) shown.push((await row.getAttribute('data-spot')) ?? '');
  }
  expect(shown.sort()).toEqual(expected.sort());
  // They stand first in the list.
  const first = await page.locator('[data-spot]').first().getAttribute('data-spot');
  expect(expected).toContain(first);

  const half = FRIDAY + 16.5 * HOUR;
  await moveCursor(page, half);
  await page.getByRole('tab', { name: 'Piles, drawn' }).click();
  await page.getByRole('button', { name: '3', exact: true }).click();
  const bridge = w.chart.marks.find((m) => m.piles);
  const c = w.at(plainSpot(w.live, 5), half);
  const shade = pileShade({ heightDeg: c.sunHeightDeg, bearingDeg: c.sunBearingDeg }, bridge?.piles?.deckM ?? 0, c.tideHeightM ?? 0, 3);
  if (!shade) throw new Error('the sun is up at half past four in June');
  await expect(page.locator('[data-pile-shade]')).toContainText(`At 16:30 pile 3 is shaded on its ${shade.side} side`);
  await expect(page.locator('[data-pile-shade]')).toContainText(`${shade.displacedM.toFixed(1)} m`);
  await expectAccessible(page);
});

test("which flat warms first, when Tern's Errand can cross the bar, how it differs from yesterday", async ({ page }) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/water');
  await expect(page.getByText('Since this time yesterday')).toBeVisible();
  const start = startOfLocalDay('2026-06-18', ZONE);
  const w = await world(page, start - 2 * DAY, start + 2.9 * DAY);
  const { now } = (await (await page.request.get('/api/me')).json()) as { now: string };
  const at = Date.parse(now);

  const [here, before] = [
    sampleSeries(w.live.waterTempC, at, { carryMs: 12 * HOUR })?.value,
    sampleSeries(w.live.waterTempC, at - DAY)?.value,
  ];
  await expect(page.getByRole('tabpanel', { name: 'Changed' })).toContainText(`${here?.toFixed(1)} °C, was ${before?.toFixed(1)}.`);

  await page.getByRole('tab', { name: 'Warmth' }).click();
  await page.getByLabel('Flats only').check();
  const order = warmingOrder(
    w.at,
    w.spots.filter((s) => s.structure === 'flat'),
    FRIDAY + 4 * HOUR,
    FRIDAY + 20 * HOUR,
  );
  const first = order[0];
  if (!first) throw new Error('no flat warms');
  const row = page.locator('[data-warming]').first();
  await expect(row).toHaveAttribute('data-warming', first.spot.name);
  await expect(row).toContainText(`+${first.gainC.toFixed(1)} °C`);
  await expect(row).toContainText(`${first.highC.toFixed(1)} ±${first.sdC.toFixed(1)} at ${localTime(first.highAtMs, ZONE)}`);
  await expectAccessible(page);

  await page.getByRole('tab', { name: 'Bars, limits' }).click();
  const bar = w.chart.features.find((f) => f.kind === 'passage');
  const boat = w.outfit.boats.find((b) => b.name === "Tern's Errand");
  if (!bar || !boat) throw new Error('no bar or boat');
  const m = measureSpot(w.bed, 'line', bar.points);
  const passage = { chartedDepthM: bar.detail.chartedDepthM ?? 0, ground: plainSpot(m, bar.detail.chartedDepthM ?? 0, m.fetchM) };
  const windows = passageTimes(w.at, passage, boat.draughtM, FRIDAY, FRIDAY + DAY);
  expect(windows.length).toBeGreaterThan(1);
  const text = await page.locator(`[data-passage="Sarn bar Tern's Errand"] dd`).innerText();
  // To the minute; the gauge's newest reading may come between the screen's question and ours.
  const minutes = (t: string) => Number(t.slice(0, 2)) * 60 + Number(t.slice(3));
  const edges = [...text.matchAll(/\d\d:\d\d/g)].map((x) => minutes(x[0]));
  const ours = windows.flatMap((x) => [Math.max(0, (x.fromMs - FRIDAY) / 60_000), Math.min(1440, (x.toMs - FRIDAY) / 60_000)]);
  expect(edges).toHaveLength(ours.length);
  edges.forEach((e, i) => {
    expect(Math.abs(e - (ours[i] as number))).toBeLessThan(1.5);
  });
  await expectAccessible(page);
  await page.getByRole('tab', { name: 'Sources' }).click();
  await expectAccessible(page);
});

test('a spot is opened and shows its day and its history', async ({ page }) => {
  await signIn(page, 'Ilse Marrable');
  await page.goto('/grounds');
  await page.locator('[data-spot="Kettle lip"]').click();
  const panel = page.locator('[data-spot-panel]');
  for (const row of ['Depth', 'Tide', 'Wind', 'Wave', 'Water', 'Light', 'Shade', 'Run'])
    await expect(panel.locator(`[data-row="${row}"]`)).toBeVisible();
  await expect(panel.locator('tspan', { hasText: 'late ebb' })).toBeVisible();
  await page.getByRole('button', { name: 'All spots' }).click();
  await page.locator('[data-spot="Cold Kettle drain"]').click();
  await expect(panel.locator('[data-row="Way in"]')).toContainText(/\d\d:\d\d–\d\d:\d\d.* for Tern's Errand/);
  await expectAccessible(page);
});
