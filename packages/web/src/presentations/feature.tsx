import { Anchor } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const presentations: Feature = {
  path: '/baits',
  screen: lazy(() => import('./Presentations')),
  place: { name: 'Baits', key: 't', icon: Anchor, to: () => '/baits' },
};
