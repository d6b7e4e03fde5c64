// Bait that lasts for so many trips a day: which of the crew's plans have it.
import type { EntityManager } from 'typeorm';
import type { PresentationRow } from '../db/entities/grounds';
import type { TripRow } from '../db/entities/trip';
import { Problem } from '../errors';
import { dayOf, zoneOf } from '../trips/tripsOn';

interface Holder {
  readonly trip_id: string;
  readonly presentation_id: string;
  readonly name: string;
  readonly trips_a_day: number;
  readonly boat: string;
}

/** Other boats of the day whose newest plans fish a bait that is short. */
export async function heldBaits(entities: EntityManager, trip: TripRow): Promise<Holder[]> {
  const zone = await zoneOf(entities, trip.outfitId);
  return entities.query(
    `select distinct t.id as trip_id, p.id as presentation_id, p.name, p.trips_a_day, b.name as boat
     from trip t join boat b on b.id = t.boat_id
     join plan pl on pl.trip_id = t.id and pl.version = (select max(version) from plan where trip_id = t.id)
     join leg l on l.plan_id = pl.id
     join presentation p on p.trips_a_day is not null
       and (p.id = l.presentation_id or l.parts @> jsonb_build_array(jsonb_build_object('presentationId', p.id)))
     where t.id <> $1 and t.status in ('planned', 'under way') and t.starts_at >= $2 and t.starts_at < $3
     order by b.name`,
    [trip.id, ...dayOf(trip.startsAt, zone)],
  );
}

/** Boats that have the last of a presentation's bait; empty when there is enough for one more. */
export function heldUp(p: Pick<PresentationRow, 'id' | 'tripsADay'>, held: readonly Holder[]): string[] {
  const boats = held.filter((h) => h.presentation_id === p.id).map((h) => h.boat);
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
  const held = (await heldBaits(entities, trip)).filter((h) => !replacing.includes(h.trip_id));
  for (const h of held) {
    const boats = heldUp({ id: h.presentation_id, tripsADay: h.trips_a_day }, held);
    if (used.has(h.presentation_id) && boats.length > 0)
      throw new Problem(
        'bait_taken',
        `${h.name} lasts for ${h.trips_a_day} ${h.trips_a_day === 1 ? 'trip' : 'trips'} a day, and ${boats.join(' and ')} has it.`,
        [{ field: 'legs', message: `${h.name} is taken` }],
      );
  }
}
