import { feederFall } from '@bluffwind/core/tackle/feederFall';
import { said } from '@bluffwind/core/units/measure';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { field, depth } from './sumParts';

export const feeder: Sum = {
  key: 'feeder',
  name: 'Feeder at range',
  what: 'Where a clipped feeder and its feed come to rest.',
  rules: ['P13', 'P14', 'P15', 'P16'],
  fields: [
    field('clipM', 'Clip', [5, 100, 0.5, 40], { measure: 'near' }),
    depth(9, 30),
    field('fallMps', 'Falls', [0.2, 2, 0.05, 0.6], { measure: 'current' }),
    field('keepS', 'Holds feed', [2, 120, 1, 20], { of: 's' }),
  ],
  solve: ({ clipM = 40, depthM = 9, fallMps = 0.6, keepS = 20 }) => {
    const f = feederFall({ clipM, depthM, fallMps, keepS });
    const top = Math.max(depthM * 0.35, clipM * 0.1);
    const left = clipM * 0.06;
    const fall = Array.from({ length: 25 }, (_, i) => {
      const z = (depthM * i) / 24;
      return [left + Math.sqrt(clipM * clipM - z * z), top + z] as const;
    });
    return {
      plot: {
        kind: 'side',
        widthM: clipM * 1.2,
        heightM: top + depthM + clipM * 0.08,
        surfaceM: top,
        bottomM: top + depthM,
        paths: [
          { points: fall, look: 'dashed' },
          { points: [[left, top - clipM * 0.06], fall.at(-1) ?? [0, 0]], look: 'line' },
        ],
        marks: [
          { x: left, y: top - clipM * 0.06, text: 'rod', look: 'none', side: 'right' },
          { x: left + clipM, y: top, text: `clip, ${amount(clipM, 'near', 0)}`, look: 'none', side: 'above' },
          { x: left + f.restM, y: top + depthM, text: `feeder rests at ${amount(f.restM, 'near', 2)}`, look: 'weight', side: 'left' },
          { x: left + f.spiltMeanM, y: top + depthM, text: `spilt feed, ${amount(f.spiltMeanM, 'near', 2)}`, look: 'feed', side: 'below' },
        ],
        handles: [
          { x: left + clipM, y: top, field: 'clipM', along: 'x', value: (m) => m - left },
          { x: left + f.restM, y: top + depthM, field: 'depthM', along: 'y', value: (m) => m - top },
        ],
      },
      figures: [
        { label: 'Comes to rest at', text: amount(f.restM, 'near', 2) },
        { label: 'Comes back', text: amount(f.backM, 'height', 2) },
        { label: 'Time to the bottom', text: `${f.fallS.toFixed(0)} s` },
        { label: 'Feed left in it', text: amount(f.leftShare, 'share', 0) },
        { label: 'To fish over the spilt feed', text: `+${amount(f.pastClipM, 'height', 2)}` },
      ],
      says: `${f.leftShare < 0.5 ? 'More than half' : f.leftShare < 0.8 ? 'A good part' : 'Little'} of the feed is lost on the way; it falls straight down and lies farther out. Rod forward and it falls on its own feed; let it swing and unclip ${said(f.pastClipM, 'height', 1)} to fish the spilt one.`,
    };
  },
};
