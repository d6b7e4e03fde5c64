// What a phone says of the trip as a whole: that it begins and ends, what it takes along, tries and has left.
import { type EntityManager, In, Not } from 'typeorm';
import { DepartureEntity, TrialEntity, TripRestEntity } from '../db/entities/day';
import { SpotEntity } from '../db/entities/grounds';
import { RigTickEntity } from '../db/entities/rigs';
import { TripEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import { closeOpen } from './closeOpen';
import { laterHolds } from './laterHolds';
import type { Takers } from './takers';

/** How long after it is signed somebody ashore may be told to wait. */
const LONGEST_OUT_MS = 36 * 3_600_000;

export const DAY_ENTRIES: Takers<'begin-trip' | 'end-trip' | 'tick' | 'rest' | 'trial' | 'depart'> = {
  async 'begin-trip'({ entities, trip, at }) {
    if (trip.status !== 'planned') return;
    await entities.update(TripEntity, { id: trip.id, status: 'planned' }, { status: 'under way', beganAt: at });
    trip.status = 'under way';
  },
  async 'end-trip'({ entities, trip, at }) {
    await closeOpen(entities, trip.id, at);
    if (trip.status === 'done') return;
    await entities.update(TripEntity, { id: trip.id, status: Not('done') }, { status: 'done', endedAt: at });
    trip.status = 'done';
  },
  async tick({ entities, trip, outfitId, entry, at, by }) {
    await laterHolds(entities, RigTickEntity, { tripId: trip.id, key: entry.key, outfitId, done: entry.done, by, at }, ['tripId', 'key']);
  },
  /** The plan that holds again keeps its row, so that a rest that comes late does not take its place. */
  async rest({ entities, trip, outfitId, entry, at, by }) {
    await requireSpots(entities, [...new Set((entry.legs ?? []).map((l) => l.spotId))]);
    await laterHolds(entities, TripRestEntity, { tripId: trip.id, outfitId, legs: entry.legs, at, by }, ['tripId']);
  },
  /** A trial that is ended keeps its row with nothing to compare, so that an earlier word that comes late does not begin it again. */
  async trial({ entities, trip, outfitId, entry, at, by }) {
    const { what, arms } = entry.trial ?? { what: null, arms: [] };
    await laterHolds(entities, TrialEntity, { tripId: trip.id, outfitId, what, arms, at, by }, ['tripId']);
  },
  /** Signed again, the later list holds. */
  async depart({ entities, trip, outfitId, entry, at, by }) {
    const { done, left, signedBy, ashore } = entry;
    const dueAt = new Date(entry.dueAt);
    const waitMs = dueAt.getTime() - at.getTime();
    if (waitMs <= 0 || waitMs > LONGEST_OUT_MS)
      throw new Problem('invalid', 'dueAt: expected a time after the list is signed, within 36 h', [
        { field: 'dueAt', message: 'after leaving, within 36 h' },
      ]);
    await laterHolds(entities, DepartureEntity, { tripId: trip.id, outfitId, done, left, signedBy, dueAt, ashore, at, by }, ['tripId']);
  },
};

async function requireSpots(entities: EntityManager, spotIds: readonly string[]): Promise<void> {
  const known = await entities.countBy(SpotEntity, { id: In([...spotIds]) });
  if (known < spotIds.length)
    throw new Problem('not_found', 'legs: a spot of it is not there any more; lay the rest anew', [
      { field: 'legs', message: 'no such spot' },
    ]);
}
