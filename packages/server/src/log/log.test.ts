// The log's figures from its rows, and its file, which comes in again.
import { randomUUID } from 'node:crypto';
import { guessPastMapping, readPastTrips } from '@bluffwind/core/formats/pastTrips';
import { readTable } from '@bluffwind/core/formats/table';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';

let h: Harness;
let captain: Client;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
});
afterAll(() => h.close());

describe('rates of the log', () => {
  it('hold every fish and rod-hour of it, by any axis and under any filter', async () => {
    const { total } = (await captain.get('/log?limit=1')).body;
    for (const by of ['tide', 'wind', 'month', 'bait', 'spot', 'hour', 'light']) {
      const { groups, unknown } = (await captain.get(`/log/rates?by=${by}`)).body;
      const sum = (pick: (g: { fish: number; rodHours: number; sets: number }) => number) =>
        groups.reduce((n: number, g: { fish: number; rodHours: number; sets: number }) => n + pick(g), 0);
      expect(sum((g) => g.rodHours) + unknown.rodHours, by).toBeCloseTo(total.rodHours, 6);
      expect(sum((g) => g.sets) + unknown.sets, by).toBe(total.sets);
    }
    const bait = h.mine.presentations[0];
    const own = (await captain.get(`/log/rates?by=bait&presentationId=${bait?.id}`)).body.groups;
    expect(own.map((g: { name: string }) => g.name)).toEqual([bait?.name]);
  });
  it('tell a mate nothing of a captain’s spot', async () => {
    const [spot] = h.mine.spots;
    const names = async (who: Client) => (await who.get('/log/rates?by=spot')).body.groups.map((g: { name: string }) => g.name);
    const mate = await h.signIn(emailOf(h.mine, 'mate'));
    expect(await names(mate)).toContain(spot?.name);
    await h.owner.query(`update spot set privacy = 'captain' where id = $1`, [spot?.id]);
    try {
      const again = await h.signIn(emailOf(h.mine, 'mate'));
      await captain.post('/outfit/settings', { medicalNoteDays: 300, newSpots: 'crew' });
      await h.owner.query('update outfit_version set version = version + 1');
      expect(await names(again)).not.toContain(spot?.name);
      expect((await again.get('/log/export')).body.text).not.toContain(spot?.name);
      expect(await names(captain)).toContain(spot?.name);
    } finally {
      await h.owner.query(`update spot set privacy = 'crew' where id = $1`, [spot?.id]);
    }
  });
  it('tell how fat weighed fish were for their length, and nothing of those that were only measured', async () => {
    const condition = async (query = 'by=tide') => {
      const { status, body } = await captain.get(`/log/rates?${query}`);
      expect([status, body.detail]).toEqual([200, undefined]);
      return body.condition;
    };
    expect(await condition()).toEqual({ months: [], left: 0 });
    const ids: { id: string; species_id: string }[] = await h.owner.query(
      `update "catch" set more = jsonb_build_object('weightG', 1000), length_mm = 450, length_kind = 'total' where id in (
         select k.id from "catch" k join fished_set s on s.id = k.set_id where k.outfit_id = $1 and k.outcome = 'landed' and k.deleted_at is null
         and k.species_id = $2 limit 6) returning id, species_id`,
      [h.mine.outfit.id, h.mine.species[0]?.id],
    );
    await captain.post('/log/fix', { setIds: [h.mine.trips[0]?.stops[0]?.sets[0]?.id], presentationId: h.mine.presentations[0]?.id });
    await h.owner.query(`update outfit_version set topics = '{}'`);
    const found = await condition('by=wind');
    const [rows] = ids as unknown as [{ id: string }[], number];
    const weighed = Array.isArray(rows) ? rows.length : ids.length;
    expect(weighed).toBeGreaterThan(0);
    expect(found.left + found.months.reduce((n: number, m: { fish: number }) => n + m.fish, 0)).toBe(weighed);
    expect(await condition(`by=hour&speciesId=${randomUUID()}`)).toEqual({ months: [], left: 0 });
  });
  it('are refused for an axis that there is not', async () => {
    expect((await captain.get('/log/rates?by=luck')).body).toMatchObject({ code: 'invalid', fields: [{ field: 'by' }] });
  });
});

describe('the log as a list', () => {
  type Row = { setId: string; at: string; fish: number; spot: string; rodHours: number; presentation: string };
  const all = async (query: string): Promise<Row[]> => {
    const rows: Row[] = [];
    for (;;) {
      const part = (await captain.get(`/log/rows?${query}&limit=7&offset=${rows.length}`)).body.rows as Row[];
      rows.push(...part);
      if (part.length < 7) return rows;
    }
  };
  it('is parted by boat, tide, wind and what it gave, and every entry is in one part', async () => {
    const { total } = (await captain.get('/log?limit=1')).body;
    const sets = async (query: string) => (await captain.get(`/log?limit=1&${query}`)).body.total.sets as number;
    const sum = async (...queries: string[]) => (await Promise.all(queries.map(sets))).reduce((a, b) => a + b, 0);
    expect(await sum('gave=fish', 'gave=nothing')).toBe(total.sets);
    expect(await sets('gave=nothing')).toBe(total.blankSets);
    expect((await all('gave=nothing')).every((r) => r.fish === 0)).toBe(true);
    const boats = (await captain.get('/outfit')).body.boats as { id: string }[];
    expect(await sum(...boats.map((b) => `boatId=${b.id}`))).toBe(total.sets);
    const [known] = await h.owner.query(
      `select count(*) filter (where s.conditions->>'tideStage' is not null)::int as tide, count(*) filter (where s.conditions->>'windMps' is not null)::int as wind
       from fished_set s join spot sp on sp.id = s.spot_id where sp.outfit_id = $1`,
      [h.mine.outfit.id],
    );
    expect(await sum('tide=in', 'tide=out')).toBe(known.tide);
    expect(await sum('wind=light', 'wind=breeze', 'wind=strong')).toBe(known.wind);
    // The species counts with what it gave: the fish of another are none of it.
    const [species] = h.mine.species;
    expect(await sum(`speciesId=${species?.id}&gave=fish`, `speciesId=${species?.id}&gave=nothing`)).toBe(total.sets);
    expect((await captain.get('/log?tide=slack')).body).toMatchObject({ code: 'invalid', fields: [{ field: 'tide' }] });
  });
  it('comes in parts that hold every entry once, in any order, up and down', async () => {
    const { total } = (await captain.get('/log?limit=1')).body;
    for (const order of ['when', 'boat', 'spot', 'bait', 'rods', 'rodHours', 'fish', 'lost', 'largest', 'tide', 'wind', 'water'])
      for (const dir of ['up', 'down']) {
        const rows = await all(`order=${order}&dir=${dir}`);
        expect(new Set(rows.map((r) => r.setId)).size, `${order} ${dir}`).toBe(total.sets);
        expect(rows).toHaveLength(total.sets);
      }
    const fish = (await all('order=fish&dir=down')).map((r) => r.fish);
    expect(fish).toEqual([...fish].sort((a, b) => b - a));
    const times = (await all('order=when&dir=up')).map((r) => r.at);
    expect(times).toEqual([...times].sort());
  });
  it('refuses an order that there is not, and one that would be a question of its own', async () => {
    for (const order of ['luck', 'at; drop table stop', 'fish desc'])
      expect((await captain.get(`/log/rows?order=${encodeURIComponent(order)}`)).status).toBe(400);
  });
  it('is put right by the bait of several entries at once, kept in the record, and taken back', async () => {
    const [a, b] = (await captain.get('/log?limit=2')).body.rows as Row[];
    const other = h.mine.presentations.find((p) => p.name !== a?.presentation && p.name !== b?.presentation);
    const ids = [a?.setId, b?.setId];
    const fixed = await captain.post('/log/fix', { setIds: ids, presentationId: other?.id });
    expect(fixed.body.fixed).toBe(2);
    const baits = async () => ((await captain.get('/log?limit=2')).body.rows as Row[]).map((r) => r.presentation);
    expect(await baits()).toEqual([other?.name, other?.name]);
    for (const one of fixed.body.before) expect((await captain.post('/log/fix', one)).status).toBe(200);
    expect(await baits()).toEqual([a?.presentation, b?.presentation]);
    const [row] = await h.owner.query(`select count(*)::int as n from audit where action = 'put log right' and outfit_id = $1`, [
      h.mine.outfit.id,
    ]);
    expect(row.n).toBeGreaterThanOrEqual(2);
    const mate = await h.signIn(emailOf(h.mine, 'mate'));
    expect((await mate.post('/log/fix', { setIds: ids, presentationId: other?.id })).status).toBe(403);
    const foreign = await h.signIn(emailOf(h.other, 'owner'));
    expect((await foreign.post('/log/fix', { setIds: ids, presentationId: h.other.presentations[0]?.id })).status).toBe(404);
  });
});

describe('the log as a file', () => {
  it('has every fish and empty time of it, and is read without a refusal', async () => {
    const { total } = (await captain.get('/log?limit=1')).body;
    const { text, lines, name } = (await captain.get('/log/export')).body;
    expect(name).toMatch(/^log-2026-\d\d-\d\d\.csv$/);
    const table = readTable(text);
    const { rows, refused } = readPastTrips(table, guessPastMapping(table, h.mine.outfit.zone));
    expect(refused).toEqual([]);
    expect(rows).toHaveLength(lines);
    expect(rows.reduce((n, r) => n + r.fish, 0)).toBe(total.fish);
    expect(new Set(rows.map((r) => `${r.spot} ${r.bait} ${r.fromMs} ${r.toMs}`)).size).toBeLessThanOrEqual(total.sets);
  });
  it('leaves captains’ spots out of the waypoints, which go to plotters, and has them in the other files for a captain', async () => {
    const [spot] = h.mine.spots;
    const file = async (as: string) => (await captain.get(`/log/export?as=${as}&from=1999-01-0${as.length}`)).body;
    for (const as of ['csv', 'geojson', 'json', 'gpx']) expect((await file(as)).text).toContain(spot?.name);
    expect(JSON.parse((await file('geojson')).text).features).toHaveLength((await file('csv')).lines);
    await h.owner.query(`update spot set privacy = 'captain' where id = $1`, [spot?.id]);
    try {
      await h.changed();
      for (const as of ['csv', 'geojson', 'json']) expect((await file(as)).text).toContain(spot?.name);
      expect((await file('gpx')).text).not.toContain(spot?.name);
      expect((await captain.get('/log/export?as=pdf')).body).toMatchObject({ fields: [{ field: 'as' }] });
    } finally {
      await h.owner.query(`update spot set privacy = 'crew' where id = $1`, [spot?.id]);
    }
  });
  it('makes no formula of a name that somebody gave', async () => {
    const [spot] = h.mine.spots;
    await h.owner.query(`update spot set name = '=HYPERLINK("x")' where id = $1`, [spot?.id]);
    const { text } = (await captain.get(`/log/export?from=2000-01-01&waterId=${h.mine.waters[0]?.id}`)).body;
    expect(text).toContain(`"'=HYPERLINK`);
    expect(text).not.toMatch(/(^|,)"?=HYPERLINK/m);
    await h.owner.query('update spot set name = $2 where id = $1', [spot?.id, spot?.name ?? randomUUID()]);
  });
});
