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
      currents: [],
      levelM: null,
      dewPointC: null,
      visibilityM: null,
      thunder: null,
      still: false,
      sources: {},
    },
    windSpread: null,
    spreads: {},
    instruments: [],
    disagreements: [],
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
    expect(said?.text).toMatch(/SE 6 m\/s now, was SE 6 yesterday, SW 6 by Fri 19 June/);
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
      lastGoodAt: new Date(NOW - HOUR).toISOString(),
      failures: 2,
      nextTryAt: new Date(NOW + HOUR).toISOString(),
      failed: [{ variable: 'windMps', count: 4, suspect: 0, since: new Date(NOW - 4 * HOUR).toISOString() }],
    };
    const said = heads(state(() => 135, { stations: [station] }));
    expect(said).toContain('Point Sarn is left out for wind.');
    expect(said).toContain('Point Sarn does not answer.');
  });
  it('compares clarity with the last look', () => {
    const seen = (h: number, value: number) => ({
      at: new Date(NOW - h * HOUR).toISOString(),
      variable: 'clarityM',
      value,
      by: 'Nell',
      id: '1',
      spotName: null,
      note: '',
      corrected: false,
    });
    expect(heads(state(() => 135, { crewReadings: [seen(30, 1.1), seen(3, 1.6)] }))).toContain('Clearer.');
    expect(heads(state(() => 135, { crewReadings: [seen(30, 1.6), seen(3, 0.8)] }))).toContain('More colour.');
  });
  it('warns when the water stands off the prediction', () => {
    const s = state(() => 135);
    const levelM = { atMs: [NOW - HOUR], value: [-5], forecastFrom: 1 };
    expect(heads({ ...s, record: { ...s.record, levelM } }).some((h) => /below the prediction/.test(h))).toBe(true);
  });
  it('says that stations disagree, and how old a reading is that nothing has followed', () => {
    const s = state(() => 135, { disagreements: [{ variable: 'windMps', a: 'Harbour', b: 'Sarn', aValue: 3, bValue: 8, hours: 5 }] });
    expect(heads(s)).toContain('Harbour and Sarn disagree on wind.');
    const old = (x: ReturnType<typeof of>) => ({ ...x, atMs: x.atMs.slice(0, 40), value: x.value.slice(0, 40), forecastFrom: 40 });
    const w = s.record.wind;
    if (!w) throw new Error('no wind');
    expect(heads({ ...s, record: { ...s.record, wind: { ...w, east: old(w.east as never), north: old(w.north as never) } } })).toContain(
      'Wind is 9 h old.',
    );
  });
  it('says that the stream rises and that more cloud is coming', () => {
    const s = state(() => 135);
    const record = { ...s.record, flowM3s: of((at) => (at < NOW - 5 * HOUR ? 2 : 3)), cloud: of((at) => (at < NOW ? 0.2 : 0.8)) };
    expect(heads({ ...s, record })).toEqual(expect.arrayContaining(['The stream rises.', 'More cloud.']));
  });
  it('gives sun and moon of the day that can still be planned', () => {
    const said = sinceYesterday(
      state(() => 135),
      NOW,
      'Etc/GMT+2',
    ).find((c) => c.head.startsWith('Sun '));
    // Midsummer at 47.6 N 35.2 W, two hours behind UTC: sunrise about 04:25, sunset about 20:20.
    expect(said?.head).toMatch(/^Sun 04:[12]\d to 20:[12]\d\.$/);
    expect(said?.text).toMatch(/Fri 19 June, 1[56]\.\d h, golden from 19:\d\d\. Moon: waxing crescent, \d+ % lit, rises/);
  });
});
