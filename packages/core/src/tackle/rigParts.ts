// The parts of a card but its weight: each by a rule of the trade, from the day's own water, with its reason.
import { BIG_LURE_WINDOW, bigLureWindow, WINDOW_PARTS, WINDOW_WORDS } from '../catchrate/bigLureWindow';
import { liesLow } from '../fish/liesLow';
import { said, saidBare } from '../units/measure';
import { anchorSize } from './anchorSize';
import { diverDepth, diverFor } from './diverDepth';
import { feederFall } from './feederFall';
import { leaderChoice } from './leaderChoice';
import { dragSetting } from './lineStrength';
import type { RigFamily } from './rigFamilies';
import type { HandPart } from './handLimits';
import type { PartName, RigPart, RigQuestion } from './rigQuestion';
import { densityOf, fallOf, mainLine } from './rigWeight';
import { trackKindOf, trackLeg, trackWords } from './trackLeg';
import { zoneShare } from './zoneShare';

/** Change-over between the ways of cold and of warm water, C (P3: 55 to 57 F). */
export const CHANGE_C = 13.5;
const SNAGGY = ['rock', 'reef', 'wreck', 'piles', 'wood', 'wall', 'boulders', 'trees'];
/** What a cast is taken to be, m, where none is known. */
const CAST_M = 30;
/** Band of water at a bank or rock that holds the fish, m (W1). */
const BAND_M = 1.5;
/** How a lipped lure is usually rated (common practice). */
const RATED = { ratedLineMm: 0.28, ratedCastM: 30 };

interface Extra {
  readonly value?: number;
  readonly measure?: RigPart['measure'];
  readonly schools?: RigPart['schools'];
  readonly otherwise?: string | null;
}

export const part = (name: PartName, what: string, why: string, rules: readonly string[], extra: Extra = {}): RigPart => ({
  name,
  what,
  why,
  rules,
  value: extra.value ?? null,
  measure: extra.measure ?? null,
  otherwise: extra.otherwise ?? null,
  schools: extra.schools ?? [],
});

/** A part with a figure: the hand's where there is one, with what the arithmetic would have said. */
export function sized(
  q: RigQuestion,
  name: HandPart,
  textbook: number,
  measure: Exclude<RigPart['measure'], null>,
  words: (value: number) => string,
  why: string,
  rules: readonly string[],
  schools: RigPart['schools'] = [],
): RigPart {
  const hand = q.byHand[name];
  const changed = hand !== undefined && Math.abs(hand - textbook) > 1e-9;
  return part(name, words(hand ?? textbook), why, rules, {
    value: hand ?? textbook,
    measure,
    schools,
    otherwise: changed ? words(textbook) : null,
  });
}

export const isCold = (q: RigQuestion): boolean => (q.water.waterTempC ?? CHANGE_C + 1) < CHANGE_C;
const tempWords = (q: RigQuestion) =>
  q.water.waterTempC === null ? 'the water’s temperature is not known' : `the water has ${said(q.water.waterTempC, 'temp', 1)}`;
const snaggy = (q: RigQuestion) =>
  q.bait.snag >= 2 || SNAGGY.some((s) => `${q.place.structure} ${q.place.bottom}`.toLowerCase().includes(s));

/** Leader: by the log's own counts where there are some, else by cover; shy fish step down (P9). */
export function leaderPart(q: RigQuestion, family: RigFamily): RigPart {
  const [open, snags] = family.leaderKg;
  const usual = q.bait.leaderKg ?? (snaggy(q) ? snags : open);
  const kg = (v: number) => `${said(v, 'weight', 1)}, ${said(family.leaderM, 'height', 1)} long`;
  const counts = (q.box.leaders[q.bait.family] ?? []).filter((c) => c.rodHours > 0);
  if (counts.length >= 2) {
    const { strengths, choice } = leaderChoice(counts);
    const best = strengths.find((s) => s.kg === choice);
    const others = strengths.filter((s) => s.kg !== choice).map((s) => `${s.bitesPerHour.toFixed(1)} on ${said(s.kg, 'weight', 1)}`);
    const why = `Your log of such water: ${best?.bitesPerHour.toFixed(1)} bites an hour on it, ${others.join(', ')}; lands ${said(best?.chanceToLand ?? 0, 'share', 0)} of what it hooks. It lands most${sureWords(best?.chanceToBeBest ?? 0)}.`;
    return sized(q, 'leader', choice, 'weight', kg, why, ['P9']);
  }
  const why = snaggy(q)
    ? `${said(open, 'weight', 1)} in open water, ${said(snags, 'weight', 1)} by snags. Step down when they are shy; too light loses more than it gains.`
    : `Open water: the lightest that still lands them gets more bites. ${said(snags, 'weight', 1)} by snags.`;
  return sized(q, 'leader', usual, 'weight', kg, why, ['P9']);
}

/** How sure a comparison is, as it is said aloud. */
function sureWords(chance: number): string {
  if (chance >= 0.97) return ', and there is little doubt';
  const tenths = Math.round(chance * 10);
  return tenths >= 6 ? `, ${tenths} chances in ten` : ' so far; they are too close to tell';
}

/** Drag by the weakest part, and what the main line is. */
export function linePart(family: RigFamily, leaderKg: number): RigPart[] {
  const line = mainLine(family);
  const [least, most] = dragSetting([family.lineKg, leaderKg]);
  const why =
    family.line === 'braid'
      ? 'Braid shows the bite at once, deep and by snags; the leader is what the fish sees.'
      : family.layout === 'lipped'
        ? 'Thinner dives deeper and draws more bites; nylon gives when a fish jumps.'
        : 'Nylon gives and forgives; at long range it shows the bite late.';
  return [
    part('line', line.words, why, family.layout === 'lipped' ? ['P2', 'P27'] : ['P27']),
    part(
      'drag',
      `${saidBare(least, 'weight', 1)} to ${said(most, 'weight', 1)}`,
      'A quarter to a third of the weakest part; knots take their share.',
      ['P9'],
      {
        value: most,
        measure: 'weight',
      },
    ),
  ];
}

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

/** Which diver to take, and how deep it runs on this line (P1, P2). */
export function diverPart(q: RigQuestion, family: RigFamily): RigPart {
  const line = mainLine(family);
  const [least, most] = diverFor(q.water.depthM, RATED, line.mm, CAST_M);
  const found = q.box.dives[q.bait.id];
  const own = found ?? null;
  const words = (m: number) => `one that is rated for ${said(m, 'depth', 1)}`;
  const why =
    own === null
      ? `Runs 0.3 to 0.6 m past the bottom at ${said(q.water.depthM, 'depth', 1)}, so that it touches and can be reeled slowly: ${saidBare(least, 'depth', 1)} to ${said(most, 'depth', 1)} on the box on ${line.words} and a cast of ${said(CAST_M, 'near', 0)}.`
      : `Yours was found to run ${said(own, 'depth', 1)}: ${own >= q.water.depthM + 0.3 ? 'it touches here' : `it does not reach ${said(q.water.depthM, 'depth', 1)}; take a deeper one`}.`;
  return sized(q, 'diver', (least + most) / 2, 'depth', words, why, ['P1', 'P2']);
}

/** Depth that a diver of a rating runs here, m. */
export const diverRuns = (family: RigFamily, ratedM: number): number => diverDepth({ ratedM, ...RATED }, mainLine(family).mm, CAST_M);

/** Pace by temperature (P3), with both schools where they differ. */
export function retrieveParts(q: RigQuestion, family: RigFamily): RigPart[] {
  const cold = isCold(q);
  const change = `the change is at ${saidBare(13, 'temp', 0)} to ${said(14, 'temp', 0)}`;
  const lure = family.layout === 'lipped' || family.layout === 'lure';
  const way = lure ? (cold ? 'Small, tight, quiet, slow' : 'Large, wide, loud, faster') : cold ? 'As in cold water' : 'As in warm water';
  const why = `${way}: ${tempWords(q)}; ${change}.`;
  const against = q.water.currentMps !== null && q.water.currentMps >= 0.1;
  const out = [
    part('retrieve', cold ? family.cold : family.warm, why, against ? ['P3', 'P24'] : ['P3'], {
      schools: against
        ? [
            { name: 'Against the current', what: 'it hangs longer in front of slow fish' },
            { name: 'With the current', what: 'as food comes to them; log which took' },
          ]
        : [],
    }),
  ];
  if (family.pauseS) {
    const textbook = q.bait.pauseS ?? family.pauseS[cold ? 0 : 1];
    const whyPause = cold ? 'Cold: longer than feels right.' : 'Warm: short; longer when they only follow.';
    out.push(sized(q, 'pause', textbook, 's', (s) => `${s.toFixed(s < 3 ? 1 : 0)} s`, whyPause, ['P4']));
  }
  return out;
}

/** Round blades turn slowly, narrow ones fast (P5). */
export const bladePart = (q: RigQuestion): RigPart =>
  part('blade', isCold(q) ? 'round blade' : 'narrow blade', `A round blade turns at a slow pace; ${tempWords(q)}.`, ['P5']);

/** Colour by clarity, light and depth; it is disputed, so both are shown and the log says (P6). */
export function colourPart(q: RigQuestion): RigPart {
  const { clarityM, cloud, sunHeightDeg, lightFraction } = q.water;
  const bright = sunHeightDeg > 15 && (cloud ?? 0.5) < 0.6;
  const clear = clarityM === null ? null : clarityM >= 1.5;
  const dark = (lightFraction ?? 1) < 0.05;
  const own = q.bait.colour === '' ? '' : `${q.bait.colour} is what it has; `;
  const seen = clarityM === null ? 'clarity is not known' : `you see ${said(clarityM, 'depth', 1)} down`;
  const [what, why] = dark
    ? ['bright', `${own}deep and dark: they must see it from far off (${seen}).`]
    : clear !== false && bright
      ? ['natural, with flash', `${own}clear and sunny (${seen}).`]
      : ['bright, or dark with red', `${own}stained or dull (${seen}).`];
  return part('colour', what, why, ['P6'], {
    schools: [
      { name: 'Bright', what: 'they find it from farther off' },
      { name: 'Dark or natural', what: 'it shows as a shape and alarms less; show both, the log says' },
    ],
  });
}

/** Scent is disputed; no harm either way (P28). */
export const scentPart = (): RigPart =>
  part('scent', 'as you like, and log it', 'Some say they taste it, some that it hides our smell. No harm either way.', ['P28']);

/** Where the boat lies and how the cast goes: along the bank (P22), up the slope (W3), and when to cast again (W1). */
export function castParts(q: RigQuestion, family: RigFamily): RigPart[] {
  const along = zoneShare(CAST_M, BAND_M, 10).share;
  const square = zoneShare(CAST_M, BAND_M, 90).share;
  const out: RigPart[] = [];
  const edge = ['edge', 'drop', 'point', 'hump', 'ledge'].some((s) => q.place.structure.includes(s));
  const works = family.layout === 'lipped' || family.layout === 'lure' || family.layout === 'jig';
  if (works && q.place.shoreNormalDeg !== null)
    out.push(
      part(
        'cast',
        `along the bank, ${Math.round((q.place.shoreNormalDeg + 80) % 360)}° or ${Math.round((q.place.shoreNormalDeg + 280) % 360)}°`,
        `${said(along, 'share', 0)} of a cast of ${said(CAST_M, 'near', 0)} is in the water within ${said(BAND_M, 'height', 1)} of the bank; ${said(square, 'share', 0)} of one square to it.`,
        ['P22'],
      ),
    );
  if (works && edge)
    out.push(
      part('boat', 'on the deep side, casting up', 'Bring it down the slope, where they lie in wait; try every angle before you move.', [
        'W3',
      ]),
    );
  const rocks = SNAGGY.some((s) => q.place.structure.includes(s));
  if (rocks && (family.layout === 'drop' || family.layout === 'jig')) {
    const { currentMps } = q.water;
    const seconds = currentMps === null || currentMps < 0.02 ? 45 : Math.min(90, Math.max(15, BAND_M / (currentMps * 0.25)));
    out.push(
      part(
        'again',
        `cast again every ${Math.round(seconds / 5) * 5} s`,
        `Fish sit within ${said(BAND_M, 'height', 1)} of the rock; a bait that drifts ${said(3, 'height', 0)} off is out of the zone${currentMps === null ? '' : ` (${said(currentMps, 'current', 2)} of current, along the bottom about a quarter of it)`}.`,
        ['W1'],
      ),
    );
  }
  if (family.layout === 'lipped' || family.layout === 'lure')
    if (q.place.bottom.includes('weed'))
      out.push(part('depth', 'over the weed', 'Weed on the lure ends the cast: run it 0.3 m over the weed or under the surface.', ['P29']));
  if (snaggy(q)) out.push(part('snagged', 'go to the other side', 'Pull it back the way it came; straight pulls set it deeper.', ['P30']));
  return out;
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

/** Boards and their lines (P19). */
export function boardsPart(q: RigQuestion): RigPart {
  const { depthM } = q.water;
  const leader = 1.2;
  const out = (m: number) => Math.max(0, Math.min(depthM - 0.5, m) - leader);
  const [inner, outer] = [out(depthM * 0.5), out(depthM - 0.5)];
  return part(
    'boards',
    `leader ${said(leader, 'height', 1)}; let out ${said(inner, 'height', 1)} on the shallow boards, ${said(outer, 'height', 1)} on the deep ones`,
    `A bait without weight swims at leader and line let out: ${saidBare(leader + inner, 'depth', 1)} and ${said(leader + outer, 'depth', 1)} over ${said(depthM, 'depth', 1)}. Shallow boards short, deep ones long, at most 14 g; outermost first, so that lines do not cross.`,
    ['P19'],
  );
}

export const trollPart = (): RigPart =>
  part(
    'lines',
    'two wide 1 m down, one long in the middle skipping, teasers near',
    'Free spool on the wide lines, then drag; each knows their rod before it starts.',
    ['P20'],
  );

const TRACK_RULES = { drift: ['P23'], boards: ['P19'], troll: ['P20'] } as const;

/** Where the stop is a line that is fished under way: how fast, how often in an hour and over what (P19, P20, P23); null elsewhere. */
export function trackPart(q: RigQuestion, family: RigFamily, anchorM: number): RigPart | null {
  const kind = trackKindOf(family.layout);
  if (kind === null || !q.place.track || q.draughtM === 0) return null;
  const leg = trackLeg(
    kind,
    q.place.track,
    { ...q.water, tideM: q.tideM, waterKgM3: densityOf(q) },
    { ...q.boat, draughtM: q.draughtM, anchorM },
  );
  if (!leg)
    return part('track', 'lie on it', 'Wind or current is not known, or there is too little of either to drift.', TRACK_RULES[kind]);
  const { text, mind } = trackWords(leg);
  return part('track', text, mind ?? 'Rods fish for the whole pass; the way back is made off the line, slowly.', TRACK_RULES[kind]);
}

/** The hours in which big lures are looked at (T4), and what a follow is worth (P21). */
export function windowPart(q: RigQuestion): RigPart {
  const open = bigLureWindow(q.hour, q.water);
  const { clarityM: clear, windMps: breeze } = BIG_LURE_WINDOW;
  const met = WINDOW_PARTS.filter((k) => open[k] === true).map((k) => WINDOW_WORDS[k]);
  const not = WINDOW_PARTS.filter((k) => open[k] === false).map((k) => WINDOW_WORDS[k]);
  return part(
    'window',
    not.length === 0
      ? met.length === WINDOW_PARTS.length
        ? 'open now'
        : 'may be open: not all of it is known'
      : not.length === 1
        ? 'nearly open'
        : 'shut: use it to find them only',
    `Big lures are eaten from 10 to 14 h, with ${saidBare(clear[0], 'depth', 2)} to ${said(clear[1], 'depth', 1)} to be seen, ${saidBare(breeze[0], 'wind', 0)} to ${said(breeze[1], 'wind', 0)} of wind and cloud. ${met.length > 0 ? `For it: ${met.join(', ')}. ` : ''}${not.length > 0 ? `Against: ${not.join(', ')}.` : ''}`.trim(),
    ['T4', 'P21'],
  );
}

/** How long a lure of this mass counts down to a depth, s. */
export const countTo = (q: RigQuestion, massG: number, depthM: number): number => depthM / fallOf(q, massG).mps;
