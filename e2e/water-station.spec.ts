// A station that dies, lies and comes back.
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { WaterStateView } from '@bluffwind/contract/water';
import { expect, test } from '@playwright/test';
import { rows, setDemoClock, signIn, station } from './helpers';

const iso = (ms: number) => new Date(ms).toISOString();

test('Water recovers alone from a station that dies, talks garbage and comes back, and shows no flagged value as true', async ({
  page,
}) => {
  await signIn(page, 'Tobias Wend');
  await page.goto('/water');
  await page.getByRole('tab', { name: 'Sources' }).click();
  const harbour = page.locator('[data-station="Hollin Harbour"]');
  await expect(harbour).toContainText('Last good reading');
  const later = async (minutes: number) => {
    const { now } = (await (await page.request.get('/api/me')).json()) as { now: string };
    await setDemoClock(page, iso(Date.parse(now) + minutes * 60_000));
  };
  const trusted = () =>
    rows<{ variable: string; least: number; most: number }>(
      `select variable, min(value) as least, max(value) as most from reading where flag < 3 and at > now() - interval '20 years' group by variable`,
    );
  const outfit = (await (await page.request.get('/api/outfit')).json()) as OutfitView;
  const sound = outfit.waters.find((w) => w.name === 'Hollin Sound');
  const span = { from: '2026-06-17T00:00:00.000Z', to: '2026-06-21T00:00:00.000Z' };
  const statePath = `/api/waters/${sound?.id}/state?${new URLSearchParams(span)}`;
  await station('none');
  await later(2);
  await expect(harbour).toContainText(/fetch failed|refused/, { timeout: 60_000 });
  await expect(harbour).toContainText('Its last good readings stay in use');

  await station('broken');
  for (let i = 0; i < 4; i++) {
    // On past the back-off, so that it is asked again, and told another nonsense.
    await later(3);
    await page.waitForTimeout(6000);
    const state = (await (await page.request.get(statePath)).json()) as WaterStateView;
    const temps = state.record.waterTempC?.value ?? [];
    expect(temps.length).toBeGreaterThan(10);
    expect(Math.max(...temps)).toBeLessThan(25);
  }
  for (const r of await trusted()) {
    if (r.variable === 'windMps') expect(r.most).toBeLessThan(60);
    if (r.variable === 'waterTempC') expect(r.most).toBeLessThan(36);
  }

  await station('good');
  await later(5);
  await expect(harbour).not.toContainText('Its last good readings stay in use', { timeout: 60_000 });
  await expect(harbour).not.toContainText(/answered 503|not usable|not valid/);
});
