// One record per spot and instant: the only thing that ranking, rules and stay-or-move read.
import { fetchFromRose } from '../exposure/fetch';
import { waveHeight } from '../exposure/waves';
import { sunPosition } from '../sky/sunPosition';
import { lightAtDepth } from '../sky/underwaterLight';
import type { TideModel } from '../tide/tideModel';
import { type TidePhase, tidePhases } from '../tide/tideStage';
import { DEG, turnDeg } from '../units/angle';
import { DAY, HOUR } from '../units/time';
import { changeOver, type Series, sampleSeries, type Trust } from '../weather/series';
import { sampleWind, type WindSeries } from '../weather/wind';

/** What is known of a water through time: tide model and series, measured then forecast. */
export interface WaterState {
  readonly lat: number;
  readonly lon: number;
  readonly tide: TideModel | null;
  readonly wind: WindSeries | null;
  readonly airTempC: Series | null;
  readonly pressureHpa: Series | null;
  readonly cloud: Series | null;
  readonly waterTempC: Series | null;
  readonly clarityM: Series | null;
  readonly flowM3s: Series | null;
}

/** What conditions need to know of a spot. Depths below chart datum, m. */
export interface SpotGround {
  readonly depthMinM: number;
  readonly depthMaxM: number;
  /** Bearing from the bank towards open water, degrees true; null in the open. */
  readonly shoreNormalDeg: number | null;
  /** Effective fetch for 36 bearings, m. */
  readonly fetchM: readonly number[];
}

export interface SpotConditions {
  readonly at: number;
  readonly tideHeightM: number | null;
  /** 0 at low water, 0.5 at high, towards 1 at the next low. */
  readonly tideStage: number | null;
  readonly tidePush: number | null;
  /** Hours since the last turn of the tide. */
  readonly sinceTurnH: number | null;
  /** Depth over the middle of the spot now, m. */
  readonly depthM: number;
  readonly windMps: number | null;
  readonly windGustMps: number | null;
  readonly windFromDeg: number | null;
  /** -1 full lee to 1 square onto the bank. */
  readonly onshore: number | null;
  readonly fetchM: number | null;
  readonly waveM: number | null;
  readonly airTempC: number | null;
  readonly waterTempC: number | null;
  readonly waterTemp48hC: number | null;
  readonly clarityM: number | null;
  /** Share of surface light at fish depth, 0 to 1. */
  readonly lightFraction: number | null;
  readonly sunHeightDeg: number;
  readonly sunBearingDeg: number;
  readonly cloud: number | null;
  readonly pressureHpa: number | null;
  readonly pressure6hHpa: number | null;
  readonly flowM3s: number | null;
  /** The least trusted of the inputs that vary with weather. */
  readonly trust: Trust;
}

type Shared = Omit<SpotConditions, 'depthM' | 'onshore' | 'fetchM' | 'waveM' | 'lightFraction'>;

/**
 * Prepares conditions of a water over [fromMs, toMs]. What all spots share is worked out once per instant.
 * @returns A function from spot and instant to conditions.
 */
export function conditionsOver(water: WaterState, fromMs: number, toMs: number): (spot: SpotGround, atMs: number) => SpotConditions {
  const phaseAt = water.tide ? tidePhases(water.tide, fromMs, toMs) : null;
  const shared = new Map<number, Shared>();
  return (spot, atMs) => {
    let s = shared.get(atMs);
    if (!s) {
      s = sharedConditions(water, phaseAt, atMs);
      shared.set(atMs, s);
    }
    const tide = s.tideHeightM ?? 0;
    const depthM = (spot.depthMinM + spot.depthMaxM) / 2 + tide;
    const hasWind = s.windMps !== null && s.windFromDeg !== null;
    const fetchM = hasWind ? fetchFromRose(spot.fetchM, s.windFromDeg as number) : null;
    return {
      ...s,
      depthM,
      onshore: hasWind && spot.shoreNormalDeg !== null ? Math.cos(turnDeg(spot.shoreNormalDeg, s.windFromDeg as number) * DEG) : null,
      fetchM,
      waveM: fetchM === null ? null : waveHeight(s.windMps as number, fetchM, Math.max(0.3, depthM)),
      lightFraction: s.clarityM === null ? null : lightAtDepth(Math.max(0, depthM * 0.7), s.clarityM),
    };
  };
}

function sharedConditions(water: WaterState, phaseAt: ((at: number) => TidePhase | null) | null, at: number): Shared {
  const phase = phaseAt?.(at) ?? null;
  const wind = sampleWind(water.wind, at);
  const sun = sunPosition(at, water.lat, water.lon);
  const temp = sampleSeries(water.waterTempC, at, { carryMs: 12 * HOUR });
  const clarity = sampleSeries(water.clarityM, at, { maxGapMs: 3 * DAY, carryMs: 4 * DAY });
  const trusts = [wind?.trust, temp?.trust].filter((t) => t !== undefined);
  return {
    at,
    tideHeightM: water.tide?.heightAt(at) ?? null,
    tideStage: phase?.stage ?? null,
    tidePush: phase?.push ?? null,
    sinceTurnH: phase?.sinceTurnH ?? null,
    windMps: wind?.mps ?? null,
    windGustMps: wind?.gustMps ?? null,
    windFromDeg: wind?.fromDeg ?? null,
    airTempC: sampleSeries(water.airTempC, at)?.value ?? null,
    waterTempC: temp?.value ?? null,
    waterTemp48hC: changeOver(water.waterTempC, at, 48),
    clarityM: clarity?.value ?? null,
    sunHeightDeg: sun.heightDeg,
    sunBearingDeg: sun.bearingDeg,
    cloud: sampleSeries(water.cloud, at)?.value ?? null,
    pressureHpa: sampleSeries(water.pressureHpa, at)?.value ?? null,
    pressure6hHpa: changeOver(water.pressureHpa, at, 6),
    flowM3s: sampleSeries(water.flowM3s, at)?.value ?? null,
    trust: trusts.includes('carried') ? 'carried' : trusts.includes('forecast') ? 'forecast' : 'measured',
  };
}
