// Entries of the log as a list, in any order, a part at a time.
import type { LogRow } from '@bluffwind/contract/log';
import type { LogOrder } from '@bluffwind/contract/logOrders';
import type { EntityManager } from 'typeorm';
import { ASKED, ASKED_VALUES } from './asked';

interface SetRow {
  set_id: string;
  stop_id: string;
  trip_id: string;
  at: Date;
  water: string;
  spot_id: string;
  spot: string;
  presentation: string;
  boat: string;
  rods: number;
  rod_hours: number;
  fish: number;
  lost: number;
  largest_mm: number | null;
  tide_stage: number | null;
  wind_mps: number | null;
  wind_from_deg: number | null;
  water_temp_c: number | null;
}

/** Columns by which a list can be ordered: nothing of a request comes into a question but by this list. */
const ORDERS: Record<LogOrder, string> = {
  when: 'at',
  boat: 'boat',
  spot: 'spot',
  bait: 'presentation',
  rods: 'rods',
  rodHours: 'rod_hours',
  fish: 'fish',
  lost: 'lost',
  largest: 'largest_mm',
  tide: 'tide_stage',
  wind: 'wind_mps',
  water: 'water_temp_c',
};

export interface Part {
  readonly order: LogOrder;
  readonly dir: 'up' | 'down';
  readonly limit: number;
  readonly offset: number;
}

/** @param asked - Values of ASKED. */
export async function rowsOf(entities: EntityManager, asked: readonly unknown[], { order, dir, limit, offset }: Part): Promise<LogRow[]> {
  const way = dir === 'up' ? 'asc nulls last' : 'desc nulls last';
  const part = `limit $${ASKED_VALUES + 1} offset $${ASKED_VALUES + 2}`;
  // By time the index finds the part; by anything else all that is asked for is gone through.
  const early = order === 'when' ? `order by s.started_at ${dir === 'up' ? 'asc' : 'desc'}, s.id ${part}` : '';
  const late = order === 'when' ? '' : part;
  const rows: SetRow[] = await entities.query(
    `select * from (
       select s.id as set_id, s.stop_id, s.trip_id, s.started_at as at, w.name as water, s.spot_id, s.spot, p.name as presentation,
         b.name as boat, s.rods, s.rod_hours, k.fish, k.lost, k.largest_mm, (s.conditions->>'tideStage')::float8 as tide_stage,
         (s.conditions->>'windMps')::float8 as wind_mps, (s.conditions->>'windFromDeg')::float8 as wind_from_deg,
         (s.conditions->>'waterTempC')::float8 as water_temp_c
       from (select s.*, sp.name as spot, sp.water_id from fished_set s join spot sp on sp.id = s.spot_id where ${ASKED} ${early}) s
       join water w on w.id = s.water_id join presentation p on p.id = s.presentation_id join trip t on t.id = s.trip_id
       join boat b on b.id = t.boat_id
       cross join lateral (select count(*) filter (where k.outcome = 'landed')::int as fish,
           count(*) filter (where k.outcome <> 'landed')::int as lost, max(k.length_mm) as largest_mm from "catch" k
         where k.set_id = s.id and k.deleted_at is null and ($4::uuid is null or k.species_id = $4)) k) x
     order by ${ORDERS[order]} ${way}, at desc, set_id ${late}`,
    [...asked, limit, offset],
  );
  return rows.map((r) => ({
    setId: r.set_id,
    stopId: r.stop_id,
    tripId: r.trip_id,
    at: r.at.toISOString(),
    water: r.water,
    spotId: r.spot_id,
    spot: r.spot,
    presentation: r.presentation,
    boat: r.boat,
    rods: r.rods,
    rodHours: r.rod_hours,
    fish: r.fish,
    lost: r.lost,
    largestMm: r.largest_mm,
    tideStage: r.tide_stage,
    windMps: r.wind_mps,
    windFromDeg: r.wind_from_deg,
    waterTempC: r.water_temp_c,
  }));
}
