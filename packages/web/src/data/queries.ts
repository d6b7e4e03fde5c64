// What more than one part of the application asks the server for; what only one asks stands in that part's own folder.
import type { Me } from '@bluffwind/contract/auth';
import type { Chart, SpotView } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { PapersView } from '@bluffwind/contract/papers';
import type { PlanDesk } from '@bluffwind/contract/plan';
import { TOPIC_NAMES, type Topic } from '@bluffwind/contract/topics';
import type { Board, TripView } from '@bluffwind/contract/trips';
import type { WaterStateView } from '@bluffwind/contract/water';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { get, getCurrent } from './api';
import { learnClock } from './clock';
import { learnSettings } from './settings';

declare module '@tanstack/react-query' {
  interface Register {
    queryMeta: {
      /** The answer stays on the phone, so that the screen opens without a network. */
      readonly kept?: boolean;
      /** Read again when others of the crew have changed one of these: what a person looks at to know how things stand, not what he works on. */
      readonly follows?: readonly Topic[];
    };
  }
}

async function readMe(): Promise<Me> {
  const me = await get<Me>('/me');
  // Before any screen is drawn: the cursor starts at the server's time.
  learnClock(me);
  if (learnSettings(me.settings)) location.reload();
  return me;
}

/** What a trip's row is made from. */
export const TRIP_TOPICS: readonly Topic[] = ['conditions', 'crew', 'trips', 'waters'];

export const meQuery = queryOptions({ queryKey: ['me'], queryFn: readMe, retry: false, staleTime: 60_000, meta: { kept: true } });
export const outfitQuery = queryOptions({
  queryKey: ['outfit'],
  queryFn: () => get<OutfitView>('/outfit'),
  staleTime: 300_000,
  meta: { kept: true },
});
/** Papers that end and days away: trips are made by them, people keep them. */
export const papersQuery = queryOptions({ queryKey: ['papers'], queryFn: () => get<PapersView>('/papers'), staleTime: 60_000 });
export const boardQuery = queryOptions({
  queryKey: ['board'],
  queryFn: () => get<Board>('/board'),
  meta: { kept: true, follows: TOPIC_NAMES },
});
export const tripQuery = (id: string) =>
  queryOptions({ queryKey: ['trip', id], queryFn: () => get<TripView>(`/trips/${id}`), meta: { kept: true, follows: TRIP_TOPICS } });
export const deskQuery = (tripId: string) =>
  queryOptions({
    queryKey: ['desk', tripId],
    queryFn: () => getCurrent<PlanDesk>(`/trips/${tripId}/desk`),
    staleTime: Number.POSITIVE_INFINITY,
    meta: { kept: true },
  });
export const chartQuery = (waterId: string) =>
  queryOptions({
    queryKey: ['chart', waterId],
    queryFn: () => get<Chart>(`/waters/${waterId}/chart`),
    staleTime: Number.POSITIVE_INFINITY,
    meta: { kept: true },
  });
export const spotsQuery = (waterId: string) =>
  queryOptions({ queryKey: ['spots', waterId], queryFn: () => get<SpotView[]>(`/waters/${waterId}/spots`), meta: { kept: true } });
export const stateQuery = (waterId: string, from: number, to: number) =>
  queryOptions({
    queryKey: ['state', waterId, from, to],
    queryFn: () =>
      get<WaterStateView>(
        `/waters/${waterId}/state?${new URLSearchParams({ from: new Date(from).toISOString(), to: new Date(to).toISOString() })}`,
      ),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    meta: { kept: true },
  });
