import type { DeckPack } from '@bluffwind/contract/deck';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { getCurrent } from '../data/api';
import type { Feature, Here } from '../data/feature';
import { boardSpan, groundsSpan, tripSpan, waterSpan } from '../data/spans';
import { chartQuery, deskQuery, spotsQuery, stateQuery, tripQuery } from '../data/queries';
import { keepPack } from './store';

/** Trips whose desks go along; a phone is no archive. */
const MOST_TRIPS = 6;
const WAIT_MS = 4000;

/** A phone takes along what today's and tomorrow's trips need, once a visit, one thing after the other. */
export function useTakeAlong(here: Here, features: readonly Feature[], pocket: boolean): void {
  const { trips, today, tomorrow, zone, outfit } = here;
  const queries = useQueryClient();
  const taken = useRef('');
  useEffect(() => {
    const open = trips.filter((t) => t.status !== 'done' && t.status !== 'cancelled').slice(0, MOST_TRIPS);
    const which = open.map((t) => t.id).join();
    if (!pocket || !outfit || open.length === 0 || taken.current === which) return;
    let stopped = false;
    const timer = setTimeout(async () => {
      taken.current = which;
      const waters = [...new Set(open.map((t) => t.water.id))];
      const state =
        (waterId: string, [from, to]: [number, number]) =>
        () =>
          queries.prefetchQuery(stateQuery(waterId, from, to));
      const steps: (() => Promise<unknown>)[] = [
        ...open.flatMap((t) => [
          async () => keepPack(await getCurrent<DeckPack>(`/deck/${t.id}`)),
          () => queries.prefetchQuery(tripQuery(t.id)),
          () => queries.prefetchQuery(deskQuery(t.id)),
          state(t.water.id, tripSpan(Date.parse(t.startsAt), Date.parse(t.endsAt))),
        ]),
        ...waters.flatMap((id) => [
          () => queries.prefetchQuery(chartQuery(id)),
          () => queries.prefetchQuery(spotsQuery(id)),
          state(id, waterSpan(today, zone, pocket)),
          state(id, boardSpan(tomorrow, zone)),
          state(id, groundsSpan(today, zone)),
        ]),
        ...features.flatMap((f) => f.takeAlong?.(queries, here) ?? []),
      ];
      for (const step of steps) {
        if (stopped) return;
        // What cannot be taken along now is asked for when its screen opens.
        await step().catch(() => undefined);
      }
    }, WAIT_MS);
    return () => {
      stopped = taken.current !== which;
      clearTimeout(timer);
    };
  }, [here, features, trips, today, tomorrow, zone, outfit, pocket, queries]);
}
