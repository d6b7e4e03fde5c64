import { id } from '@bluffwind/contract/ids';
import { newReading, readingCorrection, span, waterState } from '@bluffwind/contract/water';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { isVariable, VARIABLES, type Variable } from '@bluffwind/core/weather/variables';
import { createRoute, z } from '@hono/zod-openapi';
import { type EntityManager, IsNull } from 'typeorm';
import { audit } from '../audit';
import { SpotEntity } from '../db/entities/grounds';
import { ReadingEntity, type ReadingRow, WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { mayShow } from '../grounds/mayShow';
import type { Jobs } from '../jobs/boss';
import { type Deps, found } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { loadWaterState } from './waterState';
import { said } from '@bluffwind/core/units/measure';

const byId = z.object({ id });
const LONGEST_DAYS = 31;
const stored = z.object({ ok: z.literal(true), readingId: z.string() });

/** A water's state through time, and readings typed in and corrected by the crew. */
export function waterRoutes({ clock, jobs }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/waters/{id}/state',
      request: { params: byId, query: span },
      responses: answers(waterState, 'Readings and forecast over a span'),
    }),
    async (c) => {
      const { from, to } = c.req.valid('query');
      const [fromMs, toMs] = [Date.parse(from), Date.parse(to)];
      if (toMs <= fromMs || toMs - fromMs > LONGEST_DAYS * DAY) {
        throw new Problem('invalid', `to: expected after from and at most ${LONGEST_DAYS} days later`, [
          { field: 'to', message: `after from, at most ${LONGEST_DAYS} days` },
        ]);
      }
      const entities = c.get('entities');
      const state = await loadWaterState(entities, c.req.valid('param').id, fromMs, toMs, clock.now());
      if (c.get('who').role !== 'mate') return state;
      // The name of a captain's spot is not told with a reading.
      const secret = new Set((await entities.findBy(SpotEntity, { privacy: 'captain' })).map((s) => s.name));
      const crewReadings = state.crewReadings.map((r) => (r.spotName !== null && secret.has(r.spotName) ? { ...r, spotName: null } : r));
      return { ...state, crewReadings };
    },
    { slow: true, keptMs: 15_000, from: ['conditions', 'crew', 'spots', 'waters'] },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/waters/{id}/readings',
      request: { params: byId, ...jsonBody(newReading) },
      responses: answers(stored, 'Stored'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const reading = c.req.valid('json');
      const who = c.get('who');
      const water = found(await entities.findOneBy(WaterEntity, { id: c.req.valid('param').id }), 'water');
      notFromTheFuture(reading.at, clock.now());
      if (reading.variable !== 'note') typedByHand(reading.variable, reading.value);
      if (reading.spotId !== null) {
        const spot = found(await entities.findOneBy(SpotEntity, { id: reading.spotId, waterId: water.id, retiredAt: IsNull() }), 'spot');
        if (!mayShow(spot, who.role)) throw new Problem('not_found', 'No such spot.');
      }
      // Sent again by a device that did not hear the answer: the same key is the same reading.
      const known = await entities.findOneBy(ReadingEntity, { key: reading.id });
      if (known) return { ok: true as const, readingId: known.id };
      const result = await entities.insert(ReadingEntity, {
        outfitId: who.outfitId,
        waterId: water.id,
        personId: who.personId,
        source: 'crew',
        variable: reading.variable,
        at: new Date(reading.at),
        value: reading.value,
        flag: 1,
        key: reading.id,
        spotId: reading.spotId,
        note: reading.note,
      });
      await afterReading(jobs, entities, water, reading.variable, Date.parse(reading.at), reading.spotId);
      return { ok: true as const, readingId: String(result.identifiers[0]?.id) };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/readings/{readingId}/correct',
      request: {
        params: z.object({ readingId: z.string().regex(/^\d{1,18}$/, 'expected the number of a reading') }),
        ...jsonBody(readingCorrection),
      },
      responses: answers(stored, 'The new reading that supersedes it'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const who = c.get('who');
      const body = c.req.valid('json');
      const again = await entities.findOneBy(ReadingEntity, { key: body.id });
      if (again) return { ok: true as const, readingId: again.id };
      const old = found(await entities.findOneBy(ReadingEntity, { id: c.req.valid('param').readingId }), 'reading');
      correctable(old, who.personId, who.role);
      const at = body.at ? new Date(body.at) : old.at;
      notFromTheFuture(at.toISOString(), clock.now());
      withinRange(old.variable, body.value);
      const result = await entities.insert(ReadingEntity, {
        outfitId: who.outfitId,
        waterId: old.waterId,
        personId: who.personId,
        source: 'crew',
        variable: old.variable,
        at,
        value: body.value,
        flag: 1,
        key: body.id,
        spotId: old.spotId,
        note: body.note ?? old.note,
      });
      const readingId = String(result.identifiers[0]?.id);
      await entities.update(ReadingEntity, { id: old.id }, { supersededBy: readingId });
      await audit(entities, who, clock.now(), 'correct reading', 'water', old.waterId, { from: old.value, to: body.value, readingId });
      const [first, last] = [Math.min(+at, +old.at), Math.max(+at, +old.at)];
      await afterReading(jobs, entities, { id: old.waterId, outfitId: old.outfitId }, old.variable, first, old.spotId, last);
      return { ok: true as const, readingId };
    },
  );
  return app;
}

/** Refuses what nobody reads by eye or hand, and what cannot be. */
function typedByHand(name: string, value: number): void {
  if (!isVariable(name) || !('typed' in VARIABLES[name]))
    throw new Problem('invalid', `variable: nobody reads ${name} by hand`, [{ field: 'variable', message: 'not one that is typed in' }]);
  withinRange(name, value);
}

function withinRange(name: string, value: number): void {
  if (!isVariable(name)) return;
  const { limits, measure, digits }: Variable = VARIABLES[name];
  if (value >= limits.min && value <= limits.max) return;
  const range = `${said(limits.min, measure, digits)} to ${said(limits.max, measure, digits)}`;
  throw new Problem('invalid', `value: expected ${range}, got ${said(value, measure, digits)}`, [{ field: 'value', message: range }]);
}

function notFromTheFuture(at: string, nowMs: number): void {
  if (Date.parse(at) > nowMs + 60_000)
    throw new Problem('invalid', 'at: a reading cannot come from the future', [{ field: 'at', message: 'in the future' }]);
}

function correctable(old: ReadingRow, personId: string, role: string): void {
  if (old.source !== 'crew')
    throw new Problem('invalid', 'readingId: only readings typed in by the crew can be corrected; an import is undone whole.');
  if (old.supersededBy !== null) throw new Problem('conflict', 'It has been corrected already.');
  if (role === 'mate' && old.personId !== personId) throw new Problem('not_allowed', 'A mate corrects their own readings; a captain any.');
}

/** A spot's temperature calibrates that spot; others change what past stops were fished in. Both are worked out by a job. */
async function afterReading(
  jobs: Jobs,
  entities: EntityManager,
  { id: waterId, outfitId }: { id: string; outfitId: string },
  variable: string,
  fromMs: number,
  spotId: string | null,
  toMs = fromMs,
): Promise<void> {
  if (variable === 'note') return;
  if (variable === 'waterTempC' && spotId !== null) await jobs.send(entities, 'calibrate-spots', { outfitId, waterId, spotIds: [spotId] });
  // Clarity is carried forward for days, the rest interpolated over hours.
  else
    await jobs.send(entities, 'refresh-stops', { outfitId, waterId, fromMs, toMs: toMs + (variable === 'clarityM' ? 4 * DAY : 6 * HOUR) });
}
