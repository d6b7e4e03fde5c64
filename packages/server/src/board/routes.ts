// Tonight and tomorrow at a glance: trips by boat, what is not ready, what has changed since a plan was made, boats that are overdue.
import { board } from '@bluffwind/contract/trips';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { createRoute } from '@hono/zod-openapi';
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
      for (const t of today) {
        if (t.status === 'under way' && Date.parse(t.endsAt) < now)
          open.push({
            tripId: t.id,
            text: `${t.boat.name} is overdue: back at ${saidTime(Date.parse(t.endsAt), zone)} by its float plan`,
          });
      }
      return { today, tomorrow, open };
    },
    { keptMs: 30_000 },
  );
  return app;
}
