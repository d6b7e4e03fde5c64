import { Ruler } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { SUM_NAMES } from './sumNames';

export const bench: Feature = {
  path: '/bench',
  screen: lazy(() => import('./Bench')),
  place: { name: 'Bench', key: 'n', icon: Ruler, to: () => '/bench' },
  commands: () => SUM_NAMES.map(([key, name]) => ({ key: `bench ${key}`, text: `Bench: ${name}`, to: `/bench?sum=${key}` })),
};
