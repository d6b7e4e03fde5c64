import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bedShape, positionIndex } from './bedShape';
import { contourDepths, contourLines } from './contourLines';
import { findFeatures } from './finder';
import { fuelFor } from './fuel';
import { Cancelled, gridSoundings, spacingOf, toDatum } from './gridSoundings';
import { leastDepth, quickestWay, runField, runMatrix, runSeconds } from './navigate';
import { speedInWaves } from './speedInWaves';
import { nearDuplicates, pairsWithin } from './nearDuplicates';
import { bedOf, overlaySurveys } from './overlay';
import { insideRing, middleOf, midpointOf } from './polygon';
import { measureSpot } from './measureSpot';
import { pileShade, pilesOf } from './piles';
import { thinLine } from './thinLine';
import { bearingDeg, depthAt, distanceM, type SeaBed, toLocal, toPosition } from './seaBed';
import { inMetric } from '../units/measure';
import { nth } from '../units/indexed';

const CORNER = { lat0: 47.6, lon0: -35.2 };
function bed(depth: (x: number, y: number) => number, cellM = 20, n = 101): SeaBed {
  const depthM = Float64Array.from({ length: n * n }, (_, k) => depth((k % n) * cellM, Math.floor(k / n) * cellM));
  return { ...CORNER, cellM, columns: n, rows: n, depthM, openBeyond: false };
}
const at = (b: SeaBed, x: number, y: number) => Math.round(y / b.cellM) * b.columns + Math.round(x / b.cellM);

describe('shape of the bed', () => {
  it('has the slope and aspect of a plane exactly', () => {
    const b = bed((x, y) => 5 + 0.03 * x + 0.04 * y);
    const s = bedShape(b);
    expect(s.slope[at(b, 1000, 1000)]).toBeCloseTo(0.05, 9);
    // Deeper to the east and more so to the north: atan2(0.03, 0.04).
    expect(s.aspectDeg[at(b, 1000, 1000)]).toBeCloseTo(36.8699, 3);
    expect(s.curvature[at(b, 1000, 1000)]).toBeCloseTo(0, 9);
  });
  it('has the slope of a cone away from its tip within 1 %', () => {
    const b = bed((x, y) => 0.06 * Math.hypot(x - 1000, y - 1000));
    const s = bedShape(b).slope;
    expect(Math.abs(nth(s, at(b, 1400, 1300)) / 0.06 - 1)).toBeLessThan(0.01);
  });
  it('has the curvature of a Gaussian hump at its top: -2 h / s^2, within 2 %', () => {
    const b = bed((x, y) => 10 - 4 * Math.exp(-((x - 1000) ** 2 + (y - 1000) ** 2) / (2 * 200 ** 2)));
    // Height h exp(-r2 / 2s2) has the Laplacian -2 h / s2 at its top.
    expect(Math.abs(nth(bedShape(b).curvature, at(b, 1000, 1000)) / ((-2 * 4) / 200 ** 2) - 1)).toBeLessThan(0.02);
  });
  it('has a position index of nothing on a plane, above on a hump, below in a hole (Weiss 2001)', () => {
    expect(
      positionIndex(
        bed((x) => 0.05 * x),
        40,
        120,
      )[
        at(
          bed(() => 0),
          1000,
          1000,
        )
      ],
    ).toBeCloseTo(0, 9);
    const hump = (sign: number) => bed((x, y) => 10 - sign * 3 * Math.exp(-((x - 1000) ** 2 + (y - 1000) ** 2) / (2 * 80 ** 2)));
    expect(positionIndex(hump(1), 100, 300)[at(hump(1), 1000, 1000)]).toBeGreaterThan(2);
    expect(positionIndex(hump(-1), 100, 300)[at(hump(1), 1000, 1000)]).toBeLessThan(-2);
  });
  it('does not know what a hole in the coverage looks like', () => {
    const b = bed((x) => (x > 900 && x < 1100 ? Number.NaN : 5));
    expect(bedShape(b).slope[at(b, 1000, 1000)]).toBeNaN();
    expect(depthAt(b, 1000, 1000)).toBeNull();
  });
});

/** Soundings along lines over a bed. */
function survey(
  depth: (x: number, y: number) => number,
  lines: number,
  perLine: number,
  size: number,
  skip: (x: number, y: number) => boolean = () => false,
) {
  const lat: number[] = [];
  const lon: number[] = [];
  const depthM: number[] = [];
  for (let l = 0; l < lines; l++) {
    for (let i = 0; i < perLine; i++) {
      const [x, y] = [(i / (perLine - 1)) * size, (l / (lines - 1)) * size];
      if (skip(x, y)) continue;
      const p = toPosition(CORNER, x, y);
      lat.push(p.lat);
      lon.push(p.lon);
      depthM.push(depth(x, y));
    }
  }
  return { lat, lon, depthM };
}

describe('soundings to a grid', () => {
  it('gives a plane back to a millimetre', () => {
    const plane = (x: number, y: number) => 3 + 0.01 * x + 0.02 * y;
    const g = gridSoundings(survey(plane, 30, 60, 600));
    for (const [x, y] of [
      [100, 100],
      [333, 250],
      [500, 580],
    ] as const) {
      const p = toLocal(g, toPosition(CORNER, x, y).lat, toPosition(CORNER, x, y).lon);
      expect(Math.abs((depthAt(g, p.xM, p.yM) ?? 99) - plane(x, y))).toBeLessThan(0.001);
    }
  });
  it('gives a cone back within 2 % of its height, and its contours as circles', () => {
    const cone = (x: number, y: number) => 2 + 0.03 * Math.hypot(x - 300, y - 300);
    const g = gridSoundings(survey(cone, 60, 120, 600));
    const [c] = contourLines(g, [6.5]);
    const middle = toPosition(CORNER, 300, 300);
    const radii = (c?.lines.flat() ?? []).map(([lon, lat]) => distanceM({ lat, lon }, middle));
    expect(radii.length).toBeGreaterThan(60);
    for (const r of radii) expect(Math.abs(r - 150)).toBeLessThan(4);
  });
  it('leaves holes in the coverage blank, without a contour along their edge', () => {
    const hole = (x: number, y: number) => Math.hypot(x - 300, y - 300) < 120;
    const g = gridSoundings(survey((x) => 4 + x * 0.002, 60, 60, 600, hole));
    const m = toLocal(g, toPosition(CORNER, 300, 300).lat, toPosition(CORNER, 300, 300).lon);
    expect(depthAt(g, m.xM, m.yM)).toBeNull();
    const lines = contourLines(g, [4.2]).flatMap((c) => c.lines.flat());
    for (const [lon, lat] of lines) expect(Math.abs(toLocal(CORNER, lat, lon).xM - 100)).toBeLessThan(15);
  });
  it('tells its progress and stops when it is told to', () => {
    const seen: number[] = [];
    gridSoundings(
      survey(() => 5, 20, 20, 300),
      { progress: (s) => seen.push(s) > 0 },
    );
    expect(seen.at(-1)).toBe(1);
    expect([...seen].sort((a, b) => a - b)).toEqual(seen);
    expect(() =>
      gridSoundings(
        survey(() => 5, 20, 20, 300),
        { progress: () => false },
      ),
    ).toThrow(Cancelled);
  });
  it('refuses two soundings, and knows the spacing of a track', () => {
    expect(() => gridSoundings({ lat: [1, 2], lon: [1, 2], depthM: [1, 2] })).toThrow(/at least 3/);
    expect(spacingOf(survey(() => 5, 2, 61, 600))).toBeCloseTo(10, 0);
  });
  it('takes the height of tide off and adds the transducer (common practice)', () => {
    expect(toDatum(4.2, 0.3, 2.1)).toBeCloseTo(2.4, 9);
  });
  it('stays within the soundings, whatever they are', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0, max: 300, noNaN: true }),
            fc.double({ min: 0, max: 300, noNaN: true }),
            fc.double({ min: 0, max: 40, noNaN: true }),
          ),
          {
            minLength: 3,
            maxLength: 60,
          },
        ),
        (list) => {
          const ps = list.map(([x, y]) => toPosition(CORNER, x, y));
          const depthM = list.map((l) => l[2]);
          const g = gridSoundings({ lat: ps.map((p) => p.lat), lon: ps.map((p) => p.lon), depthM }, { cellM: 10 });
          const known = Array.from(g.depthM).filter((d) => !Number.isNaN(d));
          for (const d of known) {
            expect(d).toBeGreaterThanOrEqual(Math.min(...depthM) - 1e-6);
            expect(d).toBeLessThanOrEqual(Math.max(...depthM) + 1e-6);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('surveys over the chart', () => {
  it('replace the chart where they have soundings and nowhere else', () => {
    const chart = bed(() => 5, 50, 41);
    const patch = gridSoundings(survey(() => 9, 20, 20, 400));
    const both = overlaySurveys(chart, [patch]);
    expect(both.depthM[at(chart, 200, 200)]).toBeCloseTo(9, 6);
    expect(both.depthM[at(chart, 900, 900)]).toBe(5);
    expect(chart.depthM[at(chart, 200, 200)]).toBe(5);
  });
  it('begin and end where they do, also half off the chart', () => {
    const chart = bed(() => 5, 50, 21);
    const laid = (east: number, north: number) => {
      const corner = toPosition(chart, east, north);
      const patch = { ...bed(() => 9, 50, 7), lat0: corner.lat, lon0: corner.lon };
      const { depthM } = overlaySurveys(chart, [patch]);
      const taken = Array.from(depthM).flatMap((d, k) => (d === 5 ? [] : [[(k % 21) * 50, Math.floor(k / 21) * 50] as const]));
      const span = (list: number[]) => [Math.min(...list), Math.max(...list)];
      return [span(taken.map((t) => t[0])), span(taken.map((t) => t[1]))];
    };
    // Seven nodes of 50 m reach over 300 m.
    const [x, y] = laid(410, 210) as [number[], number[]];
    expect([x, y]).toEqual([
      [450, 700],
      [250, 500],
    ]);
    expect(laid(-110, -110)).toEqual([
      [0, 150],
      [0, 150],
    ]);
    expect(laid(890, 890)).toEqual([
      [900, 1000],
      [900, 1000],
    ]);
  });
  it('keep what is not known through a file', () => {
    const record = { ...bed(() => 5, 50, 3), depthM: [1, null, 3, 4, 5, 6, 7, 8, 9] };
    expect(bedOf(JSON.parse(JSON.stringify(record))).depthM[1]).toBeNaN();
  });
});

describe('finder', () => {
  const kinds = (b: SeaBed) => findFeatures(b);
  it('finds a drop of 3 m in 12 m beside a flat as an edge, with its figures', () => {
    const b = bed((x) => 2 + 3 / (1 + Math.exp(-(x - 500) / 8)), 10);
    const edge = kinds(b).find((f) => f.kind === 'edge');
    expect(inMetric(edge?.reason)).toMatch(/drops [23]\.\d m in 30 m towards E/);
    expect(edge?.toFlatM).toBeLessThan(80);
    expect(Math.abs(toLocal(b, edge?.lat ?? 0, edge?.lon ?? 0).xM - 500)).toBeLessThan(30);
  });
  it('finds a Gaussian hump and a hole where they are', () => {
    const b = bed(
      (x, y) =>
        8 -
        4 * Math.exp(-((x - 600) ** 2 + (y - 600) ** 2) / (2 * 90 ** 2)) +
        4 * Math.exp(-((x - 1400) ** 2 + (y - 1400) ** 2) / (2 * 90 ** 2)),
    );
    for (const [kind, x] of [
      ['hump', 600],
      ['hole', 1400],
    ] as const) {
      const f = kinds(b).find((q) => q.kind === kind);
      const p = toLocal(b, f?.lat ?? 0, f?.lon ?? 0);
      expect(Math.hypot(p.xM - x, p.yM - x), kind).toBeLessThan(60);
    }
  });
  it('finds nothing on a plain', () => {
    expect(kinds(bed((x) => 6 + 0.001 * x))).toEqual([]);
  });
  it('finds a bench on a slope', () => {
    const b = bed((x) => (x < 900 ? 2 + x * 0.004 : x < 1000 ? 5.6 + (x - 900) * 0.04 : x < 1120 ? 9.6 : 9.6 + (x - 1120) * 0.04));
    const bench = kinds(b).find((f) => f.kind === 'bench');
    expect(bench?.depthM).toBeCloseTo(9.6, 0);
  });
});

const boat = { speedMps: 10, draughtM: 0.6, waveLimitM: 0.9 };
const FREE = { noGo: [], noWake: [] };
const P = (xM: number, yM: number) => ({ xM, yM });
const ringOf = (b: SeaBed, x0: number, y0: number, x1: number, y1: number) =>
  [P(x0, y0), P(x1, y0), P(x1, y1), P(x0, y1)].map((p): [number, number] => {
    const q = toPosition(b, p.xM, p.yM);
    return [q.lon, q.lat];
  });

describe('ways between places', () => {
  it('are straight in open water: within 1.5 % by the grid, exact once pulled taut', () => {
    const field = runField(
      bed(() => 10, 50),
      boat,
      0,
      FREE,
    );
    const [s] = runSeconds(field, P(500, 500), [P(4500, 3000)]);
    const straight = Math.hypot(4000, 2500) / 10;
    expect((s as number) / straight).toBeLessThan(1.015);
    expect(quickestWay(field, P(500, 500), P(4500, 3000))?.lengthM).toBeCloseTo(Math.hypot(4000, 2500), 6);
  });
  it('go round a wall like a taut string (analytic), within 2.5 % and, pulled taut, 1 %', () => {
    const wall = bed((x, y) => (Math.abs(x - 2500) < 30 && y < 3000 ? -3 : 10), 50);
    const field = runField(wall, boat, 0, FREE);
    const string = 2 * Math.hypot(1500, 2000);
    const [s] = runSeconds(field, P(1000, 1000), [P(4000, 1000)]);
    expect((s as number) * 10).toBeLessThan(string * 1.025);
    const way = quickestWay(field, P(1000, 1000), P(4000, 1000));
    expect((way?.lengthM ?? 0) / string).toBeLessThan(1.02);
    expect((way?.lengthM ?? 0) / string).toBeGreaterThan(0.985);
    expect(way?.points.every((p) => Math.abs(p.xM - 2500) >= 30 || p.yM >= 2950)).toBe(true);
  });
  it('open with the tide', () => {
    const sill = bed((x) => (Math.abs(x - 2500) < 60 ? 0.2 : 10), 50);
    expect(runSeconds(runField(sill, boat, 0.5, FREE), P(1000, 1000), [P(4000, 1000)])).toEqual([Number.POSITIVE_INFINITY]);
    expect(runSeconds(runField(sill, boat, 1.2, FREE), P(1000, 1000), [P(4000, 1000)])[0]).toBeLessThan(310);
    expect(quickestWay(runField(sill, boat, 0.5, FREE), P(1000, 1000), P(4000, 1000))).toBeNull();
  });
  it('slow down in a no-wake area and keep out of a no-go area', () => {
    const b = bed(() => 10, 50);
    const band = ringOf(b, 2000, -100, 2500, 6000);
    const slow = nth(
      runSeconds(runField(b, boat, 0, { noGo: [], noWake: [{ ring: band, limitMps: 2.5 }] }), P(1000, 1000), [P(4000, 1000)]),
      0,
    );
    // 500 m at 2.5 m/s instead of 10: 150 s more.
    expect(Math.abs(slow - (300 + 150))).toBeLessThan(12);
    const barred = ringOf(b, 2000, -100, 2500, 3000);
    const way = quickestWay(runField(b, boat, 0, { noGo: [barred], noWake: [] }), P(1000, 1000), P(4000, 1000));
    expect(way?.points.every((p) => p.xM < 2000 || p.xM > 2500 || p.yM > 2900)).toBe(true);
    expect(way?.lengthM).toBeGreaterThan(4800);
  });
  it('take longer in waves: full speed in a third of the limit, half at it', () => {
    expect(speedInWaves(boat, 0.2)).toBe(10);
    expect(speedInWaves(boat, 0.9)).toBeCloseTo(5, 9);
    expect(speedInWaves(boat, 5)).toBeCloseTo(10 / 3, 9);
    const rough = runField(
      bed(() => 10, 50),
      boat,
      0,
      FREE,
      () => 0.9,
    );
    expect(runSeconds(rough, P(1000, 1000), [P(4000, 1000)])[0]).toBeCloseTo(600, 0);
  });
  it('cost the same there and back', () => {
    const b = bed((x, y) => 4 + 3 * Math.sin(x / 400) * Math.cos(y / 500), 50);
    const m = runMatrix(runField(b, boat, 0.5, FREE), [P(200, 300), P(3000, 4000), P(4500, 800), P(1500, 2500)]);
    m.forEach((row, i) => {
      row.forEach((v, j) => {
        expect(Math.abs(v - (m[j]?.[i] as number))).toBeLessThan(1e-6);
      });
    });
  });
  it('have the least depth of a line', () => {
    expect(
      leastDepth(
        bed((x) => 10 - 6 * Math.exp(-(((x - 1000) / 60) ** 2))),
        P(200, 500),
        P(1800, 500),
      ),
    ).toBeCloseTo(4, 1);
  });
  it('keep a third of the fuel in reserve (common practice)', () => {
    expect(fuelFor({ tankL: 120, burnLph: 40 }, 3600)).toEqual({ litres: 80, usableL: 80, keepsReserve: true });
    expect(fuelFor({ tankL: 120, burnLph: 40 }, 3700).keepsReserve).toBe(false);
  });
});

describe('places', () => {
  it('within 30 m are likely the same', () => {
    const a = toPosition(CORNER, 0, 0);
    const b = toPosition(CORNER, 20, 20);
    const c = toPosition(CORNER, 40, 0);
    expect(nearDuplicates([a], [c, b])[0]?.of).toBe(b);
    expect(nearDuplicates([a], [c])[0]).toBeNull();
    expect(pairsWithin([a, b, c])).toHaveLength(2);
  });
  it('have a bearing clockwise from north', () => {
    expect(bearingDeg(toPosition(CORNER, 0, 0), toPosition(CORNER, 100, 100))).toBeCloseTo(45, 0);
    expect(bearingDeg(toPosition(CORNER, 0, 0), toPosition(CORNER, -100, 0))).toBeCloseTo(270, 0);
  });
  it('lie inside a ring or outside it', () => {
    const square = [
      [0, 0],
      [2, 0],
      [2, 2],
      [0, 2],
    ] as const;
    expect(insideRing(square, [1, 1])).toBe(true);
    expect(insideRing(square, [3, 1])).toBe(false);
    expect(middleOf(square)).toEqual([1, 1]);
    expect(
      midpointOf([
        [0, 0],
        [1, 0],
        [1, 3],
      ]),
    ).toEqual([1, 1]);
  });
  it('get contours at about a dozen round depths', () => {
    expect(contourDepths(0, 6)).toHaveLength(13);
    expect(contourDepths(0.3, 38)).toEqual([5, 10, 15, 20, 25, 30, 35]);
  });
});

describe('a track', () => {
  it('is thinned to what a chart can draw, its ends kept', () => {
    const long = Array.from({ length: 40_000 }, (_, i): [number, number] => [-35.2 + i * 1e-6, 47.6 + 0.001 * Math.sin(i / 900)]);
    const thin = thinLine(long, 500);
    expect(thin.length).toBeLessThanOrEqual(500);
    expect(thin.length).toBeGreaterThan(100);
    expect([thin[0], thin.at(-1)]).toEqual([long[0], long.at(-1)]);
    expect(thinLine(long.slice(0, 10), 500)).toHaveLength(10);
  });
  it('keeps its ends whatever it is', () => {
    const point = fc.tuple(fc.double({ min: -35.3, max: -35.1, noNaN: true }), fc.double({ min: 47.5, max: 47.7, noNaN: true }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 80 }), fc.integer({ min: 2, max: 30 }), (points, most) => {
        const thin = thinLine(points, most);
        expect(thin.length).toBeLessThanOrEqual(Math.max(most, 2));
        expect(thin[0]).toEqual(points[0]);
        expect(thin.at(-1)).toEqual(points.at(-1));
      }),
    );
  });
});

describe('piles', () => {
  const line = [
    [-35.2, 47.61],
    [-35.2, 47.6],
  ] as const;
  it('stand evenly and are counted from the first end', () => {
    const piles = pilesOf(line, 9);
    expect(piles.map((p) => p.number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9]);
    expect(piles[0]?.lat).toBeCloseTo(47.609, 9);
    expect(piles[8]?.lat).toBeCloseTo(47.601, 9);
  });
  it('are shaded on the side away from the sun, the more of the deck the lower the water', () => {
    const sun = { heightDeg: 35, bearingDeg: 255 };
    expect(pileShade(sun, 9, 2, 3)?.side).toBe('E');
    expect(pileShade(sun, 9, 1, 3)?.surfaceM ?? 0).toBeGreaterThan(pileShade(sun, 9, 3, 3)?.surfaceM ?? 9);
    expect(pileShade({ heightDeg: 1, bearingDeg: 290 }, 9, 2, 3)).toBeNull();
    // Seven metres of deck over the water at 45 degrees lie seven metres off; a deck under water throws none.
    expect(pileShade({ heightDeg: 45, bearingDeg: 255 }, 9, 2, 0)?.surfaceM).toBeCloseTo(7, 9);
    expect(pileShade({ heightDeg: 45, bearingDeg: 255 }, 1, 2, 0)?.surfaceM).toBeCloseTo(0, 9);
  });
});

describe('a place that is drawn', () => {
  const shore = bed((_x, y) => (y < 300 ? -4 : 2 + (y - 300) * 0.01), 20);
  const at2 = (x: number, y: number): [number, number] => {
    const p = toPosition(shore, x, y);
    return [p.lon, p.lat];
  };
  it('gets its depth range, the way its bank faces and its fetch from the chart', () => {
    const m = measureSpot(shore, 'point', [at2(1000, 500)]);
    expect(m.depthMinM).toBeCloseTo(2 + 130 * 0.01, 1);
    expect(m.depthMaxM).toBeCloseTo(2 + 270 * 0.01, 1);
    // Land in the south: the bank looks north.
    expect(Math.min(m.shoreNormalDeg ?? 90, 360 - (m.shoreNormalDeg ?? 90))).toBeLessThanOrEqual(2);
    expect(m.fetchM[0] ?? 0).toBeGreaterThan(m.fetchM[18] ?? 9e9);
  });
  it('can be a line or an area, and is nowhere on land', () => {
    const line = measureSpot(shore, 'line', [at2(500, 400), at2(1500, 400)]);
    expect(line.depthMaxM).toBeCloseTo(3, 1);
    const area = measureSpot(shore, 'area', [at2(500, 400), at2(1500, 400), at2(1500, 900), at2(500, 900)]);
    expect(area.depthMaxM).toBeGreaterThan(7.5);
    expect(measureSpot(shore, 'point', [at2(1000, 100)]).depthMinM).toBeNull();
  });
});
