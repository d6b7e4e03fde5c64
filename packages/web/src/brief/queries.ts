import type { BriefView } from '@bluffwind/contract/brief';
import { TOPIC_NAMES } from '@bluffwind/contract/topics';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

/** @param as - How things stand now, or the brief as it went out. */
export const briefQuery = (date: string, as: 'now' | 'published' = 'now') =>
  queryOptions({
    queryKey: as === 'now' ? ['brief', date] : ['brief', date, as],
    queryFn: () => get<BriefView>(`/brief/${date}${as === 'now' ? '' : '?as=published'}`),
    meta: { kept: true, follows: TOPIC_NAMES },
  });
