import { describe, expect, it } from 'vitest';
import { HOUR, MINUTE } from '../units/time';
import { layDay, scoreDay } from './layDay';
import type { PlanInputs } from './planInputs';
import { rankTrip } from './rankTrip';
import { inputs, START } from './testTrip';

describe('ranking a trip', () => {
  const ranking = rankTrip(inputs());

  it('puts the spot with more fish an hour first, with its evidence', () => {
    expect(ranking.calls.map((c) => c.spotId)).toEqual(['exposed', 'lee', 'barred']);
    const [top] = ranking.calls;
    expect(top?.lo80).toBeLessThan(top?.ratePerRodHour ?? 0);
    expect(top?.hi80).toBeGreaterThan(top?.ratePerRodHour ?? 0);
    expect(top?.likeRodHours).toBeGreaterThan(1);
    expect(top?.likeStopIds.length).toBeGreaterThan(0);
  });

  it('closes a spot when the wind passes the limit of the boat there, and leaves the lee open', () => {
    const [exposed, lee] = ranking.open;
    expect(exposed?.at(-1)?.[1]).toBeLessThanOrEqual((2 * 60) / 5 + 12);
    expect(lee?.at(-1)?.[1]).toBe((6 * 60) / 5);
  });

  it('opens a barred spot only while the tide lets the boat in', () => {
    const open = ranking.open[2] ?? [];
    expect(open.length).toBeGreaterThan(0);
    const fished = open.reduce((sum, [a, b]) => sum + b - a, 0);
    expect(fished).toBeGreaterThan(3);
    expect(fished).toBeLessThan(72);
  });

  it('names what shuts a spot for the whole trip', () => {
    const deepBoat = rankTrip(inputs({ boat: { ...inputs().boat, draughtM: 3.9 } }));
    expect(deepBoat.shut.find((s) => s.spotId === 'barred')?.why).toMatch(/too little water/);
    const noWay = rankTrip(inputs({ dockTravelMin: [null, 5, 8] }));
    expect(noWay.shut).toEqual([{ spotId: 'exposed', why: 'no way there for this boat at its draught' }]);
  });

  it('leaves out presentations beyond the skill of the party', () => {
    const first = rankTrip(inputs({ skill: 1 }));
    expect(new Set(first.calls.map((c) => c.presentationId))).toEqual(new Set(['shad']));
    expect(first.calls.every((c) => c.second === null)).toBe(true);
  });

  it('ranks on rules alone when nothing is logged', () => {
    const blank = rankTrip(inputs({ sets: [] }));
    expect(blank.calls).toHaveLength(3);
    expect(blank.calls.every((c) => c.likeRodHours === 0 && c.ratePerRodHour > 0)).toBe(true);
  });

  it('gives the same result, bit for bit, from inputs that went over the wire', () => {
    const sent = JSON.parse(JSON.stringify(inputs())) as PlanInputs;
    expect(JSON.stringify(rankTrip(sent).calls)).toBe(JSON.stringify(ranking.calls));
  });
});

describe('laying a day', () => {
  const trip = inputs();
  const ranking = rankTrip(trip);
  const day = layDay(trip, ranking);

  it('fishes the exposed stone before the wind and the lee after it', () => {
    const exposed = day.legs.find((l) => l.spotId === 'exposed');
    const lee = day.legs.find((l) => l.spotId === 'lee');
    expect(exposed?.departMs).toBeLessThanOrEqual(START + 3 * HOUR);
    expect(lee?.departMs).toBeGreaterThan(exposed?.departMs ?? 0);
    expect(day.proved).toBe(true);
  });

  it("beats yesterday's best kept all day, which the wind ends", () => {
    const open = ranking.open[0]?.at(-1) as readonly [number, number];
    const naive = scoreDay(trip, ranking, [{ spotId: 'exposed', startMs: START + 10 * MINUTE, departMs: START + open[1] * 5 * MINUTE }]);
    expect(day.expected).toBeGreaterThan(naive.expected * 1.15);
  });

  it('scores its own legs by hand to the same worth', () => {
    expect(scoreDay(trip, ranking, day.legs).expected).toBeCloseTo(day.expected, 9);
    expect(day.lo80).toBeLessThanOrEqual(day.expected);
    expect(day.hi80).toBeGreaterThanOrEqual(day.expected);
  });

  it('loses fish, never gains, by a ban', () => {
    const banned = layDay(trip, ranking, { bans: ['exposed'] });
    expect(banned.legs.some((l) => l.spotId === 'exposed')).toBe(false);
    expect(banned.expected).toBeLessThan(day.expected);
  });

  it('keeps a pin where it is', () => {
    const pin = { spotId: 'lee', startMs: START + 30 * MINUTE, departMs: START + 60 * MINUTE };
    expect(layDay(trip, ranking, { pins: [pin] }).legs.find((l) => l.spotId === 'lee')).toMatchObject({ ...pin, pinned: true });
  });

  it('names the spots when pins contradict each other, a ban, or the water', () => {
    const at = (spotId: string, from: number, to: number) => ({ spotId, startMs: START + from * MINUTE, departMs: START + to * MINUTE });
    expect(() => layDay(trip, ranking, { pins: [at('lee', 30, 60), at('exposed', 60, 90)] })).toThrow(
      /Lee wall until \{clock \d\d:\d\d\} and Exposed stone from \{clock \d\d:\d\d\} contradict each other; the run takes \d+ min/,
    );
    expect(() => layDay(trip, ranking, { pins: [at('lee', 30, 60)], bans: ['lee'] })).toThrow(/Lee wall is both pinned and banned/);
    expect(() => layDay(trip, ranking, { pins: [at('exposed', 240, 300)] })).toThrow(/Exposed stone cannot be fished/);
    expect(() => layDay(trip, ranking, { bans: ['exposed', 'lee', 'barred'] })).toThrow(/none can be fished/);
  });
});
