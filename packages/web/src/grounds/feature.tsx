import { Map as MapIcon } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';

export const grounds: Feature = {
  path: '/grounds',
  screen: lazy(() => import('./Grounds')),
  place: { name: 'Grounds', key: 'g', icon: MapIcon, to: () => '/grounds', bar: { name: 'Chart', position: 3 } },
  commands: ({ outfit }) =>
    (outfit?.waters ?? []).map((w) => ({ key: `grounds ${w.id}`, text: `Chart of ${w.name}`, to: `/grounds?water=${w.id}` })),
  keys: [['n e', 'on Grounds: set a spot, edit the one in hand']],
};
