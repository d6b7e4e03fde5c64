import { SlidersHorizontal } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const settings: Feature = {
  path: '/settings',
  screen: lazy(() => import('./Settings')),
  place: { name: 'Settings', key: 's', icon: SlidersHorizontal, to: () => '/settings' },
};
