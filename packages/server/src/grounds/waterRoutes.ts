// Waters as the crew begins and describes them: name and landing, the chart from a shore or from nothing, and the tide.
import { type ChartEdit, chartEdit, waterEdit } from '@bluffwind/contract/grounds';
import { id } from '@bluffwind/contract/ids';
import { tideEdit } from '@bluffwind/contract/water';
import { fetchRose } from '@bluffwind/core/exposure/fetch';
import { chartFromShore } from '@bluffwind/core/ground/chartFromShore';
import { toLocal } from '@bluffwind/core/ground/seaBed';
import { constituentSpeed } from '@bluffwind/core/tide/constituents';
import { createRoute, z } from '@hono/zod-openapi';
import { type EntityManager, In, IsNull } from 'typeorm';
import { audit } from '../audit';
import { SpotEntity } from '../db/entities/grounds';
import { TripEntity } from '../db/entities/trip';
import { ChartLayerEntity, WaterEntity, type WaterRow } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { requireNameFree } from '../http/nameFree';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { chartedGrid, effectiveBed } from './chartData';
import { requireSimple } from './drawn';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });
/** A shore of a large lake, corner by corner. */
const SHORE_BYTES = 4 * 1024 * 1024;
const OPEN_WATER: ChartEdit = { shore: null, acrossM: 6000 };

export function waterRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'post', path: '/waters', request: jsonBody(waterEdit), responses: answers(done, 'Stored') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const old = await entities.findOneBy(WaterEntity, { id: body.id });
      requireNameFree(await entities.findBy(WaterEntity, { retiredAt: IsNull() }), body, 'water');
      if (old && old.kind !== body.kind && (await entities.existsBy(TripEntity, { waterId: old.id })))
        throw new Problem('in_use', `kind: trips were made on ${old.name} as ${old.kind} water; begin another water for the rest.`, [
          { field: 'kind', message: 'trips were made on it' },
        ]);
      if (old) await entities.update(WaterEntity, { id: old.id }, body);
      else {
        await entities.insert(WaterEntity, {
          ...body,
          lat: body.dockLat,
          lon: body.dockLon,
          outfitId: who.outfitId,
          tide: null,
          currents: [],
        });
        await keepChart(entities, { ...body, outfitId: who.outfitId }, OPEN_WATER);
        await entities.insert(ChartLayerEntity, { outfitId: who.outfitId, waterId: body.id, kind: 'marks', data: [] });
      }
      await audit(entities, who, clock.now(), old ? 'change water' : 'add water', 'water', body.id, body);
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/chart',
      request: { params: byId, ...jsonBody(chartEdit) },
      responses: answers(done, 'The chart has this shore; depths come from soundings'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      await requireNoDepths(entities, water);
      for (const ring of body.shore?.polygons.flat() ?? []) requireSimpleShore(ring);
      await keepChart(entities, water, body.add ? await withShoreBefore(entities, water.id, body) : body);
      await measureAgain(entities, water.id);
      await audit(entities, who, clock.now(), 'draw shore', 'water', water.id, { areas: body.shore?.polygons.length ?? 0 });
      return { ok: true as const };
    },
    { maxBytes: SHORE_BYTES, slow: true },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/tide',
      request: { params: byId, ...jsonBody(tideEdit) },
      responses: answers(done, 'Tides are foretold from this'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, { tide }] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      tide?.constants.forEach(({ name }, i) => {
        try {
          constituentSpeed(name);
        } catch {
          throw new Problem('invalid', `tide.constants.${i}.name: no constituent is called ${name}.`, [
            { field: `tide.constants.${i}.name`, message: 'not the name of a constituent' },
          ]);
        }
      });
      await entities.update(WaterEntity, { id: water.id }, { tide: tide as never });
      await audit(entities, who, clock.now(), 'set tide', 'water', water.id, {
        before: water.tide,
        constants: tide?.constants.length ?? 0,
      });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/waters/{id}/retire', request: { params: byId }, responses: answers(done, 'Out of use') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id, retiredAt: IsNull() }), 'water');
      const ahead = await entities.countBy(TripEntity, { waterId: water.id, status: In(['planned', 'under way']) });
      if (ahead > 0)
        throw new Problem('in_use', `${ahead} ${ahead === 1 ? 'trip is' : 'trips are'} planned on ${water.name}: call them off first.`);
      await entities.update(WaterEntity, { id: water.id }, { retiredAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'retire water', 'water', water.id, { name: water.name });
      return { ok: true as const };
    },
  );
  return app;
}

/** A chart that came with depths is not replaced by a shore: they could not be brought back. */
async function requireNoDepths(entities: EntityManager, water: WaterRow): Promise<void> {
  const { depthM } = await chartedGrid(entities, water.id);
  if (depthM.some((d) => d !== null && d > 0))
    throw new Problem(
      'in_use',
      `The chart of ${water.name} has depths of its own, which a new shore would wipe out. Soundings can be laid over it.`,
      [{ field: 'shore', message: 'the chart has depths' }],
    );
}

/** The most corners that are held against each other for crossings. */
const MOST_CHECKED = 3000;
function requireSimpleShore(ring: readonly (readonly [number, number])[]): void {
  if (ring.length <= MOST_CHECKED) requireSimple(ring);
}

/** Makes the grid from a shore and keeps it in place of the one before. */
async function keepChart(
  entities: EntityManager,
  water: Pick<WaterRow, 'id' | 'outfitId' | 'dockLat' | 'dockLon'>,
  { shore, acrossM }: ChartEdit,
): Promise<void> {
  let bed: ReturnType<typeof chartFromShore>;
  try {
    bed = chartFromShore({ lat: water.dockLat, lon: water.dockLon }, shore, acrossM);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Problem('invalid', error.message, [{ field: 'shore', message: error.message.replace(/^shore: /, '') }]);
  }
  // The shore as it was drawn stays beside the grid, so that more can be drawn to it.
  const data = { ...bed, shore, acrossM, depthM: Array.from(bed.depthM, (d) => (Number.isNaN(d) ? null : d)) };
  await entities.delete(ChartLayerEntity, { waterId: water.id, kind: 'bed' });
  await entities.insert(ChartLayerEntity, { outfitId: water.outfitId, waterId: water.id, kind: 'bed', data });
  const [lat, lon] = [bed.lat0 + (bed.rows * bed.cellM) / 2 / 111_132, bed.lon0];
  await entities.update(WaterEntity, { id: water.id }, { lat, lon: middleLon(bed, lat, lon) });
}

/** A shore with the areas that were drawn before; one that means the other side is drawn anew. */
async function withShoreBefore(entities: EntityManager, waterId: string, { shore, acrossM }: ChartEdit): Promise<ChartEdit> {
  const layer = await entities.findOneBy(ChartLayerEntity, { waterId, kind: 'bed' });
  const { shore: drawn, acrossM: across } = (layer?.data ?? {}) as { shore?: unknown; acrossM?: unknown };
  const before = chartEdit.safeParse({ shore: drawn ?? null, acrossM: across });
  if (!before.success || !before.data.shore || !shore || before.data.shore.inside !== shore.inside) return { shore, acrossM };
  return { shore: { inside: shore.inside, polygons: [...before.data.shore.polygons, ...shore.polygons] }, acrossM: before.data.acrossM };
}

function middleLon({ columns, cellM }: { columns: number; cellM: number }, lat: number, west: number): number {
  return west + (columns * cellM) / 2 / (111_320 * Math.cos((lat * Math.PI) / 180));
}

/** How open every spot lies, on the chart as it is now. */
async function measureAgain(entities: EntityManager, waterId: string): Promise<void> {
  const { bed } = await effectiveBed(entities, waterId);
  for (const spot of await entities.findBy(SpotEntity, { waterId })) {
    const { xM, yM } = toLocal(bed, spot.lat, spot.lon);
    await entities.update(SpotEntity, { id: spot.id }, { fetchM: fetchRose(bed, xM, yM) });
  }
}
