import { girthWeightG } from '@bluffwind/core/fish/girthWeight';
import { standardWeightG, STANDARD_WEIGHTS } from '@bluffwind/core/fish/standardWeight';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { field } from './sumParts';

export const fish: Sum = {
  key: 'fish',
  name: 'Length and weight of a fish',
  what: 'Weight from length and girth, and against the standard of its kind.',
  rules: [],
  fields: [
    field('lengthMm', 'Length', [100, 1600, 5, 600], { measure: 'fish' }),
    field('girthMm', 'Girth', [50, 1000, 5, 260], { measure: 'fish' }),
  ],
  solve: ({ lengthMm = 600, girthMm = 260 }) => {
    const g = girthWeightG(lengthMm, girthMm);
    return {
      plot: null,
      figures: [
        { label: 'By length and girth', text: amount(g / 1000, 'weight', 2) },
        ...Object.entries(STANDARD_WEIGHTS).map(([name, line]) => ({
          label: `Standard ${name.toLowerCase()}`,
          text: `${amount(standardWeightG(lengthMm, line) / 1000, 'weight', 2)}, this one ${((100 * g) / standardWeightG(lengthMm, line)).toFixed(0)} %`,
        })),
      ],
      says: 'Length times girth twice over, by the rule of thumb; good to a tenth. A hundred in the hundred of the standard is a fish in good condition.',
    };
  },
};
