import { type LOG_FILES, logFile, logFileFilter } from '@bluffwind/contract/log';
import { type LogLine, logCsv } from '@bluffwind/core/formats/logCsv';
import { logGeoJson, logGpx, logJson } from '@bluffwind/core/formats/logGeo';
import { localDate } from '@bluffwind/core/units/time';
import { createRoute } from '@hono/zod-openapi';
import { Problem } from '../errors';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { zoneOf } from '../trips/tripsOn';
import { ASKED, ASKED_VALUES, askedValues } from './asked';

/** Lines of one file: more is asked for by years. */
const MOST_LINES = 60_000;

interface Row extends Omit<LogLine, 'fromMs' | 'toMs' | 'atMs'> {
  readonly from: Date;
  readonly to: Date;
  readonly at: Date | null;
}

const WRITERS: Record<(typeof LOG_FILES)[number], (lines: readonly LogLine[], zone: string) => string> = {
  csv: logCsv,
  geojson: logGeoJson,
  gpx: logGpx,
  json: logJson,
};

/** The log as a file that any spreadsheet opens and that comes in again. */
export function logExport({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/log/export',
      request: { query: logFileFilter },
      responses: answers(logFile, 'A line a fish and one for every empty time; GPX the landed fish of spots that are no captains’ only'),
    }),
    async (c) => {
      const [q, who, entities] = [c.req.valid('query'), c.get('who'), c.get('entities')];
      const zone = await zoneOf(entities, who.outfitId);
      const rows: Row[] = await entities.query(
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
         where ${ASKED} and ($${ASKED_VALUES + 1} <> 'gpx' or sp.privacy = 'crew') order by s.started_at, s.id, k.at limit ${MOST_LINES + 1}`,
        [...askedValues(q, who, zone), q.as],
      );
      if (rows.length > MOST_LINES)
        throw new Problem('too_large', `The log asked for has more than ${MOST_LINES} lines; narrow it by days and take it in parts.`);
      const lines = rows.map(({ from, to, at, ...r }) => ({
        ...r,
        fromMs: from.getTime(),
        toMs: to.getTime(),
        atMs: at?.getTime() ?? null,
      }));
      return { name: `log-${localDate(clock.now(), zone)}.${q.as}`, text: WRITERS[q.as](lines, zone), lines: lines.length };
    },
    { slow: true },
  );
  return app;
}
