import { BookOpen } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const log: Feature = {
  path: '/log',
  screen: lazy(() => import('./Log')),
  place: { name: 'Log', key: 'l', icon: BookOpen, to: () => '/log' },
};
