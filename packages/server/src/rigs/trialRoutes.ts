// What a stopwatch and a sounder say of a bait, and a timed drift of a boat.
import { id } from '@bluffwind/contract/ids';
import { baitTrial, boatDrift } from '@bluffwind/contract/rigs';
import { hullOfTimed } from '@bluffwind/core/tackle/driftSpeed';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { PresentationEntity } from '../db/entities/baits';
import { BoatEntity } from '../db/entities/boats';
import { BaitTrialEntity } from '../db/entities/rigs';
import { Problem } from '../errors';
import { type Deps, found } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';

const done = z.object({ ok: z.literal(true) });
const hull = z.object({ windageM2: z.number(), hullM2: z.number() });

export function trialRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'post',
      path: '/bait-trials',
      request: jsonBody(baitTrial),
      responses: answers(done, 'It overrules the textbook'),
    }),
    async (c) => {
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const bait = found(await entities.findOneBy(PresentationEntity, { id: body.presentationId }), 'presentation');
      const row = {
        presentationId: bait.id,
        outfitId: who.outfitId,
        depthM: body.sank?.depthM ?? null,
        seconds: body.sank?.seconds ?? null,
        divesM: body.divesM,
        by: who.personId,
        at: new Date(clock.now()),
      };
      await entities.upsert(BaitTrialEntity, row, ['presentationId']);
      await audit(entities, who, clock.now(), 'time bait', 'presentation', bait.id, body);
      return { ok: true as const };
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/boats/{id}/drift',
      request: { params: z.object({ id }), ...jsonBody(boatDrift) },
      responses: answers(hull, 'What it shows to wind and water'),
    }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const { windageM2, timed } = c.req.valid('json');
      const boat = found(await entities.findOneBy(BoatEntity, { id: c.req.valid('param').id }), 'boat');
      let hullM2: number;
      try {
        // Currents carry boat and water alike: only the way through the water counts.
        const still = { windFromDeg: 0, currentMps: 0, currentToDeg: 0 };
        hullM2 = hullOfTimed(
          { ...still, windMps: timed.windMps, windageM2, anchorDiameterM: timed.anchorDiameterM },
          timed.throughWaterMps,
        );
      } catch (e) {
        if (!(e instanceof RangeError)) throw e;
        throw new Problem('invalid', 'throughWaterMps: a boat drifts more slowly than the wind; check both figures.', [
          { field: 'timed.throughWaterMps', message: 'expected less than the wind' },
        ]);
      }
      await entities.update(BoatEntity, { id: boat.id }, { windageM2, hullM2 });
      await audit(entities, who, clock.now(), 'time drift', 'boat', boat.id, { windageM2, timed, hullM2 });
      return { windageM2, hullM2 };
    },
  );
  return app;
}
