// A campaign of feeds: planned, done, told on the wall, and a factor of the ranking when it is regular.
import { randomUUID } from 'node:crypto';
import { DAY } from '@bluffwind/core/units/time';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';

let h: Harness;
let captain: Client;
let spot: string;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  spot = h.mine.spots[0]?.id as string;
});
afterAll(() => h.close());

const feed = (daysAgo: number, done = true, more: object = {}) => ({
  id: randomUUID(),
  at: new Date(TEST_NOW - daysAgo * DAY).toISOString(),
  what: 'boilies',
  kg: 2,
  cost: 9,
  done,
  ...more,
});
const view = async () => (await captain.get(`/spots/${spot}/feeds`)).body;

describe('feeds of a spot', () => {
  it('stand as they were, with their weight and cost, and say when they are regular', async () => {
    expect((await view()).stands).toBe('not of late');
    await captain.post(`/spots/${spot}/feeds`, { feeds: [feed(1)] });
    expect(await view()).toMatchObject({ stands: 'now and then', kg: 2, cost: 9 });
    const more = { feeds: [feed(4), feed(8)] };
    expect((await captain.post(`/spots/${spot}/feeds`, more)).status).toBe(200);
    // The answer was lost and the same is sent again.
    expect((await captain.post(`/spots/${spot}/feeds`, more)).status).toBe(200);
    expect(await view()).toMatchObject({ stands: 'regularly', kg: 6, cost: 27 });
  });
  it('reach the desk of a trip on that water', async () => {
    const desk = (await captain.get(`/trips/${h.mine.trips.at(-1)?.id}/desk`)).body;
    expect(desk.feeds.filter((f: { spot: string }) => f.spot === spot)).toHaveLength(3);
  });
  it('that are planned count for nothing until they are done, and stand on the wall when they are due', async () => {
    const later = feed(-0.5, false);
    await captain.post(`/spots/${spot}/feeds`, { feeds: [later, feed(-5, false)] });
    const open = async () => ((await captain.get('/board')).body.open as { text: string }[]).filter((o) => o.text.startsWith('Feed '));
    expect(await open()).toHaveLength(1);
    expect((await open())[0]?.text).toMatch(/^Feed .+: 2\.0 kg boilies, planned for/);
    expect((await view()).kg).toBe(6);
    const { id, ...rest } = later;
    expect((await captain.post(`/feeds/${id}`, { ...rest, at: new Date(TEST_NOW).toISOString(), done: true })).status).toBe(200);
    expect(await open()).toHaveLength(0);
    expect((await view()).kg).toBe(8);
    await captain.post(`/feeds/${id}/remove`);
    expect((await view()).kg).toBe(6);
  });
  it('are refused without weight, done tomorrow, or at a spot that is not there', async () => {
    expect((await captain.post(`/spots/${spot}/feeds`, { feeds: [feed(1, true, { kg: 0 })] })).body.fields[0].field).toBe('feeds.0.kg');
    expect((await captain.post(`/spots/${spot}/feeds`, { feeds: [feed(-1)] })).body.fields[0].field).toBe('feeds.0.at');
    expect((await captain.post(`/spots/${randomUUID()}/feeds`, { feeds: [feed(1)] })).status).toBe(404);
    const other = await h.signIn(emailOf(h.other, 'owner'));
    expect((await other.get(`/spots/${spot}/feeds`)).status).toBe(404);
    const [row] = await h.owner.query('select id from feeding where spot_id = $1 limit 1', [spot]);
    expect((await other.post(`/feeds/${row.id}/remove`)).status).toBe(404);
  });
  it('of a spot that another keeps are no feeds to anybody else', async () => {
    const [row] = await h.owner.query('select id from feeding where spot_id = $1 and removed_at is null limit 1', [spot]);
    await h.owner.query(`update spot set privacy = 'captain', keeper_id = $2 where id = $1`, [spot, h.mine.people[1]?.id]);
    try {
      const email = `rival-${randomUUID()}@crew.example`;
      await h.owner.query(
        `insert into person (id, outfit_id, name, email, password_hash, role, active)
         select gen_random_uuid(), outfit_id, 'rival', $2, password_hash, 'captain', true from person where id = $1`,
        [h.mine.people[0]?.id, email],
      );
      for (const other of [await h.signIn(email), await h.signIn(emailOf(h.mine, 'mate'))]) {
        expect((await other.get(`/spots/${spot}/feeds`)).status).toBe(404);
        expect((await other.post(`/feeds/${row.id}/remove`)).status).toBe(404);
        expect((await other.get('/board')).body.open.some((o: { text: string }) => o.text.startsWith('Feed '))).toBe(false);
      }
    } finally {
      await h.owner.query(`update spot set privacy = 'crew', keeper_id = null where id = $1`, [spot]);
    }
  });
});
