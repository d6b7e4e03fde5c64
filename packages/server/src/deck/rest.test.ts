// The rest of a day laid anew on one phone holds on every phone of the trip.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { iso } from '../testing/validBodies';

let h: Harness;
let mate: Client;
let captain: Client;
let tripId: string;
let start: number;
beforeAll(async () => {
  h = await startHarness();
  [mate, captain] = [await h.signIn(emailOf(h.mine, 'mate')), await h.signIn(emailOf(h.mine, 'captain'))];
  const trip = h.mine.trips.at(-1) as { id: string; startsAt: string };
  [tripId, start] = [trip.id, Date.parse(trip.startsAt)];
  h.clock.set(start + 3 * 3_600_000);
});
afterAll(() => h.close());

const at = (min: number) => iso(start + min * 60_000);
const leg = (spotId = h.mine.spots[0]?.id as string, from = 120) => ({
  spotId,
  presentationId: h.mine.presentations[0]?.id,
  startAt: at(from),
  departAt: at(from + 40),
  expected: 2.5,
  lo80: 1,
  hi80: 4,
});
async function send(who: Client, ...entries: object[]) {
  const body = { entries: entries.map((e) => ({ entryId: randomUUID(), kind: 'rest', ...e })) };
  return (await who.post(`/deck/${tripId}/entries`, body)).body.receipts as { ok: boolean; code: string | null; message: string }[];
}
const kept = async () => (await captain.get(`/deck/${tripId}`)).body.rest;

describe('the rest of a day', () => {
  it('that a mate took is the captain’s too, and the later word holds, whichever comes first', async () => {
    expect(await kept()).toBeNull();
    const legs = [leg(), leg(h.mine.spots[1]?.id, 180)];
    expect(await send(mate, { at: at(60), legs })).toMatchObject([{ ok: true }]);
    expect(await kept()).toEqual({ legs, at: at(60) });
    await send(captain, { at: at(90), legs: null });
    await send(mate, { at: at(70), legs: [leg()] });
    expect(await kept()).toEqual({ legs: null, at: at(90) });
    await send(mate, { at: at(100), legs: [leg()] });
    expect(await kept()).toMatchObject({ at: at(100), legs: [{ startAt: at(120) }] });
  });
  it('is refused with a spot that is not there, or with nothing in it', async () => {
    expect(await send(mate, { at: at(110), legs: [leg(randomUUID())] })).toMatchObject([{ ok: false, code: 'not_found' }]);
    expect(await send(mate, { at: at(110), legs: [leg(h.other.spots[0]?.id)] })).toMatchObject([{ ok: false, code: 'not_found' }]);
    expect(await send(mate, { at: at(110), legs: [] })).toMatchObject([{ ok: false, code: 'invalid' }]);
    expect(await kept()).toMatchObject({ at: at(100) });
  });
});
