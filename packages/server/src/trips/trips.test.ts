import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inOutfit } from '../db/database';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';

let h: Harness;
let captain: Client;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
});
afterAll(() => h.close());

const iso = (ms: number) => new Date(ms).toISOString();
const HOUR = 3_600_000;
let slot = 0;

function newTrip(more: object = {}) {
  // Each on a day of its own.
  const start = TEST_NOW + ++slot * 48 * HOUR;
  return {
    id: randomUUID(),
    boatId: h.mine.boats[0]?.id,
    captainId: h.mine.people[1]?.id,
    waterId: h.mine.waters[0]?.id,
    startsAt: iso(start),
    endsAt: iso(start + 5 * HOUR),
    goal: 'numbers',
    speciesIds: [h.mine.species[0]?.id],
    rods: 2,
    skill: 2,
    wish: '',
    clientIds: [h.mine.clients[0]?.id],
    ...more,
  };
}

describe('a new trip', () => {
  it('is stored with its party and species, and in the record of who did what', async () => {
    const trip = newTrip();
    const answer = await captain.post('/trips', trip);
    expect(answer.status).toBe(200);
    expect(answer.body).toMatchObject({ id: trip.id, guests: [{ id: h.mine.clients[0]?.id }], status: 'planned' });
    const rows = await inOutfit(h.source, h.mine.outfit.id, (e) =>
      e.query('select action, person_id from audit where subject_id = $1', [trip.id]),
    );
    expect(rows).toEqual([{ action: 'create', person_id: h.mine.people[1]?.id }]);
  });

  it('is refused when it ends before it starts, by the server and by the database', async () => {
    const trip = newTrip();
    const answer = await captain.post('/trips', { ...trip, endsAt: trip.startsAt });
    expect(answer).toMatchObject({ status: 400, body: { code: 'ends_before_start', fields: [{ field: 'endsAt' }] } });
    await expect(insert({ ...trip, endsAt: iso(Date.parse(trip.startsAt) - HOUR) })).rejects.toThrow(/trip_ends_after_start/);
  });

  it('is refused when boat or captain has another then, by the server and by the database', async () => {
    const trip = newTrip();
    expect((await captain.post('/trips', trip)).status).toBe(200);
    const again = { ...trip, id: randomUUID(), startsAt: iso(Date.parse(trip.startsAt) + HOUR) };
    expect(await captain.post('/trips', { ...again, captainId: h.mine.people[0]?.id })).toMatchObject({
      status: 409,
      body: { code: 'boat_taken' },
    });
    expect(await captain.post('/trips', { ...again, boatId: h.mine.boats[1]?.id })).toMatchObject({
      status: 409,
      body: { code: 'captain_taken' },
    });
    await expect(insert({ ...again, captainId: h.mine.people[0]?.id as string })).rejects.toThrow(/trip_boat_once/);
  });

  it('may follow another of the boat without a gap', async () => {
    const trip = newTrip();
    await captain.post('/trips', trip);
    expect(
      (await captain.post('/trips', { ...trip, id: randomUUID(), startsAt: trip.endsAt, endsAt: iso(Date.parse(trip.endsAt) + HOUR) }))
        .status,
    ).toBe(200);
  });

  it('is refused with more guests than seats, by the server and by the database', async () => {
    const clientIds = h.mine.clients.map((c) => c.id);
    expect(await captain.post('/trips', newTrip({ clientIds }))).toMatchObject({
      status: 409,
      body: { code: 'too_many_guests', fields: [{ field: 'clientIds' }] },
    });
    const trip = newTrip({ clientIds: clientIds.slice(0, 3) });
    expect((await captain.post('/trips', trip)).status).toBe(200);
    const outfitId = h.mine.outfit.id;
    await expect(
      inOutfit(h.source, outfitId, (e) =>
        e.query('insert into party (trip_id, client_id, outfit_id) values ($1, $2, $3)', [trip.id, clientIds[3], outfitId]),
      ),
    ).rejects.toThrow(/4 guests, the boat has 3 seats/);
    await expect(
      inOutfit(h.source, outfitId, (e) => e.query('update trip set boat_id = $1 where id = $2', [h.mine.boats[1]?.id, trip.id])),
    ).rejects.toThrow(/3 guests, the boat has 1 seats/);
  });

  it('names every wrong field and what is allowed', async () => {
    const answer = await captain.post('/trips', newTrip({ rods: 0, goal: 'glory', speciesIds: [], surprise: 1 }));
    expect(answer.status).toBe(400);
    const fields = answer.body.fields.map((f: { field: string }) => f.field);
    expect(fields).toEqual(expect.arrayContaining(['rods', 'goal', 'speciesIds']));
    expect(answer.body.remedy).toMatch(/Correct the fields/);
  });

  it('shows on the Board of its day as not planned yet', async () => {
    const board = await captain.get('/board');
    expect(board.body.tomorrow).toHaveLength(1);
    expect(board.body.open.map((o: { text: string }) => o.text)).toEqual([expect.stringMatching(/no plan yet/)]);
  });
});

describe('a closed season', () => {
  it('refuses a goal by the rule, its source and when it was checked', async () => {
    const speciesId = h.mine.species[0]?.id as string;
    await inOutfit(h.source, h.mine.outfit.id, (e) =>
      e.query(
        `insert into rule (id, outfit_id, species_id, zone, body, source, checked_on) values ($1, $2, $3, 'sea', $4, 'Test office', '2026-06-01')`,
        [randomUUID(), h.mine.outfit.id, speciesId, JSON.stringify({ kind: 'closed', from: '12-20', to: '01-31' })],
      ),
    );
    const winter = Date.UTC(2027, 0, 10, 12);
    const closed = await captain.post('/trips', newTrip({ startsAt: iso(winter), endsAt: iso(winter + 5 * HOUR) }));
    expect(closed).toMatchObject({
      status: 409,
      body: {
        code: 'closed_season',
        detail: expect.stringMatching(/closed from 20 December to 31 January \(Test office, checked on 2026-06-01\)/),
        fields: [{ field: 'speciesIds' }],
      },
    });
    const open = Date.UTC(2027, 2, 10, 12);
    expect((await captain.post('/trips', newTrip({ startsAt: iso(open), endsAt: iso(open + 5 * HOUR) }))).status).toBe(200);
    // Where nobody has said which zone the water lies in, every zone's season holds.
    await h.owner.query(`update water set rule_zone = '' where id = $1`, [h.mine.waters[0]?.id]);
    expect(await captain.post('/trips', newTrip({ startsAt: iso(winter), endsAt: iso(winter + 5 * HOUR) }))).toMatchObject({
      status: 409,
      body: { code: 'closed_season' },
    });
    await h.owner.query(`update water set rule_zone = 'sea' where id = $1`, [h.mine.waters[0]?.id]);
  });
});

function insert(t: { boatId?: string; captainId?: string; waterId?: string; startsAt: string; endsAt: string }) {
  const outfitId = h.mine.outfit.id;
  return inOutfit(h.source, outfitId, (e) =>
    e.query(
      `insert into trip (id, outfit_id, boat_id, captain_id, water_id, starts_at, ends_at, goal, rods, skill, wish, status) values ($1, $2, $3, $4, $5, $6, $7, 'numbers', 1, 1, '', 'planned')`,
      [randomUUID(), outfitId, t.boatId, t.captainId, t.waterId, t.startsAt, t.endsAt],
    ),
  );
}
