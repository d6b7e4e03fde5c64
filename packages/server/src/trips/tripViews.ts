import { wordsFor } from '@bluffwind/contract/tripWords';
import type { TripView } from '@bluffwind/contract/trips';
import { type EntityManager, In, LessThanOrEqual } from 'typeorm';
import { SpeciesEntity } from '../db/entities/fish';
import { BoatEntity } from '../db/entities/boats';
import { ClientEntity } from '../db/entities/clients';
import { PersonEntity } from '../db/entities/people';
import { PartyEntity, TripMateEntity, type TripRow, TripSpeciesEntity } from '../db/entities/trip';
import { PlanNowEntity } from '../db/entities/views';
import { ForecastEntity, WaterEntity } from '../db/entities/water';
import type { Who } from '../http/who';
import { partyOfTrip } from './riskOfTrip';

/** Trips as the screens show them. Medical notes go to the trip's captain and the owner only. */
export async function tripViews(
  entities: EntityManager,
  trips: readonly TripRow[],
  who: Who,
  forecastRunAt: string | null = null,
): Promise<TripView[]> {
  if (trips.length === 0) return [];
  const ids = In(trips.map((t) => t.id));
  const [boats, people, waters, clients, party, kinds, species, plans, mates] = [
    await entities.find(BoatEntity),
    await entities.find(PersonEntity),
    await entities.find(WaterEntity),
    await entities.find(ClientEntity),
    await entities.findBy(PartyEntity, { tripId: ids }),
    await entities.findBy(TripSpeciesEntity, { tripId: ids }),
    await entities.find(SpeciesEntity, { order: { name: 'ASC' } }),
    await entities.findBy(PlanNowEntity, { tripId: ids }),
    await entities.findBy(TripMateEntity, { tripId: ids }),
  ];
  return trips.map((t) => {
    const boat = boats.find((b) => b.id === t.boatId);
    const captain = people.find((p) => p.id === t.captainId);
    const water = waters.find((w) => w.id === t.waterId);
    if (!boat || !captain || !water) throw new Error(`trip ${t.id} has lost its boat, captain or water`);
    const seesNotes = !who.program && (who.role === 'owner' || who.personId === t.captainId);
    const plan = plans.find((p) => p.tripId === t.id);
    const guestIds = party.filter((p) => p.tripId === t.id).map((p) => p.clientId);
    return {
      id: t.id,
      boat: { id: boat.id, name: boat.name, windLimitMps: boat.windLimitMps },
      captain: { id: captain.id, name: captain.name },
      mates: people.filter((p) => mates.some((m) => m.tripId === t.id && m.personId === p.id)).map((p) => ({ id: p.id, name: p.name })),
      water: { id: water.id, name: water.name },
      startsAt: t.startsAt.toISOString(),
      endsAt: t.endsAt.toISOString(),
      goal: t.goal,
      rods: t.rods,
      skill: t.skill,
      ...wordsFor(t, who.role !== 'mate'),
      cancelReason: t.cancelReason,
      booking: t.booking,
      status: t.status,
      party: partyOfTrip(
        t,
        clients.filter((k) => guestIds.includes(k.id)),
      ),
      guests: clients
        .filter((k) => guestIds.includes(k.id))
        .map((k) => ({ id: k.id, name: k.name, child: k.child, note: k.note, medicalNote: seesNotes ? k.medicalNote : null })),
      species: species.filter((s) => kinds.some((k) => k.tripId === t.id && k.speciesId === s.id)).map((s) => ({ id: s.id, name: s.name })),
      plan: plan
        ? {
            version: plan.version,
            expected: plan.expected,
            lo80: plan.lo80,
            hi80: plan.hi80,
            madeAt: plan.madeAt.toISOString(),
            stale: forecastRunAt !== null && (plan.forecastRunAt?.toISOString() ?? '') < forecastRunAt,
          }
        : null,
    };
  });
}

/** When the newest forecast that is out was made, or null. */
export async function newestRun(entities: EntityManager, nowMs: number): Promise<string | null> {
  const [newest] = await entities.find(ForecastEntity, {
    select: { id: true, runAt: true },
    where: { runAt: LessThanOrEqual(new Date(nowMs)) },
    order: { runAt: 'DESC' },
    take: 1,
  });
  return newest?.runAt.toISOString() ?? null;
}
