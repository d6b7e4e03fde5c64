// Tonight and tomorrow at a glance: trips by boat, what is not ready, what has changed since a plan was made, boats that are overdue.
import { board } from '@bluffwind/contract/trips';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { createRoute } from '@hono/zod-openapi';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { crossedTriggers } from '../plan/alerts';
import { overdueBoats } from '../trips/overdue';
import { tripsOn, zoneOf } from '../trips/tripsOn';
import { newestRun, tripViews } from '../trips/tripViews';
import { boatsOut } from './boatsOut';
import { openThings } from './openThings';

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
      const [first, second] = [await tripsOn(entities, date, zone), await tripsOn(entities, addDays(date, 1), zone)];
      const today = await tripViews(entities, first, who, run);
      const tomorrow = await tripViews(entities, second, who, run);
      const overdue = await overdueBoats(entities, now);
      const crossed = await crossedTriggers(entities, [...first, ...second], zone, now, run);
      return {
        today,
        tomorrow,
        open: await openThings(entities, { who, now, date, zone, today, tomorrow, overdue, crossed }),
        out: await boatsOut(entities, who, now),
        overdue: overdue.map((o) => ({ ...o, dueAt: o.dueAt.toISOString() })),
      };
    },
    { keptMs: 30_000 },
  );
  return app;
}
