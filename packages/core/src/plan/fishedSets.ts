import type { FishedSet } from '../catchrate/world';

/** Fished sets as columns; spot and presentation are indices into lists. */
export interface EvidenceColumns {
  readonly stopId: readonly string[];
  readonly at: readonly number[];
  readonly spot: readonly number[];
  readonly presentation: readonly number[];
  readonly rodHours: readonly number[];
  readonly fish: readonly number[];
  readonly tideStage: readonly (number | null)[];
  readonly windMps: readonly (number | null)[];
  readonly windFromDeg: readonly (number | null)[];
  readonly waterTempC: readonly (number | null)[];
  readonly clarityM: readonly (number | null)[];
  readonly sunHeightDeg: readonly (number | null)[];
  readonly cloud: readonly (number | null)[];
  readonly depthM: readonly (number | null)[];
}

/** Rows of columns. @param spots - Ids by index. @param presentations - Ids by index. */
export function fishedSets(e: EvidenceColumns, spots: readonly string[], presentations: readonly string[]): FishedSet[] {
  return e.at.map((at, i) => ({
    at,
    stopId: e.stopId[i] as string,
    spot: spots[e.spot[i] as number] as string,
    presentation: presentations[e.presentation[i] as number] as string,
    rodHours: e.rodHours[i] as number,
    fish: e.fish[i] as number,
    conditions: {
      tideStage: e.tideStage[i] as number | null,
      windMps: e.windMps[i] as number | null,
      windFromDeg: e.windFromDeg[i] as number | null,
      waterTempC: e.waterTempC[i] as number | null,
      clarityM: e.clarityM[i] as number | null,
      sunHeightDeg: e.sunHeightDeg[i] as number | null,
      cloud: e.cloud[i] as number | null,
      depthM: e.depthM[i] as number | null,
    },
  }));
}
