import { DAY } from '../units/time';
import { HALF_LIFE_DAYS } from './encode';
import { lightBand } from './groups';
import type { FishedSet, RateQuery } from './world';

/** Effort and fish in conditions like the ones asked about, at the same spot. */
export interface LikeWater {
  /** Weighted rod-hours and fish. */
  readonly rodHours: number;
  readonly fish: number;
  /** Sets with the greatest weight first. */
  readonly sets: readonly { readonly set: FishedSet; readonly weight: number }[];
}

const OTHER_PRESENTATION = 0.3;

/**
 * Kernel evidence shown beside a rate: each past set counts by its age and by how alike tide stage, light, water
 * temperature, wind and clarity were (0 to 1 each; an unknown on either side counts 0.7).
 */
export function likeWater(sets: readonly FishedSet[], query: RateQuery, now: number): LikeWater {
  const weighted: { set: FishedSet; weight: number }[] = [];
  let rodHours = 0;
  let fish = 0;
  for (const set of sets) {
    if (set.spot !== query.spot) continue;
    const weight = similarity(set, query, now);
    if (weight < LEAST) continue;
    rodHours += weight * set.rodHours;
    fish += weight * (set.counts ?? set.fish);
    weighted.push({ set, weight });
  }
  weighted.sort((a, b) => b.weight - a.weight);
  return { rodHours, fish, sets: weighted };
}

/** Weight under which a set says nothing any more. */
const LEAST = 0.01;

/** Factors from the quickest and most telling on; what has fallen under the least weight is looked at no further. */
function similarity(set: FishedSet, query: RateQuery, now: number): number {
  const a = set.conditions;
  const b = query.conditions;
  let w = set.presentation === query.presentation ? 1 : OTHER_PRESENTATION;
  w *= kernel(circular(a.tideStage, b.tideStage, 1), 0.12);
  if (w < LEAST) return 0;
  w *= 2 ** (-Math.max(0, now - set.at) / DAY / HALF_LIFE_DAYS);
  w *= kernel(difference(a.waterTempC, b.waterTempC), 3);
  if (w < LEAST) return 0;
  w *= kernel(difference(a.windMps, b.windMps), 4);
  const direction = circular(a.windFromDeg, b.windFromDeg, 360);
  w *= (a.windMps ?? 0) < 2 || (b.windMps ?? 0) < 2 ? 1 : kernel(direction, 60);
  if (w < LEAST) return 0;
  w *= kernel(difference(a.clarityM, b.clarityM), 1);
  const [la, lb] = [lightBand(a.sunHeightDeg, a.cloud), lightBand(b.sunHeightDeg, b.cloud)];
  return w * (la < 0 || lb < 0 ? 0.7 : la === lb ? 1 : 0.5);
}

function difference(a: number | null | undefined, b: number | null | undefined): number | null {
  return a === null || a === undefined || b === null || b === undefined ? null : Math.abs(a - b);
}

function circular(a: number | null | undefined, b: number | null | undefined, full: number): number | null {
  const d = difference(a, b);
  return d === null ? null : Math.min(d, full - d);
}

function kernel(distance: number | null, width: number): number {
  return distance === null ? 0.7 : Math.exp(-0.5 * (distance / width) ** 2);
}
