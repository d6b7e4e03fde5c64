import { fishMerge, logEntry, logMerge, logMergedView } from '@bluffwind/contract/logEntry';
import { id } from '@bluffwind/contract/ids';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { LogMergeEntity } from '../db/entities/logMerge';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { mergeFish } from './mergeFish';
import { mergeSets } from './mergeSets';
import { part } from './part';
import { entryOf } from './entryOf';

/** One entry from near, and what was logged twice made one and parted again. */
export function logEntryRoutes({ clock, jobs }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/log/entries/{id}',
      request: { params: z.object({ id }) },
      responses: answers(logEntry, 'An entry with its fish, and everything that was said of each'),
    }),
    async (c) => found(await entryOf(c.get('entities'), c.req.valid('param').id, c.get('who').role !== 'mate'), 'entry of the log'),
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/log/merge',
      request: jsonBody(logMerge),
      responses: answers(logMergedView, 'One entry now; the key parts it again'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const made = await mergeSets(entities, who, c.req.valid('json').setIds, clock.now());
      await audit(entities, who, clock.now(), 'made entries one', 'set', made.setId, { mergeId: made.mergeId });
      await jobs.send(entities, 'see-stops', { outfitId: who.outfitId });
      return made;
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/log/fish/merge',
      request: jsonBody(fishMerge),
      responses: answers(logMergedView, 'One fish now; the key parts it again'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, { keepId, otherId }] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const made = await mergeFish(entities, who, keepId, otherId, clock.now());
      await audit(entities, who, clock.now(), 'made fish one', 'catch', keepId, { mergeId: made.mergeId, otherId });
      return made;
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/log/merges/{id}/part',
      request: { params: z.object({ id }) },
      responses: answers(z.object({ setId: id }), 'Two again, as they were'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, { id: mergeId }] = [c.get('entities'), c.get('who'), c.req.valid('param')];
      const merge = found(await entities.findOneBy(LogMergeEntity, { id: mergeId }), 'merge');
      const { setId } = await part(entities, merge);
      await audit(entities, who, clock.now(), 'parted', merge.before.what === 'fish' ? 'catch' : 'set', merge.intoId, { mergeId });
      await jobs.send(entities, 'see-stops', { outfitId: who.outfitId });
      return { setId };
    },
  );
  return app;
}
