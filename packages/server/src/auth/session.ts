import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { DataSource } from 'typeorm';
import { DAY } from '@bluffwind/core/units/time';
import { inOutfit } from '../db/database';
import { SessionEntity } from '../db/entities/outfit';
import type { Who } from '../http/context';

const SESSION_DAYS = 30;

/** Hashes a password (Argon2id, the library's OWASP-conforming defaults). */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

// Verified against when the e-mail is unknown, so that both cases take as long.
const dummyHash = hashPassword(randomBytes(12).toString('hex'));

/** Token of a new session, or null when e-mail and password do not belong together. */
export async function openSession(source: DataSource, email: string, password: string, nowMs: number): Promise<string | null> {
  const [person] = await source.query('select * from sign_in_person($1)', [email]);
  const matches = await verify(person?.password_hash ?? (await dummyHash), password);
  if (!person || !matches) return null;
  const token = randomBytes(32).toString('base64url');
  await inOutfit(source, person.outfit_id, (entities) =>
    entities.insert(SessionEntity, {
      tokenHash: digest(token),
      outfitId: person.outfit_id,
      personId: person.person_id,
      createdAt: new Date(nowMs),
      expiresAt: new Date(nowMs + SESSION_DAYS * DAY),
    }),
  );
  return token;
}

/** The person behind a token, or null when it is unknown or expired. */
export async function whoHolds(source: DataSource, token: string, nowMs: number): Promise<Who | null> {
  const [row] = await source.query('select * from session_person($1, $2)', [digest(token), new Date(nowMs)]);
  return row ? { personId: row.person_id, outfitId: row.outfit_id, role: row.role } : null;
}

/** Ends a session. */
export async function closeSession(source: DataSource, who: Who, token: string): Promise<void> {
  await inOutfit(source, who.outfitId, (entities) => entities.delete(SessionEntity, { tokenHash: digest(token) }));
}

function digest(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}
