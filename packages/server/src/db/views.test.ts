// Views answer as the tables do: by outfit, by who asks, and not to be written to.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Harness, startHarness } from '../testing/harness';
import { inOutfit } from './database';
import { DownForEntity, FishedEntity, PlanNowEntity } from './entities/views';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const mine = <T>(work: Parameters<typeof inOutfit<T>>[2], who?: { personId: string; role: string }) =>
  inOutfit(h.source, h.mine.outfit.id, work, who);
const sets = () => h.mine.trips.flatMap((t) => t.stops.flatMap((s) => s.sets));

describe('a fished set', () => {
  it('counts bites, hooked and landed fish of the log as it stands', async () => {
    const set = sets().find((s) => s.catches.length > 1);
    const fished = () => mine((e) => e.findOneByOrFail(FishedEntity, { id: set?.id as string }));
    const before = await fished();
    expect([before.bites, before.hooked, before.fish]).toEqual([set?.catches.length, set?.catches.length, set?.catches.length]);
    const [first, second] = await h.owner.query('select id from "catch" where set_id = $1 order by id', [set?.id]);
    const say = (outcome: string, id: string) =>
      h.owner.query('update "catch" set outcome = $1, kept = false where id = $2', [outcome, id]);
    await say('missed', first.id);
    await say('lost', second.id);
    const more = (set?.catches.length ?? 0) - 2;
    expect(await fished()).toMatchObject({ bites: more + 2, hooked: more + 1, fish: more });
    await h.owner.query('update "catch" set deleted_at = now() where id = $1', [second.id]);
    expect(await fished()).toMatchObject({ bites: more + 1, hooked: more, fish: more });
  });

  it('is nothing to another outfit, and nothing to another captain where one keeps the spot', async () => {
    const others = await inOutfit(h.source, h.other.outfit.id, (e) => e.find(FishedEntity));
    expect(others.length).toBeGreaterThan(0);
    expect(others.filter((f) => f.outfitId !== h.other.outfit.id)).toEqual([]);
    const spotId = h.mine.spots[0]?.id as string;
    const captain = { personId: h.mine.people.find((p) => p.role === 'captain')?.id as string, role: 'captain' };
    const seen = () => mine((e) => e.countBy(FishedEntity, { spotId }), captain);
    expect(await seen()).toBeGreaterThan(0);
    const owner = h.mine.people.find((p) => p.role === 'owner')?.id;
    await h.owner.query(`update spot set privacy = 'captain', keeper_id = $1 where id = $2`, [owner, spotId]);
    expect(await seen()).toBe(0);
    await h.owner.query(`update spot set privacy = 'crew', keeper_id = null where id = $1`, [spotId]);
  });

  it('is not written to by the application', async () => {
    await expect(mine((e) => e.update(PlanNowEntity, { version: 1 }, { version: 9 }))).rejects.toThrow(/permission denied/);
    await expect(mine((e) => e.delete(DownForEntity, { status: 'planned' }))).rejects.toThrow();
  });
});

describe('who is down for a trip', () => {
  it('is its captain and its mates, each once', async () => {
    const trip = h.mine.trips.at(-1) as { id: string };
    const down = async () => (await mine((e) => e.findBy(DownForEntity, { tripId: trip.id }))).map((d) => d.personId).sort();
    const [{ captain_id }] = await h.owner.query('select captain_id from trip where id = $1', [trip.id]);
    const mate = h.mine.people.find((p) => p.role === 'mate')?.id as string;
    await h.owner.query('delete from trip_mate where trip_id = $1', [trip.id]);
    expect(await down()).toEqual([captain_id]);
    for (const person of [mate, captain_id])
      await h.owner.query('insert into trip_mate (trip_id, person_id, outfit_id) values ($1, $2, $3)', [trip.id, person, h.mine.outfit.id]);
    expect(await down()).toEqual([captain_id, mate].sort());
  });
});

describe('the newest plan of a trip', () => {
  it('is the one of the highest version', async () => {
    const trip = h.mine.trips.at(-1) as { id: string };
    const keep = (version: number, expected: number) =>
      h.owner.query(
        `insert into plan (id, outfit_id, trip_id, version, made_by, made_at, expected, lo80, hi80, bound, proved, model_version, evidence_version)
         values ($1, $2, $3, $4, $5, now(), $6, 0, 9, 9, true, 'm', 'e')`,
        [randomUUID(), h.mine.outfit.id, trip.id, version, h.mine.people[0]?.id, expected],
      );
    await keep(11, 1.5);
    await keep(12, 2.5);
    await keep(10, 3.5);
    expect(await mine((e) => e.findBy(PlanNowEntity, { tripId: trip.id }))).toMatchObject([{ version: 12, expected: 2.5 }]);
  });
});
