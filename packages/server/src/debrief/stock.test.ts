// What is lost on the water leaves the boxes when the day is signed off, once, and makes the spares of the next night.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { iso } from '../testing/validBodies';

let h: Harness;
let captain: Client;
let tripId: string;
let bait: { id: string; name: string };
const heads = { id: randomUUID(), name: 'Jig head, 28 g' };
const rare = { id: randomUUID(), name: 'Old spoon' };
const counted = { id: randomUUID(), name: 'Swivels' };

beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  const trip = h.mine.trips.at(-1) as { id: string; startsAt: string };
  const start = Date.parse(trip.startsAt);
  tripId = trip.id;
  bait = h.mine.presentations[0] as typeof bait;
  const box = { kind: 'head', massG: 28, strengthKg: null, acrossMm: null, cost: 1.2, note: '' };
  for (const [g, stock] of [
    [heads, 10],
    [rare, 1],
    [counted, null],
  ] as const) {
    const kept = await captain.post('/gear', { ...box, ...g, stock });
    expect(kept.status, JSON.stringify(kept.body)).toBe(200);
  }
  h.clock.set(start + 5 * 3_600_000);
  const at = (min: number) => iso(start + min * 60_000);
  const stopId = randomUUID();
  const sets = [{ id: randomUUID(), presentationId: bait.id, rods: 2 }];
  const entries = [
    { kind: 'begin-trip', at: at(0) },
    { kind: 'start-stop', at: at(10), stopId, spotId: h.mine.spots[0]?.id, sets },
    { kind: 'end-stop', at: at(130), stopId },
    { kind: 'end-trip', at: at(200) },
  ].map((e) => ({ entryId: randomUUID(), ...e }));
  expect((await captain.post(`/deck/${tripId}/entries`, { entries })).body.receipts.every((r: { ok: boolean }) => r.ok)).toBe(true);
});
afterAll(() => h.close());

const stock = async () => {
  const gear: { id: string; stock: number | null }[] = (await captain.get('/gear')).body;
  return [heads, rare, counted].map((g) => gear.find((x) => x.id === g.id)?.stock);
};
const write = async (lost: { what: string; number: number }[], signed: boolean) => {
  const answer = await captain.post(`/trips/${tripId}/debrief`, { said: '', chips: [], lost, baitLeft: '', signed });
  expect(answer.status, JSON.stringify(answer.body)).toBe(200);
};

describe('the stock after a day', () => {
  const lost = [
    { what: 'jig HEAD, 28 g', number: 3 },
    { what: 'Old spoon', number: 4 },
    { what: 'Swivels', number: 2 },
    { what: 'a hat', number: 1 },
  ];
  it('stands until the day is signed off, then lacks what was lost, and never falls below nothing', async () => {
    await write(lost, false);
    expect(await stock()).toEqual([10, 1, null]);
    await write(lost, true);
    expect(await stock()).toEqual([7, 0, null]);
  });
  it('loses nothing twice, is put back when the day is opened again, and follows what is corrected', async () => {
    await write(lost, true);
    expect(await stock()).toEqual([7, 0, null]);
    await write(lost, false);
    expect(await stock()).toEqual([10, 1, null]);
    await write([{ what: 'Jig head, 28 g', number: 1 }], true);
    expect(await stock()).toEqual([9, 1, null]);
    await write([], true);
    expect(await stock()).toEqual([10, 1, null]);
  });
  it('is not touched by another outfit’s debrief', async () => {
    const theirs = h.other.trips.at(-1) as { id: string };
    const foreign = await h.signIn(emailOf(h.other, 'captain'));
    await foreign.post(`/trips/${theirs.id}/debrief`, { said: '', chips: [], lost, baitLeft: '', signed: true });
    expect(await stock()).toEqual([10, 1, null]);
  });
});

describe('what was lost of a bait', () => {
  const losses = async () => (await captain.get(`/trips/${tripId}/rigs`)).body.losses;
  it('is counted by its hours of rods on days that were looked back on', async () => {
    await write([{ what: bait.name.toUpperCase(), number: 5 }], true);
    // Two rods for two hours.
    expect(await losses()).toContainEqual({ presentationId: bait.id, lost: 5, rodHours: 4 });
    await write([], true);
    expect(await losses()).toContainEqual({ presentationId: bait.id, lost: 0, rodHours: 4 });
  });
  it('is offered by name, before what is in the boxes', async () => {
    const { tackle } = (await captain.get(`/trips/${tripId}/debrief`)).body;
    expect(tackle).toEqual([bait.name, heads.name, rare.name, counted.name]);
  });
});
