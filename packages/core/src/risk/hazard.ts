// A hazard of a spot as the crew has described it: when it stands, and whether it shuts the spot or only warns.
import { wrapDeg } from '../units/angle';

/** What kind of thing it is. */
export const HAZARD_KINDS = ['swell', 'rocks', 'current', 'shallow', 'traffic', 'overhead', 'other'] as const;
export type HazardKind = (typeof HAZARD_KINDS)[number];

/** Every condition that is given must be met for it to stand; one without conditions always stands. */
export interface Hazard {
  readonly kind: HazardKind;
  /** Winds from this bearing to that, clockwise, degrees true; null for any. */
  readonly windSectorDeg: [number, number] | null;
  /** From this much wind on, m/s; null for any. */
  readonly windMps: number | null;
  /** From this wave on, m; null for any. */
  readonly waveM: number | null;
  /** While the height of tide is below this, or above, m over datum; null for any. */
  readonly tideBelowM: number | null;
  readonly tideAboveM: number | null;
  /** It shuts the spot while it stands; otherwise it warns. */
  readonly binds: boolean;
  /** In the crew's words. */
  readonly note: string;
}

interface HazardConditions {
  readonly windMps?: number | null;
  readonly windFromDeg?: number | null;
  readonly waveM?: number | null;
  readonly tideHeightM?: number | null;
}

/** Whether it stands in given conditions; unknown where what it hangs on is not known and nothing else rules it out. */
export function hazardLevel(h: Hazard, c: HazardConditions): 'stands' | 'unknown' | 'not' {
  const met = (value: number | null | undefined, holds: (v: number) => boolean): boolean | null =>
    value === null || value === undefined ? null : holds(value);
  const tests: (boolean | null)[] = [];
  const { windSectorDeg, windMps, waveM, tideBelowM, tideAboveM } = h;
  if (windSectorDeg) tests.push(met(c.windFromDeg, (from) => inSector(from, windSectorDeg)));
  if (windMps !== null) tests.push(met(c.windMps, (v) => v >= windMps));
  if (waveM !== null) tests.push(met(c.waveM, (v) => v >= waveM));
  if (tideBelowM !== null) tests.push(met(c.tideHeightM, (v) => v < tideBelowM));
  if (tideAboveM !== null) tests.push(met(c.tideHeightM, (v) => v > tideAboveM));
  if (tests.includes(false)) return 'not';
  return tests.includes(null) ? 'unknown' : 'stands';
}

/** Whether a bearing lies in a sector that runs clockwise from one bearing to another. */
export function inSector(bearingDeg: number, [from, to]: readonly [number, number]): boolean {
  return wrapDeg(bearingDeg - from) <= wrapDeg(to - from);
}
