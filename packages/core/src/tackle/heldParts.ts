// Parts of a card for baits that are held in a place: hung, anchored, fed, under a float.
import { liesLow } from '../fish/liesLow';
import { said } from '../units/measure';
import { anchorSize } from './anchorSize';
import { feederFall } from './feederFall';
import type { RigPart, RigQuestion } from './rigQuestion';
import { densityOf } from './rigWeight';
import { part, sized, isCold, tempWords } from './rigParts';

/** A bait for fish that hang in the water: a little above the marks, else near mid-depth (W15), never below them. */
export function hangingBaitPart(q: RigQuestion): RigPart {
  const up = (m: number) => `${said(m, 'height', 1)} up`;
  const most = Math.max(0.1, q.water.depthM - 0.3);
  const marked = q.markedUpM;
  const textbook = Math.min(most, marked === null ? q.water.depthM / 2 : marked + 0.3);
  const why =
    marked === null
      ? 'No fish marked here lately: fish that hang in deep water are near mid-depth, far above a bait on the bottom.'
      : `Fish were marked ${said(marked, 'height', 1)} up: a little above them, never below.`;
  return sized(q, 'hook height', textbook, 'height', up, why, ['P11', 'W15']);
}

/** How high the hook hangs (P11): low for fish that lie on the bottom, at the marks where fish were seen, else a quarter of a metre. */
export function hookHeightPart(q: RigQuestion): RigPart {
  const low = q.species.filter(liesLow);
  const up = (m: number) => `${said(m, 'height', 2)} up`;
  const most = Math.max(0.1, q.water.depthM - 0.3);
  const [textbook, why]: [number, string] =
    low.length > 0 && (low[0] === q.species[0] || q.markedUpM === null)
      ? [0.15, `${low[0]} lie on the bottom: low.`]
      : q.markedUpM !== null
        ? [
            Math.min(most, q.markedUpM),
            `Fish were marked ${said(q.markedUpM, 'height', 1)} up: level with them${low.length > 0 ? `; ${low[0]} want it low` : ''}.`,
          ]
        : [Math.min(most, 0.25), 'No fish marked here lately: a hand and a half off the bottom, then to the height of the first you mark.'];
  return sized(q, 'hook height', textbook, 'height', up, why, ['P11']);
}

export function dropperPart(q: RigQuestion): RigPart {
  return sized(
    q,
    'dropper',
    0.25,
    'height',
    (m) => `live bait ${said(m, 'height', 2)} above the lure`,
    'Which of the two they take flips during the day; both are in the water.',
    ['P12'],
  );
}

/** The sea anchor that keeps a vertical line plumb (P23). */
export function anchorPart(q: RigQuestion): { readonly part: RigPart; readonly anchorM: number } | null {
  const { windMps, windFromDeg, currentMps, currentToDeg } = q.water;
  if (windMps === null || windFromDeg === null) return null;
  const boat = {
    windMps,
    windFromDeg,
    currentMps: currentMps ?? 0,
    currentToDeg: currentToDeg ?? 0,
    ...q.boat,
    waterKgM3: densityOf(q),
  };
  const wanted = 0.25;
  const { diameterM, drift } = anchorSize(boat, wanted, [...q.box.anchorsM]);
  const largest = Math.max(...q.box.anchorsM);
  const textbook = diameterM ?? largest;
  const held = `through the water at ${said(drift.throughWaterMps, 'current', 2)} in ${said(windMps, 'wind', 0)} of wind`;
  return {
    anchorM: q.byHand['sea anchor'] ?? textbook,
    part: sized(
      q,
      'sea anchor',
      textbook,
      'height',
      (m) => (m === 0 ? 'none' : `${said(m, 'height', 1)} across`),
      diameterM === null
        ? `Even the largest lets her go ${held}: fish it at the turn, or anchor.`
        : `The smallest that keeps the line plumb: ${held}. Within 0.3 m of the bottom.`,
      ['P23'],
    ),
  };
}

/** Bottom feeder: which, where it rests, feed and link (P13 to P16, P18). */
export function feederParts(q: RigQuestion): RigPart[] {
  const { depthM, windMps } = q.water;
  const clipM = Math.max(40, depthM * 2);
  const windy = (windMps ?? 0) > 6;
  const kind = windy ? { name: 'open wire feeder, covered', fallMps: 0.8, keepS: 18 } : { name: 'closed feeder', fallMps: 0.6, keepS: 75 };
  const f = feederFall({ clipM, depthM, fallMps: kind.fallMps, keepS: kind.keepS });
  const deep = depthM >= 6;
  const linkM = deep ? 1.2 : 0.6;
  const early = (q.water.waterTempC ?? 15) < 10;
  return [
    part(
      'feeder',
      kind.name,
      `${windy ? `${said(windMps ?? 0, 'wind', 0)} of wind: wire flies through it` : 'Little wind: closed keeps its feed on the way down'}; down in ${f.fallS.toFixed(0)} s with ${said(f.leftShare, 'share', 0)} of the feed left.`,
      ['P13'],
    ),
    part(
      'cast',
      `clip at ${said(clipM, 'near', 0)}; ${said(f.pastClipM, 'height', 1)} past it lies the spilt feed`,
      `It swings ${said(f.backM, 'height', 1)} back as it falls; what is lost falls straight down and lies farther out. Unclip and go past it to fish there.`,
      ['P14'],
      {
        schools: [
          { name: 'Rod forward', what: 'the feeder falls straight, bait on its own feed' },
          { name: 'Let it swing', what: `bait ${said(f.backM, 'height', 1)} nearer, spilt feed behind it` },
        ],
      },
    ),
    sized(
      q,
      'link',
      linkM,
      'height',
      (m) => `${said(m, 'height', 1)}, ${deep ? 'buoyant bait' : 'plain bait'}`,
      deep ? 'Fish above the bottom: a long link and a bait that rises.' : 'Fish on the bottom: a short link.',
      ['P16'],
    ),
    part(
      'feed',
      early ? 'a little, single bright bait' : 'three or four feeders fast, then steady',
      early
        ? `Early spring (${tempWords(q)}): more feed only as it warms; bulk with particles to save cost.`
        : 'Several feeds at once pull them down; then there are 1 to 3 minutes in which they take.',
      ['P15', 'P18'],
    ),
  ];
}

/** Float near the surface: link and height by the sun (P17). */
export function floatParts(q: RigQuestion): RigPart[] {
  const warmed = q.water.sunHeightDeg > 25 && q.hour >= 10 && q.hour <= 17;
  return [
    sized(
      q,
      'link',
      Math.min(1.8, Math.max(0.3, q.water.depthM * 0.36)),
      'height',
      (m) => `${said(m, 'height', 1)} under the float`,
      `Over ${said(q.water.depthM, 'depth', 1)} of water; ${warmed ? 'the sun has worked: near the top' : 'the top is cool yet: deeper, up as it warms, down toward evening'}.`,
      ['P17'],
    ),
  ];
}

/** Feed and its amount for baits that lie (P18). */
export const feedPart = (q: RigQuestion, campaigned: boolean): RigPart =>
  campaigned
    ? part(
        'feed',
        'on what was laid: 1 to 2 kg of main bait bulked with particles',
        'Roaming fish are held by feeding twice a week for one to two weeks; big baits keep small ones off.',
        ['P18'],
      )
    : part(
        'feed',
        isCold(q) ? 'single bright bait, little or none' : 'a handful, more as it warms',
        `Little feed while it is cold: ${tempWords(q)}. Particles bulk dear bait.`,
        ['P18'],
      );
