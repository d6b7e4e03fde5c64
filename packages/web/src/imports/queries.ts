import type { ImportView } from '@bluffwind/contract/imports';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const importsQuery = (waterId: string) =>
  queryOptions({ queryKey: ['imports', waterId], queryFn: () => get<ImportView[]>(`/waters/${waterId}/imports`) });
