import { through } from '../db/doors';
import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { DAY } from '@bluffwind/core/units/time';
import { type DataSource, type EntityManager, Not } from 'typeorm';
import { inOutfit } from '../db/database';
import { KnownDeviceEntity, PushDeviceEntity, SessionEntity } from '../db/entities/waysIn';
import type { Holder } from '../http/who';

/** A session ends so long after sign-in, however it is used. */
export const SESSION_DAYS = 30;
/** A session that is not used for so long is over. */
const IDLE_DAYS = 14;

/** Hashes a password (Argon2id, the library's OWASP-conforming defaults). */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

// Verified against when the e-mail is unknown, so that both cases take as long.
const dummyHash = hashPassword(randomBytes(12).toString('hex'));

/** A person whose account is tried. */
export interface Account {
  readonly personId: string;
  readonly outfitId: string;
}

/** The account of an e-mail, if there is one, and whether the password is its own. */
export async function checkPassword(
  source: DataSource,
  email: string,
  password: string,
): Promise<{ account: Account | null; matches: boolean }> {
  const row = await through(source, 'sign_in_person', email);
  const matches = await verify(row?.password_hash ?? (await dummyHash), password);
  return { account: row ? { personId: row.person_id, outfitId: row.outfit_id } : null, matches: Boolean(row) && matches };
}

/** Opens a session; the device is known from then on. @returns The session's token and the device's. */
export async function openSession(
  entities: EntityManager,
  { personId, outfitId }: Account,
  { nowMs, address, agent, device }: { nowMs: number; address: string; agent: string; device: string | null },
): Promise<{ token: string; device: string }> {
  const token = randomBytes(32).toString('base64url');
  const now = new Date(nowMs);
  await entities.insert(SessionEntity, {
    tokenHash: digest(token),
    outfitId,
    personId,
    createdAt: now,
    lastSeenAt: now,
    expiresAt: new Date(nowMs + SESSION_DAYS * DAY),
    openedFrom: address.slice(0, 100),
    device: agent.slice(0, 200),
  });
  const known = device ?? randomBytes(32).toString('base64url');
  await entities.upsert(KnownDeviceEntity, { outfitId, personId, tokenHash: digest(known), lastUsedAt: now }, ['personId', 'tokenHash']);
  return { token, device: known };
}

/** Whether a device was signed in to an account before. */
export async function deviceKnown(source: DataSource, email: string, device: string): Promise<boolean> {
  return (await through(source, 'device_known', email, digest(device)))?.device_known === true;
}

/** A device's token where that person signed in on it before, else null: one that a stranger set is not taken on. */
export async function ownDevice(entities: EntityManager, personId: string, device: string | undefined): Promise<string | null> {
  if (device === undefined) return null;
  return (await entities.existsBy(KnownDeviceEntity, { personId, tokenHash: digest(device) })) ? device : null;
}

/** The person behind a token, with the session's number, or null when it is unknown, expired or long unused. */
export async function whoHolds(source: DataSource, token: string, nowMs: number): Promise<Holder | null> {
  const row = await through(source, 'session_person', digest(token), new Date(nowMs), `${IDLE_DAYS} days`);
  return row
    ? {
        sessionId: row.session_id,
        version: String(row.version),
        topics: row.topics,
        personId: row.person_id,
        outfitId: row.outfit_id,
        role: row.role,
      }
    : null;
}

/** Ends a session. */
export async function closeSession(source: DataSource, outfitId: string, token: string): Promise<void> {
  await inOutfit(source, outfitId, async (entities) => {
    const session = await entities.findOneBy(SessionEntity, { tokenHash: digest(token) });
    if (!session) return;
    await entities.delete(PushDeviceEntity, { personId: session.personId, sessionId: session.id });
    await entities.delete(SessionEntity, { tokenHash: session.tokenHash });
  });
}

/** A person's sessions, the last used first. */
export function sessionsOf(entities: EntityManager, personId: string) {
  return entities.find(SessionEntity, { where: { personId }, order: { lastSeenAt: 'DESC' } });
}

/** Ends one session of a person, all but one, or all; a device that was added in it is told nothing more. @returns How many. */
export async function endSessions(
  entities: EntityManager,
  personId: string,
  which: { only: string } | { butNot: string } | 'all',
): Promise<number> {
  if (which === 'all') {
    await entities.delete(PushDeviceEntity, { personId });
    return (await entities.delete(SessionEntity, { personId })).affected ?? 0;
  }
  const id = 'only' in which ? which.only : Not(which.butNot);
  await entities.delete(PushDeviceEntity, { personId, sessionId: id });
  return (await entities.delete(SessionEntity, { personId, id })).affected ?? 0;
}

/** What is kept of a key. */
export function digest(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}
