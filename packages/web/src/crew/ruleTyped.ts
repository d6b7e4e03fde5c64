// A rule as it is typed: the fields of all kinds, of which those of the kind chosen count.
import type { RuleEdit, RuleRow } from '@bluffwind/contract/rule';
import { RULE_KIND_NAMES, type RuleField, type RuleKindName, ruleFields } from '@bluffwind/core/rules/ruleKinds';

export interface RuleTyped {
  readonly speciesId: string;
  readonly zone: string;
  readonly source: string;
  readonly checkedOn: string;
  readonly kind: RuleKindName;
  /** Figures and words by kind and field: "slot.fromMm" in the form. */
  readonly says: Readonly<Record<string, Readonly<Record<string, number | string | null>>>>;
}

const EMPTY: Record<RuleField['type'], number | string | null> = { mm: null, count: null, day: '', words: '', measured: 'total' };

/** A rule to be typed over; a new one begins as a least length. */
export function typedOf(rule: RuleRow | null, speciesId: string, today: string): RuleTyped {
  const says = Object.fromEntries(
    RULE_KIND_NAMES.map((k) => [k, Object.fromEntries(ruleFields(k).map(([name, f]) => [name, EMPTY[f.type]]))]),
  );
  if (!rule) return { speciesId, zone: '', source: '', checkedOn: today, kind: 'length', says };
  const { kind, ...said } = rule.body;
  const { zone, source, checkedOn } = rule;
  return { speciesId: rule.speciesId, zone: zone ?? '', source, checkedOn, kind, says: { ...says, [kind]: { ...says[kind], ...said } } };
}

/** What a typed rule says: figures whole, in mm. */
export function bodyOf({ kind, says }: Pick<RuleTyped, 'kind' | 'says'>): RuleEdit['body'] {
  const said = ruleFields(kind).map(([name]) => {
    const v = says[kind]?.[name] ?? null;
    return [name, typeof v === 'number' ? Math.round(v) : v];
  });
  return { kind, ...Object.fromEntries(said) } as RuleEdit['body'];
}
