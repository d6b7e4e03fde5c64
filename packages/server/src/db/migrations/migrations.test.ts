import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { DataSource, QueryRunner } from 'typeorm';
import { testDatabase } from '../../testing/harness';
import { connect } from '../connect';
import { House1780000000001 } from './0001-house';
import { WaterAndGrounds1780000000002 } from './0002-water-and-grounds';
import { Plan1780000000003 } from './0003-plan';
import { Keepers1780000000004 } from './0004-keepers';
import { Safety1780000000005 } from './0005-safety';
import { Holds1780000000006 } from './0006-holds';
import { ReadingsParted1780000000007 } from './0007-readings-parted';

let owner: DataSource;
let run: QueryRunner;
const schema = `old_${randomUUID().slice(0, 8)}`;
beforeAll(async () => {
  owner = await connect(testDatabase().ownerUrl);
  run = owner.createQueryRunner();
  await run.startTransaction();
  await run.query(`create schema ${schema}`);
  await run.query(`set local search_path = ${schema}, public`);
});
afterAll(async () => {
  await run.rollbackTransaction();
  await run.release();
  await owner.destroy();
});

describe('migrations on a database with rows in it', () => {
  it('bring the first release up to date and keep every row', async () => {
    await new House1780000000001().up(run);
    const [outfit, water, spot, person] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
    await run.query(`insert into outfit values ($1, 'Old outfit', 'UTC')`, [outfit]);
    await run.query(`insert into person values ($1, $2, 'Old hand', $3, 'x', 'owner')`, [person, outfit, `old-${person}@crew.example`]);
    await run.query(`insert into water values ($1, $2, 'Old water', 'salt', 'sea', 47, -35, 47, -35, null)`, [water, outfit]);
    await run.query(
      `insert into spot values ($1, $2, $3, 'Old spot', 'rock', 'rock', 2, 4, 47.1, -35.2, null, array_fill(100, array[36]), null, 0.3, 'crew')`,
      [spot, outfit, water],
    );
    await run.query(
      `insert into reading (outfit_id, water_id, person_id, source, variable, at, value, flag) values ($1, $2, $3, 'crew', 'clarityM', now(), 2, 1)`,
      [outfit, water, person],
    );
    const [family, presentation, boat, trip, plan, client] = ['F9', randomUUID(), randomUUID(), randomUUID(), randomUUID(), randomUUID()];
    await run.query(`insert into family values ($1, $2, 'Soft lure', 0.5, 4, 6, 26, 2, 2, 2, '')`, [outfit, family]);
    await run.query(`insert into presentation values ($1, $2, $3, 'Shad', 'both')`, [presentation, outfit, family]);
    await run.query(`insert into boat values ($1, $2, 'Old boat', 'open', 3, 8, 0.5, 12, 1)`, [boat, outfit]);
    await run.query(`insert into client values ($1, $2, 'Old guest', 1, false, 'Left-handed, likes tea.', '')`, [client, outfit]);
    await run.query(`insert into trip values ($1, $2, $3, $4, $5, now(), now() + interval '5 hours', 'numbers', 2, 2, '', 'planned')`, [
      trip,
      outfit,
      boat,
      person,
      water,
    ]);
    await run.query(`insert into plan values ($1, $2, $3, 1, $4, now(), 5, 2, 8, 6, true, '{}', 'pooled-factors-1', 'old')`, [
      plan,
      outfit,
      trip,
      person,
    ]);
    await run.query(
      `insert into leg (outfit_id, plan_id, position, spot_id, presentation_id, arrive_at, start_at, depart_at, expected, lo80, hi80, pinned)
       values ($1, $2, 0, $3, $4, now(), now(), now() + interval '1 hour', 5, 2, 8, false)`,
      [outfit, plan, spot, presentation],
    );
    await new WaterAndGrounds1780000000002().up(run);
    const [s] = await run.query('select name, points, shape, heat_sd_c, retired_at from spot where id = $1', [spot]);
    expect(s).toEqual({ name: 'Old spot', points: [[-35.2, 47.1]], shape: 'point', heat_sd_c: 0.6, retired_at: null });
    expect(await run.query('select value, note, withdrawn_at from reading')).toEqual([{ value: 2, note: '', withdrawn_at: null }]);
    expect((await run.query('select currents from water'))[0].currents).toEqual([]);
    await new Plan1780000000003().up(run);
    expect(await run.query('select zone, look, light, rods, clarity_max_m from family')).toEqual([
      { zone: 'middle', look: 'natural', light: [], rods: 1, clarity_max_m: null },
    ]);
    expect(await run.query('select hand, note from client')).toEqual([{ hand: 'left', note: 'Left-handed, likes tea.' }]);
    expect(await run.query('select p.expected, p.triggers, p.basis, l.parts from plan p join leg l on l.plan_id = p.id')).toEqual([
      { expected: 5, triggers: [], basis: null, parts: [] },
    ]);
    expect(await run.query('select patience_min, breaks, aboard from trip')).toEqual([{ patience_min: null, breaks: [], aboard: null }]);
    await new Keepers1780000000004().up(run);
    expect(await run.query('select keeper_id, footing from spot')).toEqual([{ keeper_id: null, footing: 1 }]);
    expect(await run.query('select footing from trip')).toEqual([{ footing: 3 }]);
    expect(await run.query('select trips_a_day from presentation')).toEqual([{ trips_a_day: null }]);
    await run.query(`update spot set hazards = 'Old wreck off the point.'`);
    await new Safety1780000000005().up(run);
    expect(await run.query('select wind_limit_mps, gust_limit_mps from boat')).toEqual([{ wind_limit_mps: 12, gust_limit_mps: 15 }]);
    expect((await run.query('select hazards from spot'))[0].hazards).toEqual([
      {
        kind: 'other',
        windSectorDeg: null,
        windMps: null,
        waveM: null,
        tideBelowM: null,
        tideAboveM: null,
        binds: false,
        note: 'Old wreck off the point.',
      },
    ]);
    expect(await run.query('select swims from client')).toEqual([{ swims: null }]);
    expect(await run.query('select limit_share from trip')).toEqual([{ limit_share: 0.75 }]);
    // The leg arrives as the trip begins: no way out is counted, and none home.
    expect(await run.query('select run_min, not_known from plan')).toEqual([{ run_min: 0, not_known: [] }]);
    expect(await run.query('select * from fished_set')).toEqual([]);
    await run.query(`insert into person values ($1, $2, 'Old mate', $3, 'x', 'mate')`, [
      randomUUID(),
      outfit,
      `mate-${person}@crew.example`,
    ]);
    await new Holds1780000000006().up(run);
    // The owner of the tables is bound as well.
    await run.query("select set_config('app.outfit', $1, true)", [outfit]);
    // Nobody was named for trips before: the mates of then are aboard.
    expect((await run.query('select count(*)::int as n from trip_mate where trip_id = $1', [trip]))[0].n).toBe(1);
    await new ReadingsParted1780000000007().up(run);
    expect(await run.query('select value, note, withdrawn_at from reading')).toEqual([{ value: 2, note: '', withdrawn_at: null }]);
    const open: { name: string }[] = await run.query(
      `select relname as name from pg_class where relnamespace = $1::regnamespace and relrowsecurity and not relforcerowsecurity`,
      [schema],
    );
    expect(open).toEqual([]);
  });
  it('give every table of an outfit a policy', async () => {
    const open: { name: string }[] = await run.query(
      `select c.relname as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
       where n.nspname = $1 and c.relkind in ('r', 'p') and c.relname not in ('migrations', 'demo_clock', 'tries') and not c.relrowsecurity`,
      [schema],
    );
    expect(open).toEqual([]);
  });
});
