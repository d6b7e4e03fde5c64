import { deckBatch, deckPack, deckReceipt } from '@bluffwind/contract/deck';
import { id } from '@bluffwind/contract/ids';
import { createRoute, z } from '@hono/zod-openapi';
import { TripEntity } from '../db/entities/trip';
import { type Deps, found } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { Problem } from '../errors';
import { deckTrip } from './deckTrip';
import { namedBy, readEntries, takeEntries } from './takeEntries';
import { throughMerges } from './throughMerges';
import { packOf } from './packOf';

const byTrip = z.object({ tripId: id });

/** The phone's pack for a trip, and what comes back from it. */
export function deckRoutes({ clock, jobs }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/deck/{tripId}',
      request: { params: byTrip },
      responses: answers(deckPack, 'All that the phone needs'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').tripId }), 'trip');
      return packOf(entities, trip, c.get('who'), clock.now());
    },
    { slow: true, keptMs: 60_000, from: ['conditions', 'crew', 'log', 'spots', 'trips', 'waters'] },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/deck/{tripId}/entries',
      request: { params: byTrip, ...jsonBody(deckBatch) },
      responses: answers(deckReceipt, 'A receipt for each entry'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const read = await throughMerges(entities, readEntries(c.req.valid('json').entries));
      const named = namedBy(read);
      const look = async () => found(await deckTrip(entities, c.req.valid('param').tripId, c.get('who'), named), 'trip');
      const on = await look();
      if (!on.aboard) throw new Problem('not_aboard', 'You are not named as a mate of this trip.');
      const { receipts, ended } = await takeEntries(entities, on, read, async () => (await look()).context, {
        nowMs: clock.now(),
        by: c.get('who').personId,
      });
      // What the ended stops were fished in takes its time and is worked out elsewhere.
      if (ended) await jobs.send(entities, 'see-stops', { outfitId: on.trip.outfitId });
      return { receipts };
    },
    { often: true },
  );
  return app;
}
