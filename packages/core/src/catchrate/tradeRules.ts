// Rules of the trade as priors: each sets the prior mean of some levels' multiplier and how many fish of evidence it is
// worth. Common practice, no published source; the log overrules them. Those of place, water, hour and bait stand in rateRules.ts;
// the limits of a family in envelope.ts; here are its ground, season
// and light, and the two schools of the wind.
import { num } from '../units/indexed';

/** A rule as the screens name it. */
export interface TradeRule {
  readonly id: string;
  readonly text: string;
}

/** Stands for the family of the bait that a factor is about. */
export const OF_FAMILY = 'family';

export const TRADE_RULES = {
  ground: { id: OF_FAMILY, text: 'a rig is made for a kind of ground' },
  season: { id: OF_FAMILY, text: 'a kind of bait has its season' },
  light: { id: OF_FAMILY, text: 'a kind of bait has its light' },
  bank: { id: 'two schools', text: 'wind onto the bank gathers bait in the warm season; the lee is warmer in the cold' },
} as const satisfies Record<string, TradeRule>;

export interface RulePrior {
  readonly rule: TradeRule;
  /** Prior mean of the multiplier, > 0. */
  readonly mean: number;
  /** How many fish of evidence it is worth. */
  readonly weight: number;
}

const prior = (rule: TradeRule, mean: number, weight = 5): RulePrior => ({ rule, mean, weight });

/** For a fit of 0 inside the envelope, 1 near it, 2 outside. */
export const fitPrior =
  (rule: TradeRule, near: number, outside: number) =>
  (level: number): RulePrior | null =>
    level === 0 ? null : prior(rule, level === 1 ? near : outside);

/** Lee, across, onto the bank (0 to 2), in cold (0) or warm (1) water: code = bank * 2 + warm. */
export function bankWindPrior(code: number): RulePrior | null {
  const mean = num([1.15, 0.95, 1, 1, 0.88, 1.15], code);
  return mean === 1 ? null : prior(TRADE_RULES.bank, mean, 4);
}
