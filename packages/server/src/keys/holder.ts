// Who asks by a key of a program: its maker, cut down to what the key is for.
import { through } from '../db/doors';
import type { KeyScope } from '@bluffwind/contract/keyScopes';
import type { DataSource } from 'typeorm';
import { digest } from '../auth/session';
import { Problem } from '../errors';
import type { Holder } from '../http/who';

/** What every key begins with, so that one that got about is found by a search. */
export const KEY_PREFIX = 'bw_';

const ID = '[0-9a-f-]{36}';
/** Requests that a scope opens; a key opens nothing else, whatever its maker may do. */
const OPENED: Record<KeyScope, readonly (readonly [method: string, path: RegExp])[]> = {
  log: [['GET', /^\/log(\/export|\/rates)?$/]],
  conditions: [['GET', new RegExp(`^/waters/${ID}/state$`)]],
  trips: [['GET', /^\/(trips|calendar)$/]],
  readings: [['POST', new RegExp(`^/waters/${ID}/readings$`)]],
};
/** Names with their ids, without which no other answer can be read. */
const OPEN_TO_ALL = [['GET', /^\/names$/]] as const;

/** The key of a request's `Authorization`, or null where it shows none: what a proxy asks for before us (Basic) is no matter of ours. */
export function keyIn(header: string | undefined): string | null {
  return header === undefined || !/^Bearer\b/i.test(header) ? null : (/^Bearer +(\S+)$/i.exec(header)?.[1] ?? '');
}

/**
 * The holder behind a key, or null when it is unknown, ended, or its maker owns the outfit no more.
 * Throws Problem `key_scope` when the key is not for what is asked.
 * @param path - Without the prefix of the API.
 */
export async function whoHasKey(source: DataSource, key: string, method: string, path: string, nowMs: number): Promise<Holder | null> {
  if (!key.startsWith(KEY_PREFIX)) return null;
  const row = await through(source, 'program_key_by', digest(key), new Date(nowMs));
  if (!row) return null;
  const scopes = row.scopes as readonly KeyScope[];
  const opened = [...OPEN_TO_ALL, ...scopes.flatMap((s) => OPENED[s])];
  if (!opened.some(([m, p]) => m === method && p.test(path))) throw new Problem('key_scope', `It may not ask ${method} ${path}.`);
  return {
    sessionId: row.session_id,
    version: String(row.version),
    topics: row.topics,
    personId: row.person_id,
    outfitId: row.outfit_id,
    role: row.role,
    program: true,
  };
}
