import { DAY } from '@bluffwind/core/units/time';
import { Any, type EntityManager, In, IsNull } from 'typeorm';
import { noteMark } from './storePlaces';
import type { Jobs } from '../jobs/boss';
import type { Who } from '../http/who';
import { Problem } from '../errors';
import { ForecastEntity, ForecastMemberEntity, ImportEntity, type ImportRow, ReadingEntity } from '../db/entities/water';
import { StopEntity } from '../db/entities/log';
import { TripEntity } from '../db/entities/trip';
import { SurveyEntity, FeatureEntity, SpotEntity } from '../db/entities/grounds';
import { audit } from '../audit';

/** Takes back everything that an import brought; spots that have been fished since stay and say so. */
export async function undo(jobs: Jobs, entities: EntityManager, who: Who, row: ImportRow, nowMs: number): Promise<void> {
  const { id: importId, waterId } = row;
  const now = new Date(nowMs);
  const fished = await spotsFishedSince(entities, importId);
  if (fished.length > 0)
    throw new Problem(
      'conflict',
      `${fished.join(', ')} ${fished.length === 1 ? 'has' : 'have'} been fished since; retire the others one by one.`,
    );
  const { from, to } = await readingSpan(entities, importId);
  await entities.update(ReadingEntity, { importId, withdrawnAt: IsNull() }, { withdrawnAt: now });
  await entities.update(SurveyEntity, { importId, withdrawnAt: IsNull() }, { withdrawnAt: now });
  await entities.update(FeatureEntity, { importId, removedAt: IsNull() }, { removedAt: now });
  await entities.update(SpotEntity, { importId, retiredAt: IsNull() }, { retiredAt: now });
  const forecasts = await entities.find(ForecastEntity, { select: { id: true }, where: { importId } });
  await entities.delete(ForecastMemberEntity, { forecastId: In(forecasts.map((f) => f.id)) });
  await entities.delete(ForecastEntity, { importId });
  const trips = await entities.find(TripEntity, { select: { id: true }, where: { importId } });
  await entities.update(StopEntity, { tripId: In(trips.map((t) => t.id)), deletedAt: IsNull() }, { deletedAt: now });
  await entities.update(TripEntity, { importId }, { status: 'cancelled', cancelReason: 'its file was taken out again' });
  // Lines that it added to spots which were there before it.
  await takeOutLines(entities, waterId, noteMark(row.fileName, row.madeAt));
  await entities.update(ImportEntity, { id: importId }, { undoneAt: now, undoneBy: who.personId });
  if (from && to) await jobs.send(entities, 'refresh-stops', { outfitId: who.outfitId, waterId, fromMs: +from, toMs: +to + DAY });
  await audit(entities, who, nowMs, 'undo import', 'water', waterId, { importId });
}

/** Names of the spots of an import that have been fished. */
async function spotsFishedSince(entities: EntityManager, importId: string): Promise<string[]> {
  const spots = await entities.findBy(SpotEntity, { importId, retiredAt: IsNull() });
  const stops = await entities.find(StopEntity, {
    select: { id: true, spotId: true },
    where: { spotId: Any(spots.map((s) => s.id)), deletedAt: IsNull() },
  });
  return spots.filter((s) => stops.some((st) => st.spotId === s.id)).map((s) => s.name);
}

/** Takes the lines that end with a mark out of the notes of a water's spots. */
async function takeOutLines(entities: EntityManager, waterId: string, mark: string): Promise<void> {
  await entities.query(
    `update spot set note = coalesce((select string_agg(line, E'\\n' order by n) from string_to_table(note, E'\\n') with ordinality as l (line, n)
       where right(line, length($2)) <> $2), '')
     where water_id = $1 and position($2 in note) > 0`,
    [waterId, mark],
  );
}

/** Instants of the first and the last reading of an import; null where it has none. */
async function readingSpan(entities: EntityManager, importId: string): Promise<{ from: Date | null; to: Date | null }> {
  const span = await entities
    .createQueryBuilder(ReadingEntity, 'r')
    .select('min(r.at)', 'from')
    .addSelect('max(r.at)', 'to')
    .where({ importId })
    .getRawOne<{ from: Date | null; to: Date | null }>();
  return span ?? { from: null, to: null };
}
