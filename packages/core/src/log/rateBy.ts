// What the log gave by tide, wind, hour and bait: fish for rod-hours in groups, each with its range and how much stands behind it.
import { gammaQuantile } from '../catchrate/distributions';
import { beaufort } from '../exposure/feels';
import { nth, num } from '../units/indexed';

/** A set of the log, with what is known of the water then. */
export interface LoggedSet {
  readonly rodHours: number;
  readonly fish: number;
  readonly presentation: string;
  readonly spot: string;
  /** Month of the local day, 1 to 12. */
  readonly month: number;
  /** Local hour of its middle, 0 to 23. */
  readonly hour: number;
  readonly tideStage: number | null;
  readonly sinceTurnH: number | null;
  readonly windMps: number | null;
  readonly waterTempC: number | null;
  readonly sunHeightDeg: number | null;
  readonly clarityM: number | null;
}

export const LOG_AXES = ['tide', 'turn', 'wind', 'water', 'light', 'clarity', 'hour', 'month', 'bait', 'spot'] as const;
export type LogAxis = (typeof LOG_AXES)[number];

export interface RateGroup {
  /** What its sets have in common; sentences carry figures with their kinds. */
  readonly name: string;
  readonly sets: number;
  readonly fish: number;
  readonly rodHours: number;
  /** Fish a rod-hour, and what it may well be: 8 of 10 such logs lie within. */
  readonly rate: number;
  readonly lo80: number;
  readonly hi80: number;
  /** Too little to go by. */
  readonly thin: boolean;
}

export interface RatesBy {
  readonly groups: readonly RateGroup[];
  /** Sets of which nobody knows where they belong. */
  readonly unknown: { readonly sets: number; readonly rodHours: number };
  /** How much more sets differ than by chance alone, 1 or more. */
  readonly spread: number;
}

/** Under so many rod-hours or sets a group is thin (common practice: a week of one rod). */
const THIN_HOURS = 10;
const THIN_SETS = 5;
/** Named places and baits that are shown; the others are summed. */
const MOST_NAMED = 14;
const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

/** Which group a set is of: its place on the axis and its name; null where it is not known. */
type Place = readonly [order: number, name: string] | null;

const STAGES = ['first run-in', 'mid run-in', 'mid run-in', 'last run-in', 'first run-out', 'mid run-out', 'mid run-out', 'last run-out'];
const STAGE_ORDER = [0, 1, 1, 2, 3, 4, 4, 5];

const PLACES: Record<LogAxis, (s: LoggedSet) => Place> = {
  tide: ({ tideStage }) => {
    if (tideStage === null) return null;
    const k = Math.min(7, Math.floor(tideStage * 8));
    return [num(STAGE_ORDER, k), nth(STAGES, k)];
  },
  turn: ({ sinceTurnH }) => {
    if (sinceTurnH === null) return null;
    const k = Math.min(6, Math.floor(sinceTurnH));
    return [k, k === 6 ? '6 and more' : `${k} to ${k + 1}`];
  },
  wind: ({ windMps }) => {
    if (windMps === null) return null;
    const force = Math.min(7, beaufort(windMps));
    return [force, force === 7 ? '7 and more' : String(force)];
  },
  water: ({ waterTempC }) => {
    if (waterTempC === null) return null;
    const from = 2 * Math.floor(waterTempC / 2);
    return [from, `{temp ${from} 0}`];
  },
  light: ({ sunHeightDeg: h }) => {
    if (h === null) return null;
    return h < -6 ? [0, 'night'] : h < 6 ? [1, 'dawn and dusk'] : h < 25 ? [2, 'low sun'] : [3, 'high sun'];
  },
  clarity: ({ clarityM: c }) => {
    if (c === null) return null;
    return c < 0.5 ? [0, 'muddy'] : c < 1.5 ? [1, 'coloured'] : c < 3 ? [2, 'fair'] : [3, 'clear'];
  },
  hour: ({ hour }) => {
    const from = 2 * Math.floor(hour / 2);
    return [from, `${String(from).padStart(2, '0')} to ${String(from + 2).padStart(2, '0')}`];
  },
  month: ({ month }) => [month, nth(MONTHS, month - 1)],
  bait: ({ presentation }) => [0, presentation],
  spot: ({ spot }) => [0, spot],
};

/** Axes whose groups are names, shown by their effort. */
const NAMED: readonly LogAxis[] = ['bait', 'spot'];

/**
 * Rates in groups. The range is that of a Poisson count (Garwood 1936) widened by how much more the sets differ than by chance alone
 * (Pearson's dispersion within groups, at least 1).
 * @param sets - Fish 0 or more, rod-hours above 0.
 */
export function rateBy(sets: readonly LoggedSet[], axis: LogAxis): RatesBy {
  const groups = new Map<string, { order: number; name: string; sets: LoggedSet[] }>();
  const unknown = { sets: 0, rodHours: 0 };
  for (const s of sets) {
    if (!(s.rodHours > 0)) continue;
    const place = PLACES[axis](s);
    if (place === null) {
      unknown.sets++;
      unknown.rodHours += s.rodHours;
      continue;
    }
    const known = groups.get(place[1]) ?? { order: place[0], name: place[1], sets: [] };
    known.sets.push(s);
    groups.set(place[1], known);
  }
  const spread = dispersionOf([...groups.values()].map((g) => g.sets));
  const told = [...groups.values()].map((g) => ({ order: g.order, ...groupOf(g.name, g.sets, spread) }));
  if (NAMED.includes(axis)) {
    told.sort((a, b) => b.rodHours - a.rodHours || a.name.localeCompare(b.name));
    told.length = Math.min(told.length, MOST_NAMED);
    told.sort((a, b) => b.rate - a.rate);
  } else told.sort((a, b) => a.order - b.order);
  return { groups: told.map(({ order: _, ...g }) => g), unknown, spread };
}

function groupOf(name: string, sets: readonly LoggedSet[], spread: number): RateGroup {
  const fish = sets.reduce((n, s) => n + s.fish, 0);
  const rodHours = sets.reduce((n, s) => n + s.rodHours, 0);
  return {
    name,
    sets: sets.length,
    fish,
    rodHours,
    rate: fish / rodHours,
    ...rateInterval(fish, rodHours, 0.8, spread),
    thin: rodHours < THIN_HOURS || sets.length < THIN_SETS,
  };
}

/**
 * Range of a rate from a count: exact for Poisson (Garwood 1936) where the spread is 1.
 * @param share - Of such ranges that hold the truth, 0 to 1. @param spread - Variance over mean, 1 or more.
 */
export function rateInterval(fish: number, hours: number, share: number, spread: number): { lo80: number; hi80: number } {
  if (!(fish >= 0 && hours > 0)) throw new RangeError(`rate: expected fish of 0 or more and hours above 0, got ${fish} and ${hours}`);
  if (!(share > 0 && share < 1)) throw new RangeError(`share: expected between 0 and 1, got ${share}`);
  if (!(spread >= 1)) throw new RangeError(`spread: expected 1 or more, got ${spread}`);
  const tail = (1 - share) / 2;
  const [count, effort] = [fish / spread, hours / spread];
  return {
    lo80: fish === 0 ? 0 : gammaQuantile(tail, count, effort),
    hi80: gammaQuantile(1 - tail, count + 1, effort),
  };
}

/** Pearson's dispersion of counts within groups, at least 1; 1 where nothing can be said. */
function dispersionOf(groups: readonly (readonly LoggedSet[])[]): number {
  let [chi, freedom] = [0, 0];
  for (const sets of groups) {
    const fish = sets.reduce((n, s) => n + s.fish, 0);
    const hours = sets.reduce((n, s) => n + s.rodHours, 0);
    if (fish === 0 || sets.length < 2) continue;
    for (const s of sets) {
      const mean = (fish / hours) * s.rodHours;
      chi += (s.fish - mean) ** 2 / mean;
    }
    freedom += sets.length - 1;
  }
  return freedom === 0 ? 1 : Math.max(1, chi / freedom);
}
