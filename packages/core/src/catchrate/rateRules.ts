// The rules of the trade that can speak while a trip is planned, one row each: when a level holds, what multiplier it begins with,
// how many fish of evidence it is worth, and how it is said. Common practice, no published source; the log overrules every one.
// A level that needs what is not known, or a place or bait that the rule does not speak of, is no level at all.
import { bigLureWindow, WINDOW_PARTS } from './bigLureWindow';
import type { Feeding } from './feeds';
import type { RateConditions, RatePresentation, RateSpot } from './world';

/** What a rule may look at. */
export interface RuleInput {
  readonly c: RateConditions;
  readonly spot: RateSpot | undefined;
  readonly bait: RatePresentation | undefined;
  /** 1 to 12, and hours by the sun. */
  readonly month: number;
  readonly hour: number;
  /** Light band: 0 dark, 1 low sun and twilight, 2 middling or thick cloud, 3 high sun. -1 unknown. */
  readonly light: number;
  /** How much has been seen near the spot lately: signs of fish, bait alone, follows, breaks of colour or temperature; each fades. */
  readonly signs: { readonly any: number; readonly bait: number; readonly follow: number; readonly break: number };
  /** 0 fed regularly, 1 now and then, -1 not of late. */
  readonly feeding: Feeding;
}

export interface RuleLevel {
  /** Prior mean of the multiplier, > 0. */
  readonly multiplier: number;
  readonly words: string;
}

export interface RateRule {
  /** Of the rule of the trade. */
  readonly id: string;
  readonly name: string;
  readonly text: string;
  /** It depends on the bait. */
  readonly bait?: true;
  /** Fish of evidence that the prior is worth. */
  readonly weight: number;
  readonly levels: readonly RuleLevel[];
  /** Index of the level that holds, or -1. */
  readonly level: (x: RuleInput) => number;
}

/** Whether a number is known and passes. */
const is = (v: number | null | undefined, test: (v: number) => boolean): boolean => v !== null && v !== undefined && test(v);
const between = (lo: number, hi: number) => (v: number) => v >= lo && v <= hi;
const on =
  (...kinds: string[]) =>
  (x: RuleInput) =>
    kinds.includes(x.spot?.structure ?? '');
const family = (x: RuleInput, ...ids: string[]) => ids.includes(x.bait?.family ?? '');
const moving = (c: RateConditions) => is(c.tidePush, (v) => v >= 0.4) || is(c.currentMps, (v) => v >= 0.15);
const knowsMoving = (c: RateConditions) => c.tidePush != null || c.currentMps != null;
const cold = (c: RateConditions) => is(c.waterTempC, (v) => v < 10);
/** Change-over between cold and warm water baits, C (55 to 57 F). */
const CHANGE_OVER_C = 13;
const CHANGED_OVER_C = 14;
const dark = (colour: string | null | undefined) => /dark|black|brown|purple|red/i.test(colour ?? '');
const bright = (colour: string | null | undefined) => /chartreuse|orange|pink|yellow|white|pearl|red/i.test(colour ?? '');
const natural = (colour: string | null | undefined) => /natural|silver|roach|perch|trout|green|copper/i.test(colour ?? '');
const drop = (s: RateSpot | undefined) => (s?.depthMaxM != null && s.depthMinM != null ? s.depthMaxM - s.depthMinM : null);

export const RATE_RULES: readonly RateRule[] = [
  {
    id: 'W2',
    name: 'moving water, fair clarity and bait',
    text: 'moving water, fair clarity and bait seen, all three together: stop here',
    weight: 4,
    levels: [{ multiplier: 1.4, words: 'moving water, fair clarity and bait seen, all three' }],
    level: (x) => (moving(x.c) && is(x.c.clarityM, between(0.75, 4)) && x.signs.bait >= 0.4 ? 0 : -1),
  },
  {
    id: 'W3',
    name: 'edges',
    text: 'edges: contour lines close together, points with a drop, rock piles on plain ground',
    weight: 4,
    levels: [{ multiplier: 1.12, words: 'an edge with a drop' }],
    level: (x) => {
      const d = drop(x.spot);
      if (on('edge', 'point', 'hump', 'bench')(x)) return d === null || d >= 1.5 ? 0 : -1;
      return d !== null && d >= 3 ? 0 : -1;
    },
  },
  {
    id: 'W4',
    name: 'shade at piles',
    text: 'fish hang under bait at bridge piles in the shade or on the current seam',
    weight: 4,
    levels: [{ multiplier: 1.12, words: 'shade or a current seam at the piles' }],
    level: (x) => (on('piles')(x) && (x.light === 3 || is(x.c.currentMps, (v) => v >= 0.2)) ? 0 : -1),
  },
  {
    id: 'W5',
    name: 'sun on lone rock',
    text: 'a lone boulder takes up sun and sheds warmth before the spawn',
    weight: 3,
    levels: [{ multiplier: 1.1, words: 'sun on the rock in cold water' }],
    level: (x) =>
      /boulder|rock/.test(x.spot?.bottom ?? '') && x.light >= 2 && x.month <= 5 && is(x.c.waterTempC, between(6, 13)) ? 0 : -1,
  },
  {
    id: 'W6',
    name: 'spring pockets',
    text: 'in spring shallow pockets with small fish hold them: fallen wood, reeds, mud with small rock',
    weight: 3,
    levels: [{ multiplier: 1.12, words: 'a shallow pocket in spring' }],
    level: (x) => (on('wood', 'weed')(x) && x.month >= 3 && x.month <= 5 && is(x.c.depthM, (v) => v < 2.5) ? 0 : -1),
  },
  {
    id: 'W7',
    name: 'warming and cooling',
    text: 'warming water lifts the shallows first; cooling sends them deeper',
    weight: 4,
    levels: [
      { multiplier: 1.15, words: 'shallow water that has warmed since the day before yesterday' },
      { multiplier: 0.85, words: 'shallow water that has cooled since the day before yesterday' },
    ],
    level: (x) => {
      if (!is(x.c.depthM, (v) => v <= 1.8) || !is(x.c.waterTempC, (v) => v < 15)) return -1;
      if (is(x.c.waterTemp48hC, (v) => v >= 0.5)) return 0;
      return is(x.c.waterTemp48hC, (v) => v <= -0.5) ? 1 : -1;
    },
  },
  {
    id: 'W8',
    name: 'weed through the year',
    text: 'weed holds food when it is new, and again as it dies off',
    weight: 4,
    levels: [
      { multiplier: 1.12, words: 'new weed' },
      { multiplier: 1.12, words: 'weed that dies off and opens' },
      { multiplier: 0.92, words: 'weed at its thickest, or gone' },
    ],
    level: (x) => (!on('weed')(x) ? -1 : x.month === 5 || x.month === 6 ? 0 : x.month === 9 || x.month === 10 ? 1 : 2),
  },
  {
    id: 'W9',
    name: 'signs',
    text: 'cast at the sign: bait massed or showering, birds, rays rooting, marks tight to the bottom',
    weight: 5,
    levels: [
      { multiplier: 1.25, words: 'signs of fish near it lately' },
      { multiplier: 1.6, words: 'strong signs of fish here just now' },
    ],
    level: (x) => (x.signs.any >= 0.8 ? 1 : x.signs.any >= 0.25 ? 0 : -1),
  },
  {
    id: 'W10',
    name: 'inflow',
    text: 'inflows bring oxygen, food and warmth: hold at the edge of the blow-out',
    weight: 4,
    levels: [
      { multiplier: 1.25, words: 'an inflow in early spring' },
      { multiplier: 1.1, words: 'an inflow with water coming down' },
    ],
    level: (x) => (!on('inflow')(x) ? -1 : x.month >= 2 && x.month <= 4 ? 0 : is(x.c.flowM3s, (v) => v > 0.3) ? 1 : -1),
  },
  {
    id: 'W11',
    name: 'holes and flats in the cold',
    text: 'in the cold season fish drop into a hole beside a flat and come up when the sun has worked',
    weight: 4,
    levels: [
      { multiplier: 1.25, words: 'a hole in cold water' },
      { multiplier: 1.12, words: 'the flat, once the sun has worked on cold water' },
      { multiplier: 0.8, words: 'the flat before the sun has worked on cold water' },
    ],
    level: (x) => {
      if (!is(x.c.waterTempC, (v) => v < 9)) return -1;
      if (on('hole')(x)) return 0;
      if (!on('flat')(x)) return -1;
      return x.hour >= 11 && x.light >= 2 ? 1 : 2;
    },
  },
  {
    id: 'W12',
    name: 'dark ground in the cold',
    text: 'dark mud, shell and concrete warm first: fish them from late morning on a cold bright day',
    weight: 3,
    levels: [{ multiplier: 1.12, words: 'dark ground in the sun on a cold day' }],
    level: (x) => (['mud', 'shell', 'concrete'].includes(x.spot?.bottom ?? '') && cold(x.c) && x.hour >= 10 && x.light === 3 ? 0 : -1),
  },
  {
    id: 'W13',
    name: 'points in the current',
    text: 'bends and points where the current turns carry food past: slight current is enough',
    weight: 3,
    levels: [{ multiplier: 1.1, words: 'a point with the current going past' }],
    level: (x) => (on('point')(x) && is(x.c.currentMps, (v) => v >= 0.05) ? 0 : -1),
  },
  {
    id: 'W14',
    name: 'drains on the ebb',
    text: 'a falling tide empties drains: ambush at the mouth',
    weight: 5,
    levels: [
      { multiplier: 1.3, words: 'run-out empties the drain' },
      { multiplier: 0.95, words: 'run-in fills the drain' },
    ],
    level: (x) => (!on('drain')(x) || x.c.tideStage == null ? -1 : x.c.tideStage >= 0.5 ? 0 : 1),
  },
  {
    id: 'W15',
    name: 'suspended over deep water',
    text: 'fish hang near mid-depth in deep natural lakes, far above a bait on the bottom',
    bait: true,
    weight: 3,
    levels: [
      { multiplier: 1.15, words: 'fishes where they hang over deep water' },
      { multiplier: 0.9, words: 'lies under where they hang over deep water' },
    ],
    level: (x) => {
      if (x.spot?.fresh !== true || !is(x.c.depthM, (v) => v >= 8)) return -1;
      return x.bait?.zone === 'middle' ? 0 : x.bait?.zone === 'bottom' ? 1 : -1;
    },
  },
  {
    id: 'W16',
    name: 'hard ground offshore',
    text: 'fish stack up over hard bottom or a wreck and can be raised by steady live chum',
    bait: true,
    weight: 4,
    levels: [
      { multiplier: 1.3, words: 'chum raises them off the wreck' },
      { multiplier: 1.1, words: 'fish stacked up over hard ground' },
    ],
    level: (x) => (!on('wreck', 'reef')(x) || !is(x.c.depthM, (v) => v >= 15) ? -1 : family(x, 'F17') ? 0 : 1),
  },
  {
    id: 'W17',
    name: 'autumn schools',
    text: 'autumn schools of open-water bass sit deep and tight',
    weight: 3,
    levels: [{ multiplier: 1.15, words: 'the depth of the autumn schools' }],
    level: (x) => (x.month >= 9 && x.month <= 11 && is(x.c.depthM, between(11, 16)) && is(x.c.waterTempC, between(9, 15)) ? 0 : -1),
  },
  {
    id: 'W18',
    name: 'a break in the water',
    text: 'temperature breaks and ridges stop roaming fish',
    weight: 3,
    levels: [{ multiplier: 1.2, words: 'a break in colour or temperature was seen near it' }],
    level: (x) => (x.signs.break >= 0.3 ? 0 : -1),
  },
  {
    id: 'W19',
    name: 'fishing pressure',
    text: 'heavily fished places teach the fish',
    weight: 4,
    levels: [
      { multiplier: 1, words: 'few other boats fish it' },
      { multiplier: 0.97, words: 'some other boats fish it' },
      { multiplier: 0.88, words: 'many other boats fish it' },
    ],
    level: (x) => (x.spot?.pressure == null ? -1 : Math.min(2, Math.max(0, x.spot.pressure - 1))),
  },
  {
    id: 'T1',
    name: 'low light',
    text: 'low light lowers caution',
    weight: 5,
    levels: [{ multiplier: 1.2, words: 'low light lowers caution' }],
    level: (x) => (x.light === 1 ? 0 : -1),
  },
  {
    id: 'T1',
    name: 'depth and light',
    text: 'shallow at dusk and dawn, deeper in bright sun',
    weight: 4,
    levels: [
      { multiplier: 1.15, words: 'shallow water in low light' },
      { multiplier: 0.95, words: 'deep for low light' },
      { multiplier: 0.78, words: 'shallow under bright sun' },
      { multiplier: 1.1, words: 'the right depth for bright sun' },
      { multiplier: 1, words: 'deep under bright sun' },
    ],
    level: (x) => {
      const d = x.c.depthM;
      if (d == null) return -1;
      if (x.light === 1) return d < 2 ? 0 : d > 4 ? 1 : -1;
      return x.light !== 3 ? -1 : d < 1.8 ? 2 : d <= 3.5 ? 3 : 4;
    },
  },
  {
    id: 'T2',
    name: 'turn of the tide',
    text: 'the turn of the tide starts them feeding, in the first half hour',
    weight: 5,
    levels: [{ multiplier: 1.25, words: 'the first half hour after the turn' }],
    level: (x) => (is(sinceTurn(x.c), (v) => v <= 0.5) ? 0 : -1),
  },
  {
    id: 'T3',
    name: 'cold morning',
    text: 'cold mornings start late',
    weight: 5,
    levels: [{ multiplier: 0.75, words: 'a cold morning starts late' }],
    level: (x) => (cold(x.c) && x.hour < 10 ? 0 : -1),
  },
  {
    id: 'T4',
    name: 'hours of big jointed lures',
    text: 'large jointed lures have a narrow window: 10 to 14 h, half clear water, a breeze and cloud',
    bait: true,
    weight: 5,
    levels: [
      { multiplier: 1.3, words: 'the hours, clarity, breeze and cloud of big jointed lures' },
      { multiplier: 0.9, words: 'one thing is missing for big jointed lures' },
      { multiplier: 0.65, words: 'not the water for big jointed lures' },
    ],
    level: (x) => {
      if (!family(x, 'F7')) return -1;
      const met = bigLureWindow(x.hour, x.c);
      const right = WINDOW_PARTS.filter((part) => met[part] === true).length;
      return right === 4 ? 0 : right === 3 ? 1 : 2;
    },
  },
  {
    id: 'T5',
    name: 'calm and wind on flats',
    text: 'flat calm scatters fish on big flats; wind packs them on the edge',
    weight: 4,
    levels: [
      { multiplier: 0.85, words: 'flat calm scatters them on the flat' },
      { multiplier: 1.12, words: 'wind packs them on the edge' },
    ],
    level: (x) => {
      if (on('flat')(x) && is(x.c.windMps, (v) => v < 1.5)) return 0;
      return on('edge')(x) && is(x.c.windMps, (v) => v >= 4) ? 1 : -1;
    },
  },
  {
    id: 'T8',
    name: 'feeding',
    text: 'baiting up holds roaming fish only when it is regular: twice a week at least, one to two weeks ahead',
    weight: 4,
    levels: [
      { multiplier: 1.5, words: 'fed twice a week or more for a week and longer' },
      { multiplier: 1.05, words: 'fed, but not regularly: it holds few' },
    ],
    level: (x) => x.feeding,
  },
  {
    id: 'T6',
    name: 'bank and channel through the day',
    text: 'fish move from bank to channel as the sun climbs, and back at dusk',
    weight: 4,
    levels: [
      { multiplier: 0.88, words: 'the bank with the sun high' },
      { multiplier: 1.1, words: 'the channel with the sun high' },
      { multiplier: 1.1, words: 'the bank with the sun low' },
      { multiplier: 0.92, words: 'the channel with the sun low' },
    ],
    level: (x) => {
      const bank = on('wall', 'weed', 'wood', 'flat', 'drain')(x);
      const channel = on('hole', 'edge', 'piles')(x);
      if (!bank && !channel) return -1;
      if (x.light === 3) return bank ? 0 : 1;
      return x.light === 1 ? (bank ? 2 : 3) : -1;
    },
  },
  {
    id: 'P3',
    name: 'change-over of baits',
    text: 'cold water: small, quiet and slow; past {temp# 13} to {temp 14} large, loud and fast',
    bait: true,
    weight: 4,
    levels: [
      { multiplier: 1.15, words: 'slow and small for cold water' },
      { multiplier: 0.8, words: 'fast or large for cold water' },
      { multiplier: 1.08, words: 'fast and large for warm water' },
    ],
    level: (x) => {
      const t = x.c.waterTempC;
      const pace = x.bait?.coverRate;
      if (t == null || pace == null) return -1;
      const large = (x.bait?.sizeMm ?? 0) >= 110;
      if (t < CHANGE_OVER_C) return pace >= 4 || large ? 1 : pace <= 2 ? 0 : -1;
      return t >= CHANGED_OVER_C && (pace >= 4 || large) ? 2 : -1;
    },
  },
  {
    id: 'P4',
    name: 'pauses in cold water',
    text: 'stop-and-go lures in cold water: pause longer than feels right, 3 to 4 s',
    bait: true,
    weight: 3,
    levels: [
      { multiplier: 1.15, words: 'pauses long enough for cold water' },
      { multiplier: 0.88, words: 'pauses too short for cold water' },
    ],
    level: (x) => (!family(x, 'F4') || !cold(x.c) || x.bait?.pauseS == null ? -1 : x.bait.pauseS >= 3 ? 0 : 1),
  },
  {
    id: 'P5',
    name: 'flash and vibration',
    text: 'vibration and flash in dirty water or weed',
    bait: true,
    weight: 4,
    levels: [{ multiplier: 1.15, words: 'flash or vibration in dirty water' }],
    level: (x) => (/flash|vibration/.test(x.bait?.look ?? '') && (is(x.c.clarityM, (v) => v < 1) || on('weed')(x)) ? 0 : -1),
  },
  {
    id: 'P6',
    name: 'colour for the water',
    text: 'clear and sunny: flash and natural; stained or dull: bright or dark; deep: bright',
    bait: true,
    weight: 2,
    levels: [
      { multiplier: 1.08, words: 'its colour suits this water' },
      { multiplier: 0.93, words: 'its colour is wrong for this water' },
    ],
    level: (x) => {
      const colour = x.bait?.colour;
      const clear = x.c.clarityM;
      if (!colour || clear == null) return -1;
      if (clear >= 2 && x.light === 3 && is(x.c.depthM, (v) => v < 8)) return natural(colour) ? 0 : bright(colour) ? 1 : -1;
      if (clear < 1.2 || is(x.c.depthM, (v) => v >= 12)) return bright(colour) || dark(colour) ? 0 : natural(colour) ? 1 : -1;
      return -1;
    },
  },
  {
    id: 'P8',
    name: 'light heads on flats',
    text: 'the lightest head that still finds bottom: {lead 7} or less on shallow flats',
    bait: true,
    weight: 3,
    levels: [
      { multiplier: 1.05, words: 'light enough for a shallow flat' },
      { multiplier: 0.9, words: 'a heavy head for a shallow flat' },
    ],
    level: (x) => {
      if (!family(x, 'F9', 'F12', 'F13', 'F16') || !on('flat')(x) || !is(x.c.depthM, (v) => v < 2.5) || x.bait?.weightG == null) return -1;
      return x.bait.weightG <= 7 ? 0 : 1;
    },
  },
  {
    id: 'P9',
    name: 'leader in clear water',
    text: 'the lightest leader that still lands the fish draws more bites',
    bait: true,
    weight: 3,
    levels: [{ multiplier: 0.92, words: 'a heavy leader in clear water' }],
    level: (x) => (is(x.c.clarityM, (v) => v >= 2.5) && is(x.bait?.leaderKg, (v) => v >= 10) ? 0 : -1),
  },
  {
    id: 'P13',
    name: 'feeders in the wind',
    text: 'a closed feeder if the wind allows',
    bait: true,
    weight: 3,
    levels: [{ multiplier: 0.85, words: 'too much wind for the feeder' }],
    level: (x) => (family(x, 'F21') && is(x.c.windMps, (v) => v >= 8) ? 0 : -1),
  },
  {
    id: 'P17',
    name: 'surface baits and the sun',
    text: 'raise the bait as the sun warms the top, lower it toward evening',
    bait: true,
    weight: 3,
    levels: [
      { multiplier: 1.12, words: 'the sun has warmed the top for a surface bait' },
      { multiplier: 0.92, words: 'no sun yet on the top for a surface bait' },
    ],
    level: (x) => (!family(x, 'F23') || x.light < 0 ? -1 : x.light >= 2 && x.hour >= 11 ? 0 : 1),
  },
  {
    id: 'P18',
    name: 'early spring baits',
    text: 'early spring: single bright baits and little feed, more feed as it warms',
    bait: true,
    weight: 4,
    levels: [
      { multiplier: 1.2, words: 'a single bright bait in cold spring water' },
      { multiplier: 0.85, words: 'much feed in cold water' },
    ],
    level: (x) =>
      !is(x.c.waterTempC, (v) => v < 11)
        ? -1
        : family(x, 'F22')
          ? x.month >= 2 && x.month <= 5
            ? 0
            : -1
          : family(x, 'F21', 'F24')
            ? 1
            : -1,
  },
  {
    id: 'P21',
    name: 'a follow',
    text: 'a follower is a located fish: come back with something slower',
    bait: true,
    weight: 4,
    levels: [
      { multiplier: 1.5, words: 'a fish followed here, and this comes slower' },
      { multiplier: 1.15, words: 'a fish followed here' },
    ],
    level: (x) => (x.signs.follow < 0.3 ? -1 : (x.bait?.coverRate ?? 3) <= 2 ? 0 : 1),
  },
  {
    id: 'P23',
    name: 'plumb jigging',
    text: 'vertical jigging wants a slow drift so that the line stays plumb',
    bait: true,
    weight: 4,
    levels: [
      { multiplier: 1.1, words: 'a drift slow enough to jig plumb' },
      { multiplier: 0.75, words: 'too much wind or current to jig plumb' },
    ],
    level: (x) => {
      if (!family(x, 'F14') || x.c.windMps == null) return -1;
      return x.c.windMps >= 8 || is(x.c.currentMps, (v) => v >= 0.8) ? 1 : x.c.windMps <= 5 ? 0 : -1;
    },
  },
  {
    id: 'P29',
    name: 'weed on the lure',
    text: 'weed on the lure ends the cast: run above it',
    bait: true,
    weight: 3,
    levels: [{ multiplier: 0.85, words: 'drags through thick weed' }],
    level: (x) => (on('weed')(x) && x.bait?.zone === 'bottom' && x.month >= 6 && x.month <= 9 ? 0 : -1),
  },
  {
    id: 'F11',
    name: 'moving water at the rocks',
    text: 'a drop rig with natural bait at rocks wants moving water',
    bait: true,
    weight: 4,
    levels: [
      { multiplier: 1.15, words: 'the water moves at the rocks' },
      { multiplier: 0.8, words: 'slack water at the rocks' },
    ],
    level: (x) => (!family(x, 'F11') || !knowsMoving(x.c) ? -1 : moving(x.c) ? 0 : 1),
  },
  {
    id: 'F13',
    name: 'rising water for flatfish',
    text: 'hopping for flatfish is best on rising water',
    bait: true,
    weight: 4,
    levels: [
      { multiplier: 1.15, words: 'rising water for flatfish' },
      { multiplier: 0.88, words: 'falling water for flatfish' },
    ],
    level: (x) => (!family(x, 'F13') || x.c.tideStage == null ? -1 : x.c.tideStage < 0.5 ? 0 : 1),
  },
];

/** Half a tide from turn to turn, hours, where only the stage is known. */
const HALF_TIDE_H = 6.21;

function sinceTurn(c: RateConditions): number | null {
  if (c.sinceTurnH != null) return c.sinceTurnH;
  return c.tideStage == null ? null : (c.tideStage % 0.5) * 2 * HALF_TIDE_H;
}
