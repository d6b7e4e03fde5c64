import { ListChecks } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { clock, dayName } from '../ui/format';
import { rigsQuery } from './queries';

export const rigs: Feature = {
  path: '/trips/:id/rigs',
  screen: lazy(() => import('./Rigs')),
  place: {
    name: 'Rigs',
    key: 'k',
    icon: ListChecks,
    to: ({ trips }) => {
      const open = trips.find((t) => t.status !== 'done');
      return open ? `/trips/${open.id}/rigs` : null;
    },
  },
  commands: ({ trips, zone }) =>
    trips.map((t) => ({
      key: `rigs ${t.id}`,
      text: `Rigs and load of ${t.boat.name}, ${dayName(t.startsAt, zone)} ${clock(t.startsAt, zone)}`,
      to: `/trips/${t.id}/rigs`,
    })),
  takeAlong: (queries, { trips }) =>
    trips.filter((t) => t.status !== 'done' && t.status !== 'cancelled').map((t) => () => queries.prefetchQuery(rigsQuery(t.id))),
};
