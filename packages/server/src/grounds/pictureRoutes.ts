// Pictures from the air under a water's chart.
import { id } from '@bluffwind/contract/ids';
import { MOST_PICTURES } from '@bluffwind/contract/pictureLimits';
import { newPicture, type PictureView, pictureData, pictureView } from '@bluffwind/contract/pictures';
import { placeOfPixel } from '@bluffwind/core/ground/fitPicture';
import { distanceM } from '@bluffwind/core/ground/seaBed';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { PictureEntity, type PictureRow, WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { bareJpeg } from '../photos/bareJpeg';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });
/** A picture whose middle lies farther from the dock than this is of another water, m. */
const FAR_M = 100_000;

const viewOf = ({ id, name, widthPx, heightPx, lon, lat }: PictureRow): PictureView => ({ id, name, widthPx, heightPx, lon, lat });

export function pictureRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/waters/{id}/pictures',
      request: { params: byId },
      responses: answers(z.array(pictureView), 'Pictures of a water'),
    }),
    async (c) => {
      const water = found(await c.get('entities').findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      const rows = await c.get('entities').find(PictureEntity, { where: { waterId: water.id }, order: { madeAt: 'ASC' } });
      return rows.map(viewOf);
    },
  );
  app.answer(
    createRoute({
      method: 'get',
      path: '/pictures/{id}',
      request: { params: byId },
      responses: answers(pictureData, 'A picture, as the bytes of a JPEG in base64'),
    }),
    async (c) => {
      const query = c.get('entities').createQueryBuilder(PictureEntity, 'p').addSelect('p.bytes').where('p.id = :id', c.req.valid('param'));
      return { data: found(await query.getOne(), 'picture').bytes.toString('base64') };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/pictures',
      request: { params: byId, ...jsonBody(newPicture) },
      responses: answers(pictureView, 'It lies under the chart'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, { data, ...body }] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      const known = await entities.findOneBy(PictureEntity, { id: body.id });
      // Sent again after the answer was lost.
      if (known?.waterId === water.id) return viewOf(known);
      if (known) throw new Problem('conflict', 'id: another picture has this key; choose it again', [{ field: 'id', message: 'taken' }]);
      if ((await entities.countBy(PictureEntity, { waterId: water.id })) >= MOST_PICTURES)
        throw new Problem('too_large', `A water keeps ${MOST_PICTURES} pictures; take one away first.`);
      const middle = placeOfPixel(body, body.widthPx / 2, body.heightPx / 2);
      if (!(distanceM(middle, { lat: water.dockLat, lon: water.dockLon }) < FAR_M))
        throw new Problem('invalid', `lon, lat: the picture would lie far from ${water.name}; check its points`, [
          { field: 'lon', message: 'far from this water' },
        ]);
      const bytes = bareJpeg(Buffer.from(data, 'base64'));
      const row = { ...body, outfitId: who.outfitId, waterId: water.id, bytes, madeAt: new Date(clock.now()) };
      await entities.insert(PictureEntity, row as PictureRow);
      await audit(entities, who, clock.now(), 'add picture', 'water', water.id, { name: body.name });
      return viewOf(row as PictureRow);
    },
    { maxBytes: 4_500_000 },
  );
  app.answer(
    createRoute({ method: 'post', path: '/pictures/{id}/remove', request: { params: byId }, responses: answers(done, 'It is gone') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const row = found(await entities.findOneBy(PictureEntity, { id: c.req.valid('param').id }), 'picture');
      await entities.delete(PictureEntity, { id: row.id });
      await audit(entities, who, clock.now(), 'remove picture', 'water', row.waterId, { name: row.name });
      return { ok: true as const };
    },
  );
  return app;
}
