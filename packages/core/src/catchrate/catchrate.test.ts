import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { DAY, HOUR } from '../units/time';
import { ratioOfMeans } from './creel';
import { gammaQuantile, logGamma, negativeBinomialQuantile } from './distributions';
import { fitCatchRate } from './fitCatchRate';
import { likeWater } from './likeWater';
import { rateRange } from './rangeOf';
import type { FishedSet, RateConditions, RateWorld } from './world';
import { nth } from '../units/indexed';

const NOW = Date.UTC(2026, 5, 18, 20);
const ENVELOPE = { depthMinM: 0.5, depthMaxM: 4, tempMinC: 8, tempMaxC: 22 };
const WORLD: RateWorld = {
  spots: [{ id: 'pier' }, { id: 'drain' }, { id: 'quay' }],
  presentations: [
    { id: 'minnow', envelope: ENVELOPE },
    { id: 'shad', envelope: ENVELOPE },
  ],
  now: NOW,
};
const WATER: RateConditions = { tideStage: 0.3, windMps: 4, windFromDeg: 200, waterTempC: 14, clarityM: 1.5, sunHeightDeg: 20, depthM: 2 };

function poisson(mean: number, random: () => number): number {
  let n = 0;
  for (let p = random(); p > Math.exp(-mean); p *= random()) n++;
  return n;
}

/** A log whose truth is: pier 2.0, drain 0.5, quay 1.0 an hour, and three times so on the first of the run-in. */
function madeUpLog(count: number, seed = 1): FishedSet[] {
  const random = seeded(seed);
  const truth = { pier: 2, drain: 0.5, quay: 1 };
  return Array.from({ length: count }, (_, i) => {
    const spot = WORLD.spots[i % 3]?.id as keyof typeof truth;
    const tideStage = random();
    const mean = truth[spot] * (tideStage < 0.125 ? 3 : 1);
    return {
      at: NOW - random() * 300 * DAY,
      spot,
      presentation: random() < 0.5 ? 'minnow' : 'shad',
      rodHours: 2,
      fish: poisson(2 * mean, random),
      conditions: { ...WATER, tideStage },
    };
  });
}
const ask = (spot: string, conditions = WATER, presentation = 'minnow') => ({ at: NOW + 12 * HOUR, spot, presentation, conditions });

describe('distributions', () => {
  it('meets quantiles computed with scipy and R', () => {
    expect(gammaQuantile(0.05, 2.5, 1.3)).toBeCloseTo(0.4405678, 6);
    expect(gammaQuantile(0.5, 2.5, 1.3)).toBeCloseTo(1.6736385, 6);
    expect(gammaQuantile(0.95, 2.5, 1.3)).toBeCloseTo(4.2578837, 6);
    expect([0.05, 0.5, 0.95].map((q) => negativeBinomialQuantile(q, 2.5, 4))).toEqual([0, 3, 10]);
    expect(logGamma(5)).toBeCloseTo(Math.log(24), 12);
  });
  it('gives the posterior of the worked Gamma-Poisson example: Gamma(13, 30.5), 90 % 0.25212 to 0.63746', () => {
    expect(gammaQuantile(0.05, 13, 30.5)).toBeCloseTo(0.25212, 4);
    expect(gammaQuantile(0.95, 13, 30.5)).toBeCloseTo(0.63746, 4);
    expect([0.05, 0.5, 0.95].map((q) => negativeBinomialQuantile(q, 13, (5 * 13) / 30.5))).toEqual([0, 2, 5]);
  });
});

describe('creel estimator (Pollock et al. 1994)', () => {
  it('meets the worked ratio of means 0.415094 with standard error 0.1476', () => {
    const r = ratioOfMeans([0, 3, 1, 5, 0, 2], [4, 5, 3, 6, 4, 4.5]);
    expect(r.rate).toBeCloseTo(0.415094, 6);
    expect(r.se).toBeCloseTo(0.1476, 4);
  });
  it('refuses no effort', () => {
    expect(() => ratioOfMeans([1], [0])).toThrow(/hours/);
  });
});

describe('catch rate', () => {
  const log = madeUpLog(1500);
  const model = fitCatchRate(WORLD, log);

  it('finds the truth behind a long log within a quarter', () => {
    for (const [spot, truth] of [
      ['pier', 2],
      ['drain', 0.5],
      ['quay', 1],
    ] as const) {
      expect(Math.abs(model.rate(ask(spot)) / truth - 1)).toBeLessThan(0.25);
    }
    expect(model.rate(ask('pier', { ...WATER, tideStage: 0.05 })) / model.rate(ask('pier'))).toBeGreaterThan(2);
  });

  it('takes every rate apart into factors that multiply to it', () => {
    for (const { id } of WORLD.spots) {
      const product = model.factors(ask(id)).reduce((p, f) => p * f.multiplier, 1);
      expect(product).toBeCloseTo(model.rate(ask(id)), 12);
    }
  });

  it('covers about 80 % of new stops with its 80 % range of counts', () => {
    const held = madeUpLog(900, 2);
    let inside = 0;
    for (const s of held) {
      const shape = 1 / (model.logVariance(s) + 1 / model.dispersion);
      const mean = model.rate(s) * s.rodHours;
      const lo = negativeBinomialQuantile(0.1, shape, mean);
      const hi = negativeBinomialQuantile(0.9, shape, mean);
      if (s.fish >= lo && s.fish <= hi) inside++;
    }
    // Counts are whole numbers, so a range can only cover at least what it says.
    expect(inside / held.length).toBeGreaterThan(0.77);
    expect(inside / held.length).toBeLessThan(0.95);
  });

  it('never rises when an empty stop is added', () => {
    fc.assert(
      fc.property(fc.constantFrom('pier', 'drain', 'quay'), fc.double({ min: 0.2, max: 6, noNaN: true }), (spot, rodHours) => {
        const empty: FishedSet = { at: NOW - DAY, spot, presentation: 'minnow', rodHours, fish: 0, conditions: WATER };
        const some = log.slice(0, 150);
        const before = fitCatchRate(WORLD, some).rate(ask(spot));
        expect(fitCatchRate(WORLD, [...some, empty]).rate(ask(spot))).toBeLessThan(before);
      }),
      { numRuns: 20 },
    );
  });

  it('does not depend on the order of the log', () => {
    expect(fitCatchRate(WORLD, [...log].reverse()).rate(ask('pier'))).toBe(model.rate(ask('pier')));
  });

  it('starts from the rules when nothing is logged, and says how little it knows', () => {
    const empty = fitCatchRate(WORLD, []);
    const inside = empty.rate(ask('pier'));
    const tooDeep = empty.rate(ask('pier', { ...WATER, depthM: 30 }));
    expect(tooDeep / inside).toBeCloseTo(0.4, 6);
    const range = rateRange(empty, ask('pier'));
    const known = rateRange(model, ask('pier'));
    expect(range.hi80 / range.lo80).toBeGreaterThan(known.hi80 / known.lo80);
  });

  it('lets evidence overrule a rule', () => {
    const against: FishedSet[] = madeUpLog(600).map((s) => ({ ...s, conditions: { ...s.conditions, depthM: 30 } }));
    const evidence = [...against, ...madeUpLog(600, 5)];
    const fitted = fitCatchRate(WORLD, evidence);
    const ratio = fitted.rate(ask('pier', { ...WATER, depthM: 30 })) / fitted.rate(ask('pier'));
    expect(ratio).toBeGreaterThan(0.8);
  });

  it('copes when every condition is unknown', () => {
    expect(model.rate(ask('pier', {}))).toBeGreaterThan(0);
  });

  it('refuses effort of zero and unknown spots by name', () => {
    const bad = { ...nth(log, 0), rodHours: 0 };
    expect(() => fitCatchRate(WORLD, [bad])).toThrow(/rodHours: expected more than 0/);
    expect(() => fitCatchRate(WORLD, [{ ...bad, spot: 'moon' }])).toThrow(/unknown spot moon/);
  });
});

describe('what is learned', () => {
  it('finds a spread of spots where there is one, and next to none where there is none', () => {
    const spread = fitCatchRate(WORLD, madeUpLog(900)).rate(ask('pier')) / fitCatchRate(WORLD, madeUpLog(900)).rate(ask('drain'));
    expect(spread).toBeGreaterThan(2.5);
    const random = seeded(9);
    const alike = madeUpLog(900).map((s) => ({ ...s, fish: poisson(2, random) }));
    const flat = fitCatchRate(WORLD, alike);
    const stages = Array.from({ length: 8 }, (_, i) => ({ ...WATER, tideStage: (i + 0.5) / 8 }));
    const mean = stages.reduce((x, c) => x + Math.log(flat.rate(ask('pier', c)) / flat.rate(ask('drain', c))), 0) / 8;
    expect(Math.abs(mean)).toBeLessThan(0.15);
    expect(flat.phi).toBeLessThan(1.3);
  });

  it('sees more spread in counts that clump, and widens its ranges', () => {
    const random = seeded(4);
    const clumped = madeUpLog(900).map((s) => ({ ...s, fish: random() < 0.25 ? s.fish * 4 : 0 }));
    const a = fitCatchRate(WORLD, clumped);
    const b = fitCatchRate(WORLD, madeUpLog(900));
    expect(a.phi).toBeGreaterThan(1.5 * b.phi);
    expect(a.dispersion).toBeLessThan(b.dispersion / 3);
  });

  it('goes along when a spot does better than usual lately, and forgets it when it does not last', () => {
    const old = madeUpLog(900);
    const lately = madeUpLog(60, 3)
      .filter((s) => s.spot === 'drain')
      .map((s, i) => ({ ...s, at: NOW - (1 + i / 4) * DAY, fish: 6 }));
    const usual = fitCatchRate(WORLD, old).rate(ask('drain'));
    const hot = fitCatchRate(WORLD, [...old, ...lately]);
    expect(hot.rate(ask('drain')) / usual).toBeGreaterThan(1.4);
    expect(hot.factors(ask('drain')).find((f) => f.name === 'spot lately')?.multiplier).toBeGreaterThan(1.2);
    const later = fitCatchRate({ ...WORLD, now: NOW + 120 * DAY }, [...old, ...lately]);
    const factor = later.factors({ ...ask('drain'), at: NOW + 120 * DAY }).find((f) => f.name === 'spot lately');
    expect(factor?.multiplier).toBeLessThan(1.1);
  });

  it('comes by one more stop from a warm start to where a cold one comes', () => {
    const log = madeUpLog(800);
    const one: FishedSet = { at: NOW - 1000, spot: 'quay', presentation: 'shad', rodHours: 3, fish: 7, conditions: WATER };
    const warm = fitCatchRate(WORLD, log).with([one]);
    const cold = fitCatchRate(WORLD, [...log, one]);
    for (const spot of ['pier', 'drain', 'quay']) expect(Math.abs(warm.rate(ask(spot)) / cold.rate(ask(spot)) - 1)).toBeLessThan(0.02);
    expect(warm.sets).toBe(801);
  });

  it('gives a new spot the rate of its kind of place', () => {
    const world: RateWorld = {
      ...WORLD,
      spots: [
        ...WORLD.spots.map((s) => ({ ...s, structure: s.id === 'drain' ? 'flat' : 'piles' })),
        { id: 'new piles', structure: 'piles' },
        { id: 'new flat', structure: 'flat' },
      ],
    };
    const model = fitCatchRate(world, madeUpLog(900));
    expect(model.rate(ask('new piles'))).toBeGreaterThan(1.15 * model.rate(ask('new flat')));
    const [known, fresh] = [rateRange(model, ask('pier')), rateRange(model, ask('new piles'))];
    expect(fresh.hi80 / fresh.lo80).toBeGreaterThan(known.hi80 / known.lo80);
  });

  it('stays finite and sane with all zeros, one stop, and an absurd count', () => {
    const none = fitCatchRate(
      WORLD,
      madeUpLog(300).map((s) => ({ ...s, fish: 0 })),
    );
    expect(none.rate(ask('pier'))).toBeGreaterThan(0);
    expect(none.rate(ask('pier'))).toBeLessThan(0.02);
    const one = fitCatchRate(WORLD, madeUpLog(1));
    expect(Number.isFinite(one.rate(ask('quay')))).toBe(true);
    const absurd = fitCatchRate(WORLD, [...madeUpLog(300), { ...nth(madeUpLog(1), 0), fish: 5000 }]);
    expect(absurd.rate(ask('quay'))).toBeLessThan(60);
    expect(() => fitCatchRate(WORLD, [{ ...nth(madeUpLog(1), 0), rodHours: 1e6 }])).toThrow(/rodHours/);
  });

  it('names what is unknown, and widens the range by it', () => {
    const model = fitCatchRate(WORLD, madeUpLog(900));
    const dark = ask('pier', { ...WATER, tideStage: null, clarityM: null });
    expect(model.factors(dark).flatMap((f) => f.unknown ?? [])).toEqual(expect.arrayContaining(['stage of the tide', 'clarity']));
    expect(model.logVariance(dark)).toBeGreaterThan(model.logVariance(ask('pier')));
  });
});

describe('rules of the trade (common practice) as prior means', () => {
  const priors = fitCatchRate(WORLD, []);
  const ratio = (a: RateConditions, b: RateConditions) => priors.rate(ask('pier', a)) / priors.rate(ask('pier', b));
  it('T1: low light is better than high sun, and worse in the shallows under high sun', () => {
    expect(ratio({ ...WATER, sunHeightDeg: 3 }, { ...WATER, sunHeightDeg: 50 })).toBeCloseTo(1.2 / 1.1, 9);
    expect(ratio({ ...WATER, sunHeightDeg: 50, depthM: 1 }, { ...WATER, sunHeightDeg: 50, depthM: 3 })).toBeLessThan(0.85);
  });
  it('T2: the turn of the tide is better than the middle of a run', () => {
    expect(ratio({ ...WATER, tideStage: 0.01 }, { ...WATER, tideStage: 0.25 })).toBeCloseTo(1.25, 6);
  });
  it('a bait outside its temperatures or depths is worth less', () => {
    expect(ratio({ ...WATER, waterTempC: 3 }, { ...WATER, waterTempC: 14 })).toBeLessThan(0.5);
    expect(ratio({ ...WATER, depthM: 12 }, WATER)).toBeLessThan(0.5);
  });
  it('wind onto the bank helps in warm water, the lee in cold', () => {
    const bank = (onshore: number, waterTempC: number) => ({ ...WATER, onshore, waterTempC });
    expect(ratio(bank(1, 14), bank(-1, 14))).toBeGreaterThan(1.1);
    expect(ratio(bank(1, 8.5), bank(-1, 8.5))).toBeLessThan(0.85);
  });
  it('each is named beside the factor that it set', () => {
    const named = fitCatchRate({ ...WORLD, presentations: [{ id: 'minnow', family: 'F6', envelope: ENVELOPE }] }, []);
    const rules = named.factors(ask('pier', { ...WATER, tideStage: 0.01, depthM: 12 })).flatMap((f) => f.rule ?? []);
    expect(rules).toEqual(
      expect.arrayContaining([expect.objectContaining({ id: 'T2', prior: 1.25 }), expect.objectContaining({ id: 'F6', prior: 0.4 })]),
    );
  });
});

describe('like water', () => {
  it('counts hours and fish only of the same spot, most alike first', () => {
    const log = madeUpLog(300);
    const like = likeWater(log, ask('pier'), NOW);
    expect(like.sets.every((s) => s.set.spot === 'pier')).toBe(true);
    expect(like.rodHours).toBeLessThanOrEqual(200);
    expect(like.sets[0]?.weight ?? 0).toBeGreaterThanOrEqual(like.sets.at(-1)?.weight ?? 1);
  });
});
