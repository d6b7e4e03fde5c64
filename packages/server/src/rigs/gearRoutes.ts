// What is in the boxes: stock, cost and sizes.
import { id } from '@bluffwind/contract/ids';
import { gearEdit, gearList } from '@bluffwind/contract/rigs';
import { baitCount } from '@bluffwind/contract/trials';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { GearEntity } from '../db/entities/rigs';
import { type Deps, found, requireCaptain } from '../http/context';
import { requireNameFree } from '../http/nameFree';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { earnedOf } from './earnedOf';

const done = z.object({ ok: z.literal(true) });

export function gearRoutes({ clock }: Deps) {
  const app = router();
  app.answer(createRoute({ method: 'get', path: '/gear', responses: answers(gearList, 'What is in the boxes') }), async (c) => {
    const rows = await c.get('entities').find(GearEntity, { order: { kind: 'ASC', massG: 'ASC', name: 'ASC' } });
    return rows.map(({ retiredAt, outfitId: _, ...g }) => ({ ...g, outOfUse: retiredAt !== null }));
  });

  app.answer(
    createRoute({
      method: 'get',
      path: '/gear/earned',
      responses: answers(z.array(baitCount), 'Fish, hours, cost and losses of each bait'),
    }),
    async (c) => earnedOf(c.get('entities'), clock.now()),
    { slow: true, keptMs: 300_000, keptFor: 'outfit', from: ['after', 'crew', 'gear', 'log', 'spots'] },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/gear',
      request: jsonBody(gearEdit),
      responses: answers(done, 'Stored; back in use if it was not'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const all = await entities.find(GearEntity);
      requireNameFree(all, body, 'thing');
      if (all.some((g) => g.id === body.id)) await entities.update(GearEntity, { id: body.id }, { ...body, retiredAt: null });
      else await entities.insert(GearEntity, { ...body, outfitId: who.outfitId });
      await audit(entities, who, clock.now(), 'store gear', 'gear', body.id, body);
      return { ok: true as const };
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/gear/{id}/retire',
      request: { params: z.object({ id }) },
      responses: answers(done, 'Out of use'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const gear = found(await entities.findOneBy(GearEntity, { id: c.req.valid('param').id }), 'gear');
      await entities.update(GearEntity, { id: gear.id }, { retiredAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'retire gear', 'gear', gear.id, { name: gear.name });
      return { ok: true as const };
    },
  );
  return app;
}
