import { briefView } from '@bluffwind/contract/brief';
import { date } from '@bluffwind/contract/ids';
import { createRoute, z } from '@hono/zod-openapi';
import { inOutfit } from '../db/database';
import { audit } from '../audit';
import { BriefEntity } from '../db/entities/trip';
import { type Deps, found, requireCaptain } from '../http/context';
import type { Who } from '../http/who';
import { router } from '../http/routes';
import { answers } from '../http/responses';
import { keptParts, makeParts } from './kept';
import { presentBrief } from './present';

const byDate = z.object({ date });

/** The evening's brief: kept as it was worked out, composed for each reader, and as it stood when published. */
export function briefRoutes({ clock, source }: Deps) {
  const app = router();
  // Working it out takes longer than a transaction may stand open: each step has its own.
  const partsOf = async (who: Who, day: string) =>
    (await inOutfit(source, who.outfitId, (entities) => keptParts(entities, day))) ??
    (await makeParts(source, who.outfitId, day, clock.now()));
  app.answer(
    createRoute({ method: 'get', path: '/brief/{date}', request: { params: byDate }, responses: answers(briefView, 'Debrief and brief') }),
    async (c) => {
      const [who, day] = [c.get('who'), c.req.valid('param').date];
      const parts = await partsOf(who, day);
      return inOutfit(source, who.outfitId, (entities) => presentBrief(entities, day, who, parts), who);
    },
    { slow: true, keptMs: 120_000, ownTransactions: true },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/brief/{date}/publish',
      request: { params: byDate },
      responses: answers(briefView, 'Published to the crew'),
    }),
    async (c) => {
      requireCaptain(c);
      const [who, day] = [c.get('who'), c.req.valid('param').date];
      const parts = await partsOf(who, day);
      return inOutfit(
        source,
        who.outfitId,
        async (entities) => {
          const body = await presentBrief(entities, day, who, parts);
          await entities.query(
            `insert into brief (outfit_id, date, published_at, published_by, body) values ($1, $2, $3, $4, $5)
             on conflict (outfit_id, date) do update set published_at = excluded.published_at, published_by = excluded.published_by, body = excluded.body`,
            [who.outfitId, day, new Date(clock.now()), who.personId, JSON.stringify(body)],
          );
          const stored = found(await entities.findOneBy(BriefEntity, { date: day }), 'brief');
          await audit(entities, who, clock.now(), 'publish', 'brief', stored.id, { date: day });
          return presentBrief(entities, day, who, parts);
        },
        who,
      );
    },
    { slow: true, ownTransactions: true },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/brief/{date}/read',
      request: { params: byDate },
      responses: answers(z.object({ ok: z.literal(true) }), 'Receipt stored'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const who = c.get('who');
      const stored = found(await entities.findOneBy(BriefEntity, { date: c.req.valid('param').date }), 'published brief');
      await entities.query(
        `insert into brief_read (brief_id, outfit_id, person_id, read_at) values ($1, $2, $3, $4) on conflict do nothing`,
        [stored.id, who.outfitId, who.personId, new Date(clock.now())],
      );
      return { ok: true as const };
    },
  );
  return app;
}
