import type { GearView, TripRigs } from '@bluffwind/contract/rigs';
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
