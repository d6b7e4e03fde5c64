import { diverDepth, diverFor } from '@bluffwind/core/tackle/diverDepth';
import { said, saidBare } from '@bluffwind/core/units/measure';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { field, depth } from './sumParts';

export const dive: Sum = {
  key: 'dive',
  name: 'Diver for a depth',
  what: 'How deep a lipped lure runs on your line and cast, and which one to take.',
  rules: ['P1', 'P2'],
  fields: [
    field('ratedM', 'Rated for', [0.3, 12, 0.1, 3], { measure: 'depth' }),
    field('ratedLineMm', 'Rated on line of', [0.1, 0.6, 0.01, 0.28], { of: 'mm' }),
    field('ratedCastM', 'Rated on a cast of', [10, 60, 1, 30], { measure: 'near' }),
    field('lineMm', 'Your line', [0.1, 0.6, 0.01, 0.33], { of: 'mm' }),
    field('castM', 'Your cast', [5, 60, 1, 25], { measure: 'near' }),
    depth(2.4, 12),
  ],
  solve: ({ ratedM = 3, ratedLineMm = 0.28, ratedCastM = 30, lineMm = 0.33, castM = 25, depthM = 2.4 }) => {
    const runs = diverDepth({ ratedM, ratedLineMm, ratedCastM }, lineMm, castM);
    const [least, most] = diverFor(depthM, { ratedLineMm, ratedCastM }, lineMm, castM);
    const deep = Math.max(depthM, runs) * 1.25;
    const top = deep * 0.15;
    const path = Array.from({ length: 31 }, (_, i) => {
      const out = (castM * i) / 30;
      return [castM * 1.05 - out, top + diverDepth({ ratedM, ratedLineMm, ratedCastM }, lineMm, Math.max(0.01, out))] as const;
    });
    const touches = runs >= depthM;
    return {
      plot: {
        kind: 'side',
        widthM: castM * 1.15,
        heightM: top + deep,
        surfaceM: top,
        bottomM: top + depthM,
        paths: [{ points: path, look: touches ? 'choice' : 'line' }],
        marks: [{ x: castM * 0.05, y: top + runs, text: `runs ${amount(runs, 'depth', 1)}`, look: 'lure', side: 'right' }],
        handles: [],
      },
      figures: [
        { label: 'Runs at', text: amount(runs, 'depth', 1) },
        {
          label: 'For this bottom take',
          text: `${said(least, 'depth', 1).replace(/^\{depth (.*)\}$/, '$1')} to ${amount(most, 'depth', 1)} on the box`,
        },
      ],
      says: `${touches ? `It touches at ${said(depthM, 'depth', 1)}` : `It stays ${said(depthM - runs, 'depth', 1)} off the bottom`}. One that runs 0.3 to 0.6 m past the bottom touches and can be reeled slowly: rated ${saidBare(least, 'depth', 1)} to ${said(most, 'depth', 1)}. Thinner line dives deeper.`,
    };
  },
};
