import { chart } from '@bluffwind/contract/grounds';
import { id } from '@bluffwind/contract/ids';
import { newReading, span, waterState } from '@bluffwind/contract/water';
import { DAY } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { ChartLayerEntity, ReadingEntity, WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, router } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { loadWaterState } from './waterState';

const byId = z.object({ id });
const LONGEST_DAYS = 31;

/** A water's state through time, its chart, and readings typed in by the crew. */
export function waterRoutes({ clock }: Deps) {
  const app = router();
  app.openapi(
    createRoute({
      method: 'get',
      path: '/waters/{id}/state',
      request: { params: byId, query: span },
      responses: answers(waterState, 'Readings and forecast over a span'),
    }),
    async (c) => {
      const { from, to } = c.req.valid('query');
      const [fromMs, toMs] = [Date.parse(from), Date.parse(to)];
      if (toMs <= fromMs || toMs - fromMs > LONGEST_DAYS * DAY) {
        throw new Problem('invalid', `to: expected after from and at most ${LONGEST_DAYS} days later`, [
          { field: 'to', message: `after from, at most ${LONGEST_DAYS} days` },
        ]);
      }
      return c.json(await loadWaterState(c.get('entities'), c.req.valid('param').id, fromMs, toMs, clock.now()), 200);
    },
  );
  app.openapi(
    createRoute({ method: 'get', path: '/waters/{id}/chart', request: { params: byId }, responses: answers(chart, 'Sea bed and marks') }),
    async (c) => {
      const layers = await c.get('entities').findBy(ChartLayerEntity, { waterId: c.req.valid('param').id });
      const bed = found(
        layers.find((l) => l.kind === 'bed'),
        'chart',
      ).data as z.infer<typeof chart>['bed'];
      const marks = (layers.find((l) => l.kind === 'marks')?.data ?? []) as z.infer<typeof chart>['marks'];
      c.header('Cache-Control', 'private, max-age=3600');
      return c.json({ bed, marks }, 200);
    },
  );
  app.openapi(
    createRoute({
      method: 'post',
      path: '/waters/{id}/readings',
      request: { params: byId, ...jsonBody(newReading) },
      responses: answers(z.object({ ok: z.literal(true) }), 'Stored'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const reading = c.req.valid('json');
      const who = c.get('who');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      if (Date.parse(reading.at) > clock.now() + 60_000)
        throw new Problem('invalid', 'at: a reading cannot come from the future', [{ field: 'at', message: 'in the future' }]);
      await entities.insert(ReadingEntity, {
        outfitId: who.outfitId,
        waterId: water.id,
        personId: who.personId,
        source: 'crew',
        variable: reading.variable,
        at: new Date(reading.at),
        value: reading.value,
        flag: 1,
      });
      return c.json({ ok: true as const }, 200);
    },
  );
  return app;
}
