// The spots that a trip can be planned for.
import type { SavedPlan } from '@bluffwind/contract/plan';
import { Any, type EntityManager, IsNull, Not } from 'typeorm';
import { type FeatureRow, SpotEntity, type SpotRow } from '../db/entities/grounds';
import { StopEntity } from '../db/entities/log';
import type { TripRow } from '../db/entities/trip';
import { writtenOffAt } from '../grounds/chartData';
import { mayShow } from '../grounds/mayShow';

interface Eyes {
  readonly role: string;
  readonly aboard: boolean;
}

/**
 * Spots of a trip's water that those eyes may see, in order of their names. A part that is written off is not planned for, unless a plan
 * already goes there; nor are marks of which nothing is known.
 * @returns The spots, and how many bare marks were left out.
 */
export async function deskSpots(
  entities: EntityManager,
  trip: TripRow,
  saved: SavedPlan | null,
  features: readonly FeatureRow[],
  { role, aboard }: Eyes,
): Promise<{ spots: SpotRow[]; marksLeftOut: number }> {
  const { waterId } = trip;
  const planned = new Set(saved?.legs.map((l) => l.spotId));
  const all = await entities.find(SpotEntity, { where: { waterId, retiredAt: IsNull() }, order: { name: 'ASC' } });
  const marks = await bareMarks(entities, waterId);
  const seen = all.filter(
    (s) =>
      (planned.has(s.id) && (aboard || mayShow(s, role))) ||
      (mayShow(s, role) && (s.keeperId === null || s.keeperId === trip.captainId) && writtenOffAt(features, s) === null),
  );
  const spots = seen.filter((s) => planned.has(s.id) || !marks.has(s.id));
  return { spots, marksLeftOut: seen.length - spots.length };
}

/** Spots that a file brought as bare marks, which nobody has described or fished since: nothing is known to plan them by. */
async function bareMarks(entities: EntityManager, waterId: string): Promise<ReadonlySet<string>> {
  const marks = await entities.find(SpotEntity, {
    select: { id: true },
    where: { waterId, retiredAt: IsNull(), importId: Not(IsNull()), structure: 'mark' },
  });
  if (marks.length === 0) return new Set();
  const stops = await entities.find(StopEntity, {
    select: { id: true, spotId: true },
    where: { spotId: Any(marks.map((m) => m.id)), deletedAt: IsNull() },
  });
  const fished = new Set(stops.map((s) => s.spotId));
  return new Set(marks.map((m) => m.id).filter((id) => !fished.has(id)));
}
