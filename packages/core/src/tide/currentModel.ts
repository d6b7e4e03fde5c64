// Tidal current along one axis as a harmonic station: mean flow plus constituents, flood positive. The same harmonic sum
// as the tide's (Schureman SP 98), in metres per second.
import { rootBetween } from '../units/roots';
import { MINUTE } from '../units/time';
import { type HarmonicConstant, tideModel } from './tideModel';
import { tideTurns } from './tideTurns';

/** A place whose current is known. */
export interface CurrentStation {
  readonly name: string;
  readonly lat: number;
  readonly lon: number;
  /** Direction the flood runs towards, and the ebb, degrees true. */
  readonly floodToDeg: number;
  readonly ebbToDeg: number;
  /** Mean flow, m/s, flood positive. */
  readonly meanMps: number;
  readonly constants: readonly { readonly name: string; readonly amplitudeMps: number; readonly phaseDeg: number }[];
}

/** Current at an instant. */
export interface Current {
  /** Speed, m/s, >= 0. */
  readonly mps: number;
  /** Direction it runs towards, degrees true. */
  readonly toDeg: number;
  /** Flood positive, ebb negative, m/s. */
  readonly signedMps: number;
}

/** Slack water, or the strongest of a flood or ebb. */
export interface CurrentTurn {
  readonly atMs: number;
  readonly kind: 'slack' | 'flood' | 'ebb';
  /** Speed then, m/s, >= 0. */
  readonly mps: number;
}

export interface CurrentModel {
  at(atMs: number): Current;
  /** Slacks and strongest flows in [fromMs, toMs), in order, to the second. */
  turns(fromMs: number, toMs: number): CurrentTurn[];
}

const STEP = 12 * MINUTE;

/** Prepares the current of a station; an unknown constituent throws RangeError. */
export function currentModel(station: CurrentStation): CurrentModel {
  const constants: HarmonicConstant[] = station.constants.map((c) => ({ name: c.name, amplitudeM: c.amplitudeMps, phaseDeg: c.phaseDeg }));
  const flow = tideModel(constants, station.meanMps);
  const signed = (t: number) => flow.heightAt(t);
  return {
    at(atMs) {
      const s = signed(atMs);
      return { mps: Math.abs(s), toDeg: s >= 0 ? station.floodToDeg : station.ebbToDeg, signedMps: s };
    },
    turns(fromMs, toMs) {
      const out: CurrentTurn[] = [];
      let before = signed(fromMs);
      for (let t = fromMs; t < toMs; t += STEP) {
        const next = signed(t + STEP);
        if (before > 0 !== next > 0) {
          const atMs = Math.round(rootBetween(signed, t, t + STEP, before, next) / 1000) * 1000;
          if (atMs >= fromMs && atMs < toMs) out.push({ atMs, kind: 'slack', mps: 0 });
        }
        before = next;
      }
      for (const turn of tideTurns(flow, fromMs, toMs)) {
        // A weakest flow that does not reverse is not a strongest one.
        if (turn.kind === 'high' && turn.heightM > 0) out.push({ atMs: turn.atMs, kind: 'flood', mps: turn.heightM });
        if (turn.kind === 'low' && turn.heightM < 0) out.push({ atMs: turn.atMs, kind: 'ebb', mps: -turn.heightM });
      }
      return out.sort((a, b) => a.atMs - b.atMs);
    },
  };
}
