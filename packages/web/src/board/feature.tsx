import { ClipboardList } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { risksQuery } from './queries';

export const board: Feature = {
  path: '/',
  screen: lazy(() => import('./Board')),
  place: { name: 'Board', key: 'b', icon: ClipboardList, to: () => '/', bar: { name: 'Board', position: 1 } },
  takeAlong: (queries, { today, tomorrow }) => [today, tomorrow].map((date) => () => queries.prefetchQuery(risksQuery(date))),
};
