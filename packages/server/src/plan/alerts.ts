// A new forecast that crosses a trigger kept with a plan is told on the Board.
import type { PlanTrigger } from '@bluffwind/contract/plan';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { crossesTrigger } from '@bluffwind/core/plan/crossedTrigger';
import { sampleWind } from '@bluffwind/core/weather/wind';
import type { EntityManager } from 'typeorm';
import { PlanEntity, type PlanRow } from '../db/entities/plan';
import type { TripRow } from '../db/entities/trip';
import { hiddenSpots } from './hiddenSpots';
import { loadWaterState } from '../water/waterState';
import { said, saidTime } from '@bluffwind/core/units/measure';

const HOUR = 3_600_000;

/**
 * Sentences for planned trips whose kept trigger has come true in the newest forecast but was not when the plan was made.
 * @param newestRun - When the newest forecast was made; plans made from it have nothing to be told.
 */
export async function crossedTriggers(
  entities: EntityManager,
  trips: readonly TripRow[],
  zone: string,
  nowMs: number,
  newestRun: string | null,
): Promise<{ tripId: string; text: string }[]> {
  const told: { tripId: string; text: string }[] = [];
  if (newestRun === null) return told;
  for (const trip of trips.filter((t) => t.status === 'planned')) {
    const [plan] = await entities.find(PlanEntity, { where: { tripId: trip.id }, order: { version: 'DESC' }, take: 1 });
    const waiting = plan ? conditionsOf(plan) : [];
    if (!plan || waiting.length === 0 || (plan.forecastRunAt?.toISOString() ?? '') >= newestRun) continue;
    const [from, to] = [trip.startsAt.getTime() - HOUR, trip.endsAt.getTime() + HOUR];
    const wind = waterStateOf((await loadWaterState(entities, trip.waterId, from, to, nowMs)).record).wind;
    for (const t of waiting) {
      const mps = sampleWind(wind, t.condition.atMs)?.mps;
      if (mps === undefined || !crossesTrigger(t.condition, mps)) continue;
      const what = `the new forecast has ${said(mps, 'wind', 1)} at ${saidTime(t.condition.atMs, zone)}.`;
      const secret = (await hiddenSpots(entities, plan)).size > 0;
      told.push({
        tripId: trip.id,
        text: secret ? `${what} It would change the plan; its captain sees how` : `${what} ${t.sentence} Worth ${t.worth.toFixed(1)} fish`,
      });
    }
  }
  return told;
}

type Waiting = PlanTrigger & { condition: NonNullable<PlanTrigger['condition']> };

function conditionsOf(plan: PlanRow): Waiting[] {
  return (plan.triggers as PlanTrigger[]).filter((t): t is Waiting => t.condition !== null);
}
