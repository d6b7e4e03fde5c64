import type { TripView } from '@bluffwind/contract/trips';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';
import { TRIP_TOPICS } from '../data/queries';

export const fleetTripsQuery = (date: string) =>
  queryOptions({ queryKey: ['fleet', date], queryFn: () => get<TripView[]>(`/trips?date=${date}`), meta: { follows: TRIP_TOPICS } });
