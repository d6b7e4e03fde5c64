import { MINUTE } from '../units/time';
import type { TideModel } from './tideModel';

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
  let a = fromMs - margin;
  let ra = model.rateAt(a);
  while (a < toMs + margin) {
    const b = a + STEP;
    const rb = model.rateAt(b);
    if (ra > 0 !== rb > 0) {
      const atMs = Math.round(root(model, a, b, ra) / 1000) * 1000;
      found.push({ atMs, heightM: model.heightAt(atMs), kind: ra > 0 ? 'high' : 'low' });
    }
    a = b;
    ra = rb;
  }
  return found
    .map((turn, i) => {
      const near = [found[i - 1], found[i + 1]].some((o) => o && Math.abs(o.heightM - turn.heightM) < MINOR_M);
      return { ...turn, minor: near };
    })
    .filter((t) => t.atMs >= fromMs && t.atMs < toMs);
}

function root(model: TideModel, from: number, to: number, rateFrom: number): number {
  let a = from;
  let b = to;
  while (b - a > 500) {
    const mid = (a + b) / 2;
    if (model.rateAt(mid) > 0 === rateFrom > 0) a = mid;
    else b = mid;
  }
  return (a + b) / 2;
}
