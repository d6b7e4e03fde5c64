// A rule as it is typed: all fields of all kinds, of which those of the kind chosen count.
import type { RuleEdit, RuleRow } from '@bluffwind/contract/rule';

export interface RuleTyped {
  readonly speciesId: string;
  readonly zone: string;
  readonly source: string;
  readonly checkedOn: string;
  readonly kind: RuleEdit['body']['kind'];
  readonly minMm: number | null;
  readonly maxMm: number | null;
  readonly lengthKind: 'total' | 'fork' | 'standard' | 'disc';
  readonly perAngler: number | null;
  readonly perBoat: number | null;
  readonly days: number | null;
  readonly from: string;
  readonly to: string;
  readonly words: string;
}

const EMPTY = {
  minMm: null,
  maxMm: null,
  lengthKind: 'total',
  perAngler: null,
  perBoat: null,
  days: null,
  from: '',
  to: '',
  words: '',
} as const;

/** A rule to be typed over; a new one begins as a least length. */
export function typedOf(rule: RuleRow | null, speciesId: string, today: string): RuleTyped {
  if (!rule) return { ...EMPTY, speciesId, zone: '', source: '', checkedOn: today, kind: 'length' };
  const head = { speciesId: rule.speciesId, zone: rule.zone ?? '', source: rule.source, checkedOn: rule.checkedOn };
  const b = rule.body;
  if (b.kind === 'slot') return { ...EMPTY, ...head, kind: b.kind, minMm: b.fromMm, maxMm: b.toMm, lengthKind: b.lengthKind };
  if (b.kind === 'bag') return { ...EMPTY, ...head, kind: b.kind, perAngler: b.perAngler, perBoat: b.perBoat ?? null };
  return { ...EMPTY, ...head, ...b };
}

const mm = (v: number | null): number => Math.round(v ?? 0);
const maybe = (v: number | null): number | null => (v === null ? null : Math.round(v));

/** What a typed rule says. */
export function bodyOf(t: Omit<RuleTyped, 'speciesId' | 'zone' | 'source' | 'checkedOn'>): RuleEdit['body'] {
  switch (t.kind) {
    case 'length':
      return { kind: t.kind, minMm: maybe(t.minMm), maxMm: maybe(t.maxMm), lengthKind: t.lengthKind };
    case 'slot':
      return { kind: t.kind, fromMm: mm(t.minMm), toMm: mm(t.maxMm), lengthKind: t.lengthKind };
    case 'bag':
      return { kind: t.kind, perAngler: t.perAngler, perBoat: t.perBoat };
    case 'possession':
      return { kind: t.kind, perAngler: t.perAngler ?? 0, days: t.days ?? 1 };
    case 'closed':
      return { kind: t.kind, from: t.from, to: t.to };
    case 'hook':
    case 'bait':
      return { kind: t.kind, words: t.words };
  }
}
