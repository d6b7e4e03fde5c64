import type { Beginnings } from '@bluffwind/contract/outfit';
import type { TripRisk } from '@bluffwind/contract/risk';
import { TOPIC_NAMES } from '@bluffwind/contract/topics';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

/** What speaks against the trips of a day; apart from the Board, which does not wait for it. */
export const risksQuery = (date: string) =>
  queryOptions({
    queryKey: ['risks', date],
    queryFn: () => get<TripRisk[]>(`/risks?date=${date}`),
    staleTime: 60_000,
    meta: { kept: true, follows: ['conditions', 'crew', 'log', 'spots', 'trips', 'waters'] },
  });

/** What the outfit has so far. */
export const beginningsQuery = queryOptions({
  queryKey: ['beginnings'],
  queryFn: () => get<Beginnings>('/beginnings'),
  meta: { kept: true, follows: TOPIC_NAMES },
});
