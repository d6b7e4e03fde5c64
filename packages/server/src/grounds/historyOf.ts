import type { spotHistory } from '@bluffwind/contract/grounds';
import type { z } from '@hono/zod-openapi';
import { type EntityManager, In, IsNull, Not } from 'typeorm';
import { StopEntity } from '../db/entities/log';
import { TripEntity } from '../db/entities/trip';
import { FishedEntity } from '../db/entities/views';

/** What was fished at a spot, newest first, and what each quarter of the tide gave. */
export async function historyOf(entities: EntityManager, spotId: string): Promise<z.infer<typeof spotHistory>> {
  const fished = await entities.find(FishedEntity, { where: { spotId }, order: { startedAt: 'DESC', id: 'ASC' } });
  const byTide = [0, 1, 2, 3].map((quarter) => {
    const of = fished.filter((f) => f.conditions?.tideStage != null && Math.floor(f.conditions.tideStage * 4) % 4 === quarter);
    return { quarter, fish: of.reduce((n, f) => n + f.fish, 0), rodHours: of.reduce((n, f) => n + f.rodHours, 0) };
  });
  return {
    stops: fished.slice(0, 40).map((f) => ({
      id: f.stopId,
      at: f.startedAt.toISOString(),
      presentation: f.bait,
      rodHours: f.rodHours,
      fish: f.fish,
      tideStage: f.conditions?.tideStage ?? null,
      windMps: f.conditions?.windMps ?? null,
      windFromDeg: f.conditions?.windFromDeg ?? null,
      waterTempC: f.conditions?.waterTempC ?? null,
    })),
    byTide: byTide.some((q) => q.rodHours > 0) ? byTide : [],
  };
}

/** Whether other captains than one have fished a spot. */
export async function othersFished(entities: EntityManager, spotId: string, captainId: string): Promise<boolean> {
  const stops = await entities.find(StopEntity, { select: { id: true, tripId: true }, where: { spotId, deletedAt: IsNull() } });
  return entities.existsBy(TripEntity, { id: In([...new Set(stops.map((s) => s.tripId))]), captainId: Not(captainId) });
}
