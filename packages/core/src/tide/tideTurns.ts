import { rootBetween } from '../units/roots';
import { MINUTE } from '../units/time';
import type { TideModel } from './tideModel';
import { f64 } from '../units/indexed';

/** A high or low water. Minor: within 10 cm of a neighbouring turn, a wiggle rather than a tide. */
export interface TideTurn {
  readonly atMs: number;
  readonly heightM: number;
  readonly kind: 'high' | 'low';
  readonly minor: boolean;
}

const MINOR_M = 0.1;
const STEP = 12 * MINUTE;

/**
 * Every turn of the tide in [fromMs, toMs), to the second, in order.
 * The scan of 12 min is shorter than the shortest half period of the eighth-diurnal constituents (93 min).
 */
export function tideTurns(model: TideModel, fromMs: number, toMs: number): TideTurn[] {
  const found: { atMs: number; heightM: number; kind: 'high' | 'low' }[] = [];
  // Six hours more on both sides, so that a turn at the edge knows its neighbours.
  const margin = 30 * STEP;
  const first = fromMs - margin;
  const count = Math.max(0, Math.ceil((toMs + margin - first) / STEP)) + 1;
  const rates = model.rates(first, STEP, count);
  for (let k = 0; k + 1 < count; k++) {
    const ra = f64(rates, k);
    const rb = f64(rates, k + 1);
    if (ra > 0 === rb > 0) continue;
    const a = first + k * STEP;
    const atMs = Math.round(rootBetween((t) => model.rateAt(t), a, a + STEP, ra, rb) / 1000) * 1000;
    found.push({ atMs, heightM: model.heightAt(atMs), kind: ra > 0 ? 'high' : 'low' });
  }
  return found
    .map((turn, i) => {
      const near = [found[i - 1], found[i + 1]].some((o) => o && Math.abs(o.heightM - turn.heightM) < MINOR_M);
      return { ...turn, minor: near };
    })
    .filter((t) => t.atMs >= fromMs && t.atMs < toMs);
}
