// A boat's limits as the crew sets them, and its tank filled up.
import { aboardEdit } from '@bluffwind/contract/aboard';
import { id } from '@bluffwind/contract/ids';
import { boatEdit } from '@bluffwind/contract/outfit';
import { boatLimitsEdit, newRefill } from '@bluffwind/contract/risk';
import { createRoute, z } from '@hono/zod-openapi';
import { In, IsNull, MoreThan } from 'typeorm';
import { audit } from '../audit';
import { BoatEntity, RefillEntity } from '../db/entities/boats';
import { TripEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { router } from '../http/routes';
import { requireNameFree } from '../http/nameFree';
import { answers, jsonBody } from '../http/responses';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });
/** How far a clock may run ahead. */
const AHEAD_MS = 2 * 60_000;

export function boatRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'post', path: '/boats', request: jsonBody(boatEdit), responses: answers(done, 'Stored') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const old = await entities.findOneBy(BoatEntity, { id: body.id });
      requireNameFree(await entities.findBy(BoatEntity, { retiredAt: IsNull() }), body, 'boat');
      if (old) await entities.update(BoatEntity, { id: old.id }, body);
      else await entities.insert(BoatEntity, { ...body, outfitId: who.outfitId });
      await audit(entities, who, clock.now(), old ? 'change boat' : 'add boat', 'boat', body.id, body);
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/boats/{id}/retire', request: { params: byId }, responses: answers(done, 'Out of use') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const boat = found(await entities.findOneBy(BoatEntity, { id: c.req.valid('param').id, retiredAt: IsNull() }), 'boat');
      const ahead = await entities.countBy(TripEntity, {
        boatId: boat.id,
        status: In(['planned', 'under way']),
        endsAt: MoreThan(new Date(clock.now())),
      });
      if (ahead > 0)
        throw new Problem(
          'in_use',
          `${boat.name} has ${ahead} ${ahead === 1 ? 'trip' : 'trips'} ahead: give them another boat or call them off first.`,
        );
      await entities.update(BoatEntity, { id: boat.id }, { retiredAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'retire boat', 'boat', boat.id, { name: boat.name });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/boats/{id}/limits',
      request: { params: byId, ...jsonBody(boatLimitsEdit) },
      responses: answers(done, 'Stored'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const boat = found(await entities.findOneBy(BoatEntity, { id: c.req.valid('param').id }), 'boat');
      const body = c.req.valid('json');
      const { windLimitMps, gustLimitMps, waveLimitM } = boat;
      await entities.update(BoatEntity, { id: boat.id }, body);
      await audit(entities, c.get('who'), clock.now(), 'change limits', 'boat', boat.id, {
        from: { windLimitMps, gustLimitMps, waveLimitM },
        to: body,
      });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/boats/{id}/aboard',
      request: { params: byId, ...jsonBody(aboardEdit) },
      responses: answers(done, 'Stored'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const { id: boatId, checks: had, gear } = found(await entities.findOneBy(BoatEntity, { id: c.req.valid('param').id }), 'boat');
      const body = c.req.valid('json');
      await entities.update(BoatEntity, { id: boatId }, body);
      await audit(entities, c.get('who'), clock.now(), 'change what is aboard', 'boat', boatId, { from: { checks: had, gear }, to: body });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/boats/{id}/refills',
      request: { params: byId, ...jsonBody(newRefill) },
      responses: answers(done, 'The tank is full from then on'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const who = c.get('who');
      const boat = found(await entities.findOneBy(BoatEntity, { id: c.req.valid('param').id }), 'boat');
      const { id: refillId, at } = c.req.valid('json');
      if (Date.parse(at) > clock.now() + AHEAD_MS)
        throw new Problem('invalid', 'at: a refill cannot come from the future', [{ field: 'at', message: 'in the future' }]);
      // Sent again it is the same refill.
      if (!(await entities.existsBy(RefillEntity, { id: refillId }))) {
        await entities.insert(RefillEntity, { id: refillId, outfitId: who.outfitId, boatId: boat.id, at: new Date(at), by: who.personId });
        await audit(entities, who, clock.now(), 'refill', 'boat', boat.id, { at });
      }
      return { ok: true as const };
    },
  );
  return app;
}
