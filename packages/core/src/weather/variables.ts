// Everything that is measured on or over a water: the one place that knows a variable. Its checks, the units and headings that files have
// it in, whether the crew types it, what it is called, and how the ribbon draws it all stand here; a new one is a new entry.
import { ANGLES, CONTENTS, FLOWS, type InputUnit, LENGTHS, LONG_WAYS, PRESSURES, SHARES, SPEEDS, TEMPERATURES } from '../units/inputUnits';
import type { Measure } from '../units/measure';

/** Gross range and limits of the quality checks, SI. */
export interface Limits {
  readonly min: number;
  readonly max: number;
  /** A jump away from both neighbours beyond this is a spike. */
  readonly spike: number;
  /** Change per hour beyond which a reading is suspect. */
  readonly ratePerH: number;
  /** Hours without any change after which the sensor counts as stuck; null where standing still is normal. */
  readonly flatH: number | null;
  /** Difference from a neighbouring station beyond which both are suspect; null where places differ by nature. */
  readonly neighbour: number | null;
}

export interface Variable {
  /** What it is called within a sentence. */
  readonly words: string;
  readonly measure: Measure;
  /** Digits after the point that a reading is worth in metric units. */
  readonly digits: number;
  readonly limits: Limits;
  /** Units that files have it in; the first is SI. */
  readonly units: readonly InputUnit[];
  /** A column's heading that means it; the first variable whose pattern fits is taken. Null where tables do not have it. */
  readonly heading: RegExp | null;
  /** What it is called where the crew types it in; left out where nobody reads it by eye or hand. */
  readonly typed?: string;
  /** Other years of the season are looked at: outside their range a reading is suspect. */
  readonly seasonal?: boolean;
  /** Mean difference over common hours from which two stations are said to disagree. */
  readonly disagree?: number;
  /** How the ribbon draws it: its name there, and for how many hours the last reading is carried forward. */
  readonly lane?: { readonly name: string; readonly carryH: number; readonly dots?: boolean };
}

const FREE = Number.POSITIVE_INFINITY;
const LOOSE = { spike: FREE, ratePerH: FREE, flatH: null, neighbour: null } as const;

// Limits after common practice for inshore stations; those of oxygen after what water can hold at all (20 mg/l in the cold, supersaturated).
export const VARIABLES = {
  windGustMps: {
    words: 'gusts',
    measure: 'wind',
    digits: 1,
    limits: { min: 0, max: 80, spike: 20, ratePerH: 30, flatH: 4, neighbour: 10 },
    units: SPEEDS,
    heading: /gust/i,
  },
  windFromDeg: {
    words: 'wind direction',
    measure: 'bearing',
    digits: 0,
    limits: { min: 0, max: 360, ...LOOSE },
    units: ANGLES,
    heading: /(wind.*(dir|from|bearing)|^(dir|wdir|wd)\b)/i,
  },
  windMps: {
    words: 'wind',
    measure: 'wind',
    digits: 1,
    limits: { min: 0, max: 60, spike: 12, ratePerH: 20, flatH: 4, neighbour: 7 },
    units: SPEEDS,
    heading: /(wind|^ws\b|wspd)/i,
    disagree: 2.5,
  },
  dewPointC: {
    words: 'dew point',
    measure: 'temp',
    digits: 1,
    limits: { min: -60, max: 40, spike: 8, ratePerH: 12, flatH: null, neighbour: null },
    units: TEMPERATURES,
    heading: /(dew|^td\b)/i,
  },
  waterTempC: {
    words: 'water temperature',
    measure: 'temp',
    digits: 1,
    limits: { min: -2, max: 36, spike: 3, ratePerH: 5, flatH: 24, neighbour: 4 },
    units: TEMPERATURES,
    heading: /((water|sea).*temp|^wt\b|wtmp|water_temperature|sst)/i,
    typed: 'Water temperature',
    seasonal: true,
    disagree: 0.8,
    lane: { name: 'Water', carryH: 12 },
  },
  airTempC: {
    words: 'air temperature',
    measure: 'temp',
    digits: 1,
    limits: { min: -40, max: 50, spike: 6, ratePerH: 9, flatH: 8, neighbour: 6 },
    units: TEMPERATURES,
    heading: /(air.*temp|^at\b|atmp|^temp)/i,
    seasonal: true,
    disagree: 2,
    lane: { name: 'Air', carryH: 3 },
  },
  pressureHpa: {
    words: 'pressure',
    measure: 'pressure',
    digits: 0,
    limits: { min: 870, max: 1085, spike: 8, ratePerH: 10, flatH: 12, neighbour: 4 },
    units: PRESSURES,
    heading: /(press|baro|^bp\b|hpa|mbar)/i,
    seasonal: true,
    disagree: 2,
    lane: { name: 'Pressure', carryH: 3 },
  },
  cloud: {
    words: 'cloud',
    measure: 'share',
    digits: 0,
    limits: { min: 0, max: 1, ...LOOSE },
    units: SHARES,
    heading: /(cloud|okta)/i,
  },
  waterLevelM: {
    words: 'level',
    measure: 'height',
    digits: 2,
    limits: { min: -5, max: 12, spike: 1.5, ratePerH: 3, flatH: 4, neighbour: null },
    units: LENGTHS,
    heading: /(level|stage|gauge|height|^wl\b)/i,
    typed: 'Level above datum',
    disagree: 0.15,
  },
  clarityM: {
    words: 'clarity',
    measure: 'depth',
    digits: 1,
    limits: { min: 0.05, max: 40, ...LOOSE },
    units: LENGTHS,
    heading: /(secchi|clarity)/i,
    typed: 'Clarity (Secchi depth)',
    lane: { name: 'Clarity', carryH: 96, dots: true },
  },
  visibilityM: {
    words: 'visibility',
    measure: 'way',
    digits: 1,
    limits: { min: 0, max: 100_000, ...LOOSE },
    units: LONG_WAYS,
    heading: /(visib)/i,
  },
  flowM3s: {
    words: 'flow',
    measure: 'flow',
    digits: 1,
    limits: { min: 0, max: 5000, spike: 200, ratePerH: 400, flatH: null, neighbour: null },
    units: FLOWS,
    heading: /(flow|discharge|^q\b|cfs)/i,
    lane: { name: 'Flow', carryH: 48 },
  },
  thunder: { words: 'thunder', measure: 'share', digits: 0, limits: { min: 0, max: 1, ...LOOSE }, units: SHARES, heading: null },
  oxygenMgl: {
    words: 'dissolved oxygen',
    measure: 'dissolved',
    digits: 1,
    limits: { min: 0, max: 20, spike: 6, ratePerH: 6, flatH: 24, neighbour: null },
    units: CONTENTS,
    heading: /(oxygen|^do\b)/i,
    typed: 'Dissolved oxygen',
    lane: { name: 'Oxygen', carryH: 12 },
  },
} as const satisfies Record<string, Variable>;

export type VariableName = keyof typeof VARIABLES;

/** Whether a name is that of a variable the product knows; names inherited by every object are not. */
export function isVariable(name: string): name is VariableName {
  return Object.hasOwn(VARIABLES, name);
}

/** A variable by name. Throws RangeError when there is none of that name. */
export function variable(name: string): Variable {
  if (!isVariable(name)) throw new RangeError(`variable: unknown ${name}; known are ${Object.keys(VARIABLES).join(', ')}`);
  return VARIABLES[name];
}

/** What a variable is called; a name that is not known, such as "note", as it stands. */
export const variableWords = (name: string): string => (isVariable(name) ? VARIABLES[name].words : name);

/** Names and variables, in the order in which a column's heading is looked up. */
// biome-ignore lint/plugin: Object.entries forgets the names of the keys.
export const ALL_VARIABLES: readonly (readonly [VariableName, Variable])[] = Object.entries(VARIABLES) as [VariableName, Variable][];
