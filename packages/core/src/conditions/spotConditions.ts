// One record per spot and instant: the only thing that ranking, rules and stay-or-move read.
import { fetchFromRose } from '../exposure/fetch';
import { currentAlongWaves, fetchOfDuration, heightOnCurrent, spmWave, waveHeight } from '../exposure/waves';
import { metresPerDegree } from '../ground/seaBed';
import { NO_OFFSET, placeTempSd } from '../heat/calibrate';
import { type HeatTrack, heatOver } from '../heat/spotHeat';
import { moonIllumination } from '../sky/moonLight';
import { LOWEST_SUN_DEG } from '../sky/shade';
import { sunPosition } from '../sky/sunPosition';
import { lightAtDepth } from '../sky/underwaterLight';
import type { CurrentModel, CurrentStation } from '../tide/currentModel';
import type { TideModel } from '../tide/tideModel';
import { type TidePhase, tidePhases } from '../tide/tideStage';
import { DEG, turnDeg, wrapDeg } from '../units/angle';
import { DAY, HOUR } from '../units/time';
import { changeOver, type Series, sampleSeries, type Trust } from '../weather/series';
import { thunderAt } from '../weather/thunder';
import { sampleWind, type WindSeries } from '../weather/wind';

/** What is known of a water through time: tide model and series, measured then forecast. */
export interface WaterState {
  readonly lat: number;
  readonly lon: number;
  /** The prediction alone: turns and stage are taken from it. */
  readonly tide: TideModel | null;
  /** Height above datum with the measured residual carried forward, m. */
  readonly levelAt: ((atMs: number) => number) | null;
  readonly currents: readonly { readonly station: CurrentStation; readonly model: CurrentModel }[];
  /** Measured level against chart datum, m. */
  readonly levelM: Series | null;
  readonly wind: WindSeries | null;
  readonly airTempC: Series | null;
  readonly dewPointC: Series | null;
  readonly visibilityM: Series | null;
  /** No tide and no stream to speak of runs in it. */
  readonly still?: boolean;
  /** Reports of thunder: 1 where it was heard or seen, 0 where not; of a forecast, the share of its members. */
  readonly thunder: Series | null;
  readonly pressureHpa: Series | null;
  readonly cloud: Series | null;
  readonly waterTempC: Series | null;
  readonly clarityM: Series | null;
  readonly flowM3s: Series | null;
  /** Variables that no model reads, by name. */
  readonly others?: Readonly<Record<string, Series>>;
  /** Whose readings speak, by variable: station names, or crew. */
  readonly sources: Readonly<Record<string, string>>;
}

/** What conditions need to know of a spot. Depths below chart datum, m. */
export interface SpotGround {
  readonly lat: number;
  readonly lon: number;
  readonly depthMinM: number;
  readonly depthMaxM: number;
  readonly bottom: string;
  /** Bearing from the bank towards open water, degrees true; null in the open. */
  readonly shoreNormalDeg: number | null;
  /** Effective fetch for 36 bearings, m. */
  readonly fetchM: readonly number[];
  /** What the crew's readings say of the spot's own temperature, with its standard deviation, C. */
  readonly heatOffsetC: number;
  readonly heatSdC: number;
}

/** A field's source and how far it can be trusted; null where it is unknown. */
export type FieldTrust = { readonly trust: Trust; readonly source: string } | null;

/** Fields that come from readings or forecasts. */
export type SourcedField = 'level' | 'wind' | 'airTemp' | 'waterTemp' | 'clarity' | 'cloud' | 'pressure' | 'flow';

export interface SpotConditions {
  readonly at: number;
  /** Height of the water above chart datum, measured residual included, m. */
  readonly tideHeightM: number | null;
  /** No tide and no stream to speak of runs here. */
  readonly stillWater: boolean;
  /** 0 at low water, 0.5 at high, towards 1 at the next low. */
  readonly tideStage: number | null;
  readonly tidePush: number | null;
  /** Hours since the last turn of the tide. */
  readonly sinceTurnH: number | null;
  readonly currentMps: number | null;
  readonly currentToDeg: number | null;
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
  readonly dewPointC: number | null;
  readonly visibilityM: number | null;
  /** Thunder within the hour before or after; null where nobody speaks of it. */
  readonly thunder: boolean | null;
  /** At the spot, at fish depth, with its standard deviation, C. */
  readonly waterTempC: number | null;
  readonly waterTempSdC: number | null;
  /** How much warmer than the main water, C. */
  readonly warmerC: number | null;
  readonly waterTemp48hC: number | null;
  readonly clarityM: number | null;
  /** Share of surface light at fish depth, 0 to 1. */
  readonly lightFraction: number | null;
  readonly sunHeightDeg: number;
  readonly sunBearingDeg: number;
  /** Direction in which shade falls, degrees true; null without sun to speak of. */
  readonly shadeToDeg: number | null;
  readonly moonIllumination: number;
  readonly cloud: number | null;
  readonly pressureHpa: number | null;
  readonly pressure6hHpa: number | null;
  readonly flowM3s: number | null;
  readonly fields: Readonly<Record<SourcedField, FieldTrust>>;
  /** The least trusted of wind and water temperature. */
  readonly trust: Trust;
}

type Spot = 'depthM' | 'onshore' | 'fetchM' | 'waveM' | 'lightFraction' | 'currentMps' | 'currentToDeg' | 'waterTempSdC' | 'warmerC';
type Shared = Omit<SpotConditions, Spot> & { readonly windHours: number };

/** A current station speaks for spots within this, m. */
const CURRENT_REACH_M = 2600;

/**
 * Prepares conditions of a water over [fromMs, toMs]. What all spots share is worked out once per instant, a spot's own
 * temperature once per spot.
 * @returns A function from spot and instant to conditions.
 */
export function conditionsOver(water: WaterState, fromMs: number, toMs: number): (spot: SpotGround, atMs: number) => SpotConditions {
  const phaseAt = water.tide ? tidePhases(water.tide, fromMs, toMs) : null;
  const shared = new Map<number, Shared>();
  let heat: ReturnType<typeof heatOver> | null = null;
  const tracks = new Map<SpotGround, HeatTrack>();
  const streams = new Map<SpotGround, CurrentModel | null>();
  return (spot, atMs) => {
    let s = shared.get(atMs);
    if (!s) {
      s = sharedConditions(water, phaseAt, atMs);
      shared.set(atMs, s);
    }
    // Two days before the span as well, for the change over 48 hours.
    heat ??= heatOver(water, fromMs - 2 * DAY, toMs);
    const track = cached(tracks, spot, heat);
    const stream = cached(streams, spot, (x) => nearestCurrent(water, x));
    const current = stream?.at(atMs) ?? null;
    const depthM = (spot.depthMinM + spot.depthMaxM) / 2 + (s.tideHeightM ?? 0);
    const wind = blowing(s);
    const fetchM = wind && fetchFromRose(spot.fetchM, wind.fromDeg);
    const waveM = wind === null || fetchM === null ? null : waveOf(wind, fetchM, depthM, current);
    const difference = s.waterTempC === null ? null : (track.differenceAt(atMs) ?? 0);
    const before = track.differenceAt(atMs - 2 * DAY) ?? 0;
    const offset = { offsetC: spot.heatOffsetC, sdC: spot.heatSdC, readings: 0 };
    const { windHours: _, ...rest } = s;
    return {
      ...rest,
      depthM,
      currentMps: current?.mps ?? null,
      currentToDeg: current?.toDeg ?? null,
      onshore: wind && spot.shoreNormalDeg !== null ? Math.cos(turnDeg(spot.shoreNormalDeg, wind.fromDeg) * DEG) : null,
      fetchM,
      waveM,
      waterTempC: difference === null || s.waterTempC === null ? null : s.waterTempC + difference + spot.heatOffsetC,
      waterTempSdC: difference === null ? null : placeTempSd(offset, difference),
      warmerC: difference === null ? null : difference + spot.heatOffsetC,
      waterTemp48hC: s.waterTemp48hC === null ? null : s.waterTemp48hC + (difference ?? 0) - before,
      lightFraction: s.clarityM === null ? null : lightAtDepth(Math.max(0, depthM * 0.7), s.clarityM),
    };
  };
}

/** A place on a run, as far as the sea there goes. */
export interface SeaSpot {
  readonly lat: number;
  readonly lon: number;
  /** Charted depth, m below datum. */
  readonly depthM: number;
  /** Effective fetch for 36 bearings, m. */
  readonly fetchM: readonly number[];
}

/** What a boat meets at a place on its run; null is not known. */
export type SeaConditions = Pick<
  SpotConditions,
  | 'at'
  | 'tideHeightM'
  | 'stillWater'
  | 'windMps'
  | 'windGustMps'
  | 'windFromDeg'
  | 'waveM'
  | 'currentMps'
  | 'currentToDeg'
  | 'visibilityM'
  | 'thunder'
  | 'sunHeightDeg'
  | 'waterTempC'
  | 'airTempC'
  | 'dewPointC'
>;

/**
 * Prepares what a boat meets over [fromMs, toMs] at places that are not fished, such as those on a run.
 * @returns A function from place and instant to conditions.
 */
export function seaOver(water: WaterState, fromMs: number, toMs: number): (place: SeaSpot, atMs: number) => SeaConditions {
  const phaseAt = water.tide ? tidePhases(water.tide, fromMs, toMs) : null;
  const shared = new Map<number, Shared>();
  const streams = new Map<object, CurrentModel | null>();
  return (place, atMs) => {
    const s = cached(shared, atMs, (at) => sharedConditions(water, phaseAt, at));
    const current = cached(streams, place, () => nearestCurrent(water, place))?.at(atMs) ?? null;
    const wind = blowing(s);
    const waveM = wind && waveOf(wind, fetchFromRose(place.fetchM, wind.fromDeg), place.depthM + (s.tideHeightM ?? 0), current);
    return { ...s, waveM, currentMps: current?.mps ?? null, currentToDeg: current?.toDeg ?? null };
  };
}

/** A spot in the middle of a water of which nothing is known but its depth, for places that are not spots. */
export function plainSpot(
  at: { lat: number; lon: number },
  depthM: number,
  fetchM: readonly number[] = new Array(36).fill(1000),
): SpotGround {
  return {
    ...at,
    depthMinM: depthM,
    depthMaxM: depthM,
    bottom: 'mud',
    shoreNormalDeg: null,
    fetchM,
    heatOffsetC: NO_OFFSET.offsetC,
    heatSdC: NO_OFFSET.sdC,
  };
}

function cached<K, V>(map: Map<K, V>, key: K, make: (key: K) => V): V {
  const known = map.get(key);
  if (known !== undefined) return known;
  const value = make(key);
  map.set(key, value);
  return value;
}

function nearestCurrent(water: WaterState, spot: { lat: number; lon: number }): CurrentModel | null {
  const m = metresPerDegree(spot.lat);
  let best: CurrentModel | null = null;
  let least = CURRENT_REACH_M;
  for (const { station, model } of water.currents) {
    const d = Math.hypot((station.lat - spot.lat) * m.lat, (station.lon - spot.lon) * m.lon);
    if (d < least) [best, least] = [model, d];
  }
  return best;
}

/** A wind whose strength and direction are known, and how long it has blown so. */
interface Blowing {
  readonly mps: number;
  readonly fromDeg: number;
  readonly hours: number;
}

const blowing = (s: Shared): Blowing | null =>
  s.windMps === null || s.windFromDeg === null ? null : { mps: s.windMps, fromDeg: s.windFromDeg, hours: s.windHours };

/** Wave height at a spot: by wind, fetch, how long it has blown so, and depth; steeper against a current. */
function waveOf(wind: Blowing, fetchM: number, depthM: number, current: { mps: number; toDeg: number } | null): number {
  if (depthM <= 0) return 0;
  const used = Math.min(fetchM, fetchOfDuration(wind.mps, wind.hours * 3600));
  const height = waveHeight(wind.mps, used, Math.max(0.3, depthM));
  if (!current || current.mps < 0.1) return height;
  const along = currentAlongWaves(wind.fromDeg, current.mps, current.toDeg);
  return Math.min(heightOnCurrent(height, spmWave(wind.mps, used).periodS, along), 0.6 * Math.max(0.3, depthM));
}

/** Hours for which the wind has blown within 45 degrees of now and at two thirds of its speed or more, at most 12. */
function steadyHours(wind: WindSeries | null, at: number, mps: number, fromDeg: number): number {
  for (let h = 1; h < 12; h++) {
    const w = sampleWind(wind, at - h * HOUR);
    if (!w) return 12;
    if (w.mps < mps * 0.66 || Math.abs(turnDeg(fromDeg, w.fromDeg)) > 45) return h;
  }
  return 12;
}

function sharedConditions(water: WaterState, phaseAt: ((at: number) => TidePhase | null) | null, at: number): Shared {
  const phase = phaseAt?.(at) ?? null;
  const wind = sampleWind(water.wind, at);
  const sun = sunPosition(at, water.lat, water.lon);
  const level = sampleSeries(water.levelM, at, { carryMs: 12 * HOUR });
  const air = sampleSeries(water.airTempC, at);
  const temp = sampleSeries(water.waterTempC, at, { carryMs: 12 * HOUR });
  const clarity = sampleSeries(water.clarityM, at, { maxGapMs: 3 * DAY, carryMs: 4 * DAY });
  const cloud = sampleSeries(water.cloud, at);
  const pressure = sampleSeries(water.pressureHpa, at);
  const flow = sampleSeries(water.flowM3s, at, { maxGapMs: 12 * HOUR, carryMs: 2 * DAY });
  const trusts = [wind?.trust, temp?.trust].filter((t) => t !== undefined);
  const field = (variable: string, s: { trust: Trust } | null): FieldTrust =>
    s && { trust: s.trust, source: s.trust === 'forecast' ? 'forecast' : (water.sources[variable] ?? 'readings') };
  return {
    at,
    tideHeightM: water.levelAt?.(at) ?? null,
    stillWater: water.still ?? false,
    tideStage: phase?.stage ?? null,
    tidePush: phase?.push ?? null,
    sinceTurnH: phase?.sinceTurnH ?? null,
    windMps: wind?.mps ?? null,
    windGustMps: wind?.gustMps ?? null,
    windFromDeg: wind?.fromDeg ?? null,
    windHours: wind ? steadyHours(water.wind, at, wind.mps, wind.fromDeg) : 0,
    airTempC: air?.value ?? null,
    dewPointC: sampleSeries(water.dewPointC, at)?.value ?? null,
    visibilityM: sampleSeries(water.visibilityM, at)?.value ?? null,
    thunder: thunderAt(water.thunder, at),
    waterTempC: temp?.value ?? null,
    waterTemp48hC: changeOver(water.waterTempC, at, 48),
    clarityM: clarity?.value ?? null,
    sunHeightDeg: sun.heightDeg,
    sunBearingDeg: sun.bearingDeg,
    shadeToDeg: sun.heightDeg < LOWEST_SUN_DEG ? null : wrapDeg(sun.bearingDeg + 180),
    moonIllumination: moonIllumination(at),
    cloud: cloud?.value ?? null,
    pressureHpa: pressure?.value ?? null,
    pressure6hHpa: changeOver(water.pressureHpa, at, 6),
    flowM3s: flow?.value ?? null,
    fields: {
      level: water.tide ? (field('waterLevelM', level) ?? { trust: 'forecast', source: 'prediction' }) : null,
      wind: field('windMps', wind),
      airTemp: field('airTempC', air),
      waterTemp: field('waterTempC', temp),
      clarity: field('clarityM', clarity),
      cloud: field('cloud', cloud),
      pressure: field('pressureHpa', pressure),
      flow: field('flowM3s', flow),
    },
    trust: trusts.includes('carried') ? 'carried' : trusts.includes('forecast') ? 'forecast' : 'measured',
  };
}
