import type { LogRates, LogRow, LogView } from '@bluffwind/contract/log';
import type { LogEntry } from '@bluffwind/contract/logEntry';
import type { Topic } from '@bluffwind/contract/topics';
import type { Comparisons } from '@bluffwind/contract/trials';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

/** What the log's answers are made from. */
const LOG_TOPICS: readonly Topic[] = ['crew', 'log', 'spots', 'trips'];

/** What is read again when the log is put right. */
export const LOG_TOUCHES = [['log'], ['board'], ['presentations'], ['desk']] as const;

export const logQuery = (filter: string) =>
  queryOptions({
    queryKey: ['log', filter],
    queryFn: () => get<LogView>(`/log?${filter}`),
    placeholderData: keepPreviousData,
    meta: { follows: LOG_TOPICS },
  });

/** Entries that are fetched at once. */
export const PART = 200;

/** A further part of the list, from its entry `PART * n` on. */
export const rowsQuery = (asked: string, n: number) =>
  queryOptions({
    queryKey: ['log', 'rows', asked, n],
    queryFn: () =>
      get<{ rows: LogRow[] }>(`/log/rows?${new URLSearchParams([...new URLSearchParams(asked), ['offset', String(n * PART)]])}`),
    staleTime: 60_000,
    meta: { follows: LOG_TOPICS },
  });

export const ratesQuery = (filter: string, by: string) =>
  queryOptions({
    queryKey: ['log', 'rates', filter, by],
    queryFn: () => get<LogRates>(`/log/rates?${new URLSearchParams([...new URLSearchParams(filter), ['by', by]])}`),
    placeholderData: keepPreviousData,
    meta: { follows: LOG_TOPICS },
  });

/** One entry with its fish. */
export const entryQuery = (setId: string) =>
  queryOptions({
    queryKey: ['log', 'entry', setId],
    queryFn: () => get<LogEntry>(`/log/entries/${setId}`),
    meta: { follows: LOG_TOPICS },
  });

/** What was compared on deck, and what big lures drew. */
export const comparisonsQuery = queryOptions({
  queryKey: ['log', 'comparisons'],
  queryFn: () => get<Comparisons>('/log/comparisons'),
  meta: { follows: LOG_TOPICS },
});
