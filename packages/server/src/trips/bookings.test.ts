// Boats, clients, waters, rules and bookings as screens change them.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { ALL_SEEN } from '../testing/allSeen';
import { TEST_NOW } from '../testing/smallOutfit';
import { tripBody } from '../testing/tripBody';

let h: Harness;
let owner: Client;
let captain: Client;
let mate: Client;
beforeAll(async () => {
  h = await startHarness();
  [owner, captain, mate] = [
    await h.signIn(emailOf(h.mine, 'owner')),
    await h.signIn(emailOf(h.mine, 'captain')),
    await h.signIn(emailOf(h.mine, 'mate')),
  ];
});
afterAll(() => h.close());
const DAY = 86_400_000;
const edit = ({ id: _, waterId: __, booking: ___, ...rest }: ReturnType<typeof tripBody>) => rest;
const lists = async () => (await owner.get('/outfit')).body;

describe('a booking', () => {
  it('is changed with its party and species, moved, and called off with a reason that the calendar keeps', async () => {
    const body = tripBody(h, TEST_NOW + 60 * DAY);
    await owner.post('/trips', body);
    const later = new Date(Date.parse(body.startsAt) + DAY).toISOString();
    const changed = await owner.post(`/trips/${body.id}`, {
      ...edit(body),
      startsAt: later,
      endsAt: new Date(Date.parse(later) + 4 * 3_600_000).toISOString(),
      clientIds: [h.mine.clients[0]?.id],
      meeting: 'Sallow Quay',
      priceNote: '300, half paid',
    });
    expect(changed.body).toMatchObject({ startsAt: later, meeting: 'Sallow Quay', guests: [{ id: h.mine.clients[0]?.id }] });
    const date = later.slice(0, 10);
    const seen = async (who: Client) =>
      (await who.get(`/calendar?from=${date}&to=${date}`)).body.find((t: { id: string }) => t.id === body.id);
    expect(await seen(captain)).toMatchObject({ priceNote: '300, half paid' });
    expect(await seen(mate)).toMatchObject({ priceNote: null });
    expect((await captain.post(`/trips/${body.id}/cancel`, { reason: 'gale' })).status).toBe(200);
    expect(await seen(captain)).toMatchObject({ status: 'cancelled', cancelReason: 'gale' });
    expect(await captain.post(`/trips/${body.id}`, edit(body))).toMatchObject({ status: 409, body: { code: 'in_use' } });
    // Its boat is free again then.
    expect((await owner.post('/trips', { ...body, id: randomUUID(), startsAt: later, endsAt: changed.body.endsAt })).status).toBe(200);
  });

  it('takes its plan out when it is moved, and keeps it when only its party changes', async () => {
    const trip = h.mine.trips.at(-1);
    const spot = h.mine.spots[0];
    const start = Date.parse(trip?.startsAt as string);
    const iso = (ms: number) => new Date(ms).toISOString();
    const kept = await owner.post(`/trips/${trip?.id}/plans`, {
      id: randomUUID(),
      replaces: 0,
      seen: ALL_SEEN,
      bans: [],
      legs: [{ spotId: spot?.id, startAt: iso(start + 3_600_000), departAt: iso(start + 7_200_000), pinned: false }],
    });
    expect(kept.status).toBe(200);
    const body = {
      boatId: trip?.boatId,
      captainId: trip?.captainId,
      startsAt: trip?.startsAt,
      endsAt: trip?.endsAt,
      goal: 'numbers',
      speciesIds: trip?.speciesIds,
      rods: 1,
      skill: 1,
      wish: 'quiet',
      clientIds: [],
    };
    expect((await owner.post(`/trips/${trip?.id}`, body)).body).toMatchObject({ wish: 'quiet', plan: { version: 1 } });
    const later = { ...body, startsAt: iso(start + 30 * 60_000) };
    expect((await owner.post(`/trips/${trip?.id}`, later)).body).toMatchObject({ plan: null });
    const [left] = await h.owner.query('select count(*)::int as n from plan where trip_id = $1', [trip?.id]);
    expect(left.n).toBe(0);
  });

  it('is refused where its boat is out, its guests are too many, or its end comes first', async () => {
    const first = tripBody(h, TEST_NOW + 70 * DAY);
    const second = tripBody(h, TEST_NOW + 72 * DAY);
    await owner.post('/trips', first);
    await owner.post('/trips', second);
    expect(await owner.post(`/trips/${second.id}`, { ...edit(second), startsAt: first.startsAt, endsAt: first.endsAt })).toMatchObject({
      status: 409,
      body: { code: expect.stringMatching(/boat_taken|captain_taken/) },
    });
    expect(await owner.post(`/trips/${second.id}`, { ...edit(second), endsAt: second.startsAt })).toMatchObject({
      body: { fields: [{ field: 'endsAt' }] },
    });
    expect((await owner.get(`/calendar?from=2026-06-01&to=2027-06-01`)).status).toBe(400);
  });
});

describe('a boat', () => {
  const boat = (more: object = {}) => ({
    id: randomUUID(),
    name: `Gull ${randomUUID()}`,
    hull: '',
    seats: 3,
    speedMps: 8,
    draughtM: 0.4,
    windLimitMps: 10,
    gustLimitMps: null,
    waveLimitM: null,
    tankL: 40,
    burnLph: 12,
    ...more,
  });

  it('is added, changed and taken out of use, but not while trips are ahead', async () => {
    const body = boat();
    await captain.post('/boats', body);
    await captain.post('/boats', { ...body, seats: 5 });
    expect((await lists()).boats.find((b: { id: string }) => b.id === body.id)).toMatchObject({ seats: 5, waveLimitM: null });
    const trip = tripBody(h, TEST_NOW + 80 * DAY, { boatId: body.id });
    await owner.post('/trips', trip);
    expect(await captain.post(`/boats/${body.id}/retire`)).toMatchObject({
      status: 409,
      body: { detail: expect.stringContaining('1 trip ahead') },
    });
    await captain.post(`/trips/${trip.id}/cancel`, { reason: 'sold' });
    expect((await captain.post(`/boats/${body.id}/retire`)).status).toBe(200);
    expect((await lists()).boats.some((b: { id: string }) => b.id === body.id)).toBe(false);
    expect(await owner.post('/trips', { ...trip, id: randomUUID() })).toMatchObject({ status: 404 });
  });

  it('has a name of its own', async () => {
    const body = boat();
    await captain.post('/boats', body);
    // The same to the eye: other case, a letter of another script, a space that is not seen.
    for (const name of [body.name, body.name.toUpperCase(), body.name.replace('u', '\u200bu')])
      expect(await captain.post('/boats', boat({ name }))).toMatchObject({ status: 409, body: { fields: [{ field: 'name' }] } });
  });
});

describe('a client', () => {
  it('has a note on health that only the owner and captains of his trips see and change, and that goes with him', async () => {
    const known = h.mine.clients[0];
    const rival = {
      id: known?.id,
      name: known?.name,
      contact: '',
      experience: 2,
      child: false,
      swims: true,
      hand: null,
      wishes: '',
      note: '',
    };
    const of = async (who: Client, id = known?.id) => (await who.get('/clients')).body.find((k: { id: string }) => k.id === id);
    expect((await of(owner)).medicalNote).not.toBeNull();
    expect((await mate.get('/clients')).status).toBe(403);
    // Left out, the note stays as it is.
    const before = (await of(owner)).medicalNote;
    await captain.post('/clients', rival);
    expect(await of(owner)).toMatchObject({ swims: true, medicalNote: before });
    const fresh = { ...rival, id: randomUUID(), name: 'Passing guest', medicalNote: 'asthma' };
    await owner.post('/clients', fresh);
    expect((await of(captain, fresh.id)).medicalNote).toBeNull();
    expect(await captain.post('/clients', { ...fresh, medicalNote: '' })).toMatchObject({ status: 403 });
    await owner.post(`/clients/${fresh.id}/retire`);
    const [row] = await h.owner.query('select medical_note, contact from client where id = $1', [fresh.id]);
    expect(row).toEqual({ medical_note: '', contact: '' });
  });
});

describe('a water', () => {
  const id = randomUUID();
  const water = { id, name: `Loch ${id.slice(0, 6)}`, kind: 'fresh', ruleZone: '', dockLat: 47.6, dockLon: -35.2 };
  const square = (size: number): [number, number][] => [
    [-35.2 - size, 47.6 - size],
    [-35.2 + size, 47.6 - size],
    [-35.2 + size, 47.6 + size],
    [-35.2 - size, 47.6 + size],
  ];

  it('begins with a name alone, takes a shore, and measures the spots on it', async () => {
    expect((await captain.post('/waters', water)).status).toBe(200);
    const spot = {
      id: randomUUID(),
      name: 'Middle',
      structure: 'mark',
      bottom: 'unknown',
      shape: 'point',
      points: [[-35.2, 47.6]],
      depthMinM: 3,
      depthMaxM: 6,
      accessDepthM: null,
      privacy: 'crew',
      hazards: [],
      legality: '',
      restDays: 0,
      pressure: 1,
    };
    expect((await captain.post(`/waters/${id}/spots`, spot)).status).toBe(200);
    const fetch = async () => (await captain.get(`/waters/${id}/spots`)).body[0].fetchM[0];
    expect(await fetch()).toBeGreaterThan(20_000);
    expect((await captain.post(`/waters/${id}/chart`, { shore: { inside: 'water', polygons: [[square(0.005)]] } })).status).toBe(200);
    // The shore is 0.005 degrees of latitude, 556 m, to the north.
    expect(await fetch()).toBeGreaterThan(450);
    expect(await fetch()).toBeLessThan(750);
    const { bed } = (await captain.get(`/waters/${id}/chart`)).body;
    expect(bed.depthM).toContain(null);
    expect(bed.openBeyond).toBe(false);
  });

  it('keeps what was drawn before where more land is drawn to it', async () => {
    const land = (east: number) => ({ inside: 'land', polygons: [[square(0.002).map(([lon, lat]) => [lon + east, lat])]] });
    await captain.post(`/waters/${id}/chart`, { shore: land(0.01) });
    await captain.post(`/waters/${id}/chart`, { shore: land(-0.01), add: true });
    const { bed } = (await captain.get(`/waters/${id}/chart`)).body;
    const land2 = bed.depthM.filter((d: number | null) => d !== null).length;
    await captain.post(`/waters/${id}/chart`, { shore: land(0.01) });
    const again = (await captain.get(`/waters/${id}/chart`)).body.bed;
    expect(land2).toBeGreaterThan(1.8 * again.depthM.filter((d: number | null) => d !== null).length);
  });

  it('says what is wrong with a shore, and keeps the one before', async () => {
    const bow = [square(0.005)[0], square(0.005)[2], square(0.005)[1], square(0.005)[3]];
    expect((await captain.post(`/waters/${id}/chart`, { shore: { inside: 'water', polygons: [[bow]] } })).body.detail).toMatch(
      /crosses itself/,
    );
    expect((await captain.post(`/waters/${id}/chart`, { shore: { inside: 'water', polygons: [[square(2)]] } })).body.detail).toMatch(
      /60 m to 120 km across/,
    );
    expect((await captain.get(`/waters/${id}/chart`)).status).toBe(200);
  });

  it('does not lose charted depths to a new shore', async () => {
    const charted = h.mine.waters[0]?.id;
    expect(await captain.post(`/waters/${charted}/chart`, { shore: { inside: 'land', polygons: [[square(0.005)]] } })).toMatchObject({
      status: 409,
      body: { code: 'in_use', detail: expect.stringContaining('depths of its own') },
    });
  });

  it('takes a tide by the names of its constituents, and none', async () => {
    const tide = (name: string) => ({ tide: { z0M: 1, constants: [{ name, amplitudeM: 1, phaseDeg: 10 }] } });
    expect((await captain.post(`/waters/${id}/tide`, tide('M99'))).body.fields[0].field).toBe('tide.constants.0.name');
    expect((await captain.post(`/waters/${id}/tide`, tide('M2'))).status).toBe(200);
    expect((await lists()).waters.find((w: { id: string }) => w.id === id).tidal).toBe(true);
    await captain.post(`/waters/${id}/tide`, { tide: null });
    expect((await lists()).waters.find((w: { id: string }) => w.id === id).tidal).toBe(false);
  });
});

describe('a rule', () => {
  it('is written, changed, and out of the copy when it is removed', async () => {
    const body = {
      id: randomUUID(),
      speciesId: h.mine.species[0]?.id,
      zone: '',
      body: { kind: 'bag', perAngler: 1 },
      source: 'a notice',
      checkedOn: '2026-06-01',
    };
    const mine = async () => (await mate.get('/rules')).body.find((r: { id: string }) => r.id === body.id);
    await captain.post('/rules', body);
    await captain.post('/rules', { ...body, body: { kind: 'bag', perAngler: 2 }, zone: 'sea' });
    expect(await mine()).toMatchObject({ zone: 'sea', body: { perAngler: 2 } });
    const crossed = { ...body, body: { kind: 'length', minMm: 400, maxMm: 300, lengthKind: 'total' } };
    expect((await captain.post('/rules', crossed)).body.fields[0].message).toMatch(/crossed/);
    await captain.post(`/rules/${body.id}/remove`);
    expect(await mine()).toBeUndefined();
  });
});
