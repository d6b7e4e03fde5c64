import { randomUUID } from 'node:crypto';
import { layDay } from '@bluffwind/core/plan/layDay';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';
import { tripBody } from '../testing/tripBody';
import { crossesTrigger } from '@bluffwind/core/plan/crossedTrigger';
import { inputsOf } from './desk';
import { ALL_SEEN } from '../testing/allSeen';

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
      seen: ALL_SEEN,
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
    expect(await captain.post(`/trips/${tripId}/plans`, { id: randomUUID(), replaces: 0, seen: ALL_SEEN, bans: [], legs })).toMatchObject({
      status: 409,
      body: { code: 'conflict' },
    });
    const id = randomUUID();
    const first = await captain.post(`/trips/${tripId}/plans`, { id, replaces: 1, seen: ALL_SEEN, bans: [], legs });
    expect(first.body).toMatchObject({ version: 2, legs: [{ pinned: true }] });
    expect((await captain.post(`/trips/${tripId}/plans`, { id, replaces: 1, seen: ALL_SEEN, bans: [], legs })).body.version).toBe(2);
  });

  it('is refused when the boat cannot be there in time, naming the spot', async () => {
    const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
    const legs = [{ spotId: h.mine.spots[1]?.id, startAt: iso(start), departAt: iso(start + 3_600_000), pinned: false }];
    expect(await captain.post(`/trips/${tripId}/plans`, { id: randomUUID(), replaces: 2, seen: ALL_SEEN, bans: [], legs })).toMatchObject({
      status: 422,
      body: {
        code: 'not_feasible',
        detail: expect.stringMatching(/Far stone starts at \d\d:\d\d, but the boat cannot be there before \d\d:\d\d/),
      },
    });
  });

  it('is refused in clock times, too, when it begins before the trip, and names the version that is there', async () => {
    const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
    const legs = [{ spotId: h.mine.spots[0]?.id, startAt: iso(start - 7_200_000), departAt: iso(start), pinned: false }];
    const early = await captain.post(`/trips/${tripId}/plans`, { id: randomUUID(), replaces: 2, seen: ALL_SEEN, bans: [], legs });
    expect(early.body.detail).toMatch(/Near stone starts at \d\d:\d\d, but the boat cannot be there before/);
    const done = { ...h.mine.trips.at(-1), id: randomUUID() };
    expect((await captain.post(`/trips/${tripId}/plans`, { id: done.id, replaces: 7, seen: ALL_SEEN, bans: [], legs })).body.detail).toBe(
      'Version 2 has been saved meanwhile; yours replaces 7.',
    );
  });

  it('says what a plan without legs needs', async () => {
    const answer = await captain.post(`/trips/${tripId}/plans`, { id: randomUUID(), replaces: 2, seen: ALL_SEEN, bans: [], legs: [] });
    expect(answer.body.fields).toEqual([{ field: 'legs', message: 'a plan needs at least one leg' }]);
  });
});

describe('two captains of one outfit', () => {
  it('cannot both keep the same spot: the second is told who has it, and their own plan goes round it', async () => {
    const other = { ...h.mine.trips.at(-1), id: randomUUID() };
    const start = Date.parse(other.startsAt as string);
    const made = await captain.post('/trips', tripBody(h, start, { id: other.id }));
    expect(made.status).toBe(200);
    const first = (await captain.get(`/trips/${tripId}/desk`)).body.saved;
    const leg = first.legs[0];
    const same = {
      id: randomUUID(),
      replaces: 0,
      seen: ALL_SEEN,
      bans: [],
      legs: [{ spotId: leg.spotId, startAt: leg.startAt, departAt: leg.departAt, pinned: false }],
    };
    const owner = await h.signIn(emailOf(h.mine, 'owner'));
    const refused = await owner.post(`/trips/${other.id}/plans`, same);
    expect(refused).toMatchObject({
      status: 409,
      body: { code: 'spot_taken', detail: expect.stringMatching(/^Boat .* \(captain\) has Near stone from \d\d:\d\d to/) },
    });
    const desk = (await owner.get(`/trips/${other.id}/desk`)).body;
    expect(desk.taken.map((t: { spotId: string }) => t.spotId)).toContain(leg.spotId);
    const inputs = inputsOf(desk);
    const plan = layDay(inputs, rankTrip(inputs));
    for (const l of plan.legs.filter((x) => x.spotId === leg.spotId)) {
      expect(l.departMs <= Date.parse(leg.arriveAt) || l.arriveMs >= Date.parse(leg.departAt)).toBe(true);
    }
    const kept = await owner.post(`/trips/${other.id}/plans`, {
      ...same,
      id: randomUUID(),
      legs: plan.legs.map((l) => ({ spotId: l.spotId, startAt: iso(l.startMs), departAt: iso(l.departMs), pinned: false })),
    });
    expect(kept.status).toBe(200);
  });

  it('cannot by saving at the same moment either', async () => {
    const trips = await Promise.all(
      [0, 1].map(async (i) => {
        const id = randomUUID();
        const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string) + 96 * 3_600_000;
        const [boatId, captainId] = [h.mine.boats[i]?.id as string, h.mine.people[i]?.id as string];
        await captain.post('/trips', tripBody(h, start, { id, boatId, captainId }));
        return { id, start };
      }),
    );
    const spotId = h.mine.spots[0]?.id;
    const answers = await Promise.all(
      trips.map(({ id, start }) =>
        captain.post(`/trips/${id}/plans`, {
          id: randomUUID(),
          replaces: 0,
          seen: ALL_SEEN,
          bans: [],
          legs: [{ spotId, startAt: iso(start + 3_600_000), departAt: iso(start + 7_200_000), pinned: false }],
        }),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
  });
});

describe('what was kept', () => {
  it('is answered a month later from what was known then', async () => {
    const before = (await captain.get(`/trips/${tripId}/plans/1`)).body;
    expect(before.version).toBe(1);
    expect(before.basis).toHaveLength(before.legs.length);
    const [b] = before.basis;
    expect(b.factors.reduce((p: number, f: { multiplier: number }) => p * f.multiplier, 1)).toBeCloseTo(b.ratePerRodHour, 9);
    expect(b.stopIds.length).toBeGreaterThan(0);
    expect(before.modelVersion).toMatch(/pooled/);
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    // What it was like is told of the middle of each stay.
    const inputs = inputsOf(desk);
    const at = conditionsOver(waterStateOf(inputs.water), inputs.startsAt, inputs.endsAt);
    before.legs.forEach((l: { spotId: string; startAt: string; departAt: string }, i: number) => {
      const spot = inputs.spots.find((s) => s.id === l.spotId) as (typeof inputs.spots)[number];
      const middle = (Date.parse(l.startAt) + Date.parse(l.departAt)) / 2;
      const [kept, then] = [before.basis[i].conditions.tideHeightM as number, at(spot, middle).tideHeightM as number];
      // Within the quarter of an hour that conditions are told by.
      const quarter = Math.abs((at(spot, middle - 900_000).tideHeightM as number) - then);
      expect(Math.abs(kept - then)).toBeLessThanOrEqual(quarter + 1e-9);
      expect(Math.abs(kept - (at(spot, Date.parse(l.startAt)).tideHeightM as number))).toBeGreaterThan(Math.abs(kept - then));
    });
    expect(desk.earlier.map((p: { version: number }) => p.version)).toEqual([2, 1]);
    expect((await captain.get(`/trips/${tripId}/plans/9`)).status).toBe(404);
  });

  it('keeps triggers, and tells when a wind crosses one', async () => {
    const condition = { atMs: 1, aboveMps: 7, belowMps: null };
    expect([6.9, 7.1].map((w) => crossesTrigger(condition, w))).toEqual([false, true]);
    expect([2, 4].map((w) => crossesTrigger({ atMs: 1, aboveMps: null, belowMps: 3 }, w))).toEqual([true, false]);
  });

  it('carries a decision table for every leg to the deck', async () => {
    const pack = (await captain.get(`/deck/${tripId}`)).body;
    expect(pack.legs.length).toBeGreaterThan(0);
    for (const l of pack.legs) {
      expect(l.table.leastToStay.length).toBeGreaterThan(10);
      // The longer without a fish, the less it takes to leave.
      expect(l.table.leastToStay[0]).toBeLessThanOrEqual(l.table.leastToStay.at(-2));
    }
  });
});

describe('the party of a trip', () => {
  it('stores patience, breaks and what is aboard, and plans by them', async () => {
    const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
    const lunch = { name: 'Lunch', from: iso(start + 7_200_000), to: iso(start + 9_000_000) };
    const aboard = [h.mine.presentations[0]?.id as string];
    expect((await captain.post(`/trips/${tripId}/fit`, { patienceMin: 50, breaks: [lunch], aboard })).status).toBe(200);
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    expect(desk).toMatchObject({ patienceMin: 50, aboard, breaks: [{ name: 'Lunch' }] });
    const inputs = inputsOf(desk);
    const ranking = rankTrip(inputs, { aboard });
    expect(new Set(ranking.calls.map((c) => c.presentationId))).toEqual(new Set(aboard));
    await captain.post(`/trips/${tripId}/fit`, { patienceMin: null, breaks: [], aboard: null });
  });

  it('names the break that lies outside the trip, and a bait that does not exist', async () => {
    const fit = { patienceMin: null, breaks: [], aboard: null };
    const outside = { name: 'Supper', from: iso(0), to: iso(3_600_000) };
    expect((await captain.post(`/trips/${tripId}/fit`, { ...fit, breaks: [outside] })).body).toMatchObject({
      code: 'invalid',
      fields: [{ field: 'breaks.0' }],
    });
    expect((await captain.post(`/trips/${tripId}/fit`, { ...fit, aboard: [randomUUID()] })).status).toBe(404);
    expect((await captain.post(`/trips/${tripId}/fit`, { ...fit, patienceMin: 2 })).body.fields[0].field).toBe('patienceMin');
  });
});

describe('a new forecast', () => {
  const forecast = async (runAt: number, mps: number) => {
    const [station] = h.mine.stations;
    const at = Array.from({ length: 48 }, (_, i) => iso(TEST_NOW + (i - 4) * 3_600_000));
    const [{ id }] = await h.owner.query(
      'insert into forecast (outfit_id, station_id, run_at, fetched_at) values ($1, $2, $3, $3) returning id',
      [h.mine.outfit.id, station?.id, iso(runAt)],
    );
    for (const [variable, value] of [
      ['windMps', mps],
      ['windFromDeg', 225],
    ] as const)
      await h.owner.query('insert into forecast_member values ($1, $2, 0, $3, $4, $5)', [
        id,
        h.mine.outfit.id,
        variable,
        at,
        at.map(() => value),
      ]);
  };

  it('that crosses a trigger kept with a plan is told on the Board, with what to do and what it is worth', async () => {
    await forecast(TEST_NOW - 3 * 3_600_000, 4);
    const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    const sentence = 'If the wind from the SW is over 7.0 m/s, go to Far stone first.';
    const kept = await captain.post(`/trips/${tripId}/plans`, {
      id: randomUUID(),
      replaces: desk.saved.version,
      seen: ALL_SEEN,
      bans: [],
      legs: desk.saved.legs.map((l: { spotId: string; startAt: string; departAt: string }) => ({
        spotId: l.spotId,
        startAt: l.startAt,
        departAt: l.departAt,
        pinned: false,
      })),
      triggers: [{ sentence, worth: 2.1, chance: 0.4, condition: { atMs: start + 7_200_000, aboveMps: 7, belowMps: null }, planB: [] }],
    });
    expect(kept.status).toBe(200);
    expect(kept.body.triggers).toHaveLength(1);
    const told = async () =>
      (await captain.get('/board')).body.open.map((o: { text: string }) => o.text).filter((t: string) => t.includes('Far stone first'));
    expect(await told()).toEqual([]);
    await forecast(TEST_NOW - 2 * 3_600_000, 6);
    expect(await told()).toEqual([]);
    await forecast(TEST_NOW - 3_600_000, 9);
    expect(await told()).toEqual([expect.stringMatching(/the new forecast has 9.0 m\/s at \d\d:\d\d. If the wind .* Worth 2.1 fish$/)]);
  });

  it('is not told of triggers that make no sense', async () => {
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    const bad = await captain.post(`/trips/${tripId}/plans`, {
      id: randomUUID(),
      replaces: desk.saved.version,
      seen: ALL_SEEN,
      bans: [],
      legs: [{ spotId: h.mine.spots[0]?.id, startAt: iso(1), departAt: iso(2), pinned: false }],
      triggers: [{ sentence: '', worth: -1, chance: 2, condition: null, planB: [] }],
    });
    expect(bad.body.fields.map((f: { field: string }) => f.field)).toEqual([
      'triggers.0.sentence',
      'triggers.0.worth',
      'triggers.0.chance',
    ]);
  });
});
