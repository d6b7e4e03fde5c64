// Trips in the calendar of a phone, read by a foreign library (ical.js), and what nobody else gets by it.
import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';

let h: Harness;
let captain: Client;
let mate: Client;
beforeAll(async () => {
  h = await startHarness();
  [captain, mate] = [await h.signIn(emailOf(h.mine, 'captain')), await h.signIn(emailOf(h.mine, 'mate'))];
});
afterAll(() => h.close());

const read = (path: string) => h.app.request(path);
const made = async (who: Client) => (await who.post('/me/calendar')).body.path as string;

describe('a calendar by its private address', () => {
  it('holds a captain’s trips as RFC 5545 has them: times, boat, party, place, and neither spots nor notes', async () => {
    const trip = h.mine.trips.at(-1);
    await h.owner.query(`update trip set meeting = 'North quay; gate 3, ring' where id = $1`, [trip?.id]);
    expect((await captain.get('/me/calendar')).body).toEqual({ madeAt: null });
    const answer = await read(await made(captain));
    expect(answer.headers.get('content-type')).toContain('text/calendar');
    const text = await answer.text();
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((v) => new ICAL.Event(v));
    const mine: { id: string; n: number }[] = await h.owner.query(
      `select t.id, (select count(*)::int from party p where p.trip_id = t.id) as n from trip t
       where captain_id = $1 and import_id is null and starts_at > $2::timestamptz - interval '60 days'`,
      [h.mine.people[1]?.id, new Date(h.clock.now())],
    );
    expect(events.map((e) => e.uid).sort()).toEqual(mine.map((t) => `${t.id}@bluffwind`).sort());
    const event = events.find((e) => e.uid.startsWith(trip?.id ?? '-'));
    expect(event?.startDate.toJSDate().getTime()).toBe(Date.parse(trip?.startsAt ?? ''));
    expect(event?.endDate.toJSDate().getTime()).toBe(Date.parse(trip?.endsAt ?? ''));
    expect(event?.location).toBe('North quay; gate 3, ring');
    for (const secret of [...h.mine.spots.map((s) => s.name), ...h.mine.clients.map((c) => c.medicalNote)])
      if (secret !== '') expect(text).not.toContain(secret);
    // No line is longer than 75 octets (RFC 5545, 3.1).
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });

  it('says that a trip was called off', async () => {
    const path = await made(captain);
    const trip = h.mine.trips.at(-1);
    await h.owner.query(`update trip set status = 'cancelled' where id = $1`, [trip?.id]);
    const events = new ICAL.Component(ICAL.parse(await (await read(path)).text())).getAllSubcomponents('vevent');
    const off = events.find((v) => String(v.getFirstPropertyValue('uid')).startsWith(trip?.id ?? '-'));
    expect(off?.getFirstPropertyValue('status')).toBe('CANCELLED');
    await h.owner.query(`update trip set status = 'planned' where id = $1`, [trip?.id]);
  });

  it('is a mate’s own trips only; a new address ends the old one, and all that is no address answers alike', async () => {
    const first = await made(mate);
    const all = ICAL.parse(await (await read(first)).text());
    const aboard = await h.owner.query('select trip_id from trip_mate where person_id = $1', [h.mine.people[2]?.id]);
    expect(new ICAL.Component(all).getAllSubcomponents('vevent').length).toBeLessThanOrEqual(aboard.length);
    const second = await made(mate);
    const gone = await read(first);
    expect([gone.status, (await read(second)).status]).toEqual([404, 200]);
    const guessed = await read(`/api/feeds/${'x'.repeat(43)}.ics`);
    expect(await guessed.json()).toEqual(await gone.json());
    expect((await mate.post('/me/calendar/end')).status).toBe(200);
    expect((await read(second)).status).toBe(404);
  });

  it('ends with the person', async () => {
    const path = await made(mate);
    expect((await read(path)).status).toBe(200);
    await h.owner.query('update person set active = false where id = $1', [h.mine.people.find((p) => p.role === 'mate')?.id]);
    expect((await read(path)).status).toBe(404);
  });
});
