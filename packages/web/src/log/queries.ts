import type { LogView } from '@bluffwind/contract/log';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const logQuery = (filter: string) =>
  queryOptions({
    queryKey: ['log', filter],
    queryFn: () => get<LogView>(`/log?${filter}`),
    placeholderData: keepPreviousData,
    meta: { follows: true },
  });
