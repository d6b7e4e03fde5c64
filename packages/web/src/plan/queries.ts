import type { SavedPlan, StopDetail } from '@bluffwind/contract/plan';
import { queryOptions } from '@tanstack/react-query';
import { get, post } from '../data/api';

export const keptPlanQuery = (tripId: string, version: number) =>
  queryOptions({
    queryKey: ['kept', tripId, version],
    queryFn: () => get<SavedPlan>(`/trips/${tripId}/plans/${version}`),
    staleTime: Number.POSITIVE_INFINITY,
  });
export const stopsQuery = (ids: readonly string[]) =>
  queryOptions({
    queryKey: ['stops', ids],
    queryFn: () => post<StopDetail[]>('/stops/find', { ids }),
    enabled: ids.length > 0,
    staleTime: 300_000,
  });
