import { CalendarRange } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const calendar: Feature = {
  path: '/calendar',
  screen: lazy(() => import('./Calendar')),
  place: { name: 'Calendar', key: 'a', icon: CalendarRange, to: () => '/calendar' },
  commands: () => [{ key: 'new trip', text: 'A new trip', to: '/calendar?new=yes' }],
  keys: [['n', 'a new trip']],
};
