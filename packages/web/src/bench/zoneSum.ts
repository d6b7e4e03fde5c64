import { zoneShare } from '@bluffwind/core/tackle/zoneShare';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { field } from './sumParts';

export const zone: Sum = {
  key: 'zone',
  name: 'Cast along the edge',
  what: 'How much of a cast is in the water that holds the fish.',
  rules: ['W1', 'P22'],
  fields: [
    field('castM', 'Cast', [5, 80, 1, 30], { measure: 'near' }),
    field('bandM', 'Band along the bank', [0.5, 10, 0.1, 1.5], { measure: 'height' }),
    field('angleDeg', 'Angle to the bank', [0, 90, 1, 10], { of: '°' }),
  ],
  solve: ({ castM = 30, bandM = 1.5, angleDeg = 10 }) => {
    const z = zoneShare(castM, bandM, angleDeg);
    const a = (angleDeg * Math.PI) / 180;
    const height = Math.max(bandM * 2.5, castM * Math.sin(a) + bandM);
    const from = [castM * 0.08 + castM * Math.cos(a), castM * Math.sin(a)] as const;
    const bank = height;
    const y = (m: number) => bank - m;
    return {
      plot: {
        kind: 'top',
        widthM: castM * 1.2,
        heightM: height + bandM,
        paths: [
          {
            points: [
              [0, y(0)],
              [castM * 1.2, y(0)],
              [castM * 1.2, y(bandM)],
              [0, y(bandM)],
            ],
            look: 'area',
          },
          {
            points: [
              [castM * 0.08, y(0)],
              [from[0], y(from[1])],
            ],
            look: 'line',
          },
          {
            points: [
              [castM * 0.08, y(0)],
              [castM * 0.08 + z.inZoneM * Math.cos(a), y(z.inZoneM * Math.sin(a))],
            ],
            look: 'choice',
          },
        ],
        marks: [
          { x: castM * 0.08, y: y(0), text: 'lands here', look: 'lure', side: 'below' },
          { x: from[0], y: y(from[1]), text: 'boat', look: 'boat', side: 'right' },
        ],
        handles: [],
      },
      figures: [
        { label: 'In the band', text: amount(z.inZoneM, 'near', 1) },
        { label: 'Of the cast', text: amount(z.share, 'share', 0) },
        { label: 'Square to the bank', text: amount(zoneShare(castM, bandM, 90).share, 'share', 0) },
      ],
      says: 'Along the bank the lure works the whole cast; square to it only its width.',
    };
  },
};
