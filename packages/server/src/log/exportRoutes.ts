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
import { askedValues } from './asked';
import { linesOf } from './linesOf';

/** Lines of one file: more is asked for by years. */
const MOST_LINES = 60_000;

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
      const rows = await linesOf(entities, askedValues(q, who, zone), q.as === 'gpx', MOST_LINES + 1);
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
