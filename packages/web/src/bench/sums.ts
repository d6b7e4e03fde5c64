// The sums that need nothing but figures. Each gives its picture, its figures and a sentence.
import { BAROTRAUMA_FROM_M, gasVolume } from '@bluffwind/core/fish/gasVolume';
import { girthWeightG } from '@bluffwind/core/fish/girthWeight';
import { standardWeightG, STANDARD_WEIGHTS } from '@bluffwind/core/fish/standardWeight';
import { anchorSize } from '@bluffwind/core/tackle/anchorSize';
import { diverDepth, diverFor } from '@bluffwind/core/tackle/diverDepth';
import { driftSpeed } from '@bluffwind/core/tackle/driftSpeed';
import { feederFall } from '@bluffwind/core/tackle/feederFall';
import { lineShape, plumbLine } from '@bluffwind/core/tackle/plumbLine';
import { USUAL_BOX } from '@bluffwind/core/tackle/rigQuestion';
import { searchChance } from '@bluffwind/core/tackle/searchChance';
import { sinkSpeed } from '@bluffwind/core/tackle/sinkSpeed';
import { hangsOrNot, weightToHold } from '@bluffwind/core/tackle/weightToHold';
import { zoneShare } from '@bluffwind/core/tackle/zoneShare';
import { said, saidBare } from '@bluffwind/core/units/measure';
import { amount } from '../data/units';
import type { Sum, SumField } from './sum';

const field = (
  name: string,
  label: string,
  [least, most, step, usual]: readonly [number, number, number, number],
  more: Partial<SumField> = {},
): SumField => ({ name, label, least, most, step, usual, ...more });
const depth = (usual: number, most = 60) => field('depthM', 'Depth', [0.5, most, 0.1, usual], { measure: 'depth' });
const current = (usual: number) => field('currentMps', 'Current', [0, 2, 0.05, usual], { measure: 'current' });

const sink: Sum = {
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

const plumb: Sum = {
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

const drift: Sum = {
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

const feeder: Sum = {
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

const zone: Sum = {
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

const dive: Sum = {
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

const search: Sum = {
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

const fish: Sum = {
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

const boyle: Sum = {
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

export const SUMS: readonly Sum[] = [sink, plumb, drift, feeder, zone, dive, search, fish, boyle];
