// What two phones logged of one fishing, made one and parted again; and what they still send afterwards.
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
  h.clock.set(start + 6 * 3_600_000);
  await send({ kind: 'begin-trip', at: at(0) });
});
afterAll(() => h.close());

const at = (min: number) => iso(start + min * 60_000);
async function send(...entries: object[]) {
  const body = { entries: entries.map((e) => ({ entryId: randomUUID(), ...e })) };
  return (await mate.post(`/deck/${tripId}/entries`, body)).body.receipts as { ok: boolean; message: string }[];
}
const bass = () => h.mine.species[0]?.id as string;
const set = (rods: number, bait = 0) => ({ id: randomUUID(), presentationId: h.mine.presentations[bait]?.id, rods });
const fishOf = (setId: string, min: number, lengthMm: number | null = null) => ({
  kind: 'catch',
  catchId: randomUUID(),
  setId,
  at: at(min),
  speciesId: bass(),
  clientId: null,
  lengthMm,
  lengthKind: 'total',
  outcome: 'landed',
  kept: false,
});
/** A stop as one phone logs it. The first phone's stop stays open until the second ends it. */
async function logged(from: number, to: number, rods: number, fish: readonly [number, number | null][], bait = 0) {
  const [stopId, s] = [randomUUID(), set(rods, bait)];
  const begin = { kind: 'start-stop', at: at(from), stopId, spotId: h.mine.spots[0]?.id, sets: [s] };
  const caught = fish.map(([min, mm]) => fishOf(s.id, min, mm));
  const receipts = await send(begin, ...caught, { kind: 'end-stop', at: at(to), stopId });
  expect(receipts.map((r) => r.message)).toEqual(receipts.map(() => ''));
  return { stopId, setId: s.id, begin, caught };
}
const fishedOf = async (...ids: string[]) =>
  (
    await h.owner.query(
      `select s.id, s.rods, s.rod_hours, (select count(*)::int from "catch" k where k.set_id = s.id and k.deleted_at is null) as fish
       from fished_set s where s.id = any($1) order by s.started_at, s.id`,
      [ids],
    )
  ).map((r: { id: string; rods: number; rod_hours: number; fish: number }) => ({ ...r, rod_hours: Number(r.rod_hours.toFixed(4)) }));
const merge = (...setIds: string[]) => captain.post('/log/merge', { setIds });

describe('entries that are one fishing', () => {
  it('are one from the first’s beginning to the last’s end, with the fish of both, and are parted to what they were', async () => {
    const one = await logged(10, 40, 2, [[20, 400]]);
    const two = await logged(38, 70, 3, [
      [45, 410],
      [50, null],
    ]);
    const before = await fishedOf(one.setId, two.setId);
    expect(before.map((b: { fish: number }) => b.fish)).toEqual([1, 2]);
    const { mergeId, setId } = (await merge(two.setId, one.setId)).body;
    expect(setId).toBe(one.setId);
    expect(await fishedOf(one.setId, two.setId)).toEqual([{ id: one.setId, rods: 3, rod_hours: 3, fish: 3 }]);
    const stops = (await mate.get(`/deck/${tripId}`)).body.stops as { id: string; sets: { catches: unknown[] }[] }[];
    expect(stops.map((s) => s.id)).toContain(one.stopId);
    expect(stops.map((s) => s.id)).not.toContain(two.stopId);

    // What the second phone sends again, and what it had not sent yet, finds its place; nothing comes twice.
    const late = fishOf(two.setId, 55, 430);
    const again = await send(two.begin, ...two.caught, late, { kind: 'end-stop', at: at(70), stopId: two.stopId });
    expect(again.map((r) => [r.ok, r.message])).toEqual(again.map(() => [true, '']));
    expect(await fishedOf(one.setId, two.setId)).toEqual([{ id: one.setId, rods: 3, rod_hours: 3, fish: 4 }]);

    const entry = (await mate.get(`/log/entries/${one.setId}`)).body;
    expect(entry.merges).toMatchObject([{ id: mergeId, what: 'entry' }]);
    expect((await captain.post(`/log/merges/${mergeId}/part`, {})).body).toEqual({ setId: one.setId });
    const after = await fishedOf(one.setId, two.setId);
    // The late fish was told to the one that was left, and stays with it.
    expect(after).toEqual(before.map((b: { fish: number }, i: number) => ({ ...b, fish: b.fish + (i === 0 ? 1 : 0) })));
    expect((await captain.post(`/log/merges/${mergeId}/part`, {})).status).toBe(404);
    await send({ kind: 'undo-catch', at: at(80), catchId: late.catchId });
  });

  it('that were made one twice are parted in turn, the last first', async () => {
    const all = [];
    for (const k of [0, 1, 2]) all.push(await logged(100 + k, 130 + k, 1, []));
    const [a, b, c] = all.map((x) => x.setId) as [string, string, string];
    const first = (await merge(b, c)).body;
    const second = (await merge(a, first.setId)).body;
    expect(await fishedOf(a, b, c)).toHaveLength(1);
    expect((await send(fishOf(c, 120, 390)))[0]).toMatchObject({ ok: true });
    expect((await fishedOf(a))[0]).toMatchObject({ fish: 1 });
    expect(await captain.post(`/log/merges/${first.mergeId}/part`, {})).toMatchObject({ status: 409, body: { code: 'conflict' } });
    expect((await captain.post(`/log/merges/${second.mergeId}/part`, {})).status).toBe(200);
    expect((await captain.post(`/log/merges/${first.mergeId}/part`, {})).status).toBe(200);
    expect(await fishedOf(a, b, c)).toHaveLength(3);
  });

  it('are refused in words where they are not the same fishing', async () => {
    const [a, b, bait] = [await logged(150, 160, 1, []), await logged(200, 210, 1, []), await logged(152, 161, 1, [], 1)];
    const why = async (...ids: string[]) => {
      const { status, body } = await merge(...ids);
      expect(status).toBe(400);
      return body.detail as string;
    };
    expect(await why(a.setId, b.setId)).toContain('a time between them in which nothing was fished');
    expect(await why(a.setId, bait.setId)).toContain('different baits');
    expect(await why(a.setId, h.mine.trips[0]?.stops[0]?.sets[0]?.id as string)).toContain('different trips');
    expect(await why(a.setId, a.setId)).toContain('choose two or more');
    expect((await merge(a.setId, randomUUID())).status).toBe(404);
    expect((await mate.post('/log/merge', { setIds: [a.setId, b.setId] })).status).toBe(403);
  });
});

describe('one fish that two phones logged', () => {
  it('is one with what either knew of it, keeps every word in its history, and is two again when parted', async () => {
    const { setId, caught } = await logged(220, 250, 1, [
      [230, null],
      [231, 470],
    ]);
    const [keep, other] = caught as unknown as [{ catchId: string }, { catchId: string }];
    await send({ kind: 'tell-catch', at: at(232), catchId: other.catchId, told: { hook: 'lip', note: 'the red one' } });
    const made = (await captain.post('/log/fish/merge', { keepId: keep.catchId, otherId: other.catchId })).body;
    const entry = (await mate.get(`/log/entries/${setId}`)).body;
    expect(entry.fish).toMatchObject([{ id: keep.catchId, lengthMm: 470, more: { hook: 'lip', note: 'the red one' } }]);
    const lengths = entry.fish[0].words.filter((w: { field: string }) => w.field === 'lengthMm');
    expect(lengths.map((w: { value: unknown; by: string | null }) => [w.value, w.by])).toEqual([
      [null, null],
      [470, h.mine.people.find((p) => p.role === 'captain')?.name],
    ]);
    // The other phone tells more of its fish, and takes it back: the first goes to the fish that is left, the second is done already.
    await send({ kind: 'tell-catch', at: at(240), catchId: other.catchId, told: { tag: 'A7' } });
    await send({ kind: 'undo-catch', at: at(241), catchId: other.catchId });
    expect((await mate.get(`/log/entries/${setId}`)).body.fish).toMatchObject([{ id: keep.catchId, more: { tag: 'A7', hook: 'lip' } }]);
    expect((await captain.post(`/log/merges/${made.mergeId}/part`, {})).status).toBe(200);
    expect((await mate.get(`/log/entries/${setId}`)).body.fish).toMatchObject([
      { id: keep.catchId, lengthMm: null, more: { tag: 'A7' } },
      { id: other.catchId, lengthMm: 470, more: { hook: 'lip', note: 'the red one' } },
    ]);
  });

  it('shows what it was logged with beside what was put right, whichever phone spoke last', async () => {
    const { setId, caught } = await logged(260, 280, 1, [[265, 450]]);
    const catchId = caught[0]?.catchId as string;
    await send({ kind: 'tell-catch', at: at(275), catchId, told: { lengthMm: 460 } });
    // Another phone measured earlier and gets its signal later: its word is kept and does not hold.
    await send({ kind: 'tell-catch', at: at(270), catchId, told: { lengthMm: 455 } });
    const [fish] = (await mate.get(`/log/entries/${setId}`)).body.fish;
    expect(fish.lengthMm).toBe(460);
    expect(fish.words.map((w: { value: unknown }) => w.value)).toEqual([450, 455, 460]);
    expect(fish.words[0].by).toBeNull();
  });

  it('is refused for what is no fish of the same trip', async () => {
    const { caught } = await logged(290, 310, 1, [[295, 400]]);
    const mine = caught[0]?.catchId as string;
    const [old] = await h.owner.query(
      `select k.id from "catch" k join "set" s on s.id = k.set_id join stop st on st.id = s.stop_id where st.trip_id <> $1 and k.outcome = 'landed' and k.outfit_id = $2 limit 1`,
      [tripId, h.mine.outfit.id],
    );
    expect((await captain.post('/log/fish/merge', { keepId: mine, otherId: old.id })).body.detail).toContain('different trips');
    expect((await captain.post('/log/fish/merge', { keepId: mine, otherId: mine })).status).toBe(404);
  });
});

describe('what lies at a spot that another captain keeps', () => {
  it('is not there for a captain who does not know it: it opens as nothing, and is neither made one nor parted', async () => {
    const [one, two] = [await logged(320, 340, 1, [[325, 400]]), await logged(322, 341, 1, [[326, null]])];
    const { mergeId } = (await merge(one.setId, two.setId)).body;
    const keeper = h.mine.people.find((p) => p.role === 'captain')?.id;
    const email = `rival-${randomUUID()}@crew.example`;
    await h.owner.query(
      `insert into person (id, outfit_id, name, email, password_hash, role, active)
       select gen_random_uuid(), outfit_id, 'Rival', $2, password_hash, 'captain', true from person where id = $1`,
      [keeper, email],
    );
    const rival = await h.signIn(email);
    expect((await rival.get(`/log/entries/${one.setId}`)).status).toBe(200);
    await h.owner.query(`update spot set privacy = 'captain', keeper_id = $2 where id = $1`, [h.mine.spots[0]?.id, keeper]);
    try {
      expect((await rival.get(`/log/entries/${one.setId}`)).status).toBe(404);
      expect((await rival.post('/log/merge', { setIds: [one.setId, h.mine.trips[0]?.stops[0]?.sets[0]?.id] })).status).toBe(404);
      const [a, b] = [one.caught[0]?.catchId, two.caught[0]?.catchId];
      expect((await rival.post('/log/fish/merge', { keepId: a, otherId: b })).status).toBe(404);
      expect((await rival.post(`/log/merges/${mergeId}/part`, {})).status).toBe(404);
      expect((await captain.get(`/log/entries/${one.setId}`)).body.fish).toHaveLength(2);
    } finally {
      await h.owner.query(`update spot set privacy = 'crew', keeper_id = null where id = $1`, [h.mine.spots[0]?.id]);
    }
    expect((await captain.post(`/log/merges/${mergeId}/part`, {})).status).toBe(200);
  });
});
