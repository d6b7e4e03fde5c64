import type { DemoAccess } from '@bluffwind/contract/auth';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const demoQuery = queryOptions({ queryKey: ['demo'], queryFn: () => get<DemoAccess>('/demo').catch(() => null), retry: false });
