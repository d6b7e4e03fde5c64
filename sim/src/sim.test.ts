import { scenario as schema } from '@bluffwind/contract/scenario';
import { depthAt, toLocal } from '@bluffwind/core/ground/seaBed';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { qualityFlags } from '@bluffwind/core/weather/quality';
import { beforeAll, describe, expect, it } from 'vitest';
import { GROUND } from './geography';
import { buildScenario } from './scenario';
import { forecastOf, readingsOf, stationApp } from './station';
import { DEMO_START, SOUND_TIDE, weatherAt } from './weather';

let world: ReturnType<typeof buildScenario>;
beforeAll(() => {
  world = buildScenario();
});

describe('the invented world', () => {
  it('is the same from the same seed and fits its schema', () => {
    expect(schema.safeParse(JSON.parse(JSON.stringify(world))).success).toBe(true);
    const again = buildScenario();
    expect(JSON.stringify(again.outfits[0]?.trips.slice(0, 20))).toBe(JSON.stringify(world.outfits[0]?.trips.slice(0, 20)));
  });

  it('has 24, 8 and 14 spots, each in the water', () => {
    const o = world.outfits[0];
    const counts = o?.waters.map((w) => o.spots.filter((s) => s.waterId === w.id).length);
    expect(counts).toEqual([24, 8, 14]);
    o?.spots.forEach((s) => {
      const water = o.waters.find((w) => w.id === s.waterId);
      const bed = Object.values(GROUND)[o.waters.indexOf(water as never)]?.bed;
      const p = toLocal(bed as never, s.lat, s.lon);
      expect(depthAt(bed as never, p.xM, p.yM) ?? -9, s.name).toBeGreaterThan(-0.6);
    });
  });

  it('never has a boat or captain in two trips at once, and no more guests than seats', () => {
    const o = world.outfits[0];
    for (const key of ['boatId', 'captainId'] as const) {
      const byOne = new Map<string, { from: number; to: number }[]>();
      for (const t of o?.trips ?? []) {
        const list = byOne.get(t[key]) ?? [];
        const span = { from: Date.parse(t.startsAt), to: Date.parse(t.endsAt) };
        expect(
          list.some((x) => x.from < span.to && span.from < x.to),
          `${key} ${t.startsAt}`,
        ).toBe(false);
        byOne.set(t[key], [...list, span]);
        expect(t.clientIds.length).toBeLessThanOrEqual(o?.boats.find((b) => b.id === t.boatId)?.seats ?? 0);
      }
    }
  });

  it('has three seasons with empty hours as well as fish, and five trips tomorrow', () => {
    const trips = world.outfits[0]?.trips ?? [];
    const sets = trips.flatMap((t) => t.stops.flatMap((s) => s.sets));
    const blank = sets.filter((s) => s.catches.length === 0).length / sets.length;
    expect(sets.length).toBeGreaterThan(3000);
    expect(blank).toBeGreaterThan(0.35);
    expect(blank).toBeLessThan(0.7);
    expect(trips.filter((t) => t.startsAt.startsWith('2026-06-19'))).toHaveLength(5);
    expect(new Set(trips.map((t) => t.startsAt.slice(0, 4)))).toEqual(new Set(['2024', '2025', '2026']));
  });

  it('has a mean range of tide of about 2.6 m, mixed semidiurnal', () => {
    const turns = tideTurns(tideModel(SOUND_TIDE.constants, SOUND_TIDE.z0M), DEMO_START, DEMO_START + 60 * DAY);
    const ranges = turns.slice(1).map((t, i) => Math.abs(t.heightM - (turns[i]?.heightM ?? 0)));
    const mean = ranges.reduce((a, b) => a + b, 0) / ranges.length;
    expect(Math.abs(mean - 2.6)).toBeLessThan(0.4);
    expect(turns.length).toBeGreaterThan(220);
  });

  it('turns the wind on Friday at midday', () => {
    const friday = (hour: number) => weatherAt(Date.UTC(2026, 5, 19, hour + 2));
    expect(friday(8).windMps).toBeLessThan(5);
    expect(friday(8).windFromDeg).toBeGreaterThan(100);
    expect(friday(8).windFromDeg).toBeLessThan(170);
    expect(friday(15).windMps).toBeGreaterThan(7);
    expect(friday(15).windFromDeg).toBeGreaterThan(205);
  });

  it('gives the second outfit nothing of the first', () => {
    const [first, second] = world.outfits;
    const ids = new Set(JSON.stringify(first).match(/[0-9a-f]{8}-[0-9a-f-]{27}/g));
    expect((JSON.stringify(second).match(/[0-9a-f]{8}-[0-9a-f-]{27}/g) ?? []).some((id) => ids.has(id))).toBe(false);
  });
});

describe('the simulated station', () => {
  const month = readingsOf('harbour', DEMO_START - 29 * DAY, DEMO_START);
  const of = (variable: string) => month.filter((r) => r.variable === variable).map((r) => ({ atMs: Date.parse(r.at), value: r.value }));

  it('has gaps and spikes that the quality flags find, and few false alarms', () => {
    const temps = of('waterTempC');
    expect(temps.length).toBeLessThan(29 * 24);
    const flags = qualityFlags('waterTempC', temps);
    const spikes = temps.filter((r, i) => flags[i] === 4 && r.value > 20).length;
    const wrong = temps.filter((r, i) => flags[i] === 4 && r.value < 20).length;
    expect(spikes).toBeGreaterThan(0);
    expect(spikes).toBe(temps.filter((r) => r.value > 20).length);
    expect(wrong).toBeLessThan(temps.length * 0.01);
  });

  it('sticks at Point Sarn from Thursday morning, which is found out', () => {
    const sarn = readingsOf('sarn', DEMO_START - 2 * DAY, DEMO_START)
      .filter((r) => r.variable === 'windMps')
      .map((r) => ({ atMs: Date.parse(r.at), value: r.value }));
    const flags = qualityFlags('windMps', sarn);
    expect(flags.at(-1)).toBe(4);
    expect(flags.slice(0, 24).every((f) => f === 1)).toBe(true);
  });

  it('forecasts with members that drift apart', () => {
    const run = Date.UTC(2026, 5, 18, 18);
    const { members, times } = forecastOf('harbour', run);
    expect(members).toHaveLength(10);
    const spread = (i: number) => {
      const v = members.map((m) => m.variables.waterTempC?.[i] ?? 0);
      return Math.max(...v) - Math.min(...v);
    };
    expect(spread(times.length - 1)).toBeGreaterThan(spread(1));
    expect(Date.parse(times[1] as string) - Date.parse(times[0] as string)).toBe(HOUR);
  });

  it('answers over HTTP and refuses what it does not know', async () => {
    const app = stationApp();
    const ok = await app.request('/harbour/readings?from=2026-06-18T00:00:00Z&to=2026-06-18T06:00:00Z');
    expect((await ok.json()).readings.length).toBeGreaterThan(20);
    expect((await app.request('/nowhere/readings?from=2026-06-18T00:00:00Z&to=2026-06-18T06:00:00Z')).status).toBe(400);
    expect((await app.request('/harbour/forecast?run=soon')).status).toBe(400);
  });
});
