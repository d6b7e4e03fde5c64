import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';

let h: Harness;
let mate: Client;
let captain: Client;
let tripId: string;
let start: number;
beforeAll(async () => {
  h = await startHarness();
  mate = await h.signIn(emailOf(h.mine, 'mate'));
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  const trip = h.mine.trips.at(-1);
  tripId = trip?.id as string;
  start = Date.parse(trip?.startsAt as string);
});
afterAll(() => h.close());

const at = (min: number) => new Date(start + min * 60_000).toISOString();
const send = async (...entries: object[]) =>
  (await mate.post(`/deck/${tripId}/entries`, { entries })).body.receipts as { ok: boolean; message: string }[];
const stopId = randomUUID();
const setId = randomUUID();
const fish = (more: object = {}) => ({
  kind: 'catch',
  entryId: randomUUID(),
  at: at(20),
  catchId: randomUUID(),
  setId,
  speciesId: h.mine.species[0]?.id,
  clientId: null,
  lengthMm: 430,
  lengthKind: 'total',
  outcome: 'landed',
  kept: false,
  ...more,
});

const lastCatch = async (): Promise<{ id: string }> => {
  const catches = (await mate.get(`/deck/${tripId}`)).body.stops[0].sets[0].catches;
  return catches.at(-1);
};

describe('the deck', () => {
  it('begins a trip and a stop; the same entries sent again change nothing', async () => {
    h.clock.set(start + 30 * 60_000);
    const entries = [
      { kind: 'begin-trip', entryId: randomUUID(), at: at(0) },
      {
        kind: 'start-stop',
        entryId: randomUUID(),
        at: at(10),
        stopId,
        spotId: h.mine.spots[0]?.id,
        sets: [{ id: setId, presentationId: h.mine.presentations[0]?.id, rods: 2 }],
      },
      fish(),
    ];
    for (let i = 0; i < 3; i++) expect((await send(...entries)).map((r) => r.ok)).toEqual([true, true, true]);
    const pack = (await mate.get(`/deck/${tripId}`)).body;
    expect(pack.trip.status).toBe('under way');
    expect(pack.stops).toHaveLength(1);
    expect(pack.stops[0].sets[0].catches).toHaveLength(1);
  });

  it('does not take what was logged the day before its trip, and says when that trip begins', async () => {
    const [early] = await send(fish({ at: at(-20 * 60) }));
    expect(early).toMatchObject({ ok: false });
    expect(early?.message).toMatch(/is more than 12 h before the trip, which begins at \d\d:\d\d on \w{3} \d+ \w+; log it on its day/);
  });

  it('takes the good entries of a batch and says what is wrong with the others', async () => {
    const receipts = await send(
      fish({ lengthMm: 0 }),
      fish({ lengthMm: 5000 }),
      fish({ lengthMm: 'long' }),
      fish({ at: at(600) }),
      fish({ setId: randomUUID() }),
      fish({ outcome: 'lost', kept: true }),
      fish({ speciesId: null }),
      fish({ lengthMm: 510 }),
    );
    expect(receipts.map((r) => r.ok)).toEqual([false, false, false, false, false, false, false, true]);
    expect(receipts[0]?.message).toMatch(/lengthMm.*10/);
    expect(receipts[1]?.message).toMatch(/lengthMm.*4000/);
    expect(receipts[2]?.message).toMatch(/lengthMm/);
    expect(receipts[3]?.message).toMatch(/\d\d:\d\d on \w{3} \d+ \w+ is in the future; check the phone's clock/);
    expect(receipts[4]?.message).toMatch(/no such set/);
    expect((await mate.get(`/deck/${tripId}`)).body.stops[0].sets[0].catches).toHaveLength(2);
  });

  it('refuses an entry of a kind that it does not know by a code of its own, so that the phone keeps it', async () => {
    const entryId = randomUUID();
    const receipts = (await mate.post(`/deck/${tripId}/entries`, { entries: [{ kind: 'weighed-in', entryId, at: at(22), kg: 3 }, fish()] }))
      .body.receipts;
    expect(receipts[0]).toMatchObject({
      entryId,
      ok: false,
      code: 'entry_unknown',
      message: expect.stringMatching(/weighed-in is not known here/),
    });
    expect(receipts[1]).toMatchObject({ ok: true });
    expect(receipts[1].code ?? null).toBeNull();
    await send({ kind: 'undo-catch', entryId: randomUUID(), at: at(23), catchId: (await lastCatch()).id });
  });

  it('tells the phone what the guests kept on the days before, for rules of possession', async () => {
    const guest = h.mine.clients[0]?.id as string;
    const [{ id }] = await h.owner.query(
      `select k.id from "catch" k where k.outfit_id = $2 and k.outcome = 'landed' and k.at < $1::timestamptz - interval '1 day' order by k.at desc limit 1`,
      [at(0), h.mine.outfit.id],
    );
    await h.owner.query('update "catch" set kept = true, client_id = $2 where id = $1', [id, guest]);
    const { keptBefore } = (await mate.get(`/deck/${tripId}`)).body;
    expect(keptBefore).toEqual([
      { clientId: guest, speciesId: h.mine.species[0]?.id, date: expect.stringMatching(/^2026-06-\d\d$/), fish: 1 },
    ]);
    expect(keptBefore[0].date < '2026-06-19').toBe(true);
  });

  it('takes a catch back without losing that it was there', async () => {
    const one = fish();
    await send(one, { kind: 'undo-catch', entryId: randomUUID(), at: at(21), catchId: one.catchId });
    expect((await mate.get(`/deck/${tripId}`)).body.stops[0].sets[0].catches).toHaveLength(2);
    const [row] = await h.owner.query('select deleted_at from "catch" where id = $1', [one.catchId]);
    expect(row.deleted_at).not.toBeNull();
  });

  it('counts effort on each presentation and stores the conditions when the stop ends', async () => {
    const second = randomUUID();
    h.clock.set(start + 80 * 60_000);
    await send(
      {
        kind: 'switch-set',
        entryId: randomUUID(),
        at: at(40),
        stopId,
        endSetId: setId,
        set: { id: second, presentationId: h.mine.presentations[1]?.id, rods: 2 },
      },
      { kind: 'sighting', entryId: randomUUID(), at: at(45), sightingId: randomUUID(), spotId: null, what: 'birds', note: '' },
      { kind: 'end-stop', entryId: randomUUID(), at: at(70), stopId },
    );
    await h.jobsDone();
    const log = (await captain.get('/log?limit=2')).body.rows;
    expect(log.map((r: { rodHours: number; fish: number }) => [r.rodHours, r.fish])).toEqual([
      [1, 0],
      [1, 2],
    ]);
    expect(log[0].tideStage).toBeGreaterThanOrEqual(0);
  });

  it('leaves a later stop open when the end of an earlier one comes again', async () => {
    const later = randomUUID();
    await send(
      {
        kind: 'start-stop',
        entryId: randomUUID(),
        at: at(72),
        stopId: later,
        spotId: h.mine.spots[0]?.id,
        sets: [{ id: randomUUID(), presentationId: h.mine.presentations[0]?.id, rods: 1 }],
      },
      { kind: 'end-stop', entryId: randomUUID(), at: at(70), stopId },
    );
    const stops = (await mate.get(`/deck/${tripId}`)).body.stops as { id: string; endedAt: string | null }[];
    expect(stops.find((s) => s.id === later)?.endedAt).toBeNull();
    await send({ kind: 'end-stop', entryId: randomUUID(), at: at(73), stopId: later });
  });

  it('ends the trip, and the brief of the next day counts what was caught', async () => {
    await send({ kind: 'end-trip', entryId: randomUUID(), at: at(75) });
    expect((await captain.get(`/trips/${tripId}`)).body.status).toBe('done');
    const brief = (await captain.get('/brief/2026-06-20')).body;
    expect(brief).toMatchObject({ trips: 1, fish: 2, rodHours: 2 });
    expect(brief.againstPlan[0]).toMatchObject({ spotName: 'Near stone', fish: 2 });
    expect(brief.againstPlan[0].expected).toBeGreaterThan(0);
  });

  it("refuses entries for another outfit's rows", async () => {
    const [receipt] = await send({
      kind: 'start-stop',
      entryId: randomUUID(),
      at: at(76),
      stopId: randomUUID(),
      spotId: h.other.spots[0]?.id,
      sets: [{ id: randomUUID(), presentationId: h.mine.presentations[0]?.id, rods: 1 }],
    });
    expect(receipt?.ok).toBe(false);
  });
});

describe('a spot that has become another meanwhile', () => {
  it('gets what a phone logs that has not heard of it', async () => {
    const [near, far] = h.mine.spots;
    expect((await captain.post(`/spots/${near?.id}/merge`, { into: far?.id })).status).toBe(200);
    const id = randomUUID();
    const receipts = await send({
      kind: 'start-stop',
      entryId: randomUUID(),
      at: at(29),
      stopId: id,
      spotId: near?.id,
      sets: [{ id: randomUUID(), presentationId: h.mine.presentations[0]?.id, rods: 1 }],
    });
    expect(receipts[0]?.ok).toBe(true);
    const [row] = await h.owner.query('select spot_id from stop where id = $1', [id]);
    expect(row.spot_id).toBe(far?.id);
  });
});
