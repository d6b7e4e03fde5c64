import { logFilter, logView } from '@bluffwind/contract/log';
import { ratioOfMeans } from '@bluffwind/core/catchrate/creel';
import { createRoute, type z } from '@hono/zod-openapi';
import type { Deps } from '../http/context';
import { router } from '../http/routes';
import { answers } from '../http/responses';
import { zoneOf } from '../trips/tripsOn';
import { ASKED, askedValues } from './asked';

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

/** The crew's shared log: what was fished, for how long, and what it gave, nothing included. */
export function logRoutes(_deps: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/log', request: { query: logFilter }, responses: answers(logView, 'Sets, newest first') }),
    async (c) => {
      const q = c.req.valid('query');
      const who = c.get('who');
      const zone = await zoneOf(c.get('entities'), who.outfitId);
      const asked = askedValues(q, who, zone);
      const all: { hours: number; fish: number }[] = await c.get('entities').query(
        `select s.rod_hours as hours, k.fish from fished_set s join spot sp on sp.id = s.spot_id
         cross join lateral (select count(*)::int as fish from "catch" k
           where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null and ($4::uuid is null or k.species_id = $4)) k
         where ${ASKED}`,
        asked,
      );
      const rows: SetRow[] = await c.get('entities').query(
        `select s.id as set_id, s.stop_id, s.trip_id, s.started_at as at, w.name as water, s.spot_id, s.spot, p.name as presentation,
           b.name as boat, s.rods, s.rod_hours, k.fish, k.lost, k.largest_mm, (s.conditions->>'tideStage')::float8 as tide_stage,
           (s.conditions->>'windMps')::float8 as wind_mps, (s.conditions->>'windFromDeg')::float8 as wind_from_deg,
           (s.conditions->>'waterTempC')::float8 as water_temp_c
         from (select s.*, sp.name as spot, sp.water_id from fished_set s join spot sp on sp.id = s.spot_id where ${ASKED}
           order by s.started_at desc, s.id limit $8) s
         join water w on w.id = s.water_id join presentation p on p.id = s.presentation_id join trip t on t.id = s.trip_id
         join boat b on b.id = t.boat_id
         cross join lateral (select count(*) filter (where k.outcome = 'landed')::int as fish,
             count(*) filter (where k.outcome <> 'landed')::int as lost, max(k.length_mm) as largest_mm from "catch" k
           where k.set_id = s.id and k.deleted_at is null and ($4::uuid is null or k.species_id = $4)) k
         order by s.started_at desc, s.id`,
        [...asked, q.limit],
      );
      const hours = all.map((r) => r.hours);
      const total = hours.reduce((a, b) => a + b, 0);
      const rate =
        total > 0
          ? ratioOfMeans(
              all.map((r) => r.fish),
              hours,
            )
          : null;
      const view: z.infer<typeof logView> = {
        rows: rows.map((r) => ({
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
        })),
        total: {
          sets: all.length,
          fish: all.reduce((sum, r) => sum + r.fish, 0),
          rodHours: total,
          blankSets: all.filter((r) => r.fish === 0).length,
          rate: rate?.rate ?? null,
          se: rate?.se ?? null,
        },
      };
      return view;
    },
    { slow: true, keptMs: 300_000, from: ['crew', 'log', 'spots', 'trips', 'waters'] },
  );
  return app;
}
