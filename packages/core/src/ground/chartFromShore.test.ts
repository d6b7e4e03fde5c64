import { describe, expect, it } from 'vitest';
import { fetchRose } from '../exposure/fetch';
import { chartFromShore, LAND_M, type Shore } from './chartFromShore';
import { quickestWay, runField } from './navigate';
import type { SeaConditions } from '../conditions/spotConditions';
import { judgeSea } from '../risk/atPlace';
import { measureSpot } from './measureSpot';
import { seaWays } from './seaOnWays';
import { metresPerDegree, nearestDepth, toLocal } from './seaBed';

const AT = { lat: 47.6, lon: -35.2 };
const m = metresPerDegree(AT.lat);
const at = (eastM: number, northM: number): [number, number] => [AT.lon + eastM / m.lon, AT.lat + northM / m.lat];
const box = (west: number, south: number, east: number, north: number): [number, number][] => [
  at(west, south),
  at(east, south),
  at(east, north),
  at(west, north),
];
const depthOf = (bed: ReturnType<typeof chartFromShore>, [lon, lat]: readonly [number, number]) => {
  const p = toLocal(bed, lat, lon);
  return nearestDepth(bed, p.xM, p.yM);
};

describe('a chart from a shore', () => {
  const lake: Shore = { inside: 'water', polygons: [[box(-1000, -500, 1000, 500), box(-100, -100, 100, 100)]] };

  it('has water inside a lake, land round it and on its island', () => {
    const bed = chartFromShore(AT, lake);
    expect(bed.openBeyond).toBe(false);
    expect(depthOf(bed, at(-600, 0))).toBeNaN();
    expect(depthOf(bed, at(0, 0))).toBe(LAND_M);
    expect(depthOf(bed, at(1015, 0))).toBe(LAND_M);
  });

  it('measures fetch by the shore though no depth is known', () => {
    const bed = chartFromShore(AT, lake);
    const [lon, lat] = at(-600, 300);
    const p = toLocal(bed, lat, lon);
    const rose = fetchRose(bed, p.xM, p.yM);
    // To the north shore 200 m, to the east end 1600 m along the free side of the island; a fan of rays is some tenths shorter or longer.
    expect(rose[0]).toBeGreaterThan(180);
    expect(rose[0]).toBeLessThan(250);
    expect(rose[9]).toBeGreaterThan(700);
    const spot = measureSpot(bed, 'point', [[lon, lat]]);
    expect(spot.depthMinM).toBeNull();
    expect(spot.shoreNormalDeg).toBeGreaterThan(150);
    expect(spot.shoreNormalDeg).toBeLessThan(210);
  });

  it('leads a boat round the island, over depths that nobody knows', () => {
    const bed = chartFromShore(AT, lake);
    const field = runField(bed, { speedMps: 5, draughtM: 0.5, waveLimitM: 1 }, 0, { noGo: [], noWake: [] });
    const local = ([lon, lat]: readonly [number, number]) => toLocal(bed, lat, lon);
    const way = quickestWay(field, local(at(-400, 0)), local(at(400, 0)));
    expect(way?.lengthM).toBeGreaterThan(805);
    expect(way?.lengthM).toBeLessThan(880);
  });

  it('has land inside a coast and open sea beyond', () => {
    const bed = chartFromShore(AT, { inside: 'land', polygons: [[box(-2000, 0, 2000, 3000)]] });
    expect(bed.openBeyond).toBe(true);
    expect(depthOf(bed, at(0, 1500))).toBe(LAND_M);
    expect(depthOf(bed, at(0, -200))).toBeNaN();
    const [lon, lat] = at(0, -200);
    const p = toLocal(bed, lat, lon);
    // The weighing of the rays leaves a thirtieth of open water out (Shore Protection Manual 1984).
    expect(fetchRose(bed, p.xM, p.yM)[18]).toBeGreaterThan(28_000);
  });

  it('is open water of a width when nothing is drawn', () => {
    const bed = chartFromShore(AT, null, 4000);
    expect(bed.columns * bed.cellM).toBeGreaterThanOrEqual(4000);
    expect(depthOf(bed, [AT.lon, AT.lat])).toBeNaN();
  });

  it('says what is wrong with a shore', () => {
    expect(() => chartFromShore(AT, { inside: 'water', polygons: [[box(-5, -5, 5, 5)]] })).toThrow(/from 60 m to 120 km across, got 10 m/);
    expect(() => chartFromShore(AT, null, 500_000)).toThrow(/got 500 km/);
    expect(() => chartFromShore(AT, { inside: 'water', polygons: [[[at(0, 0), at(2000, 0)]]] })).toThrow(/no water is left/);
  });
});

describe('ways over water that nobody has sounded', () => {
  it('say so, so that what is under the keel is not known on them', () => {
    const bed = chartFromShore(AT, null, 4000);
    const field = runField(bed, { speedMps: 5, draughtM: 0.5, waveLimitM: 1 }, 0, { noGo: [], noWake: [] });
    const ways = seaWays(field, [
      { xM: 1000, yM: 2000 },
      { xM: 3000, yM: 2000 },
    ]);
    const met = ways.crossed[0]?.[1]?.map((p) => ways.sea[p]) ?? [];
    expect(met.some((p) => p?.unsounded)).toBe(true);
    const boat = { draughtM: 0.5, windLimitMps: 10, gustLimitMps: 12, waveLimitM: 1, speedMps: 5 };
    const calm = { windMps: 1, windGustMps: 2, windFromDeg: 0, waveM: 0.1, tideHeightM: 1 } as unknown as SeaConditions;
    const keel = (barM: 'unsounded' | null) =>
      judgeSea(boat, { children: 0, firstTimers: 0, nonSwimmers: 0 }, calm, barM).findings.find((f) => f.quantity === 'keel');
    expect(keel('unsounded')?.level).toBe('unknown');
    expect(keel(null)).toBeUndefined();
  });
});
