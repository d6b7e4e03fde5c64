// Papers that end are told in time and to whom they concern; whoever is away is down for no trip.
import { randomUUID } from 'node:crypto';
import { addDays, DAY, localDate } from '@bluffwind/core/units/time';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';
import { tripBody } from '../testing/tripBody';

let h: Harness;
let owner: Client;
let captain: Client;
let mate: Client;
let today: string;
beforeAll(async () => {
  h = await startHarness();
  [owner, captain, mate] = [
    await h.signIn(emailOf(h.mine, 'owner')),
    await h.signIn(emailOf(h.mine, 'captain')),
    await h.signIn(emailOf(h.mine, 'mate')),
  ];
  today = localDate(TEST_NOW, h.mine.outfit.zone);
});
afterAll(() => h.close());

const idOf = (role: string) => h.mine.people.find((p) => p.role === role)?.id as string;
const paper = (role: string, days: number, more: object = {}) => ({
  id: randomUUID(),
  personId: idOf(role),
  kind: 'first aid',
  name: '',
  endsOn: addDays(today, days),
  ...more,
});
const toldTo = async (who: Client) => ((await who.get('/board')).body.open as { text: string }[]).map((o) => o.text);

describe('a paper that ends', () => {
  it('is told two months before, to its holder and to the owner, and not when a later one of its kind is there', async () => {
    expect((await captain.post('/papers', paper('captain', 61))).status).toBe(200);
    expect((await toldTo(captain)).filter((t) => t.includes('first aid'))).toEqual([]);
    const near = paper('captain', 59);
    expect((await captain.post('/papers', { ...near, kind: 'licence', name: 'Coastal skipper' })).status).toBe(200);
    const words = expect.stringMatching(/Coastal skipper ends on \w{3} \d+ \w+/);
    expect(await toldTo(captain)).toContainEqual(words);
    expect(await toldTo(owner)).toContainEqual(words);
    expect((await toldTo(mate)).some((t) => t.includes('Coastal skipper'))).toBe(false);
    expect(
      (await captain.post('/papers', { ...near, id: randomUUID(), kind: 'licence', name: 'Coastal skipper', endsOn: addDays(today, 400) }))
        .status,
    ).toBe(200);
    expect((await toldTo(owner)).some((t) => t.includes('Coastal skipper'))).toBe(false);
  });
  it('that has ended says so', async () => {
    const over = paper('mate', -3);
    await owner.post('/papers', over);
    expect(await toldTo(mate)).toContainEqual(expect.stringMatching(/first aid ended on/));
    await mate.post(`/papers/${over.id}/remove`);
    expect((await toldTo(mate)).some((t) => t.includes('first aid'))).toBe(false);
  });
  it('is its holder’s and the owner’s: nobody else reads, changes or takes it out', async () => {
    const own = paper('captain', 300);
    await captain.post('/papers', own);
    expect((await mate.get('/papers')).body.papers.some((p: { id: string }) => p.id === own.id)).toBe(false);
    expect((await owner.get('/papers')).body.papers.some((p: { id: string }) => p.id === own.id)).toBe(true);
    expect((await mate.post('/papers', { ...own, personId: idOf('mate') })).status).toBe(403);
    expect((await mate.post('/papers', { ...own, id: randomUUID() })).status).toBe(403);
    expect((await mate.post(`/papers/${own.id}/remove`)).status).toBe(403);
    const foreign = await h.signIn(emailOf(h.other, 'owner'));
    expect((await foreign.post(`/papers/${own.id}/remove`)).status).toBe(404);
  });
});

describe('days away', () => {
  const away = (role: string, from: string, to: string) => ({
    id: randomUUID(),
    personId: idOf(role),
    fromOn: from,
    toOn: to,
    why: 'wedding',
  });
  it('let nobody make a trip with him then, as captain or mate, and on the days beside them they do', async () => {
    const start = TEST_NOW + 20 * DAY;
    const day = localDate(start, h.mine.outfit.zone);
    const asked = away('captain', day, addDays(day, 1));
    expect((await captain.post('/away', asked)).status).toBe(200);
    const body = tripBody(h, start, { captainId: idOf('captain') });
    const refused = await owner.post('/trips', body);
    expect(refused).toMatchObject({ status: 409, body: { code: 'person_away', fields: [{ field: 'captainId' }] } });
    expect(refused.body.detail).toMatch(/is away from \w{3} \d+ \w+ to/);
    await mate.post('/away', away('mate', day, day));
    expect((await owner.post('/trips', tripBody(h, start, { mateIds: [idOf('mate')] }))).body.fields[0].field).toBe('mateIds');
    expect((await owner.post('/trips', { ...body, ...times(start + 2 * DAY) })).status).toBe(200);
    await captain.post(`/away/${asked.id}/remove`);
    expect((await owner.post('/trips', { ...body, id: randomUUID() })).status).toBe(200);
  });
  it('are refused where he is down for a trip, with the boat named', async () => {
    const start = TEST_NOW + 30 * DAY;
    expect((await owner.post('/trips', tripBody(h, start, { captainId: idOf('captain') }))).status).toBe(200);
    const day = localDate(start, h.mine.outfit.zone);
    const answer = await captain.post('/away', away('captain', addDays(day, -1), addDays(day, 1)));
    expect(answer).toMatchObject({ status: 409, body: { code: 'in_use' } });
    expect(answer.body.detail).toContain(h.mine.boats[1]?.name);
    expect((await captain.post('/away', away('captain', addDays(day, 2), addDays(day, 1)))).body.fields[0].field).toBe('toOn');
  });
  it('are seen by all, since trips are made by them; why by himself and the owner', async () => {
    const day = addDays(today, 100);
    const asked = away('captain', day, day);
    await captain.post('/away', asked);
    const why = async (who: Client) => (await who.get('/papers')).body.away.find((a: { id: string }) => a.id === asked.id).why;
    expect([await why(captain), await why(owner), await why(mate)]).toEqual(['wedding', 'wedding', '']);
  });
});

describe('a booking', () => {
  it('comes in once, and its trip is told as made of it', async () => {
    const start = TEST_NOW + 40 * DAY;
    const booking = `party-${randomUUID()}@desk.example`;
    const made = await owner.post('/trips', tripBody(h, start, { booking }));
    expect(made.body.booking).toBe(booking);
    const again = await owner.post('/trips', tripBody(h, start + 5 * DAY, { booking }));
    expect(again).toMatchObject({ status: 409, body: { code: 'booking_there' } });
  });
  it('calendar is fetched from no address within this network, and from none that is no calendar', async () => {
    for (const url of ['http://127.0.0.1:1/a.ics', 'http://[::1]/a.ics', 'http://localhost/a.ics', 'file:///etc/passwd']) {
      const answer = await captain.post('/bookings/fetch', { url });
      expect(answer.status, url).toBe(400);
      expect(answer.body.fields[0].field).toBe('url');
    }
    expect((await mate.post('/bookings/fetch', { url: 'https://desk.example/a.ics' })).status).toBe(403);
  });
});

const times = (startMs: number) => ({
  id: randomUUID(),
  startsAt: new Date(startMs).toISOString(),
  endsAt: new Date(startMs + 4 * 3_600_000).toISOString(),
});
