// A person's trips for the calendar of his phone (RFC 5545), by a private address: no session, no spots, no notes.
import { through } from '../db/doors';
import { randomBytes } from 'node:crypto';
import { calendarAddress, calendarMade } from '@bluffwind/contract/auth';
import { DAY } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { Hono } from 'hono';
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { Between, type EntityManager, In, IsNull } from 'typeorm';
import { audit } from '../audit';
import { digest } from '../auth/session';
import { inOutfit } from '../db/database';
import { BoatEntity } from '../db/entities/boats';
import { CalendarAddressEntity, PersonEntity } from '../db/entities/people';
import { ClientEntity } from '../db/entities/clients';
import { OutfitEntity } from '../db/entities/outfit';
import { PartyEntity, TripEntity } from '../db/entities/trip';
import { DownForEntity } from '../db/entities/views';
import { WaterEntity } from '../db/entities/water';
import { namesOf } from '../db/namesOf';
import { Problem } from '../errors';
import type { Deps, Env } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';

const done = z.object({ ok: z.literal(true) });
const BACK_MS = 60 * DAY;
const AHEAD_MS = 400 * DAY;
const GOALS = { numbers: 'action', size: 'one big fish', table: 'dinner', learn: 'to learn' } as const;

/** The feed itself; it answers who has the address, and all others alike. */
export function calendarFeed({ source, clock }: Deps): Hono<Env> {
  const app = new Hono<Env>();
  app.get('/feeds/:file{[A-Za-z0-9_-]+\\.ics}', async (c) => {
    const token = c.req.param('file').slice(0, -'.ics'.length);
    const row = await through(source, 'calendar_by', digest(token));
    if (!row) throw new Problem('not_found', 'No such calendar.');
    const text = await inOutfit(source, row.outfit_id, (entities) => feedOf(entities, row.outfit_id, row.person_id, row.role, clock.now()));
    return c.body(text, 200, { 'Content-Type': 'text/calendar; charset=utf-8', 'Content-Disposition': 'inline; filename="trips.ics"' });
  });
  return app;
}

/** Making and ending one's own address. */
export function calendarAddressRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/me/calendar', responses: answers(calendarAddress, 'Whether there is an address') }),
    async (c) => {
      const row = await c.get('entities').findOneBy(CalendarAddressEntity, { personId: c.get('who').personId });
      return { madeAt: row?.madeAt.toISOString() ?? null };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/calendar',
      responses: answers(calendarMade, 'A new address, told this once; an older one ends'),
    }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const token = randomBytes(32).toString('base64url');
      const row = { personId: who.personId, outfitId: who.outfitId, tokenHash: digest(token), madeAt: new Date(clock.now()) };
      await entities.upsert(CalendarAddressEntity, row, ['personId']);
      await audit(entities, who, clock.now(), 'calendar address', 'person', who.personId, {});
      return { path: `/api/feeds/${token}.ics` };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/me/calendar/end', responses: answers(done, 'The address answers no more') }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      await entities.delete(CalendarAddressEntity, { personId: who.personId });
      await audit(entities, who, clock.now(), 'end calendar address', 'person', who.personId, {});
      return { ok: true as const };
    },
  );
  return app;
}

async function feedOf(entities: EntityManager, outfitId: string, personId: string, role: string, nowMs: number): Promise<string> {
  const outfit = await entities.findOneByOrFail(OutfitEntity, { id: outfitId });
  const down = role === 'owner' ? null : await entities.findBy(DownForEntity, { personId });
  const trips = await entities.find(TripEntity, {
    where: {
      startsAt: Between(new Date(nowMs - BACK_MS), new Date(nowMs + AHEAD_MS)),
      importId: IsNull(),
      ...(down === null ? {} : { id: In(down.map((d) => d.tripId)) }),
    },
    order: { startsAt: 'ASC' },
  });
  const party = await entities.findBy(PartyEntity, { tripId: In(trips.map((t) => t.id)) });
  const [boats, waters, captains, clients] = [
    await namesOf(entities, BoatEntity, trips, (t) => t.boatId),
    await namesOf(entities, WaterEntity, trips, (t) => t.waterId),
    await namesOf(entities, PersonEntity, trips, (t) => t.captainId),
    await namesOf(entities, ClientEntity, party, (p) => p.clientId),
  ];
  const calendar = ical({
    name: `${outfit.name}, trips`,
    prodId: { company: 'Bluffwind', product: 'trips' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const t of trips) {
    const guests = party
      .filter((p) => p.tripId === t.id)
      .flatMap((p) => clients.get(p.clientId) ?? [])
      .sort((a, b) => a.localeCompare(b));
    const title = guests.length === 0 ? 'no guests named' : `${guests[0]?.split(' ').at(-1)} party, ${guests.length}`;
    const event = calendar.createEvent({
      id: `${t.id}@bluffwind`,
      start: t.startsAt,
      end: t.endsAt,
      stamp: new Date(nowMs),
      summary: `${boats.get(t.boatId)}: ${title}`,
      description: `${waters.get(t.waterId)}. Wants ${GOALS[t.goal]}. Captain ${captains.get(t.captainId)}.`,
      status: t.status === 'cancelled' ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    });
    if (t.meeting !== '') event.location(t.meeting);
  }
  return calendar.toString();
}
