// What the parts of a card are made with: each by a rule of the trade, from the day's own water, with its reason.
import { said } from '../units/measure';
import type { HandPart } from './handLimits';
import type { PartName, RigPart, RigQuestion } from './rigQuestion';

/** Change-over between the ways of cold and of warm water, C (P3: 55 to 57 F). */
export const CHANGE_C = 13.5;

interface Extra {
  readonly value?: number;
  readonly measure?: RigPart['measure'];
  readonly schools?: RigPart['schools'];
  readonly otherwise?: string | null;
}

export const part = (name: PartName, what: string, why: string, rules: readonly string[], extra: Extra = {}): RigPart => ({
  name,
  what,
  why,
  rules,
  value: extra.value ?? null,
  measure: extra.measure ?? null,
  otherwise: extra.otherwise ?? null,
  schools: extra.schools ?? [],
});

/** A part with a figure: the hand's where there is one, with what the arithmetic would have said. */
export function sized(
  q: RigQuestion,
  name: HandPart,
  textbook: number,
  measure: Exclude<RigPart['measure'], null>,
  words: (value: number) => string,
  why: string,
  rules: readonly string[],
  schools: RigPart['schools'] = [],
): RigPart {
  const hand = q.byHand[name];
  const changed = hand !== undefined && Math.abs(hand - textbook) > 1e-9;
  return part(name, words(hand ?? textbook), why, rules, {
    value: hand ?? textbook,
    measure,
    schools,
    otherwise: changed ? words(textbook) : null,
  });
}

export const isCold = (q: RigQuestion): boolean => (q.water.waterTempC ?? CHANGE_C + 1) < CHANGE_C;

export const tempWords = (q: RigQuestion) =>
  q.water.waterTempC === null ? 'the water’s temperature is not known' : `the water has ${said(q.water.waterTempC, 'temp', 1)}`;
