import { Ship } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const fleet: Feature = {
  path: '/fleet/:date',
  screen: lazy(() => import('./Fleet')),
  place: { name: 'Fleet', key: 'f', icon: Ship, to: ({ tomorrow }) => `/fleet/${tomorrow}` },
};
