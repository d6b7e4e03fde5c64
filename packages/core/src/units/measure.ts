// Quantities as people say them. Inside everything is SI; a sentence carries its figures with their kinds, such as {wind 7.2}, and is
// put into a person's own units where it is read. Factors: NIST SP 811 (international foot, yard-based fathom, knot, pound, US gallon).
import { localDate, localTime } from './time';

/** What each kind of figure can be measured in, and how times and dates can be written. */
export const UNIT_CHOICES = {
  depth: ['m', 'ft', 'fathoms'],
  speed: ['m/s', 'kn', 'mph', 'km/h'],
  temp: ['°C', '°F'],
  length: ['cm', 'in'],
  mass: ['kg', 'lb'],
  distance: ['km', 'nmi', 'mi'],
  volume: ['l', 'gal'],
  pressure: ['hPa', 'inHg'],
  clock: ['24', '12'],
  dates: ['day first', 'month first'],
} as const;

/** What one person has chosen of each. */
export type Units = { readonly [K in keyof typeof UNIT_CHOICES]: (typeof UNIT_CHOICES)[K][number] };

export const METRIC: Units = {
  depth: 'm',
  speed: 'm/s',
  temp: '°C',
  length: 'cm',
  mass: 'kg',
  distance: 'km',
  volume: 'l',
  pressure: 'hPa',
  clock: '24',
  dates: 'day first',
};
export const US: Units = {
  depth: 'ft',
  speed: 'kn',
  temp: '°F',
  length: 'in',
  mass: 'lb',
  distance: 'nmi',
  volume: 'gal',
  pressure: 'inHg',
  clock: '12',
  dates: 'month first',
};

interface Unit {
  readonly unit: string;
  /** From SI: divided by this, then moved by the offset. */
  readonly per: number;
  readonly plus?: number;
}

const FT: Unit = { unit: 'ft', per: 0.3048 };
const KN: Unit = { unit: 'kn', per: 1852 / 3600 };
const SPEEDS: Record<Units['speed'], Unit> = {
  'm/s': { unit: 'm/s', per: 1 },
  kn: KN,
  mph: { unit: 'mph', per: 0.44704 },
  'km/h': { unit: 'km/h', per: 1 / 3.6 },
};
const M: Unit = { unit: 'm', per: 1 };

/** Each choice of a person with its unit: one that is added to the choices is asked for here by the compiler. */
const by =
  <K extends keyof Units>(kind: K, units: Record<Units[K], Unit>) =>
  (u: Units): Unit =>
    units[u[kind]];
const always = (unit: string, per: number) => (): Unit => ({ unit, per });
const IN: Unit = { unit: 'in', per: 25.4 };
const CFS: Unit = { unit: 'cfs', per: 0.3048 ** 3 };

/** Kinds of figures with the unit of each for a person; the value inside is in the unit named. */
const MEASURES = {
  /** Water depth, clarity, metres. */
  depth: by('depth', { m: M, ft: FT, fathoms: { unit: 'fathoms', per: 1.8288 } }),
  /** Tide, wave, short lengths on the water, metres. */
  height: by('depth', { m: M, ft: FT, fathoms: FT }),
  /** Wind, metres a second. */
  wind: by('speed', SPEEDS),
  /** Current and a boat's own speed, metres a second. */
  current: by('speed', { ...SPEEDS, mph: KN }),
  temp: by('temp', { '°C': { unit: '°C', per: 1 }, '°F': { unit: '°F', per: 1 / 1.8, plus: 32 } }),
  /** A difference of temperatures. */
  warmer: by('temp', { '°C': { unit: '°C', per: 1 }, '°F': { unit: '°F', per: 1 / 1.8 } }),
  /** Length of a fish or a bait, millimetres. */
  fish: by('length', { cm: { unit: 'cm', per: 10 }, in: IN }),
  /** Length of a fish as rules write it, millimetres. */
  rule: by('length', { cm: { unit: 'mm', per: 1 }, in: IN }),
  /** Weight of a fish, strength of a line, kilograms. */
  weight: by('mass', { kg: { unit: 'kg', per: 1 }, lb: { unit: 'lb', per: 0.45359237 } }),
  /** Weight of a head or lure, grams. */
  lead: by('mass', { kg: { unit: 'g', per: 1 }, lb: { unit: 'oz', per: 28.349523125 } }),
  /** A way under 1 km, metres. */
  near: by('distance', { km: M, nmi: FT, mi: FT }),
  /** A way over the water, metres. */
  way: by('distance', { km: { unit: 'km', per: 1000 }, nmi: { unit: 'nmi', per: 1852 }, mi: { unit: 'mi', per: 1609.344 } }),
  fuel: by('volume', { l: { unit: 'l', per: 1 }, gal: { unit: 'gal', per: 3.785411784 } }),
  pressure: by('pressure', { hPa: { unit: 'hPa', per: 1 }, inHg: { unit: 'inHg', per: 33.86389 } }),
  /** Flow of a stream, cubic metres a second. */
  flow: by('depth', { m: { unit: 'm³/s', per: 1 }, ft: CFS, fathoms: CFS }),
  /** What has the same unit for everybody: share 0 to 1, degrees, milligrams a litre. */
  share: always('%', 0.01),
  bearing: always('°', 1),
  dissolved: always('mg/l', 1),
} as const;

/** A kind of figure. */
export type Measure = keyof typeof MEASURES;

/** A figure as it is shown. */
export interface Figure {
  readonly text: string;
  readonly unit: string;
}

/** A value of SI in a person's unit, unrounded. */
export function toShown(value: number, measure: Measure, units: Units): number {
  const { per, plus = 0 } = MEASURES[measure](units);
  return value / per + plus;
}

/** A value in a person's unit back to SI, rounded to what a figure typed by hand can mean (seven digits). */
export function fromShown(shown: number, measure: Measure, units: Units): number {
  const { per, plus = 0 } = MEASURES[measure](units);
  return Number(((shown - plus) * per).toPrecision(7));
}

/** Name of a person's unit for a kind of figure. */
export function unitOf(measure: Measure, units: Units): string {
  return MEASURES[measure](units).unit;
}

/**
 * A value as a person reads it.
 * @param digits - Digits after the point that the value is worth in metric units; in others it gets as many as are worth as much, one
 * more where the figure is under 10.
 */
export function figure(value: number, measure: Measure, units: Units, digits: number): Figure {
  const { per, plus = 0, unit } = MEASURES[measure](units);
  const metric = MEASURES[measure](METRIC);
  const shown = value / per + plus;
  const step = (10 ** -digits * metric.per) / per;
  const wanted = per === metric.per ? digits : Math.abs(shown) < 10 ? Math.ceil(-Math.log10(step) - 0.3) : Math.round(-Math.log10(step));
  const text = shown.toFixed(Math.min(4, Math.max(0, wanted)));
  return { text: /^-0(\.0*)?$/.test(text) ? text.slice(1) : text, unit };
}

/** The same as one text: "3.2 m". */
export function measured(value: number, measure: Measure, units: Units, digits: number): string {
  const { text, unit } = figure(value, measure, units, digits);
  return unit === '°' ? text + unit : `${text} ${unit}`;
}

/** A figure within a sentence, with its kind: {depth 3.2}. It is put into words by `inUnits` where it is read. */
export function said(value: number, measure: Measure, digits: number): string {
  const metric = MEASURES[measure](METRIC);
  // Kept in the unit that its digits are counted in, so that metric readers see it as it was written.
  return `{${measure} ${(value / metric.per).toFixed(digits)}}`;
}

/** The same without its unit, for the first figure of a range: {depth# 2} to {depth 5}. */
export const saidBare = (value: number, measure: Measure, digits: number): string =>
  said(value, measure, digits).replace(`{${measure} `, `{${measure}# `);

/** The clock time of an instant within a sentence: {clock 15:05}. */
export const saidTime = (atMs: number, zone: string): string => `{clock ${localTime(atMs, zone)}}`;

/** The day of an instant within a sentence: {date 2026-06-19}. */
export const saidDay = (atMs: number, zone: string): string => saidDate(localDate(atMs, zone));

/** A calendar date within a sentence. */
export const saidDate = (date: string): string => `{date ${date}}`;

const CARRIED = new RegExp(`\\{(clock|date|${Object.keys(MEASURES).join('|')})(#?) (-?\\d[\\d.:-]*)\\}`, 'g');

/** Puts every figure that a sentence carries into a person's units; a text without any stays as it is. */
export function inUnits(text: string, units: Units): string {
  if (!text.includes('{')) return text;
  return text.replace(CARRIED, (_, kind: Measure | 'clock' | 'date', bare: string, carried: string) => {
    if (kind === 'clock') return clockWords(carried, units);
    if (kind === 'date') return dateWords(carried, units);
    const digits = carried.split('.')[1]?.length ?? 0;
    const value = Number(carried) * MEASURES[kind](METRIC).per;
    return bare ? figure(value, kind, units, digits).text : measured(value, kind, units, digits);
  });
}

/** Sentences within any plain data, such as an answer, put into metric units and a clock of 24 hours. */
export function inMetric<T>(data: T): T {
  return JSON.parse(inUnits(JSON.stringify(data), METRIC));
}

/** "15:05" or "3:05 pm" of HH:MM. */
export function clockWords(hhmm: string, units: Units): string {
  if (units.clock === '24') return hhmm;
  const hour = Number(hhmm.slice(0, 2));
  return `${hour % 12 === 0 ? 12 : hour % 12}${hhmm.slice(2)} ${hour < 12 ? 'am' : 'pm'}`;
}

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

/** "Fri 19 June" or "Fri June 19" of YYYY-MM-DD. */
export function dateWords(date: string, units: Units): string {
  const d = new Date(`${date}T00:00:00Z`);
  const [day, month] = [d.getUTCDate(), MONTHS[d.getUTCMonth()]];
  return `${DAYS[d.getUTCDay()]} ${units.dates === 'day first' ? `${day} ${month}` : `${month} ${day}`}`;
}
