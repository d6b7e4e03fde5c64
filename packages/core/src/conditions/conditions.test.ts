import { describe, expect, it } from 'vitest';
import { HOUR } from '../units/time';
import { windComponents } from '../weather/wind';
import { conditionsOver, type SpotGround } from './spotConditions';
import { type WaterRecord, waterStateOf } from './waterRecord';

const START = Date.UTC(2026, 5, 19, 8);
const hours = Array.from({ length: 80 }, (_, i) => START + (i - 60) * HOUR);
const of = (value: (i: number) => number, forecastFrom = 60) => ({ atMs: hours, value: hours.map((_, i) => value(i)), forecastFrom });
const southerly = windComponents(8, 180);

const RECORD: WaterRecord = {
  lat: 47.6,
  lon: -35.2,
  tide: { z0M: 1.8, constants: [{ name: 'M2', amplitudeM: 1.2, phaseDeg: 300 }] },
  wind: { east: of(() => southerly.east), north: of(() => southerly.north), gust: of(() => 11) },
  airTempC: of(() => 15),
  pressureHpa: of((i) => 1020 - i * 0.5),
  cloud: of(() => 0.4),
  waterTempC: of((i) => 12 + i * 0.02),
  clarityM: null,
  flowM3s: null,
};
const spot = (shoreNormalDeg: number | null, fetchM: number): SpotGround => ({
  depthMinM: 2,
  depthMaxM: 4,
  shoreNormalDeg,
  fetchM: new Array(36).fill(fetchM),
});
const at = (record: WaterRecord) => conditionsOver(waterStateOf(record), START, START + 12 * HOUR);

describe('conditions at a spot', () => {
  it('lay the height of tide on the charted depth', () => {
    const c = at(RECORD)(spot(null, 5000), START);
    expect(c.depthM).toBeCloseTo(3 + (c.tideHeightM ?? 0), 9);
    expect(c.tideStage).toBeGreaterThanOrEqual(0);
    expect(c.tideStage).toBeLessThan(1);
  });
  it('are square onto a bank that faces the wind and full lee behind one that looks away', () => {
    expect(at(RECORD)(spot(180, 5000), START).onshore).toBeCloseTo(1, 6);
    expect(at(RECORD)(spot(0, 5000), START).onshore).toBeCloseTo(-1, 6);
    expect(at(RECORD)(spot(90, 5000), START).onshore).toBeCloseTo(0, 6);
    expect(at(RECORD)(spot(null, 5000), START).onshore).toBeNull();
  });
  it('have higher waves over a longer fetch', () => {
    const [near, far] = [200, 9000].map((f) => at(RECORD)(spot(180, f), START).waveM ?? 0);
    expect(far).toBeGreaterThan((near as number) * 2);
  });
  it('tell the change of pressure and water temperature', () => {
    const c = at(RECORD)(spot(null, 5000), START);
    expect(c.pressure6hHpa).toBeCloseTo(-3, 6);
    expect(c.waterTemp48hC).toBeCloseTo(0.96, 6);
  });
  it('say whether they rest on readings or on a forecast', () => {
    expect(at(RECORD)(spot(null, 1), START - 2 * HOUR).trust).toBe('measured');
    expect(at(RECORD)(spot(null, 1), START + 3 * HOUR).trust).toBe('forecast');
  });
  it('are null, not invented, where nothing is known', () => {
    const nothing: WaterRecord = { ...RECORD, tide: null, wind: null, airTempC: null, pressureHpa: null, cloud: null, waterTempC: null };
    const c = at(nothing)(spot(180, 5000), START);
    for (const key of [
      'tideHeightM',
      'tideStage',
      'windMps',
      'onshore',
      'waveM',
      'waterTempC',
      'clarityM',
      'lightFraction',
      'pressure6hHpa',
    ] as const) {
      expect(c[key], key).toBeNull();
    }
    expect(c.depthM).toBe(3);
  });
});
