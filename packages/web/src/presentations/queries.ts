import type { PresentationsView } from '@bluffwind/contract/presentations';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const presentationsQuery = queryOptions({
  queryKey: ['presentations'],
  queryFn: () => get<PresentationsView>('/presentations'),
  meta: { kept: true },
});
