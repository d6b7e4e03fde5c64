import { Anchor } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { presentationsQuery } from './queries';

export const presentations: Feature = {
  path: '/baits',
  screen: lazy(() => import('./Presentations')),
  place: { name: 'Baits', key: 't', icon: Anchor, to: () => '/baits' },
  takeAlong: (queries) => [() => queries.prefetchQuery(presentationsQuery)],
  finds: async (_, { outfit }) =>
    (outfit?.presentations ?? []).map((p) => ({
      key: `bait ${p.id}`,
      text: `${p.name}, bait`,
      to: `/baits?find=${encodeURIComponent(p.name)}`,
    })),
};
