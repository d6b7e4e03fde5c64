// What the screens last read stays on the phone, so that they open without a network as they were; it is asked anew as soon as there is one.
import type { Query, QueryClient } from '@tanstack/react-query';
import { myUnits } from '../data/units';
import { clearAnswers, keepAnswer, keptAnswers } from './store';

/** Today, tomorrow, and a night late home. */
const DAYS_MS = 3 * 86_400_000;

/** Writes each answer down as it comes. */
export function keepOnPhone(queries: QueryClient): void {
  const last = new Map<string, number>();
  queries.getQueryCache().subscribe((event) => {
    if (event.type !== 'updated' || event.action.type !== 'success') return;
    const query = event.query as Query;
    const { data, dataUpdatedAt } = query.state;
    if (!query.meta?.kept || data === undefined || last.get(query.queryHash) === dataUpdatedAt) return;
    last.set(query.queryHash, dataUpdatedAt);
    // A phone that is full shows what it has while there is a network.
    void keepAnswer({ hash: query.queryHash, key: query.queryKey, data, atMs: dataUpdatedAt, units: JSON.stringify(myUnits()) }).catch(
      () => undefined,
    );
  });
}

/** Puts what was kept back, to be read anew where it is shown. */
export async function bringBack(queries: QueryClient, nowMs = Date.now()): Promise<void> {
  try {
    for (const { key, data, atMs, units } of await keptAnswers(nowMs - DAYS_MS)) {
      if (queries.getQueryData(key) !== undefined || units !== JSON.stringify(myUnits())) continue;
      queries.setQueryData(key, data, { updatedAt: atMs });
      void queries.invalidateQueries({ queryKey: key, exact: true, refetchType: 'none' });
    }
  } catch {
    // A browser that keeps nothing: everything is asked for.
  }
}

/** Takes the answers off the phone: a session that is over may have been ended because the phone was lost. What is not sent yet stays. */
export async function forgetRead(queries: QueryClient): Promise<void> {
  queries.removeQueries({ predicate: (q) => q.queryKey[0] !== 'me' && q.getObserversCount() === 0 });
  await clearAnswers();
}
