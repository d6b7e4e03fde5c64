// Whose turn it is: of every outfit only so many requests work at once, so that none can take all connections from the others.
import pLimit, { type LimitFunction } from 'p-limit';
import { Problem } from '../errors';

/** Seconds after which a request that found no place may come again. */
const AGAIN_S = 2;

/**
 * Lets work of one key run so many at a time, in the order it came.
 * @param atOnce - Running at once a key, >= 1. @param waiting - Waiting a key; one more is refused as `busy`.
 */
export function turns({ atOnce, waiting }: { atOnce: number; waiting: number }): <T>(key: string, work: () => Promise<T>) => Promise<T> {
  const lines = new Map<string, LimitFunction>();
  return async (key, work) => {
    const line = lines.get(key) ?? pLimit(atOnce);
    lines.set(key, line);
    if (line.pendingCount >= waiting) throw new Problem('busy', '', [], AGAIN_S);
    try {
      return await line(work);
    } finally {
      if (line.activeCount + line.pendingCount === 0) lines.delete(key);
    }
  };
}
