import type { BeginView } from '@bluffwind/contract/begin';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

/** Whether an outfit can be made here; asked by who is not signed in. */
export const beginQuery = queryOptions({ queryKey: ['begin'], queryFn: () => get<BeginView>('/begin'), retry: false });
