import { ClipboardList } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const board: Feature = {
  path: '/',
  screen: lazy(() => import('./Board')),
  place: { name: 'Board', key: 'b', icon: ClipboardList, to: () => '/', bar: { name: 'Board', position: 1 } },
};
