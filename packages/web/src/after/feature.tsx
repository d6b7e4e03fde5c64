import { NotebookPen } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { clock, dayName } from '../ui/format';

export const after: Feature = {
  path: '/trips/:id/after',
  screen: lazy(() => import('./After')),
  place: {
    name: 'Debrief',
    key: 'e',
    icon: NotebookPen,
    to: ({ trips }) => {
      const over = trips.filter((t) => t.status === 'done' || t.status === 'under way').at(-1);
      return over ? `/trips/${over.id}/after` : null;
    },
  },
  commands: ({ trips, zone }) =>
    trips
      .filter((t) => t.status === 'done' || t.status === 'under way')
      .map((t) => ({
        key: `after ${t.id}`,
        text: `Debrief of ${t.boat.name}, ${dayName(t.startsAt, zone)} ${clock(t.startsAt, zone)}`,
        to: `/trips/${t.id}/after`,
      })),
};
