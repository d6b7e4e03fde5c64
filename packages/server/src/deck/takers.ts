import type { DeckEntry } from '@bluffwind/contract/deck';
import type { EntityManager } from 'typeorm';
import type { DeckTrip } from './onTrip';

/** Kinds of entries that are taken one by one; catches are taken in bulk. */
export type Kind = Exclude<DeckEntry['kind'], 'catch'>;
export interface Taken<K extends Kind> {
  readonly entities: EntityManager;
  readonly trip: DeckTrip;
  readonly outfitId: string;
  readonly entry: Extract<DeckEntry, { kind: K }>;
  /** When it happened. */
  readonly at: Date;
  /** Who logged it. */
  readonly by: string;
}
/** What takes each of some kinds of entries. */
export type Takers<K extends Kind> = { readonly [k in K]: (taken: Taken<k>) => Promise<void> };
