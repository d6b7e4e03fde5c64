// Levels of the ranking model against the facts of the trade that they stand for (common practice, ids of the rules beside them).
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GROUPS, levelsOf, lightBand, listsOf, waterLevels } from './groups';
import { RATE_RULES } from './rateRules';
import { TRADE_RULES } from './tradeRules';
import { type Envelope, ENVELOPE_SPANS } from './envelope';
import type { RateConditions, RateWorld } from './world';

const NOON = Date.UTC(2026, 5, 19, 12);
const ENVELOPE: Envelope = {
  depthMinM: 1,
  depthMaxM: 4,
  tempMinC: 8,
  tempMaxC: 18,
  clarityMinM: 0.75,
  clarityMaxM: 1.5,
  windMinMps: 4.5,
  windMaxMps: 9,
  currentMinMps: 0.2,
  currentMaxMps: null,
  light: [1],
  cover: ['rock', 'piles'],
  months: [12, 1],
};
const world: RateWorld = {
  now: NOON,
  lonDeg: 0,
  spots: [
    { id: 'stone', structure: 'rock', pressure: 3 },
    { id: 'gutter', structure: 'drain', pressure: 1 },
    { id: 'mark', structure: null, pressure: null },
  ],
  presentations: [
    { id: 'made', family: 'F7', envelope: ENVELOPE },
    { id: 'any', family: null, envelope: null },
  ],
};
const lists = listsOf(world);
const at = (c: RateConditions, { spot = 0, bait = 0, ms = NOON } = {}) => levelsOf(world, lists, spot, bait, ms, c);
const group = (name: string) => GROUPS.find((g) => g.name === name) as (typeof GROUPS)[number];
/** Prior multiplier of a group's level for conditions; 1 where no rule speaks. */
const mean = (name: string, c: RateConditions, more: { spot?: number; bait?: number; ms?: number } = {}) => {
  const code = group(name).code(at(c, more), lists);
  return code < 0 ? null : (group(name).prior?.(code, lists)?.mean ?? 1);
};

describe('light', () => {
  it('is dark below nautical height, low to a hand above the horizon, high when the sun is well up', () => {
    expect([-7, -6, 0, 7.9, 8, 29.9, 30, 60].map((deg) => lightBand(deg))).toEqual([0, 1, 1, 1, 2, 2, 3, 3]);
    expect([null, undefined, Number.NaN].map((deg) => lightBand(deg))).toEqual([-1, -1, -1]);
  });
  it('T1: a high sun behind thick cloud is no bright sun', () => {
    expect([0, 0.79, 0.8, 1].map((cloud) => lightBand(50, cloud))).toEqual([3, 3, 2, 2]);
    expect([0, 1].map((cloud) => lightBand(3, cloud))).toEqual([1, 1]);
  });
});

describe('tide', () => {
  it('T2: what the stage does everywhere is alike on either run; which run is better is each spot’s own', () => {
    const levels = Array.from({ length: 8 }, (_, i) => at({ tideStage: (i + 0.5) / 8 }));
    expect(levels.map((v) => group('tide stage').code(v, lists))).toEqual([0, 1, 2, 3, 0, 1, 2, 3]);
    const runs = [0, 1].map((spot) => [0.3, 0.8].map((tideStage) => group('spot and run').code(at({ tideStage }, { spot }), lists)));
    expect(runs).toEqual([
      [0, 1],
      [2, 3],
    ]);
    // Stage 1 is the next low water: still the last of the run-out, not off the scale.
    expect(at({ tideStage: 1 }).stage).toBe(7);
  });
  it('is no unknown on a lake', () => {
    const needs = group('tide stage').needs as NonNullable<ReturnType<typeof group>['needs']>;
    expect(needs({}, world)).toBe('stage of the tide');
    expect(needs({}, { ...world, tidal: false })).toBeNull();
  });
});

describe('wind', () => {
  it('windward in the warm, lee in the cold: both schools stand, split at ten degrees', () => {
    const bank = (onshore: number, waterTempC: number) => mean('wind on the bank', { onshore, waterTempC, windMps: 6 }) as number;
    expect(bank(0.9, 16)).toBeGreaterThan(bank(-0.9, 16));
    expect(bank(0.9, 6)).toBeLessThan(bank(-0.9, 6));
    expect(bank(0, 16)).toBe(1);
    expect(bank(0.9, 10)).toBe(bank(0.9, 16));
  });
  it('says nothing of a bank in a calm, of which the direction is a level of its own', () => {
    expect(mean('wind on the bank', { onshore: 0.9, waterTempC: 16, windMps: 1.9 })).toBeNull();
    expect(at({ windMps: 1, windFromDeg: 200 }).octant).toBe(8);
    expect([0, 22, 23, 180, 337, 338, 359].map((d) => at({ windMps: 5, windFromDeg: d }).octant)).toEqual([0, 0, 1, 4, 7, 0, 0]);
  });
});

describe('season and hour', () => {
  it('T3: cold mornings start late, by the sun and not by the clock', () => {
    const cold = { waterTempC: 6 };
    // 35 degrees west the sun is two hours and twenty minutes behind: 11:00 UTC is early there.
    const west = { ...world, lonDeg: -35 };
    const morning = (w: RateWorld, hour: number) =>
      group('cold morning').code(waterLevels(w, lists, 0, Date.UTC(2026, 0, 9, hour), cold), lists);
    expect([9, 11].map((h) => morning(world, h))).toEqual([0, -1]);
    expect([11, 13].map((h) => morning(west, h))).toEqual([0, -1]);
  });
  it('P18: a season may pass the turn of the year; the month beside it is near', () => {
    const month = (m: number) => at({}, { ms: Date.UTC(2026, m - 1, 15) }).seasonFit;
    expect([1, 2, 3, 6, 10, 11, 12].map(month)).toEqual([0, 1, 2, 2, 2, 1, 0]);
  });
});

describe('what a bait is made for', () => {
  it('F: inside is the reference, near costs less than outside', () => {
    for (const [name, inside, near, outside] of [
      ['depth for the presentation', { depthM: 2 }, { depthM: 5 }, { depthM: 9 }],
      ['temperature for the presentation', { waterTempC: 12 }, { waterTempC: 20 }, { waterTempC: 25 }],
      ['clarity for the presentation', { clarityM: 1 }, { clarityM: 1.9 }, { clarityM: 5 }],
      ['wind for the presentation', { windMps: 6 }, { windMps: 3 }, { windMps: 0 }],
      ['current for the presentation', { currentMps: 0.5 }, { currentMps: 0.05 }, null],
    ] as const) {
      const of = (c: RateConditions | null) => (c === null ? 0 : mean(name, c));
      expect(of(inside), name).toBe(1);
      expect(of(near), name).toBeLessThan(1);
      expect(of(outside), name).toBeLessThan(of(near) as number);
      expect(group(name).reference).toBe(0);
    }
  });
  it('F7: the large jointed lure wants 0.75 to 1.5 m of visibility and a 10 to 20 mph wind', () => {
    // 10 and 20 mph are 4.5 and 8.9 m/s.
    const fits = (c: RateConditions, key: string) => at(c).fits[ENVELOPE_SPANS.findIndex((s) => s.key === key)];
    for (const mph of [10.1, 15, 20]) expect(fits({ windMps: mph * 0.44704 }, 'wind')).toBe(0);
    expect(fits({ windMps: 3 * 0.44704 }, 'wind')).toBe(2);
    expect([0.8, 1.5, 3].map((clarityM) => fits({ clarityM }, 'clarity'))).toEqual([0, 0, 2]);
  });
  it('ground and light are in or out; a bait that is open to all, or a spot of no known kind, says nothing', () => {
    expect([0, 1, 2].map((spot) => at({}, { spot }).coverFit)).toEqual([0, 2, -1]);
    expect([3, 50].map((sunHeightDeg) => at({ sunHeightDeg }).lightFit)).toEqual([0, 2]);
    const open = at({ depthM: 2, waterTempC: 12, clarityM: 1, windMps: 6, currentMps: 1, sunHeightDeg: 3 }, { bait: 1 });
    expect([...open.fits, open.coverFit, open.seasonFit, open.lightFit]).toEqual(new Array(8).fill(-1));
  });
});

describe('every group', () => {
  const maybe = (min: number, max: number) => fc.option(fc.double({ min, max, noNaN: true }));
  it('gives a level within its size, or none, for any conditions, and a prior above nothing', () => {
    fc.assert(
      fc.property(
        fc.record({
          tideStage: maybe(0, 1),
          windMps: maybe(0, 60),
          windFromDeg: maybe(0, 360),
          waterTempC: maybe(-2, 40),
          clarityM: maybe(0, 60),
          sunHeightDeg: maybe(-90, 90),
          depthM: maybe(-5, 300),
          onshore: maybe(-1, 1),
          currentMps: maybe(0, 5),
        }),
        fc.integer({ min: 0, max: 2 }),
        fc.integer({ min: 0, max: 1 }),
        fc.integer({ min: Date.UTC(2000, 0), max: NOON }),
        (c, spot, bait, ms) => {
          const v = at(c, { spot, bait, ms });
          for (const g of GROUPS) {
            const code = g.code(v, lists);
            expect(Number.isInteger(code) && code >= -1 && code < g.size(lists), `${g.name}: ${code}`).toBe(true);
            if (code < 0) continue;
            const prior = g.prior?.(code, lists);
            if (prior) expect(prior.mean > 0.2 && prior.mean < 2 && prior.weight > 0 && prior.weight <= 5, g.name).toBe(true);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
  it('has a name of its own, and each rule words of its own', () => {
    expect(new Set(GROUPS.map((g) => g.name)).size).toBe(GROUPS.length);
    const texts = [...Object.values(TRADE_RULES).map((r) => r.text), ...ENVELOPE_SPANS.map((s) => s.why), ...RATE_RULES.map((r) => r.text)];
    expect(new Set(texts).size).toBe(texts.length);
  });
});
