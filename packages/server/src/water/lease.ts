// Something that only one server at a time may do: it holds a lock of the database for as long as its connection lives.
import pg from 'pg';

const RETRY_MS = 5000;

/**
 * Runs `begin` whenever this process comes to hold the lock, and what it gave back when the lock is lost.
 * @param name - Of the lock. @returns How to stop for good.
 */
export function listenWhileHolding(url: string, name: string, begin: () => Promise<() => void>): () => Promise<void> {
  let client: pg.Client | null = null;
  let end: (() => void) | null = null;
  let timer: NodeJS.Timeout | undefined;
  let stopped = false;

  const lost = () => {
    end?.();
    end = null;
    client?.removeAllListeners();
    client?.on('error', () => undefined);
    void client?.end().catch(() => undefined);
    client = null;
    if (!stopped) timer = setTimeout(attempt, RETRY_MS);
  };
  const attempt = async (): Promise<void> => {
    try {
      if (!client) {
        client = new pg.Client({ connectionString: url, keepAlive: true });
        client.on('error', lost);
        client.on('end', lost);
        await client.connect();
      }
      const { rows } = await client.query('select pg_try_advisory_lock(hashtext($1)) as held', [`bluffwind ${name}`]);
      if (rows[0]?.held && !end) end = await begin();
      else if (!stopped) timer = setTimeout(attempt, RETRY_MS);
    } catch {
      lost();
    }
  };
  void attempt();
  return async () => {
    stopped = true;
    clearTimeout(timer);
    lost();
  };
}
