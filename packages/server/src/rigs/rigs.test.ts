// The night before: gear with its sizes, figures set by hand, ticks from several phones, trials, and what the log says of leaders.
import { randomUUID } from 'node:crypto';
import { layDay } from '@bluffwind/core/plan/layDay';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { dayRigs } from '@bluffwind/core/tackle/dayRigs';
import { usualHull } from '@bluffwind/core/tackle/usualHull';
import { localDate } from '@bluffwind/core/units/time';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inputsOf } from '../plan/desk';
import { ALL_SEEN } from '../testing/allSeen';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';

let h: Harness;
let captain: Client;
let mate: Client;
let tripId: string;
let startMs: number;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  mate = await h.signIn(emailOf(h.mine, 'mate'));
  const trip = h.mine.trips.at(-1);
  tripId = trip?.id as string;
  startMs = Date.parse(trip?.startsAt as string);
});
afterAll(() => h.close());

const rigs = async (who = captain) => (await who.get(`/trips/${tripId}/rigs`)).body;
const gear = (more: object) => ({
  id: randomUUID(),
  kind: 'weight',
  name: `Lead ${randomUUID()}`,
  massG: null,
  strengthKg: null,
  acrossMm: null,
  stock: null,
  cost: null,
  note: '',
  ...more,
});

describe('the boxes', () => {
  it('have the usual sizes until the crew lists its own; what is used up or put away does not count', async () => {
    expect((await rigs()).box).toMatchObject({ usual: { weights: true, heads: true, anchors: true } });
    const [first, gone, away] = [gear({ massG: 60, stock: 3 }), gear({ massG: 90, stock: 0 }), gear({ massG: 120 })];
    for (const g of [first, gone, away, gear({ kind: 'sea anchor', name: 'Parachute', acrossMm: 1200 })])
      expect((await captain.post('/gear', g)).status).toBe(200);
    expect((await captain.post(`/gear/${away.id}/retire`)).status).toBe(200);
    expect((await rigs()).box).toMatchObject({ weightsG: [60], anchorsM: [1.2], usual: { weights: false, heads: true, anchors: false } });
    expect((await captain.post('/gear', away)).status).toBe(200);
    expect((await rigs()).box.weightsG).toEqual([60, 120]);
    expect((await mate.get('/gear')).body).toHaveLength(4);
  });

  it('are the captains’ to change, by names that differ', async () => {
    const g = gear({ name: 'Bank lead', massG: 100 });
    expect((await mate.post('/gear', g)).status).toBe(403);
    expect((await captain.post('/gear', g)).status).toBe(200);
    expect(await captain.post('/gear', gear({ name: 'bank  LEAD' }))).toMatchObject({ status: 409, body: { fields: [{ field: 'name' }] } });
    expect((await captain.post('/gear', gear({ massG: -3 }))).status).toBe(400);
  });
});

describe('a rig set by hand', () => {
  it('is kept by spot and bait, and given back', async () => {
    const choice = { spotId: h.mine.spots[0]?.id, presentationId: h.mine.presentations[0]?.id, part: 'weight', value: 80 };
    expect((await mate.post(`/trips/${tripId}/rig-choices`, choice)).status).toBe(403);
    for (const value of [70, 80]) expect((await captain.post(`/trips/${tripId}/rig-choices`, { ...choice, value })).status).toBe(200);
    expect((await rigs()).choices).toMatchObject([choice]);
    expect((await captain.post(`/trips/${tripId}/rig-choices`, { ...choice, value: null })).status).toBe(200);
    expect((await rigs()).choices).toEqual([]);
    expect((await captain.post(`/trips/${tripId}/rig-choices`, { ...choice, spotId: h.other.spots[0]?.id })).status).toBe(404);
    expect((await captain.post(`/trips/${tripId}/rig-choices`, { ...choice, part: 'bell' })).status).toBe(400);
    const absurd = await captain.post(`/trips/${tripId}/rig-choices`, { ...choice, part: 'sea anchor', value: 4000 });
    expect(absurd).toMatchObject({ status: 400, body: { fields: [{ field: 'value', message: 'expected 0 to 10 for sea anchor' }] } });
  });
});

describe('ticks of the night before', () => {
  const tick = (who: Client, done: boolean, atMs: number, key = 'tie shad') =>
    who.post(`/deck/${tripId}/entries`, {
      entries: [{ kind: 'tick', entryId: randomUUID(), at: new Date(atMs).toISOString(), key, done }],
    });

  it('are shared; the later word holds whenever it is sent, and the same again changes nothing', async () => {
    const evening = startMs - 14 * 3_600_000;
    h.clock.set(evening + 3_600_000);
    expect((await tick(mate, true, evening)).body.receipts).toMatchObject([{ ok: true }]);
    expect((await rigs()).ticks).toMatchObject([{ key: 'tie shad', by: h.mine.people.find((p) => p.role === 'mate')?.name }]);
    expect((await tick(captain, false, evening + 600_000)).body.receipts).toMatchObject([{ ok: true }]);
    // A phone that was out of reach sends what was done before.
    expect((await tick(mate, true, evening + 60_000)).body.receipts).toMatchObject([{ ok: true }]);
    expect((await rigs()).ticks).toEqual([]);
    await tick(mate, true, evening + 700_000);
    expect((await rigs()).ticks).toHaveLength(1);
  });

  it('come at most two weeks ahead, and never from the future', async () => {
    expect((await tick(mate, true, startMs - 15 * 86_400_000)).body.receipts[0]).toMatchObject({ ok: false });
    expect((await tick(mate, true, startMs)).body.receipts[0]).toMatchObject({
      ok: false,
      message: expect.stringContaining('in the future'),
    });
  });
});

describe('what was timed', () => {
  it('is kept by bait, and forgotten when it is taken back', async () => {
    const trial = { presentationId: h.mine.presentations[0]?.id, sank: { depthM: 3, seconds: 4.5 }, divesM: null };
    expect((await mate.post('/bait-trials', trial)).status).toBe(200);
    expect((await rigs()).trials).toEqual([{ presentationId: trial.presentationId, depthM: 3, seconds: 4.5, divesM: null }]);
    expect((await mate.post('/bait-trials', { ...trial, sank: null, divesM: 2.1 })).status).toBe(200);
    expect((await rigs()).trials).toEqual([{ presentationId: trial.presentationId, depthM: null, seconds: null, divesM: 2.1 }]);
    expect((await mate.post('/bait-trials', { ...trial, sank: { depthM: 3, seconds: 0 } })).status).toBe(400);
    expect((await mate.post('/bait-trials', { ...trial, presentationId: h.other.presentations[0]?.id })).status).toBe(404);
  });

  it('replaces a guess of what a boat shows to the water', async () => {
    const boat = h.mine.boats[0] as Harness['mine']['boats'][number];
    expect((await rigs()).boat).toMatchObject({ ...usualHull(boat.seats, boat.draughtM), timed: false });
    const timed = { windMps: 8, throughWaterMps: 0.451961, anchorDiameterM: 0 };
    const answer = await captain.post(`/boats/${boat.id}/drift`, { windageM2: 6, timed });
    expect(answer.body.hullM2).toBeCloseTo(2, 4);
    expect((await rigs()).boat).toMatchObject({ windageM2: 6, timed: true });
    const wrong = await captain.post(`/boats/${boat.id}/drift`, { windageM2: 6, timed: { ...timed, windMps: 3, throughWaterMps: 4 } });
    expect(wrong).toMatchObject({ status: 400, body: { fields: [{ field: 'timed.throughWaterMps' }] } });
  });
});

describe('what the log says', () => {
  it('of leaders comes only from families that were fished on more than one', async () => {
    const before = await rigs();
    expect(before.leaders).toEqual([]);
    const [a, b] = h.mine.presentations;
    await h.owner.query('update presentation set leader_kg = 3 where id = $1', [a?.id]);
    await h.owner.query(
      'update presentation set leader_kg = 5, family_id = (select family_id from presentation where id = $2) where id = $1',
      [b?.id, a?.id],
    );
    const { leaders } = await rigs();
    // Only waters where both were fished tell of them.
    const [totals] = await h.owner.query(
      `select sum(s.rod_hours)::float8 as hours from fished_set s join spot sp on sp.id = s.spot_id where s.presentation_id in ($1, $2)
         and sp.water_id in (select x.water_id from fished_set y join spot x on x.id = y.spot_id where y.presentation_id in ($1, $2)
           group by 1 having count(distinct y.presentation_id) = 2)`,
      [a?.id, b?.id],
    );
    const counts = leaders.flatMap((l: { counts: { rodHours: number }[] }) => l.counts);
    expect(counts.reduce((sum: number, c: { rodHours: number }) => sum + c.rodHours, 0)).toBeCloseTo(totals.hours, 9);
    for (const c of counts) expect(c.bites >= c.hooked && c.hooked >= c.landed).toBe(true);
  });

  it('of marks gives the last height at a spot, and nothing of another outfit’s', async () => {
    h.clock.set(startMs + 3_600_000);
    const see = (atMs: number, more: object) => ({
      kind: 'sighting',
      entryId: randomUUID(),
      at: new Date(atMs).toISOString(),
      sightingId: randomUUID(),
      spotId: h.mine.spots[0]?.id,
      what: 'marks',
      note: '',
      depthM: null,
      relation: null,
      ...more,
    });
    await mate.post(`/deck/${tripId}/entries`, {
      entries: [see(startMs + 60_000, { relation: 'tight' }), see(startMs + 120_000, { depthM: 0.5, relation: 'above' })],
    });
    const spot = h.mine.spots[0];
    const [row] = await h.owner.query('select (depth_min_m + depth_max_m) / 2 as middle from spot where id = $1', [spot?.id]);
    expect((await rigs()).marks).toMatchObject([{ spotId: spot?.id, upM: Math.max(0, row.middle - 0.5) }]);
  });
});

describe('the list of the night before', () => {
  it('stands in the brief and, as long as something of it is open, on the Board', async () => {
    h.clock.set(startMs - 10 * 3_600_000);
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    const inputs = inputsOf(desk);
    const plan = layDay(inputs, rankTrip(inputs));
    const iso = (ms: number) => new Date(ms).toISOString();
    const kept = await captain.post(`/trips/${tripId}/plans`, {
      id: randomUUID(),
      replaces: desk.saved?.version ?? 0,
      seen: ALL_SEEN,
      bans: [],
      legs: plan.legs.map((l) => ({ spotId: l.spotId, startAt: iso(l.startMs), departAt: iso(l.departMs), pinned: false })),
    });
    expect(kept.status, JSON.stringify(kept.body)).toBe(200);
    const date = localDate(startMs, desk.zone);
    const brief = async () => (await captain.get(`/brief/${date}`)).body.boats.find((b: { trip: { id: string } }) => b.trip.id === tripId);
    const list = (await brief()).tonight as { key: string; what: string; done: boolean }[];
    // The same as the screen makes of the same desk.
    const crew = (await captain.get(`/trips/${tripId}/rigs`)).body;
    const again = inputsOf((await captain.get(`/trips/${tripId}/desk`)).body);
    const party = { species: desk.species, guests: desk.guests.length, children: desk.party.children, nonSwimmers: desk.party.nonSwimmers };
    const own = dayRigs(again, rankTrip(again), plan.legs, crew, party).night.items;
    expect(list.map((i) => i.key)).toEqual(own.map((i) => i.key));
    const board = async () =>
      ((await captain.get('/board')).body.open as { text: string }[]).map((o) => o.text).filter((t) => t.includes('still to tie'));
    const done = list.filter((i) => i.done).length;
    expect(await board()).toEqual([expect.stringContaining(`${list.length - done} of ${list.length} things still to tie`)]);
    const entries = list.map((i) => ({ kind: 'tick', entryId: randomUUID(), at: iso(h.clock.now()), key: i.key, done: true }));
    expect((await mate.post(`/deck/${tripId}/entries`, { entries })).status).toBe(200);
    expect((await brief()).tonight.every((i: { done: boolean }) => i.done)).toBe(true);
    expect(await board()).toEqual([]);
  });
});
