import { Users } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const crew: Feature = {
  path: '/crew',
  screen: lazy(() => import('./Crew')),
  place: { name: 'Crew', key: 'c', icon: Users, to: () => '/crew' },
};
