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
      await captain.post('/outfit/settings', { medicalNoteDays: 300 });
      await h.owner.query('update outfit_version set version = version + 1');
      expect(await names(again)).not.toContain(spot?.name);
      expect((await again.get('/log/export')).body.text).not.toContain(spot?.name);
      expect(await names(captain)).toContain(spot?.name);
    } finally {
      await h.owner.query(`update spot set privacy = 'crew' where id = $1`, [spot?.id]);
    }
  });
  it('are refused for an axis that there is not', async () => {
    expect((await captain.get('/log/rates?by=luck')).body).toMatchObject({ code: 'invalid', fields: [{ field: 'by' }] });
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
