import type { EntityManager } from 'typeorm';
import { through } from '../db/doors';

/** Whether an address has an account, in whatever outfit: told only to who may ask somebody in or make an outfit. */
export async function isEmailTaken(entities: Pick<EntityManager, 'query'>, email: string): Promise<boolean> {
  return (await through(entities, 'email_taken', email))?.email_taken === true;
}
