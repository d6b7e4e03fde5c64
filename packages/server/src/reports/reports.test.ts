// A day from its list before leaving to the page that the guests keep, and what strangers get of it.
import { US } from '@bluffwind/core/units/measure';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { smallPhoto } from '../testing/smallPhoto';

let h: Harness;
let mate: Client;
let captain: Client;
let tripId: string;
let start: number;
const at = (min: number) => new Date(start + min * 60_000).toISOString();
const [stopId, setId, catchId, photoId] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
const entry = (more: object) => ({ entryId: randomUUID(), ...more });
const send = async (who: Client, ...entries: object[]) =>
  (await who.post(`/deck/${tripId}/entries`, { entries })).body.receipts as { ok: boolean; message: string }[];
const theFish = async () => (await mate.get(`/deck/${tripId}`)).body.stops[0].sets[0].catches[0];
const tell = (min: number, told: object, entryId = randomUUID()) => ({ kind: 'tell-catch', entryId, at: at(min), catchId, told });
const landed = { kind: 'catch', catchId, setId, clientId: null, lengthMm: 430, lengthKind: 'total', outcome: 'landed', kept: false };

beforeAll(async () => {
  h = await startHarness();
  mate = await h.signIn(emailOf(h.mine, 'mate'));
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  const trip = h.mine.trips.at(-1);
  tripId = trip?.id as string;
  start = Date.parse(trip?.startsAt as string);
  h.clock.set(start + 90 * 60_000);
});
afterAll(() => h.close());

describe('the list before leaving', () => {
  const depart = (min: number, dueMin: number, signedBy = 'Captain') =>
    entry({
      kind: 'depart',
      at: at(min),
      done: ['plug', 'talk'],
      left: ['radio'],
      signedBy,
      dueAt: at(dueMin),
      ashore: 'the harbour office',
    });

  it('is kept with its name and time; the later signature holds, whichever is sent first', async () => {
    expect((await send(mate, depart(-5, 300, 'Second'), depart(-20, 200, 'First'))).map((r) => r.ok)).toEqual([true, true]);
    expect((await mate.get(`/deck/${tripId}`)).body.departure).toEqual({
      signedBy: 'Second',
      at: at(-5),
      dueAt: at(300),
      ashore: 'the harbour office',
      left: ['radio'],
    });
  });
  it('is refused when the boat is to be back before it leaves, or days later', async () => {
    for (const due of [-10, 5000]) expect((await send(mate, depart(-5, due)))[0]).toMatchObject({ ok: false, message: /dueAt/ });
  });
  it('sounds the alarm for every one of the crew once the time is past, and not before', async () => {
    await send(mate, entry({ kind: 'begin-trip', at: at(0) }), depart(1, 60));
    h.clock.set(start + 59 * 60_000);
    expect((await captain.get('/board')).body.overdue).toEqual([]);
    h.clock.set(start + 61 * 60_000);
    const [late] = (await mate.get('/board')).body.overdue;
    expect(late).toMatchObject({ tripId, dueAt: at(60), ashore: 'the harbour office' });
    h.clock.set(start + 90 * 60_000);
  });
});

describe('a fish told of', () => {
  beforeAll(async () => {
    const speciesId = h.mine.species[0]?.id;
    const stop = { kind: 'start-stop', at: at(5), stopId, spotId: h.mine.spots[0]?.id };
    const receipts = await send(
      mate,
      entry({ ...stop, sets: [{ id: setId, presentationId: h.mine.presentations[0]?.id, rods: 1 }] }),
      entry({ ...landed, at: at(20), speciesId }),
    );
    expect(receipts.map((r) => r.ok)).toEqual([true, true]);
  });

  it('is on the Board with its boat, where it fishes for who may know it', async () => {
    const out = async (who: Client) => (await who.get('/board')).body.out;
    expect(await out(captain)).toMatchObject([{ tripId, spot: 'Near stone', fishing: true, fish: 1, sinceAt: at(5), dueAt: at(60) }]);
    await h.owner.query(`update spot set privacy = 'captain' where id = $1`, [h.mine.spots[0]?.id]);
    await h.owner.query('update outfit_version set version = version + 1');
    expect(await out(mate)).toMatchObject([{ tripId, spot: 'Near stone', fish: 1 }]);
    await h.owner.query('delete from trip_mate where trip_id = $1 and person_id = $2', [tripId, h.mine.people[2]?.id]);
    await h.owner.query('update outfit_version set version = version + 1');
    expect(await out(mate)).toMatchObject([{ tripId, spot: null, fishing: true, fish: 1 }]);
    await h.owner.query('insert into trip_mate (trip_id, person_id, outfit_id) values ($1, $2, $3)', [
      tripId,
      h.mine.people[2]?.id,
      h.mine.outfit.id,
    ]);
    await h.owner.query(`update spot set privacy = 'crew' where id = $1`, [h.mine.spots[0]?.id]);
    await h.owner.query('update outfit_version set version = version + 1');
  });

  it('keeps the latest word of each thing, whichever phone says it and whenever it comes, and every word before it', async () => {
    const first = tell(30, { lengthMm: 470, hook: 'lip', forage: 'sand eel' });
    await send(mate, tell(40, { lengthMm: 480, kept: true }), first);
    expect(await theFish()).toMatchObject({ lengthMm: 480, kept: true, more: { hook: 'lip', forage: 'sand eel' } });
    await send(mate, first, tell(50, { forage: null }));
    expect(await theFish()).toMatchObject({ lengthMm: 480, kept: true, more: { hook: 'lip' } });
    expect((await theFish()).more.forage).toBeUndefined();
    const history = await h.owner.query('select value from catch_told where catch_id = $1 and field = $2 order by at', [
      catchId,
      'lengthMm',
    ]);
    expect(history.map((r: { value: number }) => r.value)).toEqual([landed.lengthMm, 470, 480]);
  });
  it('is the same fish when the phone sends it again', async () => {
    const again = entry({ ...landed, at: at(20), speciesId: h.mine.species[0]?.id });
    expect((await send(mate, again))[0]).toMatchObject({ ok: true });
    expect(await theFish()).toMatchObject({ lengthMm: 480 });
    expect((await send(mate, entry({ ...landed, at: at(21), speciesId: h.mine.species[0]?.id })))[0]).toMatchObject({ ok: false });
  });
  it('is refused for another trip’s guest, a fish that is not there, a kind of fish that is not, and with nothing told', async () => {
    const stranger = h.other.clients[0]?.id;
    const receipts = await send(
      mate,
      tell(51, { clientId: stranger }),
      tell(51, { speciesId: h.other.species[0]?.id }),
      { ...tell(51, { note: 'x' }), catchId: randomUUID() },
      tell(51, {}),
      tell(51, { weightG: -4 }),
    );
    expect(receipts.map((r) => r.ok)).toEqual([false, false, false, false, false]);
    expect(receipts.map((r) => r.message.split(':')[0])).toEqual(['told.clientId', 'told.speciesId', 'catchId', 'told', 'told.weightG']);
  });
});

describe('the guests’ page', () => {
  const open = (path: string) => h.app.request(`/api/reports/${path}`);
  const body = (more: object = {}) => ({
    id: randomUUID(),
    text: 'Thank you for the day.',
    learned: '',
    photoIds: [photoId],
    days: 30,
    ...more,
  });
  let token = '';

  it('waits for the end of the trip', async () => {
    expect((await captain.post(`/trips/${tripId}/report`, body({ photoIds: [] }))).body.detail).toMatch(/not over/);
    const photo = { id: photoId, catchId, at: at(20), data: smallPhoto().toString('base64') };
    for (let i = 0; i < 2; i++) expect((await mate.post(`/deck/${tripId}/photos`, photo)).status).toBe(200);
    await send(mate, entry({ kind: 'end-stop', at: at(60), stopId }), entry({ kind: 'end-trip', at: at(70) }));
    await h.jobsDone();
  });
  it('is drafted from the log', async () => {
    const { body: draft } = (await captain.get(`/trips/${tripId}/report`)).body;
    expect(draft).toMatchObject({ tally: [{ landed: 1, kept: 1, bestMm: 480 }], fish: [{ lengthMm: 480, kept: true }] });
    expect(draft.text).toMatch(/You brought 1 fish to hand/);
  });
  it('is refused with a spot’s name or a position in it, however written', async () => {
    for (const text of ['Fish at the NEAR  stone', 'We were at 47.5912', 'Out at 47° 35 N'])
      expect((await captain.post(`/trips/${tripId}/report`, body({ text }))).body).toMatchObject({
        code: 'invalid',
        fields: [{ field: 'text' }],
      });
    expect((await captain.post(`/trips/${tripId}/report`, body({ text: 'It was 14 °C and 48 cm long.', photoIds: [] }))).status).toBe(200);
  });
  it('opens by its address alone and tells no place, in its words, its figures and its photos', async () => {
    const made = await captain.post(`/trips/${tripId}/report`, body());
    token = made.body.path.replace('/r/', '');
    const answer = await open(token);
    expect(answer.status).toBe(200);
    const text = await answer.text();
    const places = h.mine.spots.flatMap((s) => [s.name, s.id, String(s.lat).slice(0, 6), String(s.lon).slice(0, 7)]);
    for (const place of [...places, ...h.mine.waters.flatMap((w) => [w.name, w.id]), ...h.mine.clients.map((c) => c.name)])
      expect(text.toLowerCase().includes(place.toLowerCase()), place).toBe(false);
    expect(JSON.parse(text)).toMatchObject({ photos: [0], tally: [{ landed: 1 }] });
    const photo = await open(`${token}/photos/0`);
    expect(photo.headers.get('content-type')).toBe('image/jpeg');
    expect((await photo.arrayBuffer()).byteLength).toBeGreaterThan(100);
    expect((await captain.get(`/trips/${tripId}/report`)).body.sent).toMatchObject({ opened: true });
  });
  it('is in the units of the captain who made it, whoever opens it', async () => {
    const usual = (await captain.get('/me')).body.settings;
    expect((await captain.post('/me/settings', { ...usual, units: US })).status).toBe(200);
    try {
      const path = (await captain.post(`/trips/${tripId}/report`, body())).body.path.replace('/r/', '');
      await captain.post('/me/settings', usual);
      const page = await (await open(path)).json();
      expect(page.units).toEqual(US);
      // What the day was like is there, its figures put into words.
      expect(page.weather).not.toMatch(/[{}]|°C/);
      expect((await open(`${path}/pdf`)).status).toBe(200);
    } finally {
      await captain.post('/me/settings', usual);
      token = (await captain.post(`/trips/${tripId}/report`, body())).body.path.replace('/r/', '');
    }
  });
  it('is the same nothing when its address is guessed, has run out or was ended', async () => {
    const nothing = async (path: string) => {
      const answer = await open(path);
      return [answer.status, await answer.text()];
    };
    const guessed = await nothing('A'.repeat(43));
    expect(guessed[0]).toBe(404);
    expect(await nothing(`${'A'.repeat(43)}/photos/0`)).toEqual(guessed);
    for (const other of ['x', 'A'.repeat(300), '..%2f', 'A%00', '0/photos/99', `${'A'.repeat(43)}/photos/x`])
      expect(await nothing(other), other).toEqual(guessed);
    h.clock.set(start + 40 * 86_400_000);
    expect(await nothing(token)).toEqual(guessed);
    h.clock.set(start + 90 * 60_000);
    expect((await open(token)).status).toBe(200);
    await captain.post(`/trips/${tripId}/report/end`);
    expect(await nothing(token)).toEqual(guessed);
    expect(await nothing(`${token}/photos/0`)).toEqual(guessed);
  });
  it('is drafted again without a photo that was taken away since, which only its taker or a captain may do', async () => {
    expect((await captain.post(`/trips/${tripId}/report`, body())).status).toBe(200);
    const other = randomUUID();
    await captain.post(`/deck/${tripId}/photos`, { id: other, catchId: null, at: at(30), data: smallPhoto().toString('base64') });
    expect((await mate.post(`/photos/${other}/remove`)).status).toBe(403);
    expect((await mate.post(`/photos/${photoId}/remove`)).status).toBe(200);
    const draft = (await captain.get(`/trips/${tripId}/report`)).body.body;
    expect(draft.photos).toEqual([]);
    expect((await captain.post(`/trips/${tripId}/report`, body({ photoIds: draft.photos }))).status).toBe(200);
  });
  it('looks as the owner wants it, its logo and last line too, and gives no place away by them', async () => {
    const owner = await h.signIn(emailOf(h.mine, 'owner'));
    const look = { name: 'Pell and sons', colour: '#224466', words: 'Come again in the autumn.' };
    const logo = smallPhoto().toString('base64');
    expect((await captain.post('/outfit/look', look)).status).toBe(403);
    expect((await owner.post('/outfit/look', { ...look, words: 'See you at Near Stone' })).body).toMatchObject({
      code: 'invalid',
      fields: [{ field: 'words' }],
    });
    expect((await owner.post('/outfit/look', { ...look, colour: 'red;background:url(x)' })).status).toBe(400);
    expect((await owner.post('/outfit/look', { ...look, logo: Buffer.from('<svg/>'.repeat(9)).toString('base64') })).body).toMatchObject({
      fields: [{ field: 'logo' }],
    });
    expect((await owner.post('/outfit/look', { ...look, logo })).body).toEqual({ ...look, logo: true });
    // What is left out stays.
    expect((await owner.post('/outfit/look', look)).body.logo).toBe(true);
    const path = (await captain.post(`/trips/${tripId}/report`, body({ photoIds: [] }))).body.path.replace('/r/', '');
    expect((await (await open(path)).json()).look).toEqual({ ...look, logo: true });
    expect((await open(`${path}/logo`)).headers.get('content-type')).toBe('image/jpeg');
    expect((await open(`${path}/pdf`)).status).toBe(200);
    // A logo taken away is gone from pages that are out.
    await owner.post('/outfit/look', { ...look, logo: null });
    expect((await (await open(path)).json()).look.logo).toBe(false);
    expect((await open(`${path}/logo`)).status).toBe(404);
  });
  it('is no mate’s to send', async () => {
    expect((await mate.post(`/trips/${tripId}/report`, body())).status).toBe(403);
  });
});

describe('the debrief', () => {
  const said = { said: 'Slow until the turn.', chips: ['slow'], lost: [{ what: '28 g head', number: 2 }], baitLeft: 'half', signed: false };
  it('is written by a mate, signed by a captain, and then the mate’s no more', async () => {
    expect((await mate.post(`/trips/${tripId}/debrief`, { ...said, signed: true })).status).toBe(403);
    expect((await mate.post(`/trips/${tripId}/debrief`, said)).status).toBe(200);
    expect((await captain.post(`/trips/${tripId}/debrief`, { ...said, signed: true })).status).toBe(200);
    expect((await mate.post(`/trips/${tripId}/debrief`, said)).body).toMatchObject({ code: 'conflict' });
    const view = (await mate.get(`/trips/${tripId}/debrief`)).body;
    expect(view).toMatchObject({ edit: { ...said, signed: true }, mayWrite: false });
    expect(view.stops[0]).toMatchObject({ spot: 'Near stone', fish: 1 });
    expect((await mate.get('/brief/2026-06-20')).body.said).toMatchObject([
      { said: said.said, chips: ['slow'], lost: said.lost, baitLeft: 'half', signedBy: expect.any(String) },
    ]);
    expect(view.stops[0].words).toMatch(/^1 where \d+( to \d+)? (were|was) expected: /);
  });
});
