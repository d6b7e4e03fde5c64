import type { DemoAccess, Me } from '@bluffwind/contract/auth';
import type { BriefView } from '@bluffwind/contract/brief';
import type { Chart, SoundingsView, SpotHistory, SpotView } from '@bluffwind/contract/grounds';
import type { LogView } from '@bluffwind/contract/log';
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { PlanDesk, SavedPlan, StopDetail } from '@bluffwind/contract/plan';
import type { PresentationsView } from '@bluffwind/contract/presentations';
import type { TripRisk } from '@bluffwind/contract/risk';
import type { Board, TripView } from '@bluffwind/contract/trips';
import type { WaterStateView } from '@bluffwind/contract/water';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { get, post } from './api';
import { learnClock } from './clock';

async function readMe(): Promise<Me> {
  const me = await get<Me>('/me');
  // Before any screen is drawn: the cursor starts at the server's time.
  learnClock(me);
  return me;
}

export const meQuery = queryOptions({ queryKey: ['me'], queryFn: readMe, retry: false, staleTime: 60_000 });
export const demoQuery = queryOptions({ queryKey: ['demo'], queryFn: () => get<DemoAccess>('/demo').catch(() => null), retry: false });
export const outfitQuery = queryOptions({ queryKey: ['outfit'], queryFn: () => get<OutfitView>('/outfit'), staleTime: 300_000 });
export const boardQuery = queryOptions({ queryKey: ['board'], queryFn: () => get<Board>('/board') });
/** What speaks against the trips of a day; apart from the Board, which does not wait for it. */
export const risksQuery = (date: string) =>
  queryOptions({ queryKey: ['risks', date], queryFn: () => get<TripRisk[]>(`/risks?date=${date}`), staleTime: 60_000 });
export const tripQuery = (id: string) => queryOptions({ queryKey: ['trip', id], queryFn: () => get<TripView>(`/trips/${id}`) });
export const deskQuery = (tripId: string) =>
  queryOptions({ queryKey: ['desk', tripId], queryFn: () => get<PlanDesk>(`/trips/${tripId}/desk`), staleTime: Number.POSITIVE_INFINITY });
export const keptPlanQuery = (tripId: string, version: number) =>
  queryOptions({
    queryKey: ['kept', tripId, version],
    queryFn: () => get<SavedPlan>(`/trips/${tripId}/plans/${version}`),
    staleTime: Number.POSITIVE_INFINITY,
  });
export const fleetTripsQuery = (date: string) =>
  queryOptions({ queryKey: ['fleet', date], queryFn: () => get<TripView[]>(`/trips?date=${date}`) });
export const presentationsQuery = queryOptions({ queryKey: ['presentations'], queryFn: () => get<PresentationsView>('/presentations') });
export const chartQuery = (waterId: string) =>
  queryOptions({
    queryKey: ['chart', waterId],
    queryFn: () => get<Chart>(`/waters/${waterId}/chart`),
    staleTime: Number.POSITIVE_INFINITY,
  });
export const soundingsQuery = (waterId: string) =>
  queryOptions({
    queryKey: ['soundings', waterId],
    queryFn: () => get<SoundingsView>(`/waters/${waterId}/soundings`),
    staleTime: Number.POSITIVE_INFINITY,
  });
export const historyQuery = (spotId: string) =>
  queryOptions({ queryKey: ['history', spotId], queryFn: () => get<SpotHistory>(`/spots/${spotId}/history`), staleTime: 60_000 });
export const spotsQuery = (waterId: string) =>
  queryOptions({ queryKey: ['spots', waterId], queryFn: () => get<SpotView[]>(`/waters/${waterId}/spots`) });
export const stateQuery = (waterId: string, from: number, to: number) =>
  queryOptions({
    queryKey: ['state', waterId, from, to],
    queryFn: () =>
      get<WaterStateView>(
        `/waters/${waterId}/state?${new URLSearchParams({ from: new Date(from).toISOString(), to: new Date(to).toISOString() })}`,
      ),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
export const briefQuery = (date: string) => queryOptions({ queryKey: ['brief', date], queryFn: () => get<BriefView>(`/brief/${date}`) });
export const logQuery = (filter: string) =>
  queryOptions({ queryKey: ['log', filter], queryFn: () => get<LogView>(`/log?${filter}`), placeholderData: keepPreviousData });
export const stopsQuery = (ids: readonly string[]) =>
  queryOptions({
    queryKey: ['stops', ids],
    queryFn: () => post<StopDetail[]>('/stops/find', { ids }),
    enabled: ids.length > 0,
    staleTime: 300_000,
  });
