// A second proof at sign-in (RFC 6238): six figures from an authenticator, or once each of the codes on paper.
import { randomBytes } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { type EntityManager, IsNull } from 'typeorm';
import { RecoveryCodeEntity, SecondFactorEntity } from '../db/entities/waysIn';
import { Problem } from '../errors';
import { type Account, digest } from './session';

const STEP_S = 30;
/** Steps by which a phone's clock may be off. */
const OFF_STEPS = 1;
const CODES = 10;
/** No letters or figures that are read for each other. */
const LETTERS = '23456789abcdefghjkmnpqrstuvwxyz';

const totp = (secret: Secret, label = ''): TOTP =>
  new TOTP({ issuer: 'Bluffwind', label, secret, algorithm: 'SHA1', digits: 6, period: STEP_S });

/** A new secret (160 bits, as RFC 4226 asks for) with the address that an authenticator scans. */
export function newSecret(label: string): { secret: string; address: string } {
  const secret = new Secret({ size: 20 });
  return { secret: secret.base32, address: totp(secret, label).toString() };
}

/**
 * The step at which a code stands, or null when it does not hold.
 * @param secret - In base32. @param atMs - The true time, ms: authenticators know no other. @param lastStep - Codes up to it were taken.
 */
export function stepOfCode(secret: string, code: string, atMs: number, lastStep: number): number | null {
  const token = code.replaceAll(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return null;
  const off = totp(Secret.fromBase32(secret)).validate({ token, timestamp: atMs, window: OFF_STEPS });
  if (off === null) return null;
  const step = Math.floor(atMs / 1000 / STEP_S) + off;
  return step > lastStep ? step : null;
}

/** Codes to write down: each stands for the authenticator once. */
export function newRecoveryCodes(): string[] {
  const letters = (n: number) => [...randomBytes(n)].map((b) => LETTERS[b % LETTERS.length]).join('');
  return Array.from({ length: CODES }, () => `${letters(5)}-${letters(5)}`);
}

const onPaper = (code: string) => digest(code.toLowerCase().replaceAll(/[^a-z0-9]/g, ''));

/** Keeps digests of codes in place of those before. */
export async function keepRecoveryCodes(entities: EntityManager, { personId, outfitId }: Account, codes: readonly string[]): Promise<void> {
  await entities.delete(RecoveryCodeEntity, { personId });
  await entities.insert(
    RecoveryCodeEntity,
    codes.map((code) => ({ personId, outfitId, codeHash: onPaper(code), usedAt: null })),
  );
}

/** Whether a person has asked to be asked for a code. */
export async function asksForCode(entities: EntityManager, personId: string): Promise<boolean> {
  const row = await entities.findOneBy(SecondFactorEntity, { personId });
  return row !== null && row.onSince !== null;
}

/**
 * Takes the code of who asks to come in; whoever is asked for none passes. Each code is taken once, whatever else asks at the same moment.
 * Throws Problem `code_needed` without a code, `wrong_code` when it does not hold.
 */
export async function takeCode(entities: EntityManager, { personId }: Account, code: string | undefined, atMs: number): Promise<void> {
  const row = await entities.findOneBy(SecondFactorEntity, { personId });
  if (!row || row.onSince === null) return;
  if (code === undefined || code === '') throw new Problem('code_needed');
  const step = stepOfCode(row.secret, code, atMs, Number(row.lastStep));
  const taken =
    step !== null
      ? await entities.update(SecondFactorEntity, { personId, lastStep: row.lastStep }, { lastStep: String(step) })
      : await entities.update(RecoveryCodeEntity, { personId, codeHash: onPaper(code), usedAt: IsNull() }, { usedAt: new Date(atMs) });
  if (taken.affected !== 1) throw new Problem('wrong_code', '', [{ field: 'code', message: 'does not hold' }]);
}
