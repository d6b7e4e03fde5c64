import { logFilter, logView } from '@bluffwind/contract/log';
import { ratioOfMeans } from '@bluffwind/core/catchrate/creel';
import { addDays, startOfLocalDay } from '@bluffwind/core/units/time';
import { createRoute, type z } from '@hono/zod-openapi';
import type { Deps } from '../http/context';
import { router } from '../http/routes';
import { answers } from '../http/responses';
import { zoneOf } from '../trips/tripsOn';

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
      const rows: SetRow[] = await c.get('entities').query(
        `select s.id as set_id, s.stop_id, s.trip_id, s.started_at as at, w.name as water, sp.id as spot_id, sp.name as spot,
         p.name as presentation, b.name as boat, s.rods, s.rod_hours,
         count(k.id) filter (where k.outcome = 'landed')::int as fish, count(k.id) filter (where k.outcome <> 'landed')::int as lost,
         max(k.length_mm) as largest_mm, (s.conditions->>'tideStage')::float8 as tide_stage,
         (s.conditions->>'windMps')::float8 as wind_mps, (s.conditions->>'windFromDeg')::float8 as wind_from_deg,
         (s.conditions->>'waterTempC')::float8 as water_temp_c
       from fished_set s join spot sp on sp.id = s.spot_id join water w on w.id = sp.water_id
         join presentation p on p.id = s.presentation_id join trip t on t.id = s.trip_id join boat b on b.id = t.boat_id
         left join "catch" k on k.set_id = s.id and k.deleted_at is null and ($4::uuid is null or k.species_id = $4)
       where (sp.privacy = 'crew' or $7)
         and ($1::uuid is null or sp.water_id = $1) and ($2::uuid is null or sp.id = $2) and ($3::uuid is null or p.id = $3)
         and ($5::timestamptz is null or s.started_at >= $5) and ($6::timestamptz is null or s.started_at < $6)
       group by s.id, s.stop_id, s.trip_id, s.started_at, s.rods, s.rod_hours, s.conditions, w.id, sp.id, p.id, b.id
       order by s.started_at desc, s.id`,
        [
          q.waterId ?? null,
          q.spotId ?? null,
          q.presentationId ?? null,
          q.speciesId ?? null,
          q.from ? new Date(startOfLocalDay(q.from, zone)) : null,
          q.to ? new Date(startOfLocalDay(addDays(q.to, 1), zone)) : null,
          who.role !== 'mate',
        ],
      );
      const hours = rows.map((r) => r.rod_hours);
      const total = hours.reduce((a, b) => a + b, 0);
      const rate =
        total > 0
          ? ratioOfMeans(
              rows.map((r) => r.fish),
              hours,
            )
          : null;
      const view: z.infer<typeof logView> = {
        rows: rows.slice(0, q.limit).map((r) => ({
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
          sets: rows.length,
          fish: rows.reduce((sum, r) => sum + r.fish, 0),
          rodHours: total,
          blankSets: rows.filter((r) => r.fish === 0).length,
          rate: rate?.rate ?? null,
          se: rate?.se ?? null,
        },
      };
      return view;
    },
    { slow: true, keptMs: 300_000 },
  );
  return app;
}
