import { HOUR } from '../units/time';
import type { TideModel } from './tideModel';
import { type TideTurn, tideTurns } from './tideTurns';
import { nth } from '../units/indexed';

/** Where an instant lies in the tide. */
export interface TidePhase {
  /** 0 at low water, 0.5 at high, towards 1 at the next low. */
  readonly stage: number;
  /** Rate of change against the greatest of the same day, 0 to 1. */
  readonly push: number;
  /** Hours since the last main turn. */
  readonly sinceTurnH: number;
  readonly rising: boolean;
}

/** Answers {@link TidePhase} for instants in [fromMs, toMs]; minor turns do not count. */
export function tidePhases(model: TideModel, fromMs: number, toMs: number): (atMs: number) => TidePhase | null {
  const all = tideTurns(model, fromMs - 30 * HOUR, toMs + 30 * HOUR);
  const turns = alternating(all);
  return (atMs) => {
    let lo = 0;
    let hi = turns.length - 1;
    if (hi < 1 || atMs < nth(turns, 0).atMs || atMs >= nth(turns, hi).atMs) return null;
    while (hi - lo > 1) {
      const mid = (lo + hi) >> 1;
      if (nth(turns, mid).atMs <= atMs) lo = mid;
      else hi = mid;
    }
    const before = nth(turns, lo);
    const after = nth(turns, hi);
    const share = (atMs - before.atMs) / (after.atMs - before.atMs);
    const rising = before.kind === 'low';
    let greatest = 0;
    for (let i = Math.max(0, lo - 2); i <= Math.min(turns.length - 2, lo + 2); i++) {
      const t0 = nth(turns, i);
      const t1 = nth(turns, i + 1);
      const peak = Math.abs(t1.heightM - t0.heightM) / ((t1.atMs - t0.atMs) / HOUR);
      greatest = Math.max(greatest, (peak * Math.PI) / 2);
    }
    return {
      stage: (rising ? 0 : 0.5) + share / 2,
      push: greatest > 0 ? Math.min(1, Math.abs(model.rateAt(atMs)) / greatest) : 0,
      sinceTurnH: (atMs - before.atMs) / HOUR,
      rising,
    };
  };
}

/** Drops minor pairs so that highs and lows alternate; of equal neighbours the more extreme stays. */
function alternating(turns: readonly TideTurn[]): TideTurn[] {
  const kept: TideTurn[] = [];
  for (const turn of turns) {
    const last = kept.at(-1);
    if (!last) kept.push(turn);
    else if (last.kind === turn.kind) {
      const better = turn.kind === 'high' ? turn.heightM > last.heightM : turn.heightM < last.heightM;
      if (better) kept[kept.length - 1] = turn;
    } else if (Math.abs(last.heightM - turn.heightM) < 0.1) kept.pop();
    else kept.push(turn);
  }
  return kept;
}
