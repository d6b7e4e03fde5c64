import { logFix, logFixed, logPart, logRows, logView } from '@bluffwind/contract/log';
import { type CatchSums, ratioFromSums } from '@bluffwind/core/catchrate/creel';
import { createRoute } from '@hono/zod-openapi';
import { audit } from '../audit';
import { PresentationEntity } from '../db/entities/grounds';
import { SetEntity } from '../db/entities/trip';
import { In } from 'typeorm';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { zoneOf } from '../trips/tripsOn';
import { ASKED, askedValues } from './asked';
import { rowsOf } from './rowsOf';

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
      // Fish are counted by set first: one by one they would be looked up for each of many thousand entries.
      const [sums]: (CatchSums & { blank: number })[] = await entities.query(
        `select count(*)::int as n, coalesce(sum(x.fish), 0)::int as fish, coalesce(sum(x.hours), 0)::float8 as hours,
           coalesce(sum(x.fish * x.fish), 0)::float8 as fish2, coalesce(sum(x.hours * x.hours), 0)::float8 as hours2,
           coalesce(sum(x.fish * x.hours), 0)::float8 as "cross", count(*) filter (where x.fish = 0)::int as blank
         from (select s.rod_hours as hours, coalesce(k.fish, 0) as fish from fished_set s join spot sp on sp.id = s.spot_id
           left join (select set_id, count(*)::int as fish from "catch"
             where outcome = 'landed' and deleted_at is null and ($4::uuid is null or species_id = $4) group by set_id) k on k.set_id = s.id
           where ${ASKED}) x`,
        asked,
      );
      const { blank, ...of } = sums as CatchSums & { blank: number };
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
      const kept: { id: string; presentationId: string; spot: string; fresh: boolean }[] = await entities.query(
        `select s.id, s.presentation_id as "presentationId", sp.name as spot, w.kind = 'fresh' as fresh
         from "set" s join stop st on st.id = s.stop_id and st.deleted_at is null join spot sp on sp.id = st.spot_id
         join water w on w.id = sp.water_id where s.id = any($1) for update of s`,
        [ids],
      );
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
