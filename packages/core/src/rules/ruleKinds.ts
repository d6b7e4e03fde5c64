// The kinds of rules that a crew's copy holds, and what each of them says: one entry for each. What is checked, what stands in a file of
// rules and what is typed come from this table; what a rule means for a fish is in verdict.ts.

/**
 * Which length a rule or a measurement means. Fork is never longer than total, standard never longer than fork; the width of a ray's
 * disc says nothing of the others.
 */
export type LengthKind = 'total' | 'fork' | 'standard' | 'disc';
export const LENGTH_KINDS: readonly LengthKind[] = ['total', 'fork', 'standard', 'disc'];

/** Most words of a rule that says how it may be fished. */
export const MOST_WORDS = 200;
/** Longest fish that a rule may speak of, mm. */
export const MOST_MM = 5000;

export type RuleField =
  /** A length of a fish, mm. */
  | { readonly type: 'mm'; readonly label: string; readonly column: string; readonly needed?: true }
  /** A number of fish or days. */
  | {
      readonly type: 'count';
      readonly label: string;
      readonly column: string;
      readonly needed?: true;
      /** Rules that were written down before it was asked for say nothing of it. */
      readonly later?: true;
      readonly least: number;
      readonly most: number;
    }
  /** A day of any year, MM-DD. */
  | { readonly type: 'day'; readonly label: string; readonly column: string; readonly like: string }
  | { readonly type: 'words'; readonly label: string; readonly column: string }
  | { readonly type: 'measured'; readonly label: string; readonly column: string };

interface RuleKind {
  /** What the form says that it sets. */
  readonly sets: string;
  readonly fields: { readonly [name: string]: RuleField };
  /** Fields of which one at least must say something, and what is said where none does. */
  readonly some?: { readonly of: readonly string[]; readonly fault: string };
  /** Two lengths of which the first is not the longer. */
  readonly ordered?: readonly [string, string];
}

const MEASURED = { type: 'measured', label: 'Measured', column: 'measured' } as const;
const WORDS = { words: { type: 'words', label: 'In words', column: 'words' } } as const;

export const RULE_KINDS = {
  length: {
    sets: 'least or greatest length',
    fields: {
      minMm: { type: 'mm', label: 'Least', column: 'least' },
      maxMm: { type: 'mm', label: 'Greatest', column: 'most' },
      lengthKind: MEASURED,
    },
    some: { of: ['minMm', 'maxMm'], fault: 'a length rule needs a least or a greatest length' },
    ordered: ['minMm', 'maxMm'],
  },
  /** Fish from one length to another, both included, are protected. */
  slot: {
    sets: 'lengths that go back',
    fields: {
      fromMm: { type: 'mm', label: 'From', column: 'least', needed: true },
      toMm: { type: 'mm', label: 'to', column: 'most', needed: true },
      lengthKind: MEASURED,
    },
    ordered: ['fromMm', 'toMm'],
  },
  /** Fish a day: for each angler, for the boat, or both. */
  bag: {
    sets: 'fish a day',
    fields: {
      perAngler: { type: 'count', label: 'For each angler', column: 'angler', least: 0, most: 500 },
      perBoat: { type: 'count', label: 'For the boat', column: 'boat', later: true, least: 0, most: 2000 },
    },
    some: { of: ['perAngler', 'perBoat'], fault: 'a bag needs a number for each angler or for the boat' },
  },
  /** Fish that an angler may hold of so many days, this one included. */
  possession: {
    sets: 'fish held over some days',
    fields: {
      perAngler: { type: 'count', label: 'For each angler', column: 'angler', needed: true, least: 0, most: 500 },
      days: { type: 'count', label: 'Over how many days', column: 'days', needed: true, least: 1, most: 60 },
    },
  },
  /** Closed from one month-day to another, both included; may pass the year's end. */
  closed: {
    sets: 'closed season',
    fields: {
      from: { type: 'day', label: 'From', column: 'from', like: '03-01' },
      to: { type: 'day', label: 'to, that day too', column: 'to', like: '05-15' },
    },
  },
  /** How it may be fished for, in words: nothing that a length can be held against. */
  hook: { sets: 'hooks', fields: WORDS },
  bait: { sets: 'baits', fields: WORDS },
} as const satisfies Record<string, RuleKind>;

type ValueOf<F> = F extends { readonly type: 'words' | 'day' }
  ? string
  : F extends { readonly type: 'measured' }
    ? LengthKind
    : F extends { readonly needed: true }
      ? number
      : number | null;

type Kinds = typeof RULE_KINDS;
type Later<F> = { [N in keyof F]: F[N] extends { readonly later: true } ? N : never }[keyof F];
type Says<F> = { readonly [N in Exclude<keyof F, Later<F>>]: ValueOf<F[N]> } & { readonly [N in Later<F>]?: ValueOf<F[N]> };
export type RuleKindName = keyof Kinds;
/** What a rule says. */
export type RuleBody = {
  [K in RuleKindName]: { readonly kind: K } & Says<Kinds[K]['fields']>;
}[RuleKindName];

// biome-ignore lint/plugin: the keys of the table above
export const RULE_KIND_NAMES = Object.keys(RULE_KINDS) as RuleKindName[];

/** A kind with what not all of them have. */
export const ruleKind = (name: RuleKindName): RuleKind => RULE_KINDS[name];

/** Fields of a kind by their names, in the order in which they are typed. */
export const ruleFields = (name: RuleKindName): [string, RuleField][] => Object.entries(ruleKind(name).fields);

export interface RuleFault {
  readonly field: string;
  /** With the figures as they are kept, and for whoever sees the line that was written. */
  readonly message: string;
  readonly plain: string;
}

/** What is wrong with a rule whose fields are right one by one; null while nothing is. */
export function ruleFault(body: { readonly kind: RuleKindName; readonly [field: string]: unknown }): RuleFault | null {
  const { some, ordered } = ruleKind(body.kind);
  for (const [field, f] of ruleFields(body.kind)) {
    const v = body[field];
    if (f.type === 'count' && typeof v === 'number' && v > f.most)
      return { field, message: `expected at most ${f.most}, got ${v}`, plain: `${f.column} is ${v}, more than ${f.most}` };
  }
  const [only = ''] = some?.of ?? [];
  if (some?.of.every((f) => body[f] === null || body[f] === undefined)) return { field: only, message: some.fault, plain: some.fault };
  if (!ordered) return null;
  const [low, high] = [body[ordered[0]], body[ordered[1]]];
  if (typeof low !== 'number' || typeof high !== 'number' || low <= high) return null;
  const message = `expected at least ${low}, got ${high}: the lengths are crossed`;
  return { field: ordered[1], message, plain: 'its lengths are crossed' };
}
