// What the owner decides, and work that was laid aside.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';

let h: Harness;
let owner: Client;
let captain: Client;
beforeAll(async () => {
  h = await startHarness();
  [owner, captain] = [await h.signIn(emailOf(h.mine, 'owner')), await h.signIn(emailOf(h.mine, 'captain'))];
});
afterAll(() => h.close());

describe('settings of an outfit', () => {
  it('are changed by the owner within their limits, with a record of it', async () => {
    expect((await owner.get('/outfit/settings')).body).toEqual({ medicalNoteDays: 400, newSpots: 'crew' });
    expect((await owner.post('/outfit/settings', { medicalNoteDays: 30, newSpots: 'crew' })).body).toEqual({
      medicalNoteDays: 30,
      newSpots: 'crew',
    });
    const refused = await owner.post('/outfit/settings', { medicalNoteDays: 0, newSpots: 'crew' });
    expect([refused.status, refused.body.fields[0].field]).toEqual([400, 'medicalNoteDays']);
    expect((await owner.get('/outfit/settings')).body).toEqual({ medicalNoteDays: 30, newSpots: 'crew' });
    const [row] = await h.owner.query(`select detail from audit where action = 'change settings' and outfit_id = $1`, [h.mine.outfit.id]);
    expect(row.detail).toEqual({ before: { medicalNoteDays: 400, newSpots: 'crew' }, medicalNoteDays: 30, newSpots: 'crew' });
  });
  it('are not for captains', async () => {
    expect((await captain.get('/outfit/settings')).status).toBe(403);
    expect((await captain.post('/outfit/settings', { medicalNoteDays: 1, newSpots: 'crew' })).status).toBe(403);
    // Whoever sets a spot is told to whom it is known at first; to say it otherwise for all is the owner's.
    expect((await captain.get('/outfit')).body.newSpots).toBe('crew');
    expect((await owner.post('/outfit/settings', { medicalNoteDays: 30, newSpots: 'captain' })).status).toBe(200);
    await h.changed();
    expect((await captain.get('/outfit')).body.newSpots).toBe('captain');
    expect((await owner.post('/outfit/settings', { medicalNoteDays: 30, newSpots: 'nobody' })).body.fields[0].field).toBe('newSpots');
    expect((await captain.get('/laid-aside')).status).toBe(403);
  });
});

describe('work that was laid aside', () => {
  const failed = async (outfitId: string): Promise<string> => {
    const id = randomUUID();
    await h.owner.query(
      `insert into pgboss.job (id, name, data, state, completed_on, output) values ($1, 'see-stops', $2, 'failed', now(), '{"message": "no tide"}')`,
      [id, JSON.stringify({ outfitId })],
    );
    return id;
  };
  it('is listed with its reason, tried again once, and then no longer listed', async () => {
    const id = await failed(h.mine.outfit.id);
    expect((await owner.get('/laid-aside')).body).toMatchObject([{ id, what: 'Conditions of stops that were fished', reason: 'no tide' }]);
    expect((await owner.post('/laid-aside/try', { id })).status).toBe(200);
    expect((await owner.get('/laid-aside')).body).toEqual([]);
    expect((await owner.post('/laid-aside/try', { id })).status).toBe(404);
    const [{ n }] = await h.owner.query(
      `select count(*)::int as n from pgboss.job where name = 'see-stops' and state = 'created' and data->>'outfitId' = $1`,
      [h.mine.outfit.id],
    );
    expect(n).toBeGreaterThanOrEqual(1);
    await h.jobsDone();
  });
  it('of another outfit is neither seen nor tried', async () => {
    const id = await failed(h.other.outfit.id);
    expect((await owner.get('/laid-aside')).body).toEqual([]);
    expect((await owner.post('/laid-aside/try', { id })).status).toBe(404);
  });
});

describe('the name and the clock of an outfit', () => {
  it('are the owner’s to change; what was worked out by the old days holds no more, and no trip moves in time', async () => {
    const [owner, captain] = [await h.signIn(emailOf(h.mine, 'owner')), await h.signIn(emailOf(h.mine, 'captain'))];
    expect((await captain.post('/outfit/name', { name: 'Mine', zone: 'UTC' })).status).toBe(403);
    for (const [field, wrong] of [
      ['zone', { name: 'Mine', zone: 'Nowhere/Town' }],
      ['name', { name: ' ', zone: 'UTC' }],
    ] as const)
      expect((await owner.post('/outfit/name', wrong)).body.fields[0].field).toBe(field);
    const starts = async () =>
      (await h.owner.query('select starts_at from trip where outfit_id = $1 order by id', [h.mine.outfit.id])).map(String);
    const before = await starts();
    const told = async () => (await h.owner.query('select topics from outfit_version where outfit_id = $1', [h.mine.outfit.id]))[0].topics;
    await h.changed();
    const old = await told();
    expect((await owner.post('/outfit/name', { name: 'Kettle and sons', zone: 'Pacific/Auckland' })).status).toBe(200);
    expect((await captain.get('/me')).body.outfit).toEqual({ name: 'Kettle and sons', zone: 'Pacific/Auckland' });
    const now = await told();
    expect(Object.keys(now).filter((t) => now[t] === old[t])).toEqual([]);
    expect(await starts()).toEqual(before);
    const [row] = await h.owner.query(`select detail from audit where action = 'change name or zone' and outfit_id = $1`, [
      h.mine.outfit.id,
    ]);
    expect(row.detail).toMatchObject({ name: 'Kettle and sons', zone: 'Pacific/Auckland', before: { name: h.mine.outfit.name } });
  });
});
