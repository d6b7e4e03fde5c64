import type { LogEntry, LoggedFish } from '@bluffwind/contract/logEntry';
import { type EntityManager, In, IsNull } from 'typeorm';
import { CatchToldEntity, PhotoEntity } from '../db/entities/day';
import { LogMergeEntity } from '../db/entities/logMerge';
import { BoatEntity } from '../db/entities/boats';
import { ClientEntity } from '../db/entities/clients';
import { PersonEntity } from '../db/entities/people';
import { CatchEntity } from '../db/entities/log';
import { PartyEntity, TripEntity } from '../db/entities/trip';
import { FishedEntity } from '../db/entities/views';
import { namesOf } from '../db/namesOf';

/** An entry of the log with its fish, what was told of each and what was made one; null where it is not, or not for these eyes. */
export async function entryOf(entities: EntityManager, setId: string, captains: boolean): Promise<LogEntry | null> {
  const fished = await entities.findOneBy(FishedEntity, { id: setId, ...(captains ? {} : { privacy: 'crew' }) });
  if (!fished) return null;
  const trip = await entities.findOneByOrFail(TripEntity, { id: fished.tripId });
  const boats = await namesOf(entities, BoatEntity, [trip], (t) => t.boatId);
  const fish = await fishOf(entities, setId);
  return {
    setId,
    tripId: fished.tripId,
    spot: fished.spot,
    bait: fished.bait,
    boat: boats.get(trip.boatId) ?? '',
    from: fished.startedAt.toISOString(),
    to: fished.endedAt.toISOString(),
    rods: fished.rods,
    rodHours: fished.rodHours,
    fish,
    guests: await guestsOf(entities, fished.tripId),
    merges: await mergesInto(entities, [setId, ...fish.map((f) => f.id)]),
  };
}

async function fishOf(entities: EntityManager, setId: string): Promise<LoggedFish[]> {
  const fish = await entities.find(CatchEntity, { where: { setId, deletedAt: IsNull() }, order: { at: 'ASC', id: 'ASC' } });
  const ids = In(fish.map((f) => f.id));
  const told = await entities.find(CatchToldEntity, { where: { catchId: ids }, order: { at: 'ASC', entryId: 'ASC' } });
  const people = await namesOf(entities, PersonEntity, told, (t) => t.by);
  const photos = await entities.find(PhotoEntity, { select: { id: true, catchId: true }, where: { catchId: ids } });
  return fish.map(({ id, at, outcome, speciesId, clientId, lengthMm, lengthKind, kept, more }) => ({
    id,
    at: at.toISOString(),
    outcome,
    speciesId,
    clientId,
    lengthMm,
    lengthKind,
    kept,
    more,
    photos: photos.filter((p) => p.catchId === id).length,
    words: told
      .filter((t) => t.catchId === id)
      .map((t) => ({ field: t.field, value: t.value, at: t.at.toISOString(), by: t.by === null ? null : (people.get(t.by) ?? null) })),
  }));
}

async function guestsOf(entities: EntityManager, tripId: string): Promise<LogEntry['guests']> {
  const party = await entities.findBy(PartyEntity, { tripId });
  return entities.find(ClientEntity, {
    select: { id: true, name: true },
    where: { id: In(party.map((p) => p.clientId)) },
    order: { name: 'ASC' },
  });
}

async function mergesInto(entities: EntityManager, ids: readonly string[]): Promise<LogEntry['merges']> {
  const merges = await entities.find(LogMergeEntity, { where: { intoId: In([...ids]) }, order: { at: 'DESC' } });
  const people = await namesOf(entities, PersonEntity, merges, (m) => m.by);
  return merges.map((m) => ({ id: m.id, at: m.at.toISOString(), by: people.get(m.by) ?? '', what: m.before.what }));
}
