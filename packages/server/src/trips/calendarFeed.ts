// A person's trips for the calendar of his phone (RFC 5545), by a private address: no session, no spots, no notes.
import { through } from '../db/doors';
import { randomBytes } from 'node:crypto';
import { calendarAddress, calendarMade } from '@bluffwind/contract/auth';
import { DAY } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { Hono } from 'hono';
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import type { EntityManager } from 'typeorm';
import { audit } from '../audit';
import { digest } from '../auth/session';
import { inOutfit } from '../db/database';
import { CalendarAddressEntity, OutfitEntity } from '../db/entities/outfit';
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

interface FeedRow {
  readonly id: string;
  readonly starts_at: Date;
  readonly ends_at: Date;
  readonly status: string;
  readonly goal: keyof typeof GOALS;
  readonly meeting: string;
  readonly boat: string;
  readonly water: string;
  readonly captain: string;
  readonly guests: string[] | null;
}

async function feedOf(entities: EntityManager, outfitId: string, personId: string, role: string, nowMs: number): Promise<string> {
  const outfit = await entities.findOneByOrFail(OutfitEntity, { id: outfitId });
  const trips: FeedRow[] = await entities.query(
    `select t.id, t.starts_at, t.ends_at, t.status, t.goal, t.meeting, b.name as boat, w.name as water, p.name as captain,
       (select array_agg(c.name order by c.name) from party x join client c on c.id = x.client_id where x.trip_id = t.id) as guests
     from trip t join boat b on b.id = t.boat_id join water w on w.id = t.water_id join person p on p.id = t.captain_id
     where t.starts_at between $1 and $2 and t.import_id is null
       and ($3 = 'owner' or t.captain_id = $4 or exists (select from trip_mate m where m.trip_id = t.id and m.person_id = $4))
     order by t.starts_at`,
    [new Date(nowMs - BACK_MS), new Date(nowMs + AHEAD_MS), role, personId],
  );
  const calendar = ical({
    name: `${outfit.name}, trips`,
    prodId: { company: 'Bluffwind', product: 'trips' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const t of trips) {
    const guests = t.guests ?? [];
    const party = guests.length === 0 ? 'no guests named' : `${guests[0]?.split(' ').at(-1)} party, ${guests.length}`;
    const event = calendar.createEvent({
      id: `${t.id}@bluffwind`,
      start: t.starts_at,
      end: t.ends_at,
      stamp: new Date(nowMs),
      summary: `${t.boat}: ${party}`,
      description: `${t.water}. Wants ${GOALS[t.goal]}. Captain ${t.captain}.`,
      status: t.status === 'cancelled' ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    });
    if (t.meeting !== '') event.location(t.meeting);
  }
  return calendar.toString();
}
