import { lazy } from 'react';
import type { Feature } from '../data/feature';
import { clock } from '../ui/format';

export const backtest: Feature = {
  path: '/trips/:id/foretold',
  screen: lazy(() => import('./Backtest')),
  commands: ({ trips, zone }) =>
    trips.map((t) => ({
      key: `foretold ${t.id}`,
      text: `Past days foretold, ${t.water.name}, for ${t.boat.name} ${clock(t.startsAt, zone)}`,
      to: `/trips/${t.id}/foretold`,
    })),
};
