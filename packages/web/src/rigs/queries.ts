import type { GearView, TripRigs } from '@bluffwind/contract/rigs';
import type { BaitCountView } from '@bluffwind/contract/trials';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const rigsQuery = (tripId: string) =>
  queryOptions({
    queryKey: ['rigs', tripId],
    queryFn: () => get<TripRigs>(`/trips/${tripId}/rigs`),
    staleTime: 30_000,
    meta: { kept: true, follows: ['conditions', 'crew', 'gear', 'log', 'spots', 'trips', 'waters'] },
  });
export const gearQuery = queryOptions({ queryKey: ['gear'], queryFn: () => get<GearView[]>('/gear'), staleTime: 60_000 });

/** What each bait gave and took in the last year. */
export const earnedQuery = queryOptions({
  queryKey: ['gear', 'earned'],
  queryFn: () => get<BaitCountView[]>('/gear/earned'),
  staleTime: 60_000,
});
