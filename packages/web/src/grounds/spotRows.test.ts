import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { describe, expect, it } from 'vitest';
import { spotRows } from './spotRows';

type Asked = Parameters<typeof spotRows>[0];

const MIDNIGHT = Date.parse('2026-06-19T00:00:00Z');
const spot = { depthMinM: 2, depthMaxM: 4, shoreNormalDeg: 180, fetchM: [], heatReadings: 1 } as unknown as Asked['spot'];
const UNKNOWN = {
  at: MIDNIGHT,
  depthM: 3,
  tideStage: null,
  currentMps: null,
  flowM3s: null,
  windMps: null,
  windFromDeg: null,
  fetchM: null,
  waveM: null,
  waterTempC: null,
  lightFraction: null,
  shadeToDeg: null,
  sunHeightDeg: 40,
  fields: {},
} as unknown as SpotConditions;
const boat = { name: 'Marrow', cruiseMps: 8, tankL: 60, burnLph: 12 } as unknown as NonNullable<Asked['boat']>;
const rows = (c: object = {}, more: Partial<Asked> = {}) => {
  const asked = {
    spot,
    c: { ...UNKNOWN, ...c },
    zone: 'UTC',
    tidal: true,
    boat,
    runSeconds: undefined,
    access: null,
    dayEndMs: MIDNIGHT + 86_400_000,
  };
  return Object.fromEntries(spotRows({ ...asked, ...more }).map((r) => [r.name, r]));
};

describe('what a spot is at an hour', () => {
  it('is said where nobody knows it, and left out where it does not apply', () => {
    const said = rows();
    expect(Object.keys(said)).toEqual(['Depth', 'Wind', 'Fetch', 'Wave', 'Water', 'Light', 'Shade']);
    expect([said.Fetch?.value, said.Wave?.value, said.Water?.value, said.Light?.value]).toEqual([
      'not known',
      'not known',
      'not known',
      'clarity not known',
    ]);
    expect(said.Water?.note).toBe('1 reading here');
    expect(rows({ tideStage: 0.3 }, { tidal: false }).Tide).toBeUndefined();
  });

  it('names the quarter of the tide, and where the level comes from', () => {
    const tide = (tideStage: number) => rows({ tideStage, sinceTurnH: 1.25, fields: { level: { trust: 'forecast' } } }).Tide;
    expect([0, 0.3, 0.5, 0.99].map((stage) => tide(stage)?.value.split(',')[0])).toEqual([
      'early flood',
      'late flood',
      'early ebb',
      'late ebb',
    ]);
    expect(tide(0.3)).toEqual({ name: 'Tide', value: 'late flood, 1.3 h after the turn', note: 'forecast' });
  });

  it('tells how much warmer it is than the station from a tenth of a degree on', () => {
    const water = (warmerC: number) => rows({ waterTempC: 14.2, waterTempSdC: 0.3, warmerC, depthM: 3 }).Water?.value;
    expect(water(0.05)).toBe('14.2 ±0.3 °C');
    expect(water(0.4)).toBe('14.2 ±0.3 °C, 0.4 °C warmer than the station’s');
    expect(water(-0.4)).toContain('0.4 °C cooler');
  });

  it('says when the way in is open, and when it is shut all day', () => {
    const at = (h: number) => MIDNIGHT + h * 3_600_000;
    expect(rows({}, { access: [] })['Way in']?.value).toBe('shut all day for Marrow');
    const access = [
      { fromMs: at(3), toMs: at(7) },
      { fromMs: at(16), toMs: at(24) },
    ];
    expect(rows({}, { access })['Way in']?.value).toBe('03:00–07:00, 16:00–24:00 for Marrow');
  });

  it('gives the run with its fuel, and no way where there is none', () => {
    expect(rows({}, { runSeconds: Number.POSITIVE_INFINITY }).Run?.value).toBe('no way at this tide');
    // Ten minutes out and ten back at 12 l an hour are 4 l; a third of 60 l stays in reserve.
    expect(rows({}, { runSeconds: 600 }).Run?.value).toBe('10 min from the dock; there and back 4 l of 40 l usable');
    expect(rows({}, { runSeconds: 600, boat: undefined }).Run).toBeUndefined();
  });
});
