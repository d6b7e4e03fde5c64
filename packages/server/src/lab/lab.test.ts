// Runs the built command as a user would.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { timeIndexedModel } from '../../../../bench/timeIndexedModel';
import boston from '../../../core/src/tide/fixtures/boston.json';
import { randomProblem } from '@bluffwind/core/itinerary/randomProblem';
import highsLoader from 'highs';
import { describe, expect, it } from 'vitest';

const LAB = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../../../../dist/lab.mjs');
// biome-ignore lint/suspicious/noExplicitAny: answers of every calculation
function lab(name: string, input: unknown): { status: number | null; out: any; err: string } {
  const r = spawnSync(process.execPath, [LAB, name], {
    input: typeof input === 'string' ? input : JSON.stringify(input),
    encoding: 'utf8',
  });
  return { status: r.status, out: r.stdout ? JSON.parse(r.stdout) : null, err: r.stderr };
}

describe('lab', () => {
  it('gives tide turns within 4 min and 2 cm of independently computed ones (public-domain constants of a real harbour)', () => {
    const turns = boston.months['2026-06'].slice(0, 20);
    const first = Date.parse(turns[0]?.at ?? '');
    const { out, status } = lab('tide', {
      constituents: boston.constituents,
      z0M: boston.z0M,
      from: new Date(first - 60_000 * 60).toISOString(),
      to: new Date(first + 6 * 86_400_000).toISOString(),
    });
    expect(status).toBe(0);
    turns.forEach((t, i) => {
      expect(Math.abs(Date.parse(out.turns[i].at) - Date.parse(t.at)) / 60_000).toBeLessThan(4);
      expect(Math.abs(out.turns[i].heightM - t.heightM)).toBeLessThan(0.02);
      expect(out.turns[i].kind).toBe(t.kind);
    });
  });

  it('gives sky times of PyEphem 4.1.4 within 10 s, by UTC day', () => {
    const { out } = lab('sky', { lat: 37.8063, lon: -122.4659, from: '2026-06-21T00:00:00Z', to: '2026-06-22T00:00:00Z' });
    expect(out.days).toHaveLength(1);
    expect(Math.abs(Date.parse(out.days[0].sunrise) - Date.parse('2026-06-21T12:48:11Z'))).toBeLessThan(10_000);
    expect(Math.abs(Date.parse(out.days[0].moonrise) - Date.parse('2026-06-21T20:11:23Z'))).toBeLessThan(10_000);
  });

  it('agrees with the HiGHS solver on the time-indexed model of small itineraries', async () => {
    const highs = await highsLoader();
    for (const seed of [1, 2, 3]) {
      const p = randomProblem(seed, { spots: 4, steps: 24, stepMin: 15 });
      const { out } = lab('itinerary', p);
      expect(out.proved).toBe(true);
      expect(out.bound).toBeCloseTo(out.value, 9);
      const solution = highs.solve(timeIndexedModel(p));
      expect(solution.Status).toBe('Optimal');
      expect(out.value).toBeCloseTo(solution.ObjectiveValue, 5);
    }
  });

  it('ranks with factors that multiply to the rate', () => {
    const conditions = { tideStage: 0.2, windMps: 4, waterTempC: 14 };
    const stops = Array.from({ length: 40 }, (_, i) => ({
      at: `2026-05-${String((i % 28) + 1).padStart(2, '0')}T10:00:00Z`,
      spot: i % 2 ? 'pier' : 'drain',
      presentation: 'shad',
      rodHours: 2,
      fish: i % 2 ? 3 : 0,
      conditions,
    }));
    const { out } = lab('rank', {
      now: '2026-06-01T00:00:00Z',
      stops,
      queries: ['pier', 'drain'].map((spot) => ({ at: '2026-06-01T10:00:00Z', spot, presentation: 'shad', conditions })),
    });
    for (const r of out.results) {
      expect(r.factors.reduce((p: number, f: { multiplier: number }) => p * f.multiplier, 1)).toBeCloseTo(r.ratePerHour, 9);
      expect(r.lo80).toBeLessThan(r.ratePerHour);
      expect(r.hi80).toBeGreaterThan(r.ratePerHour);
    }
    expect(out.results[0].ratePerHour).toBeGreaterThan(out.results[1].ratePerHour * 3);
  });

  it('plans a fleet in which no two boats meet, on one clock, within its bound', () => {
    const own = randomProblem(4, { spots: 8, steps: 48 });
    const rates = own.spots.map((s) => [...s.ratePerHour, ...s.ratePerHour].slice(0, 60));
    const boat = (id: string, startStep: number) => ({
      id,
      startStep,
      endStep: startStep + 48,
      dockTravelSteps: own.dockTravelSteps,
      travelSteps: own.travelSteps,
      ratePerHour: rates,
    });
    const input = {
      stepMin: 5,
      steps: 60,
      minStaySteps: 4,
      marginSteps: 2,
      timeLimitMs: 1500,
      spots: own.spots.map(({ id, fadePerHour }) => ({ id, fadePerHour, open: [[2, 58]] })),
      boats: [boat('first', 0), boat('second', 12)],
    };
    const { out, status } = lab('fleet', input);
    expect(status).toBe(0);
    expect(out.bound).toBeGreaterThanOrEqual(out.value - 1e-9);
    expect(out.value).toBeGreaterThan(0.9 * out.bound);
    const all = out.boats.flatMap((b: { id: string; legs: object[] }) => b.legs.map((l) => ({ ...l, boat: b.id })));
    for (const l of all) {
      const i = own.spots.findIndex((s) => s.id === l.spot);
      expect(l.startStep).toBeGreaterThanOrEqual(2);
      expect(l.departStep).toBeLessThanOrEqual(58);
      let sum = 0;
      for (let t = l.startStep; t < l.departStep; t++)
        sum += ((rates[i]?.[t] as number) * 5 * Math.exp((-(own.spots[i]?.fadePerHour as number) * (t - l.startStep) * 5) / 60)) / 60;
      expect(l.expected).toBeCloseTo(sum, 9);
      for (const o of all)
        if (o.boat !== l.boat && o.spot === l.spot) expect(o.arriveStep >= l.departStep + 2 || l.arriveStep >= o.departStep + 2).toBe(true);
    }
    for (const b of out.boats) {
      let at = b.id === 'first' ? 0 : 12;
      let from = -1;
      for (const l of b.legs) {
        const i = own.spots.findIndex((s) => s.id === l.spot);
        const way = from < 0 ? (own.dockTravelSteps[i] as number) : (own.travelSteps[from]?.[i] as number);
        if (from < 0) expect(l.arriveStep).toBeGreaterThanOrEqual(at + way);
        else expect(l.arriveStep).toBe(at + way);
        [at, from] = [l.departStep, i];
      }
      if (from >= 0) expect(at + (own.dockTravelSteps[from] as number)).toBeLessThanOrEqual(b.id === 'first' ? 48 : 60);
    }
    expect(lab('fleet', { ...input, boats: [{ ...boat('late', 30), endStep: 90 }] }).err).toMatch(
      /boats.late.endStep: expected at most 60/,
    );
  });

  it('says stay or move with the figures of the marginal value theorem', () => {
    const input = {
      belief: { a: 2, b: 2 },
      fadePerHour: 0.6,
      minutesFished: 60,
      fish: 0,
      minutesLeft: 180,
      alternatives: [{ id: 'drain', a: 6, b: 3, fadePerHour: 0.2, travelMin: 12 }],
    };
    const { out } = lab('stay', input);
    const effort = (1 - Math.exp(-0.6)) / 0.6;
    expect(out.rateNowPerHour).toBeCloseTo((2 / (2 + effort)) * Math.exp(-0.6), 9);
    expect(out.bestAlternativePerHour).toBeGreaterThan(1);
    expect(out).toMatchObject({ move: true, to: 'drain', reconsiderInMin: null });
    expect(lab('stay', { ...input, fish: 8 }).out).toMatchObject({ move: false, to: null });
    expect(lab('stay', { ...input, fish: 8 }).out.reconsiderInMin).toBeGreaterThan(0);
    expect(lab('stay', { ...input, belief: { a: 0, b: 1 } })).toMatchObject({ status: 2, err: expect.stringMatching(/belief.a/) });
  });

  it('reads a rule', () => {
    const rules = [{ id: '1', species: 'bass', zone: null, kind: 'length', minMm: 420, maxMm: null, lengthKind: 'total' }];
    const { out } = lab('verdict', {
      rules,
      zone: null,
      date: '2026-06-19',
      fish: { species: 'bass', lengthMm: 410, lengthKind: 'total' },
      keptToday: 0,
    });
    expect(out.decision).toBe('must release');
  });

  it('reads rules of every kind, by zone, boat and days', () => {
    const own = { id: '1', species: 'bass', zone: null };
    const ask = (rules: unknown[], more: object = {}) =>
      lab('verdict', {
        rules,
        zone: 'sound',
        date: '2026-06-19',
        fish: { species: 'bass', lengthMm: 550, lengthKind: 'total' },
        keptToday: 1,
        ...more,
      }).out;
    expect(ask([{ ...own, kind: 'slot', fromMm: 500, toMm: 600, lengthKind: 'total' }]).reasons).toEqual([
      '550 mm total is in the protected slot, 500 to 600 mm total',
    ]);
    expect(ask([{ ...own, kind: 'bag', perAngler: 2, perBoat: 4 }], { keptByBoat: 4 }).reasons).toEqual(["the boat's bag of 4 is full"]);
    expect(ask([{ ...own, kind: 'possession', perAngler: 3, days: 2 }], { keptBefore: [{ date: '2026-06-18', fish: 2 }] }).decision).toBe(
      'must release',
    );
    expect(ask([{ ...own, kind: 'length', minMm: 700, maxMm: null, lengthKind: 'total', zone: 'lake' }], { zone: null }).decision).toBe(
      'must release',
    );
    expect(ask([{ ...own, kind: 'hook', words: 'single barbless' }])).toMatchObject({
      decision: 'may keep',
      limits: ['hooks: single barbless'],
    });
    expect(ask([{ ...own, kind: 'length', minMm: 400, maxMm: null, lengthKind: 'disc' }]).reasons[0]).toMatch(/measure disc length/);
    expect(ask([]).decision).toBe('no rule on file');
  });

  it('judges a boat and its party, every quantity named, and what is missing as not known', () => {
    const boat = { windLimitMps: 10, waveLimitM: 1, draughtM: 0.6 };
    const nobody = { children: 0, firstTimers: 0, nonSwimmers: 0 };
    const judge = (conditions: object, party: object = nobody, b: object = boat) => {
      const { out } = lab('judge', { boat: b, party, conditions });
      const level = Object.fromEntries(out.findings.map((f: { quantity: string; level: string }) => [f.quantity, f.level]));
      return { ...out, level };
    };
    const none = judge({});
    expect(none.findings.map((f: { quantity: string }) => f.quantity).sort()).toEqual(
      ['wind', 'gust', 'wave', 'keel', 'visibility', 'thunder', 'darkness', 'windAgainstCurrent', 'cold', 'heat'].sort(),
    );
    expect(none.worst).toBe('unknown');
    for (const level of Object.values(none.level)) expect(level).toBe('unknown');
    // The terms: over above the limit, near from four fifths of it, a quarter over the wind's limit for gusts.
    expect([7.9, 8, 10, 10.1].map((windMps) => judge({ windMps }).level.wind)).toEqual(['within', 'near', 'near', 'over']);
    expect([9.9, 10, 12.5, 12.6].map((gustMps) => judge({ gustMps }).level.gust)).toEqual(['within', 'near', 'near', 'over']);
    expect(judge({ gustMps: 11 }, nobody, { ...boat, gustLimitMps: 10 }).level.gust).toBe('over');
    expect(judge({ windMps: 7.6 }, { ...nobody, firstTimers: 1 })).toMatchObject({ worst: 'over', level: { wind: 'over' } });
    expect(judge({ windMps: 7.6 }, { ...nobody, children: 2, share: 0.9 }).level.wind).toBe('near');
    const against = { windFromDeg: 270, currentToDeg: 270, currentMps: 0.8, waveM: 0.5, windMps: 5 };
    expect(judge(against).level.windAgainstCurrent).toBe('near');
    expect(judge(against, { ...nobody, nonSwimmers: 1 }).level.windAgainstCurrent).toBe('over');
    expect(judge({ ...against, currentToDeg: 90 }).level.windAgainstCurrent).toBe('within');
    expect(judge({ ...against, currentMps: 0.5 }).level.windAgainstCurrent).toBe('within');
    expect(judge({ ...against, waveM: 0.4 }).level.windAgainstCurrent).toBe('within');
    expect(judge({ windMps: 5 }, nobody, {}).level.wind).toBe('unknown');
    expect(lab('judge', { boat, party: nobody, conditions: { windmps: 3 } })).toMatchObject({
      status: 2,
      err: expect.stringMatching(/windmps/),
    });
  });

  it('exits 2 with a message that names what is wrong', () => {
    expect(lab('tide', { z0M: 1 })).toMatchObject({ status: 2, err: expect.stringMatching(/constituents/) });
    expect(
      lab('tide', {
        constituents: [{ name: 'M2', amplitudeM: 1, phaseDeg: 0 }],
        z0M: 0,
        from: '2026-06-01T00:00:00Z',
        to: '2026-06-02T00:00:00Z',
        extra: 1,
      }),
    ).toMatchObject({ status: 2, err: expect.stringMatching(/extra/) });
    expect(
      lab('tide', {
        constituents: [{ name: 'Q77', amplitudeM: 1, phaseDeg: 0 }],
        z0M: 0,
        from: '2026-06-01T00:00:00Z',
        to: '2026-06-02T00:00:00Z',
      }).err,
    ).toMatch(/unknown name Q77/);
    expect(lab('magic', {})).toMatchObject({ status: 2, err: expect.stringMatching(/unknown calculation magic/) });
    expect(lab('sky', 'not json').err).toMatch(/not JSON/);
  });
});
