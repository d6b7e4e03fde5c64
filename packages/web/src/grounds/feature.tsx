import { Map as MapIcon } from 'lucide-react';
import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { spotsQuery } from '../data/queries';

export const grounds: Feature = {
  path: '/grounds',
  screen: lazy(() => import('./Grounds')),
  place: { name: 'Grounds', key: 'g', icon: MapIcon, to: () => '/grounds', bar: { name: 'Chart', position: 3 } },
  commands: ({ outfit }) =>
    (outfit?.waters ?? []).map((w) => ({ key: `grounds ${w.id}`, text: `Chart of ${w.name}`, to: `/grounds?water=${w.id}` })),
  finds: async (queries, { outfit }) => {
    const waters = await Promise.all(
      (outfit?.waters ?? []).map(async (w) => ({ w, spots: await queries.ensureQueryData(spotsQuery(w.id)).catch(() => []) })),
    );
    return waters.flatMap(({ w, spots }) =>
      spots.map((s) => ({ key: `spot ${s.id}`, text: `${s.name}, ${w.name}`, to: `/grounds?water=${w.id}&spot=${s.id}` })),
    );
  },
  keys: [['n e', 'on Grounds: set a spot, edit the one in hand']],
};
