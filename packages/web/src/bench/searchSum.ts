import { searchChance } from '@bluffwind/core/tackle/searchChance';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { field } from './sumParts';

export const search: Sum = {
  key: 'search',
  name: 'Search or sit',
  what: 'Water covered, and the chance to come across a group of fish in it.',
  rules: ['P31', 'W20'],
  fields: [
    field('swathM', 'Width seen or fished', [1, 120, 1, 20], { measure: 'near' }),
    field('speedMps', 'Speed', [0.1, 4, 0.1, 0.5], { measure: 'current' }),
    field('groups', 'Groups of fish in a square km', [0.5, 100, 0.5, 8]),
    field('minutes', 'Time', [5, 300, 5, 60], { of: 'min' }),
  ],
  solve: ({ swathM = 20, speedMps = 0.5, groups = 8, minutes = 60 }) => {
    const out = searchChance(swathM, speedMps, groups, minutes);
    const wait = Math.log(2) / ((groups / 1e6) * swathM * speedMps * 60);
    const times = Array.from({ length: 25 }, (_, i) => (i / 24) * Math.max(60, minutes * 1.5));
    return {
      plot: null,
      curve: {
        xTitle: 'Minutes',
        yTitle: 'Chance to have met one, %',
        said: 'The chance grows with the water covered: at this speed, and twice as fast over half the width.',
        lines: [
          { name: 'so', points: times.map((t) => [t, searchChance(swathM, speedMps, groups, t).chance * 100] as const) },
          {
            name: 'three times as fast',
            points: times.map((t) => [t, searchChance(swathM, Math.min(30, speedMps * 3), groups, t).chance * 100] as const),
          },
        ],
      },
      figures: [
        { label: 'Water searched', text: `${(out.areaM2 / 10_000).toFixed(1)} ha` },
        { label: 'Chance to meet one', text: amount(out.chance, 'share', 0) },
        { label: 'Even chance after', text: `${wait.toFixed(0)} min` },
      ],
      says: `${wait > minutes ? 'Look before you cast: with the sounder you cover more water than with a lure.' : 'Enough water passes to find them by fishing.'} Search fast, then slow down: a lure that covers water finds them, a fine one finishes.`,
    };
  },
};
