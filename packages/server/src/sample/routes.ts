// A sample water to look at, added and taken out whole.
import { createRoute, z } from '@hono/zod-openapi';
import { Not } from 'typeorm';
import { audit } from '../audit';
import { BoatEntity } from '../db/entities/boats';
import { OutfitEntity, SampleEntity } from '../db/entities/outfit';
import { TripEntity } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { addSample, readSample } from './addSample';
import { removeWhole } from './removeWhole';

const done = z.object({ ok: z.literal(true) });

export function sampleRoutes({ clock, config, jobs }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'post', path: '/sample', responses: answers(done, 'The sample water is there, with its season and a trip') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      if (config.sample === null) throw new Problem('not_found', 'This server ships no sample.');
      // Two taps at once make one: the second waits here and finds it.
      await entities.findOne(OutfitEntity, { select: { id: true }, where: { id: who.outfitId }, lock: { mode: 'pessimistic_write' } });
      if (!(await entities.existsBy(SampleEntity, { outfitId: who.outfitId }))) {
        await addSample(entities, await readSample(config.sample), who, clock.now());
        await audit(entities, who, clock.now(), 'add sample', 'outfit', who.outfitId, {});
        await jobs.send(entities, 'see-stops', { outfitId: who.outfitId });
      }
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/sample/remove', responses: answers(done, 'The sample is gone, with all that was done on it') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const sample = await entities.findOneBy(SampleEntity, { outfitId: who.outfitId });
      if (!sample) return { ok: true as const };
      const { name } = found(await entities.findOneBy(BoatEntity, { id: sample.boatId }), 'boat');
      const elsewhere = await entities.countBy(TripEntity, { boatId: sample.boatId, waterId: Not(sample.waterId) });
      if (elsewhere > 0)
        throw new Problem(
          'in_use',
          `${name} has ${elsewhere === 1 ? 'a trip' : `${elsewhere} trips`} on your own water: give ${elsewhere === 1 ? 'it' : 'them'} another boat in the calendar first.`,
        );
      await entities.delete(SampleEntity, { outfitId: who.outfitId });
      const water = found(await entities.findOneBy(WaterEntity, { id: sample.waterId }), 'water');
      const gone = await removeWhole(entities, 'water', water.id);
      await removeWhole(entities, 'boat', sample.boatId);
      await audit(entities, who, clock.now(), 'remove sample', 'outfit', who.outfitId, gone);
      return { ok: true as const };
    },
  );
  return app;
}
