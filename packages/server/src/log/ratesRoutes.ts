import { logRates, logRatesFilter } from '@bluffwind/contract/log';
import { conditionByMonth } from '@bluffwind/core/log/condition';
import { rateBy } from '@bluffwind/core/log/rateBy';
import { sizeSteps } from '@bluffwind/core/log/sizeSteps';
import { createRoute } from '@hono/zod-openapi';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { zoneOf } from '../trips/tripsOn';
import { askedValues } from './asked';
import { fishedByWater, weighedFish } from './fishedByWater';

/** What the log gave by tide, wind, hour, bait: rates with their range, and the sizes of the fish. */
export function logRatesRoutes(_deps: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/log/rates',
      request: { query: logRatesFilter },
      responses: answers(logRates, 'Rates in groups, with their range and the effort behind them'),
    }),
    async (c) => {
      const [q, who, entities] = [c.req.valid('query'), c.get('who'), c.get('entities')];
      const zone = await zoneOf(entities, who.outfitId);
      const asked = askedValues(q, who, zone);
      const rows = await fishedByWater(entities, asked, zone);
      const { groups, unknown } = rateBy(
        rows.map(({ hours, lengths: _, ...s }) => ({ ...s, rodHours: hours })),
        q.by,
      );
      const weighed = await weighedFish(entities, asked, zone);
      return {
        groups: [...groups],
        unknown,
        sizes: sizeSteps(rows.flatMap((r) => r.lengths ?? [])),
        condition: conditionByMonth(weighed),
      };
    },
    { slow: true, keptMs: 300_000, from: ['crew', 'log', 'spots', 'trips'] },
  );
  return app;
}
