// Water temperature of one spot through time: what the stations measure in the main water, plus the difference that the
// spot's own mixed layer makes under the same sun, wind and tide, plus what the crew's readings say of it. The main water
// runs through the same equations, so that what the equations get wrong of the weather falls out of the difference.
import { sunPosition } from '../sky/sunPosition';
import type { TideModel } from '../tide/tideModel';
import { DAY, HOUR } from '../units/time';
import { type Series, sampleSeries } from '../weather/series';
import { sampleWind, type WindSeries } from '../weather/wind';
import { type HeatForcing, heatStep } from './mixedLayer';
import { clearSkyWm2, cloudyWm2, waterAlbedo } from './surface';
import { f64 } from '../units/indexed';

/** What drives all spots of a water. */
export interface HeatDrivers {
  readonly lat: number;
  readonly lon: number;
  readonly tide: Pick<TideModel, 'heightAt' | 'rateAt'> | null;
  readonly wind: WindSeries | null;
  readonly airTempC: Series | null;
  readonly cloud: Series | null;
  readonly waterTempC: Series | null;
  readonly clarityM: Series | null;
}

/** What heat needs to know of a spot. */
export interface HeatPlace {
  readonly depthMinM: number;
  readonly depthMaxM: number;
  readonly bottom: string;
  /** Effective fetch for 36 bearings, m: a place with little open water round it mixes slowly. */
  readonly fetchM: readonly number[];
}

/** A spot's temperature through time. */
export interface HeatTrack {
  /** Difference from the main water, C; null before the first step or where the weather is unknown. */
  differenceAt(atMs: number): number | null;
}

const STEP_H = 0.5;
/** Warm-up before the span that is asked for, days: what a place remembers. */
export const HEAT_MEMORY_MS = 3 * DAY;
const MAIN_DEPTH_M = 8;
const MIXED_M = 5;
const DEW_BELOW_AIR_C = 3;

interface Forcing {
  readonly sunNetWm2: number;
  readonly windMps: number;
  readonly darkEquilibriumC: number;
  readonly tideM: number;
  readonly risingMph: number;
  readonly secchiM: number;
  readonly mainC: number | null;
}

/**
 * Prepares the spots' temperatures over [fromMs, toMs]; the drivers should reach back three days before it.
 * @returns A function from a spot to its track; null when sun, air or main water are unknown throughout.
 */
export function heatOver(d: HeatDrivers, fromMs: number, toMs: number): (place: HeatPlace) => HeatTrack {
  const first = Math.floor((fromMs - HEAT_MEMORY_MS) / HOUR) * HOUR;
  const count = Math.ceil((toMs - first) / (STEP_H * HOUR)) + 1;
  const at = (i: number) => first + i * STEP_H * HOUR;
  const forcing: (Forcing | null)[] = Array.from({ length: count }, (_, i) => forcingAt(d, at(i)));
  const main = run(forcing, (f) => ({ ...shared(f), depthM: MAIN_DEPTH_M, exchangePerH: 0, mainC: 0 }), 'sand', null);
  return (place) => {
    const charted = (place.depthMinM + place.depthMaxM) / 2;
    const open = [...place.fetchM].sort((a, b) => a - b)[18] ?? 1000;
    // Two days to renew a shut-in pocket, half a day in the open (common practice, calibrated by readings).
    const renewal = 1 / (12 + 36 * Math.exp(-open / 1200));
    const temps = run(
      forcing,
      (f, i) => {
        const depth = charted + f.tideM;
        const tidal = f.risingMph > 0 ? f.risingMph / Math.max(0.3, depth) : 0;
        return { ...shared(f), depthM: Math.min(MIXED_M, depth), exchangePerH: Math.min(3, renewal + tidal), mainC: f64(main, i) };
      },
      place.bottom,
      main,
    );
    // Below the mixed layer the difference dies out.
    const fishDepth = 0.7 * Math.max(0, charted);
    const reach = Math.exp(-Math.max(0, fishDepth - MIXED_M) / 3);
    return {
      differenceAt(atMs) {
        const x = (atMs - first) / HOUR / STEP_H;
        const i = Math.floor(x);
        const [a, b] = [difference(i), difference(i + 1)];
        if (a === null) return null;
        return (b === null ? a : a + (x - i) * (b - a)) * reach;
      },
    };
    function difference(i: number): number | null {
      const [t, m] = [temps[i], main[i]];
      return t === undefined || m === undefined || Number.isNaN(t) || Number.isNaN(m) ? null : t - m;
    }
  };
}

const shared = (f: Forcing) => ({
  sunNetWm2: f.sunNetWm2,
  windMps: f.windMps,
  darkEquilibriumC: f.darkEquilibriumC,
  secchiM: f.secchiM,
});

/** Temperatures at each step; NaN until the forcing is known, beginning at the main water's. */
function run(
  forcing: readonly (Forcing | null)[],
  of: (f: Forcing, i: number) => HeatForcing,
  bottom: string,
  start: Float64Array | null,
): Float64Array {
  const out = new Float64Array(forcing.length).fill(Number.NaN);
  let temp = Number.NaN;
  forcing.forEach((f, i) => {
    if (f === null) {
      temp = Number.NaN;
      return;
    }
    if (Number.isNaN(temp)) temp = start ? f64(start, i) : (f.mainC ?? f.darkEquilibriumC + DEW_BELOW_AIR_C);
    out[i] = temp;
    temp = heatStep(temp, of(f, i), bottom, STEP_H).tempC;
  });
  return out;
}

function forcingAt(d: HeatDrivers, at: number): Forcing | null {
  const air = sampleSeries(d.airTempC, at, { maxGapMs: 7 * HOUR, carryMs: 3 * HOUR });
  if (!air) return null;
  const sun = sunPosition(at, d.lat, d.lon).heightDeg;
  const cloud = sampleSeries(d.cloud, at, { maxGapMs: 7 * HOUR, carryMs: 3 * HOUR })?.value ?? 0.5;
  const secchi = sampleSeries(d.clarityM, at, { maxGapMs: 6 * DAY, carryMs: 6 * DAY })?.value ?? 2;
  return {
    sunNetWm2: cloudyWm2(clearSkyWm2(sun), cloud) * (1 - waterAlbedo(sun)),
    windMps: sampleWind(d.wind, at)?.mps ?? 3,
    darkEquilibriumC: air.value - DEW_BELOW_AIR_C,
    tideM: d.tide?.heightAt(at) ?? 0,
    risingMph: d.tide?.rateAt(at) ?? 0,
    secchiM: secchi,
    mainC: sampleSeries(d.waterTempC, at, { maxGapMs: 7 * HOUR, carryMs: 12 * HOUR })?.value ?? null,
  };
}
