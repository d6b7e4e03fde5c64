import { anchorSize } from '@bluffwind/core/tackle/anchorSize';
import { driftSpeed } from '@bluffwind/core/tackle/driftSpeed';
import { USUAL_BOX } from '@bluffwind/core/tackle/rigQuestion';
import { said } from '@bluffwind/core/units/measure';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { field, current } from './sumParts';

export const drift: Sum = {
  key: 'drift',
  name: 'Drift and sea anchor',
  what: 'How the boat goes in wind and current, and which sea anchor slows her enough.',
  rules: ['P23'],
  fields: [
    field('windMps', 'Wind', [0, 20, 0.5, 8], { measure: 'wind' }),
    field('windFromDeg', 'Wind from', [0, 359, 1, 270], { of: '°' }),
    current(0.3),
    field('currentToDeg', 'Current to', [0, 359, 1, 20], { of: '°' }),
    field('windageM2', 'Boat above the water', [1, 40, 0.1, 6], { of: 'm²' }),
    field('hullM2', 'Boat below the water', [0.3, 20, 0.1, 2], { of: 'm²' }),
    field('anchorDiameterM', 'Sea anchor across', [0, 4, 0.1, 0], { measure: 'height' }),
    field('wanted', 'Wanted through the water', [0.05, 1.5, 0.05, 0.25], { measure: 'current' }),
  ],
  solve: ({ wanted = 0.25, ...v }) => {
    const boat = {
      windMps: v.windMps ?? 0,
      windFromDeg: v.windFromDeg ?? 0,
      currentMps: v.currentMps ?? 0,
      currentToDeg: v.currentToDeg ?? 0,
      windageM2: v.windageM2 ?? 6,
      hullM2: v.hullM2 ?? 2,
    };
    const out = driftSpeed({ ...boat, anchorDiameterM: v.anchorDiameterM ?? 0 });
    const { diameterM } = anchorSize(boat, wanted, [...USUAL_BOX.anchorsM]);
    const minute = 60;
    const far = Math.max(20, out.speedMps * minute * 1.4, boat.currentMps * minute * 1.4);
    const to = (deg: number, m: number): readonly [number, number] => [
      far + m * Math.sin((deg * Math.PI) / 180),
      far - m * Math.cos((deg * Math.PI) / 180),
    ];
    const went = to(out.toDeg, out.speedMps * minute);
    const water = to(boat.currentToDeg, boat.currentMps * minute);
    const wind = to(boat.windFromDeg, far * 0.8);
    return {
      plot: {
        kind: 'top',
        widthM: far * 2,
        heightM: far * 2,
        paths: [
          { points: [wind, [far, far]], look: 'caution' },
          { points: [[far, far], water], look: 'dashed' },
          { points: [[far, far], went], look: 'choice' },
        ],
        marks: [
          { x: far, y: far, text: 'now', look: 'boat', side: 'left' },
          { x: went[0], y: went[1], text: 'in a minute', look: 'boat', side: 'right' },
          { x: wind[0], y: wind[1], text: 'wind', look: 'none', side: 'above' },
          ...(boat.currentMps > 0
            ? [{ x: water[0], y: water[1], text: 'current alone', look: 'none' as const, side: 'below' as const }]
            : []),
        ],
        handles: [],
      },
      figures: [
        { label: 'Over the ground', text: `${amount(out.speedMps, 'current', 2)} to ${Math.round(out.toDeg)}°` },
        { label: 'Through the water', text: amount(out.throughWaterMps, 'current', 2) },
        { label: 'Across 100 m', text: out.speedMps > 0.01 ? `${(100 / out.speedMps / 60).toFixed(0)} min` : 'does not move' },
        {
          label: 'Smallest sea anchor for it',
          text: diameterM === null ? 'none of the usual' : `${amount(diameterM, 'height', 1)} across`,
        },
      ],
      says:
        diameterM === null
          ? `Even the largest of the usual sea anchors lets her go faster than ${said(wanted, 'current', 2)} through the water: fish it when it slackens, or anchor.`
          : `A sea anchor ${said(diameterM, 'height', 1)} across keeps her under ${said(wanted, 'current', 2)} through the water, so that a line stays plumb.`,
    };
  },
};
