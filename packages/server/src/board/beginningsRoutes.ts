// What an outfit has so far: what its first evening goes by.
import { beginnings } from '@bluffwind/contract/outfit';
import { createRoute } from '@hono/zod-openapi';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { countsOf } from './countsOf';

export function beginningsRoutes({ config }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/beginnings', responses: answers(beginnings, 'How much is set up') }),
    async (c) => {
      return countsOf(c.get('entities'), config.sample !== null);
    },
    { keptMs: 60_000, keptFor: 'outfit' },
  );
  return app;
}
