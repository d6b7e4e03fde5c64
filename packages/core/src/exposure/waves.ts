// Fetch-limited wind waves, Shore Protection Manual 1984 (formulas from memory); wind 1-40 m/s, fetch 0.1-100 km.
// Other methods differ by 20-30 %; depth limits by Young & Verhagen 1996, whose ratio reduces the height in shallows.
const G = 9.80665;

/** Significant height (m) and period (s). */
export interface Wave {
  readonly heightM: number;
  readonly periodS: number;
}

/** @param windMps - >= 0. @param fetchM - >= 0. */
export function spmWave(windMps: number, fetchM: number): Wave {
  if (windMps < 0.1 || fetchM < 1) return { heightM: 0, periodS: 0 };
  const ua = 0.71 * windMps ** 1.23;
  const x = (G * fetchM) / (ua * ua);
  return { heightM: (0.0016 * Math.sqrt(x) * ua * ua) / G, periodS: (0.2857 * Math.cbrt(x) * ua) / G };
}

/** Wave height in water of limited depth, m. @param depthM - > 0. */
export function youngVerhagenHeight(windMps: number, fetchM: number, depthM: number): number {
  if (windMps < 0.1 || fetchM < 1 || depthM <= 0) return 0;
  const u2 = windMps * windMps;
  const a = 0.493 * ((G * depthM) / u2) ** 0.75;
  const b = 3.13e-3 * ((G * fetchM) / u2) ** 0.57;
  const energy = 3.64e-3 * (Math.tanh(a) * Math.tanh(b / Math.tanh(a))) ** 1.74;
  return (4 * Math.sqrt(energy) * u2) / G;
}

/** The smaller of the deep-water and the depth-limited height, m. */
export function waveHeight(windMps: number, fetchM: number, depthM: number | null): number {
  const deep = spmWave(windMps, fetchM).heightM;
  return depthM === null ? deep : Math.min(deep, youngVerhagenHeight(windMps, fetchM, Math.max(0.1, depthM)));
}
