import { describe, expect, it } from 'vitest';
import { DAY, HOUR } from '../units/time';
import { windComponents } from '../weather/wind';
import { absorbedShare } from './absorbed';
import { heatOffset, NO_OFFSET, placeTempSd } from './calibrate';
import { waterDensity } from './density';
import { heatStep, WATER_HEAT } from './mixedLayer';
import { oxygenSaturation } from './oxygen';
import { type HeatDrivers, heatOver } from './spotHeat';
import { clearSkyWm2, cloudyWm2, exchangeWm2K, waterAlbedo } from './surface';
import { nth } from '../units/indexed';

describe('light and exchange at the surface', () => {
  it('has the clear sky of Haurwitz 1945: 489.8 W/m2 at 30 and 890.3 at 60 degrees', () => {
    expect(Math.abs(clearSkyWm2(30) - 489.8)).toBeLessThan(0.3);
    expect(Math.abs(clearSkyWm2(60) - 890.3)).toBeLessThan(0.3);
    expect(clearSkyWm2(-1)).toBe(0);
  });
  it('lets a quarter through an overcast (Kasten & Czeplak 1980): 425.0 to 106.2', () => {
    expect(Math.abs(cloudyWm2(425, 1) - 106.2)).toBeLessThan(0.1);
    expect(cloudyWm2(425, 0)).toBe(425);
  });
  it('exchanges 38.62 W/m2K at 20 C and 5 m/s (Edinger, from memory)', () => {
    expect(Math.abs(exchangeWm2K(20, 20, 5) - 38.62)).toBeLessThan(0.01);
  });
  it('reflects little of a high sun and much of a low one', () => {
    expect(waterAlbedo(60)).toBeLessThan(0.07);
    expect(waterAlbedo(5)).toBeGreaterThan(0.2);
  });
});

describe('water', () => {
  it('holds the oxygen of Benson & Krause within 0.003 mg/L', () => {
    for (const [t, s, mgL] of [
      [0, 0, 14.621],
      [10, 0, 11.288],
      [20, 0, 9.092],
      [30, 0, 7.559],
      [20, 35, 7.396],
    ] as const)
      expect(Math.abs(oxygenSaturation(t, s) - mgL)).toBeLessThan(0.003);
  });
  it('has the density of UNESCO EOS-80 (from memory)', () => {
    expect(Math.abs(waterDensity(5, 0) - 999.96675)).toBeLessThan(1e-5);
    expect(Math.abs(waterDensity(5, 35) - 1027.67547)).toBeLessThan(1e-5);
  });
});

const still = { sunNetWm2: 0, windMps: 0, darkEquilibriumC: 12, depthM: 1, secchiM: 2, mainC: 12, exchangePerH: 0 };

describe('one step of the mixed layer', () => {
  it('decays to equilibrium without sun and wind', () => {
    let t = 20;
    for (let i = 0; i < 2000; i++) t = heatStep(t, still, 'mud', 1).tempC;
    expect(t).toBeCloseTo(12, 6);
  });
  it('balances its energy to 1 % over hours of changing forcing', () => {
    let t = 14;
    let flows = 0;
    const start = t;
    for (let h = 0; h < 30; h++) {
      const sun = Math.max(0, 700 * Math.sin(((h / 2 - 6) / 12) * Math.PI));
      const s = heatStep(t, { ...still, sunNetWm2: sun, windMps: 3 + (h % 5), mainC: 13, exchangePerH: 0.1 }, 'mud', 0.5);
      flows += s.sunJ + s.surfaceJ + s.exchangeJ;
      t = s.tempC;
    }
    const stored = (t - start) * WATER_HEAT;
    expect(Math.abs(stored)).toBeGreaterThan(1e6);
    expect(Math.abs(flows - stored)).toBeLessThan(0.01 * Math.abs(stored));
  });
  it('is the same in one step of an hour as in sixty of a minute, within 1 %', () => {
    const f = { ...still, sunNetWm2: 600, windMps: 4 };
    const once = heatStep(14, f, 'mud', 1).tempC - 14;
    let t = 14;
    for (let i = 0; i < 60; i++) t = heatStep(t, f, 'mud', 1 / 60).tempC;
    expect(Math.abs((t - 14) / once - 1)).toBeLessThan(0.01);
  });
  it('goes to the main water where it is renewed fast', () => {
    expect(heatStep(20, { ...still, exchangePerH: 3, mainC: 10 }, 'mud', 5).tempC).toBeLessThan(10.1);
  });
});

describe('where the light goes', () => {
  it('warms over dark mud more than over pale sand (common practice: dark mud, shell, concrete warm first)', () => {
    expect(absorbedShare(0.6, 3, 'mud')).toBeGreaterThan(absorbedShare(0.6, 3, 'sand') + 0.1);
    expect(absorbedShare(0.6, 3, 'shell')).toBeGreaterThan(absorbedShare(0.6, 3, 'sand'));
  });
  it('is all taken up by deep or murky water', () => {
    expect(absorbedShare(20, 1, 'sand')).toBeCloseTo(1, 6);
    expect(absorbedShare(1.5, 0.3, 'sand')).toBeGreaterThan(0.99);
  });
});

const NOW = Date.UTC(2026, 4, 2, 3);
const hours = Array.from({ length: 240 }, (_, i) => NOW + (i - 144) * HOUR);
const series = (value: (at: number) => number) => ({ atMs: hours, value: hours.map(value), forecastFrom: 240 });
const breeze = windComponents(2, 180);
const spring = (cloud: number, airC: (at: number) => number = () => 12): HeatDrivers => ({
  lat: 47.6,
  lon: -35.2,
  tide: null,
  wind: { east: series(() => breeze.east), north: series(() => breeze.north), gust: null },
  airTempC: series(airC),
  cloud: series(() => cloud),
  waterTempC: series(() => 10),
  clarityM: series(() => 2),
});
const place = (depthM: number, bottom: string) => ({ depthMinM: depthM, depthMaxM: depthM, bottom, fetchM: new Array(36).fill(300) });
const afternoon = NOW + 15 * HOUR;

describe('temperature by place', () => {
  it('warms 0.6 m over mud several times as much as 6 m on a bright day (common practice)', () => {
    const at = heatOver(spring(0), NOW, NOW + DAY);
    const gain = (d: number) =>
      (at(place(d, 'mud')).differenceAt(afternoon) ?? 0) - (at(place(d, 'mud')).differenceAt(NOW + 6 * HOUR) ?? 0);
    expect(gain(0.6)).toBeGreaterThan(1);
    expect(gain(0.6)).toBeGreaterThan(4 * Math.abs(gain(6)));
  });
  it('warms dark mud before white sand, and a bright day before a dull one', () => {
    const bright = heatOver(spring(0), NOW, NOW + DAY);
    const dull = heatOver(spring(1), NOW, NOW + DAY);
    const warm = (h: typeof bright, bottom: string) => h(place(0.8, bottom)).differenceAt(afternoon) ?? 0;
    expect(warm(bright, 'mud')).toBeGreaterThan(warm(bright, 'sand') + 0.1);
    expect(warm(bright, 'mud')).toBeGreaterThan(warm(dull, 'mud') + 0.5);
  });
  it('cools shallow water first when the air turns cold (common practice)', () => {
    const cold = heatOver(
      spring(1, (at) => (at < NOW ? 12 : 0)),
      NOW,
      NOW + DAY,
    );
    const change = (d: number) =>
      (cold(place(d, 'mud')).differenceAt(NOW + 20 * HOUR) ?? 0) - (cold(place(d, 'mud')).differenceAt(NOW) ?? 0);
    expect(change(0.6)).toBeLessThan(change(5) - 0.3);
  });
  it('moves the deep water hardly at all within a day', () => {
    const at = heatOver(spring(0), NOW, NOW + DAY);
    expect(Math.abs(at(place(22, 'mud')).differenceAt(afternoon) ?? 9)).toBeLessThan(0.2);
  });
  it('mixes an open place sooner than a shut-in one', () => {
    const at = heatOver(spring(0), NOW, NOW + DAY);
    const open = { ...place(0.6, 'mud'), fetchM: new Array(36).fill(20_000) };
    expect(at(open).differenceAt(afternoon) ?? 0).toBeLessThan(at(place(0.6, 'mud')).differenceAt(afternoon) ?? 0);
  });
  it('knows nothing without the air', () => {
    expect(heatOver({ ...spring(0), airTempC: null }, NOW, NOW + DAY)(place(1, 'mud')).differenceAt(afternoon)).toBeNull();
  });
});

describe('calibration by readings', () => {
  it('believes one reading a little and many almost wholly', () => {
    expect(heatOffset([1]).offsetC).toBeGreaterThan(0.4);
    expect(heatOffset([1]).offsetC).toBeLessThan(0.9);
    expect(heatOffset(new Array(50).fill(1)).offsetC).toBeCloseTo(1, 1);
    expect(heatOffset([]).offsetC).toBe(0);
  });
  it('is surer with every reading', () => {
    const sds = [0, 1, 2, 5, 20].map((n) => heatOffset(new Array(n).fill(0.3)).sdC);
    sds.slice(1).forEach((sd, i) => {
      expect(sd).toBeLessThan(nth(sds, i));
    });
  });
  it('is less sure of a large computed difference', () => {
    expect(placeTempSd(NO_OFFSET, 3)).toBeGreaterThan(placeTempSd(NO_OFFSET, 0.2) + 0.3);
  });
});
