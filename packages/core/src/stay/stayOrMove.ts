// Gamma belief about the rate on arrival, updated by fish and effort since, fading within the stay; moves when the rate
// now is below the best average of an alternative over the time left, its run counted (marginal value, Charnov 1976).

import { minutesTo, type WaysFrom } from './minutesTo';
import { beliefAt, type HourlyBelief } from './beliefAt';
import { effort, exposure, shareAt } from './exposure';

/** Belief Gamma(a, b): a fish in b hours. Fade in 1/h. */
export interface StayAlternative {
  readonly id: string;
  readonly a: number;
  readonly b: number;
  readonly fadePerHour: number;
  readonly travelMin: number;
}

export interface StayAdvice {
  readonly move: boolean;
  readonly to: string | null;
  readonly rateNowPerHour: number;
  readonly bestAlternativePerHour: number;
  /** Minutes until the same blank water would turn the advice, or until another look; null when moving. */
  readonly reconsiderInMin: number | null;
}

/** Minutes that a spot is given before the rule speaks (a shorter stay has hardly been fished). */
const SETTLE_MIN = 20;

export interface StayQuestion {
  readonly belief: { readonly a: number; readonly b: number };
  readonly fadePerHour: number;
  readonly minutesFished: number;
  readonly fish: number;
  readonly minutesLeft: number;
  readonly alternatives: readonly StayAlternative[];
  /** The spot's own hours: its rate from arrival on in steps of five minutes, as a share of the arrival's. Absent is the same throughout. */
  readonly ahead?: readonly number[];
}

/**
 * Whether to stay, by the rule of one sentence: after 20 minutes move when the rate now is below the best average that
 * an alternative can give over the time left.
 * @param s.fish - Caught since arrival, >= 0. @param s.minutesFished - >= 0. @param s.minutesLeft - Until lines up.
 */
export function stayOrMove(s: StayQuestion): StayAdvice {
  if (!(s.belief.a > 0 && s.belief.b > 0)) throw new RangeError('belief: expected a and b above 0');
  const rateAfter = (minutes: number) => {
    const sofar = exposure(s.fadePerHour, minutes, s.ahead);
    const now = Math.exp((-s.fadePerHour * minutes) / 60) * shareAt(s.ahead, minutes);
    return ((s.belief.a + s.fish) / (s.belief.b + sofar)) * now;
  };
  const best = bestAlternative(s.alternatives, s.minutesLeft);
  const rateNowPerHour = rateAfter(s.minutesFished);
  const settled = s.minutesFished >= SETTLE_MIN;
  const move = settled && best !== null && rateNowPerHour < best.value;
  let reconsiderInMin: number | null = null;
  if (!move) {
    reconsiderInMin = Math.max(5, SETTLE_MIN - s.minutesFished);
    for (let m = 5; m <= Math.min(60, s.minutesLeft); m += 5) {
      const later = bestAlternative(s.alternatives, s.minutesLeft - m);
      reconsiderInMin = m;
      if (s.minutesFished + m >= SETTLE_MIN && later && rateAfter(s.minutesFished + m) < later.value) break;
    }
  }
  return {
    move,
    to: best?.id ?? null,
    rateNowPerHour,
    bestAlternativePerHour: best?.value ?? 0,
    reconsiderInMin,
  };
}

/** Where a boat may go from a spot: what it has a way to, has not visited, and can fish when it gets there, with the belief of that hour. @param atMs - Of leaving. */
export function alternativesFrom(
  spots: readonly (Omit<StayAlternative, 'travelMin'> &
    HourlyBelief &
    WaysFrom & {
      readonly open?: readonly (readonly [number, number])[];
    })[],
  here: string,
  visited: ReadonlySet<string>,
  atMs: number,
): StayAlternative[] {
  const ways = spots.find((s) => s.id === here);
  if (!ways) return [];
  return spots.flatMap((s) => {
    const travelMin = minutesTo(ways, s.id, atMs);
    if (s.id === here || visited.has(s.id) || travelMin === null) return [];
    const there = atMs + travelMin * 60_000;
    // A pack that was kept before spots had hours says nothing of them.
    if (!(s.open?.some(([from, to]) => there >= from && there < to) ?? true)) return [];
    return [{ id: s.id, ...beliefAt(s, there), fadePerHour: s.fadePerHour, travelMin }];
  });
}

/** Best average catch per hour over the time left, the run included. */
function bestAlternative(alternatives: readonly StayAlternative[], minutesLeft: number): { id: string; value: number } | null {
  let best: { id: string; value: number } | null = null;
  for (const alt of alternatives) {
    for (let t = 10; alt.travelMin + t <= minutesLeft; t += 5) {
      const value = ((alt.a / alt.b) * effort(alt.fadePerHour, t / 60)) / ((alt.travelMin + t) / 60);
      if (!best || value > best.value) best = { id: alt.id, value };
    }
  }
  return best;
}
