// Rules of the trade as priors: each sets the prior mean of some levels' multiplier and how many fish of evidence it is
// worth. Common practice, no published source; the log overrules them.

/** A rule as the screens name it. */
export interface TradeRule {
  readonly id: string;
  readonly text: string;
}

export const TRADE_RULES = {
  P1: { id: 'P1', text: 'a bait fishes best at the depth that it is made for' },
  P3: { id: 'P3', text: 'a bait has its temperatures: small and slow in the cold, large and fast in the warm' },
  P6: { id: 'P6', text: 'flash and natural in clear water, vibration and contrast in murk' },
  P5: { id: 'P5', text: 'some baits want a ripple, some a calm' },
  P11: { id: 'P11', text: 'a rig is made for a kind of ground' },
  P18: { id: 'P18', text: 'a bait has its season' },
  P24: { id: 'P24', text: 'a bait needs its current' },
  T1: { id: 'T1', text: 'low light lowers caution: shallow at dusk and dawn, deeper in bright sun' },
  T2: { id: 'T2', text: 'the turn of the tide starts them feeding' },
  T3: { id: 'T3', text: 'cold mornings start late' },
  W14: { id: 'W14', text: 'a falling tide empties drains: ambush at the mouth' },
  W19: { id: 'W19', text: 'heavily fished places teach the fish' },
  WIND: { id: 'W', text: 'wind onto the bank gathers bait in the warm season; the lee is warmer in the cold' },
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

/** Stage 0 and 4 of 8 are the first after low and high water. */
export const turnPrior = (stage: number): RulePrior | null => (stage === 0 || stage === 4 ? prior(TRADE_RULES.T2, 1.15) : null);

/** Light 1 of 4 is low sun and twilight. */
export const lightPrior = (light: number): RulePrior | null => (light === 1 ? prior(TRADE_RULES.T1, 1.2) : null);

/** Depth band (0 under 1.5 m, 1 to 4 m, 2 deeper) by light (0 dark, 1 low, 2 middling, 3 high). */
export function depthLightPrior(code: number): RulePrior | null {
  const [depth, light] = [Math.floor(code / 4), code % 4];
  if (light === 3) return prior(TRADE_RULES.T1, [0.75, 1, 1.05][depth] as number, 4);
  return light === 1 && depth === 0 ? prior(TRADE_RULES.T1, 1.15, 4) : null;
}

/** 0: cold water before ten by the sun. */
export const coldMorningPrior = (code: number): RulePrior | null => (code === 0 ? prior(TRADE_RULES.T3, 0.75) : null);

/** Lee, across, onto the bank (0 to 2), in cold (0) or warm (1) water: code = bank * 2 + warm. */
export function bankWindPrior(code: number): RulePrior | null {
  const mean = [1.15, 0.95, 1, 1, 0.88, 1.15][code] as number;
  return mean === 1 ? null : prior(TRADE_RULES.WIND, mean, 4);
}

/** A structure on a run of the tide (0 run-in, 1 run-out). */
export const structureRunPrior = (structure: string, run: number): RulePrior | null =>
  structure === 'drain' && run === 1 ? prior(TRADE_RULES.W14, 1.3) : null;

/** Fishing pressure 1 to 3 as levels 0 to 2. */
export const pressurePrior = (code: number): RulePrior | null => (code === 2 ? prior(TRADE_RULES.W19, 0.9, 4) : null);
