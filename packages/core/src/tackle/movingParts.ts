// Parts of a card for baits that are moved: cast, retrieved, dived, trolled.
import { BIG_LURE_WINDOW, bigLureWindow, WINDOW_PARTS, WINDOW_WORDS } from '../catchrate/bigLureWindow';
import { said, saidBare } from '../units/measure';
import { diverDepth, diverFor } from './diverDepth';
import type { RigFamily } from './rigFamilies';
import type { RigPart, RigQuestion } from './rigQuestion';
import { densityOf, fallOf, mainLine } from './rigWeight';
import { trackKindOf, trackLeg, trackWords } from './trackLeg';
import { zoneShare } from './zoneShare';
import { SNAGGY, snaggy } from './lineParts';
import { part, sized, isCold, tempWords } from './rigParts';

/** What a cast is taken to be, m, where none is known. */
const CAST_M = 30;

/** Band of water at a bank or rock that holds the fish, m (W1). */
const BAND_M = 1.5;

/** How a lipped lure is usually rated (common practice). */
const RATED = { ratedLineMm: 0.28, ratedCastM: 30 };

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
