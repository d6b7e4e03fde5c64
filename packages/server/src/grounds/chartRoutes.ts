import { chart, dismissal, featureEdit, featureView, soundings } from '@bluffwind/contract/grounds';
import { id } from '@bluffwind/contract/ids';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { DismissalEntity, FeatureEntity, type FeatureRow, SurveyEntity } from '../db/entities/grounds';
import { WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { gridded } from './gridded';
import { requireNear, requireSimple } from './drawn';
import { chartedGrid, effectiveBed, featuresOf, marksOf, surveysOf } from './chartData';
import { soundingsToDraw } from './soundingsToDraw';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });

/** The chart: bed, surveys and soundings, marks, what the crew draws, and what of the finder's it has dismissed. */
export function chartRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/waters/{id}/chart', request: { params: byId }, responses: answers(chart, 'The chart') }),
    async (c) => {
      const entities = c.get('entities');
      const waterId = c.req.valid('param').id;
      const bed = await chartedGrid(entities, waterId);
      const surveys = await surveysOf(entities, waterId);
      const dismissed = await entities.findBy(DismissalEntity, { waterId });
      return {
        bed,
        marks: await marksOf(entities, waterId),
        features: (await featuresOf(entities, waterId)).map(featureOf),
        surveys: surveys.map((s) => ({ ...s, madeAt: s.madeAt.toISOString() })),
        dismissed: dismissed.map(({ kind, lat, lon }) => ({ kind, lat, lon })),
      };
    },
    { slow: true, keptMs: 300_000, keptFor: 'outfit', from: ['waters'] },
  );
  app.answer(
    createRoute({
      method: 'get',
      path: '/waters/{id}/soundings',
      request: { params: byId },
      responses: answers(soundings, 'Soundings to be drawn, to datum'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      return soundingsToDraw(entities, water.id);
    },
    { slow: true, keptMs: 300_000, keptFor: 'outfit', from: ['waters'] },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/surveys/{id}/chart',
      request: { params: byId },
      responses: answers(done, 'The survey of an instrument is laid over the chart'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const row = found(await entities.findOneBy(SurveyEntity, { id: c.req.valid('param').id, withdrawnAt: IsNull() }), 'survey');
      await entities.update(SurveyEntity, { id: row.id }, { grid: gridded(row) as never });
      await audit(entities, c.get('who'), clock.now(), 'lay survey over chart', 'survey', row.id, { name: row.name });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/features',
      request: { params: byId, ...jsonBody(featureEdit) },
      responses: answers(featureView, 'As it is now'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const who = c.get('who');
      const body = c.req.valid('json');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      const isArea = body.kind === 'part' || body.kind === 'no-go' || body.kind === 'no-wake';
      if (isArea && body.points.length < 3)
        throw new Problem('invalid', `points: an area needs at least 3, got ${body.points.length}`, [
          { field: 'points', message: 'at least 3' },
        ]);
      if (isArea) requireSimple(body.points);
      requireNear((await effectiveBed(entities, water.id)).bed, body.points);
      if (body.kind === 'passage' && body.detail.chartedDepthM === undefined)
        throw new Problem('invalid', 'detail.chartedDepthM: a passage needs its charted depth', [
          { field: 'detail.chartedDepthM', message: 'give the least depth on the way, below datum' },
        ]);
      const old = await entities.findOneBy(FeatureEntity, { id: body.id });
      if (old && old.waterId !== water.id) throw new Problem('conflict', 'It belongs to another water.');
      const row = {
        ...body,
        outfitId: who.outfitId,
        waterId: water.id,
        madeAt: new Date(clock.now()),
        madeBy: who.personId,
        removedAt: null,
      };
      if (old) await entities.update(FeatureEntity, { id: old.id }, row as never);
      else await entities.insert(FeatureEntity, row as never);
      await audit(entities, who, clock.now(), old ? 'change on chart' : 'draw on chart', body.kind, body.id, {
        name: body.name,
        detail: body.detail,
      });
      return featureOf(found(await entities.findOneBy(FeatureEntity, { id: body.id }), 'feature'));
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/features/{id}/remove', request: { params: byId }, responses: answers(done, 'Off the chart') }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const row = found(await entities.findOneBy(FeatureEntity, { id: c.req.valid('param').id, removedAt: IsNull() }), 'feature');
      await entities.update(FeatureEntity, { id: row.id }, { removedAt: new Date(clock.now()) });
      await audit(entities, c.get('who'), clock.now(), 'take off chart', row.kind, row.id, { name: row.name });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/dismissals',
      request: { params: byId, ...jsonBody(dismissal) },
      responses: answers(done, 'Not shown again'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const who = c.get('who');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      await entities.insert(DismissalEntity, {
        ...c.req.valid('json'),
        outfitId: who.outfitId,
        waterId: water.id,
        madeAt: new Date(clock.now()),
        madeBy: who.personId,
      });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/dismissals/undo',
      request: { params: byId, ...jsonBody(dismissal) },
      responses: answers(done, 'Shown again'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      const { kind, lat, lon } = c.req.valid('json');
      // Sent again it undoes nothing more: it is shown again already.
      await entities.delete(DismissalEntity, { waterId: water.id, kind, lat, lon });
      return { ok: true as const };
    },
  );
  return app;
}

function featureOf(f: FeatureRow): z.infer<typeof featureView> {
  return { id: f.id, kind: f.kind, name: f.name, points: f.points, detail: f.detail, madeAt: f.madeAt.toISOString() };
}
