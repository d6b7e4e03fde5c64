// What instruments were heard to say, as readings and as soundings with the tide taken off.
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import type { NmeaCollector } from '@bluffwind/core/formats/nmeaLog';
import type { FileReading } from '@bluffwind/core/formats/readingsCsv';
import { toDatum } from '@bluffwind/core/ground/gridSoundings';
import { HOUR, MINUTE } from '@bluffwind/core/units/time';
import { qualityFlags } from '@bluffwind/core/weather/quality';
import { And, type EntityManager, LessThan, MoreThanOrEqual } from 'typeorm';
import { v7 } from 'uuid';
import { bulkInsert } from '../db/bulk';
import { type InstrumentRow, ReadingEntity } from '../db/entities/water';
import { loadWaterState } from './waterState';

/** What the flat-line test looks back on. */
const CONTEXT = 30 * HOUR;
/** A clock that runs ahead by more than this is wrong. */
export const AHEAD_MS = 2 * MINUTE;

/**
 * Stores what was heard so far.
 * @param afterMs - What was heard up to then is stored already, and left out: lines that are sent again change nothing.
 */
export async function storeHeard(
  entities: EntityManager,
  row: InstrumentRow,
  heard: NmeaCollector,
  nowMs: number,
  afterMs = Number.NEGATIVE_INFINITY,
): Promise<void> {
  // Only whole minutes: nothing that is stored changes later.
  await storeReadings(entities, row, heard.readings(heard.heardAt ?? 0));
  const timed = heard.soundings.filter((s) => s.atMs !== null && s.atMs > afterMs);
  if (timed.length === 0) return;
  const first = timed[0]?.atMs as number;
  const last = timed.at(-1)?.atMs as number;
  const { record } = await loadWaterState(entities, row.waterId, first - HOUR, last + HOUR, nowMs);
  const level = waterStateOf(record).levelAt;
  const depth = timed.map((s) => toDatum(s.soundedM, s.offsetM ?? row.transducerM, level?.(s.atMs as number) ?? 0));
  const day = new Date(first).toISOString().slice(0, 10);
  const name = `${row.name}, ${day}`;
  await entities.query(
    `insert into survey (id, outfit_id, water_id, name, source, instrument_id, made_at, tide_corrected, lat, lon, depth_m)
     values ($1, $2, $3, $4, 'instrument', $5, $6, $7, $8, $9, $10)
     on conflict (instrument_id, name) do update set lat = survey.lat || excluded.lat, lon = survey.lon || excluded.lon,
       depth_m = survey.depth_m || excluded.depth_m, grid = null`,
    [
      v7(),
      row.outfitId,
      row.waterId,
      name,
      row.id,
      new Date(nowMs),
      level !== null,
      timed.map((s) => s.lat),
      timed.map((s) => s.lon),
      depth,
    ],
  );
}

async function storeReadings(entities: EntityManager, row: InstrumentRow, readings: readonly FileReading[]): Promise<void> {
  const variables = [...new Set(readings.map((r) => r.variable))];
  for (const variable of variables) {
    const list = readings.filter((r) => r.variable === variable);
    const first = list[0]?.atMs ?? 0;
    const before = await entities.find(ReadingEntity, {
      select: { id: true, at: true, value: true },
      where: { instrumentId: row.id, variable, at: And(MoreThanOrEqual(new Date(first - CONTEXT)), LessThan(new Date(first))) },
      order: { at: 'ASC' },
    });
    const context = before.map((b) => ({ atMs: b.at.getTime(), value: b.value }));
    const flags = qualityFlags(variable, [...context, ...list]).slice(context.length);
    const fill = <T>(value: T) => list.map(() => value);
    await bulkInsert(
      entities,
      'reading',
      {
        outfit_id: ['uuid', fill(row.outfitId)],
        water_id: ['uuid', fill(row.waterId)],
        instrument_id: ['uuid', fill(row.id)],
        source: ['text', fill('instrument')],
        variable: ['text', fill(variable)],
        at: ['timestamptz', list.map((r) => new Date(r.atMs))],
        value: ['double precision', list.map((r) => r.value)],
        flag: ['smallint', flags],
      },
      '(outfit_id, instrument_id, variable, at) where instrument_id is not null do nothing',
    );
  }
}
