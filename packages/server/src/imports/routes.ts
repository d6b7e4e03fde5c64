import { id } from '@bluffwind/contract/ids';
import { importPlaces, importReadings, importSoundings, importTrips, type ImportView, importView } from '@bluffwind/contract/imports';
import { DAY } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import type { Context } from 'hono';
import type { EntityManager } from 'typeorm';
import { v7 } from 'uuid';
import { audit } from '../audit';
import { ImportEntity, type ImportRow, WaterEntity, type WaterRow } from '../db/entities/water';
import { Problem } from '../errors';
import { effectiveBed } from '../grounds/chartData';
import { type Deps, type Env, found, requireCaptain } from '../http/context';
import type { Who } from '../http/who';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { storePlaces } from './storePlaces';
import { storeImportedReadings } from './storeReadings';
import { keepForecast } from '../water/filedForecasts';
import { storeSurvey } from './storeSoundings';
import { storeTrips } from './storeTrips';
import { importOf, importsOf } from './importsOf';
import { undo } from './undo';

const byId = z.object({ id });

/** Files are parsed on the device and come as rows. */
const FILE = { slow: true, maxBytes: 32 * 1024 * 1024 };

type Counts = { readonly stored: number; readonly known?: number };

/** Files brought in whole and undone whole. The request's transaction makes both all or nothing. */
export function importRoutes({ clock, jobs }: Deps) {
  const app = router();

  /** The same import sent again is the one that is there; otherwise it is noted, stored and counted. */
  async function bringIn(
    c: Context<Env>,
    kind: ImportRow['kind'],
    body: { id: string; fileName: string; refused: number },
    store: (entities: EntityManager, who: Who, water: WaterRow, nowMs: number) => Promise<Counts>,
  ): Promise<ImportView> {
    const entities = c.get('entities');
    const who = c.get('who');
    const water = found(await entities.findOneBy(WaterEntity, { id: c.req.param('id') ?? '' }), 'water');
    const before = await importOf(entities, body.id);
    if (before) return before;
    const { id: importId, fileName, refused } = body;
    const nowMs = clock.now();
    const row = { id: importId, outfitId: who.outfitId, waterId: water.id, kind, fileName, refused, stored: 0, known: 0 };
    await entities.insert(ImportEntity, { ...row, madeAt: new Date(nowMs), madeBy: who.personId });
    const counts = await store(entities, who, water, nowMs);
    await entities.update(ImportEntity, { id: importId }, counts);
    await audit(entities, who, nowMs, `import ${kind}`, 'water', water.id, { file: fileName, ...counts });
    return found(await importOf(entities, importId), 'import');
  }

  app.answer(
    createRoute({
      method: 'get',
      path: '/waters/{id}/imports',
      request: { params: byId },
      responses: answers(z.array(importView), 'Newest first'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      return await importsOf(entities, water.id);
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/imports/readings',
      request: { params: byId, ...jsonBody(importReadings) },
      responses: answers(importView, 'Stored'),
    }),
    async (c) => {
      const body = c.req.valid('json');
      sameLength(body.atMs, { variable: body.variable, value: body.value, ...(body.member ? { member: body.member } : {}) });
      const view = await bringIn(c, 'readings', body, async (entities, who, { id: waterId }, nowMs) => {
        // What lies ahead is foretold; the hours that a forecast has behind it are no readings either.
        const ahead = (k: number) => body.source === 'forecast' || (body.atMs[k] ?? 0) > nowMs;
        const foretold = await keepForecast(entities, { outfitId: who.outfitId, waterId, importId: body.id, nowMs }, pick(body, ahead));
        const past = pick(body, (k) => !ahead(k));
        if (past.atMs.length === 0) return { stored: foretold };
        const counts = await storeImportedReadings(entities, who, waterId, body.id, past);
        counts.stored += foretold;
        const [from, to] = ends(past.atMs);
        await jobs.send(entities, 'refresh-stops', { outfitId: who.outfitId, waterId, fromMs: from, toMs: to + DAY });
        return counts;
      });
      return view;
    },
    FILE,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/imports/soundings',
      request: { params: byId, ...jsonBody(importSoundings) },
      responses: answers(importView, 'Stored'),
    }),
    async (c) => {
      requireCaptain(c);
      const body = c.req.valid('json');
      sameLength(body.lat, { lon: body.lon, soundedM: body.soundedM, atMs: body.atMs });
      const view = await bringIn(c, 'soundings', body, async (entities, who, water, nowMs) => ({
        stored: await storeSurvey(entities, who, water, { id: v7(), name: body.fileName, importId: body.id }, body, nowMs),
      }));
      return view;
    },
    FILE,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/imports/places',
      request: { params: byId, ...jsonBody(importPlaces) },
      responses: answers(importView, 'Stored'),
    }),
    async (c) => {
      requireCaptain(c);
      const body = c.req.valid('json');
      const view = await bringIn(c, 'places', body, async (entities, who, { id: waterId }, nowMs) => {
        const { bed } = await effectiveBed(entities, waterId);
        return { stored: await storePlaces(entities, who, waterId, body, bed, nowMs) };
      });
      return view;
    },
    FILE,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/imports/trips',
      request: { params: byId, ...jsonBody(importTrips) },
      responses: answers(importView, 'Stored'),
    }),
    async (c) => {
      requireCaptain(c);
      const body = c.req.valid('json');
      const view = await bringIn(c, 'trips', body, async (entities, who, water, nowMs) => {
        const counts = await storeTrips(entities, who, water, body, nowMs);
        // What the water was like then is worked out behind.
        await jobs.send(entities, 'see-stops', { outfitId: who.outfitId });
        return counts;
      });
      return view;
    },
    FILE,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/imports/{id}/undo',
      request: { params: byId },
      responses: answers(importView, 'Undone whole'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const row = found(await entities.findOneBy(ImportEntity, { id: c.req.valid('param').id }), 'import');
      if (row.undoneAt === null) await undo(jobs, entities, c.get('who'), row, clock.now());
      return found(await importOf(entities, row.id), 'import');
    },
    { slow: true },
  );
  return app;
}

function sameLength(first: readonly unknown[], others: Readonly<Record<string, readonly unknown[]>>): void {
  for (const [name, column] of Object.entries(others))
    if (column.length !== first.length)
      throw new Problem('invalid', `${name}: expected ${first.length} values like the first column, got ${column.length}`, [
        { field: name, message: `${first.length} values expected` },
      ]);
}

interface Rows {
  readonly atMs: readonly number[];
  readonly variable: readonly string[];
  readonly value: readonly number[];
  readonly member?: readonly number[] | undefined;
}

/** Some of the rows. */
function pick({ atMs, variable, value, member }: Rows, which: (k: number) => boolean) {
  const some = <T>(column: readonly T[]) => column.filter((_, k) => which(k));
  return { atMs: some(atMs), variable: some(variable), value: some(value), member: some(member ?? atMs.map(() => 0)) };
}

const ends = (atMs: readonly number[]): [number, number] =>
  atMs.reduce(([a, b], t) => [Math.min(a, t), Math.max(b, t)], [atMs[0] as number, atMs[0] as number]);
