import type { BriefView } from '@bluffwind/contract/brief';
import { TOPIC_NAMES } from '@bluffwind/contract/topics';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const briefQuery = (date: string) =>
  queryOptions({ queryKey: ['brief', date], queryFn: () => get<BriefView>(`/brief/${date}`), meta: { kept: true, follows: TOPIC_NAMES } });
