// Reads the crew's own copy of the rules. A verdict never permits: it says what the copy says. The stricter rule speaks.

/** Which length a rule or a measurement means. Fork is never longer than total, standard never longer than fork. */
export type LengthKind = 'total' | 'fork' | 'standard';
const ORDER: Record<LengthKind, number> = { standard: 0, fork: 1, total: 2 };

interface RuleBase {
  readonly id: string;
  readonly species: string;
  /** Zone it holds in; null holds everywhere. */
  readonly zone: string | null;
}

export type Rule = RuleBase &
  (
    | { readonly kind: 'length'; readonly minMm: number | null; readonly maxMm: number | null; readonly lengthKind: LengthKind }
    | { readonly kind: 'bag'; readonly perAngler: number }
    /** Closed from one month-day to another, both included; may pass the year's end. */
    | { readonly kind: 'closed'; readonly from: string; readonly to: string }
  );

export interface Verdict {
  readonly decision: 'may keep' | 'must release' | 'no rule on file';
  readonly reasons: readonly string[];
  readonly limits: readonly string[];
}

/**
 * What the crew's copy says of one fish.
 * @param q.date - Local date, YYYY-MM-DD. @param q.keptToday - Of this species by this angler so far.
 */
export function verdict(q: {
  rules: readonly Rule[];
  zone: string | null;
  date: string;
  fish: { species: string; lengthMm: number | null; lengthKind: LengthKind };
  keptToday: number;
}): Verdict {
  const { fish } = q;
  if (fish.lengthMm !== null && !(fish.lengthMm > 0)) throw new RangeError(`lengthMm: expected more than 0, got ${fish.lengthMm}`);
  const rules = q.rules.filter((r) => r.species === fish.species && (r.zone === null || r.zone === q.zone));
  if (rules.length === 0) {
    return { decision: 'no rule on file', reasons: ['no rule on file, check before keeping'], limits: [] };
  }
  const against: string[] = [];
  for (const rule of rules) {
    if (rule.kind === 'bag' && q.keptToday >= rule.perAngler) against.push(`bag of ${rule.perAngler} is full`);
    if (rule.kind === 'closed' && within(q.date.slice(5), rule.from, rule.to)) against.push(`closed from ${rule.from} to ${rule.to}`);
    if (rule.kind === 'length') against.push(...lengthAgainst(rule, fish.lengthMm, fish.lengthKind));
  }
  return {
    decision: against.length > 0 ? 'must release' : 'may keep',
    reasons: against.length > 0 ? against : ["within the crew's copy of the rules"],
    limits: rules.map(limitWords),
  };
}

function lengthAgainst(rule: Extract<Rule, { kind: 'length' }>, mm: number | null, kind: LengthKind): string[] {
  if (mm === null) return [`not measured; ${limitWords(rule)}`];
  const against: string[] = [];
  const same = kind === rule.lengthKind;
  if (rule.minMm !== null && mm < rule.minMm) {
    // A shorter kind under the limit leaves it open: the asked-for length may still reach it.
    against.push(
      same || ORDER[kind] > ORDER[rule.lengthKind]
        ? `${mm} mm ${kind} is under ${rule.minMm} mm ${rule.lengthKind}`
        : `${mm} mm ${kind} does not show ${rule.minMm} mm ${rule.lengthKind}; measure ${rule.lengthKind} length`,
    );
  } else if (rule.minMm !== null && ORDER[kind] > ORDER[rule.lengthKind]) {
    against.push(`${mm} mm ${kind} does not show ${rule.minMm} mm ${rule.lengthKind}; measure ${rule.lengthKind} length`);
  }
  if (rule.maxMm !== null && mm > rule.maxMm) {
    against.push(
      same || ORDER[kind] < ORDER[rule.lengthKind]
        ? `${mm} mm ${kind} is over ${rule.maxMm} mm ${rule.lengthKind}`
        : `${mm} mm ${kind} does not show ${rule.maxMm} mm ${rule.lengthKind}; measure ${rule.lengthKind} length`,
    );
  } else if (rule.maxMm !== null && ORDER[kind] < ORDER[rule.lengthKind]) {
    against.push(`${mm} mm ${kind} does not show under ${rule.maxMm} mm ${rule.lengthKind}; measure ${rule.lengthKind} length`);
  }
  return against;
}

/** The rule that closes a species on a local date (YYYY-MM-DD) in a zone, or null. */
export function closedBy(rules: readonly Rule[], species: string, zone: string | null, date: string): Rule | null {
  return (
    rules.find(
      (r) => r.kind === 'closed' && r.species === species && (r.zone === null || r.zone === zone) && within(date.slice(5), r.from, r.to),
    ) ?? null
  );
}

/** A rule in words. */
export function limitWords(rule: Rule): string {
  if (rule.kind === 'bag') return `${rule.perAngler} per angler and day`;
  if (rule.kind === 'closed') return `closed ${rule.from} to ${rule.to}`;
  if (rule.minMm !== null && rule.maxMm !== null) return `${rule.minMm} to ${rule.maxMm} mm ${rule.lengthKind} length`;
  return rule.minMm !== null ? `at least ${rule.minMm} mm ${rule.lengthKind} length` : `at most ${rule.maxMm} mm ${rule.lengthKind} length`;
}

function within(day: string, from: string, to: string): boolean {
  return from <= to ? day >= from && day <= to : day >= from || day <= to;
}
