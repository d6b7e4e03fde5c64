// Sums of the bench against brute-force integration, published drag of spheres, and facts of the trade (common practice).
import { describe, expect, it } from 'vitest';
import { gridSoundings } from '../ground/gridSoundings';
import { toPosition } from '../ground/seaBed';
import { drawsFrom } from '../units/draws';
import { seeded } from '../units/seeded';
import { anchorSize } from './anchorSize';
import { baitMix } from './baitMix';
import { boardSpread, type Board, throughWater } from './boardSpread';
import { campaign } from './campaign';
import { countDown } from './countDown';
import { depthOfLine } from './depthOfLine';
import { diverDepth, diverFor } from './diverDepth';
import { type DriftingBoat, driftSpeed, hullOfTimed } from './driftSpeed';
import { feederFall } from './feederFall';
import { hoursToTell, leaderChoice } from './leaderChoice';
import { dragSetting, lineDiameterMm, linePerTurn } from './lineStrength';
import { GRAVITY, LEAD, SEA_WATER } from './matter';
import { lineShape, plumbLine } from './plumbLine';
import { searchChance } from './searchChance';
import { dragOfTimed, sinkSpeed } from './sinkSpeed';
import { spares } from './spares';
import { hangsOrNot, weightToHold } from './weightToHold';
import { zoneShare } from './zoneShare';

/** Numbers in a range, the same in every run. */
const some = (n: number, seed: number) => {
  const u = seeded(seed);
  return Array.from({ length: n }, () => (least: number, most: number) => least + (most - least) * u());
};

describe('a sinking weight', () => {
  it('falls at the speed that was computed independently for 7 g and 28 g of lead', () => {
    expect(sinkSpeed({ massG: 7 })).toBeCloseTo(1.77742, 5);
    expect(sinkSpeed({ massG: 28 })).toBeCloseTo(2.239, 3);
  });

  it('falls as fast as the standard drag curve of a sphere says (Clift, Grace & Weber 1978, table 5.2, from memory), within 6 %', () => {
    // Sea water of 10 C: kinematic viscosity 1.35e-6 m2/s (ITTC 2011, from memory).
    const curve = (re: number) => {
      const w = Math.log10(re);
      return re < 1.2e4 ? 10 ** (-2.4571 + 2.5558 * w - 0.9295 * w ** 2 + 0.1049 * w ** 3) : 10 ** (-1.9181 + 0.637 * w - 0.0636 * w ** 2);
    };
    for (const [massG, density] of [
      [3, LEAD],
      [7, LEAD],
      [28, LEAD],
      [14, 7850],
    ] as const) {
      const d = Math.cbrt((6 * massG) / 1000 / (Math.PI * density));
      let v = 1;
      for (let i = 0; i < 60; i++) {
        const cd = curve((v * d) / 1.35e-6);
        v = 0.5 * v + 0.5 * Math.sqrt((4 * GRAVITY * d * (density - SEA_WATER)) / (3 * SEA_WATER * cd));
      }
      expect(Math.abs(sinkSpeed({ massG, materialKgM3: density }) / v - 1)).toBeLessThan(0.06);
    }
  });

  it('never sinks more slowly for being heavier, nor faster for more drag', () => {
    for (const r of some(200, 3)) {
      const [g, drag] = [r(1, 500), r(0, 40)];
      expect(sinkSpeed({ massG: g * 1.2, extraDragCm2: drag })).toBeGreaterThan(sinkSpeed({ massG: g, extraDragCm2: drag }));
      expect(sinkSpeed({ massG: g, extraDragCm2: drag + 1 })).toBeLessThan(sinkSpeed({ massG: g, extraDragCm2: drag }));
    }
  });

  it('takes a stopwatch’s word: the drag found from a timed fall gives that fall again', () => {
    const extraDragCm2 = dragOfTimed({ massG: 7 }, { depthM: 3, seconds: 4 });
    expect(sinkSpeed({ massG: 7, extraDragCm2 })).toBeCloseTo(0.75, 9);
    expect(dragOfTimed({ massG: 7 }, { depthM: 10, seconds: 1 })).toBe(0);
  });

  it('says what floats and what is out of range', () => {
    expect(() => sinkSpeed({ massG: 7, materialKgM3: 900 })).toThrow('materialKgM3: expected more than the water');
    expect(() => sinkSpeed({ massG: 0 })).toThrow('massG: expected more than 0 g, got 0');
    expect(() => sinkSpeed({ massG: 7, extraDragCm2: -1 })).toThrow('extraDragCm2: expected 0 to 10000 cm2, got -1');
  });
});

/** Steps up the line a centimetre at a time. */
function byHand(depthM: number, currentMps: number, lineMm: number, sinkerG: number, step = 0.0005) {
  const volume = sinkerG / 1000 / LEAD;
  const face = Math.PI * ((3 * volume) / (4 * Math.PI)) ** (2 / 3);
  const press = (SEA_WATER * currentMps ** 2) / 2;
  let [along, down] = [press * 0.44 * face, (LEAD - SEA_WATER) * volume * GRAVITY];
  let [up, back, line] = [0, 0, 0];
  while (up < depthM) {
    const pull = Math.hypot(along, down);
    const [sin, cos] = [along / pull, down / pull];
    [up, back, line] = [up + step * cos, back + step * sin, line + step];
    // At right angles to the line, by the part of the stream that crosses it.
    const push = press * 1.2 * (lineMm / 1000) * cos * cos * step;
    [along, down] = [along + push * cos, down - push * sin];
  }
  return { line, back, angle: (Math.atan2(along, down) * 180) / Math.PI };
}

describe('a line in a current', () => {
  it('hangs as was computed independently at 14 m, 0.4 m/s, 0.15 mm and 60 g', () => {
    const hangs = plumbLine({ depthM: 14, currentMps: 0.4, lineMm: 0.15, sinkerG: 60 });
    expect(hangs.lineM).toBeCloseTo(14.42229, 5);
    expect(hangs.backM).toBeCloseTo(3.09146, 5);
    expect(hangs.angleDeg).toBeCloseTo(22.8972, 4);
  });

  it('hangs as adding up its forces half a millimetre at a time says', () => {
    for (const r of some(12, 5)) {
      const [depthM, currentMps, lineMm, sinkerG] = [r(2, 25), r(0.05, 0.6), r(0.12, 0.4), r(30, 200)] as const;
      const hangs = hangsOrNot({ depthM, currentMps, lineMm, sinkerG });
      if (!hangs || hangs.angleDeg > 60) continue;
      const sum = byHand(depthM, currentMps, lineMm, sinkerG);
      expect(hangs.lineM).toBeCloseTo(sum.line, 2);
      expect(hangs.backM).toBeCloseTo(sum.back, 2);
      expect(hangs.angleDeg).toBeCloseTo(sum.angle, 1);
    }
  });

  it('has a shape that ends where the sum says, and a depth that its length gives back', () => {
    const water = { depthM: 18, currentMps: 0.5, lineMm: 0.28, sinkerG: 120 };
    const hangs = plumbLine(water);
    const top = lineShape(water).at(-1);
    expect([top?.upM, top?.alongM]).toEqual([expect.closeTo(18, 9), expect.closeTo(hangs.backM, 9)]);
    expect(depthOfLine({ ...water, lineM: hangs.lineM })).toBeCloseTo(18, 9);
  });

  it('stands nearer plumb for a heavier weight, a thinner line or less current', () => {
    for (const r of some(100, 7)) {
      const water = { depthM: r(2, 20), currentMps: r(0.05, 0.5), lineMm: r(0.12, 0.4), sinkerG: r(60, 300) };
      const angle = plumbLine(water).angleDeg;
      expect(plumbLine({ ...water, sinkerG: water.sinkerG * 1.3 }).angleDeg).toBeLessThan(angle);
      expect(plumbLine({ ...water, lineMm: water.lineMm * 0.8 }).angleDeg).toBeLessThan(angle);
      expect(plumbLine({ ...water, currentMps: water.currentMps * 0.8 }).angleDeg).toBeLessThan(angle);
    }
  });

  it('pushes 20 m of 0.30 mm at 0.5 m/s with 0.922 N (cylinder drag, computed independently)', () => {
    // A weight so heavy that the line stands upright: its pull sideways at the top is the whole push.
    const heavy = { depthM: 20, currentMps: 0.5, lineMm: 0.3, sinkerG: 20_000 };
    const volume = 20 / LEAD;
    const weightN = (LEAD - SEA_WATER) * volume * GRAVITY;
    const face = Math.PI * ((3 * volume) / (4 * Math.PI)) ** (2 / 3);
    const atTop = weightN * Math.tan((plumbLine(heavy).angleDeg * Math.PI) / 180);
    expect(atTop - 0.5 * SEA_WATER * 0.25 * 0.44 * face).toBeCloseTo(0.922, 2);
  });

  it('says when no weight of the box holds it, and which is the lightest that does', () => {
    const race = { depthM: 20, currentMps: 0.9, lineMm: 0.28 };
    expect(weightToHold(race, [20, 40, 60], 60)).toBeNull();
    const held = weightToHold({ depthM: 4.4, currentMps: 0.2, lineMm: 0.15 }, [60, 20, 40, 30], 20);
    expect(held?.hangs.angleDeg).toBeLessThanOrEqual(20);
    expect(held?.lighter === null || (held?.lighter?.hangs?.angleDeg ?? 90) > 20).toBe(true);
    expect(() => plumbLine({ ...race, depthM: 200, sinkerG: 5 })).toThrow('the line lies flat on the current');
    expect(() => plumbLine({ ...race, depthM: 0, sinkerG: 5 })).toThrow('depthM: expected more than 0 m, got 0');
  });
});

const SKIFF: DriftingBoat = { windMps: 8, windFromDeg: 270, currentMps: 0, currentToDeg: 0, windageM2: 6, hullM2: 2 };

describe('a drifting boat', () => {
  it('drifts as was computed independently: 8 m/s from the west on 6 m2 over 2 m2 of hull', () => {
    const drift = driftSpeed(SKIFF);
    expect(drift.speedMps).toBeCloseTo(0.451961, 6);
    expect(drift.toDeg).toBeCloseTo(90, 9);
  });

  it('balances: the wind’s drag on it is the water’s', () => {
    const drift = driftSpeed({ ...SKIFF, currentMps: 0.6, currentToDeg: 200, anchorDiameterM: 1.5 });
    const to = (deg: number) => [Math.sin((deg * Math.PI) / 180), Math.cos((deg * Math.PI) / 180)] as const;
    const v = to(drift.toDeg).map((x) => x * drift.speedMps) as [number, number];
    const wind = to(90).map((x) => x * 8) as [number, number];
    const water = to(200).map((x) => x * 0.6) as [number, number];
    const air = 0.5 * 1.225 * 6 * Math.hypot(wind[0] - v[0], wind[1] - v[1]) ** 2;
    const sea = 0.5 * 1025 * (2 + 1.35 * Math.PI * 0.75 ** 2) * Math.hypot(v[0] - water[0], v[1] - water[1]) ** 2;
    expect(sea).toBeCloseTo(air, 6);
  });

  it('is held by 305.7 N of a 1.5 m sea anchor at 0.5 m/s (computed independently)', () => {
    expect(0.5 * 1025 * 1.35 * Math.PI * 0.75 ** 2 * 0.25).toBeCloseTo(305.7, 1);
    // A boat that shows nothing else to the water drifts at 0.5 m/s where the wind presses with the same 305.7 N.
    const wind = Math.sqrt(305.7 / (0.5 * 1.225 * 6)) + 0.5;
    expect(driftSpeed({ ...SKIFF, windMps: wind, hullM2: 0, anchorDiameterM: 1.5 }).speedMps).toBeCloseTo(0.5, 3);
  });

  it('never drifts faster through the water for a larger anchor, and takes the smallest that holds', () => {
    for (const r of some(100, 11)) {
      const boat = { ...SKIFF, windMps: r(1, 20), windFromDeg: r(0, 360), currentMps: r(0, 1), currentToDeg: r(0, 360) };
      const d = r(0, 3);
      expect(driftSpeed({ ...boat, anchorDiameterM: d + 0.3 }).throughWaterMps).toBeLessThanOrEqual(
        driftSpeed({ ...boat, anchorDiameterM: d }).throughWaterMps,
      );
    }
    const chosen = anchorSize(SKIFF, 0.3, [2.4, 0.9, 1.2, 1.8]);
    expect(chosen.diameterM).toBe(1.8);
    expect(driftSpeed({ ...SKIFF, anchorDiameterM: 1.2 }).throughWaterMps).toBeGreaterThan(0.3);
    expect(anchorSize(SKIFF, 0.05, [0.9, 1.2])).toMatchObject({ diameterM: null });
  });

  it('takes a timed drift’s word for its hull', () => {
    const hullM2 = hullOfTimed(SKIFF, 0.6);
    expect(driftSpeed({ ...SKIFF, hullM2 }).throughWaterMps).toBeCloseTo(0.6, 9);
    expect(() => hullOfTimed(SKIFF, 9)).toThrow("expected less than the wind's 8.00 m/s");
  });
});

describe('a clipped feeder', () => {
  const cast = { clipM: 40, depthM: 9, fallMps: 0.6, keepS: 20 };
  it('rests where the string of that length reaches the bottom, with the feed that is left after 15 s', () => {
    const f = feederFall(cast);
    expect(f.restM).toBeCloseTo(38.97435, 5);
    expect(f.leftShare).toBeCloseTo(0.472367, 6);
    expect(f.fallS).toBeCloseTo(15, 9);
  });

  it('spills where a fall watched a millisecond at a time says; over it lies past the clip, 0 to 4 m (P14, common practice)', () => {
    let [where, lost] = [0, 0];
    for (let t = 0.0005; t < 15; t += 0.001) {
      const part = Math.exp(-t / 20) * 0.001;
      where += part * Math.sqrt(1600 - (0.6 * t) ** 2);
      lost += part;
    }
    const f = feederFall(cast);
    expect(f.spiltMeanM).toBeCloseTo(where / lost, 5);
    expect(f.spiltMeanM).toBeGreaterThan(f.spiltFromM);
    expect(f.spiltMeanM).toBeLessThan(f.spiltToM);
    expect(f.pastClipM).toBeGreaterThan(0);
    expect(f.pastClipM).toBeLessThan(4);
  });

  it('falls 10 to 20 s in deep water with an open feeder and keeps more when it falls faster (P13, common practice)', () => {
    expect(feederFall({ ...cast, fallMps: 0.9 }).leftShare).toBeGreaterThan(feederFall(cast).leftShare);
    expect(feederFall(cast).fallS).toBeGreaterThanOrEqual(10);
    expect(feederFall(cast).fallS).toBeLessThanOrEqual(20);
  });

  it('says that a clip shorter than the depth hangs under the rod', () => {
    expect(() => feederFall({ ...cast, clipM: 8 })).toThrow('clipM: expected more than the depth of 9 m, got 8');
  });
});

describe('casts', () => {
  it('counted down are soundings at their place', () => {
    const [north, east] = countDown({ bombMps: 2 }, { lon: -35.2, lat: 47.6 }, [
      { bearingDeg: 0, distanceM: 50, seconds: 3 },
      { bearingDeg: 90, distanceM: 50, seconds: 4.5 },
    ]);
    expect([north?.depthM, east?.depthM]).toEqual([6, 9]);
    // One minute of latitude there is 1852.2 m (WGS 84).
    expect(((north?.lat ?? 0) - 47.6) * 60 * 1852.6).toBeCloseTo(50, 1);
    expect(east?.lat).toBeCloseTo(47.6, 9);
    expect(countDown({ bombG: 28 }, { lon: 0, lat: 0 }, [{ bearingDeg: 0, distanceM: 1, seconds: 1 }])[0]?.depthM).toBeCloseTo(2.239, 3);
    expect(() => countDown({}, { lon: 0, lat: 0 }, [])).toThrow('bombMps: expected the speed');
  });

  it('along the edge work their whole length, square to it only its width (P22, common practice)', () => {
    expect(zoneShare(30, 1.5, 10).inZoneM).toBeCloseTo(8.63816, 5);
    expect(zoneShare(30, 1.5, 0).share).toBe(1);
    expect(zoneShare(30, 1.5, 90).inZoneM).toBeCloseTo(1.5, 12);
    expect(() => zoneShare(30, 1.5, 91)).toThrow('angleDeg: expected 0 to 90 degrees, got 91');
  });
});

describe('a diver', () => {
  const rated = { ratedM: 3, ratedLineMm: 0.28, ratedCastM: 30 };
  it('reaches what is on the box as it was rated; never less on thinner line, never more on a shorter cast (P2, common practice)', () => {
    expect(diverDepth(rated, 0.28, 30)).toBeCloseTo(3, 12);
    for (const r of some(100, 13)) {
      const [mm, m] = [r(0.1, 0.6), r(5, 60)];
      expect(diverDepth(rated, mm * 0.9, m)).toBeGreaterThan(diverDepth(rated, mm, m));
      expect(diverDepth(rated, mm, m * 0.9)).toBeLessThan(diverDepth(rated, mm, m));
    }
  });

  it('of 10 ft is the one for 8 ft of water, run as it was rated (P1, common practice)', () => {
    const [least, most] = diverFor(8 * 0.3048, rated, 0.28, 30);
    expect(10 * 0.3048).toBeGreaterThanOrEqual(least);
    expect(10 * 0.3048).toBeLessThanOrEqual(most + 0.01);
  });
});

describe('a spread of boards', () => {
  // A plane that deepens to the east by 1 m in 20, 2 m at the western edge.
  const lat: number[] = [];
  const lon: number[] = [];
  const depthM: number[] = [];
  for (let y = 0; y <= 40; y++)
    for (let x = 0; x <= 40; x++) {
      const p = toPosition({ lat0: 47.6, lon0: -35.2 }, x * 10, y * 10);
      lat.push(p.lat);
      lon.push(p.lon);
      depthM.push(2 + (x * 10) / 20);
    }
  const bed = gridSoundings({ lat, lon, depthM }, { cellM: 5 });
  const at = (xM: number, yM: number): [number, number] => {
    const p = toPosition(bed, xM, yM);
    return [p.lon, p.lat];
  };
  const spread = {
    boatMps: 0.67,
    currentMps: 0.35,
    currentToDeg: 0,
    headingDeg: 0,
    track: Array.from({ length: 20 }, (_, i) => at(150, 60 + i * 10)),
  };
  const boards: Board[] = [
    { side: 'port', leaderM: 1.2, outM: 1.8, weightG: 0, reachM: 30 },
    { side: 'port', leaderM: 1.2, outM: 0, weightG: 0, reachM: 60 },
    { side: 'starboard', leaderM: 1.2, outM: 1.8, weightG: 0 },
    { side: 'starboard', leaderM: 1.2, outM: 9, weightG: 14 },
  ];

  it('has each bait at leader and line let out, and the plane’s own depth under it (P19, common practice)', () => {
    const out = boardSpread({ ...spread, boards }, bed);
    expect(out.map((b) => b.depthM.toFixed(2))).toEqual(['3.00', '1.20', '3.00', expect.anything()]);
    expect(out[3]?.depthM).toBeLessThan(10.2);
    // North-going: port is west.
    expect(out[0]?.medianUnderM).toBeCloseTo(2 + (150 - 30) / 20, 1);
    expect(out[1]?.medianUnderM).toBeCloseTo(2 + (150 - 60) / 20, 1);
    expect(out[2]?.medianUnderM).toBeCloseTo(2 + (150 + 12) / 20, 1);
    expect(out.slice(0, 3).map((b) => b.warnings)).toEqual([[], [], []]);
  });

  it('makes half to one mile an hour through the water at 1.5 over the ground with the tide (common practice)', () => {
    const MPH = 0.44704;
    expect(throughWater(1.5 * MPH, 0, 0.5 * MPH, 0) / MPH).toBeCloseTo(1, 9);
    expect(throughWater(1.5 * MPH, 0, 1 * MPH, 0) / MPH).toBeCloseTo(0.5, 9);
  });

  it('puts out the outermost of each side first and says what touches, what runs ashore and what is not sounded', () => {
    const out = boardSpread(
      {
        ...spread,
        boards: [
          { side: 'port', leaderM: 1.2, outM: 9, weightG: 0, reachM: 30 },
          { side: 'port', leaderM: 1.2, outM: 0, weightG: 20, reachM: 80 },
          { side: 'port', leaderM: 1.2, outM: 0, weightG: 0, reachM: 190 },
        ],
      },
      bed,
    );
    expect(out.map((b) => b.order)).toEqual([3, 2, 1]);
    expect(out[0]?.warnings[0]).toContain('within {depth 0.3} of the bottom or on it at 20 of 20 points; shorten by {depth 2.5}');
    expect(out[1]?.warnings).toContain('{lead 20} pulls the board under; {lead 14} is the most');
    expect(out[2]?.warnings).toContain('20 of 20 points are not sounded');
    const ashore = boardSpread({ ...spread, tideM: -7, boards: [{ side: 'port', leaderM: 1, outM: 0, weightG: 0, reachM: 60 }] }, bed);
    expect(ashore[0]?.warnings[0]).toContain('runs over land or dry ground');
    expect(() => boardSpread({ ...spread, boards: [] }, bed)).toThrow('boards: expected at least one');
  });
});

/** P(Beta(a2, b2) > Beta(a1, b1)) for whole a2, as an exact sum. */
function exactAbove(a1: number, b1: number, a2: number, b2: number): number {
  const lnBeta = (a: number, b: number) => lnFactorial(a - 1) + lnFactorial(b - 1) - lnFactorial(a + b - 1);
  let sum = 0;
  for (let i = 0; i < a2; i++) sum += Math.exp(lnBeta(a1 + i, b1 + b2) - Math.log(b2 + i) - lnBeta(1 + i, b2) - lnBeta(a1, b1));
  return sum;
}
function lnFactorial(n: number): number {
  let sum = 0;
  for (let i = 2; i <= n; i++) sum += Math.log(i);
  return sum;
}

describe('leaders compared', () => {
  it('draws gamma and beta numbers with the means, spreads and order that the exact sums give', () => {
    const draws = drawsFrom(seeded(5));
    const n = 40_000;
    for (const shape of [0.4, 1, 2.5, 30]) {
      const x = Array.from({ length: n }, () => draws.gamma(shape));
      const mean = x.reduce((a, b) => a + b, 0) / n;
      const variance = x.reduce((a, b) => a + (b - mean) ** 2, 0) / n;
      expect(Math.abs(mean / shape - 1)).toBeLessThan(0.03);
      expect(Math.abs(variance / shape - 1)).toBeLessThan(0.06);
    }
    expect(exactAbove(5, 6, 8, 4)).toBeCloseTo(0.857942, 6);
    let above = 0;
    for (let i = 0; i < n; i++) if (draws.beta(8, 4) > draws.beta(5, 6)) above++;
    expect(above / n).toBeCloseTo(0.857942, 2);
  });

  it('gives the exact chance that one lands more where bites and hooking are known alike', () => {
    // So many bites that only landing is in doubt: Beta(8, 4) against Beta(5, 6) after the counts.
    const many = { bites: { a: 1e7, b: 1e6 }, hook: { a: 1e9, b: 1 }, land: { a: 1, b: 1 } };
    const { strengths, choice } = leaderChoice(
      [
        { kg: 18, rodHours: 0, bites: 10, hooked: 10, landed: 7 },
        { kg: 27, rodHours: 0, bites: 9, hooked: 9, landed: 4 },
      ],
      many,
    );
    expect(strengths[0]?.chanceToBeBest).toBeCloseTo(0.857942, 2);
    expect(strengths.reduce((a, s) => a + s.chanceToBeBest, 0)).toBeCloseTo(1, 12);
    expect(strengths[0]?.chanceToLand).toBeCloseTo(8 / 12, 12);
    expect(choice).toBe(18);
  });

  it('lets lighter win while it lands, and heavier when light breaks off (P9, common practice)', () => {
    const light = { kg: 18, rodHours: 20, bites: 40, hooked: 30, landed: 27 };
    const heavy = { kg: 27, rodHours: 20, bites: 22, hooked: 17, landed: 17 };
    expect(leaderChoice([light, heavy]).choice).toBe(18);
    expect(leaderChoice([{ ...light, landed: 6 }, heavy]).choice).toBe(27);
    const [a, b] = leaderChoice([light, heavy]).strengths;
    if (a && b) expect(hoursToTell(a, b, 20)).toBe(0);
  });

  it('refuses counts that cannot be', () => {
    const s = { kg: 5, rodHours: 1, bites: 2, hooked: 3, landed: 1 };
    expect(() => leaderChoice([s])).toThrow('strengths.0.hooked: expected 0 to 2 bites, got 3');
    expect(() => leaderChoice([])).toThrow('strengths: expected at least one, got none');
  });
});

describe('searching, spares, feed', () => {
  it('meets a group as often as groups thrown at random over the water say', () => {
    const { areaM2, chance } = searchChance(20, 0.5, 8, 60);
    expect(areaM2).toBe(36_000);
    const u = seeded(9);
    let met = 0;
    // 800 groups over 100 km2, of which the searched strip is 0.036.
    for (let n = 0; n < 4000; n++)
      for (let g = 0; g < 800; g++)
        if (u() < 0.036 / 100) {
          met++;
          break;
        }
    expect(Math.abs(met / 4000 - chance)).toBeLessThan(0.025);
  });

  it('carries the fewest spares with under 5 % to run out (Poisson of mean 3: 95.0 % up to 6 is 0.9665, up to 5 is 0.9161, handbook table)', () => {
    expect(spares(0.5, 6)).toBe(6);
    expect(spares(0, 6)).toBe(0);
    expect(spares(1, 3, 0.1)).toBe(5);
    expect(spares(5, 400)).toBeGreaterThan(2000);
    expect(() => spares(1, 1, 0)).toThrow('shortBelow');
  });

  it('mixes feed by its parts and bulks dear with cheap', () => {
    const mix = baitMix(
      [
        { name: 'boilies', parts: 1, costPerKg: 9 },
        { name: 'maize', parts: 3, costPerKg: 1 },
      ],
      8,
    );
    expect(mix.parts.map((p) => p.kg)).toEqual([2, 6]);
    expect(mix.cost).toBe(24);
    expect(() => baitMix([], 1)).toThrow('parts: expected at least one');
  });

  it('feeds at least twice a week, the last on the day before (T8, common practice)', () => {
    const day = Date.UTC(2026, 5, 19);
    const c = campaign(day, { weeks: 2, feedsAWeek: 2, kgAFeed: 2, costPerKg: 3 });
    expect(c.feeds.map((f) => (day - f.atMs) / 86_400_000)).toEqual([11, 8, 4, 1]);
    expect([c.kg, c.cost, c.holds]).toEqual([8, 24, true]);
    expect(campaign(day, { weeks: 2, feedsAWeek: 1, kgAFeed: 2, costPerKg: 3 }).holds).toBe(false);
  });
});

describe('line and drag', () => {
  it('is as thick as the trade’s table, and takes in 87.7 cm a turn on 45 mm at 6.2 to 1 (common practice)', () => {
    const LB = 0.45359237;
    expect(lineDiameterMm('nylon', 8 * LB)).toBeCloseTo(0.25, 6);
    expect(lineDiameterMm('braid', 50 * LB)).toBeCloseTo(0.36, 6);
    expect(lineDiameterMm('braid', 8)).toBeLessThan(lineDiameterMm('nylon', 8));
    expect(linePerTurn(45, 6.2)).toBeCloseTo(0.877, 3);
    expect(dragSetting([10, 5.5, 8])).toEqual([5.5 * 0.25, 5.5 * 0.33]);
    expect(() => lineDiameterMm('nylon', 0)).toThrow('kg: expected more than 0 kg');
  });
});
