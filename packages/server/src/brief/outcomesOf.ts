import type { StopOutcome } from '@bluffwind/core/brief/composeBrief';
import { fitCatchRate } from '@bluffwind/core/catchrate/fitCatchRate';
import { countRange } from '@bluffwind/core/catchrate/rangeOf';
import { worldOf } from '@bluffwind/core/plan/rankTrip';
import { type EntityManager, IsNull } from 'typeorm';
import { StopEntity } from '../db/entities/log';
import type { TripRow } from '../db/entities/trip';
import { inputsOf, loadDesk } from '../plan/desk';

/** What each stop of a trip was expected to give by what was known before that day, and what it gave. */
export async function outcomesOf(
  entities: EntityManager,
  trip: TripRow,
  dayStart: number,
  until: number,
  nowMs: number,
  nameOf: (id: string) => string,
): Promise<StopOutcome[]> {
  const desk = await loadDesk(entities, trip, nowMs, 'owner', { evidenceBeforeMs: until });
  const inputs = inputsOf(desk);
  const stops = await entities.find(StopEntity, { select: { id: true }, where: { tripId: trip.id, deletedAt: IsNull() } });
  const ids = new Set(stops.map((s) => s.id));
  const mine = inputs.sets.filter((s) => s.stopId !== undefined && ids.has(s.stopId));
  const earlier = inputs.sets.filter((s) => s.at < dayStart);
  const model = fitCatchRate(worldOf(inputs), earlier);
  return mine.map((s) => {
    // A stay fades: what was expected is the rate over its length, less what fading takes.
    const hours = s.rodHours / trip.rods;
    const fade = inputs.spots.find((x) => x.id === s.spot)?.fadePerHour ?? 0;
    const share = fade > 0 && hours > 0 ? (1 - Math.exp(-fade * hours)) / (fade * hours) : 1;
    const expected = model.rate(s) * s.rodHours * share;
    return {
      spotId: s.spot,
      spotName: nameOf(s.spot),
      rodHours: s.rodHours,
      fish: s.counts ?? s.fish,
      expected,
      ...countRange(expected, model.dispersion),
    };
  });
}
