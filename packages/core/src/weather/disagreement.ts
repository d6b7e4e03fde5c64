// Stations of one water that tell different things over the same hours (common practice: half a degree matters in cold water;
// wind differs by place, so the limit is wide).
import { HOUR } from '../units/time';
import type { RawReading } from './quality';
import { variable as known } from './variables';
import { entryOf, lastOf } from '../units/indexed';

/** One station's trusted readings of one variable, in time order. */
export interface StationTrack {
  readonly station: string;
  readonly readings: readonly RawReading[];
}

export interface Disagreement {
  readonly a: string;
  readonly b: string;
  /** Newest common values. */
  readonly aValue: number;
  readonly bValue: number;
  /** Common hours looked at. */
  readonly hours: number;
}

const LOOK_BACK = 6 * HOUR;

/** Pairs that disagree in the last six hours before an instant; at least two common hours are needed. */
export function disagreements(variable: string, tracks: readonly StationTrack[], nowMs: number): Disagreement[] {
  const limit = known(variable).disagree;
  if (limit === undefined) return [];
  const hourly = tracks.map((t) => ({
    station: t.station,
    byHour: new Map(
      t.readings.filter((r) => r.atMs > nowMs - LOOK_BACK && r.atMs <= nowMs).map((r) => [Math.round(r.atMs / HOUR), r.value]),
    ),
  }));
  const out: Disagreement[] = [];
  hourly.forEach((a, i) => {
    for (const b of hourly.slice(i + 1)) {
      const common = [...a.byHour.keys()].filter((h) => b.byHour.has(h)).sort((x, y) => x - y);
      if (common.length < 2) continue;
      const off = common.reduce((s, h) => s + Math.abs(entryOf(a.byHour, h) - entryOf(b.byHour, h)), 0) / common.length;
      const last = lastOf(common);
      if (off > limit)
        out.push({
          a: a.station,
          b: b.station,
          aValue: entryOf(a.byHour, last),
          bValue: entryOf(b.byHour, last),
          hours: common.length,
        });
    }
  });
  return out;
}
