import type { SessionView } from '@bluffwind/contract/auth';
import type { LaidAside, OutfitSettings } from '@bluffwind/contract/crew';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const sessionsQuery = queryOptions({ queryKey: ['sessions'], queryFn: () => get<SessionView[]>('/sessions') });
export const settingsQuery = queryOptions({ queryKey: ['settings'], queryFn: () => get<OutfitSettings>('/outfit/settings') });
export const laidAsideQuery = queryOptions({ queryKey: ['laid-aside'], queryFn: () => get<LaidAside[]>('/laid-aside') });
