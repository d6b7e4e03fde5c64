import type { DebriefView } from '@bluffwind/contract/debrief';
import type { PhotoList } from '@bluffwind/contract/photos';
import type { ReportDraft } from '@bluffwind/contract/report';
import { queryOptions } from '@tanstack/react-query';
import { get, getCurrent } from '../data/api';

export const debriefQuery = (tripId: string) =>
  queryOptions({ queryKey: ['debrief', tripId], queryFn: () => getCurrent<DebriefView>(`/trips/${tripId}/debrief`), retry: false });
export const reportQuery = (tripId: string) =>
  queryOptions({ queryKey: ['report', tripId], queryFn: () => get<ReportDraft>(`/trips/${tripId}/report`), retry: false });
export const photosQuery = (tripId: string) =>
  queryOptions({
    queryKey: ['photos', tripId],
    queryFn: () => get<PhotoList>(`/deck/${tripId}/photos`),
    retry: false,
    meta: { follows: ['after'] },
  });
export const photoQuery = (id: string) =>
  queryOptions({
    queryKey: ['photo', id],
    queryFn: () => get<{ data: string }>(`/photos/${id}`),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
