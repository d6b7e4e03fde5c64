import { HOUR } from '../units/time';
import { num } from '../units/indexed';

/** A spot's belief as the deck carries it: Gamma(a, b) at its best hours, and its expected rate by the hour. */
export interface HourlyBelief {
  readonly a: number;
  readonly b: number;
  /** Expected fish per hour for all rods, by hours from an instant; absent in packs that were kept before it was told. */
  readonly hourly?: { readonly fromMs: number; readonly ratePerHour: readonly number[] };
}

/** Slowest rate that a belief is given, fish an hour: a shape over nothing would be no belief. */
const LEAST_PER_HOUR = 0.01;

/** Belief for an arrival at an instant: the spread between days stays (a), the mean is that of the hour. */
export function beliefAt(spot: HourlyBelief, atMs: number): { a: number; b: number } {
  const { a, hourly } = spot;
  if (!hourly || hourly.ratePerHour.length === 0) return { a, b: spot.b };
  const k = Math.min(hourly.ratePerHour.length - 1, Math.max(0, Math.floor((atMs - hourly.fromMs) / HOUR)));
  return { a, b: a / Math.max(LEAST_PER_HOUR, num(hourly.ratePerHour, k)) };
}
