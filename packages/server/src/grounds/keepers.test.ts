import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inOutfit } from '../db/database';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { DAY } from '@bluffwind/core/units/time';
import { TEST_NOW } from '../testing/smallOutfit';
import { tripBody } from '../testing/tripBody';
import { ALL_SEEN } from '../testing/allSeen';

let h: Harness;
let keeper: Client;
let rival: Client;
let owner: Client;
let mate: Client;
let keeperId: string;
const rivalId = randomUUID();
let rivalTrip: string;
const iso = (ms: number) => new Date(ms).toISOString();
const date = (ms: number) => iso(ms).slice(0, 10);

beforeAll(async () => {
  h = await startHarness();
  keeperId = h.mine.people.find((p) => p.role === 'captain')?.id as string;
  const email = `rival-${rivalId.slice(0, 8)}@crew.example`;
  // A second captain with the first one's password.
  await h.owner.query(
    `insert into person (id, outfit_id, name, email, password_hash, role) select $1, outfit_id, 'rival', $2, password_hash, role from person where id = $3`,
    [rivalId, email, keeperId],
  );
  [keeper, rival, owner, mate] = (await Promise.all(
    [emailOf(h.mine, 'captain'), email, emailOf(h.mine, 'owner'), emailOf(h.mine, 'mate')].map((e) => h.signIn(e)),
  )) as [Client, Client, Client, Client];
  rivalTrip = randomUUID();
  const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
  const made = await owner.post('/trips', tripBody(h, start, { id: rivalTrip, captainId: rivalId }));
  expect(made.status).toBe(200);
});
afterAll(() => h.close());

const far = () => h.mine.spots[1] as Harness['mine']['spots'][number];
const edit = (change: object) => ({
  id: far().id,
  name: 'Far stone',
  structure: 'rock',
  bottom: 'rock',
  shape: 'point',
  points: far().points,
  depthMinM: 2,
  depthMaxM: 4,
  accessDepthM: null,
  privacy: 'captain',
  hazards: [],
  legality: '',
  restDays: 0,
  pressure: 1,
  ...change,
});
const store = (who: Client, change: object) => who.post(`/waters/${far().waterId}/spots`, edit(change));

describe('a spot that a captain keeps', () => {
  it('is kept by himself or by the owner for him, and only with the captains’ spots', async () => {
    expect((await store(rival, { keeperId })).body.fields).toEqual([
      { field: 'keeperId', message: 'a captain keeps a spot for himself; the owner for any captain' },
    ]);
    expect((await store(keeper, { keeperId, privacy: 'crew' })).body.fields[0].field).toBe('keeperId');
    const mateId = h.mine.people.find((p) => p.role === 'mate')?.id;
    expect((await store(owner, { keeperId: mateId })).body.fields[0].message).toMatch(/is a mate/);
    expect((await store(keeper, { keeperId })).body).toMatchObject({ name: 'Far stone', keeperId, privacy: 'captain' });
    // A program that does not know of keepers changes something else and gives nothing away.
    expect((await store(keeper, { footing: 2 })).body).toMatchObject({ keeperId, footing: 2 });
  });

  it('is named by no route to another captain, in no log, brief, plan, export or reading', async () => {
    const waterId = far().waterId;
    const trip = h.mine.trips.at(-1)?.id;
    const start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
    const plan = await keeper.post(`/trips/${trip}/plans`, {
      id: randomUUID(),
      replaces: 0,
      seen: ALL_SEEN,
      bans: [],
      legs: [{ spotId: far().id, startAt: iso(start + 3_600_000), departAt: iso(start + 7_200_000), pinned: true }],
      triggers: [
        {
          sentence: 'If Far stone is taken, go to Near stone.',
          worth: 1,
          chance: null,
          condition: { atMs: start, aboveMps: 3, belowMps: null },
          planB: [],
        },
      ],
    });
    expect(plan.body.basis.map((b: { spotName: string }) => b.spotName)).toEqual(['Far stone']);
    await keeper.post(`/waters/${waterId}/readings`, {
      id: randomUUID(),
      variable: 'clarityM',
      at: iso(TEST_NOW - 3_600_000),
      value: 2,
      spotId: far().id,
      note: '',
    });
    const span = new URLSearchParams({ from: iso(TEST_NOW - DAY), to: iso(TEST_NOW + DAY) });
    const paths = [
      '/board',
      `/trips?date=${date(start)}`,
      `/trips/${trip}`,
      `/trips/${trip}/desk`,
      `/trips/${trip}/plans/1`,
      `/trips/${rivalTrip}/desk`,
      `/deck/${trip}`,
      `/deck/${rivalTrip}`,
      `/brief/${date(TEST_NOW)}`,
      `/brief/${date(TEST_NOW + DAY)}`,
      '/log',
      `/waters/${waterId}/spots`,
      `/waters/${waterId}/chart`,
      `/waters/${waterId}/state?${span}`,
      ...['gpx', 'kml', 'geojson'].map((f) => `/waters/${waterId}/export?format=${f}&captains=yes`),
    ];
    const seen = await Promise.all(paths.map(async (p) => ({ p, owner: await owner.get(p), rival: await rival.get(p) })));
    // The owner sees it in these, so that a route which stops naming spots at all does not pass for one that hides it.
    expect(seen.filter((x) => JSON.stringify(x.owner.body).includes('Far stone')).length).toBeGreaterThanOrEqual(8);
    expect(seen.filter((x) => JSON.stringify(x.rival.body).includes('Far stone')).map((x) => x.p)).toEqual([]);
    expect(seen.filter((x) => x.rival.status >= 500).map((x) => x.p)).toEqual([]);
    // Its plan stands in the brief at what it was kept with, its spot without a name.
    const brief = seen.find((x) => x.p === `/brief/${date(TEST_NOW + DAY)}`)?.rival.body;
    const boat = brief.boats.find((b: { trip: { id: string } }) => b.trip.id === trip);
    expect(boat.worthNow).toBe(boat.plan.expected);
    expect(brief.names[far().id]).toBe('a kept spot');
  });

  it('is no row at all for another captain, in whatever way it is asked for', async () => {
    const id = far().id;
    expect((await rival.get(`/spots/${id}/history`)).status).toBe(404);
    expect((await rival.post(`/spots/${id}/retire`)).status).toBe(404);
    expect((await rival.post(`/spots/${id}/merge`, { into: h.mine.spots[0]?.id })).status).toBe(404);
    expect((await rival.post(`/spots/${h.mine.spots[0]?.id}/merge`, { into: id })).status).toBe(404);
    expect((await store(rival, { keeperId: null, privacy: 'crew' })).status).toBe(409);
    const stops = h.mine.trips.flatMap((t) => t.stops.filter((s) => s.spotId === id).map((s) => s.id));
    expect((await rival.post('/stops/find', { ids: stops.slice(0, 5) })).body).toEqual([]);
    expect((await keeper.post('/stops/find', { ids: stops.slice(0, 5) })).body).toHaveLength(5);
    const rows = await inOutfit(h.source, h.mine.outfit.id, (e) => e.query('select name from spot where name = $1', ['Far stone']), {
      personId: rivalId,
      role: 'captain',
    });
    expect(rows).toEqual([]);
    // Nor does its name keep another captain from using it for a place of his own.
    expect((await store(rival, { id: randomUUID(), keeperId: null })).status).toBe(200);
  });

  it('is planned for its keeper’s trips only, whoever plans', async () => {
    const spots = async (who: Client, trip: string) =>
      (await who.get(`/trips/${trip}/desk`)).body.spots.map((s: { id: string }) => s.id) as string[];
    const own = h.mine.trips.at(-1)?.id as string;
    expect(await spots(owner, own)).toContain(far().id);
    expect(await spots(keeper, own)).toContain(far().id);
    expect(await spots(owner, rivalTrip)).not.toContain(far().id);
    expect(await spots(keeper, rivalTrip)).not.toContain(far().id);
    // A mate is aboard: he sees where his boat goes.
    expect(await spots(mate, own)).toContain(far().id);
    expect((await mate.get(`/waters/${far().waterId}/spots`)).body.map((s: { id: string }) => s.id)).not.toContain(far().id);
  });

  it('is not merged into a spot that others know, which would take that one from them', async () => {
    const answer = await keeper.post(`/spots/${far().id}/merge`, { into: h.mine.spots[0]?.id });
    expect(answer).toMatchObject({ status: 409, body: { fields: [{ field: 'into', message: 'not kept by the same captain' }] } });
    const near = (await rival.get(`/waters/${far().waterId}/spots`)).body.find((s: { id: string }) => s.id === h.mine.spots[0]?.id);
    expect(near).toMatchObject({ keeperId: null });
  });

  it('keeps another captain from replacing the plan that goes there', async () => {
    const trip = h.mine.trips.at(-1);
    const desk = (await rival.get(`/trips/${trip?.id}/desk`)).body;
    expect(desk).toMatchObject({ hiddenLegs: 1, saved: { triggers: [], basis: [{ spotName: 'a kept spot', factors: [], stopIds: [] }] } });
    const start = Date.parse(trip?.startsAt as string);
    const legs = [{ spotId: h.mine.spots[0]?.id, startAt: iso(start + 3_600_000), departAt: iso(start + 7_200_000), pinned: false }];
    const body = { id: randomUUID(), replaces: 1, seen: ALL_SEEN, bans: [], legs };
    expect(await rival.post(`/trips/${trip?.id}/plans`, body)).toMatchObject({ status: 403, body: { code: 'not_allowed' } });
    expect((await rival.post('/fleet/plans', { plans: [{ ...body, tripId: trip?.id }] })).status).toBe(403);
    expect((await owner.post(`/trips/${trip?.id}/plans`, body)).status).toBe(200);
  });

  it('is told from one that was retired, whose plan anyone may replace', async () => {
    const trip = h.mine.trips.at(-1);
    expect((await owner.post(`/spots/${h.mine.spots[0]?.id}/retire`)).status).toBe(200);
    const desk = (await rival.get(`/trips/${trip?.id}/desk`)).body;
    expect(desk.saved.legs.map((l: { spotId: string }) => l.spotId)).toEqual([h.mine.spots[0]?.id]);
    expect(desk).toMatchObject({ hiddenLegs: 0 });
  });
});
