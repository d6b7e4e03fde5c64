// Papers and days away: each sets his own, the owner those of everybody.
import { id } from '@bluffwind/contract/ids';
import { awayEdit, paperEdit, papersView } from '@bluffwind/contract/papers';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import type { Context } from 'hono';
import { IsNull, MoreThanOrEqual } from 'typeorm';
import { audit } from '../audit';
import { AwayEntity, PaperEntity, PersonEntity } from '../db/entities/people';
import { Problem } from '../errors';
import { type Deps, type Env, found } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { zoneOf } from '../trips/tripsOn';
import { boatsDownFor } from './boatsDownFor';

const done = z.object({ ok: z.literal(true) });
const byId = z.object({ id });
/** Days away that are over are shown for so long. */
const BACK_DAYS = 30;
const MOST_EACH = 100;

export function paperRoutes({ clock }: Deps) {
  const app = router();
  /** Throws unless it is oneself, or the owner. */
  const requireOwn = async (c: Context<Env>, personId: string): Promise<void> => {
    const who = c.get('who');
    if (who.personId !== personId && who.role !== 'owner') throw new Problem('not_allowed', 'Each sets their own; the owner sets all.');
    found(await c.get('entities').findOneBy(PersonEntity, { id: personId }), 'person');
  };
  const now = () => new Date(clock.now());

  app.answer(
    createRoute({ method: 'get', path: '/papers', responses: answers(papersView, 'Papers that end, and days away') }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const today = localDate(clock.now(), await zoneOf(entities, who.outfitId));
      const whose = who.role === 'owner' ? {} : { personId: who.personId };
      const away = await entities.find(AwayEntity, {
        where: { removedAt: IsNull(), toOn: MoreThanOrEqual(addDays(today, -BACK_DAYS)) },
        order: { fromOn: 'ASC' },
      });
      return {
        papers: await entities.find(PaperEntity, { where: { removedAt: IsNull(), ...whose }, order: { endsOn: 'ASC' } }),
        away: away.map((a) => ({ ...a, why: who.role === 'owner' || a.personId === who.personId ? a.why : '' })),
      };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/papers', request: jsonBody(paperEdit), responses: answers(done, 'Stored') }),
    async (c) => {
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      await requireOwn(c, body.personId);
      const kept = await entities.findOneBy(PaperEntity, { id: body.id });
      if (kept) await requireOwn(c, kept.personId);
      else if ((await entities.countBy(PaperEntity, { personId: body.personId, removedAt: IsNull() })) >= MOST_EACH)
        throw new Problem('in_use', `${MOST_EACH} papers are enough; take out those that are over.`);
      await entities.save(PaperEntity, { ...body, outfitId: who.outfitId, removedAt: null });
      await audit(entities, who, clock.now(), 'paper', 'person', body.personId, { kind: body.kind, endsOn: body.endsOn });
      return { ok: true as const };
    },
    { maxBytes: 4096 },
  );
  app.answer(
    createRoute({ method: 'post', path: '/papers/{id}/remove', request: { params: byId }, responses: answers(done, 'Taken out') }),
    async (c) => {
      const entities = c.get('entities');
      const row = found(await entities.findOneBy(PaperEntity, { id: c.req.valid('param').id }), 'paper');
      await requireOwn(c, row.personId);
      await entities.update(PaperEntity, { id: row.id }, { removedAt: now() });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/away', request: jsonBody(awayEdit), responses: answers(done, 'Stored') }),
    async (c) => {
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      await requireOwn(c, body.personId);
      const kept = await entities.findOneBy(AwayEntity, { id: body.id });
      if (kept) await requireOwn(c, kept.personId);
      else if ((await entities.countBy(AwayEntity, { personId: body.personId, removedAt: IsNull() })) >= MOST_EACH)
        throw new Problem('in_use', `${MOST_EACH} times away are enough; take out those that are over.`);
      // Trips that he is down for stay until somebody else is named: said now, so that it is not found on the morning.
      const zone = await zoneOf(entities, who.outfitId);
      const boats = await boatsDownFor(entities, body, zone);
      const [first] = boats;
      if (first !== undefined)
        throw new Problem(
          'in_use',
          `Down for ${boats.length === 1 ? 'a trip' : `${boats.length} trips`} then, the first with ${first}: name somebody else there first.`,
          [{ field: 'fromOn', message: `down for a trip of ${first}` }],
        );
      await entities.save(AwayEntity, { ...body, outfitId: who.outfitId, removedAt: null });
      await audit(entities, who, clock.now(), 'away', 'person', body.personId, { from: body.fromOn, to: body.toOn });
      return { ok: true as const };
    },
    { maxBytes: 4096 },
  );
  app.answer(
    createRoute({ method: 'post', path: '/away/{id}/remove', request: { params: byId }, responses: answers(done, 'Taken out') }),
    async (c) => {
      const entities = c.get('entities');
      const row = found(await entities.findOneBy(AwayEntity, { id: c.req.valid('param').id }), 'time away');
      await requireOwn(c, row.personId);
      await entities.update(AwayEntity, { id: row.id }, { removedAt: now() });
      return { ok: true as const };
    },
  );
  return app;
}
