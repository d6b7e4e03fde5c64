// The groups of effects of the ranking model: how a level is found, how widely its levels spread before anything is
// learned, and the rules of the trade that set prior means.
import { DAY, HOUR } from '../units/time';
import { RATE_RULES, type RuleInput } from './rateRules';
import { type FeedIndex, type Feeding, feedIndex, feedingAt } from './feeds';
import { NO_SIGNS, SIGN_HALF_LIFE_H, type SignIndex, type SignLevels, signIndex, signsAt } from './signs';
import { type Envelope, ENVELOPE_SPANS, type EnvelopeSpan } from './envelope';
import { bankWindPrior, fitPrior, OF_FAMILY, type RulePrior, TRADE_RULES } from './tradeRules';
import type { RateConditions, RateWorld } from './world';
import { bytes, f64, nth, num } from '../units/indexed';

/** Levels of one set or query; -1 is unknown. */
export interface Levels {
  spot: number;
  structure: number;
  presentation: number;
  family: number;
  stage: number;
  light: number;
  temp: number;
  clarity: number;
  wind: number;
  octant: number;
  bankWind: number;
  month: number;
  week: number;
  /** What the water is in each line of an envelope; NaN is unknown. */
  water: Float64Array;
  /** How the bait fits each line of its envelope, in their order: 0 inside, 1 near, 2 outside. */
  fits: Int8Array;
  coverFit: number;
  seasonFit: number;
  lightFit: number;
  /** Level of each of the trade's rules, in their order. */
  rules: Int8Array;
  signs: SignLevels;
  feeding: Feeding;
}

export const STAGES = 8;
export const LIGHTS = 4;
const TEMPS = 6;
const CLARITIES = 3;
const WINDS = 4;
const OCTANTS = 9;
const FITS = 3;
const SPANS = ENVELOPE_SPANS.length;
/** Weeks back that have a level of their own. */
const WEEKS = 160;

/** What group sizes and codes depend on. */
export interface Lists {
  readonly spots: number;
  readonly presentations: number;
  readonly structures: readonly string[];
  readonly families: readonly string[];
  readonly structureOf: Int32Array;
  readonly familyOf: Int32Array;
  /** Limits of each presentation's envelope; null without one. */
  readonly limits: readonly (Float64Array | null)[];
  /** What was seen, by spot, and how long a sign holds. */
  readonly signs: SignIndex | null;
  readonly signHalfLifeH: number;
  /** When each spot was fed. */
  readonly feeds: FeedIndex | null;
}

export interface Group {
  readonly name: string;
  /** Its level depends on the presentation. */
  readonly bait?: true;
  readonly tau0: number;
  readonly size: (l: Lists) => number;
  readonly code: (v: Levels, l: Lists) => number;
  readonly prior?: (code: number, l: Lists) => RulePrior | null;
  /** Level that the others are held against: its multiplier is 1. */
  readonly reference?: number;
  /** What is missing when conditions give no level; groups without it do not apply then. */
  readonly needs?: (c: RateConditions, world: RateWorld) => string | null;
}

const missing = (key: keyof RateConditions, words: string) => (c: RateConditions) =>
  c[key] === null || c[key] === undefined ? words : null;

/** A water without a tide has no stage of it to be unknown. */
const missingStage = (c: RateConditions, world: RateWorld) => (world.tidal === false ? null : missing('tideStage', 'stage of the tide')(c));

const pair = (a: number, b: number, size: number) => (a < 0 || b < 0 ? -1 : a * size + b);

/** In the order in which they explain a call. */
export const GROUPS: readonly Group[] = [
  { name: 'spot', tau0: 4, size: (l) => l.spots, code: (v) => v.spot },
  { name: 'structure', tau0: 8, size: (l) => l.structures.length, code: (v) => v.structure },
  { name: 'presentation', bait: true, tau0: 5, size: (l) => l.presentations, code: (v) => v.presentation },
  { name: 'family', bait: true, tau0: 8, size: (l) => l.families.length, code: (v) => v.family },
  {
    name: 'spot and presentation',
    bait: true,
    tau0: 5,
    size: (l) => l.spots * l.presentations,
    code: (v, l) => pair(v.spot, v.presentation, l.presentations),
  },
  {
    name: 'structure and family',
    bait: true,
    tau0: 6,
    size: (l) => l.structures.length * l.families.length,
    code: (v, l) => pair(v.structure, v.family, l.families.length),
  },
  {
    // Of any run alike: whether run-in or run-out is better is each spot's own.
    name: 'tide stage',
    tau0: 10,
    size: () => STAGES / 2,
    code: (v) => (v.stage < 0 ? -1 : v.stage % (STAGES / 2)),
    needs: missingStage,
  },
  {
    name: 'spot and run',
    tau0: 5,
    size: (l) => l.spots * 2,
    code: (v) => pair(v.spot, v.stage < 0 ? -1 : v.stage < STAGES / 2 ? 0 : 1, 2),
  },
  { name: 'spot and tide stage', tau0: 5, size: (l) => l.spots * STAGES, code: (v) => pair(v.spot, v.stage, STAGES) },
  { name: 'light', tau0: 10, size: () => LIGHTS, code: (v) => v.light, needs: missing('sunHeightDeg', 'light') },
  {
    name: 'presentation and light',
    bait: true,
    tau0: 8,
    size: (l) => l.presentations * LIGHTS,
    code: (v) => pair(v.presentation, v.light, LIGHTS),
  },
  { name: 'water temperature', tau0: 8, size: () => TEMPS, code: (v) => v.temp, needs: missing('waterTempC', 'water temperature') },
  {
    name: 'presentation and temperature',
    bait: true,
    tau0: 8,
    size: (l) => l.presentations * TEMPS,
    code: (v) => pair(v.presentation, v.temp, TEMPS),
  },
  {
    name: 'presentation and clarity',
    bait: true,
    tau0: 8,
    size: (l) => l.presentations * CLARITIES,
    code: (v) => pair(v.presentation, v.clarity, CLARITIES),
    needs: missing('clarityM', 'clarity'),
  },
  { name: 'wind', tau0: 10, size: () => WINDS, code: (v) => v.wind, needs: missing('windMps', 'wind') },
  { name: 'wind on the bank', tau0: 15, size: () => 6, code: (v) => v.bankWind, prior: bankWindPrior },
  { name: 'spot and wind direction', tau0: 6, size: (l) => l.spots * OCTANTS, code: (v) => pair(v.spot, v.octant, OCTANTS) },
  { name: 'month', tau0: 10, size: () => 12, code: (v) => v.month },
  ...ENVELOPE_SPANS.map(spanGroup),
  {
    name: 'ground for the presentation',
    bait: true,
    tau0: 20,
    size: () => FITS,
    reference: 0,
    code: (v) => v.coverFit,
    prior: fitPrior(TRADE_RULES.ground, 1, 0.75),
  },
  {
    name: 'season of the presentation',
    bait: true,
    tau0: 20,
    size: () => FITS,
    reference: 0,
    code: (v) => v.seasonFit,
    prior: fitPrior(TRADE_RULES.season, 0.9, 0.7),
  },
  {
    name: 'light for the presentation',
    bait: true,
    tau0: 20,
    size: () => FITS,
    reference: 0,
    code: (v) => v.lightFit,
    prior: fitPrior(TRADE_RULES.light, 0.9, 0.85),
  },
  ...RATE_RULES.map(ruleGroup),
];

/** One line of a family's envelope as a group: inside it is what the others are held against. */
function spanGroup(span: EnvelopeSpan, k: number): Group {
  return {
    name: span.group,
    bait: true,
    tau0: 20,
    size: () => FITS,
    reference: 0,
    code: (v) => bytes(v.fits, k),
    prior: fitPrior({ id: OF_FAMILY, text: span.why }, span.nearShare, span.outsideShare),
    ...('missing' in span ? { needs: missing(span.of, span.missing) } : {}),
  };
}

/** One of the trade's rules as a group: its levels begin at their multipliers. */
function ruleGroup(rule: (typeof RATE_RULES)[number], k: number): Group {
  return {
    name: rule.name,
    ...(rule.bait ? { bait: true } : {}),
    tau0: 20,
    size: () => rule.levels.length,
    code: (v) => bytes(v.rules, k),
    prior: (code) => ({ rule: { id: rule.id, text: rule.text }, mean: rule.levels[code]?.multiplier ?? 1, weight: rule.weight }),
  };
}

/** Weeks of a spot, so that what moved about does not blur what stays. Not part of a forecast: see drift. */
export const WEEK_GROUP: Group = {
  name: 'spot and week',
  tau0: 8,
  size: (l) => l.spots * WEEKS,
  code: (v) => pair(v.spot, v.week, WEEKS),
};

/** Upper edges of the water temperature bands, C. */
const TEMP_EDGES = [7, 10, 13, 16, 19] as const;
const CLARITY_EDGES = [1, 2.5] as const;
const WIND_EDGES = [2, 5, 9] as const;
const LIGHT_EDGES = [-6, 8, 30] as const;
const COLD_C = 10;
const CALM_MPS = 2;

function band(value: number | null | undefined, edges: readonly number[]): number {
  if (value === null || value === undefined || Number.isNaN(value)) return -1;
  let i = 0;
  while (i < edges.length && value >= num(edges, i)) i++;
  return i;
}

/** Least, greatest and margin of each line of an envelope, in their order; a line without limits has no least (NaN). */
function limitsOf(e: Envelope): Float64Array {
  return Float64Array.from(
    ENVELOPE_SPANS.flatMap((span) => {
      const [lo, hi] = [e[span.lo] ?? null, e[span.hi] ?? null];
      if (lo === null && hi === null) return [Number.NaN, Number.NaN, 0];
      return [lo ?? Number.NEGATIVE_INFINITY, hi ?? Number.POSITIVE_INFINITY, span.near(hi ?? 0)];
    }),
  );
}

/** 0 inside, 1 near, 2 outside; -1 when either side is unknown (NaN). */
function fit(value: number, lo: number, hi: number, near: number): number {
  if (value >= lo && value <= hi) return 0;
  if (Number.isNaN(value) || Number.isNaN(lo)) return -1;
  return value >= lo - near && value <= hi + near ? 1 : 2;
}

/** Thick cloud takes the glare off a high sun. */
const THICK_CLOUD = 0.8;

/** Light band of a sun height: 0 dark, 1 low sun and twilight, 2 middling, 3 high; a high sun behind thick cloud is middling. */
export function lightBand(sunHeightDeg: number | null | undefined, cloud?: number | null): number {
  const light = band(sunHeightDeg, LIGHT_EDGES);
  return light === 3 && cloud !== null && cloud !== undefined && cloud >= THICK_CLOUD ? 2 : light;
}

/** Lists of a world: structures and families in a fixed order. */
export function listsOf(world: RateWorld, signHalfLifeH: number = SIGN_HALF_LIFE_H): Lists {
  const structures = [...new Set(world.spots.flatMap((s) => (s.structure ? [s.structure] : [])))].sort();
  const families = [...new Set(world.presentations.flatMap((p) => (p.family ? [p.family] : [])))].sort();
  return {
    spots: world.spots.length,
    presentations: world.presentations.length,
    structures,
    families,
    structureOf: Int32Array.from(world.spots, (s) => (s.structure ? structures.indexOf(s.structure) : -1)),
    limits: world.presentations.map((p) => (p.envelope ? limitsOf(p.envelope) : null)),
    familyOf: Int32Array.from(world.presentations, (p) => (p.family ? families.indexOf(p.family) : -1)),
    signs: signIndex(world.spots, world.signs ?? []),
    feeds: feedIndex(world.spots, world.feeds ?? []),
    signHalfLifeH,
  };
}

/** Levels of conditions at a spot and presentation (indices in the world, -1 when unknown there). */
export function levelsOf(world: RateWorld, lists: Lists, spot: number, presentation: number, at: number, c: RateConditions): Levels {
  const v = waterLevels(world, lists, spot, at, c);
  setBait(v, world, lists, presentation, at, c);
  return v;
}

/** What does not depend on the presentation; the rest is unknown. */
export function waterLevels(world: RateWorld, lists: Lists, spot: number, at: number, c: RateConditions): Levels {
  const calm = c.windMps !== null && c.windMps !== undefined && c.windMps < CALM_MPS;
  const from = c.windFromDeg;
  const stage = c.tideStage;
  const light = lightBand(c.sunHeightDeg, c.cloud);
  const temp = c.waterTempC;
  const known = temp !== null && temp !== undefined;
  const onshore = c.onshore;
  const bank = onshore === null || onshore === undefined || calm ? -1 : onshore < -0.35 ? 0 : onshore > 0.35 ? 2 : 1;
  const signs = lists.signs ? signsAt(lists.signs, spot, at, lists.signHalfLifeH) : NO_SIGNS;
  const v: Levels = {
    spot,
    structure: lists.structureOf[spot] ?? -1,
    presentation: -1,
    family: -1,
    stage: stage === null || stage === undefined ? -1 : Math.min(STAGES - 1, Math.floor(stage * STAGES)),
    light,
    temp: band(temp, TEMP_EDGES),
    clarity: band(c.clarityM, CLARITY_EDGES),
    wind: band(c.windMps, WIND_EDGES),
    octant: calm ? 8 : from === null || from === undefined ? -1 : Math.round(from / 45) % 8,
    bankWind: bank < 0 || !known ? -1 : bank * 2 + (temp >= COLD_C ? 1 : 0),
    month: monthOf(at),
    week: Math.min(WEEKS - 1, Math.max(0, Math.floor((world.now - at) / (7 * DAY)))),
    water: Float64Array.from(ENVELOPE_SPANS, (span) => c[span.of] ?? Number.NaN),
    fits: new Int8Array(SPANS).fill(-1),
    coverFit: -1,
    seasonFit: -1,
    lightFit: -1,
    rules: new Int8Array(RATE_RULES.length).fill(-1),
    signs,
    feeding: feedingAt(lists.feeds, spot, at),
  };
  setRules(v, world, undefined, at, c, false);
  return v;
}

/** Levels of the trade's rules: those of the water, or those of the bait. */
function setRules(
  v: Levels,
  world: RateWorld,
  bait: RateWorld['presentations'][number] | undefined,
  at: number,
  c: RateConditions,
  ofBait: boolean,
): void {
  const x: RuleInput = {
    c,
    spot: world.spots[v.spot],
    bait,
    month: v.month + 1,
    hour: solarHour(at, world.lonDeg ?? 0),
    light: v.light,
    signs: v.signs,
    feeding: v.feeding,
  };
  for (let k = 0; k < RATE_RULES.length; k++) {
    const rule = nth(RATE_RULES, k);
    if ((rule.bait ?? false) === ofBait) v.rules[k] = rule.level(x);
  }
}

/** Sets what depends on the presentation. */
export function setBait(v: Levels, world: RateWorld, lists: Lists, presentation: number, at: number, c: RateConditions): void {
  const e: Envelope | null = world.presentations[presentation]?.envelope ?? null;
  v.presentation = presentation;
  v.family = lists.familyOf[presentation] ?? -1;
  const limits = lists.limits[presentation] ?? null;
  for (let k = 0; k < SPANS; k++)
    v.fits[k] = limits === null ? -1 : fit(f64(v.water, k), f64(limits, 3 * k), f64(limits, 3 * k + 1), f64(limits, 3 * k + 2));
  v.coverFit = coverFit(e, world.spots[v.spot]?.structure);
  v.seasonFit = seasonFit(e, monthOf(at) + 1);
  setRules(v, world, world.presentations[presentation], at, c, true);
  v.lightFit = !e?.light || e.light.length === 0 || v.light < 0 ? -1 : e.light.includes(v.light) ? 0 : 2;
}

function monthOf(at: number): number {
  return new Date(at).getUTCMonth();
}

function coverFit(e: Envelope | null, structure: string | null | undefined): number {
  if (!e?.cover || e.cover.length === 0 || !structure) return -1;
  return e.cover.includes(structure) ? 0 : 2;
}

function seasonFit(e: Envelope | null, month: number): number {
  if (!e?.months || e.months.length === 0) return -1;
  if (e.months.includes(month)) return 0;
  return e.months.includes((month % 12) + 1) || e.months.includes(((month + 10) % 12) + 1) ? 1 : 2;
}

function solarHour(at: number, lonDeg: number): number {
  return (((at / HOUR + lonDeg / 15) % 24) + 24) % 24;
}
