// Leaders compared on deck: which rods fish what comes with the sets, the answer with the log, whoever says it first or twice.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { iso } from '../testing/validBodies';

let h: Harness;
let mate: Client;
let captain: Client;
let tripId: string;
let start: number;
beforeAll(async () => {
  h = await startHarness();
  mate = await h.signIn(emailOf(h.mine, 'mate'));
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  const trip = h.mine.trips.at(-1) as { id: string; startsAt: string };
  [tripId, start] = [trip.id, Date.parse(trip.startsAt)];
  h.clock.set(start + 6 * 3_600_000);
});
afterAll(() => h.close());

const at = (min: number) => iso(start + min * 60_000);
const send = async (...entries: object[]) =>
  (await mate.post(`/deck/${tripId}/entries`, { entries: entries.map((e) => ({ entryId: randomUUID(), ...e })) })).body.receipts as {
    ok: boolean;
    message: string;
  }[];
const trial = { what: 'leader', arms: ['4 kg', '8 kg'] };
const rods = (arm: string | null, n = 2, id: string = v7()) => ({
  id,
  presentationId: h.mine.presentations[0]?.id,
  rods: n,
  ...(arm === null ? {} : { trial: { what: 'leader', arm } }),
});
const fish = (setId: string, min: number, outcome: string) => ({
  kind: 'catch',
  at: at(min),
  catchId: randomUUID(),
  setId,
  speciesId: outcome === 'landed' ? h.mine.species[0]?.id : null,
  clientId: null,
  lengthMm: null,
  lengthKind: 'total',
  outcome,
  kept: false,
});
const packed = async () => (await mate.get(`/deck/${tripId}`)).body;

describe('a trial on deck', () => {
  it('is told to the other phones of the trip; the later word holds, whichever comes first', async () => {
    await send({ kind: 'begin-trip', at: at(0) }, { kind: 'trial', at: at(5), trial });
    expect((await packed()).trial).toEqual(trial);
    await send({ kind: 'trial', at: at(3), trial: null });
    expect((await packed()).trial).toEqual(trial);
    await send({ kind: 'trial', at: at(200), trial: null });
    expect((await packed()).trial).toBeNull();
  });

  it('counts bites, hooked and landed by what the rods fished, and asks for what differs', async () => {
    const [light, strong] = [rods('4 kg'), rods('8 kg', 1)];
    const stopId = randomUUID();
    const begin = { kind: 'start-stop', at: at(10), stopId, spotId: h.mine.spots[0]?.id, sets: [light, strong] };
    const receipts = await send(
      begin,
      begin,
      fish(light.id, 12, 'missed'),
      fish(light.id, 13, 'lost'),
      fish(light.id, 14, 'landed'),
      fish(strong.id, 15, 'landed'),
      { kind: 'end-stop', at: at(70), stopId },
    );
    expect(receipts.map((r) => r.message)).toEqual(['', '', '', '', '', '', '']);
    expect((await packed()).stops[0].sets.map((s: { trial: object }) => s.trial)).toEqual([light.trial, strong.trial]);
    const { trials } = (await captain.get('/log/comparisons')).body;
    expect(trials).toEqual([
      {
        what: 'leader',
        bait: h.mine.presentations[0]?.name,
        trips: 1,
        arms: [
          { arm: '4 kg', rodHours: 2, bites: 3, hooked: 2, landed: 1 },
          { arm: '8 kg', rodHours: 1, bites: 1, hooked: 1, landed: 1 },
        ],
      },
    ]);
    // The same key with other rods is another thing.
    const [other] = await send({ ...begin, stopId: randomUUID(), sets: [{ ...light, trial: { what: 'leader', arm: '9 kg' } }] });
    expect(other?.ok).toBe(false);
  });

  it('teaches the cards of rigs: leaders of a trial count as what they are, not as the bait’s usual one', async () => {
    const leaders = (await captain.get('/leaders')).body as { counts: { kg: number; bites: number }[] }[];
    expect(leaders.flatMap((l) => l.counts.map((k) => [k.kg, k.bites]))).toEqual(
      expect.arrayContaining([
        [4, 3],
        [8, 1],
      ]),
    );
  });

  it('fished with one of the two alone compares nothing', async () => {
    const [alone, stopId] = [rods('6 kg'), randomUUID()];
    await send(
      {
        kind: 'start-stop',
        at: at(80),
        stopId,
        spotId: h.mine.spots[0]?.id,
        sets: [{ ...alone, presentationId: h.mine.presentations[1]?.id }],
      },
      { kind: 'end-stop', at: at(90), stopId },
    );
    expect((await captain.get('/log/comparisons')).body.trials).toHaveLength(1);
  });

  it('of one thing, of the same thing twice or of none is refused, saying which field', async () => {
    for (const [arms, said] of [
      [['a'], /at least two/],
      [['a', 'A'], /the same/],
      [['a', ' '], /say what these rods fish/],
      [['a', 'b', 'c', 'd', 'e'], /4/],
    ] as const) {
      const [r] = await send({ kind: 'trial', at: at(20), trial: { what: 'hook', arms } });
      expect([r?.ok, r?.message]).toEqual([false, expect.stringMatching(said)]);
    }
  });
});

describe('what baits earned', () => {
  it('has hours, fish and the price of a lost piece from the boxes', async () => {
    const bait = h.mine.presentations[0] as { id: string; name: string };
    await captain.post('/gear', {
      id: randomUUID(),
      kind: 'lure',
      name: bait.name.toUpperCase(),
      massG: null,
      strengthKg: null,
      acrossMm: null,
      stock: 3,
      cost: 4.5,
      note: '',
    });
    const row = (await mate.get('/gear/earned')).body.find((r: { presentationId: string }) => r.presentationId === bait.id);
    expect(row).toMatchObject({ name: bait.name, pieceCost: 4.5, lost: 0 });
    const [{ hours, fish: landed }] = await h.owner.query(
      `select sum(rod_hours)::float8 as hours, (select count(*)::int from "catch" k join "set" s on s.id = k.set_id where s.presentation_id = $1 and k.outcome = 'landed' and k.deleted_at is null) as fish
       from fished_set where presentation_id = $1`,
      [bait.id],
    );
    expect(row.rodHours).toBeCloseTo(hours, 6);
    expect(row.fish).toBe(landed);
  });
});
