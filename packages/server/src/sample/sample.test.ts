// A sample water in an outfit that is new: its season by the outfit's own clock, a day that can be laid, and nothing of it left afterwards.
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { layDay } from '@bluffwind/core/plan/layDay';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { addDays, localDate, localTime, zoneOffsetMin } from '@bluffwind/core/units/time';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { buildSample } from '../../../../sim/src/sample';
import { createApp } from '../app';
import { inputsOf } from '../plan/desk';
import { ALL_SEEN } from '../testing/allSeen';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { tripBody } from '../testing/tripBody';
import { moved } from './moved';
import { removeWhole } from './removeWhole';

const shipped = buildSample();
let h: Harness;
let captain: Client;
let mate: Client;
let folder: string;
let call: (path: string, body?: unknown) => Promise<{ status: number; body: never }>;

beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  mate = await h.signIn(emailOf(h.mine, 'mate'));
  folder = mkdtempSync(path.join(tmpdir(), 'sample-'));
  writeFileSync(path.join(folder, 'sample.json'), JSON.stringify(shipped));
  // The harness's own server ships no sample; this one does.
  const app = createApp({ ...h.deps, config: { ...h.deps.config, sample: path.join(folder, 'sample.json') } });
  const cookie = await h.cookieOf(emailOf(h.mine, 'captain'));
  call = async (to, body) => {
    const headers = { Cookie: cookie, 'Content-Type': 'application/json' };
    const answer = await app.request(
      `/api${to}`,
      body === undefined ? { headers } : { method: 'POST', headers, body: JSON.stringify(body) },
    );
    return { status: answer.status, body: (await answer.json()) as never };
  };
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await h.close();
});

/** Rows of every table of this outfit but what is kept of who did what, and answers made ahead. */
async function counts(): Promise<Record<string, number>> {
  const tables: { name: string }[] = await h.owner.query(
    `select c.table_name as name from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
     where c.table_schema = 'public' and c.column_name = 'outfit_id' and t.table_type = 'BASE TABLE' and c.table_name not like 'reading_part_%'`,
  );
  const out: Record<string, number> = {};
  for (const { name } of tables.filter((t) => !['audit', 'brief_kept', 'outfit_version', 'session', 'known_device'].includes(t.name))) {
    const [{ n }] = await h.owner.query(`select count(*)::int as n from "${name}" where outfit_id = $1`, [h.mine.outfit.id]);
    out[name] = n;
  }
  return out;
}

describe('the sample as it lies in an outfit', () => {
  const there = (zone: string, nowMs = Date.parse('2026-11-27T09:00:00Z')) =>
    moved(shipped, { nowMs, zone, personId: randomUUID(), newId: randomUUID });

  it.each(['America/Phoenix', 'Pacific/Auckland', 'Asia/Kathmandu', 'UTC'])(
    'ends yesterday, at its own hours and under its own sun: %s',
    (zone) => {
      const nowMs = Date.parse('2026-11-27T09:00:00Z');
      const { world } = there(zone, nowMs);
      const [first, last] = [shipped.world.trips[0], shipped.world.trips.at(-1)];
      const mine = world.trips.at(-1);
      expect(localDate(Date.parse(mine?.startsAt ?? ''), zone)).toBe(addDays(localDate(nowMs, zone), -1));
      expect(localTime(Date.parse(mine?.startsAt ?? ''), zone)).toBe(localTime(Date.parse(last?.startsAt ?? ''), 'Etc/GMT+2'));
      const days = (a?: string, b?: string) => Math.round((Date.parse(b ?? '') - Date.parse(a ?? '')) / 86_400_000);
      expect(days(world.trips[0]?.startsAt, mine?.startsAt)).toBe(days(first?.startsAt, last?.startsAt));
      // An hour of the clock is fifteen degrees of the earth's turn.
      const lake = shipped.world.waters[0];
      const east = (((world.waters[0]?.lon ?? 0) - (lake?.lon ?? 0)) / 15) * 60;
      const minutes = zoneOffsetMin(nowMs, zone) + 120;
      expect(Math.abs(((east - minutes + 720 + 1440) % 1440) - 720)).toBeLessThan(0.01);
      expect(Math.abs(world.waters[0]?.lon ?? 999)).toBeLessThanOrEqual(180);
    },
  );
  it('keeps what belongs together together, and shares no id with the file or with another outfit', () => {
    const [a, b] = [there('UTC'), there('UTC')];
    const ids = (w: typeof a.world) => [...w.spots, ...w.trips, ...w.waters, ...w.boats].map((x) => x.id);
    expect(new Set([...ids(a.world), ...ids(b.world), ...ids(shipped.world)]).size).toBe(3 * ids(a.world).length);
    const spots = new Set(a.world.spots.map((s) => s.id));
    for (const t of a.world.trips) {
      expect(t.boatId).toBe(a.world.boats[0]?.id);
      expect(t.waterId).toBe(a.world.waters[0]?.id);
      for (const s of t.stops) expect(spots.has(s.spotId)).toBe(true);
    }
    const [bed, was] = [a.world.waters[0]?.bed, shipped.world.waters[0]?.bed];
    const offset = (list: typeof a.world, by: number) => list.spots.map((s) => Math.round((s.lon - by) * 1e5));
    expect(offset(a.world, bed?.lon0 ?? 0)).toEqual(offset(shipped.world, was?.lon0 ?? 0));
  });
});

describe('the sample of an outfit', () => {
  it('is offered where the server ships one, to captains, and is not where it ships none', async () => {
    expect((await call('/beginnings')).body).toMatchObject({ sample: 'none' });
    expect((await captain.get('/beginnings')).body).toMatchObject({ sample: null });
    expect((await captain.post('/sample')).status).toBe(404);
    expect((await mate.post('/sample')).status).toBe(403);
    expect((await mate.post('/sample/remove')).status).toBe(403);
    expect((await captain.post('/sample/remove')).status).toBe(200);
  });

  it('is added once, is planned on like any water, and goes whole with what was done on it', async () => {
    const before = await counts();
    const started = (await call('/beginnings')).body as Record<string, unknown>;
    expect(await Promise.all([call('/sample', {}), call('/sample', {})])).toMatchObject([
      { status: 200, body: { ok: true } },
      { status: 200 },
    ]);
    await h.jobsDone();
    const own = await counts();
    expect(own.sample).toBe(1);
    expect(own.water).toBe((before.water ?? 0) + 1);
    // What the first evening counts is the crew's own.
    expect((await call('/beginnings')).body).toEqual({ ...started, sample: { water: 'Lake Ansgar (sample)', boat: 'Marrow (sample)' } });
    const [trip] = await h.owner.query(
      `select t.id, t.boat_id from trip t join sample s on s.water_id = t.water_id where t.outfit_id = $1 and t.status = 'planned'`,
      [h.mine.outfit.id],
    );
    const [unseen] = await h.owner.query(
      `select count(*)::int as n from stop st join trip t on t.id = st.trip_id join sample s on s.water_id = t.water_id where st.conditions is null`,
    );
    expect(unseen.n).toBe(0);
    const desk = (await captain.get(`/trips/${trip.id}/desk`)).body;
    const inputs = inputsOf(desk);
    const day = layDay(inputs, rankTrip(inputs));
    expect(day.legs.length).toBeGreaterThan(1);
    expect(desk.evidence?.sets?.length ?? own.set).toBeGreaterThan(50);
    const iso = (ms: number) => new Date(ms).toISOString();
    const kept = await captain.post(`/trips/${trip.id}/plans`, {
      id: randomUUID(),
      replaces: 0,
      seen: ALL_SEEN,
      bans: [],
      legs: day.legs.map((l) => ({ spotId: l.spotId, startAt: iso(l.startMs), departAt: iso(l.departMs), pinned: false })),
    });
    expect(kept.status, JSON.stringify(kept.body)).toBe(200);
    const entry = { kind: 'begin-trip', entryId: randomUUID(), at: iso(h.clock.now()) };
    expect((await captain.post(`/deck/${trip.id}/entries`, { entries: [entry] })).status).toBe(200);
    expect((await captain.post(`/boats/${trip.boat_id}/aboard`, { checks: ['Pump tried'], gear: [] })).status).toBe(200);
    await h.jobsDone();
    expect((await captain.post('/sample/remove')).status).toBe(200);
    expect(await counts()).toEqual(before);
    expect((await call('/beginnings')).body).toEqual(started);
    // And it can come again.
    expect((await call('/sample', {})).status).toBe(200);
    expect((await captain.post('/sample/remove')).status).toBe(200);
    expect(await counts()).toEqual(before);
  });

  it('leaves the first evening as it is, and so does a water of one’s own that goes out of use: its trips were made', async () => {
    const before = (await call('/beginnings')).body as { waters: number; trips: number; stops: number };
    await h.owner.query('update water set retired_at = now() where outfit_id = $1', [h.mine.outfit.id]);
    try {
      expect((await call('/beginnings')).body).toMatchObject({ waters: 0, trips: before.trips, stops: before.stops });
      expect(before.trips).toBeGreaterThan(0);
    } finally {
      await h.owner.query('update water set retired_at = null where outfit_id = $1', [h.mine.outfit.id]);
    }
  });

  it('can go whatever was done on it: no table that hangs on a water or a boat is closed to the application', async () => {
    const [{ role }] = await h.source.query('select current_user as role');
    const closed: { name: string }[] = await h.owner.query(
      `with recursive hangs (name) as (
         select unnest(array['water', 'boat']::regclass[])
         union select c.conrelid::regclass from pg_constraint c join hangs h on c.confrelid = h.name::oid where c.contype = 'f' and c.conparentid = 0)
       select h.name::text as name from hangs h where not has_table_privilege($1, h.name::oid, 'delete')`,
      [role],
    );
    expect(closed).toEqual([]);
  });

  it('stays while its boat has a trip on a water of one’s own, and says what to do', async () => {
    const before = await counts();
    expect((await call('/sample', {})).status).toBe(200);
    const [{ boat_id: boatId }] = await h.owner.query('select boat_id from sample where outfit_id = $1', [h.mine.outfit.id]);
    const body = tripBody(h, Date.parse(h.mine.trips.at(-1)?.startsAt ?? '') + 48 * 3_600_000, { boatId });
    const made = await captain.post('/trips', { ...body, rods: 1 });
    expect(made.status, JSON.stringify(made.body)).toBe(200);
    const said = await captain.post('/sample/remove');
    expect(said.status).toBe(409);
    expect(said.body.detail).toContain('Marrow (sample) has a trip on your own water');
    await h.owner.query('delete from trip_species where trip_id = $1', [body.id]);
    await h.owner.query('delete from trip_mate where trip_id = $1', [body.id]);
    await h.owner.query('delete from party where trip_id = $1', [body.id]);
    await h.owner.query('delete from trip where id = $1', [body.id]);
    expect((await captain.post('/sample/remove')).status).toBe(200);
    expect(await counts()).toEqual(before);
  });
});

describe('a row that goes with all that hangs on it', () => {
  it('leaves nothing that referred to it, in tables that refer to each other and to themselves', async () => {
    // In a transaction that is taken back: no other test sees these tables.
    const seen = h.owner.transaction(async (entities) => {
      await entities.query(`
        create schema tree;
        set local search_path to tree;
        create table limb (id uuid primary key, of_limb uuid references limb);
        create table leaf (id uuid primary key, limb_id uuid not null references limb);
        create table bug (id uuid primary key, leaf_id uuid references leaf, limb_id uuid references limb);`);
      const [root, twig, leaf, other] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
      await entities.query('insert into limb values ($1, null), ($2, $1), ($3, null)', [root, twig, other]);
      await entities.query('insert into leaf values ($1, $2), ($3, $4)', [leaf, root, randomUUID(), other]);
      await entities.query('insert into bug values ($1, $2, $3), ($4, null, $3), ($5, null, $6)', [
        randomUUID(),
        leaf,
        root,
        randomUUID(),
        randomUUID(),
        other,
      ]);
      await entities.query('update limb set of_limb = null where id = $1', [twig]);
      expect(await removeWhole(entities, 'limb', root)).toMatchObject({ limb: 1, leaf: 1, bug: 2 });
      const [{ leaves, bugs }] = await entities.query(
        'select (select count(*)::int from leaf) as leaves, (select count(*)::int from bug) as bugs',
      );
      expect({ leaves, bugs }).toEqual({ leaves: 1, bugs: 1 });
      throw new Error('taken back');
    });
    await expect(seen).rejects.toThrow('taken back');
  });
});
