// Trips of past years and forecasts that come in files.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';

let h: Harness;
let captain: Client;
let waterId: string;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  waterId = h.mine.waters[0]?.id as string;
});
afterAll(() => h.close());
const HOUR = 3_600_000;
const DAY = 24 * HOUR;

function file(days: readonly number[], more: object = {}) {
  const [spot, bait, fish] = [h.mine.spots[0]?.id, h.mine.presentations[0]?.id, h.mine.species[0]?.id];
  return {
    id: randomUUID(),
    fileName: 'past.xlsx',
    refused: 2,
    boatId: h.mine.boats[0]?.id,
    captainId: h.mine.people[1]?.id,
    trips: days.map((d) => {
      const fromMs = TEST_NOW - d * DAY;
      return {
        stops: [
          {
            spotId: spot,
            fromMs,
            toMs: fromMs + 2 * HOUR,
            sets: [
              {
                presentationId: bait,
                rods: 2,
                fish: [
                  { speciesId: fish, lengthMm: 420 },
                  { speciesId: fish, lengthMm: null },
                ],
              },
            ],
          },
          { spotId: spot, fromMs: fromMs + 3 * HOUR, toMs: fromMs + 4 * HOUR, sets: [{ presentationId: bait, rods: 2, fish: [] }] },
        ],
      };
    }),
    ...more,
  };
}
const store = (body: object) => captain.post(`/waters/${waterId}/imports/trips`, body);
const logged = async () => (await captain.get(`/log?waterId=${waterId}`)).body.total;

describe('past trips', () => {
  it('have each fish at its own hour where that is told and lies within its stop', async () => {
    const body = file([700]);
    const stop = body.trips[0]?.stops[0] as { fromMs: number; sets: { fish: { atMs?: number | null }[] }[] };
    const [first, second] = stop.sets.flatMap((x) => x.fish) as [{ atMs?: number | null }, { atMs?: number | null }];
    first.atMs = stop.fromMs + 10 * 60_000;
    second.atMs = stop.fromMs - 60_000;
    expect((await store(body)).status).toBe(200);
    const kept = await h.owner.query(
      'select k.at from "catch" k join "set" x on x.id = k.set_id join stop s on s.id = x.stop_id join trip t on t.id = s.trip_id where t.import_id = $1 order by k.at',
      [body.id],
    );
    // The other is spread over its two hours.
    expect(kept.map((k: { at: Date }) => (k.at.getTime() - stop.fromMs) / 60_000)).toEqual([10, 90]);
    await captain.post(`/imports/${body.id}/undo`);
  });
  it('are in the log as if they had been logged on deck, with their effort, and are undone whole', async () => {
    const before = await logged();
    const body = file([900, 901, 902]);
    expect((await store(body)).body).toMatchObject({ kind: 'trips', stored: 3, known: 0, refused: 2 });
    const after = await logged();
    expect(after.fish - before.fish).toBe(6);
    expect(after.rodHours - before.rodHours).toBeCloseTo(3 * (2 + 1) * 2, 6);
    expect(after.blankSets - before.blankSets).toBe(3);
    await h.jobsDone();
    const [seen] = await h.owner.query(
      'select count(*)::int as n from stop s join trip t on t.id = s.trip_id where t.import_id = $1 and s.conditions is not null',
      [body.id],
    );
    expect(seen.n).toBe(6);
    // Sent again it is the same import.
    expect((await store(body)).body.stored).toBe(3);
    expect((await logged()).fish).toBe(after.fish);
    await captain.post(`/imports/${body.id}/undo`);
    expect(await logged()).toEqual(before);
    // And can be brought in again.
    expect((await store(file([900, 901, 902]))).body.stored).toBe(3);
  });

  it('pass over days on which the boat or its captain was out already', async () => {
    await store(file([950]));
    expect((await store(file([950, 951]))).body).toMatchObject({ stored: 1, known: 1 });
  });

  it('are refused whole where a time cannot be, a day is to come or a name is of another outfit', async () => {
    const before = await logged();
    const swapped = file([960]);
    const [first] = swapped.trips;
    if (first?.stops[1]) first.stops[1].fromMs = (first.stops[0]?.fromMs ?? 0) + HOUR;
    expect((await store(swapped)).body.fields[0].field).toBe('trips.0.stops.1');
    expect((await store(file([-3]))).body.detail).toMatch(/not over yet/);
    const foreign = file([961]);
    if (foreign.trips[0]?.stops[0]) foreign.trips[0].stops[0].spotId = h.other.spots[0]?.id;
    expect(await store(foreign)).toMatchObject({ status: 404 });
    expect(await logged()).toEqual(before);
  });
});

describe('a forecast out of a file', () => {
  const hours = Array.from({ length: 24 }, (_, k) => TEST_NOW + (k - 2) * HOUR);
  const forecast = (more: object = {}) => ({
    id: randomUUID(),
    fileName: 'hours.json',
    refused: 0,
    source: 'forecast',
    atMs: [...hours, ...hours],
    variable: [...hours.map(() => 'windMps'), ...hours.map(() => 'windFromDeg')],
    value: [...hours.map(() => 7), ...hours.map(() => 230)],
    member: [...hours, ...hours].map(() => 0),
    ...more,
  });
  const state = async () =>
    (
      await captain.get(
        `/waters/${waterId}/state?from=${new Date(TEST_NOW - HOUR).toISOString()}&to=${new Date(TEST_NOW + 12 * HOUR).toISOString()}`,
      )
    ).body;

  it('feeds the hours ahead, is no station that is asked, and goes when it is undone', async () => {
    const before = await state();
    const body = forecast();
    expect((await captain.post(`/waters/${waterId}/imports/readings`, body)).body.stored).toBe(48);
    const now = await state();
    expect(now.forecastRunAt.slice(0, 16)).toBe(new Date(TEST_NOW).toISOString().slice(0, 16));
    expect(now.record.wind.east.value.length).toBeGreaterThan(10);
    expect(now.stations.map((s: { name: string }) => s.name)).toEqual(before.stations.map((s: { name: string }) => s.name));
    await captain.post(`/imports/${body.id}/undo`);
    expect((await state()).forecastRunAt).toBe(before.forecastRunAt);
  });

  it('is refused where it is over, or reaches further than forecasts do', async () => {
    const old = forecast({ atMs: forecast().atMs.map((t) => t - 10 * DAY) });
    expect((await captain.post(`/waters/${waterId}/imports/readings`, old)).body.detail).toMatch(/ends before now/);
    const far = forecast({ atMs: forecast().atMs.map((t) => t + 60 * DAY) });
    expect((await captain.post(`/waters/${waterId}/imports/readings`, far)).body.fields[0].message).toMatch(/too far ahead/);
  });

  it('is the part of a table that lies ahead, beside the readings of the part behind', async () => {
    const body = forecast({ source: 'csv', member: undefined });
    expect((await captain.post(`/waters/${waterId}/imports/readings`, body)).body).toMatchObject({ stored: 48 });
    const [kept] = await h.owner.query('select count(*)::int as n from reading where import_id = $1', [body.id]);
    expect(kept.n).toBe(6);
  });
});
