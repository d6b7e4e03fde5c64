// Forecasts that came in a file: kept under a source of their own beside the water's stations, which nobody asks.
import { isVariable } from '@bluffwind/core/weather/variables';
import type { EntityManager } from 'typeorm';
import { v7 } from 'uuid';
import { Problem } from '../errors';
import { ForecastEntity, StationEntity, WaterEntity } from '../db/entities/water';
import { found } from '../http/context';
import { forecastSeries, keepSeries } from './keepRun';

/** Address of the source that files are. */
export const FILES = 'files';

/** How far ahead a forecast may speak, ms. */
const FURTHEST_MS = 20 * 86_400_000;

interface Rows {
  readonly atMs: readonly number[];
  readonly variable: readonly string[];
  readonly value: readonly number[];
  readonly member: readonly number[];
}

/** Stores what is foretold as a forecast made now. @returns How many values. */
export async function keepForecast(
  entities: EntityManager,
  { outfitId, waterId, importId, nowMs }: { outfitId: string; waterId: string; importId: string; nowMs: number },
  rows: Rows,
): Promise<number> {
  if (rows.atMs.length === 0) return 0;
  const last = Math.max(
    ...rows.atMs.slice(0, 1),
    rows.atMs.reduce((a, t) => Math.max(a, t), 0),
  );
  if (last > nowMs + FURTHEST_MS)
    throw new Problem('invalid', `a row is of ${new Date(last).toISOString().slice(0, 10)}, which no forecast reaches`, [
      { field: 'atMs', message: 'too far ahead: check the dates and the zone of the file' },
    ]);
  if (last <= nowMs)
    throw new Problem('invalid', 'the forecast ends before now; take a newer one', [{ field: 'atMs', message: 'it is over' }]);
  const unknown = rows.variable.find((v) => !isVariable(v));
  if (unknown !== undefined)
    throw new Problem('invalid', `variable: there is none called ${unknown.slice(0, 40)}`, [{ field: 'variable', message: 'not known' }]);
  const station = (await entities.findOneBy(StationEntity, { waterId, path: FILES })) ?? (await makeSource(entities, outfitId, waterId));
  const forecastId = v7();
  await entities.insert(ForecastEntity, {
    id: forecastId,
    outfitId,
    stationId: station.id,
    // To the second: two files within one are one after the other.
    runAt: new Date(nowMs),
    fetchedAt: new Date(nowMs),
    importId,
  });
  const values = rows.atMs.map((atMs, k) => ({
    atMs,
    variable: rows.variable[k] ?? '',
    member: rows.member[k] ?? 0,
    value: rows.value[k] ?? 0,
  }));
  await keepSeries(entities, { forecastId, outfitId }, forecastSeries(values));
  return rows.atMs.length;
}

async function makeSource(entities: EntityManager, outfitId: string, waterId: string): Promise<{ id: string }> {
  const { lat, lon } = found(await entities.findOneBy(WaterEntity, { id: waterId }), 'water');
  const id = v7();
  await entities.insert(StationEntity, { id, outfitId, waterId, name: 'Forecasts from files', path: FILES, lat, lon });
  return { id };
}
