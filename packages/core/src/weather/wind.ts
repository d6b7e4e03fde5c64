import { DEG, wrapDeg } from '../units/angle';
import { type Sample, type Series, sampleSeries, type Trust } from './series';

/** Wind as vector components (m/s towards east and north) so that directions interpolate across north. */
export interface WindSeries {
  readonly east: Series;
  readonly north: Series;
  readonly gust: Series | null;
}

export interface Wind {
  readonly mps: number;
  readonly gustMps: number | null;
  /** Direction the wind comes from, degrees true. */
  readonly fromDeg: number;
  readonly trust: Trust;
}

/** Components towards east and north of a wind given by speed (m/s) and the bearing it comes from (deg). */
export function windComponents(mps: number, fromDeg: number): { east: number; north: number } {
  return { east: -mps * Math.sin(fromDeg * DEG), north: -mps * Math.cos(fromDeg * DEG) };
}

/** Speed and direction of components. */
export function windFromComponents(east: number, north: number): { mps: number; fromDeg: number } {
  return { mps: Math.hypot(east, north), fromDeg: wrapDeg(Math.atan2(-east, -north) / DEG) };
}

/** Wind at an instant, or null inside a gap. */
export function sampleWind(series: WindSeries | null, at: number): Wind | null {
  const e: Sample | null = sampleSeries(series?.east, at);
  const n: Sample | null = sampleSeries(series?.north, at);
  if (!e || !n) return null;
  const gust = sampleSeries(series?.gust, at);
  return { ...windFromComponents(e.value, n.value), gustMps: gust?.value ?? null, trust: e.trust };
}
