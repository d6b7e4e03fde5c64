import type { EntityManager } from 'typeorm';

/** Whether an address has an account, in whatever outfit: told only to who may ask somebody in or make an outfit. */
export async function isEmailTaken(entities: Pick<EntityManager, 'query'>, email: string): Promise<boolean> {
  const [{ taken }] = await entities.query('select email_taken($1) as taken', [email]);
  return taken;
}
