import { Newspaper } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { briefQuery } from './queries';

export const brief: Feature = {
  path: '/brief/:date',
  screen: lazy(() => import('./Brief')),
  place: { name: 'Brief', key: 'r', icon: Newspaper, to: ({ tomorrow }) => `/brief/${tomorrow}` },
  takeAlong: (queries, { tomorrow }) => [() => queries.prefetchQuery(briefQuery(tomorrow))],
};
