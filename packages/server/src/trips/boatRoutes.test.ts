// What a captain sets of a boat: its limits, and that its tank was filled; and the log's totals, blank stops told.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { layDay } from '@bluffwind/core/plan/layDay';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { inputsOf } from '../plan/desk';
import { runTimes, tideLevels } from '../plan/runTimes';
import { HANDLING_MIN } from '@bluffwind/core/plan/planInputs';
import { ALL_SEEN } from '../testing/allSeen';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { tripBody } from '../testing/tripBody';

let h: Harness;
let captain: Client;
let mate: Client;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  mate = await h.signIn(emailOf(h.mine, 'mate'));
});
afterAll(() => h.close());
const boat = () => h.mine.boats[0] as Harness['mine']['boats'][number];

describe('the limits of a boat', () => {
  it('are the captain’s to set; gusts that are left out have no limit of their own', async () => {
    const limits = { windLimitMps: 10, gustLimitMps: null, waveLimitM: 0.8 };
    expect((await mate.post(`/boats/${boat().id}/limits`, limits)).status).toBe(403);
    expect((await captain.post(`/boats/${boat().id}/limits`, limits)).status).toBe(200);
    const [row] = await h.owner.query('select wind_limit_mps, gust_limit_mps, wave_limit_m from boat where id = $1', [boat().id]);
    expect(row).toEqual({ wind_limit_mps: 10, gust_limit_mps: null, wave_limit_m: 0.8 });
  });
  it('are refused crossed or absurd, with what to do, and another outfit’s boat is not there', async () => {
    const crossed = await captain.post(`/boats/${boat().id}/limits`, { windLimitMps: 10, gustLimitMps: 8, waveLimitM: 1 });
    expect(crossed.status).toBe(400);
    expect(JSON.stringify(crossed.body)).toMatch(/gustLimitMps.*at least the wind's limit of 10/);
    expect((await captain.post(`/boats/${boat().id}/limits`, { windLimitMps: -1, gustLimitMps: null, waveLimitM: 1 })).status).toBe(400);
    expect(
      (await captain.post(`/boats/${h.other.boats[0]?.id}/limits`, { windLimitMps: 9, gustLimitMps: null, waveLimitM: 1 })).status,
    ).toBe(404);
  });
});

describe('what lies aboard a boat', () => {
  const aboard = {
    checks: ['Anchor shackle wired'],
    gear: [
      { what: 'Flares', endsOn: '2026-06-01' },
      { what: 'Raft', endsOn: '2030-06-01' },
    ],
  };

  it('is the captain’s to say, comes to the phone of the trip, and what ends stands on the Board of all', async () => {
    expect((await mate.post(`/boats/${boat().id}/aboard`, aboard)).status).toBe(403);
    expect((await captain.post(`/boats/${h.other.boats[0]?.id}/aboard`, aboard)).status).toBe(404);
    expect((await captain.post(`/boats/${boat().id}/aboard`, aboard)).status).toBe(200);
    const trip = h.mine.trips.find((t) => t.boatId === boat().id);
    expect((await mate.get(`/deck/${trip?.id}`)).body.aboard).toEqual(aboard);
    const said = (await mate.get('/board')).body.open.map((o: { text: string }) => o.text);
    expect(said.filter((t: string) => t.startsWith(`Aboard ${boat().name}: Flares, last day was `))).toHaveLength(1);
    expect(said.join(' ')).not.toContain('Raft');
  });
  it('stays as it was when the boat itself is changed, and is refused with a line twice', async () => {
    const { id, name, hull, seats, speedMps, draughtM, windLimitMps, waveLimitM, tankL, burnLph } = boat();
    const whole = { id, name, hull, seats, speedMps, draughtM, windLimitMps, gustLimitMps: null, waveLimitM, tankL, burnLph };
    expect(await captain.post('/boats', whole)).toMatchObject({ status: 200 });
    const [row] = await h.owner.query('select checks, gear from boat where id = $1', [id]);
    expect(row).toEqual(aboard);
    const twice = await captain.post(`/boats/${id}/aboard`, { ...aboard, checks: ['Pump', 'pump'] });
    expect(twice).toMatchObject({ status: 400, body: { fields: [{ field: 'checks' }] } });
  });
});

describe('the fuel of a boat’s day', () => {
  it('counts its other trips with their run home, until somebody fills the tank', async () => {
    const first = h.mine.trips.at(-1) as Harness['mine']['trips'][number];
    const lay = async (id: string) => {
      const desk = (await captain.get(`/trips/${id}/desk`)).body;
      const inputs = inputsOf(desk);
      const plan = layDay(inputs, rankTrip(inputs));
      const iso = (ms: number) => new Date(ms).toISOString();
      return {
        desk,
        inputs,
        kept: await captain.post(`/trips/${id}/plans`, {
          id: randomUUID(),
          replaces: 0,
          seen: ALL_SEEN,
          bans: [],
          legs: plan.legs.map((l) => ({ spotId: l.spotId, startAt: iso(l.startMs), departAt: iso(l.departMs), pinned: false })),
        }),
      };
    };
    expect((await lay(first.id)).kept.status).toBe(200);
    const [{ run_min: run }] = await h.owner.query('select run_min from plan where trip_id = $1', [first.id]);
    expect(run).toBeGreaterThan(2 * HANDLING_MIN);

    const starts = Date.parse(first.endsAt) + 30 * 60_000;
    const id = randomUUID();
    const made = await captain.post(
      '/trips',
      tripBody(h, starts, { id, boatId: boat().id, endsAt: new Date(starts + 2 * 3_600_000).toISOString() }),
    );
    expect(made.status, JSON.stringify(made.body)).toBe(200);
    // 80 l at 20 l/h with a third in reserve: 160 min of running.
    const left = async () => inputsOf((await captain.get(`/trips/${id}/desk`)).body).boat.runMin;
    expect(await left()).toBeCloseTo(160 - run, 6);
    h.clock.set(starts - 30_000);
    const filled = { id: randomUUID(), at: new Date(starts - 60_000).toISOString() };
    for (let i = 0; i < 2; i++) expect((await captain.post(`/boats/${boat().id}/refills`, filled)).status).toBe(200);
    expect(await left()).toBeCloseTo(160, 6);
    expect(await h.owner.query('select id from refill where boat_id = $1', [boat().id])).toHaveLength(1);
  });
});

describe('run times', () => {
  it('are the way at the boat’s speed and three minutes of handling', async () => {
    const columns = 61;
    const bed = {
      lat0: 47.58,
      lon0: -35.26,
      cellM: 50,
      columns,
      rows: 61,
      openBeyond: true,
      depthM: new Float64Array(columns * 61).fill(6),
    };
    const dock = { lat: 47.59, lon: -35.25 };
    // Due north a thousandth of a degree is 111.2 m: 1112 m at 8 m/s take 139 s.
    const { byTide } = await runTimes(
      randomUUID(),
      {
        chart: randomUUID(),
        bed,
        dock,
        spots: [{ lat: 47.6, lon: -35.25 }],
        boat: { draughtM: 0.5, speedMps: 8, waveLimitM: 1 },
        areas: { noGo: [], noWake: [] },
        passages: [],
      },
      [1],
    );
    expect(byTide[0]?.dockMin[0]).toBeGreaterThan(139 / 60 + HANDLING_MIN - 0.15);
    expect(byTide[0]?.dockMin[0]).toBeLessThan(139 / 60 + HANDLING_MIN + 0.15);
    expect(HANDLING_MIN).toBe(3);
    expect(tideLevels(0.2, 1.4)).toEqual([0, 0.5, 1]);
    expect(tideLevels(-0.1, 0.5)).toEqual([-0.5, 0, 0.5]);
  });
});

describe('the log', () => {
  it('adds up entries, fish, rod-hours and blanks as the rows have them', async () => {
    const sets = h.mine.trips.flatMap((t) => t.stops.flatMap((s) => s.sets));
    const { total } = (await captain.get('/log?limit=500')).body;
    // Two rods for an hour each.
    expect(total).toMatchObject({
      sets: sets.length,
      fish: sets.flatMap((s) => s.catches).length,
      blankSets: sets.filter((s) => s.catches.length === 0).length,
      rodHours: 2 * sets.length,
    });
    expect(total.blankSets).toBeGreaterThan(0);
  });
});

describe('a guide on foot', () => {
  const onFoot = (more: object = {}) => ({
    id: randomUUID(),
    name: `On foot ${randomUUID()}`,
    craft: 'foot',
    castM: 300,
    accessNote: 'Gate code of the mill',
    hull: '',
    seats: 2,
    speedMps: 1.1,
    draughtM: 0,
    windLimitMps: 14,
    gustLimitMps: null,
    waveLimitM: null,
    tankL: 0,
    burnLph: 0,
    ...more,
  });

  it('has a pace and a cast, and neither draught nor tank', async () => {
    for (const [field, wrong] of [
      ['castM', { castM: null }],
      ['speedMps', { speedMps: 9 }],
      ['craft', { tankL: 40 }],
      ['draughtM', { craft: 'boat', tankL: 40, burnLph: 5 }],
    ] as const)
      expect(await captain.post('/boats', onFoot(wrong))).toMatchObject({ status: 400, body: { fields: [{ field }] } });
    expect((await captain.post('/boats', onFoot())).status).toBe(200);
    await expect(h.owner.query(`update boat set tank_l = 0 where outfit_id = $1 and craft = 'boat'`, [h.mine.outfit.id])).rejects.toThrow(
      /check/,
    );
  });

  it('has his day laid by walking minutes, with nothing of keels and seas in it', async () => {
    const boat = onFoot();
    expect((await captain.post('/boats', boat)).status).toBe(200);
    // One of the spots is stood on; the others lie out in the water.
    await h.owner.query(`update spot set structure = 'pier' where id = $1`, [h.mine.spots[0]?.id]);
    const trip = tripBody(h, Date.parse(h.mine.trips.at(-1)?.startsAt ?? '') + 24 * 3_600_000, { boatId: boat.id });
    const made = await captain.post('/trips', trip);
    expect(made.status, JSON.stringify(made.body)).toBe(200);
    const desk = (await captain.get(`/trips/${trip.id}/desk`)).body;
    expect(desk.boat).toMatchObject({ afloat: false, runMin: null });
    expect(desk.sea).toMatchObject({ places: [] });
    const inputs = inputsOf(desk);
    const ranking = rankTrip(inputs);
    const reached = desk.dockTravelMin.filter((m: number | null) => m !== null);
    expect(reached.length).toBeGreaterThan(0);
    const plan = layDay(inputs, ranking);
    expect(plan.legs.length).toBeGreaterThan(0);
    for (const call of ranking.calls)
      expect(call.risk.some((r) => r.quantity === 'keel' || r.quantity === 'windAgainstCurrent')).toBe(false);
    const shut = ranking.shut.filter((x) => x.why === 'farther from the bank than a cast');
    expect(shut.length).toBe(desk.dockTravelMin.filter((m: number | null) => m === null).length);
    expect(shut.length).toBeGreaterThan(0);
  });
});
