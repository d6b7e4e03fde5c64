import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { tripBody } from '../testing/tripBody';
import { ALL_SEEN } from '../testing/allSeen';

let h: Harness;
let owner: Client;
/** Two trips at the same hours: the outfit's own and one of its small boat. */
let trips: [string, string];
const iso = (ms: number) => new Date(ms).toISOString();
let start: number;

beforeAll(async () => {
  h = await startHarness();
  owner = await h.signIn(emailOf(h.mine, 'owner'));
  start = Date.parse(h.mine.trips.at(-1)?.startsAt as string);
  trips = [h.mine.trips.at(-1)?.id as string, randomUUID()];
  const made = await owner.post(
    '/trips',
    tripBody(h, start, { id: trips[1], goal: 'table', clientIds: [h.mine.clients[3]?.id as string] }),
  );
  expect(made.status).toBe(200);
});
afterAll(() => h.close());

const [near, far] = [0, 1];
const plan = (trip: 0 | 1, spot: number, replaces: number, more: object = {}) => ({
  tripId: trips[trip],
  id: randomUUID(),
  replaces,
  seen: ALL_SEEN,
  bans: [],
  legs: [{ spotId: h.mine.spots[spot]?.id, startAt: iso(start + 3_600_000), departAt: iso(start + 7_200_000), pinned: false }],
  ...more,
});
const versions = async () =>
  Promise.all(trips.map(async (id) => (await owner.get(`/trips/${id}/desk`)).body.saved?.version ?? 0)) as Promise<number[]>;
const use = (tripsADay: number | null) =>
  h.owner.query('update presentation set trips_a_day = $1 where outfit_id = $2', [tripsADay, h.mine.outfit.id]);

describe('plans of several boats', () => {
  it('are kept together, though each takes the spot that the other had', async () => {
    expect((await owner.post('/fleet/plans', { plans: [plan(0, near, 0), plan(1, far, 0)] })).status).toBe(200);
    const swapped = await owner.post('/fleet/plans', { plans: [plan(0, far, 1), plan(1, near, 1)] });
    expect(swapped.status).toBe(200);
    expect(swapped.body.map((p: { version: number }) => p.version)).toEqual([2, 2]);
  });

  it('are kept all or none: where two of them meet, neither is', async () => {
    const before = await versions();
    const answer = await owner.post('/fleet/plans', { plans: [plan(0, near, 2), plan(1, near, 2)] });
    expect(answer).toMatchObject({ status: 409, body: { code: 'spot_taken' } });
    // One that is out of date takes the other with it.
    expect((await owner.post('/fleet/plans', { plans: [plan(0, near, 2), plan(1, far, 1)] })).status).toBe(409);
    expect(await versions()).toEqual(before);
  });

  it('name a trip once, and are a captain’s or the owner’s to keep', async () => {
    expect((await owner.post('/fleet/plans', { plans: [plan(0, near, 2), plan(0, near, 2)] })).body.fields[0].field).toBe('plans');
    expect((await owner.post('/fleet/plans', { plans: [] })).body.fields[0].message).toBe('no plan was sent');
    const mate = await h.signIn(emailOf(h.mine, 'mate'));
    expect((await mate.post('/fleet/plans', { plans: [plan(0, near, 2)] })).status).toBe(403);
    const stranger = await h.signIn(emailOf(h.other, 'owner'));
    expect((await stranger.post('/fleet/plans', { plans: [plan(0, near, 2)] })).status).toBe(404);
  });
});

describe('a bait that lasts for one boat', () => {
  it('is the first boat’s: the other’s desk says who has it, and its plan with it is refused', async () => {
    await use(1);
    const desk = (await owner.get(`/trips/${trips[1]}/desk`)).body;
    const used = (await owner.get(`/trips/${trips[0]}/desk`)).body.saved.legs.flatMap((l: { parts: { presentationId: string }[] }) =>
      l.parts.map((p) => p.presentationId),
    );
    expect(used.length).toBeGreaterThan(0);
    for (const p of desk.presentations) expect(p.heldBy).toEqual(used.includes(p.id) ? [h.mine.boats[0]?.name] : []);
    await use(2);
    expect((await owner.get(`/trips/${trips[1]}/desk`)).body.presentations.every((p: { heldBy: string[] }) => p.heldBy.length === 0)).toBe(
      true,
    );
    await use(1);
    // Laid without it, the plan stands; together, both boats with it do not.
    const [a, b] = h.mine.presentations.map((p) => p.id) as [string, string];
    const apart = (t: 0 | 1, without: string) => plan(t, t, 2, { options: { again: false, without: [without] } });
    expect((await owner.post('/fleet/plans', { plans: [apart(0, a), apart(1, a)] })).body).toMatchObject({
      code: 'not_feasible',
      detail: expect.stringMatching(/no presentation can be fished on this trip: .*Boat .* has the last of the day’s bait/),
    });
    const kept = await owner.post('/fleet/plans', { plans: [apart(0, a), apart(1, b)] });
    expect(kept.status).toBe(200);
    const baits = kept.body.map((p: { legs: { parts: { presentationId: string }[] }[] }) => p.legs[0]?.parts.map((x) => x.presentationId));
    expect(baits).toEqual([[b], [a]]);
    await use(null);
  });

  it('is not had by two boats that save at the same moment', async () => {
    await use(1);
    const [a, b] = h.mine.presentations.map((p) => p.id) as [string, string];
    // Each goes over to the bait that the other has.
    const answers = await Promise.all(
      ([0, 1] as const).map((t) => {
        const { tripId, ...one } = plan(t, t, 3, { options: { again: false, without: [t === 0 ? b : a] } });
        return owner.post(`/trips/${tripId}/plans`, one);
      }),
    );
    expect(answers.filter((x) => x.status === 200).length).toBeLessThan(2);
    expect(answers.filter((x) => x.status >= 500)).toEqual([]);
    await use(null);
  });
});

describe('a table trip', () => {
  it('carries the bag of its anglers, and the weights of its species', async () => {
    const desk = (await owner.get(`/trips/${trips[1]}/desk`)).body;
    // Two a day for each angler by the rule of the test's outfit.
    expect(desk).toMatchObject({ bag: 2, species: [{ name: h.mine.species[0]?.name, weight: 1 }] });
    const species = h.mine.species[0]?.id as string;
    const fit = { patienceMin: null, breaks: [], aboard: null };
    expect((await owner.post(`/trips/${trips[1]}/fit`, { ...fit, speciesWeights: { [species]: 2 } })).status).toBe(200);
    const heavier = (await owner.get(`/trips/${trips[1]}/desk`)).body;
    const sum = (e: { fish: number[] }) => e.fish.reduce((x, y) => x + y, 0);
    expect(heavier.species[0].weight).toBe(2);
    expect(sum(heavier.evidence)).toBeCloseTo(2 * sum(desk.evidence), 9);
    const unknown = randomUUID();
    expect((await owner.post(`/trips/${trips[1]}/fit`, { ...fit, speciesWeights: { [unknown]: 2 } })).body.fields).toEqual([
      { field: `speciesWeights.${unknown}`, message: 'not a species of this trip' },
    ]);
    expect((await owner.post(`/trips/${trips[1]}/fit`, { ...fit, speciesWeights: { [species]: 0 } })).status).toBe(400);
    expect((await owner.post(`/trips/${trips[1]}/fit`, { ...fit, speciesWeights: { bass: 1 } })).status).toBe(400);
    expect((await owner.get(`/trips/${trips[0]}/desk`)).body.bag).toBeNull();
  });
});
