// Tonight and tomorrow at a glance: trips by boat, what is not ready, what has changed since a plan was made, boats that are overdue.
import { type Board, board } from '@bluffwind/contract/trips';
import { addDays, DAY, localDate } from '@bluffwind/core/units/time';
import { createRoute } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { openTicks } from '../brief/kept';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { crossedTriggers } from '../plan/alerts';
import { tripsOn, zoneOf } from '../trips/tripsOn';
import { newestRun, tripViews } from '../trips/tripViews';
import { saidTime } from '@bluffwind/core/units/measure';

export function boardRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/board', responses: answers(board, 'Today, tomorrow and what is open') }),
    async (c) => {
      const entities = c.get('entities');
      const who = c.get('who');
      const zone = await zoneOf(entities, who.outfitId);
      const now = clock.now();
      const date = localDate(now, zone);
      const run = await newestRun(entities, now);
      const rows = [await tripsOn(entities, date, zone), await tripsOn(entities, addDays(date, 1), zone)] as const;
      const today = await tripViews(entities, rows[0], who, run);
      const tomorrow = await tripViews(entities, rows[1], who, run);
      const open: { tripId: string | null; text: string }[] = [];
      const mine = (t: { boat: { name: string }; startsAt: string }) => `${t.boat.name} ${saidTime(Date.parse(t.startsAt), zone)}`;
      for (const t of [...today, ...tomorrow].filter((x) => x.status === 'planned')) {
        if (!t.plan) open.push({ tripId: t.id, text: `${mine(t)}: no plan yet` });
        else if (t.plan.stale) open.push({ tripId: t.id, text: `${mine(t)}: a newer forecast is in since the plan was made` });
        if (t.guests.length === 0) open.push({ tripId: t.id, text: `${mine(t)}: no guests named` });
      }
      for (const o of await openTicks(entities, addDays(date, 1))) {
        const trip = tomorrow.find((t) => t.id === o.tripId && t.status === 'planned' && t.plan);
        if (trip && o.done < o.all)
          open.push({ tripId: o.tripId, text: `${mine(trip)}: ${o.all - o.done} of ${o.all} things still to tie, get ready or load` });
      }
      for (const a of await crossedTriggers(entities, rows.flat(), zone, now, run)) {
        const trip = [...today, ...tomorrow].find((t) => t.id === a.tripId);
        if (trip) open.unshift({ tripId: a.tripId, text: `${mine(trip)}: ${a.text}` });
      }
      const overdue = await overdueBoats(entities, now);
      for (const o of overdue)
        open.unshift({ tripId: o.tripId, text: `${o.boat} is overdue: back at ${saidTime(Date.parse(o.dueAt), zone)} by its float plan` });
      return { today, tomorrow, open, overdue };
    },
    { keptMs: 30_000 },
  );
  return app;
}

/** Trips of other years that nobody ended are no alarm. */
const ALARM_MS = 3 * DAY;

/** Boats that are out after the time signed before leaving, or after the trip's end where nothing was signed. */
async function overdueBoats(entities: EntityManager, nowMs: number): Promise<Board['overdue']> {
  const rows: { id: string; boat: string; captain: string; due: Date; ashore: string }[] = await entities.query(
    `select t.id, b.name as boat, p.name as captain, coalesce(d.due_at, t.ends_at) as due, coalesce(d.ashore, '') as ashore
     from trip t join boat b on b.id = t.boat_id join person p on p.id = t.captain_id left join departure d on d.trip_id = t.id
     where t.status = 'under way' and coalesce(d.due_at, t.ends_at) between $1 and $2 order by 4`,
    [new Date(nowMs - ALARM_MS), new Date(nowMs)],
  );
  return rows.map((r) => ({ tripId: r.id, boat: r.boat, captain: r.captain, dueAt: r.due.toISOString(), ashore: r.ashore }));
}
