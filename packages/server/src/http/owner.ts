import type { Context } from 'hono';
import { Problem } from '../errors';
import type { Env } from './context';

/** Throws unless the person owns the outfit. */
export function requireOwner(c: Context<Env>): void {
  if (c.get('who').role !== 'owner') throw new Problem('not_allowed', 'Only the owner of the outfit can do this.');
}
