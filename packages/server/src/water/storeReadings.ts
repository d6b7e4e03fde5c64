// Readings of a station as rows: flagged by what it read before, what its season is and what its neighbour reads.
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { climatologyOf, type QualityContext, qualityFlags, type RawReading } from '@bluffwind/core/weather/quality';
import { isVariable, variable as known } from '@bluffwind/core/weather/variables';
import { And, type EntityManager, type FindOptionsWhere, IsNull, LessThan, MoreThanOrEqual, Not } from 'typeorm';
import { bulkInsert } from '../db/bulk';
import { ReadingEntity, type ReadingRow, type StationRow } from '../db/entities/water';

/** What the flat-line test needs to look back on. */
const CONTEXT = 30 * HOUR;

/**
 * Keeps what a station read, with quality flags; what is kept already stays as it is.
 * @param seasonal - Held against the season and the station beside it too.
 * @returns How many were new, and the instant of the last good one.
 */
export async function storeReadings(
  entities: EntityManager,
  station: StationRow,
  readings: readonly { at: string; variable: string; value: number }[],
  nowMs: number,
  seasonal: boolean,
): Promise<{ count: number; goodAt: number | null }> {
  const byVariable = new Map<string, RawReading[]>();
  for (const r of readings) {
    const atMs = Date.parse(r.at);
    // A station's clock may be wrong; a reading from the future is not one.
    if (!isVariable(r.variable) || atMs > nowMs) continue;
    const list = byVariable.get(r.variable) ?? [];
    list.push({ atMs, value: r.value });
    byVariable.set(r.variable, list);
  }
  let count = 0;
  let goodAt: number | null = null;
  for (const [variable, list] of byVariable) {
    list.sort((a, b) => a.atMs - b.atMs);
    const first = list[0]?.atMs as number;
    const looked = And(MoreThanOrEqual(new Date(first - CONTEXT)), LessThan(new Date(first)));
    const context = await asRead(entities, { stationId: station.id, variable, withdrawnAt: IsNull(), at: looked });
    const beside = seasonal ? await qualityContext(entities, station, variable, first, nowMs) : {};
    const flags = qualityFlags(variable, [...context, ...list], beside).slice(context.length);
    list.forEach((r, i) => {
      if (flags[i] === 1 && r.atMs > (goodAt ?? 0)) goodAt = r.atMs;
    });
    const fill = <T>(value: T) => list.map(() => value);
    const inserted = await bulkInsert(
      entities,
      'reading',
      {
        outfit_id: ['uuid', fill(station.outfitId)],
        water_id: ['uuid', fill(station.waterId)],
        station_id: ['uuid', fill(station.id)],
        source: ['text', fill('station')],
        variable: ['text', fill(variable)],
        at: ['timestamptz', list.map((r) => new Date(r.atMs))],
        value: ['double precision', list.map((r) => r.value)],
        flag: ['smallint', flags],
      },
      '(outfit_id, station_id, variable, at) where station_id is not null and superseded_by is null do nothing',
    );
    count += inserted;
    if (inserted < list.length) await reflag(entities, station.id, variable, list, flags);
  }
  return { count, goodAt };
}

/** Seasons by station, variable and day: they do not change within one. */
const seasons = new Map<string, { min: number; max: number } | null>();
const KEPT_SEASONS = 500;

/** What the same sensor read at this season of other years, and what the station beside it reads now. */
async function qualityContext(
  entities: EntityManager,
  station: StationRow,
  variable: string,
  fromMs: number,
  nowMs: number,
): Promise<QualityContext> {
  const neighbour = await asRead(entities, {
    waterId: station.waterId,
    variable,
    stationId: Not(station.id),
    flag: 1,
    withdrawnAt: IsNull(),
    at: MoreThanOrEqual(new Date(fromMs - HOUR)),
  });
  if (!known(variable).seasonal) return { neighbour };
  const key = `${station.id} ${variable} ${Math.floor(nowMs / DAY)}`;
  let climatology = seasons.get(key);
  if (climatology === undefined) {
    const past = await asRead(entities, { stationId: station.id, variable, flag: 1, at: LessThan(new Date(nowMs - 100 * DAY)) });
    climatology = climatologyOf(past, nowMs);
    if (seasons.size >= KEPT_SEASONS) seasons.clear();
    seasons.set(key, climatology);
  }
  return { neighbour, climatology };
}

/** What came after a reading may change its flag: a jump turns out a spike, or the beginning of a real change. */
async function reflag(
  entities: EntityManager,
  stationId: string,
  variable: string,
  list: readonly { atMs: number }[],
  flags: readonly number[],
): Promise<void> {
  await entities.query(
    `update reading r set flag = x.flag from unnest($3::timestamptz[], $4::smallint[]) as x (at, flag)
     where r.station_id = $1 and r.variable = $2 and r.at = x.at and r.superseded_by is null and r.flag <> x.flag`,
    [stationId, variable, list.map((r) => new Date(r.atMs)), flags],
  );
}

/** Readings that nobody has corrected, the first first. */
async function asRead(entities: EntityManager, where: FindOptionsWhere<ReadingRow>): Promise<{ atMs: number; value: number }[]> {
  // Plain rows: of years there are very many.
  const rows = await entities
    .createQueryBuilder(ReadingEntity, 'r')
    .select('r.at', 'at')
    .addSelect('r.value', 'value')
    .where({ ...where, supersededBy: IsNull() })
    .orderBy('r.at')
    .getRawMany<{ at: Date; value: number }>();
  return rows.map((r) => ({ atMs: r.at.getTime(), value: r.value }));
}
