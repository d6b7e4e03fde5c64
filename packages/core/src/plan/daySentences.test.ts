// A day in three sentences says where it begins, where its fish are, what turns it, and why it is over early.
import { describe, expect, it } from 'vitest';
import { HOUR, localTime } from '../units/time';
import { aboutFish, daySentences } from './daySentences';
import { layDay } from './layDay';
import { rankTrip } from './rankTrip';
import { END, inputs, START } from './testTrip';
import { inMetric } from '../units/measure';

function told(more: Parameters<typeof inputs>[0] = {}) {
  const day = inputs(more);
  const ranking = rankTrip(day);
  const plan = layDay(day, ranking);
  return { day, plan, sentences: inMetric(daySentences(day, ranking, plan)) };
}
const still = (value: number) => ({ atMs: [START - 96 * HOUR, START + 24 * HOUR], value: [value, value], forecastFrom: 1 });

describe('a day in sentences', () => {
  it('begins with the first stop and its bait, and names the stop with most fish and all of them', () => {
    const { day, plan, sentences } = told();
    const first = plan.legs[0];
    const name = day.spots.find((s) => s.id === first?.spotId)?.name;
    expect(sentences).toHaveLength(3);
    expect(sentences[0]).toContain(`Start at ${name} with `);
    expect(sentences[0]).toContain(`lines in at ${localTime(first?.startMs as number, 'UTC')}.`);
    expect(sentences[1]).toContain(`about ${aboutFish(plan.expected)} fish (${plan.lo80} to ${plan.hi80})`);
  });

  it('says the whole day is there where one stop has it all', () => {
    const { sentences, plan } = told({ dockTravelMin: [null, 5, null] });
    expect(plan.legs.length).toBe(1);
    expect(sentences[1]).toMatch(/^The whole day is there: about /);
  });

  it('says what the wind does and where to go then', () => {
    const { sentences, plan } = told();
    // 4 m/s until two hours into the trip, 16 m/s after: got up by half at half past the second hour.
    expect(sentences[2]).toMatch(/wind gets up to 16 m\/s about 1[01]:\d0/);
    expect(sentences[2]).toContain(`lines up at ${localTime(plan.legs.at(-1)?.departMs as number, 'UTC')}`);
  });

  it('says why it is over long before the trip is: what shuts the spots, or that none is worth the run', () => {
    // Lets nobody out in 16 m/s: all is shut two hours into the trip.
    const windy = inputs();
    const { sentences, plan } = told({ boat: { ...windy.boat, windLimitMps: 9 } });
    expect(END - (plan.legs.at(-1)?.departMs as number)).toBeGreaterThan(HOUR);
    expect(sentences[2]).toMatch(/; after that no spot is within this party’s limits: (wind|gusts) over the limit\.$/);

    const calm = { ...windy.water, wind: { east: still(2), north: still(2), gust: null } };
    expect(told({ water: calm }).sentences[2]).not.toContain('after that');
    // A captain's own day that ends after half an hour, with the other spots open.
    const own = told({ water: calm });
    const ranking = rankTrip(own.day);
    const only = own.plan.legs.slice(0, 1).map((l) => ({ ...l, departMs: l.startMs + HOUR / 2 }));
    expect(daySentences(own.day, ranking, { ...own.plan, legs: only })[2]).toMatch(/; no other spot is worth the run after that\.$/);
    expect(daySentences(own.day, ranking, { ...own.plan, legs: [] })).toEqual([]);
  });

  it('says the wind stays as it is when it does', () => {
    const { water } = inputs();
    const { sentences } = told({ water: { ...water, wind: { east: still(2), north: still(2), gust: null } } });
    expect(sentences[2]).toMatch(/with much the same wind all day\.$/);
  });

  it('says fish as a guide does: whole from ten, halves below', () => {
    expect([12.4, 9.7, 2.3, 0.8, 0.3].map(aboutFish)).toEqual(['12', '9.5', '2.5', '1', 'less than one']);
  });
});
