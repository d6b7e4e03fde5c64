// What would change a plan, yesterday's spots, why not, the party: on the made-up trip whose wind rises after two hours.
import { describe, expect, it } from 'vitest';
import { HOUR, MINUTE } from '../units/time';
import { sampleWind } from '../weather/wind';
import { layDay, scoreDay } from './layDay';
import { naiveDay } from './naiveDay';
import { fitSentence, longestWaitMin, rodRoles, usualPatience } from './partyFit';
import { rankTrip } from './rankTrip';
import { scenariosOf, windLater } from './scenarios';
import { END, inputs, START } from './testTrip';
import { triggersOf, tryScenario, worthAsItStands } from './whatWouldChange';
import { filterCalls, whyNot } from './whyNot';
import { inMetric } from '../units/measure';
import { nth } from '../units/indexed';

const trip = inputs();
const ranking = rankTrip(trip);
const day = layDay(trip, ranking);
const named = trip.spots.map((s) => ({ id: s.id, name: s.name }));

describe('scenarios', () => {
  const wind = trip.water.wind;
  if (!wind) throw new Error('no wind');
  const mps = (w: typeof wind, at: number) => sampleWind(w, at)?.mps ?? Number.NaN;

  it('change what is forecast and leave what was measured', () => {
    const list = scenariosOf(trip.water, null, named);
    const stronger = list.find((s) => s.id === 'wind 3')?.water.wind as typeof wind;
    const measured = nth(wind.east.atMs, 0);
    expect(mps(stronger, measured)).toBeCloseTo(mps(wind, measured), 9);
    expect(mps(stronger, START + HOUR)).toBeCloseTo(mps(wind, START + HOUR) + 3, 6);
    expect(list.filter((s) => s.kind === 'taken')).toHaveLength(3);
    expect(list.filter((s) => s.kind === 'tide')).toHaveLength(2);
  });

  it('bring a change of wind early or late', () => {
    const late = windLater(wind, 1.5);
    expect(mps(late, START + 3 * HOUR)).toBeCloseTo(mps(wind, START + 1.5 * HOUR), 6);
  });

  it('turn the tide an hour later by its constants', () => {
    const late = scenariosOf(trip.water, null, []).find((s) => s.id === 'tide 1')?.water.tide?.constants[0];
    // M2 turns 28.984 degrees an hour (Schureman 1958, table 2).
    expect((late?.phaseDeg ?? 0) - 300).toBeCloseTo(28.984, 3);
  });

  it('take each member of the forecast as it is, and the mean of members as the forecast', () => {
    const { atMs } = wind.east;
    const flat = (v: number) => atMs.map(() => v);
    const members = { atMs, members: [0, 4].map((v) => ({ east: flat(v), north: flat(0) })) };
    const [low, high] = scenariosOf(trip.water, members, []).filter((s) => s.kind === 'member');
    const at = START + 4 * HOUR;
    const east = (s: typeof low) => {
      const w = s?.water.wind?.east;
      return w?.value[w.atMs.indexOf(at)] ?? Number.NaN;
    };
    expect(east(high) - east(low)).toBeCloseTo(4, 9);
    expect((east(high) + east(low)) / 2).toBeCloseTo(nth(wind.east.value, wind.east.atMs.indexOf(at)), 9);
  });
});

describe('what would change a plan', () => {
  const outcomes = scenariosOf(trip.water, null, named).flatMap((s) => tryScenario(trip, ranking, day, s) ?? []);

  it('finds that the plan as it stands is worth what it says', () => {
    expect(worthAsItStands(trip, ranking, day)).toBeCloseTo(day.expected, 9);
  });

  it('never finds the best plan of a scenario worth less than the plan that is kept', () => {
    expect(outcomes.length).toBeGreaterThan(5);
    for (const o of outcomes) expect(o.best.expected).toBeGreaterThanOrEqual(o.kept - 1e-6);
  });

  it('names the early wind as a trigger, what to do and what it is worth', () => {
    const triggers = triggersOf(trip, day, outcomes);
    const early = triggers.find((t) => t.id === 'shift -1.5');
    expect(early?.sentence).toMatch(/^If the wind's change comes an hour and a half early, (go to|stay at) /);
    expect(early?.worth).toBeGreaterThan(0.3);
    for (const t of triggers) expect(t.worth).toBeGreaterThan(0);
    const taken = triggers.find((t) => t.id === 'taken exposed');
    expect(taken?.sentence).toContain('Exposed stone is taken');
    expect(taken?.planB.legs.some((l) => l.spotId === 'exposed')).toBe(false);
  });
});

describe("yesterday's spots", () => {
  it('lose by the wind that was not there yesterday, and it says so', () => {
    const yesterday = trip.sets.map((s, i) => (i < 9 ? { ...s, at: trip.now - 10 * HOUR } : s));
    const here = { ...trip, sets: yesterday };
    const naive = naiveDay(here, rankTrip(here), day);
    expect(naive).not.toBeNull();
    expect(naive?.expected).toBeLessThanOrEqual(day.expected + 1e-6);
    expect(naive?.expected).toBeLessThan((naive?.hoped ?? 0) - 0.5);
    const stone = naive?.legs.find((l) => l.spotId === 'exposed');
    expect(inMetric(stone?.why)).toMatch(/over the limit from \d\d:\d\d|wind/);
  });
  it('are not made up when nothing was fished lately', () => {
    const old = { ...trip, sets: trip.sets.filter((s) => s.at < trip.now - 40 * 24 * HOUR) };
    expect(naiveDay(old, rankTrip(old), day)).toBeNull();
  });
});

describe('why not there', () => {
  it('names what shuts a spot, who has it, or what it gives at best', () => {
    expect(whyNot(trip, ranking, 'exposed', day.legs)).toBe('Exposed stone is in the plan.');
    const shut = { ...trip, dockTravelMin: [null, 5, 8] };
    expect(whyNot(shut, rankTrip(shut), 'exposed', [])).toMatch(/Exposed stone is shut: no way there/);
    const taken = { ...trip, taken: [{ spotId: 'barred', fromMs: START, toMs: END, boat: 'Marrow' }] };
    expect(inMetric(whyNot(taken, ranking, 'barred', [{ spotId: 'exposed' }]))).toMatch(
      /Marrow has it until \d\d:\d\d and leaves ×0\.\d\d of it, which comes back over some hours; at best .* a rod-hour/,
    );
    expect(
      whyNot(
        { ...trip, spots: trip.spots.map((s) => ({ ...s, restsUntil: END })) },
        rankTrip({ ...trip, spots: trip.spots.map((s) => ({ ...s, restsUntil: END })) }),
        'lee',
        [],
      ),
    ).toMatch(/left to rest until 1\d June/);
  });
  it('narrows calls by depth, place and bait', () => {
    expect(filterCalls(trip, ranking.calls, { depth: [2, 5] })).toHaveLength(3);
    expect(filterCalls(trip, ranking.calls, { depth: [5, 12] })).toEqual([]);
    expect(filterCalls(trip, ranking.calls, { structure: 'wreck' })).toEqual([]);
    const [first] = ranking.calls;
    const family = trip.presentations.find((p) => p.id === first?.presentationId)?.family;
    expect(filterCalls(trip, ranking.calls, { family }).length).toBeGreaterThan(0);
  });
});

describe('terms of the party', () => {
  const guests = [
    { name: 'Tilde', experience: 1, child: true, hand: 'left' as const },
    { name: 'Maren', experience: 2, child: false, hand: null },
  ];
  it('has the patience that parties usually have (common practice), unless they want one big fish', () => {
    expect(usualPatience(guests, 'numbers')).toBe(25);
    expect(usualPatience([{ experience: 3, child: false }], 'numbers')).toBe(90);
    expect(usualPatience(guests, 'size')).toBeNull();
    expect(usualPatience([], 'numbers')).toBeNull();
  });
  it('gives children the first rods and names a left-hand crank', () => {
    expect(rodRoles(guests, 3)).toEqual([
      { rod: 1, guest: 'Tilde', role: 'first bait', leftHanded: true },
      { rod: 2, guest: 'Maren', role: 'first bait', leftHanded: false },
      { rod: 3, guest: 'Tilde', role: 'second bait', leftHanded: true },
    ]);
  });
  it('says how long they wait at the slowest, and keeps to their patience', () => {
    const wait = longestWaitMin(trip, ranking, day) ?? 0;
    expect(fitSentence(trip, ranking, day, guests)).toContain(`every ${Math.round(wait)} min at the slowest`);
    const slow = { ...ranking, rates: ranking.rates.map((s) => s.map((b) => b.map((r) => r / 20))) };
    expect(longestWaitMin(trip, slow, day)).toBeCloseTo(20 * wait, 6);
    expect(fitSentence(trip, slow, day, guests)).toContain('at its slowest a whole stop may go by without a fish');
    const hasty = { ...trip, patienceMin: 20 };
    const quick = layDay(hasty, ranking);
    expect(longestWaitMin(hasty, ranking, quick)).toBeLessThanOrEqual(20.5);
    expect(quick.expected).toBeLessThanOrEqual(day.expected + 1e-9);
  });
  it('says which limit leaves nothing to fish', () => {
    expect(() => layDay({ ...trip, patienceMin: 1 }, ranking)).toThrow(
      /patience of 1 min between fish is the limit; the best spot gives one in \d+ min/,
    );
    expect(() => layDay({ ...trip, endsAt: START + 15 * MINUTE }, rankTrip({ ...trip, endsAt: START + 15 * MINUTE }))).toThrow(
      /none can be fished/,
    );
    expect(() => layDay(trip, rankTrip(trip, { aboard: [] }))).toThrow(/no presentation can be fished on this trip: none is aboard/);
    expect(() =>
      layDay(
        { ...trip, spots: trip.spots.map((s) => ({ ...s, restsUntil: END })) },
        rankTrip({ ...trip, spots: trip.spots.map((s) => ({ ...s, restsUntil: END })) }),
      ),
    ).toThrow(/left to rest/);
  });
  it('has lines up during a break and goes round what another boat has', () => {
    const lunch = { ...trip, breaks: [{ name: 'Lunch', fromMs: START + HOUR, toMs: START + 1.5 * HOUR }] };
    expect(layDay(lunch, ranking).expected).toBeLessThan(day.expected);
    const first = day.legs[0];
    if (!first) throw new Error('no leg');
    const taken = { ...trip, taken: [{ spotId: first.spotId, fromMs: first.arriveMs, toMs: first.departMs, boat: 'Marrow' }] };
    const round = layDay(taken, ranking);
    expect(round.legs.some((l) => l.spotId === first.spotId && l.arriveMs < first.departMs && l.departMs > first.arriveMs)).toBe(false);
    expect(() => scoreDay(taken, ranking, day.legs)).toThrow(/another boat of ours has/);
  });
  it('lays pinned spots in the order asked for', () => {
    const pins = [{ spotId: 'lee' }, { spotId: 'exposed' }];
    const laid = layDay(trip, ranking, { pins, order: ['lee', 'exposed'] });
    expect(laid.legs.findIndex((l) => l.spotId === 'lee')).toBeLessThan(laid.legs.findIndex((l) => l.spotId === 'exposed'));
    expect(laid.expected).toBeLessThanOrEqual(day.expected + 1e-9);
  });
});
