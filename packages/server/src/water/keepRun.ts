// A run of a forecast as rows: one series for each member and variable.
import { isVariable } from '@bluffwind/core/weather/variables';
import type { EntityManager } from 'typeorm';
import { ForecastEntity, ForecastMemberEntity, type StationRow } from '../db/entities/water';

/** What one member of a forecast says of one variable, in the order of time. */
export interface Series {
  readonly member: number;
  readonly variable: string;
  readonly at: Date[];
  readonly value: number[];
}

/** Keeps a run; one of the same station and time is there already. @returns Whether it was new. */
export async function keepRun(
  entities: EntityManager,
  station: StationRow,
  runMs: number,
  nowMs: number,
  series: readonly Series[],
): Promise<boolean> {
  const { outfitId, id: stationId } = station;
  const made = await entities
    .createQueryBuilder()
    .insert()
    .into(ForecastEntity)
    .values({ outfitId, stationId, runAt: new Date(runMs), fetchedAt: new Date(nowMs) })
    .orIgnore()
    .returning('id')
    .execute();
  const forecastId: string | undefined = made.raw[0]?.id;
  if (forecastId === undefined) return false;
  await keepSeries(entities, { forecastId, outfitId }, series);
  return true;
}

/** Series of one statement: a station may number as many members as it likes, and a statement takes so many values only. */
const AT_ONCE = 1000;

/** Keeps the series of a forecast. */
export async function keepSeries(
  entities: EntityManager,
  of: { readonly forecastId: string; readonly outfitId: string },
  series: readonly Series[],
): Promise<void> {
  for (let k = 0; k < series.length; k += AT_ONCE)
    await entities.insert(
      ForecastMemberEntity,
      series.slice(k, k + AT_ONCE).map((s) => ({ ...s, ...of })),
    );
}

/** Series of values that come one by one. */
export function forecastSeries(values: readonly { member: number; variable: string; atMs: number; value: number }[]): Series[] {
  const series = new Map<string, Series>();
  for (const v of [...values].sort((a, b) => a.atMs - b.atMs)) {
    const key = `${v.member} ${v.variable}`;
    const one = series.get(key) ?? { member: v.member, variable: v.variable, at: [], value: [] };
    series.set(key, one);
    one.at.push(new Date(v.atMs));
    one.value.push(v.value);
  }
  return [...series.values()];
}

/** Series of a run that tells its times once. Throws an Error for a member that has another number of values. */
export function seriesOfRun(
  path: string,
  run: { times: string[]; members: { member: number; variables: Record<string, number[]> }[] },
): Series[] {
  const at = run.times.map((t) => new Date(t));
  return run.members.flatMap(({ member, variables }) =>
    Object.entries(variables).flatMap(([variable, value]) => {
      if (!isVariable(variable)) return [];
      if (value.length !== at.length)
        throw new Error(`station ${path}: member ${member} has ${value.length} values of ${variable} for ${at.length} times`);
      return [{ member, variable, at, value }];
    }),
  );
}
