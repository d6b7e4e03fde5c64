// Lines out and in again: what was not fished counts as no effort, in whatever order and however often phones say it.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { iso } from '../testing/validBodies';

let h: Harness;
let mate: Client;
let tripId: string;
let start: number;
beforeAll(async () => {
  h = await startHarness();
  mate = await h.signIn(emailOf(h.mine, 'mate'));
  const trip = h.mine.trips.at(-1) as { id: string; startsAt: string };
  [tripId, start] = [trip.id, Date.parse(trip.startsAt)];
  h.clock.set(start + 6 * 3_600_000);
});
afterAll(() => h.close());

const at = (min: number) => iso(start + min * 60_000);
const send = async (...entries: object[]) =>
  (await mate.post(`/deck/${tripId}/entries`, { entries: entries.map((e) => ({ entryId: randomUUID(), ...e })) })).body.receipts as {
    ok: boolean;
    code: string | null;
    message: string;
  }[];
const set = (id: string = randomUUID()) => ({ id, presentationId: h.mine.presentations[0]?.id, rods: 2 });
const begin = (stopId: string, min: number) => ({ kind: 'start-stop', at: at(min), stopId, spotId: h.mine.spots[0]?.id, sets: [set()] });
const out = (stopId: string, disturbanceId: string, min: number, what = 'weed') => ({
  kind: 'lines-out',
  at: at(min),
  stopId,
  disturbanceId,
  what,
});
const back = (stopId: string, disturbanceId: string, min: number, again = set()) => ({
  kind: 'lines-in',
  at: at(min),
  stopId,
  disturbanceId,
  sets: [again],
});
const hoursOf = async (stopId: string) =>
  Number((await h.owner.query('select coalesce(sum(rod_hours), 0) as hours from fished_set where stop_id = $1', [stopId]))[0].hours);

describe('lines out of the water', () => {
  it('leave the time out of the rod-hours of the log, and stand with the stop and in the debrief', async () => {
    const [stopId, d1, d2] = [randomUUID(), randomUUID(), randomUUID()];
    const receipts = await send(
      { kind: 'begin-trip', at: at(0) },
      begin(stopId, 10),
      out(stopId, d1, 40),
      back(stopId, d1, 55),
      out(stopId, d2, 70, 'boat'),
      { kind: 'end-stop', at: at(80), stopId },
    );
    expect(receipts.map((r) => r.message)).toEqual(['', '', '', '', '', '']);
    // Two rods for 30 and 15 minutes; 15 and 10 without lines.
    expect(await hoursOf(stopId)).toBeCloseTo(1.5, 9);
    const [stop] = (await mate.get(`/deck/${tripId}`)).body.stops;
    expect(stop.outs).toEqual([
      { id: d1, what: 'weed', fromAt: at(40), toAt: at(55) },
      { id: d2, what: 'boat', fromAt: at(70), toAt: at(80) },
    ]);
    const captain = await h.signIn(emailOf(h.mine, 'captain'));
    const { stops } = (await captain.get(`/trips/${tripId}/debrief`)).body;
    expect(stops[0].out).toBe('25 min without lines: weed on the lines, a boat over the spot');
  });
  it('sent again, or by two phones, change nothing more', async () => {
    const [stopId, d, again] = [randomUUID(), randomUUID(), set()];
    const entries = [begin(stopId, 100), out(stopId, d, 110), back(stopId, d, 120, again)];
    await send(...entries);
    expect((await send(...entries.slice(1))).map((r) => r.ok)).toEqual([true, true]);
    // The other phone says it two minutes earlier.
    expect((await send(back(stopId, d, 118, again))).map((r) => r.ok)).toEqual([false]);
    await send({ kind: 'end-stop', at: at(140), stopId });
    expect(await hoursOf(stopId)).toBeCloseTo((2 * (10 + 20)) / 60, 9);
    // Heard after the spot was left: nothing fishes any more.
    expect((await send(back(stopId, d, 150)))[0]?.ok).toBe(true);
    expect(await hoursOf(stopId)).toBeCloseTo(1, 9);
  });
  it('are refused where they say nothing: another stop’s, another trip’s, an unknown reason, a key used twice', async () => {
    const [stopId, other, d] = [randomUUID(), randomUUID(), randomUUID()];
    await send(begin(stopId, 200), out(stopId, d, 210), begin(other, 230));
    expect((await send(back(other, d, 240)))[0]).toMatchObject({ ok: false, code: 'not_found' });
    expect((await send(out(randomUUID(), randomUUID(), 240)))[0]).toMatchObject({ ok: false, code: 'not_found' });
    expect((await send(out(other, randomUUID(), 240, 'luck')))[0]).toMatchObject({ ok: false, code: 'invalid' });
    expect((await send(out(other, d, 240)))[0]).toMatchObject({ ok: false, code: 'conflict' });
    // The next stop has ended the time without lines of the one before.
    const rows = await h.owner.query('select to_at from disturbance where id = $1', [d]);
    expect(rows[0].to_at.toISOString()).toBe(at(230));
    await send({ kind: 'end-trip', at: at(250) });
  });
  it('belong to their outfit', async () => {
    const foreign = await h.signIn(emailOf(h.other, 'captain'));
    const [{ id, stop_id }] = await h.owner.query('select id, stop_id from disturbance where outfit_id = $1 limit 1', [h.mine.outfit.id]);
    const theirs = h.other.trips.at(-1) as { id: string; startsAt: string };
    const entry = { entryId: randomUUID(), kind: 'lines-in', at: theirs.startsAt, stopId: stop_id, disturbanceId: id, sets: [set()] };
    const [receipt] = (await foreign.post(`/deck/${theirs.id}/entries`, { entries: [entry] })).body.receipts;
    expect(receipt.ok).toBe(false);
  });
});
