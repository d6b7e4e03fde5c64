import { familyEdit, familyId, familyView, presentationEdit, presentationsView, presentationView } from '@bluffwind/contract/presentations';
import { nameKey } from '@bluffwind/core/units/nameKey';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { presentationsOf } from './presentationsOf';

/** Families and variants of presentations: what the crew fishes with, and where it is meant to work. */
export function presentationRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/presentations', responses: answers(presentationsView, 'Families and variants') }),
    async (c) => await presentationsOf(c.get('entities')),
    { keptMs: 300_000, keptFor: 'outfit', from: ['crew', 'log'] },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/families/{familyId}',
      request: { params: z.object({ familyId }), ...jsonBody(familyEdit) },
      responses: answers(familyView, 'Added, or changed when it was there'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const { familyId: fid } = c.req.valid('param');
      const body = c.req.valid('json');
      const known = await entities.findOneBy(FamilyEntity, { id: fid });
      if (known) await entities.update(FamilyEntity, { id: fid, outfitId: who.outfitId }, body);
      else await entities.insert(FamilyEntity, { ...body, id: fid, outfitId: who.outfitId });
      await audit(entities, who, clock.now(), known ? 'change family' : 'add family', 'outfit', who.outfitId, { id: fid, ...body });
      const view = (await presentationsOf(entities)).families.find((f) => f.id === fid);
      return found(view, 'family');
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/presentations',
      request: jsonBody(presentationEdit),
      responses: answers(presentationView, 'Added, or changed when it was there'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const { id, ...body } = c.req.valid('json');
      found(await entities.findOneBy(FamilyEntity, { id: body.familyId }), 'family');
      const key = nameKey(body.name);
      const same = (await entities.find(PresentationEntity)).find((p) => p.id !== id && nameKey(p.name) === key);
      if (same)
        throw new Problem('conflict', `There is a presentation named ${same.name} already.`, [
          { field: 'name', message: 'another presentation has this name, or one too like it' },
        ]);
      const known = await entities.findOneBy(PresentationEntity, { id });
      if (known) await entities.update(PresentationEntity, { id }, body);
      else await entities.insert(PresentationEntity, { ...body, id, outfitId: who.outfitId });
      await audit(entities, who, clock.now(), known ? 'change presentation' : 'add presentation', 'presentation', id, body);
      const view = (await presentationsOf(entities)).presentations.find((p) => p.id === id);
      return found(view, 'presentation');
    },
  );
  return app;
}
