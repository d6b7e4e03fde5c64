import { lineShape, plumbLine } from '@bluffwind/core/tackle/plumbLine';
import { USUAL_BOX } from '@bluffwind/core/tackle/rigQuestion';
import { hangsOrNot, weightToHold } from '@bluffwind/core/tackle/weightToHold';
import { said } from '@bluffwind/core/units/measure';
import { amount } from '../data/units';
import type { Sum } from './sum';
import { field, depth, current } from './sumParts';

export const plumb: Sum = {
  key: 'plumb',
  name: 'Line in a current',
  what: 'Where a weight hangs, and which one of the box holds it near enough to plumb.',
  rules: ['P11', 'P23', 'P27'],
  fields: [
    depth(14),
    current(0.4),
    field('lineMm', 'Line', [0.1, 0.8, 0.01, 0.15], { of: 'mm' }),
    field('sinkerG', 'Weight', [5, 500, 5, 60], { measure: 'lead' }),
    field('withinDeg', 'Hold within', [5, 75, 1, 25], { of: '°' }),
  ],
  solve: ({ depthM = 14, currentMps = 0.4, lineMm = 0.15, sinkerG = 60, withinDeg = 25 }) => {
    const line = { depthM, currentMps, lineMm, sinkerG };
    const hangs = plumbLine(line);
    const held = weightToHold({ depthM, currentMps, lineMm }, USUAL_BOX.weightsG, withinDeg);
    const top = depthM * 0.18;
    const width = Math.max(depthM * 1.4, hangs.backM + depthM * 0.8);
    const rod = depthM * 0.35;
    const shape = lineShape(line, 40);
    const speeds = Array.from({ length: 21 }, (_, i) => (i / 20) * Math.max(0.6, currentMps * 1.5));
    return {
      plot: {
        kind: 'side',
        widthM: width,
        heightM: depthM * 1.3,
        surfaceM: top,
        bottomM: top + depthM,
        paths: [
          { points: shape.map((p) => [rod + hangs.backM - p.alongM, top + depthM - p.upM] as const), look: 'line' },
          {
            points: [
              [rod, top],
              [rod, top + depthM],
            ],
            look: 'dashed',
          },
        ],
        marks: [
          { x: rod, y: top, text: 'rod', look: 'boat', side: 'above' },
          { x: rod + hangs.backM, y: top + depthM, text: `${amount(hangs.backM, 'height', 1)} back`, look: 'weight', side: 'right' },
          {
            x: rod + hangs.backM * 0.4,
            y: top + depthM * 0.4,
            text: `${hangs.angleDeg.toFixed(0)}° at the rod`,
            look: 'none',
            side: 'right',
          },
        ],
        handles: [{ x: rod + hangs.backM, y: top + depthM, field: 'depthM', along: 'y', value: (m) => m - top }],
      },
      curve: {
        xTitle: `Current, ${amount(0, 'current', 0).replace(/^\S+ /, '')}`,
        yTitle: 'Angle from plumb, °',
        said: 'How the line leans as the current gets up, for this weight and for one twice as heavy.',
        lines: [1, 2].map((times) => ({
          name: amount(sinkerG * times, 'lead', 0),
          points: speeds.flatMap((s) => {
            const h = hangsOrNot({ ...line, currentMps: s, sinkerG: sinkerG * times });
            return h ? [[s, h.angleDeg] as const] : [];
          }),
        })),
      },
      figures: [
        { label: 'Line out', text: amount(hangs.lineM, 'height', 2) },
        { label: 'Down the current', text: amount(hangs.backM, 'height', 2) },
        { label: 'Angle at the rod', text: `${hangs.angleDeg.toFixed(1)}°` },
        { label: `Lightest within ${withinDeg}°`, text: held ? amount(held.sinkerG, 'lead', 0) : 'none of the usual box' },
      ],
      says: held
        ? `${said(held.sinkerG, 'lead', 0)} holds within ${withinDeg} degrees here.`
        : `No weight in the box holds ${withinDeg} degrees here: ${said(currentMps, 'current', 1)} on ${lineMm.toFixed(2)} mm; use thinner braid, or drift with it.`,
    };
  },
};
