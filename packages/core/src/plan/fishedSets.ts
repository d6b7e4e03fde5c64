import type { FishedSet } from '../catchrate/world';
import { nth, num } from '../units/indexed';

type Unknown = readonly (number | null)[];

/** Fished sets as columns; spot and presentation are indices into lists. */
export interface EvidenceColumns {
  readonly stopId: readonly string[];
  readonly at: readonly number[];
  readonly spot: readonly number[];
  readonly presentation: readonly number[];
  readonly rodHours: readonly number[];
  readonly fish: readonly number[];
  readonly counts: readonly number[];
  readonly lengthCount: readonly number[];
  readonly lengthSum: readonly number[];
  readonly lengthSquares: readonly number[];
  readonly tideStage: Unknown;
  readonly windMps: Unknown;
  readonly windFromDeg: Unknown;
  readonly waterTempC: Unknown;
  readonly clarityM: Unknown;
  readonly sunHeightDeg: Unknown;
  readonly cloud: Unknown;
  readonly depthM: Unknown;
  readonly onshore: Unknown;
  readonly currentMps: Unknown;
  readonly sinceTurnH: Unknown;
  readonly tidePush: Unknown;
  readonly waterTemp48hC: Unknown;
  readonly flowM3s: Unknown;
}

/** Rows of columns. @param spots - Ids by index. @param presentations - Ids by index. */
export function fishedSets(e: EvidenceColumns, spots: readonly string[], presentations: readonly string[]): FishedSet[] {
  const value = (column: Unknown, i: number) => column[i] ?? null;
  return e.at.map((at, i) => ({
    at,
    stopId: nth(e.stopId, i),
    spot: nth(spots, num(e.spot, i)),
    presentation: nth(presentations, num(e.presentation, i)),
    rodHours: num(e.rodHours, i),
    fish: num(e.fish, i),
    counts: num(e.counts, i),
    lengths: { count: num(e.lengthCount, i), sum: num(e.lengthSum, i), squares: num(e.lengthSquares, i) },
    conditions: {
      tideStage: value(e.tideStage, i),
      windMps: value(e.windMps, i),
      windFromDeg: value(e.windFromDeg, i),
      waterTempC: value(e.waterTempC, i),
      clarityM: value(e.clarityM, i),
      sunHeightDeg: value(e.sunHeightDeg, i),
      cloud: value(e.cloud, i),
      depthM: value(e.depthM, i),
      onshore: value(e.onshore, i),
      currentMps: value(e.currentMps, i),
      sinceTurnH: value(e.sinceTurnH, i),
      tidePush: value(e.tidePush, i),
      waterTemp48hC: value(e.waterTemp48hC, i),
      flowM3s: value(e.flowM3s, i),
    },
  }));
}
