// Reads the crew's own copy of the rules. A verdict never permits: it says what the copy says. The stricter rule speaks, and
// where the zone is not known every zone's rules do.
import type { LengthKind, RuleBody } from './ruleKinds';
import { dateWords } from './seasonWords';
import { said, saidBare } from '../units/measure';

const ORDER: Record<LengthKind, number | null> = { standard: 0, fork: 1, total: 2, disc: null };

interface RuleBase {
  readonly id: string;
  readonly species: string;
  /** Zone it holds in; null holds everywhere. */
  readonly zone: string | null;
  /** When the crew last held it against its source, YYYY-MM-DD. */
  readonly checkedOn?: string | null;
}

export type Rule = RuleBase & RuleBody;

export interface Verdict {
  readonly decision: 'may keep' | 'must release' | 'no rule on file';
  readonly reasons: readonly string[];
  readonly limits: readonly string[];
}

/** Days after which a copy of a rule is to be held against its source again. */
export const RECHECK_DAYS = 30;

export interface VerdictQuestion {
  readonly rules: readonly Rule[];
  /** Null where it is not known. */
  readonly zone: string | null;
  /** Local date, YYYY-MM-DD. */
  readonly date: string;
  readonly fish: { readonly species: string; readonly lengthMm: number | null; readonly lengthKind: LengthKind };
  /** Of this species so far: by this angler today, by the whole boat today, and by this angler on the days before (for possession). */
  readonly keptToday: number;
  readonly keptByBoat?: number;
  readonly keptBefore?: readonly { readonly date: string; readonly fish: number }[];
}

/**
 * What the crew's copy says of one fish.
 * Throws RangeError for a length of 0 or less.
 */
export function verdict(q: VerdictQuestion): Verdict {
  const { fish } = q;
  if (fish.lengthMm !== null && !(fish.lengthMm > 0)) throw new RangeError(`lengthMm: expected more than 0, got ${fish.lengthMm}`);
  const own = q.rules.filter((r) => r.species === fish.species);
  const rules = own.filter((r) => holdsIn(r, q.zone));
  if (rules.length === 0) return { decision: 'no rule on file', reasons: ['no rule on file, check before keeping'], limits: [] };
  const zones = q.zone === null ? [...new Set(rules.flatMap((r) => (r.zone === null ? [] : [r.zone])))].sort() : [];
  const against = rules.flatMap((r) =>
    againstRule(r, q).map((words) => (zones.length > 0 && r.zone !== null ? `${words} (${r.zone})` : words)),
  );
  against.push(...contradictions(rules));
  if (zones.length > 0)
    against.unshift(
      `the zone is not known, and ${zones.join(' and ')} ${zones.length > 1 ? 'have rules of their own' : 'has rules of its own'}: the stricter speaks until it is`,
    );
  return {
    decision: against.length > 0 ? 'must release' : 'may keep',
    reasons: against.length > 0 ? against : ["within the crew's copy of the rules"],
    limits: rules.map((r) => `${limitWords(r)}${zones.length > 0 && r.zone !== null ? ` (${r.zone})` : ''}${recheckWords(r, q.date)}`),
  };
}

function againstRule(rule: Rule, q: VerdictQuestion): string[] {
  switch (rule.kind) {
    case 'length':
    case 'slot':
      return lengthAgainst(rule, q.fish.lengthMm, q.fish.lengthKind);
    case 'bag': {
      const full: string[] = [];
      if (rule.perAngler !== null && q.keptToday >= rule.perAngler) full.push(`bag of ${rule.perAngler} is full`);
      const boat = Math.max(q.keptByBoat ?? 0, q.keptToday);
      if (rule.perBoat != null && boat >= rule.perBoat) full.push(`the boat's bag of ${rule.perBoat} is full`);
      return full;
    }
    case 'possession': {
      const since = daysBefore(q.date, rule.days - 1);
      const held = q.keptToday + (q.keptBefore ?? []).reduce((n, d) => n + (d.date >= since && d.date < q.date ? d.fish : 0), 0);
      return held >= rule.perAngler ? [`${held} held of ${rule.days} days, ${rule.perAngler} may be`] : [];
    }
    case 'closed':
      return within(q.date.slice(5), rule.from, rule.to) ? [limitWords(rule)] : [];
    case 'hook':
    case 'bait':
      return [];
  }
}

type LengthRule = Extract<Rule, { kind: 'length' | 'slot' }>;

function lengthAgainst(rule: LengthRule, mm: number | null, kind: LengthKind): string[] {
  if (rule.kind === 'length' && rule.minMm !== null && rule.maxMm !== null && rule.minMm > rule.maxMm)
    return [`the copy has its lengths crossed (at least ${length(rule.minMm)}, at most ${length(rule.maxMm)}): put the rule right`];
  if (mm === null) return [`not measured; ${limitWords(rule)}`];
  const wanted = rule.lengthKind;
  const same = kind === wanted;
  const [measured, asked] = [ORDER[kind], ORDER[wanted]];
  // The measured kind is never shorter, or never longer, than the one asked for; a disc tells neither.
  const noShorter = same || (measured !== null && asked !== null && measured > asked);
  const noLonger = same || (measured !== null && asked !== null && measured < asked);
  const open = `${length(mm)} ${kind} does not show ${limitWords(rule)}; measure ${wanted} length`;
  if (rule.kind === 'slot') {
    if (mm < rule.fromMm && noShorter) return [];
    if (mm > rule.toMm && noLonger) return [];
    return same ? [`${length(mm)} ${kind} is in the protected slot, ${bare(rule.fromMm)} to ${length(rule.toMm)} ${wanted}`] : [open];
  }
  const against: string[] = [];
  if (rule.minMm !== null && !(mm >= rule.minMm && noLonger))
    against.push(mm < rule.minMm && noShorter ? `${length(mm)} ${kind} is under ${length(rule.minMm)} ${wanted}` : open);
  if (rule.maxMm !== null && !(mm <= rule.maxMm && noShorter))
    against.push(mm > rule.maxMm && noLonger ? `${length(mm)} ${kind} is over ${length(rule.maxMm)} ${wanted}` : open);
  return [...new Set(against)];
}

/** Lengths of one kind that no fish can meet together. */
function contradictions(rules: readonly Rule[]): string[] {
  const lengths = rules.filter((r): r is Extract<Rule, { kind: 'length' }> => r.kind === 'length');
  for (const a of lengths)
    for (const b of lengths)
      if (a !== b && a.lengthKind === b.lengthKind && a.minMm !== null && b.maxMm !== null && a.minMm > b.maxMm)
        return [`two rules on file contradict each other, ${limitWords(a)} and ${limitWords(b)}: put the copy right`];
  return [];
}

/** Whether a rule holds in a zone; where that is not known, every zone's rules do. */
export function holdsIn(rule: Pick<RuleBase, 'zone'>, zone: string | null): boolean {
  return rule.zone === null || zone === null || rule.zone === zone;
}

/** The rule that closes a species on a local date (YYYY-MM-DD) in a zone, or null; an unknown zone is closed where any is. */
export function closedBy(rules: readonly Rule[], species: string, zone: string | null, date: string): Rule | null {
  return rules.find((r) => r.kind === 'closed' && r.species === species && holdsIn(r, zone) && within(date.slice(5), r.from, r.to)) ?? null;
}

/** A rule in words. */
export function limitWords(rule: Rule): string {
  switch (rule.kind) {
    case 'bag': {
      const parts = [
        rule.perAngler === null ? '' : `${rule.perAngler} per angler and day`,
        rule.perBoat == null ? '' : `${rule.perBoat} per boat and day`,
      ];
      return parts.filter((p) => p !== '').join(', ');
    }
    case 'possession':
      return `no more than ${rule.perAngler} held per angler of ${rule.days} days`;
    case 'closed':
      return `closed from ${dateWords(rule.from)} to ${dateWords(rule.to)}`;
    case 'slot':
      return `protected from ${bare(rule.fromMm)} to ${length(rule.toMm)} ${kindWords(rule.lengthKind)}`;
    case 'hook':
    case 'bait':
      return `${rule.kind === 'hook' ? 'hooks' : 'bait'}: ${rule.words}`;
    case 'length':
      if (rule.minMm !== null && rule.maxMm !== null) return `${bare(rule.minMm)} to ${length(rule.maxMm)} ${kindWords(rule.lengthKind)}`;
      if (rule.minMm !== null) return `at least ${length(rule.minMm)} ${kindWords(rule.lengthKind)}`;
      return rule.maxMm === null ? '' : `at most ${length(rule.maxMm)} ${kindWords(rule.lengthKind)}`;
  }
}

const kindWords = (kind: LengthKind) => (kind === 'disc' ? 'across the disc' : `${kind} length`);

/** Whether a copy is older than thirty days on a date. */
export function toRecheck(rule: Pick<RuleBase, 'checkedOn'>, date: string): boolean {
  return rule.checkedOn != null && rule.checkedOn < daysBefore(date, RECHECK_DAYS);
}

/** What is said after a copy that is older than thirty days; empty for a younger one. */
export function recheckWords(rule: Rule, date: string): string {
  const { checkedOn } = rule;
  return checkedOn && toRecheck(rule, date) ? ` (checked ${dateWords(checkedOn.slice(5))} ${checkedOn.slice(0, 4)}: re-check)` : '';
}

function daysBefore(date: string, days: number): string {
  return new Date(Date.parse(`${date}T00:00:00Z`) - days * 86_400_000).toISOString().slice(0, 10);
}

function within(day: string, from: string, to: string): boolean {
  return from <= to ? day >= from && day <= to : day >= from || day <= to;
}

const length = (mm: number) => said(mm, 'rule', 0);
const bare = (mm: number) => saidBare(mm, 'rule', 0);
