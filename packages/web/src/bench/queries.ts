import type { LeaderCounts } from '@bluffwind/contract/rigs';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const leadersQuery = queryOptions({ queryKey: ['leaders'], queryFn: () => get<LeaderCounts[]>('/leaders'), staleTime: 300_000 });
