// Changes of outfits as they are told through the database, so that the screens of people on every server hear of them.
import type { Logger } from 'pino';
import pg from 'pg';
import type { EntityManager } from 'typeorm';
import type { Topic } from '../db/topics';

const CHANNEL = 'outfit_changed';
const AGAIN_MS = 2000;
/** Screens of one person that listen at once; a browser shows one of them. */
const MOST_OF_PERSON = 8;

/** Who listens, and what is to be done when something of the outfit has changed. */
export interface Listener {
  readonly outfitId: string;
  readonly personId: string;
  /** @param change - The count of the outfit's changes and what has changed; null when changes may have been missed. */
  onChange(change: { version: string; topics: string } | null): void;
  /** The server stops. */
  onEnd(): void;
}

/** Changes as one process hears them. */
export interface Changes {
  /** @returns How to stop listening, or null when the person has too many screens open already. */
  listen(listener: Listener): (() => void) | null;
  close(): Promise<void>;
}

/** Tells every server of a change, when the transaction is committed. */
export async function tellServers(entities: EntityManager, outfitId: string, version: string, topics: readonly Topic[]): Promise<void> {
  await entities.query('select pg_notify($1, $2)', [CHANNEL, `${outfitId} ${version} ${topics.join()}`]);
}

/** Hears changes by one connection of its own, opened again when it is lost. */
export async function hearChanges(databaseUrl: string, log: Pick<Logger, 'warn'>): Promise<Changes> {
  const listeners = new Set<Listener>();
  let client: pg.Client | null = null;
  let timer: NodeJS.Timeout | undefined;
  let closed = false;
  const tell = (payload: string) => {
    const [outfitId, version = '', topics = ''] = payload.split(' ');
    for (const l of listeners) if (l.outfitId === outfitId) l.onChange({ version, topics });
  };
  const lost = () => {
    client = null;
    if (closed || timer) return;
    timer = setTimeout(() => {
      timer = undefined;
      connect()
        .then(() => {
          // What was told meanwhile nobody heard.
          for (const l of listeners) l.onChange(null);
        })
        .catch((error) => {
          log.warn({ reason: (error as Error).message }, 'changes are not heard; trying again');
          lost();
        });
    }, AGAIN_MS).unref();
  };
  async function connect(): Promise<void> {
    const fresh = new pg.Client({ connectionString: databaseUrl, keepAlive: true, connectionTimeoutMillis: 5000 });
    fresh.on('notification', ({ payload }) => tell(payload ?? ''));
    fresh.on('error', () => undefined);
    fresh.on('end', () => {
      if (client === fresh) lost();
    });
    try {
      await fresh.connect();
      await fresh.query(`listen ${CHANNEL}`);
    } catch (error) {
      await fresh.end().catch(() => undefined);
      throw error;
    }
    client = fresh;
  }
  await connect();
  return {
    listen(listener) {
      const open = [...listeners].filter((l) => l.personId === listener.personId).length;
      if (closed || open >= MOST_OF_PERSON) return null;
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    async close() {
      closed = true;
      clearTimeout(timer);
      for (const l of listeners) l.onEnd();
      listeners.clear();
      await client?.end();
    },
  };
}
