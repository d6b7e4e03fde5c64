// Passkeys (W3C Web Authentication, level 3): signing in by what a phone or laptop holds, unlocked on it by its owner.
import { z } from 'zod';
import { id, instant } from './ids';

export const passkeyView = z.object({ id, name: z.string(), madeAt: instant, lastUsedAt: instant.nullable() });
export type PasskeyView = z.infer<typeof passkeyView>;

/** What a browser is given to ask its owner with, as the standard writes it in JSON. */
export const passkeyAsked = z.object({ options: z.record(z.string(), z.unknown()) });
export type PasskeyAsked = z.infer<typeof passkeyAsked>;

/** What a browser answers, as the standard writes it in JSON; the server reads it by the standard's own library. */
const answer = z.record(z.string(), z.unknown());

export const newPasskey = z.object({ id, name: z.string().trim().min(1, 'needed').max(60), answer }).strict();
export type NewPasskey = z.infer<typeof newPasskey>;

export const passkeySignIn = z.object({ answer }).strict();
