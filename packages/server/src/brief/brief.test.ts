// A brief from its first word to the day after it went out: what captains add, what stays as it went out, what has changed since, who has
// read it, and the same as a file that another program reads.
import { randomUUID } from 'node:crypto';
import { extractText, getDocumentProxy, getMeta } from 'unpdf';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ALL_SEEN } from '../testing/allSeen';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { smallPhoto } from '../testing/smallPhoto';
import { iso } from '../testing/validBodies';

let h: Harness;
let captain: Client;
let owner: Client;
let mate: Client;
let day: string;
let tripId: string;
let spots: readonly { id: string; name: string }[];

beforeAll(async () => {
  h = await startHarness();
  [captain, owner, mate] = [
    await h.signIn(emailOf(h.mine, 'captain')),
    await h.signIn(emailOf(h.mine, 'owner')),
    await h.signIn(emailOf(h.mine, 'mate')),
  ];
  const trip = h.mine.trips.at(-1) as { id: string; startsAt: string };
  tripId = trip.id;
  day = trip.startsAt.slice(0, 10);
  spots = h.mine.spots.map((s) => ({ id: s.id, name: s.name }));
});
afterAll(() => h.close());

const brief = async (who: Client, as = 'now') => (await who.get(`/brief/${day}?as=${as}`)).body;
const boatOf = async (who: Client, as = 'now') => (await brief(who, as)).boats.find((b: { trip: { id: string } }) => b.trip.id === tripId);
const lay = async (spotId: string | undefined, replaces: number) => {
  const start = Date.parse((h.mine.trips.at(-1) as { startsAt: string }).startsAt);
  const legs = [{ spotId, startAt: iso(start + 3_600_000), departAt: iso(start + 7_200_000), pinned: false }];
  const kept = await captain.post(`/trips/${tripId}/plans`, { id: randomUUID(), replaces, seen: ALL_SEEN, bans: [], legs });
  expect(kept.status, JSON.stringify(kept.body)).toBe(200);
};
const read = async (base64: string) => {
  const pdf = await getDocumentProxy(new Uint8Array(Buffer.from(base64, 'base64')));
  const { text, totalPages } = await extractText(pdf, { mergePages: true });
  return { text: text.replace(/\s+/g, ' '), totalPages, title: (await getMeta(pdf)).info?.Title };
};

describe('a brief', () => {
  it('takes what a captain adds, to everybody and to one boat, and nothing from a mate', async () => {
    await lay(spots[0]?.id, 0);
    expect((await captain.post(`/brief/${day}/words`, { tripId: null, text: '  Fog early; be here by six. ' })).status).toBe(200);
    expect((await captain.post(`/brief/${day}/words`, { tripId, text: 'Spare kill cord in the locker. Żółw, Ærø.' })).status).toBe(200);
    expect(await mate.post(`/brief/${day}/words`, { tripId: null, text: 'x' })).toMatchObject({ status: 403 });
    expect(await captain.post(`/brief/${day}/words`, { tripId: randomUUID(), text: 'x' })).toMatchObject({ status: 404 });
    expect((await captain.post(`/brief/${day}/words`, { tripId: null, text: 'x'.repeat(2001) })).body.fields[0].field).toBe('text');
    expect((await brief(mate)).words).toBe('Fog early; be here by six.');
    expect((await boatOf(mate)).words).toBe('Spare kill cord in the locker. Żółw, Ærø.');
  });

  it('that did not go out cannot be read as such', async () => {
    expect(await mate.get(`/brief/${day}?as=published`)).toMatchObject({ status: 404, body: { code: 'not_found' } });
    expect(await brief(mate)).toMatchObject({ publishedAt: null, asPublished: false, since: [] });
  });

  it('stays as it went out, and says since what has changed', async () => {
    expect((await captain.post(`/brief/${day}/publish`)).status).toBe(200);
    expect((await brief(mate)).since).toEqual([]);
    const before = await boatOf(mate, 'published');
    expect(before.plan.legs.map((l: { spotId: string }) => l.spotId)).toEqual([spots[0]?.id]);
    await lay(spots[1]?.id, 1);
    await captain.post(`/brief/${day}/words`, { tripId: null, text: '' });
    await h.jobsDone();
    expect((await boatOf(mate)).plan.legs[0].spotId).toBe(spots[1]?.id);
    expect(await boatOf(mate, 'published')).toEqual(before);
    expect(await brief(mate, 'published')).toMatchObject({ words: 'Fog early; be here by six.', asPublished: true });
    const { since } = await brief(mate);
    const { name } = h.mine.boats.find((b) => b.id === before.trip.boat.id) as { name: string };
    expect(since.some((s: string) => s.startsWith(`${name}: the day was laid anew by `))).toBe(true);
    expect(since).toContain('What is written to everybody has changed.');
    expect((await captain.post(`/brief/${day}/publish`)).status).toBe(200);
    expect((await brief(mate)).since).toEqual([]);
  });

  it('knows who of the boat has read it since it last went out', async () => {
    const readers = async () =>
      (await boatOf(owner)).people.filter((p: { readAt: string | null }) => p.readAt).map((p: { name: string }) => p.name);
    const name = h.mine.people.find((p) => p.role === 'captain')?.name;
    expect(await readers()).toEqual([]);
    h.clock.set(h.clock.now() + 60_000);
    expect((await captain.post(`/brief/${day}/read`)).status).toBe(200);
    expect(await readers()).toEqual([name]);
    h.clock.set(h.clock.now() + 60_000);
    await captain.post(`/brief/${day}/publish`);
    expect(await readers()).toEqual([]);
    h.clock.set(h.clock.now() + 60_000);
    await captain.post(`/brief/${day}/read`);
    expect(await readers()).toEqual([name]);
  });

  it('that somebody aboard has not read is on the Board, until he has', async () => {
    const before = h.clock.now();
    // The evening before.
    h.clock.set(Date.parse(`${day}T00:00:00Z`) - 4 * 3_600_000);
    const open = async () =>
      ((await owner.get('/board')).body.open as { text: string }[]).map((o) => o.text).filter((t) => t.includes('brief'));
    const mateName = h.mine.people.find((p) => p.role === 'mate')?.name as string;
    await h.owner.query('insert into trip_mate (outfit_id, trip_id, person_id) values ($1, $2, $3) on conflict do nothing', [
      h.mine.outfit.id,
      tripId,
      h.mine.people.find((p) => p.role === 'mate')?.id,
    ]);
    await h.changed();
    expect(await open()).toEqual([expect.stringMatching(new RegExp(`the brief is not read by ${mateName}$`))]);
    h.clock.set(before + 120_000);
    await mate.post(`/brief/${day}/read`);
    h.clock.set(Date.parse(`${day}T00:00:00Z`) - 4 * 3_600_000 + 60_000);
    expect(await open()).toEqual([]);
    h.clock.set(before + 180_000);
  });
  it('is shown as it went out with the eyes of who reads it: a spot that became a captain’s has no name for a mate', async () => {
    const there = spots[1];
    await h.owner.query(`update spot set privacy = 'captain' where id = $1`, [there?.id]);
    await h.owner.query('delete from trip_mate where trip_id = $1', [tripId]);
    try {
      await h.changed();
      expect(JSON.stringify(await brief(mate, 'published'))).not.toContain(there?.name);
      expect(JSON.stringify(await brief(captain, 'published'))).toContain(there?.name);
      const file = await read((await mate.get(`/brief/${day}/pdf?as=published`)).body.base64);
      expect(file.text).not.toContain(there?.name);
      expect(file.text).toContain('a captain’s spot');
    } finally {
      await h.owner.query(`update spot set privacy = 'crew' where id = $1`, [there?.id]);
      await h.changed();
    }
  });
});

describe('the brief as PDF', () => {
  it('read by another program has its boat, its words, its stop and its rules, a page a boat', async () => {
    const { body } = await captain.get(`/brief/${day}/pdf`);
    expect(body.name).toBe(`brief-${day}.pdf`);
    const file = await read(body.base64);
    const view = await brief(captain);
    expect(file.totalPages).toBeGreaterThanOrEqual(view.boats.length);
    expect(file.title).toContain('Brief for');
    for (const words of [
      view.boats[0].trip.boat.name,
      'Spare kill cord in the locker. Żółw, Ærø.',
      spots[1]?.name as string,
      'Local rules and the licensed captain',
    ])
      expect(file.text).toContain(words);
    // No figure is left in the form in which the server keeps it.
    expect(file.text).not.toMatch(/\{[a-z]+ /);
  });
  it('is in the reader’s own units', async () => {
    const usual = (await captain.get('/me')).body.settings;
    const us = { ...usual, units: { ...usual.units, clock: '12', speed: 'kn', depth: 'ft', dates: 'month first' } };
    expect((await captain.post('/me/settings', us)).status).toBe(200);
    try {
      expect((await read((await captain.get(`/brief/${day}/pdf`)).body.base64)).text).toMatch(/\d:\d\d [ap]m/);
    } finally {
      await captain.post('/me/settings', usual);
    }
  });
});

describe('the guests’ page as PDF', () => {
  it('has the day, its fish and its photos, and no place', async () => {
    const start = Date.parse((h.mine.trips.at(-1) as { startsAt: string }).startsAt);
    const at = (min: number) => iso(start + min * 60_000);
    h.clock.set(start + 5 * 3_600_000);
    const [stopId, setId, catchId, photoId] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
    const entry = (more: object) => ({ entryId: randomUUID(), ...more });
    const sets = [{ id: setId, presentationId: h.mine.presentations[0]?.id, rods: 1 }];
    const fish = { kind: 'catch', catchId, setId, clientId: null, lengthMm: 430, lengthKind: 'total', outcome: 'landed', kept: false };
    const sent = await captain.post(`/deck/${tripId}/entries`, {
      entries: [
        entry({ kind: 'begin-trip', at: at(0) }),
        entry({ kind: 'start-stop', at: at(5), stopId, spotId: spots[0]?.id, sets }),
        entry({ ...fish, at: at(20), speciesId: h.mine.species[0]?.id }),
        entry({ kind: 'end-stop', at: at(60), stopId }),
        entry({ kind: 'end-trip', at: at(240) }),
      ],
    });
    expect(
      sent.body.receipts.every((r: { ok: boolean }) => r.ok),
      JSON.stringify(sent.body),
    ).toBe(true);
    const photo = { id: photoId, catchId, at: at(20), data: smallPhoto().toString('base64') };
    const stored = await captain.post(`/deck/${tripId}/photos`, photo);
    expect(stored.status, JSON.stringify(stored.body)).toBe(200);
    const report = { id: randomUUID(), text: 'A fine morning.', learned: 'The slow lift.', photoIds: [photoId], days: 30 };
    const made = await captain.post(`/trips/${tripId}/report`, report);
    expect(made.status, JSON.stringify(made.body)).toBe(200);
    const address = `/api/reports/${made.body.path.split('/').at(-1)}/pdf`;
    const answer = await h.app.request(address);
    expect([answer.status, answer.headers.get('Content-Type')]).toEqual([200, 'application/pdf']);
    const bytes = Buffer.from(await answer.arrayBuffer());
    const file = await read(bytes.toString('base64'));
    for (const words of ['A fine morning.', 'The slow lift.', '43 cm', h.mine.outfit.name]) expect(file.text).toContain(words);
    for (const spot of h.mine.spots) {
      expect(file.text).not.toContain(spot.name);
      for (const figure of [spot.lat, spot.lon]) expect(bytes.toString('latin1')).not.toContain(figure.toFixed(4));
    }
    expect(bytes.toString('latin1')).toContain('/DCTDecode');
    await captain.post(`/trips/${tripId}/report/end`);
    expect((await h.app.request(address)).status).toBe(404);
  });
});
