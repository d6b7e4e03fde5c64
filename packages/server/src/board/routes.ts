// Tonight and tomorrow at a glance: trips by boat, what is not ready, what has changed since a plan was made, boats that are overdue.
import { board } from '@bluffwind/contract/trips';
import { endingWords, gearEnding } from '@bluffwind/core/departure/gearEnding';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { createRoute } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { openTicks } from '../brief/kept';
import { unreadBriefs } from '../brief/unread';
import { BoatEntity } from '../db/entities/outfit';
import { endingPapers, paperWords } from '../crew/papers';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { crossedTriggers } from '../plan/alerts';
import { overdueBoats } from '../trips/overdue';
import { tripsOn, zoneOf } from '../trips/tripsOn';
import { newestRun, tripViews } from '../trips/tripViews';
import { said, saidDay, saidTime } from '@bluffwind/core/units/measure';
import { feedsDue } from '../grounds/feeds';
import { boatsOut } from './boatsOut';

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
      for (const u of await unreadBriefs(entities, addDays(date, 1))) {
        const trip = tomorrow.find((t) => t.id === u.tripId && t.status === 'planned');
        if (trip) open.push({ tripId: null, text: `${mine(trip)}: the brief is not read by ${u.people.join(', ')}` });
      }
      for (const a of await crossedTriggers(entities, rows.flat(), zone, now, run)) {
        const trip = [...today, ...tomorrow].find((t) => t.id === a.tripId);
        if (trip) open.unshift({ tripId: a.tripId, text: `${mine(trip)}: ${a.text}` });
      }
      for (const f of await feedsDue(entities, now, who.role))
        open.push({
          tripId: null,
          text: `Feed ${f.spot}: ${said(f.kg, 'weight', 1)}${f.what ? ` ${f.what}` : ''}, planned for ${saidDay(f.at.getTime(), zone)}`,
        });
      for (const p of await endingPapers(entities, date, who.role === 'owner' ? null : who.personId))
        open.push({ tripId: null, text: paperWords(p, date) });
      for (const b of await entities.findBy(BoatEntity, { retiredAt: IsNull() }))
        for (const g of gearEnding(b.gear, date)) open.push({ tripId: null, text: `Aboard ${b.name}: ${endingWords(g, date)}` });
      const overdue = await overdueBoats(entities, now);
      for (const o of overdue)
        open.unshift({ tripId: o.tripId, text: `${o.boat} is overdue: it was to be back at ${saidTime(o.dueAt.getTime(), zone)}` });
      return {
        today,
        tomorrow,
        open,
        out: await boatsOut(entities, who, now),
        overdue: overdue.map((o) => ({ ...o, dueAt: o.dueAt.toISOString() })),
      };
    },
    { keptMs: 30_000 },
  );
  return app;
}
