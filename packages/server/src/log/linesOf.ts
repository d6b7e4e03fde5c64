import type { LogLine } from '@bluffwind/core/formats/logCsv';
import type { EntityManager } from 'typeorm';
import { ASKED, ASKED_VALUES } from './asked';

export interface FishLine extends Omit<LogLine, 'fromMs' | 'toMs' | 'atMs'> {
  readonly from: Date;
  readonly to: Date;
  readonly at: Date | null;
}

/** A line a fish of the entries asked for, and one for each entry without; spots that are no captain's only where asked. */
export async function linesOf(entities: EntityManager, asked: readonly unknown[], crewOnly: boolean, most: number): Promise<FishLine[]> {
  return entities.query(
    `select s.started_at as "from", s.ended_at as "to", w.name as water,
           b.name as boat, cap.name as captain, sp.name as spot, p.name as bait, s.rods, k.outcome, coalesce(f.name, '') as species,
           k.length_mm as "lengthMm", coalesce(k.kept, false) as kept, (s.conditions->>'windMps')::float8 as "windMps",
           (s.conditions->>'windFromDeg')::float8 as "windFromDeg", (s.conditions->>'waterTempC')::float8 as "waterTempC",
           (s.conditions->>'tideStage')::float8 as "tideStage", sp.lat, sp.lon, k.at
         from fished_set s join spot sp on sp.id = s.spot_id join water w on w.id = sp.water_id
         join presentation p on p.id = s.presentation_id join trip t on t.id = s.trip_id join boat b on b.id = t.boat_id
         join person cap on cap.id = t.captain_id
         left join "catch" k on k.set_id = s.id and k.deleted_at is null and ($4::uuid is null or k.species_id = $4)
         left join species f on f.id = k.species_id
         where ${ASKED} and (not $${ASKED_VALUES + 1} or sp.privacy = 'crew') order by s.started_at, s.id, k.at limit ${most}`,
    [...asked, crewOnly],
  );
}
