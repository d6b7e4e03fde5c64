import { scenario as schema } from '@bluffwind/contract/scenario';
import { depthAt, toLocal } from '@bluffwind/core/ground/seaBed';
import { parseNmea } from '@bluffwind/core/formats/nmea';
import { NmeaCollector } from '@bluffwind/core/formats/nmeaLog';
import { currentModel } from '@bluffwind/core/tide/currentModel';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { tideTurns } from '@bluffwind/core/tide/tideTurns';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { qualityFlags } from '@bluffwind/core/weather/quality';
import { beforeAll, describe, expect, it } from 'vitest';
import { GROUND } from './geography';
import { buildScenario } from './scenario';
import { sentencesAt } from './instrument';
import { forecastOf, readingsOf, stationApp } from './station';
import { DEMO_START, SOUND_CURRENTS, SOUND_TIDE, spotWarmthAt, weatherAt } from './weather';

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

describe('the invented grounds', () => {
  it('have a bar that shuts at low water and a survey of over 50,000 soundings with a hole in it', () => {
    const sound = world.outfits[0]?.waters[0];
    const bar = sound?.features.find((f) => f.kind === 'passage');
    const middle = toLocal(GROUND.sound.bed, bar?.points[1]?.[1] ?? 0, bar?.points[1]?.[0] ?? 0);
    expect(depthAt(GROUND.sound.bed, 500, middle.yM) ?? 9).toBeLessThan(0.6);
    const survey = world.outfits[0]?.surveys[0];
    expect(survey?.lat.length).toBeGreaterThan(50_000);
    const local = survey?.lat.map((lat, i) => toLocal(GROUND.sound.bed, lat, survey.lon[i] as number)) ?? [];
    expect(local.some((p) => Math.hypot(p.xM - 5050, p.yM - 2700) < 100)).toBe(false);
  });
  it('have a flood that runs while the water rises', () => {
    const tide = tideModel(SOUND_TIDE.constants, SOUND_TIDE.z0M);
    for (const station of SOUND_CURRENTS) {
      const model = currentModel({ ...station, lat: 0, lon: 0 });
      const turns = tideTurns(tide, DEMO_START, DEMO_START + 3 * DAY).filter((t) => !t.minor);
      for (const low of turns.filter((t) => t.kind === 'low'))
        expect(model.at(low.atMs + 3 * HOUR).signedMps, station.name).toBeGreaterThan(0.05);
      for (const high of turns.filter((t) => t.kind === 'high'))
        expect(model.at(high.atMs + 3 * HOUR).signedMps, station.name).toBeLessThan(-0.05);
    }
  });
  it('have shallow dark ground warmer in the afternoon than deep or pale ground, and no warmth at night', () => {
    const noon = Date.UTC(2026, 5, 17, 17);
    const at = (depth: number, bottom: string, t = noon) => spotWarmthAt({ depthMinM: depth, depthMaxM: depth, bottom }, t);
    expect(at(0.3, 'mud')).toBeGreaterThan(at(6, 'mud'));
    expect(at(0.3, 'shell')).toBeGreaterThan(at(0.3, 'sand'));
    expect(at(0.3, 'mud', noon - 12 * HOUR)).toBe(0);
  });
});

describe("the simulated boat's instruments", () => {
  it('speak NMEA 0183 along a drift, with garbled lines, silence and spikes', () => {
    const collector = new NmeaCollector();
    let [lines, garbled, silent] = [0, 0, 0];
    for (let s = 0; s < 3600; s++) {
      const said = sentencesAt(DEMO_START + s * 1000);
      if (said.length === 0) silent++;
      for (const line of said) {
        lines++;
        if (collector.take(line)) garbled++;
      }
    }
    expect(garbled).toBeGreaterThan(0);
    expect(garbled).toBeLessThan(lines * 0.1);
    expect(silent).toBeGreaterThan(0);
    expect(collector.soundings.length).toBeGreaterThan(2500);
    const depths = collector.soundings.map((s) => s.soundedM).sort((a, b) => a - b);
    expect(depths.at(-1)).toBeGreaterThan(40);
    expect(depths[Math.floor(depths.length / 2)]).toBeLessThan(20);
    for (const s of collector.soundings) expect(toLocal(GROUND.sound.bed, s.lat, s.lon).yM).toBeGreaterThan(2200);
  });
  it('give sentences whose checksums hold', () => {
    const said = Array.from({ length: 60 }, (_, s) => sentencesAt(DEMO_START + s * 1000)).flat();
    expect(said.filter((l) => 'fact' in parseNmea(l)).length).toBeGreaterThan(said.length * 0.8);
  });
});
