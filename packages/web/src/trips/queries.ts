import type { TripView } from '@bluffwind/contract/trips';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';
import { TRIP_TOPICS } from '../data/queries';

/** Trips of some days, those that were called off too. */
export const calendarQuery = (from: string, to: string) =>
  queryOptions({
    queryKey: ['calendar', from, to],
    queryFn: () => get<TripView[]>(`/calendar?${new URLSearchParams({ from, to })}`),
    meta: { kept: true, follows: TRIP_TOPICS },
  });

/** What shows trips: read again when one was made or changed. */
export const TRIP_KEYS = [['calendar'], ['board'], ['trip'], ['desk'], ['fleet'], ['risks'], ['beginnings'], ['clients']] as const;
