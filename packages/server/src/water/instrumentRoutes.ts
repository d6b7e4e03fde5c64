// Boats' instruments that the crew gives by address.
import { id } from '@bluffwind/contract/ids';
import { instrumentEdit, instrumentGiven } from '@bluffwind/contract/stations';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { BoatEntity } from '../db/entities/outfit';
import { InstrumentEntity, WaterEntity } from '../db/entities/water';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';

const done = z.object({ ok: z.literal(true) });

export function instrumentRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/instruments', responses: answers(z.array(instrumentGiven), 'Instruments of the boats') }),
    async (c) => {
      requireCaptain(c);
      const rows = await c.get('entities').find(InstrumentEntity, { where: { removedAt: IsNull() }, order: { name: 'ASC' } });
      return rows.map(({ outfitId: _, removedAt: __, address, lastHeardAt, ...i }) => ({
        ...i,
        address: address ?? '',
        lastHeardAt: lastHeardAt?.toISOString() ?? null,
      }));
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/instruments',
      request: jsonBody(instrumentEdit),
      responses: answers(done, 'Listened to within half a minute'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      found(await entities.findOneBy(BoatEntity, { id: body.boatId, retiredAt: IsNull() }), 'boat');
      found(await entities.findOneBy(WaterEntity, { id: body.waterId }), 'water');
      const old = await entities.findOneBy(InstrumentEntity, { id: body.id });
      if (old) await entities.update(InstrumentEntity, { id: old.id }, { ...body, removedAt: null, lastError: null });
      else await entities.insert(InstrumentEntity, { ...body, outfitId: who.outfitId });
      await audit(entities, who, clock.now(), old ? 'change instrument' : 'add instrument', 'instrument', body.id, body);
      return { ok: true as const };
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/instruments/{id}/retire',
      request: { params: z.object({ id }) },
      responses: answers(done, 'Not listened to any more'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const row = found(await entities.findOneBy(InstrumentEntity, { id: c.req.valid('param').id, removedAt: IsNull() }), 'instrument');
      await entities.update(InstrumentEntity, { id: row.id }, { removedAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'take out instrument', 'instrument', row.id, { name: row.name });
      return { ok: true as const };
    },
  );
  return app;
}
