// What the measured level is off the prediction (surge, flow, pressure), carried forward with decay. The decay is taken
// from the residuals themselves, as the e-folding time of their autocorrelation at six hours (common practice in surge
// persistence forecasts), held within 3 to 48 h.
import { HOUR } from '../units/time';
import { indexAt, type Series } from '../weather/series';
import type { TideModel } from './tideModel';
import { lastOf, num } from '../units/indexed';

const LAG = 6 * HOUR;
const FRESH = 12 * HOUR;
const MIN_H = 3;
const MAX_H = 48;
const DEFAULT_H = 12;

/** The newest residual and how it fades. */
export interface Residual {
  readonly atMs: number;
  readonly metres: number;
  readonly decayH: number;
}

/** Measured less predicted level by time, m; forecast values are left out. */
export function residuals(model: TideModel, measured: Series): { readonly atMs: number[]; readonly value: number[] } {
  const atMs = measured.atMs.slice(0, measured.forecastFrom);
  return { atMs, value: atMs.map((t, i) => num(measured.value, i) - model.heightAt(t)) };
}

/** E-folding time of residuals, hours. */
export function residualDecayH(r: { readonly atMs: readonly number[]; readonly value: readonly number[] }): number {
  let cross = 0;
  let square = 0;
  let n = 0;
  r.atMs.forEach((t, i) => {
    const j = indexAt(r.atMs, t - LAG);
    const before = r.atMs[j];
    if (before === undefined || Math.abs(before - (t - LAG)) > HOUR / 2) return;
    cross += num(r.value, i) * num(r.value, j);
    square += (num(r.value, i) ** 2 + num(r.value, j) ** 2) / 2;
    n++;
  });
  if (n < 12 || square === 0) return DEFAULT_H;
  const correlation = cross / square;
  if (correlation <= 0) return MIN_H;
  return Math.min(MAX_H, Math.max(MIN_H, -LAG / HOUR / Math.log(Math.min(0.999, correlation))));
}

/** The residual to carry forward: the middle one of the last three readings; null without any. */
export function newestResidual(model: TideModel, measured: Series | null): Residual | null {
  if (!measured || measured.forecastFrom === 0) return null;
  const r = residuals(model, measured);
  const last = [...r.value.slice(-3)].sort((a, b) => a - b);
  return { atMs: lastOf(r.atMs), metres: num(last, Math.floor((last.length - 1) / 2)), decayH: residualDecayH(r) };
}

/** Residual at an instant, m: measured where it was measured, fading after, 0 where nothing is known. */
export function residualAt(model: TideModel, measured: Series | null): (atMs: number) => number {
  const newest = newestResidual(model, measured);
  if (!newest || !measured) return () => 0;
  const r = residuals(model, measured);
  return (atMs) => {
    if (atMs >= newest.atMs) return newest.metres * Math.exp(-(atMs - newest.atMs) / HOUR / newest.decayH);
    const i = indexAt(r.atMs, atMs);
    const [t0, t1] = [r.atMs[i], r.atMs[i + 1]];
    if (t0 === undefined || t1 === undefined || t1 - t0 > FRESH) return 0;
    const share = (atMs - t0) / (t1 - t0);
    return num(r.value, i) + share * (num(r.value, i + 1) - num(r.value, i));
  };
}
