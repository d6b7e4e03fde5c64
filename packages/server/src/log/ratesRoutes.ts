import { logRates, logRatesFilter } from '@bluffwind/contract/log';
import { conditionByMonth, type WeighedFish } from '@bluffwind/core/log/condition';
import { type LoggedSet, rateBy } from '@bluffwind/core/log/rateBy';
import { sizeSteps } from '@bluffwind/core/log/sizeSteps';
import { createRoute } from '@hono/zod-openapi';
import type { Deps } from '../http/context';
import { answers } from '../http/responses';
import { router } from '../http/routes';
import { zoneOf } from '../trips/tripsOn';
import { ASKED, ASKED_VALUES, askedValues } from './asked';

interface Row extends Omit<LoggedSet, 'rodHours'> {
  readonly hours: number;
  readonly lengths: number[] | null;
}

/** What the log gave by tide, wind, hour, bait: rates with their range, and the sizes of the fish. */
export function logRatesRoutes(_deps: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/log/rates',
      request: { query: logRatesFilter },
      responses: answers(logRates, 'Rates in groups, with their range and the effort behind them'),
    }),
    async (c) => {
      const [q, who, entities] = [c.req.valid('query'), c.get('who'), c.get('entities')];
      const zone = await zoneOf(entities, who.outfitId);
      const rows: Row[] = await entities.query(
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
        [...askedValues(q, who, zone), zone],
      );
      const { groups, unknown } = rateBy(
        rows.map(({ hours, lengths: _, ...s }) => ({ ...s, rodHours: hours })),
        q.by,
      );
      const weighed: WeighedFish[] = await entities.query(
        `select f.name as species, k.length_mm as "lengthMm", (k.more->>'weightG')::float8 as "weightG",
           extract(month from k.at at time zone $${ASKED_VALUES + 1})::int as month
         from fished_set s join spot sp on sp.id = s.spot_id join "catch" k on k.set_id = s.id join species f on f.id = k.species_id
         where k.outcome = 'landed' and k.deleted_at is null and k.length_mm is not null and k.length_kind = 'total' and k.more ? 'weightG'
           and ($4::uuid is null or k.species_id = $4) and ${ASKED}`,
        [...askedValues(q, who, zone), zone],
      );
      return {
        groups: [...groups],
        unknown,
        sizes: sizeSteps(rows.flatMap((r) => r.lengths ?? [])),
        condition: conditionByMonth(weighed),
      };
    },
    { slow: true, keptMs: 300_000, from: ['crew', 'log', 'spots', 'trips'] },
  );
  return app;
}
