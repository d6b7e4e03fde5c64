import { id } from '@bluffwind/contract/ids';
import { importPlaces, importReadings, importSoundings, importTrips, type ImportView, importView } from '@bluffwind/contract/imports';
import { DAY } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import type { Context } from 'hono';
import { type EntityManager, In, IsNull } from 'typeorm';
import { v7 } from 'uuid';
import { audit } from '../audit';
import { FeatureEntity, SpotEntity, SurveyEntity } from '../db/entities/grounds';
import { StopEntity, TripEntity } from '../db/entities/trip';
import {
  ForecastEntity,
  ForecastMemberEntity,
  ImportEntity,
  type ImportRow,
  ReadingEntity,
  WaterEntity,
  type WaterRow,
} from '../db/entities/water';
import { Problem } from '../errors';
import { effectiveBed } from '../grounds/chartData';
import { type Deps, type Env, found, requireCaptain } from '../http/context';
import type { Who } from '../http/who';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { noteMark, storePlaces } from './storePlaces';
import type { Jobs } from '../jobs/boss';
import { storeImportedReadings } from './storeReadings';
import { keepForecast } from '../water/filedForecasts';
import { storeSurvey } from './storeSoundings';
import { storeTrips } from './storeTrips';

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

/** Takes back everything that an import brought; spots that have been fished since stay and say so. */
async function undo(jobs: Jobs, entities: EntityManager, who: Who, row: ImportRow, nowMs: number): Promise<void> {
  const { id: importId, waterId } = row;
  const now = new Date(nowMs);
  const fished: { name: string }[] = await entities.query(
    `select s.name from spot s where s.import_id = $1 and s.retired_at is null and exists (select from stop st where st.spot_id = s.id and st.deleted_at is null)`,
    [importId],
  );
  if (fished.length > 0)
    throw new Problem(
      'conflict',
      `${fished.map((f) => f.name).join(', ')} ${fished.length === 1 ? 'has' : 'have'} been fished since; retire the others one by one.`,
    );
  const [span]: { from: Date | null; to: Date | null }[] = await entities.query(
    'select min(at) as from, max(at) as to from reading where import_id = $1',
    [importId],
  );
  await entities.update(ReadingEntity, { importId, withdrawnAt: IsNull() }, { withdrawnAt: now });
  await entities.update(SurveyEntity, { importId, withdrawnAt: IsNull() }, { withdrawnAt: now });
  await entities.update(FeatureEntity, { importId, removedAt: IsNull() }, { removedAt: now });
  await entities.update(SpotEntity, { importId, retiredAt: IsNull() }, { retiredAt: now });
  const forecasts = await entities.find(ForecastEntity, { select: { id: true }, where: { importId } });
  await entities.delete(ForecastMemberEntity, { forecastId: In(forecasts.map((f) => f.id)) });
  await entities.delete(ForecastEntity, { importId });
  const trips = await entities.find(TripEntity, { select: { id: true }, where: { importId } });
  await entities.update(StopEntity, { tripId: In(trips.map((t) => t.id)), deletedAt: IsNull() }, { deletedAt: now });
  await entities.update(TripEntity, { importId }, { status: 'cancelled', cancelReason: 'its file was taken out again' });
  // Lines that it added to spots which were there before it.
  await entities.query(
    `update spot set note = coalesce((select string_agg(line, E'\\n' order by n) from string_to_table(note, E'\\n') with ordinality as l (line, n)
       where right(line, length($2)) <> $2), '')
     where water_id = $1 and position($2 in note) > 0`,
    [waterId, noteMark(row.fileName, row.madeAt)],
  );
  await entities.update(ImportEntity, { id: importId }, { undoneAt: now, undoneBy: who.personId });
  if (span?.from && span.to)
    await jobs.send(entities, 'refresh-stops', { outfitId: who.outfitId, waterId, fromMs: +span.from, toMs: +span.to + DAY });
  await audit(entities, who, nowMs, 'undo import', 'water', waterId, { importId });
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

async function importsOf(entities: EntityManager, waterId: string, only: string | null = null): Promise<ImportView[]> {
  const rows: (Omit<ImportView, 'madeAt' | 'undoneAt' | 'fileName'> & { file_name: string; made_at: Date; undone_at: Date | null })[] =
    await entities.query(
      `select i.id, i.kind, i.file_name, i.made_at, p.name as by, i.stored, i.known, i.refused, i.undone_at
     from import i join person p on p.id = i.made_by where ($1::uuid is null or i.water_id = $1) and ($2::uuid is null or i.id = $2)
     order by i.made_at desc, i.id limit 100`,
      [only ? null : waterId, only],
    );
  return rows.map(({ file_name, made_at, undone_at, ...r }) => ({
    ...r,
    fileName: file_name,
    madeAt: made_at.toISOString(),
    undoneAt: undone_at?.toISOString() ?? null,
  }));
}

async function importOf(entities: EntityManager, importId: string): Promise<ImportView | null> {
  return (await importsOf(entities, '', importId))[0] ?? null;
}
