// Stations that the crew gives by address: tried on what they say now, stored, taken out.
import { id } from '@bluffwind/contract/ids';
import { stationEdit, stationGiven, stationReading, stationTried, stationTry } from '@bluffwind/contract/stations';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull, Not } from 'typeorm';
import { audit } from '../audit';
import { inOutfit } from '../db/database';
import { OutfitEntity } from '../db/entities/outfit';
import { StationEntity, WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { readAddress } from '../http/fetchOutside';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { zoneOf } from '../trips/tripsOn';
import { tryStation } from './ownStation';

const done = z.object({ ok: z.literal(true) });
/** Path of the stations that have an address of their own. */
export const BY_ADDRESS = 'address';
const MOST_STATIONS = 30;
/** Who tries an address waits for it. */
const TRY_MS = 8000;

export function stationRoutes({ clock, config, source }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/stations', responses: answers(z.array(stationGiven), 'Stations that the crew has given') }),
    async (c) => {
      requireCaptain(c);
      const rows = await c
        .get('entities')
        .find(StationEntity, { where: { url: Not(IsNull()), removedAt: IsNull() }, order: { name: 'ASC' } });
      return rows.map((s) => ({
        id: s.id,
        waterId: s.waterId,
        name: s.name,
        url: s.url ?? '',
        reading: stationReading.parse(s.reading),
        lat: s.lat,
        lon: s.lon,
        lastError: s.lastError,
        lastGoodAt: s.lastGoodAt?.toISOString() ?? null,
      }));
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/stations/try',
      request: jsonBody(stationTry),
      responses: answers(stationTried, 'What it says now'),
    }),
    async (c) => {
      requireCaptain(c);
      const { url, reading } = c.req.valid('json');
      const { outfitId } = c.get('who');
      const zone = await inOutfit(source, outfitId, (entities) => zoneOf(entities, outfitId));
      try {
        return await tryStation(url, reading, zone, clock.now(), { allowPrivate: config.privateStations, timeoutMs: TRY_MS });
      } catch (e) {
        throw new Problem('invalid', `url: ${(e as Error).message}.`, [{ field: 'url', message: (e as Error).message }]);
      }
    },
    // Nothing of the database is held while a stranger's machine takes its time.
    { ownTransactions: true },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/stations',
      request: jsonBody(stationEdit),
      responses: answers(done, 'Stored; it is asked from now on'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      found(await entities.findOneBy(OutfitEntity, { id: who.outfitId }), 'outfit');
      found(await entities.findOneBy(WaterEntity, { id: body.waterId }), 'water');
      try {
        readAddress(body.url);
      } catch (e) {
        throw new Problem('invalid', `url: ${(e as Error).message}.`, [{ field: 'url', message: (e as Error).message }]);
      }
      const old = await entities.findOneBy(StationEntity, { id: body.id, url: Not(IsNull()) });
      if (!old && (await entities.countBy(StationEntity, { url: Not(IsNull()), removedAt: IsNull() })) >= MOST_STATIONS)
        throw new Problem('invalid', `url: at most ${MOST_STATIONS} stations; take one out first.`, [
          { field: 'url', message: 'too many' },
        ]);
      const row = { ...body, removedAt: null, lastError: null, failures: 0, nextTryAt: null };
      if (old) await entities.update(StationEntity, { id: old.id }, row as never);
      else await entities.insert(StationEntity, { ...row, outfitId: who.outfitId, path: BY_ADDRESS } as never);
      await audit(entities, who, clock.now(), old ? 'change station' : 'add station', 'station', body.id, {
        name: body.name,
        url: body.url,
      });
      return { ok: true as const };
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/stations/{id}/retire',
      request: { params: z.object({ id }) },
      responses: answers(done, 'Not asked any more'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const station = found(
        await entities.findOneBy(StationEntity, { id: c.req.valid('param').id, url: Not(IsNull()), removedAt: IsNull() }),
        'station',
      );
      await entities.update(StationEntity, { id: station.id }, { removedAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'take out station', 'station', station.id, { name: station.name });
      return { ok: true as const };
    },
  );
  return app;
}
