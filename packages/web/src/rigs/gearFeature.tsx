import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const gear: Feature = {
  path: '/gear',
  screen: lazy(() => import('./Gear')),
  commands: () => [{ key: 'gear', text: 'Gear: weights, heads, lines, sea anchors, stock and cost', to: '/gear' }],
};
