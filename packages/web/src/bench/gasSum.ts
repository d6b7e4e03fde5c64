import { BAROTRAUMA_FROM_M, gasVolume } from '@bluffwind/core/fish/gasVolume';
import { said } from '@bluffwind/core/units/measure';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { depth } from './sumParts';

export const boyle: Sum = {
  key: 'gas',
  name: 'Fish from deep water',
  what: 'How much the swim bladder swells on the way up.',
  rules: ['W17'],
  fields: [depth(13.7, 80)],
  solve: ({ depthM = 13.7 }) => {
    const times = gasVolume(depthM);
    return {
      plot: null,
      curve: {
        xTitle: `Depth, ${amount(1, 'depth', 0).replace(/^\S+ /, '')}`,
        yTitle: 'Times as large at the surface',
        said: 'Gas that is not let out swells as the pressure goes.',
        lines: [{ name: 'gas', points: Array.from({ length: 21 }, (_, i) => [i * 4, gasVolume(i * 4)] as const) }],
      },
      figures: [{ label: 'At the surface', text: `${times.toFixed(2)} times as large` }],
      says:
        depthM >= BAROTRAUMA_FROM_M
          ? `From ${said(depthM, 'depth', 0)} fish suffer: bring them up slowly, have the descending device ready, and stop when fish are to be released. From about 10 m on, and likely beyond 15 to 20.`
          : 'Shallow enough for most fish; watch them all the same.',
    };
  },
};
