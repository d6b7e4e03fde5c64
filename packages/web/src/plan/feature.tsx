import { Route } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { clock, dayName } from '../ui/format';

export const plan: Feature = {
  path: '/trips/:id',
  screen: lazy(() => import('./Plan')),
  place: {
    name: 'Plan',
    key: 'p',
    icon: Route,
    to: ({ trips }) => {
      const open = trips.find((t) => t.status !== 'done');
      return open ? `/trips/${open.id}` : null;
    },
    // A trip is planned before, fished during.
    bar: {
      name: 'Trip',
      position: 4,
      to: ({ trip }) => (trip ? (trip.status === 'under way' ? `/deck/${trip.id}` : `/trips/${trip.id}`) : null),
    },
  },
  commands: ({ trips, zone }) =>
    trips.flatMap((t) => {
      const when = `${dayName(t.startsAt, zone)} ${clock(t.startsAt, zone)}`;
      return [
        { key: `plan ${t.id}`, text: `Plan ${t.boat.name}, ${when}`, to: `/trips/${t.id}` },
        ...t.guests.map((g) => ({
          key: `guest ${t.id} ${g.id}`,
          text: `${g.name}, ${t.boat.name} ${when}`,
          to: `/trips/${t.id}?tab=party`,
        })),
      ];
    }),
  keys: [
    ['p x', 'pin, ban the call or stop in hand'],
    ['s', 'lay the day'],
    ['z Z', 'undo, redo a step of the plan'],
    ['c', 'compare two plans'],
    ['← →', 'move the stop in hand, with Shift past its neighbour'],
  ],
};
