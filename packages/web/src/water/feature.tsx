import { Waves } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const water: Feature = {
  path: '/water',
  screen: lazy(() => import('./Water')),
  place: { name: 'Water', key: 'w', icon: Waves, to: () => '/water', bar: { name: 'Water', position: 2 } },
  keys: [['n i', 'on Water: add a reading, import readings']],
};
