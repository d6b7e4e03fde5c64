import { fishMerge, type LogEntry, logEntry, logMerge, logMergedView } from '@bluffwind/contract/logEntry';
import { id } from '@bluffwind/contract/ids';
import { createRoute, z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { audit } from '../audit';
import { LogMergeEntity } from '../db/entities/logMerge';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { mergeFish } from './mergeFish';
import { mergeSets } from './mergeSets';
import { part } from './part';

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

type Row = Omit<LogEntry, 'from' | 'to' | 'fish' | 'guests' | 'merges'> & { readonly from: Date; readonly to: Date };

async function entryOf(entities: EntityManager, setId: string, captains: boolean): Promise<LogEntry | null> {
  const [row]: Row[] = await entities.query(
    `select s.id as "setId", s.trip_id as "tripId", sp.name as spot, p.name as bait, b.name as boat, s.started_at as "from",
       s.ended_at as "to", s.rods, s.rod_hours as "rodHours"
     from fished_set s join spot sp on sp.id = s.spot_id join presentation p on p.id = s.presentation_id
     join trip t on t.id = s.trip_id join boat b on b.id = t.boat_id where s.id = $1 and (sp.privacy = 'crew' or $2)`,
    [setId, captains],
  );
  if (!row) return null;
  const fish: (Omit<LogEntry['fish'][number], 'at' | 'words'> & { at: Date })[] = await entities.query(
    `select k.id, k.at, k.outcome, k.species_id as "speciesId", k.client_id as "clientId", k.length_mm as "lengthMm",
       k.length_kind as "lengthKind", k.kept, k.more, (select count(*)::int from photo f where f.catch_id = k.id) as photos
     from "catch" k where k.set_id = $1 and k.deleted_at is null order by k.at, k.id`,
    [setId],
  );
  const ids = fish.map((f) => f.id);
  const words: { catchId: string; field: string; value: never; at: Date; by: string | null }[] = await entities.query(
    `select c.catch_id as "catchId", c.field, c.value, c.at, p.name as by from catch_told c left join person p on p.id = c.by
     where c.catch_id = any($1) order by c.at, c.entry_id`,
    [ids],
  );
  const merges: { id: string; at: Date; by: string; what: 'entry' | 'fish' }[] = await entities.query(
    `select m.id, m.at, p.name as by, m.before->>'what' as what from log_merge m join person p on p.id = m.by
     where m.into_id = any($1) order by m.at desc`,
    [[setId, ...ids]],
  );
  return {
    ...row,
    from: row.from.toISOString(),
    to: row.to.toISOString(),
    fish: fish.map((f) => ({
      ...f,
      at: f.at.toISOString(),
      words: words.filter((w) => w.catchId === f.id).map(({ catchId: _, at, ...w }) => ({ ...w, at: at.toISOString() })),
    })),
    guests: await entities.query(
      'select c.id, c.name from party p join client c on c.id = p.client_id where p.trip_id = $1 order by c.name',
      [row.tripId],
    ),
    merges: merges.map(({ at, ...m }) => ({ ...m, at: at.toISOString() })),
  };
}
