// Light and heat at the water's surface. Clear sky: Haurwitz 1945 (constant 1098 W/m2, exp(-0.057 / sin h)). Cloud: Kasten &
// Czeplak 1980. Exchange: Edinger, Brady & Geyer 1974 (formulas from memory), wind 0-20 m/s, water 0-35 C.
import { DEG } from '../units/angle';

/** Clear-sky light on a level surface, W/m2. @param sunHeightDeg - Height of the sun, degrees. */
export function clearSkyWm2(sunHeightDeg: number): number {
  if (sunHeightDeg <= 0) return 0;
  const s = Math.sin(sunHeightDeg * DEG);
  return 1098 * s * Math.exp(-0.057 / s);
}

/** Light under cloud, W/m2. @param cloud - Share of the sky, 0 to 1. */
export function cloudyWm2(clearWm2: number, cloud: number): number {
  return clearWm2 * (1 - 0.75 * Math.min(1, Math.max(0, cloud)) ** 3.4);
}

/** Share of light that water reflects: 6 % under a high sun, more below 30 degrees (Fresnel, smoothed for ripples). */
export function waterAlbedo(sunHeightDeg: number): number {
  return 0.06 + 0.3 * Math.exp(-Math.max(0, sunHeightDeg) / 9);
}

/** Wind function of surface exchange, W/m2/mmHg. */
const windFunction = (windMps: number) => 9.2 + 0.46 * windMps * windMps;

/**
 * Coefficient of surface heat exchange, W/m2/K.
 * @param surfaceC - Water surface. @param dewOrMeanC - The temperature at which the vapour slope is taken with it, C.
 */
export function exchangeWm2K(surfaceC: number, dewOrMeanC: number, windMps: number): number {
  const tm = dewOrMeanC;
  const beta = 0.35 + 0.015 * tm + 0.0012 * tm * tm;
  return 4.5 + 0.05 * surfaceC + (beta + 0.47) * windFunction(windMps);
}
