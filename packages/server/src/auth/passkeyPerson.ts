import { through } from '../db/doors';
import type { DataSource } from 'typeorm';

/** Longest name of a passkey that is looked up. */
const LONGEST = 1400;

/** Whose passkey it is, in whatever outfit; null when it is nobody's. */
export async function passkeyPerson(source: DataSource, credential: string): Promise<{ outfitId: string; personId: string } | null> {
  const account = await through(source, 'passkey_person', credential.slice(0, LONGEST));
  return account ? { outfitId: account.outfit_id, personId: account.person_id } : null;
}
