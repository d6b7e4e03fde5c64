// Keys with which programs of an outfit read and write, without a person signing in.
import { z } from 'zod';
import { id, instant } from './ids';

/** What a key may be for, each with what the owner reads of it. */
export const KEY_SCOPES = {
  log: 'read the log',
  conditions: 'read the water: stations, tide, forecast',
  trips: 'read the trips',
  readings: 'store readings',
} as const;
export type KeyScope = keyof typeof KEY_SCOPES;
const scope = z.enum(Object.keys(KEY_SCOPES) as [KeyScope, ...KeyScope[]]);

export const newKey = z
  .object({ id, name: z.string().trim().min(1, 'needed').max(60), scopes: z.array(scope).min(1, 'choose what it is for').max(4) })
  .strict();
export type NewKey = z.infer<typeof newKey>;

/** The key itself, told once. */
export const keyMade = z.object({ key: z.string() });

export const keyRow = z.object({
  id,
  name: z.string(),
  scopes: z.array(scope),
  madeAt: instant,
  madeBy: z.string(),
  lastUsedAt: instant.nullable(),
});
export type KeyRow = z.infer<typeof keyRow>;

const named = z.array(z.object({ id, name: z.string() }));
/** What ids in the answers stand for. No people, no spots. */
export const names = z.object({ outfit: z.string(), zone: z.string(), waters: named, boats: named, species: named, presentations: named });
