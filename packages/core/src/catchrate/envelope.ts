// Where a family of baits is meant to work: one line for each figure of the water that it may have limits of. The stored columns, the
// checks of what is typed, the fields of the sheet and the groups of the ranking all come from this table.
// The multipliers near and outside the limits are common practice; no published source. The log overrules them.
import type { Measure } from '../units/measure';

interface Span {
  readonly key: string;
  /** The figure of the water, as conditions name it. */
  readonly of: string;
  readonly lo: string;
  readonly hi: string;
  readonly measure: Measure;
  /** Least and greatest that may be typed, in the units of the names. */
  readonly least: number;
  readonly most: number;
  /** Limits that a new family begins with; null where it has none, and may have none. */
  readonly start: readonly [number, number] | null;
  /** How far outside its limits it still fishes, in the same units. */
  readonly near: (hi: number) => number;
  /** Its field on a family's sheet, and the words about it in a line: "clarity from 1 m". */
  readonly label: string;
  readonly before: string;
  readonly after: string;
  /** How a call names its factor, and why. */
  readonly group: string;
  readonly why: string;
  /** Catch near the limits and outside them, as a share of that inside. */
  readonly nearShare: number;
  readonly outsideShare: number;
  /** What a call says is missing when it is not known; nothing where this is left out. */
  readonly missing?: string;
}

export const ENVELOPE_SPANS = [
  {
    key: 'depth',
    of: 'depthM',
    lo: 'depthMinM',
    hi: 'depthMaxM',
    measure: 'depth',
    least: 0,
    most: 500,
    start: [0.5, 4],
    near: (hi) => Math.max(0.5, 0.3 * hi),
    label: 'Depth',
    before: '',
    after: ' deep',
    group: 'depth for the presentation',
    why: 'a bait fishes best at the depth that its kind is made for',
    nearShare: 0.7,
    outsideShare: 0.4,
    missing: 'depth',
  },
  {
    key: 'temp',
    of: 'waterTempC',
    lo: 'tempMinC',
    hi: 'tempMaxC',
    measure: 'temp',
    least: -2,
    most: 40,
    start: [6, 22],
    near: () => 3,
    label: 'Water',
    before: '',
    after: '',
    group: 'temperature for the presentation',
    why: 'a kind of bait has its temperatures',
    nearShare: 0.75,
    outsideShare: 0.45,
  },
  {
    key: 'clarity',
    of: 'clarityM',
    lo: 'clarityMinM',
    hi: 'clarityMaxM',
    measure: 'depth',
    least: 0,
    most: 60,
    start: null,
    near: () => 0.5,
    label: 'Clarity',
    before: 'clarity ',
    after: '',
    group: 'clarity for the presentation',
    why: 'a kind of bait has its clarity',
    nearShare: 0.9,
    outsideShare: 0.7,
  },
  {
    key: 'wind',
    of: 'windMps',
    lo: 'windMinMps',
    hi: 'windMaxMps',
    measure: 'wind',
    least: 0,
    most: 40,
    start: null,
    near: () => 2,
    label: 'Wind',
    before: 'wind ',
    after: '',
    group: 'wind for the presentation',
    why: 'some kinds of bait want a ripple, some a calm',
    nearShare: 0.9,
    outsideShare: 0.7,
  },
  {
    key: 'current',
    of: 'currentMps',
    lo: 'currentMinMps',
    hi: 'currentMaxMps',
    measure: 'current',
    least: 0,
    most: 5,
    start: null,
    near: () => 0.2,
    label: 'Current',
    before: 'current ',
    after: '',
    group: 'current for the presentation',
    why: 'a kind of bait needs its current',
    nearShare: 0.9,
    outsideShare: 0.75,
  },
] as const satisfies readonly Span[];

export type EnvelopeSpan = (typeof ENVELOPE_SPANS)[number];
/** Spans that every family has, and those that it may leave open. */
export type ClosedSpan = Exclude<EnvelopeSpan, { start: null }>;
export type OpenSpan = Extract<EnvelopeSpan, { start: null }>;

/** Limits of a family, in the units of their names; null or absent is open. */
export type EnvelopeLimits = { readonly [K in ClosedSpan['lo' | 'hi']]: number } & {
  readonly [K in OpenSpan['lo' | 'hi']]?: number | null;
};

/** Limits as they are stored and sent: each is there. */
export type StoredLimits = { [K in ClosedSpan['lo' | 'hi']]: number } & { [K in OpenSpan['lo' | 'hi']]: number | null };

/** Where a presentation is meant to work: its family's envelope. Absent limits are open. */
export interface Envelope extends EnvelopeLimits {
  /** Light in which it shines: bands of LIGHT_NAMES; empty is any. */
  readonly light?: readonly number[];
  /** Structures that it is made for; empty is any. */
  readonly cover?: readonly string[];
  /** Months (1 to 12) of its season; empty is any. */
  readonly months?: readonly number[];
}
