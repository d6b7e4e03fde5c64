// Harmonic prediction h(t) = Z0 + sum f A cos(V0 + u + speed t - g), Schureman SP 98 (1940); f and u per UTC day.
// Held to three harbours' published constants: turns within 4 min, heights within 2 cm (see tide.test.ts).
import { DEG } from '../units/angle';
import { DAY, HOUR } from '../units/time';
import { astronomicalArguments } from './astronomicalArguments';
import { constituentSpeed, equilibrium } from './constituents';
import { nodeFactors } from './nodeFactors';
import { f64 } from '../units/indexed';

/** One harmonic constant: amplitude in metres (>= 0), Greenwich phase lag g in degrees (UTC). */
export interface HarmonicConstant {
  readonly name: string;
  readonly amplitudeM: number;
  readonly phaseDeg: number;
}

/** Height and its rate of change at any instant, above the datum that z0 refers to. */
export interface TideModel {
  /** Height above chart datum, metres. */
  heightAt(atMs: number): number;
  /** Rise (positive) or fall, metres per hour. */
  rateAt(atMs: number): number;
  /** Rates at evenly spaced instants, metres per hour; the same as rateAt of each, but faster. */
  rates(fromMs: number, stepMs: number, count: number): Float64Array;
}

interface DayTable {
  readonly start: number;
  readonly amplitude: Float64Array;
  readonly phase: Float64Array;
}

/**
 * Prepares a tide prediction.
 * @param constants - Harmonic constants; an unknown name throws RangeError.
 * @param z0M - Mean level above chart datum, metres.
 */
export function tideModel(constants: readonly HarmonicConstant[], z0M: number): TideModel {
  const count = constants.length;
  // Radians per millisecond.
  const omega = Float64Array.from(constants, (c) => (constituentSpeed(c.name) * DEG) / HOUR);
  const days = new Map<number, DayTable>();

  function tableFor(atMs: number): DayTable {
    const start = Math.floor(atMs / DAY) * DAY;
    const found = days.get(start);
    if (found) return found;
    const args = astronomicalArguments(start);
    const nodes = nodeFactors(args);
    const amplitude = new Float64Array(count);
    const phase = new Float64Array(count);
    constants.forEach((c, i) => {
      const { f, vuDeg } = equilibrium(c.name, 0, args, nodes);
      amplitude[i] = f * c.amplitudeM;
      phase[i] = (vuDeg - c.phaseDeg) * DEG;
    });
    const table = { start, amplitude, phase };
    days.set(start, table);
    return table;
  }

  return {
    heightAt(atMs) {
      const { start, amplitude, phase } = tableFor(atMs);
      let h = z0M;
      for (let i = 0; i < count; i++) {
        h += f64(amplitude, i) * Math.cos(f64(phase, i) + f64(omega, i) * (atMs - start));
      }
      return h;
    },
    rateAt(atMs) {
      const { start, amplitude, phase } = tableFor(atMs);
      let r = 0;
      for (let i = 0; i < count; i++) {
        const w = f64(omega, i);
        r -= f64(amplitude, i) * w * Math.sin(f64(phase, i) + w * (atMs - start));
      }
      return r * HOUR;
    },
    rates(fromMs, stepMs, steps) {
      const out = new Float64Array(steps);
      // Each constituent is a pointer turned by a fixed angle a step, set anew each day so that no error builds up.
      const turnCos = omega.map((w) => Math.cos(w * stepMs));
      const turnSin = omega.map((w) => Math.sin(w * stepMs));
      let k = 0;
      while (k < steps) {
        const { start, amplitude, phase } = tableFor(fromMs + k * stepMs);
        const until = Math.min(steps, Math.ceil((start + DAY - fromMs) / stepMs));
        const first = fromMs + k * stepMs - start;
        for (let i = 0; i < count; i++) {
          const w = f64(omega, i);
          const size = -f64(amplitude, i) * w * HOUR;
          const angle = f64(phase, i) + w * first;
          let s = size * Math.sin(angle);
          let c = size * Math.cos(angle);
          const [tc, ts] = [f64(turnCos, i), f64(turnSin, i)];
          for (let j = k; j < until; j++) {
            out[j] = f64(out, j) + s;
            const next = s * tc + c * ts;
            c = c * tc - s * ts;
            s = next;
          }
        }
        k = until;
      }
      return out;
    },
  };
}

/** Rates of any model at evenly spaced instants, one by one. */
export function ratesOf(model: Pick<TideModel, 'rateAt'>, fromMs: number, stepMs: number, count: number): Float64Array {
  return Float64Array.from({ length: count }, (_, k) => model.rateAt(fromMs + k * stepMs));
}
