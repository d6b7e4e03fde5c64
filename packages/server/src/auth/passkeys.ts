// Passkeys by the standard's library: what a browser is asked, and whether its answer holds.
import { through } from '../db/doors';
import {
  type AuthenticationResponseJSON,
  type AuthenticatorTransport,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import type { Context } from 'hono';
import { isIP } from 'node:net';
import type { DataSource } from 'typeorm';
import type { PasskeyRow } from '../db/entities/waysIn';
import { Problem } from '../errors';
import type { Deps, Env } from '../http/context';

const MINUTES = 5;
/** Most passkeys of one person. */
export const MOST_PASSKEYS = 10;

/** The page that asks: of this very server, by its own name or by the one that it is known by outside. Throws where a browser allows none. */
export function originOf(c: Context<Env>, publicUrl: string | null): { origin: string; host: string } {
  const origin = c.req.header('Origin') ?? '';
  const here = URL.canParse(origin) ? new URL(origin) : null;
  const own = here !== null && (here.host === c.req.header('Host') || (publicUrl !== null && here.origin === new URL(publicUrl).origin));
  if (!here || !own) throw new Problem('not_allowed', 'Passkeys are asked for from the application’s own page only.');
  if (isIP(here.hostname.replace(/^\[|\]$/g, '')) !== 0)
    throw new Problem(
      'invalid',
      'A passkey needs a server with a name; this address is a number. Use the server’s name, or localhost on this machine.',
    );
  return { origin: here.origin, host: here.hostname };
}

/** Challenges are given out here and taken once. */
export function challenges({ source, clock }: { source: DataSource; clock: Deps['clock'] }) {
  return {
    async made(challenge: string): Promise<void> {
      await through(source, 'challenge_made', challenge, new Date(clock.now() + MINUTES * 60_000));
    },
    async taken(challenge: string): Promise<boolean> {
      return (await through(source, 'challenge_taken', challenge, new Date(clock.now())))?.challenge_taken === true;
    },
  };
}

export const askToMake = (person: { id: string; name: string; email: string }, known: readonly PasskeyRow[], host: string) =>
  generateRegistrationOptions({
    rpName: 'Bluffwind',
    rpID: host,
    userID: new Uint8Array(Buffer.from(person.id)),
    userName: person.email,
    userDisplayName: person.name,
    attestationType: 'none',
    excludeCredentials: known.map((k) => ({ id: k.credential, transports: k.transports as AuthenticatorTransport[] })),
    // It stands for password and code: it is unlocked by its owner each time, and found without an e-mail address.
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });

/** @returns What is to be kept of it; null where the answer does not hold. */
export async function madeBy(answer: object, at: { origin: string; host: string }, taken: (challenge: string) => Promise<boolean>) {
  try {
    const { verified, registrationInfo } = await verifyRegistrationResponse({
      response: answer as RegistrationResponseJSON,
      expectedChallenge: taken,
      expectedOrigin: at.origin,
      expectedRPID: at.host,
      requireUserVerification: true,
    });
    if (!verified) return null;
    const { id, publicKey, counter, transports = [] } = registrationInfo.credential;
    return { credential: id, publicKey: Buffer.from(publicKey), counter: String(counter), transports: [...transports] as string[] };
  } catch {
    // The library throws for whatever is not as the standard has it.
    return null;
  }
}

export const askToSignIn = (host: string) => generateAuthenticationOptions({ rpID: host, userVerification: 'required' });

/** @returns The passkey's own count after it; null where the answer does not hold. */
export async function signedBy(answer: object, key: PasskeyRow, taken: (challenge: string) => Promise<boolean>): Promise<number | null> {
  try {
    const { verified, authenticationInfo } = await verifyAuthenticationResponse({
      response: answer as AuthenticationResponseJSON,
      expectedChallenge: taken,
      expectedOrigin: key.origin,
      expectedRPID: new URL(key.origin).hostname,
      requireUserVerification: true,
      credential: {
        id: key.credential,
        publicKey: new Uint8Array(key.publicKey),
        counter: Number(key.counter),
        transports: key.transports as AuthenticatorTransport[],
      },
    });
    return verified ? authenticationInfo.newCounter : null;
  } catch {
    return null;
  }
}
