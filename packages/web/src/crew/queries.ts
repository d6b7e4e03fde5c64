import type { InstrumentGiven, StationGiven } from '@bluffwind/contract/stations';
import type { SessionView } from '@bluffwind/contract/auth';
import type { LaidAside, OutfitSettings } from '@bluffwind/contract/crew';
import type { LookView } from '@bluffwind/contract/report';
import type { ClientView } from '@bluffwind/contract/outfit';
import type { InvitationRow, PersonView } from '@bluffwind/contract/people';
import type { KeyRow } from '@bluffwind/contract/keys';
import type { RuleRow } from '@bluffwind/contract/rule';
import { queryOptions } from '@tanstack/react-query';
import { get } from '../data/api';

export const sessionsQuery = queryOptions({ queryKey: ['sessions'], queryFn: () => get<SessionView[]>('/sessions') });
export const settingsQuery = queryOptions({ queryKey: ['settings'], queryFn: () => get<OutfitSettings>('/outfit/settings') });
export const lookQuery = queryOptions({ queryKey: ['look'], queryFn: () => get<LookView>('/outfit/look') });
export const laidAsideQuery = queryOptions({ queryKey: ['laid-aside'], queryFn: () => get<LaidAside[]>('/laid-aside') });
export const peopleQuery = queryOptions({ queryKey: ['people'], queryFn: () => get<PersonView[]>('/people') });
export const invitationsQuery = queryOptions({ queryKey: ['invitations'], queryFn: () => get<InvitationRow[]>('/invitations') });
export const clientsQuery = queryOptions({ queryKey: ['clients'], queryFn: () => get<ClientView[]>('/clients') });
export const rulesQuery = queryOptions({ queryKey: ['rules'], queryFn: () => get<RuleRow[]>('/rules') });

export const stationsQuery = queryOptions({ queryKey: ['stations'], queryFn: () => get<StationGiven[]>('/stations'), staleTime: 30_000 });

export const instrumentsQuery = queryOptions({
  queryKey: ['instruments'],
  queryFn: () => get<InstrumentGiven[]>('/instruments'),
  staleTime: 30_000,
});

export const keysQuery = queryOptions({ queryKey: ['keys'], queryFn: () => get<KeyRow[]>('/keys'), staleTime: 30_000 });
