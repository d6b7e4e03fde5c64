// What a phone says of stops and of what fishes at them. Every entry carries the keys of its rows, so that sending it again
// changes nothing; the phone may send entries in any number of tries.
import type { TrialRods } from '@bluffwind/contract/trials';
import { type EntityManager, IsNull } from 'typeorm';
import { TrackPartEntity } from '../db/entities/day';
import { CatchEntity, SetEntity, type SetRow, SightingEntity, StopEntity } from '../db/entities/log';
import { Problem } from '../errors';
import { closeOpen } from './closeOpen';
import { endSets } from './endAt';
import { insertOnce } from './insertOnce';
import { linesIn, linesOut } from './linesOut';
import { spotNow } from './spotNow';
import { stopOfCatch } from './stopOf';
import type { Takers } from './takers';

/** Rods that one boat fishes at a time. */
const MOST_RODS = 20;

export const STOP_ENTRIES: Takers<
  'start-stop' | 'switch-set' | 'lines-out' | 'lines-in' | 'end-stop' | 'track' | 'sighting' | 'undo-catch'
> = {
  async 'start-stop'({ entities, outfitId, trip, entry, at }) {
    const rods = entry.sets.reduce((n, s) => n + s.rods, 0);
    if (rods > MOST_RODS)
      throw new Problem('invalid', `sets: ${rods} rods at one stop, at most ${MOST_RODS}`, [
        { field: 'sets', message: `at most ${MOST_RODS} rods in all` },
      ]);
    const spotId = await spotNow(entities, entry.spotId);
    const row = { id: entry.stopId, outfitId, tripId: trip.id, spotId, startedAt: at };
    const isNew = await insertOnce(
      entities,
      StopEntity,
      row,
      (known) => known.tripId === trip.id && known.spotId === spotId && +known.startedAt === +at,
    );
    if (!isNew) return;
    await closeOpen(entities, trip.id, at, { except: entry.stopId });
    for (const s of entry.sets) await insertSet(entities, { ...s, outfitId, stopId: entry.stopId, startedAt: at });
  },
  async 'switch-set'({ entities, outfitId, trip, entry, at }) {
    await requireStop(entities, trip.id, entry.stopId);
    const isNew = await insertSet(entities, { ...entry.set, outfitId, stopId: entry.stopId, startedAt: at });
    if (!isNew) return;
    await endSets(entities, { id: entry.endSetId, stopId: entry.stopId }, at);
  },
  async 'lines-out'({ entities, outfitId, trip, entry }) {
    await requireStop(entities, trip.id, entry.stopId);
    await linesOut(entities, outfitId, entry);
  },
  async 'lines-in'({ entities, outfitId, trip, entry, at }) {
    const stop = await entities.findOneBy(StopEntity, { id: entry.stopId, tripId: trip.id });
    if (!stop) throw new Problem('not_found', 'no such stop on this trip');
    await linesIn(entities, entry);
    // Another phone may have left the spot in the meantime: nothing fishes there any more.
    if (stop.endedAt !== null && stop.endedAt <= at) return;
    for (const s of entry.sets) await insertSet(entities, { ...s, outfitId, stopId: entry.stopId, startedAt: at });
  },
  async 'end-stop'({ entities, trip, entry, at }) {
    await requireStop(entities, trip.id, entry.stopId);
    await closeOpen(entities, trip.id, at, { only: entry.stopId });
  },
  async track({ entities, outfitId, trip, entry, at }) {
    await requireStop(entities, trip.id, entry.stopId);
    await entities
      .createQueryBuilder()
      .insert()
      .into(TrackPartEntity)
      .values({ entryId: entry.entryId, outfitId, stopId: entry.stopId, at, points: entry.points as never })
      .orIgnore()
      .execute();
  },
  async sighting({ entities, outfitId, trip, entry, at }) {
    const { sightingId, what, note, depthM, relation, place, side } = entry;
    const spotId = entry.spotId === null ? null : await spotNow(entities, entry.spotId);
    const row = {
      id: sightingId,
      outfitId,
      tripId: trip.id,
      spotId,
      at,
      kind: what,
      note,
      depthM,
      relation,
      lat: place?.lat ?? null,
      lon: place?.lon ?? null,
      side,
    };
    await insertOnce(entities, SightingEntity, row, (k) => k.tripId === trip.id && k.kind === what && +k.at === +at);
  },
  async 'undo-catch'({ entities, trip, entry, at }) {
    if ((await stopOfCatch(entities, entry.catchId))?.tripId === trip.id)
      await entities.update(CatchEntity, { id: entry.catchId, deletedAt: IsNull() }, { deletedAt: at });
  },
};

function insertSet(
  entities: EntityManager,
  {
    trial,
    ...set
  }: Pick<SetRow, 'id' | 'outfitId' | 'stopId' | 'presentationId' | 'rods' | 'startedAt'> & { trial?: TrialRods | undefined },
) {
  const row = { ...set, tried: trial?.what ?? null, arm: trial?.arm ?? null };
  return insertOnce(
    entities,
    SetEntity,
    row,
    (k) =>
      k.stopId === row.stopId &&
      k.presentationId === row.presentationId &&
      k.rods === row.rods &&
      k.arm === row.arm &&
      +k.startedAt === +row.startedAt,
  );
}

async function requireStop(entities: EntityManager, tripId: string, stopId: string): Promise<void> {
  if (!(await entities.existsBy(StopEntity, { id: stopId, tripId }))) throw new Problem('not_found', 'no such stop on this trip');
}
