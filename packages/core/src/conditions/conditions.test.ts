import { describe, expect, it } from 'vitest';
import { passageClearance, passageTimes } from './passages';
import { shelterOf } from './shelter';
import { warmingOrder } from './warming';
import { HOUR } from '../units/time';
import { windComponents } from '../weather/wind';
import { conditionsOver, seaOver, type SpotGround } from './spotConditions';
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
  currents: [],
  levelM: null,
  dewPointC: null,
  visibilityM: null,
  thunder: null,
  sources: { windMps: 'Harbour' },
};
const spot = (shoreNormalDeg: number | null, fetchM: number): SpotGround => ({
  lat: 47.6,
  lon: -35.2,
  bottom: 'mud',
  heatOffsetC: 0,
  heatSdC: 0.6,
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
    // Without the air the spot has no temperature of its own beside the water's.
    const c = at({ ...RECORD, airTempC: null })(spot(null, 5000), START);
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
  it("give a shallow spot over mud a temperature of its own, with how sure it is, and the crew's offset on top", () => {
    const shallow = { ...spot(null, 300), depthMinM: -1.4, depthMaxM: -1.2 };
    const noon = START + 8 * HOUR;
    const c = at(RECORD)(shallow, noon);
    expect(Math.abs(c.warmerC ?? 0)).toBeGreaterThan(0.05);
    expect(at(RECORD)({ ...shallow, heatOffsetC: 0.5 }, noon).waterTempC).toBeCloseTo((c.waterTempC ?? 0) + 0.5, 9);
    expect(c.waterTempSdC).toBeGreaterThanOrEqual(0.6);
  });
  it('carry the measured level forward into depth, and say whose readings speak', () => {
    const base = at(RECORD)(spot(null, 1), START);
    const model = waterStateOf(RECORD).tide;
    const levelM = { atMs: [START - HOUR], value: [(model?.heightAt(START - HOUR) ?? 0) - 0.3], forecastFrom: 1 };
    const low = at({ ...RECORD, levelM })(spot(null, 1), START);
    expect(low.depthM - base.depthM).toBeLessThan(-0.25);
    expect(low.depthM - base.depthM).toBeGreaterThan(-0.3);
    expect(at(RECORD)(spot(null, 1), START - 2 * HOUR).fields.wind).toEqual({ trust: 'measured', source: 'Harbour' });
    expect(at(RECORD)(spot(null, 1), START + 3 * HOUR).fields.wind?.trust).toBe('forecast');
    expect(base.fields.clarity).toBeNull();
  });
  it('take the current of the nearest station within 2.6 km, and none from farther off', () => {
    const currents = [{ name: 'mouth', lat: 47.601, lon: -35.2, floodToDeg: 90, ebbToDeg: 270, meanMps: 0.8, constants: [] }];
    expect(at({ ...RECORD, currents })(spot(null, 1), START)).toMatchObject({ currentMps: 0.8, currentToDeg: 90 });
    expect(at({ ...RECORD, currents })({ ...spot(null, 1), lat: 47.62 }, START).currentMps).toBe(0.8);
    expect(at({ ...RECORD, currents })({ ...spot(null, 1), lat: 47.63 }, START).currentMps).toBeNull();
  });
  it('take the nearer of two stations, whichever is named first', () => {
    const station = (name: string, lat: number, meanMps: number) => ({
      name,
      lat,
      lon: -35.2,
      floodToDeg: 90,
      ebbToDeg: 270,
      meanMps,
      constants: [],
    });
    const two = [station('near', 47.604, 0.3), station('far', 47.61, 0.9)];
    for (const currents of [two, [...two].reverse()]) expect(at({ ...RECORD, currents })(spot(null, 1), START).currentMps).toBe(0.3);
  });
  it('have the shade opposite the sun, and none at night', () => {
    const c = at(RECORD)(spot(null, 1), START + 6 * HOUR);
    expect(Math.abs((((c.shadeToDeg ?? 0) - c.sunBearingDeg + 360) % 360) - 180)).toBeLessThan(1e-9);
    expect(at(RECORD)(spot(null, 1), START - 5 * HOUR).shadeToDeg).toBeNull();
  });
  it('grow waves with the hours that the wind has blown', () => {
    const calm = windComponents(1, 180);
    const late = {
      ...RECORD,
      wind: {
        east: of((i) => (i < 60 ? calm.east : southerly.east)),
        north: of((i) => (i < 60 ? calm.north : southerly.north)),
        gust: null,
      },
    };
    const open = spot(180, 25_000);
    expect(at(late)(open, START + HOUR).waveM ?? 9).toBeLessThan(at(late)(open, START + 8 * HOUR).waveM ?? 0);
  });
});

describe('answers to what a guide asks', () => {
  const state = waterStateOf(RECORD);
  const day = conditionsOver(state, START, START + 12 * HOUR);

  it('sheltered is little fetch, lee and windblown the angle to the bank, and calm is neither', () => {
    expect(shelterOf({ windMps: 8, fetchM: 300, onshore: 1 })).toBe('sheltered');
    expect(shelterOf({ windMps: 8, fetchM: 9000, onshore: 0.9 })).toBe('windblown');
    expect(shelterOf({ windMps: 8, fetchM: 9000, onshore: -0.9 })).toBe('lee');
    expect(shelterOf({ windMps: 8, fetchM: 9000, onshore: 0.1 })).toBe('wind across');
    expect(shelterOf({ windMps: 8, fetchM: 9000, onshore: null })).toBe('open');
    expect(shelterOf({ windMps: 1, fetchM: 9000, onshore: 1 })).toBe('calm');
    expect(shelterOf({ windMps: null, fetchM: null, onshore: null })).toBe('unknown');
  });

  it('the flat that warms first is the shallow dark one, with when and by how much', () => {
    const flat = (id: string, depth: number, bottom: string) => ({ ...spot(null, 300), id, depthMinM: depth, depthMaxM: depth, bottom });
    const order = warmingOrder(
      day,
      [flat('deep', 12, 'sand'), flat('mud', -1.2, 'mud'), flat('sand', -1.2, 'sand')],
      START,
      START + 10 * HOUR,
    );
    expect(order.map((w) => w.spot.id)[0]).toBe('mud');
    expect(order.at(-1)?.spot.id).toBe('deep');
    expect(order[0]?.gainC).toBeCloseTo((order[0]?.highC ?? 0) - (order[0]?.lowC ?? 0), 9);
    expect(order[0]?.highAtMs).toBeGreaterThan(order[0]?.lowAtMs ?? 0);
  });

  it('a passage is open while the clearance is not negative, waves taken off by half', () => {
    const passage = { chartedDepthM: 0.3, ground: spot(180, 9000) };
    const windows = passageTimes(day, passage, 0.6, START, START + 12 * HOUR);
    expect(windows.length).toBeGreaterThan(0);
    for (let t = START; t <= START + 12 * HOUR; t += HOUR / 4) {
      const open = windows.some((w) => t >= w.fromMs && t <= w.toMs);
      expect((passageClearance(day, passage, 0.6, t) ?? -1) >= -1e-4).toBe(open);
    }
    const calm = passageTimes(day, { ...passage, ground: spot(180, 1) }, 0.6, START, START + 12 * HOUR);
    const length = (list: typeof windows) => list.reduce((s, w) => s + w.toMs - w.fromMs, 0);
    expect(length(calm)).toBeGreaterThan(length(windows));
  });

  it('know thunder only where somebody reports or foretells it, an hour to either side', () => {
    const told = { ...RECORD, thunder: of((i) => (i === 64 ? 0.4 : 0)) };
    const thunder = (record: WaterRecord, h: number) => at(record)(spot(null, 5000), START + h * HOUR).thunder;
    expect(thunder(RECORD, 1)).toBeNull();
    expect(thunder(told, 1)).toBe(false);
    expect(thunder(told, 3.2)).toBe(true);
    expect(thunder(told, 5)).toBe(true);
    expect(thunder(told, 6.5)).toBe(false);
  });

  it('on a run are those of the same water at its places', () => {
    const record: WaterRecord = { ...RECORD, still: true };
    const sea = seaOver(waterStateOf(record), START, START + 6 * HOUR);
    const place = { lat: 47.6, lon: -35.2, depthM: 3, fetchM: new Array(36).fill(5000) };
    const there = sea(place, START + HOUR);
    const here = at(record)(spot(null, 5000), START + HOUR);
    for (const key of ['windMps', 'windGustMps', 'windFromDeg', 'waveM', 'tideHeightM', 'sunHeightDeg', 'stillWater'] as const)
      expect(there[key], key).toEqual(here[key]);
    expect(there.stillWater).toBe(true);
  });
});
