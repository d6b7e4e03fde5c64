// Keys with which programs of an outfit read and write, without a person signing in.
import { z } from 'zod';
import { id, instant } from './ids';
import { KEY_SCOPES, type KeyScope } from './keyScopes';

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
