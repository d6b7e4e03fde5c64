// Species of the outfit: what is fished for, how it is measured, and the lengths that are usual there.
import { id } from '@bluffwind/contract/ids';
import { speciesEdit } from '@bluffwind/contract/outfit';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { SpeciesEntity } from '../db/entities/fish';
import { type Deps, found, requireCaptain } from '../http/context';
import { requireNameFree } from '../http/nameFree';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';

const done = z.object({ ok: z.literal(true) });

export function speciesRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'post', path: '/species', request: jsonBody(speciesEdit), responses: answers(done, 'Stored') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const old = await entities.findOneBy(SpeciesEntity, { id: body.id });
      requireNameFree(await entities.find(SpeciesEntity), body, 'species');
      // Back in use when it is described again.
      if (old) await entities.update(SpeciesEntity, { id: old.id }, { ...body, retiredAt: null });
      else await entities.insert(SpeciesEntity, { ...body, outfitId: who.outfitId });
      await audit(entities, who, clock.now(), old ? 'change species' : 'add species', 'species', body.id, body);
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/species/{id}/retire',
      request: { params: z.object({ id }) },
      responses: answers(done, 'Off the list'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const species = found(await entities.findOneBy(SpeciesEntity, { id: c.req.valid('param').id, retiredAt: IsNull() }), 'species');
      await entities.update(SpeciesEntity, { id: species.id }, { retiredAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'retire species', 'species', species.id, { name: species.name });
      return { ok: true as const };
    },
  );
  return app;
}
