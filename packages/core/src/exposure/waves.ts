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

/**
 * Fetch that a wind of limited duration can use, m: SPM 1984 t = 68.8 (g F / U_A^2)^(2/3) U_A / g solved for F.
 * @param durationS - How long the wind has blown so, s, >= 0.
 */
export function fetchOfDuration(windMps: number, durationS: number): number {
  if (windMps < 0.1) return 0;
  const ua = 0.71 * windMps ** 1.23;
  return ((G * durationS) / (68.8 * ua)) ** 1.5 * ((ua * ua) / G);
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

/** Both methods' heights, least and most, m: what they differ by is part of the answer. */
export function waveSpread(windMps: number, fetchM: number, depthM: number): { lowM: number; highM: number } {
  const spm = Math.min(spmWave(windMps, fetchM).heightM, 0.6 * Math.max(0.1, depthM));
  const yv = youngVerhagenHeight(windMps, fetchM, Math.max(0.1, depthM));
  return { lowM: Math.min(spm, yv), highM: Math.max(spm, yv) };
}

/**
 * Wave length by linear theory: solves (2 pi / T)^2 = g k tanh(k d) by Newton's method.
 * @param periodS - > 0. @param depthM - > 0.
 */
export function waveLength(periodS: number, depthM: number): number {
  const w2d = ((2 * Math.PI) / periodS) ** 2 * (depthM / G);
  let kd = w2d > 1 ? w2d : Math.sqrt(w2d);
  for (let i = 0; i < 50; i++) {
    const t = Math.tanh(kd);
    const step = (kd * t - w2d) / (t + kd * (1 - t * t));
    kd -= step;
    if (Math.abs(step) < 1e-12) break;
  }
  return (2 * Math.PI * depthM) / kd;
}

/**
 * Height of a wave that runs into an opposing or following current in deep water, m: conservation of wave action
 * (Longuet-Higgins & Stewart 1961), up to the current that stops it, where it breaks at a seventh of its length.
 * @param alongMps - Current along the wave's way, m/s; negative opposes.
 */
export function heightOnCurrent(heightM: number, periodS: number, alongMps: number): number {
  if (heightM <= 0 || periodS <= 0) return heightM;
  const c0 = (G * periodS) / (2 * Math.PI);
  const root = 1 + (4 * alongMps) / c0;
  const breaking = (length: number) => length / 7;
  if (root <= 0) return Math.max(heightM, breaking(((G * periodS ** 2) / (2 * Math.PI)) * 0.25));
  const c = (c0 / 2) * (1 + Math.sqrt(root));
  const steep = heightM * Math.sqrt((c0 * c0) / (c * (c + 2 * alongMps)));
  return Math.min(steep, Math.max(heightM, breaking(((G * periodS ** 2) / (2 * Math.PI)) * (c / c0) ** 2)));
}

/** Opposing current beyond which wind against current is spoken of, m/s, and the wave height from which it matters, m. */
export const OPPOSING_MPS = 0.5;
export const OPPOSING_WAVE_M = 0.4;

/**
 * Part of the current that runs against the wind's waves, m/s; negative runs with them.
 * @param windFromDeg - Where the wind comes from. @param currentToDeg - Where the current runs to, degrees true.
 */
export function opposingMps(windFromDeg: number, currentMps: number, currentToDeg: number): number {
  return -currentAlongWaves(windFromDeg, currentMps, currentToDeg);
}

/** Part of the current along the way of the wind's waves, m/s; negative opposes. */
export function currentAlongWaves(windFromDeg: number, currentMps: number, currentToDeg: number): number {
  return -currentMps * Math.cos(((currentToDeg - windFromDeg) * Math.PI) / 180);
}
