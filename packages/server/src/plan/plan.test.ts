import { randomUUID } from 'node:crypto';
import { layDay } from '@bluffwind/core/plan/layDay';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { inputsOf } from './desk';

let h: Harness;
let captain: Client;
let tripId: string;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  tripId = h.mine.trips.at(-1)?.id as string;
});
afterAll(() => h.close());

const iso = (ms: number) => new Date(ms).toISOString();

describe('a plan', () => {
  it('is ranked from the rows of the log: the spot with more fish an hour comes first', async () => {
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    expect(desk.evidence.fish.reduce((a: number, b: number) => a + b, 0)).toBe(30);
    expect(desk.evidence.tideStage.every((s: number | null) => s !== null)).toBe(true);
    const ranking = rankTrip(inputsOf(desk));
    expect(ranking.calls.map((c) => desk.spots.find((s: { id: string }) => s.id === c.spotId).name)).toEqual(['Near stone', 'Far stone']);
    const top = ranking.calls[0];
    // 24 fish in 24 rod-hours there: the model may shrink it, not lose it.
    expect(top?.ratePerRodHour).toBeGreaterThan(0.6);
    expect(top?.ratePerRodHour).toBeLessThan(2.2);
    expect(top?.factors.reduce((p, f) => p * f.multiplier, 1)).toBeGreaterThan(0);
    expect(top?.likeStopIds.length).toBeGreaterThan(0);
  });

  it('is scored by the server with the same result as in a worker, and kept with its inputs', async () => {
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    const inputs = inputsOf(desk);
    const plan = layDay(inputs, rankTrip(inputs));
    expect(plan.proved).toBe(true);
    const answer = await captain.post(`/trips/${tripId}/plans`, {
      id: randomUUID(),
      replaces: 0,
      bans: [],
      legs: plan.legs.map((l) => ({ spotId: l.spotId, startAt: iso(l.startMs), departAt: iso(l.departMs), pinned: false })),
    });
    expect(answer.status).toBe(200);
    // The server's clock has moved on some milliseconds, which shifts the weight of age by less than this.
    expect(answer.body.expected).toBeCloseTo(plan.expected, 4);
    expect(answer.body).toMatchObject({ version: 1, proved: true, evidenceVersion: desk.evidence.version });
    expect((await captain.get('/board')).body.tomorrow[0].plan).toMatchObject({ version: 1 });
  });

  it('replaces the version that was seen, not one saved meanwhile', async () => {
    const spotId = h.mine.spots[0]?.id;
    const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
    const legs = [{ spotId, startAt: iso(start + 3_600_000), departAt: iso(start + 7_200_000), pinned: true }];
    expect(await captain.post(`/trips/${tripId}/plans`, { id: randomUUID(), replaces: 0, bans: [], legs })).toMatchObject({
      status: 409,
      body: { code: 'conflict' },
    });
    const id = randomUUID();
    const first = await captain.post(`/trips/${tripId}/plans`, { id, replaces: 1, bans: [], legs });
    expect(first.body).toMatchObject({ version: 2, legs: [{ pinned: true }] });
    expect((await captain.post(`/trips/${tripId}/plans`, { id, replaces: 1, bans: [], legs })).body.version).toBe(2);
  });

  it('is refused when the boat cannot be there in time, naming the spot', async () => {
    const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
    const legs = [{ spotId: h.mine.spots[1]?.id, startAt: iso(start), departAt: iso(start + 3_600_000), pinned: false }];
    expect(await captain.post(`/trips/${tripId}/plans`, { id: randomUUID(), replaces: 2, bans: [], legs })).toMatchObject({
      status: 422,
      body: { code: 'not_feasible', detail: expect.stringMatching(/Far stone starts in step 0/) },
    });
  });

  it('says what a plan without legs needs', async () => {
    const answer = await captain.post(`/trips/${tripId}/plans`, { id: randomUUID(), replaces: 2, bans: [], legs: [] });
    expect(answer.body.fields).toEqual([{ field: 'legs', message: 'a plan needs at least one leg' }]);
  });
});
