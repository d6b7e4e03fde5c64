// What speaks against a boat being out at an hour: usual practice, never a permission. The application does not declare
// a trip safe; an empty list only says that nothing of this was found.
import { apparentWindMps, coldWaterBand, heatIndexC, humidityOf, windChillC } from './feels';
import { windAgainstCurrent } from './waves';

/** A boat's own limits. */
export interface BoatLimits {
  readonly windMps: number;
  readonly waveM: number;
  /** Planing speed, m/s. */
  readonly speedMps: number;
}

/** What is known of one hour at one place; unknown is null. */
export interface HourAfloat {
  readonly windMps: number | null;
  readonly windGustMps: number | null;
  readonly windFromDeg: number | null;
  readonly waveM: number | null;
  readonly visibilityM: number | null;
  readonly currentMps: number | null;
  readonly currentToDeg: number | null;
  readonly airTempC: number | null;
  readonly dewPointC: number | null;
  readonly waterTempC: number | null;
  readonly sunHeightDeg: number;
  readonly thunder: boolean;
}

/** One thing that speaks against it. */
export interface Against {
  readonly kind: 'wind' | 'gust' | 'wave' | 'visibility' | 'wind against current' | 'dark' | 'thunder' | 'cold air' | 'cold water' | 'heat';
  /** The figure and its limit, SI. */
  readonly value: number;
  readonly limit: number;
}

const POOR_VISIBILITY_M = 1000;
const CHILL_C = -2;
const HEAT_C = 32;
/** Cold shock and early exhaustion are spoken of below this, C (agency guidance, from memory). */
const COLD_WATER_C = 15.6;

/** What speaks against it, the gravest first. */
export function againstGoing(boat: BoatLimits, h: HourAfloat): Against[] {
  const out: Against[] = [];
  const add = (kind: Against['kind'], value: number, limit: number) => out.push({ kind, value, limit });
  if (h.thunder) add('thunder', 1, 0);
  if (h.windMps !== null && h.windMps > boat.windMps) add('wind', h.windMps, boat.windMps);
  if (h.waveM !== null && h.waveM > boat.waveM) add('wave', h.waveM, boat.waveM);
  // A gust a third over the limit for steady wind is common practice to count as over it.
  if (h.windGustMps !== null && h.windGustMps > boat.windMps * 1.33) add('gust', h.windGustMps, boat.windMps * 1.33);
  if (h.visibilityM !== null && h.visibilityM < POOR_VISIBILITY_M) add('visibility', h.visibilityM, POOR_VISIBILITY_M);
  if (
    h.waveM !== null &&
    h.windFromDeg !== null &&
    h.currentMps !== null &&
    h.currentToDeg !== null &&
    windAgainstCurrent(h.waveM, h.windFromDeg, h.currentMps, h.currentToDeg)
  )
    add('wind against current', h.currentMps, 0.5);
  if (h.sunHeightDeg < -6) add('dark', h.sunHeightDeg, -6);
  if (h.airTempC !== null && h.windMps !== null) {
    const felt = windChillC(h.airTempC, apparentWindMps(h.windMps, h.windFromDeg ?? 0, boat.speedMps, null));
    if (felt < CHILL_C) add('cold air', felt, CHILL_C);
    if (h.dewPointC !== null) {
      const heat = heatIndexC(h.airTempC, humidityOf(h.airTempC, h.dewPointC));
      if (heat > HEAT_C) add('heat', heat, HEAT_C);
    }
  }
  if (h.waterTempC !== null && h.waterTempC < COLD_WATER_C && coldWaterBand(h.waterTempC)) add('cold water', h.waterTempC, COLD_WATER_C);
  return out;
}
