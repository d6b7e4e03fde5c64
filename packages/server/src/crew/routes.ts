// The outfit itself: how long things are kept, and work of the server that was laid aside.
import { laidAside, outfitName, outfitSettings, tryAgain } from '@bluffwind/contract/crew';
import { createRoute, z } from '@hono/zod-openapi';
import type { Context } from 'hono';
import { audit } from '../audit';
import { noteAll } from '../db/topics';
import { OutfitEntity } from '../db/entities/outfit';
import { type Deps, type Env, found } from '../http/context';
import { requireOwner } from '../http/owner';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { laidAsideOf, takeLaidAside } from './laidAside';

export function crewRoutes({ clock, jobs }: Deps) {
  const app = router();
  const settingsOf = async (c: Context<Env>) =>
    found(await c.get('entities').findOneBy(OutfitEntity, { id: c.get('who').outfitId }), 'outfit');
  app.answer(
    createRoute({ method: 'get', path: '/outfit/settings', responses: answers(outfitSettings, 'How the outfit wants things kept') }),
    async (c) => {
      requireOwner(c);
      const { medicalNoteDays, newSpots } = await settingsOf(c);
      return { medicalNoteDays, newSpots };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/outfit/settings',
      request: jsonBody(outfitSettings),
      responses: answers(outfitSettings, 'How things are kept from now on'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who, wanted] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const { medicalNoteDays, newSpots } = await settingsOf(c);
      await entities.update(OutfitEntity, { id: who.outfitId }, wanted);
      await audit(entities, who, clock.now(), 'change settings', 'outfit', who.outfitId, {
        before: { medicalNoteDays, newSpots },
        ...wanted,
      });
      return wanted;
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/outfit/name',
      request: jsonBody(outfitName),
      responses: answers(outfitName, 'What it is called, and by which clock it goes, from now on'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who, wanted] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const { name, zone } = await settingsOf(c);
      await entities.update(OutfitEntity, { id: who.outfitId }, wanted);
      await audit(entities, who, clock.now(), 'change name or zone', 'outfit', who.outfitId, { before: { name, zone }, ...wanted });
      // Days begin elsewhere: nothing that was worked out by the old ones holds.
      await noteAll(entities);
      return wanted;
    },
  );
  app.answer(
    createRoute({ method: 'get', path: '/laid-aside', responses: answers(z.array(laidAside), 'Work that was tried in vain') }),
    async (c) => {
      requireOwner(c);
      return laidAsideOf(c.get('entities'), c.get('who').outfitId);
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/laid-aside/try',
      request: jsonBody(tryAgain),
      responses: answers(z.object({ ok: z.literal(true) }), 'It is tried again'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const job = found(await takeLaidAside(entities, who.outfitId, c.req.valid('json').id), 'work that was laid aside');
      await jobs.send(entities, job.name, job.data);
      await audit(entities, who, clock.now(), 'try again', 'outfit', who.outfitId, { job: job.name });
      return { ok: true as const };
    },
  );
  return app;
}
