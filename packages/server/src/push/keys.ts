import { through } from '../db/doors';
import type { DataSource } from 'typeorm';
import webpush from 'web-push';

export interface PushKeys {
  readonly publicKey: string;
  readonly privateKey: string;
}

/** The server's own pair of keys (RFC 8292), made the first time that somebody asks and the same for all its processes. */
export async function pushKeys(source: Pick<DataSource, 'query'>): Promise<PushKeys> {
  const made = webpush.generateVAPIDKeys();
  const row = await through(source, 'push_key_of', made.publicKey, made.privateKey);
  // Of two that ask at the same moment one does not see the other's row yet.
  if (!row) return pushKeys(source);
  return { publicKey: row.public_key, privateKey: row.private_key };
}
