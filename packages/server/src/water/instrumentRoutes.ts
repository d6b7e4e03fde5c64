// Boats' instruments that the crew gives by address.
import { id } from '@bluffwind/contract/ids';
import { CABLE } from '@bluffwind/contract/instrumentWires';
import { heardLines, heardReceipt, instrumentEdit, instrumentGiven } from '@bluffwind/contract/stations';
import { NmeaCollector } from '@bluffwind/core/formats/nmeaLog';
import { MINUTE } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { BoatEntity } from '../db/entities/boats';
import { InstrumentEntity, WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { AHEAD_MS, storeHeard } from './storeHeard';

const done = z.object({ ok: z.literal(true) });

export function instrumentRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/instruments', responses: answers(z.array(instrumentGiven), 'Instruments of the boats') }),
    async (c) => {
      requireCaptain(c);
      const rows = await c.get('entities').find(InstrumentEntity, { where: { removedAt: IsNull() }, order: { name: 'ASC' } });
      return rows.map(({ outfitId: _, removedAt: __, address, lastHeardAt, ...i }) => ({
        ...i,
        address: address ?? '',
        lastHeardAt: lastHeardAt?.toISOString() ?? null,
      }));
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/instruments',
      request: jsonBody(instrumentEdit),
      responses: answers(done, 'Listened to within half a minute'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      found(await entities.findOneBy(BoatEntity, { id: body.boatId, retiredAt: IsNull() }), 'boat');
      found(await entities.findOneBy(WaterEntity, { id: body.waterId }), 'water');
      const old = await entities.findOneBy(InstrumentEntity, { id: body.id });
      if (old) await entities.update(InstrumentEntity, { id: old.id }, { ...body, removedAt: null, lastError: null });
      else await entities.insert(InstrumentEntity, { ...body, outfitId: who.outfitId });
      await audit(entities, who, clock.now(), old ? 'change instrument' : 'add instrument', 'instrument', body.id, body);
      return { ok: true as const };
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/instruments/{id}/retire',
      request: { params: z.object({ id }) },
      responses: answers(done, 'Not listened to any more'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const row = found(await entities.findOneBy(InstrumentEntity, { id: c.req.valid('param').id, removedAt: IsNull() }), 'instrument');
      await entities.update(InstrumentEntity, { id: row.id }, { removedAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'take out instrument', 'instrument', row.id, { name: row.name });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/instruments/{id}/heard',
      request: { params: z.object({ id }), ...jsonBody(heardLines) },
      responses: answers(heardReceipt, 'Stored; lines that are sent again change nothing'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const one = { id: c.req.valid('param').id, address: CABLE, removedAt: IsNull() };
      // Two windows on one cable, or lines sent again: one after the other, the later knows what is stored.
      const row = found(await entities.findOne(InstrumentEntity, { where: one, lock: { mode: 'pessimistic_write' } }), 'instrument');
      const nowMs = clock.now();
      const heard = new NmeaCollector(null, MINUTE);
      const { lines } = c.req.valid('json');
      const garbled = lines.filter((l) => l.trim() !== '' && heard.take(l) !== null).length;
      if (heard.heardAt !== null && heard.heardAt > nowMs + AHEAD_MS)
        throw new Problem('invalid', `${row.name}: its clock runs ahead of ours; set it right, nothing is taken until then`, [
          { field: 'lines', message: 'of the future' },
        ]);
      const before = row.lastHeardAt?.getTime();
      await storeHeard(entities, row, heard, nowMs, before);
      const lastError = lines.length > 20 && garbled > lines.length / 2 ? `${garbled} of ${lines.length} lines are garbled` : null;
      const heardTo = Math.max(heard.heardAt ?? Number.NEGATIVE_INFINITY, before ?? Number.NEGATIVE_INFINITY);
      const lastHeardAt = Number.isFinite(heardTo) ? new Date(heardTo) : null;
      await entities.update(InstrumentEntity, { id: row.id }, { lastHeardAt, lastError });
      return { heardTo: lastHeardAt?.toISOString() ?? null, garbled };
    },
    { maxBytes: 4 * 1024 * 1024 },
  );
  return app;
}
