import type { WaterStateView } from '@bluffwind/contract/water';
import { HOUR } from '@bluffwind/core/units/time';
import { windComponents } from '@bluffwind/core/weather/wind';
import { describe, expect, it } from 'vitest';
import { sinceYesterday } from './sinceYesterday';

const NOW = Date.UTC(2026, 5, 18, 19, 40);
const atMs = Array.from({ length: 96 }, (_, i) => NOW + (i - 48) * HOUR);
const of = (value: (at: number) => number) => ({ atMs, value: atMs.map(value), forecastFrom: 49 });

function state(from: (at: number) => number, more: Partial<WaterStateView> = {}): WaterStateView {
  const part = (key: 'east' | 'north') => of((at) => windComponents(6, from(at))[key]);
  return {
    record: {
      lat: 47.6,
      lon: -35.2,
      tide: {
        z0M: 1.8,
        constants: [
          { name: 'M2', amplitudeM: 1.2, phaseDeg: 300 },
          { name: 'S2', amplitudeM: 0.35, phaseDeg: 300 },
        ],
      },
      wind: { east: part('east'), north: part('north'), gust: null },
      airTempC: null,
      pressureHpa: of((at) => 1015 - Math.max(0, (at - NOW) / HOUR) * 0.4),
      cloud: null,
      waterTempC: of((at) => 14 + ((at - NOW) / HOUR) * 0.05),
      clarityM: null,
      flowM3s: null,
    },
    measuredLevelM: null,
    windSpread: null,
    waterTempSpread: null,
    forecastRunAt: null,
    stations: [],
    crewReadings: [],
    ...more,
  };
}
const heads = (s: WaterStateView) => sinceYesterday(s, NOW, 'Etc/GMT+2').map((c) => c.head);

describe('what changed since yesterday', () => {
  it('says that the wind goes round, with both schools of what it means', () => {
    const said = sinceYesterday(
      state((at) => (at < NOW + 12 * HOUR ? 135 : 225)),
      NOW,
      'Etc/GMT+2',
    )[0];
    expect(said?.head).toBe('The wind goes round.');
    expect(said?.text).toMatch(/SE 6 m\/s now, SW 6 by Fri 19 June/);
    expect(said?.meaning).toMatch(/windblown.*others hold/);
  });
  it('says that the wind holds', () => {
    expect(heads(state(() => 135))[0]).toBe('The wind holds.');
  });
  it('gives the change of water temperature and pressure', () => {
    const s = state(() => 135);
    expect(heads(s)).toContain('Water warmed 1.2 °C.');
    expect(heads(s)).toContain('Pressure falls.');
  });
  it('names a station that is left out and one that does not answer', () => {
    const station = {
      id: 'x',
      name: 'Point Sarn',
      polledTo: new Date(NOW).toISOString(),
      lastError: 'station sarn: answered 503',
      failed: [{ variable: 'windMps', count: 4, since: new Date(NOW - 4 * HOUR).toISOString() }],
    };
    const said = heads(state(() => 135, { stations: [station] }));
    expect(said).toContain('Point Sarn is left out for wind.');
    expect(said).toContain('Point Sarn does not answer.');
  });
  it('compares clarity with the last look', () => {
    const seen = (h: number, value: number) => ({ at: new Date(NOW - h * HOUR).toISOString(), variable: 'clarityM', value, by: 'Nell' });
    expect(heads(state(() => 135, { crewReadings: [seen(30, 1.1), seen(3, 1.6)] }))).toContain('Clearer.');
    expect(heads(state(() => 135, { crewReadings: [seen(30, 1.6), seen(3, 0.8)] }))).toContain('More colour.');
  });
  it('warns when the water stands off the prediction', () => {
    const s = state(() => 135);
    const low = { atMs: [NOW - HOUR], value: [-5], forecastFrom: 1 };
    expect(heads({ ...s, measuredLevelM: low }).some((h) => /below the prediction/.test(h))).toBe(true);
  });
});
