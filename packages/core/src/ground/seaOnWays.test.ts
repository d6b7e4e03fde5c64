import { describe, expect, it } from 'vitest';
import { runField, runSeconds } from './navigate';
import { type SeaBed, toLocal } from './seaBed';
import { type KnownWays, seaWays } from './seaOnWays';

/** Two basins walled off from the open water in the south, joined by it alone: 100 m cells, 5 m of water, land -2. */
function twoBasins(): SeaBed {
  const [columns, rows] = [61, 41];
  const land = (i: number, j: number) =>
    // A wall along the middle with two gaps, and one between the basins above it.
    (j === 20 && Math.abs(i - 10) > 2 && Math.abs(i - 50) > 2) || (j >= 20 && Math.abs(i - 30) <= 1) || j === 40 || i === 0 || i === 60;
  return {
    lat0: 47.6,
    lon0: -35.2,
    cellM: 100,
    columns,
    rows,
    openBeyond: true,
    depthM: Array.from({ length: columns * rows }, (_, k) => (land(k % columns, Math.floor(k / columns)) ? -2 : 5)),
  };
}

describe('the sea on a way', () => {
  const bed = twoBasins();
  const field = runField(bed, { speedMps: 8, draughtM: 0.5, waveLimitM: 1 }, 0, { noGo: [], noWake: [] });
  const places = [
    { xM: 2200, yM: 3000 },
    { xM: 2600, yM: 3300 },
    { xM: 3800, yM: 3000 },
  ];
  const ways = seaWays(field, places);

  it('is that of the open water where two sheltered spots are joined across it', () => {
    const south = 18;
    const most = (from: number, to: number) =>
      Math.max(0, ...(ways.crossed[from]?.[to] ?? []).map((p) => ways.sea[p]?.fetchM[south] as number));
    // Within the basin nothing but the basin; across, the open side at its full fetch.
    expect(most(0, 1)).toBeLessThan(2500);
    expect(most(0, 2)).toBeGreaterThan(20_000);
    expect(most(2, 0)).toBeGreaterThan(20_000);
    const met = (ways.crossed[0]?.[2] ?? []).map((p) => toLocal(bed, ways.sea[p]?.lat as number, ways.sea[p]?.lon as number));
    expect(met.some((p) => p.yM < 2000)).toBe(true);
  });

  it('keeps the run times of the ways, and no place that no way needs', () => {
    for (const [i, from] of places.entries()) {
      const own = runSeconds(field, from, places);
      // A way back is the way there: its seconds are added up the other way round.
      for (const [j, s] of own.entries()) expect(ways.seconds[i]?.[j]).toBeCloseTo(s, 6);
    }
    expect(new Set(ways.crossed.flat(2)).size).toBe(ways.sea.length);
    expect(ways.sea.every((p) => p.fetchM.length === 36 && p.depthM > 0)).toBe(true);
    expect(ways.crossed[1]?.[1]?.length).toBeGreaterThan(0);
  });

  it('are worked out anew for a place that is moved only, and are the same as if all were', () => {
    const known: KnownWays = new Map();
    const four = [...places, { xM: 4600, yM: 800 }];
    seaWays(field, four, [], { known });
    // Each place with each and with itself.
    expect(known.size).toBe(10);
    const before = new Map(known);
    const moved = [...places.slice(0, 2), { xM: 4300, yM: 3400 }, { xM: 4600, yM: 800 }];
    const again = seaWays(field, moved, [], { known });
    expect(known.size).toBe(14);
    for (const [ends, way] of before) expect(known.get(ends)).toBe(way);
    const fresh = seaWays(field, moved);
    for (const [i, row] of fresh.seconds.entries()) for (const [j, s] of row.entries()) expect(again.seconds[i]?.[j]).toBeCloseTo(s, 6);
  });

  it('never lead across ground too shallow, though another place asked for lies there', () => {
    const wall = { ...bed, depthM: Array.from(bed.depthM, (d, k) => (Math.floor(k / bed.columns) === 10 ? 0.2 : d)) };
    const shallow = runField(wall, { speedMps: 8, draughtM: 0.5, waveLimitM: 1 }, 0, { noGo: [], noWake: [] });
    const [south, on, north] = [
      { xM: 2500, yM: 500 },
      { xM: 2500, yM: 1000 },
      { xM: 2500, yM: 1500 },
    ];
    const { seconds } = seaWays(shallow, [south, on, north]);
    expect(seconds[0]?.[1]).toBeCloseTo(500 / 8, 6);
    expect(seconds[0]?.[2]).toBe(Number.POSITIVE_INFINITY);
  });
});
