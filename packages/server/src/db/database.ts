import type { DataSource, EntityManager, QueryRunner } from 'typeorm';
import { problemOfDatabase } from '../errors';

/** A server waits so long for its database to come up. */
const PATIENCE_MS = 90_000;
const AGAIN_MS = 1000;

/** Does what needs the database, again and again while it is not there yet: both may have been started at once. */
export async function whenUp<T>(work: () => Promise<T>): Promise<T> {
  const until = Date.now() + PATIENCE_MS;
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (problemOfDatabase(error)?.code !== 'busy' || Date.now() > until) throw error;
      await new Promise((r) => setTimeout(r, AGAIN_MS));
    }
  }
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/**
 * Runs work in one transaction that sees the rows of one outfit only.
 * @param who - The person who asks, from whom other captains' kept spots are hidden; the server's own work leaves it out.
 */
export async function inOutfit<T>(
  source: DataSource,
  outfitId: string,
  work: (entities: EntityManager) => Promise<T>,
  who?: { readonly personId: string; readonly role: string },
): Promise<T> {
  const [person, role] = [who?.personId ?? '', who?.role ?? ''];
  if (!UUID.test(outfitId) || (person !== '' && !UUID.test(person)) || !/^[a-z]*$/.test(role)) throw new Error('not an outfit or person');
  const runner = source.createQueryRunner();
  try {
    await runner.connect();
    // Begun and bound to the outfit in one way to the database and back: each costs a request more than what it does.
    await runner.query(
      `begin; select set_config('app.outfit', '${outfitId}', true), set_config('app.person', '${person}', true), set_config('app.role', '${role}', true)`,
    );
    told(runner, true);
    const value = await work(runner.manager);
    await runner.query('commit');
    return value;
  } catch (error) {
    await runner.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    told(runner, false);
    await runner.release();
  }
}

/** Tells a query runner of a transaction that it did not begin itself. */
function told(runner: QueryRunner, isTransactionActive: boolean): void {
  Object.assign(runner, { isTransactionActive });
}
