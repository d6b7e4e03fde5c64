// Secondary ports by time and height differences, as tide tables give them (common practice; IHO and national tables use
// the same scheme): the time difference runs linearly from one turn to the next, and so does the place in the range.
import { DAY, HOUR, MINUTE } from '../units/time';
import { ratesOf, type TideModel } from './tideModel';
import { type TideTurn, tideTurns } from './tideTurns';
import { nth } from '../units/indexed';

/** What is added to the reference port's turns: minutes (later positive), factor and then metres. */
export interface TideDifferences {
  readonly highMin: number;
  readonly lowMin: number;
  readonly highFactor: number;
  readonly lowFactor: number;
  readonly highM: number;
  readonly lowM: number;
}

interface Pair {
  readonly ref: TideTurn;
  readonly atMs: number;
  readonly heightM: number;
}

const BLOCK = 20 * DAY;

/**
 * The tide of a secondary port from its reference port.
 * @param reference - Harmonic model of the reference port.
 * @param d - Differences; factors are more than 0.
 */
export function subordinateTide(reference: TideModel, d: TideDifferences): TideModel {
  if (!(d.highFactor > 0) || !(d.lowFactor > 0))
    throw new RangeError(`factors: expected more than 0, got ${d.highFactor} and ${d.lowFactor}`);
  const blocks = new Map<number, Pair[]>();
  function pairsAt(atMs: number): Pair[] {
    const key = Math.floor(atMs / BLOCK);
    const known = blocks.get(key);
    if (known) return known;
    const margin = 2 * DAY;
    const pairs = tideTurns(reference, key * BLOCK - margin, (key + 1) * BLOCK + margin).map((ref): Pair => {
      const high = ref.kind === 'high';
      return {
        ref,
        atMs: ref.atMs + (high ? d.highMin : d.lowMin) * MINUTE,
        heightM: ref.heightM * (high ? d.highFactor : d.lowFactor) + (high ? d.highM : d.lowM),
      };
    });
    // A wiggle shorter than the difference in delays could come out of order.
    const ordered = pairs.filter((p, i) => i === 0 || p.atMs > nth(pairs, i - 1).atMs);
    blocks.set(key, ordered);
    return ordered;
  }
  function heightAt(atMs: number): number {
    const pairs = pairsAt(atMs);
    let i = 0;
    let j = pairs.length - 1;
    while (j - i > 1) {
      const mid = (i + j) >> 1;
      if (nth(pairs, mid).atMs <= atMs) i = mid;
      else j = mid;
    }
    const a = nth(pairs, i);
    const b = nth(pairs, j);
    const share = (atMs - a.atMs) / (b.atMs - a.atMs);
    const there = reference.heightAt(a.ref.atMs + share * (b.ref.atMs - a.ref.atMs));
    const range = b.ref.heightM - a.ref.heightM;
    const place = Math.abs(range) < 1e-9 ? share : (there - a.ref.heightM) / range;
    return a.heightM + place * (b.heightM - a.heightM);
  }
  const rateAt = (atMs: number) => ((heightAt(atMs + MINUTE) - heightAt(atMs - MINUTE)) / (2 * MINUTE)) * HOUR;
  const model = { heightAt, rateAt };
  return { ...model, rates: (from, step, count) => ratesOf(model, from, step, count) };
}
