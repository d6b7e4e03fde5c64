import { Fish } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { clock, dayName } from '../ui/format';

export const deck: Feature = {
  path: '/deck/:tripId',
  screen: lazy(() => import('./Deck')),
  place: { name: 'Deck', key: 'd', icon: Fish, to: ({ trip }) => (trip ? `/deck/${trip.id}` : null) },
  commands: ({ trips, zone }) =>
    trips.map((t) => ({
      key: `deck ${t.id}`,
      text: `Deck of ${t.boat.name}, ${dayName(t.startsAt, zone)} ${clock(t.startsAt, zone)}`,
      to: `/deck/${t.id}`,
    })),
  keepsOn: true,
};
