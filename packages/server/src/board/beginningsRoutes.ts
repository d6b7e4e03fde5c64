// What an outfit has so far: what its first evening goes by.
import { beginnings } from '@bluffwind/contract/outfit';
import { createRoute } from '@hono/zod-openapi';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';

export function beginningsRoutes(_deps: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/beginnings', responses: answers(beginnings, 'How much is set up') }),
    async (c) => {
      const [row] = await c.get('entities').query(`
        select (select count(*)::int from water where retired_at is null) as waters,
          (select count(*)::int from chart_layer l join water w on w.id = l.water_id and w.retired_at is null
            where l.kind = 'bed' and exists (select from jsonb_array_elements(l.data->'depthM') d where jsonb_typeof(d) = 'number')) as shores,
          (select count(*)::int from survey where withdrawn_at is null) as surveys,
          (select count(*)::int from water where tide is not null and retired_at is null) as tides,
          (select count(*)::int from (select from reading where withdrawn_at is null limit 1000) r) as readings,
          (select count(*)::int from boat where retired_at is null) as boats,
          (select count(*)::int from spot where retired_at is null) as spots,
          (select count(*)::int from species where retired_at is null) as species,
          (select count(*)::int from presentation where active) as baits,
          (select count(*)::int from person where active) as people,
          (select count(*)::int from client where retired_at is null) as clients,
          (select count(*)::int from rule where removed_at is null) as rules,
          (select count(*)::int from trip where status <> 'cancelled') as trips,
          (select count(*)::int from plan) as plans,
          (select count(*)::int from stop where deleted_at is null) as stops`);
      return row;
    },
    { keptMs: 60_000, keptFor: 'outfit' },
  );
  return app;
}
