// Writes one thing that happened on deck.
import type { EntityManager } from 'typeorm';
import { DAY_ENTRIES } from './dayEntries';
import type { DeckTrip } from './onTrip';
import { STOP_ENTRIES } from './stopEntries';
import type { Kind, Taken, Takers } from './takers';
import { tellCatch } from './tellCatch';

/** A kind that the phone may send and nothing here takes does not compile. */
const TAKERS: Takers<Kind> = { ...STOP_ENTRIES, ...DAY_ENTRIES, 'tell-catch': tellCatch };

/** Applies an entry to its trip. Throws Problem when it can never be accepted. */
export async function applyEntry(entities: EntityManager, trip: DeckTrip, entry: Taken<Kind>['entry'], by: string): Promise<void> {
  // The table pairs each kind with what takes it, which an index by a union does not tell the compiler.
  const take = TAKERS[entry.kind] as (taken: Taken<Kind>) => Promise<void>;
  await take({ entities, trip, outfitId: trip.outfitId, entry, at: new Date(entry.at), by });
}
