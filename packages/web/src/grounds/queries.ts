import type { FeedsView } from '@bluffwind/contract/feeds';
import type { SoundingsView, SpotHistory } from '@bluffwind/contract/grounds';
import type { PictureView } from '@bluffwind/contract/pictures';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const soundingsQuery = (waterId: string) =>
  queryOptions({
    queryKey: ['soundings', waterId],
    queryFn: () => get<SoundingsView>(`/waters/${waterId}/soundings`),
    staleTime: Number.POSITIVE_INFINITY,
  });
export const picturesQuery = (waterId: string) =>
  queryOptions({
    queryKey: ['pictures', waterId],
    queryFn: () => get<PictureView[]>(`/waters/${waterId}/pictures`),
    staleTime: 60_000,
    meta: { follows: ['waters'] },
  });
export const pictureDataQuery = (id: string) =>
  queryOptions({
    queryKey: ['picture', id],
    queryFn: () => get<{ data: string }>(`/pictures/${id}`),
    staleTime: Number.POSITIVE_INFINITY,
  });
export const feedsQuery = (spotId: string) =>
  queryOptions({
    queryKey: ['feeds', spotId],
    queryFn: () => get<FeedsView>(`/spots/${spotId}/feeds`),
    staleTime: 60_000,
    meta: { follows: ['spots', 'log'] },
  });
export const historyQuery = (spotId: string) =>
  queryOptions({ queryKey: ['history', spotId], queryFn: () => get<SpotHistory>(`/spots/${spotId}/history`), staleTime: 60_000 });
