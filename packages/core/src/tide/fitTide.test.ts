// Fits are held against published constants: what is fitted to a stretch of their tide must foretell later months of it.
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { DAY, HOUR, MINUTE } from '../units/time';
import { fitTide } from './fitTide';
import boston from './fixtures/boston.json';
import keyWest from './fixtures/key-west.json';
import sanFrancisco from './fixtures/san-francisco.json';
import { tideModel } from './tideModel';
import { tideTurns } from './tideTurns';

const HARBOURS = [boston, keyWest, sanFrancisco];
/** Where they lie. */
const LATITUDES = new Map([
  [boston.station, 42.35],
  [keyWest.station, 24.55],
  [sanFrancisco.station, 37.81],
]);
const START = Date.UTC(2025, 0, 10);

/** What 95 of 100 turns of later months stand from the truth; turns that stand 25 cm from their neighbours count. */
function held(harbour: (typeof HARBOURS)[number], made: Parameters<typeof fitTide>[0], from: number): { minutes: number; heightM: number } {
  const truth = tideModel(harbour.constituents, harbour.z0M);
  const fit = fitTide(made);
  const model = tideModel(fit.constants, fit.z0M);
  const told = tideTurns(model, from - 6 * HOUR, from + 180 * DAY + 6 * HOUR);
  const real = tideTurns(truth, from, from + 180 * DAY);
  const off = real.flatMap((t, i) => {
    const beside = [real[i - 1], real[i + 1]].flatMap((n) => (n ? [Math.abs(n.heightM - t.heightM)] : []));
    if (Math.min(...beside) < 0.25) return [];
    const same = told.filter((o) => o.kind === t.kind);
    const near = same.reduce((a, b) => (Math.abs(a.atMs - t.atMs) < Math.abs(b.atMs - t.atMs) ? a : b));
    return [{ minutes: Math.abs(near.atMs - t.atMs) / MINUTE, heightM: Math.abs(near.heightM - t.heightM) }];
  });
  expect(off.length).toBeGreaterThan(100);
  const worst = (key: 'minutes' | 'heightM') => off.map((o) => o[key]).sort((a, b) => a - b)[Math.floor(0.95 * off.length)] ?? Number.NaN;
  return { minutes: worst('minutes'), heightM: worst('heightM') };
}

/** A tide table: to the minute and the centimetre, with so much noise on its heights. */
function table(harbour: (typeof HARBOURS)[number], days: number, noiseM = 0, seed = 7, start = START) {
  const random = seeded(seed);
  const noise = () => noiseM * Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  return tideTurns(tideModel(harbour.constituents, harbour.z0M), start, start + days * DAY).map((t) => ({
    atMs: Math.round(t.atMs / MINUTE) * MINUTE,
    heightM: Math.round((t.heightM + noise()) * 100) / 100,
    kind: t.kind,
  }));
}

describe('a tide fitted to published constants of three harbours (public-domain)', () => {
  for (const harbour of HARBOURS) {
    it(`foretells ${harbour.station} from a table of 60 days, the season's level left open`, () => {
      const { minutes, heightM } = held(harbour, { turns: table(harbour, 60) }, START + 90 * DAY);
      expect(minutes).toBeLessThan(15);
      // What a season does to the level is not in sixty days of it: up to 12 cm in these harbours.
      expect(heightM).toBeLessThan(0.12);
    });
    it(`foretells ${harbour.station} from 60 days of any season to 9.5 cm where it is known how far north it lies`, () => {
      const latDeg = LATITUDES.get(harbour.station) ?? 0;
      const worst = [0, 3, 6, 9].map((month) => {
        const start = Date.UTC(2025, month, 10);
        return held(harbour, { turns: table(harbour, 60, 0, 7, start), latDeg }, start + 90 * DAY);
      });
      expect(Math.max(...worst.map((w) => w.minutes))).toBeLessThan(15);
      expect(Math.max(...worst.map((w) => w.heightM))).toBeLessThan(0.095);
    });
    it(`foretells ${harbour.station} from 180 days with 3 cm of noise`, () => {
      // Half a year tells of the season's level what its noise lets it: the middle one of three draws.
      const each = [7, 8, 9].map((seed) => held(harbour, { turns: table(harbour, 180, 0.03, seed) }, START + 210 * DAY));
      const middle = (key: 'minutes' | 'heightM') => each.map((e) => e[key]).sort((a, b) => a - b)[1];
      expect(middle('minutes')).toBeLessThan(8);
      expect(middle('heightM')).toBeLessThan(0.07);
    });
    it(`foretells ${harbour.station} from a year of hourly heights, and finds its constants`, () => {
      const truth = tideModel(harbour.constituents, harbour.z0M);
      const heights = Array.from({ length: 365 * 24 }, (_, k) => {
        const atMs = START + k * HOUR;
        return { atMs, heightM: Math.round(truth.heightAt(atMs) * 100) / 100 };
      });
      const { minutes, heightM } = held(harbour, { heights }, START + 395 * DAY);
      expect(minutes).toBeLessThan(3);
      expect(heightM).toBeLessThan(0.022);
      const fit = fitTide({ heights });
      for (const c of harbour.constituents.filter((x) => x.amplitudeM > 0.03)) {
        const found = fit.constants.find((f) => f.name === c.name);
        expect(Math.abs((found?.amplitudeM ?? 0) - c.amplitudeM), c.name).toBeLessThan(0.004);
        expect(found?.errorM).toBeLessThan(0.004);
      }
      expect(fit.z0M).toBeCloseTo(harbour.z0M, 2);
    });
  }

  it('takes the year of the other half of the world half a year later, and that of neither near the equator', () => {
    const year = (latDeg: number) => fitTide({ turns: table(boston, 60), latDeg }).constants.find((c) => c.name === 'SA');
    const [north, south] = [year(42), year(-42)];
    expect(Math.abs((((north?.phaseDeg ?? 0) - (south?.phaseDeg ?? 0) + 540) % 360) - 180)).toBeGreaterThan(120);
    expect(year(5)).toEqual(year(0));
  });

  it('finds a year that is unlike most shores’ from a year of heights', () => {
    const odd = boston.constituents.map((c) => (c.name === 'SA' ? { ...c, amplitudeM: 0.15, phaseDeg: 20 } : c));
    const truth = tideModel(odd, boston.z0M);
    const heights = Array.from({ length: 365 * 24 }, (_, k) => ({ atMs: START + k * HOUR, heightM: truth.heightAt(START + k * HOUR) }));
    const found = fitTide({ heights, latDeg: 42 }).constants.find((c) => c.name === 'SA');
    expect(found?.amplitudeM).toBeCloseTo(0.15, 2);
    expect(found?.phaseDeg).toBeCloseTo(20, -1);
  });

  it('says how much less a short record knows', () => {
    const error = (days: number) => fitTide({ turns: table(boston, days) }).constants.find((c) => c.name === 'K2')?.errorM ?? 0;
    expect(error(30)).toBeGreaterThan(3 * error(300));
  });

  it('takes what a record cannot part from its neighbours: K2 from S2 in a month', () => {
    const fit = fitTide({ turns: table(boston, 30) });
    const [k2, true2] = [fit.constants.find((c) => c.name === 'K2'), boston.constituents.find((c) => c.name === 'K2')];
    expect(Math.abs((k2?.amplitudeM ?? 0) - (true2?.amplitudeM ?? 0))).toBeLessThan(0.03);
  });

  it('refuses a record that is too short or holds no heights', () => {
    expect(() => fitTide({ turns: table(boston, 10) })).toThrow(/at least 14 days and 40 records, got 9\.\d days/);
    expect(() => fitTide({})).toThrow(/got 0 days and 0/);
    expect(() => fitTide({ heights: [{ atMs: START, heightM: 900 }] })).toThrow(/expected -50 to 50 m, got 900/);
  });
});
