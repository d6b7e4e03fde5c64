import type { DeckReceipt } from '@bluffwind/contract/deck';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { serverNow } from '../data/clock';

/** Says something of a trip's fish from the desk, as a phone would: it stands in the same history. Throws when it is refused. */
export async function tellDeck(tripId: string, said: object): Promise<void> {
  const entry = { ...said, entryId: v7(), at: new Date(serverNow()).toISOString() };
  const { receipts } = await post<DeckReceipt>(`/deck/${tripId}/entries`, { entries: [entry] });
  const [receipt] = receipts;
  if (!receipt?.ok) throw new Error(receipt?.message || 'It was not taken.');
}
