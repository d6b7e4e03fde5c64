import type { WeighedFish } from '@bluffwind/core/log/condition';
import type { LoggedSet } from '@bluffwind/core/log/rateBy';
import type { EntityManager } from 'typeorm';
import { ASKED, ASKED_VALUES } from './asked';

export interface FishedByWater extends Omit<LoggedSet, 'rodHours'> {
  readonly hours: number;
  /** Of its measured fish, mm; null where none was measured. */
  readonly lengths: number[] | null;
}

/** The entries asked for with the water they were fished in, by the local month and hour of their middle. */
export async function fishedByWater(entities: EntityManager, asked: readonly unknown[], zone: string): Promise<FishedByWater[]> {
  return entities.query(
    `select s.rod_hours as hours, k.fish, k.lengths, p.name as presentation, sp.name as spot,
           extract(month from mid.at)::int as month, extract(hour from mid.at)::int as hour,
           (s.conditions->>'tideStage')::float8 as "tideStage", (s.conditions->>'sinceTurnH')::float8 as "sinceTurnH",
           (s.conditions->>'windMps')::float8 as "windMps", (s.conditions->>'waterTempC')::float8 as "waterTempC",
           (s.conditions->>'sunHeightDeg')::float8 as "sunHeightDeg", (s.conditions->>'clarityM')::float8 as "clarityM"
         from fished_set s join spot sp on sp.id = s.spot_id join presentation p on p.id = s.presentation_id
         cross join lateral (select (s.started_at + (s.ended_at - s.started_at) / 2) at time zone $${ASKED_VALUES + 1} as at) mid
         cross join lateral (select count(*)::int as fish, array_agg(k.length_mm) filter (where k.length_mm is not null) as lengths
           from "catch" k where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null and ($4::uuid is null or k.species_id = $4)) k
         where ${ASKED}`,
    [...asked, zone],
  );
}

/** Fish of the entries asked for that were both measured and weighed. */
export async function weighedFish(entities: EntityManager, asked: readonly unknown[], zone: string): Promise<WeighedFish[]> {
  return entities.query(
    `select f.name as species, k.length_mm as "lengthMm", (k.more->>'weightG')::float8 as "weightG",
           extract(month from k.at at time zone $${ASKED_VALUES + 1})::int as month
         from fished_set s join spot sp on sp.id = s.spot_id join "catch" k on k.set_id = s.id join species f on f.id = k.species_id
         where k.outcome = 'landed' and k.deleted_at is null and k.length_mm is not null and k.length_kind = 'total' and k.more ? 'weightG'
           and ($4::uuid is null or k.species_id = $4) and ${ASKED}`,
    [...asked, zone],
  );
}
