import type { spotHistory } from '@bluffwind/contract/grounds';
import type { z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';

interface HistoryRow {
  id: string;
  at: Date;
  presentation: string;
  rod_hours: number;
  fish: number;
  tide_stage: number | null;
  wind_mps: number | null;
  wind_from_deg: number | null;
  water_temp_c: number | null;
}

/** What was fished at a spot, newest first, and what each quarter of the tide gave. */
export async function historyOf(entities: EntityManager, spotId: string): Promise<z.infer<typeof spotHistory>> {
  const rows: HistoryRow[] = await entities.query(
    `select s.stop_id as id, s.started_at as at, p.name as presentation, s.rod_hours,
       (select count(*)::int from "catch" k where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null) as fish,
       (s.conditions->>'tideStage')::float8 as tide_stage, (s.conditions->>'windMps')::float8 as wind_mps,
       (s.conditions->>'windFromDeg')::float8 as wind_from_deg, (s.conditions->>'waterTempC')::float8 as water_temp_c
     from fished_set s join presentation p on p.id = s.presentation_id
     where s.spot_id = $1 order by s.started_at desc, s.id`,
    [spotId],
  );
  const byTide = [0, 1, 2, 3].map((quarter) => {
    const of = rows.filter((r) => r.tide_stage !== null && Math.floor((r.tide_stage as number) * 4) % 4 === quarter);
    return { quarter, fish: of.reduce((n, r) => n + r.fish, 0), rodHours: of.reduce((n, r) => n + r.rod_hours, 0) };
  });
  return {
    stops: rows.slice(0, 40).map((r) => ({
      id: r.id,
      at: r.at.toISOString(),
      presentation: r.presentation,
      rodHours: r.rod_hours,
      fish: r.fish,
      tideStage: r.tide_stage,
      windMps: r.wind_mps,
      windFromDeg: r.wind_from_deg,
      waterTempC: r.water_temp_c,
    })),
    byTide: byTide.some((q) => q.rodHours > 0) ? byTide : [],
  };
}

/** Whether other captains than one have fished a spot. */
export async function othersFished(entities: EntityManager, spotId: string, captainId: string): Promise<boolean> {
  const [row] = await entities.query(
    `select exists (select from stop st join trip t on t.id = st.trip_id
       where st.spot_id = $1 and st.deleted_at is null and t.captain_id <> $2) as fished`,
    [spotId, captainId],
  );
  return row.fished;
}
