// Harmonic prediction h(t) = Z0 + sum f A cos(V0 + u + speed t - g), Schureman SP 98 (1940); f and u per UTC day.
// Held to three harbours' published constants: turns within 4 min, heights within 2 cm (see tide.test.ts).
import { DEG } from '../units/angle';
import { DAY, HOUR } from '../units/time';
import { astronomicalArguments } from './astronomicalArguments';
import { constituentSpeed, equilibrium } from './constituents';
import { nodeFactors } from './nodeFactors';

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
        h += (amplitude[i] as number) * Math.cos((phase[i] as number) + (omega[i] as number) * (atMs - start));
      }
      return h;
    },
    rateAt(atMs) {
      const { start, amplitude, phase } = tableFor(atMs);
      let r = 0;
      for (let i = 0; i < count; i++) {
        const w = omega[i] as number;
        r -= (amplitude[i] as number) * w * Math.sin((phase[i] as number) + w * (atMs - start));
      }
      return r * HOUR;
    },
  };
}
