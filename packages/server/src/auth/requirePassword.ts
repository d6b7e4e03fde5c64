import type { Context } from 'hono';
import { PersonEntity } from '../db/entities/people';
import { Problem } from '../errors';
import { addressOf } from '../http/address';
import { type Deps, type Env, found } from '../http/context';
import { checkPassword } from './session';
import { signInTries } from './tries';

/** Whoever finds a phone unlocked cannot change how its owner signs in. @returns The person's e-mail address. */
export async function requirePassword(deps: Pick<Deps, 'source' | 'config'>, c: Context<Env>, password: string): Promise<string> {
  const tries = signInTries(deps.source);
  const { email } = found(await c.get('entities').findOneBy(PersonEntity, { id: c.get('who').personId }), 'person');
  const one = { email, address: addressOf(c, deps.config.trustProxy), device: null };
  await tries.count(one);
  if (!(await checkPassword(deps.source, email, password)).matches)
    throw new Problem('invalid', 'password: this is not your password.', [{ field: 'password', message: 'not your password' }]);
  await tries.forget(one);
  return email;
}
