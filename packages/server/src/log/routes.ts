import { logFix, logFixed, logPart, logRows, logView } from '@bluffwind/contract/log';
import { ratioFromSums } from '@bluffwind/core/catchrate/creel';
import { createRoute } from '@hono/zod-openapi';
import { audit } from '../audit';
import { PresentationEntity } from '../db/entities/baits';
import { SetEntity } from '../db/entities/log';
import { In } from 'typeorm';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { zoneOf } from '../trips/tripsOn';
import { askedValues } from './asked';
import { lockedSets } from './lockedSets';
import { rowsOf } from './rowsOf';
import { sumsOf } from './sumsOf';

const KEPT = { slow: true, keptMs: 300_000, from: ['crew', 'log', 'spots', 'trips', 'waters'] } as const;

/** The crew's shared log: what was fished, for how long, and what it gave, nothing included. */
export function logRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/log',
      request: { query: logPart },
      responses: answers(logView, 'Entries, newest first unless asked for otherwise, with the sums of all of them'),
    }),
    async (c) => {
      const [q, who, entities] = [c.req.valid('query'), c.get('who'), c.get('entities')];
      const asked = askedValues(q, who, await zoneOf(entities, who.outfitId));
      const { blank, ...of } = await sumsOf(entities, asked);
      const rate = of.hours > 0 ? ratioFromSums(of) : null;
      return {
        rows: await rowsOf(entities, asked, q),
        total: { sets: of.n, fish: of.fish, rodHours: of.hours, blankSets: blank, rate: rate?.rate ?? null, se: rate?.se ?? null },
      };
    },
    KEPT,
  );
  app.answer(
    createRoute({
      method: 'get',
      path: '/log/rows',
      request: { query: logPart },
      responses: answers(logRows, 'A further part of the same list'),
    }),
    async (c) => {
      const [q, who, entities] = [c.req.valid('query'), c.get('who'), c.get('entities')];
      return { rows: await rowsOf(entities, askedValues(q, who, await zoneOf(entities, who.outfitId)), q) };
    },
    KEPT,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/log/fix',
      request: jsonBody(logFix),
      responses: answers(logFixed, 'Put right; what it was before is in the record of who did what'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const bait = found(await entities.findOneBy(PresentationEntity, { id: body.presentationId }), 'bait');
      const ids = [...new Set(body.setIds)];
      const kept = await lockedSets(entities, ids);
      if (kept.length < ids.length)
        throw new Problem('not_found', `${ids.length - kept.length} of the entries are not in the log any more.`);
      const [wrong] = kept.filter((k) => bait.habitat !== 'both' && (bait.habitat === 'fresh') !== k.fresh);
      if (wrong)
        throw new Problem('invalid', `presentationId: ${bait.name} is for ${bait.habitat} water; ${wrong.spot} is not`, [
          { field: 'presentationId', message: `not for the water of ${wrong.spot}` },
        ]);
      const changed = kept.filter((k) => k.presentationId !== bait.id);
      await entities.update(SetEntity, { id: In(ids) }, { presentationId: bait.id });
      const told = [...new Set(changed.map((k) => k.presentationId))].map((presentationId) => ({
        presentationId,
        setIds: changed.filter((k) => k.presentationId === presentationId).map((k) => k.id),
      }));
      if (told.length > 0) await audit(entities, who, clock.now(), 'put log right', 'presentation', bait.id, { before: told });
      return { fixed: changed.length, before: told };
    },
    { maxBytes: 64 * 1024 },
  );
  return app;
}
