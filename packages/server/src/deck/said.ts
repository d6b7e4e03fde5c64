// What was said on deck of a trip as a whole, as the phone takes it along.
import type { DeckPack } from '@bluffwind/contract/deck';
import type { EntityManager } from 'typeorm';
import { DepartureEntity, TrialEntity, TripRestEntity } from '../db/entities/day';

/** The rest of the day that was laid anew on deck. */
export async function restOf(entities: EntityManager, tripId: string): Promise<NonNullable<DeckPack['rest']> | null> {
  const row = await entities.findOneBy(TripRestEntity, { tripId });
  return row && { legs: row.legs, at: row.at.toISOString() };
}

/** What the trip compares, or null. */
export async function trialOf(entities: EntityManager, tripId: string): Promise<DeckPack['trial']> {
  const row = await entities.findOneBy(TrialEntity, { tripId });
  return row?.what && row.arms.length > 1 ? { what: row.what, arms: row.arms } : null;
}

/** The list that was signed before leaving, or null. */
export async function departureOf(entities: EntityManager, tripId: string): Promise<NonNullable<DeckPack['departure']> | null> {
  const row = await entities.findOneBy(DepartureEntity, { tripId });
  if (!row) return null;
  const { signedBy, at, dueAt, ashore, left } = row;
  return { signedBy, at: at.toISOString(), dueAt: dueAt.toISOString(), ashore, left };
}
