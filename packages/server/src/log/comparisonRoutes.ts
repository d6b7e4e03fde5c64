// What was compared on purpose: trials on deck, and what big lures draw in their window and outside it.
import { comparisons } from '@bluffwind/contract/trials';
import { createRoute } from '@hono/zod-openapi';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { zoneOf } from '../trips/tripsOn';
import { trialsOf, bigLureSets, marksSeen } from './comparisons';

export function comparisonRoutes(_deps: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/log/comparisons',
      responses: answers(comparisons, 'Trials by what was compared, and sets of big lures with looks and takes'),
    }),
    async (c) => {
      const entities = c.get('entities');
      return {
        trials: await trialsOf(entities),
        bigLures: await bigLureSets(entities, await zoneOf(entities, c.get('who').outfitId)),
        marks: await marksSeen(entities),
      };
    },
    { slow: true, keptMs: 300_000, keptFor: 'outfit', from: ['crew', 'log', 'spots'] },
  );
  return app;
}
