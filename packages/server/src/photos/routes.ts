import { id } from '@bluffwind/contract/ids';
import { newPhoto, PHOTO_BYTES, photoList, photoView } from '@bluffwind/contract/photos';
import { createRoute, z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { audit } from '../audit';
import { PhotoEntity } from '../db/entities/day';
import { TripEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import { type Deps, found } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import type { Who } from '../http/who';
import { isAboard } from '../trips/crew';
import { bareJpeg } from './bareJpeg';
import { requireOfTrip, spaceTaken, photosOf } from './photosOf';

/** Photos that an outfit may keep, bytes in all. */
const OUTFIT_BYTES = 2_000_000_000;
/** Photos of one trip. */
const MOST_OF_TRIP = 200;
const byTrip = z.object({ tripId: id });
const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });

/** Photos of a day, for who is aboard. */
export function photoRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'post',
      path: '/deck/{tripId}/photos',
      request: { params: byTrip, ...jsonBody(newPhoto) },
      responses: answers(done, 'Kept, without what the camera wrote beside it'),
    }),
    async (c) => {
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const { tripId } = c.req.valid('param');
      await requireAboard(entities, tripId, who);
      // Kept before: the phone has not heard of it.
      const known = await entities.findOneBy(PhotoEntity, { id: body.id });
      if (known?.tripId === tripId) return { ok: true as const };
      if (known) throw new Problem('conflict', 'id: another photo has this key; take it again', [{ field: 'id', message: 'taken' }]);
      const bytes = bareJpeg(Buffer.from(body.data, 'base64'));
      if (body.catchId !== null) await requireOfTrip(entities, body.catchId, tripId);
      const { size, photos } = await spaceTaken(entities, tripId);
      if (photos >= MOST_OF_TRIP) throw new Problem('too_large', `A trip keeps ${MOST_OF_TRIP} photos; take one away first.`);
      if (size + bytes.length > OUTFIT_BYTES)
        throw new Problem('too_large', 'The outfit’s photos fill their space; take away those of old trips.');
      const row = { id: body.id, outfitId: who.outfitId, tripId, catchId: body.catchId, at: new Date(body.at), by: who.personId, bytes };
      await entities.createQueryBuilder().insert().into(PhotoEntity).values(row).orIgnore().execute();
      return { ok: true as const };
    },
    { maxBytes: 2 * PHOTO_BYTES, often: true },
  );
  app.answer(
    createRoute({
      method: 'get',
      path: '/deck/{tripId}/photos',
      request: { params: byTrip },
      responses: answers(photoList, 'Photos of a trip'),
    }),
    async (c) => {
      const { tripId } = c.req.valid('param');
      await requireAboard(c.get('entities'), tripId, c.get('who'));
      return { photos: await photosOf(c.get('entities'), tripId) };
    },
  );
  app.answer(
    createRoute({ method: 'get', path: '/photos/{id}', request: { params: byId }, responses: answers(photoView, 'A photo in base64') }),
    async (c) => {
      const photo = await photoFor(c.get('entities'), c.req.valid('param').id, c.get('who'));
      return { id: photo.id, data: photo.bytes.toString('base64') };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/photos/{id}/remove', request: { params: byId }, responses: answers(done, 'Taken away') }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const photo = await photoFor(entities, c.req.valid('param').id, who);
      if (who.role === 'mate' && photo.by !== who.personId)
        throw new Problem('not_allowed', 'Somebody else took this photo; they or a captain can take it away.');
      await entities.delete(PhotoEntity, { id: photo.id });
      await audit(entities, who, clock.now(), 'remove', 'photo', photo.id, {});
      return { ok: true as const };
    },
  );
  return app;
}

async function requireAboard(entities: EntityManager, tripId: string, who: Who): Promise<void> {
  const trip = found(await entities.findOneBy(TripEntity, { id: tripId }), 'trip');
  if (!(await isAboard(entities, trip, who))) throw new Problem('not_aboard', 'You are not named as a mate of this trip.');
}

/** A photo with its bytes, for who is aboard of its trip. */
async function photoFor(entities: EntityManager, photoId: string, who: Who) {
  const photo = found(
    await entities.createQueryBuilder(PhotoEntity, 'p').addSelect('p.bytes').where('p.id = :photoId', { photoId }).getOne(),
    'photo',
  );
  if (!(await isAboard(entities, { id: photo.tripId }, who))) throw new Problem('not_aboard', 'You are not named as a mate of this trip.');
  return photo;
}
