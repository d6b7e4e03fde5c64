import type { DataSource } from 'typeorm';

/** Longest name of a passkey that is looked up. */
const LONGEST = 1400;

/** Whose passkey it is, in whatever outfit; null when it is nobody's. */
export async function passkeyPerson(source: DataSource, credential: string): Promise<{ outfitId: string; personId: string } | null> {
  const [account]: { outfit_id: string; person_id: string }[] = await source.query('select * from passkey_person($1)', [
    credential.slice(0, LONGEST),
  ]);
  return account ? { outfitId: account.outfit_id, personId: account.person_id } : null;
}
