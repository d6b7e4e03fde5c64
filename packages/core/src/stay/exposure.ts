// How much fishing a stay is worth, in hours at the rate of its arrival: it fades, and the spot has its own hours.
import { HOUR, MINUTE } from '../units/time';
import type { HourlyBelief } from './beliefAt';
import { num } from '../units/indexed';

/** Minutes between two values of what is ahead. */
export const AHEAD_STEP_MIN = 5;

/** Hours that a fading stay is worth: (1 - exp(-k t)) / k. @param fade - 1/h, >= 0. @param hours - >= 0. */
export function effort(fade: number, hours: number): number {
  return fade > 0 ? (1 - Math.exp(-fade * hours)) / fade : hours;
}

/**
 * Hours at the arrival's rate of a stay whose spot has better and worse hours.
 * @param ahead - Rate of each five minutes from arrival on, as a share of the arrival's; the last holds on. Absent is 1 throughout.
 */
export function exposure(fade: number, minutes: number, ahead?: readonly number[]): number {
  if (!ahead || ahead.length === 0) return effort(fade, minutes / 60);
  let sum = 0;
  for (let from = 0; from < minutes; from += AHEAD_STEP_MIN) {
    const to = Math.min(minutes, from + AHEAD_STEP_MIN);
    sum += shareAt(ahead, from) * (effort(fade, to / 60) - effort(fade, from / 60));
  }
  return sum;
}

/** Share of the arrival's rate so many minutes after it. */
export function shareAt(ahead: readonly number[] | undefined, minutes: number): number {
  if (!ahead || ahead.length === 0) return 1;
  return num(ahead, Math.min(ahead.length - 1, Math.max(0, Math.floor(minutes / AHEAD_STEP_MIN))));
}

/** What a spot's own hours make of a stay: its rate in each five minutes from arrival on as a share of the arrival's; undefined where they are not told. */
export function aheadOf(spot: HourlyBelief, arrivedMs: number, minutes: number): number[] | undefined {
  const { hourly } = spot;
  if (!hourly || hourly.ratePerHour.length === 0) return undefined;
  const at = (ms: number) =>
    Math.max(0.01, num(hourly.ratePerHour, Math.min(hourly.ratePerHour.length - 1, Math.max(0, Math.floor((ms - hourly.fromMs) / HOUR)))));
  const first = at(arrivedMs);
  return Array.from(
    { length: Math.max(1, Math.ceil(minutes / AHEAD_STEP_MIN)) },
    (_, i) => at(arrivedMs + i * AHEAD_STEP_MIN * MINUTE) / first,
  );
}
