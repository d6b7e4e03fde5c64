import { sinkSpeed } from '@bluffwind/core/tackle/sinkSpeed';
import { said } from '@bluffwind/core/units/measure';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { field, depth } from './sumParts';

export const sink: Sum = {
  key: 'sink',
  name: 'Sinking and count-down',
  what: 'How fast a head or lure goes down, and how long to count.',
  rules: ['P7', 'P8'],
  fields: [
    field('massG', 'Weight', [0.5, 200, 0.5, 7], { measure: 'lead' }),
    depth(3),
    field('extraDragCm2', 'Drag of tail and bait', [0, 60, 0.5, 2.5], { of: 'cm²' }),
  ],
  solve: ({ massG = 7, depthM = 3, extraDragCm2 = 0 }) => {
    const mps = sinkSpeed({ massG, extraDragCm2 });
    const bare = sinkSpeed({ massG });
    const seconds = depthM / mps;
    const width = Math.max(2, depthM * 1.6);
    const at = width * 0.4;
    return {
      plot: {
        kind: 'side',
        widthM: width,
        heightM: depthM * 1.35,
        surfaceM: depthM * 0.15,
        bottomM: depthM * 1.15,
        paths: [
          {
            points: [
              [at, depthM * 0.15],
              [at, depthM * 1.15],
            ],
            look: 'dashed',
          },
        ],
        marks: [
          ...Array.from({ length: Math.min(12, Math.floor(seconds)) }, (_, i) => ({
            x: at,
            y: depthM * 0.15 + mps * (i + 1),
            text: seconds <= 9 || (i + 1) % 2 === 0 ? `${i + 1} s` : '',
            look: 'feed' as const,
            side: 'left' as const,
          })),
          { x: at, y: depthM * 1.15, text: `down after ${seconds.toFixed(1)} s`, look: 'lure' as const, side: 'right' as const },
        ],
        handles: [{ x: at, y: depthM * 1.15, field: 'depthM', along: 'y', value: (m) => m - depthM * 0.15 }],
      },
      figures: [
        { label: 'Sinks at', text: amount(mps, 'current', 2) },
        { label: 'Time to the bottom', text: `${seconds.toFixed(1)} s` },
        { label: 'A bare lead of this weight', text: amount(bare, 'current', 2) },
      ],
      says: `Count ${Math.round(seconds)} to be at ${said(depthM, 'depth', 1)}. Time your own lure once over a known depth: on its rig card your stopwatch overrules this.`,
    };
  },
};
