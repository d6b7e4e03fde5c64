// Bait that lasts for so many trips a day: which of the crew's plans have it.
import { And, type EntityManager, In, IsNull, LessThan, MoreThanOrEqual, Not } from 'typeorm';
import { PresentationEntity, type PresentationRow } from '../db/entities/baits';
import { BoatEntity } from '../db/entities/boats';
import type { LegRow } from '../db/entities/plan';
import { TripEntity, type TripRow } from '../db/entities/trip';
import { namesOf } from '../db/namesOf';
import { Problem } from '../errors';
import { dayOf, zoneOf } from '../trips/tripsOn';
import { newestLegs } from './newestLegs';

interface Holder {
  readonly tripId: string;
  readonly bait: Pick<PresentationRow, 'id' | 'name' | 'tripsADay'>;
  readonly boat: string;
}

/** Other boats of the day whose newest plans fish a bait that is short. */
export async function heldBaits(entities: EntityManager, trip: TripRow): Promise<Holder[]> {
  const short = await entities.findBy(PresentationEntity, { tripsADay: Not(IsNull()) });
  if (short.length === 0) return [];
  const [from, next] = dayOf(trip.startsAt, await zoneOf(entities, trip.outfitId));
  const others = await entities.findBy(TripEntity, {
    id: Not(trip.id),
    status: In(['planned', 'under way']),
    startsAt: And(MoreThanOrEqual(from), LessThan(next)),
  });
  const legs = await newestLegs(
    entities,
    others.map((t) => t.id),
  );
  const boats = await namesOf(entities, BoatEntity, others, (t) => t.boatId);
  const holds = (tripId: string, baitId: string) => legs.some((l) => l.tripId === tripId && baitsOf(l).includes(baitId));
  return others
    .flatMap((t) => short.filter((p) => holds(t.id, p.id)).map((bait) => ({ tripId: t.id, bait, boat: boats.get(t.boatId) ?? '' })))
    .sort((a, b) => a.boat.localeCompare(b.boat));
}

const baitsOf = ({ presentationId, parts }: LegRow): string[] => [
  presentationId,
  ...(parts as { presentationId: string }[]).map((p) => p.presentationId),
];

/** Boats that have the last of a presentation's bait; empty when there is enough for one more. */
export function heldUp(p: Pick<PresentationRow, 'id' | 'tripsADay'>, held: readonly Holder[]): string[] {
  const boats = held.filter((h) => h.bait.id === p.id).map((h) => h.boat);
  return p.tripsADay !== null && boats.length >= p.tripsADay ? boats : [];
}

/** Refuses legs with a bait whose last is in other boats. Call it after the lock that keeps an outfit's plans in turn. */
export async function refuseHeldBaits(
  entities: EntityManager,
  trip: TripRow,
  legs: readonly { readonly parts: readonly { readonly presentationId: string }[] }[],
  replacing: readonly string[] = [],
): Promise<void> {
  const used = new Set(legs.flatMap((l) => l.parts.map((p) => p.presentationId)));
  const held = (await heldBaits(entities, trip)).filter((h) => !replacing.includes(h.tripId));
  for (const { bait } of held) {
    const boats = heldUp(bait, held);
    if (used.has(bait.id) && boats.length > 0)
      throw new Problem(
        'bait_taken',
        `${bait.name} lasts for ${bait.tripsADay} ${bait.tripsADay === 1 ? 'trip' : 'trips'} a day, and ${boats.join(' and ')} has it.`,
        [{ field: 'legs', message: `${bait.name} is taken` }],
      );
  }
}
