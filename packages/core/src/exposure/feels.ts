// What people feel and water does to them. Wind chill: NWS 2001. Heat index: Rothfusz regression (NWS SR 90-23). Cold water
// bands: agency guidance (from memory). Beaufort: WMO lower limits in knots.
const C_TO_F = (c: number) => c * 1.8 + 32;
const F_TO_C = (f: number) => (f - 32) / 1.8;
const MPS_TO_MPH = 2.2369363;
const MPS_TO_KNOTS = 1.9438445;

/**
 * Wind chill temperature, C (NWS 2001; valid for 10 C and below and wind over 1.3 m/s, otherwise the air temperature).
 * @param windMps - Wind at head height, or the apparent wind while running, m/s.
 */
export function windChillC(airC: number, windMps: number): number {
  const t = C_TO_F(airC);
  const v = windMps * MPS_TO_MPH;
  if (airC > 10 || v < 3) return airC;
  return F_TO_C(35.74 + 0.6215 * t - 35.75 * v ** 0.16 + 0.4275 * t * v ** 0.16);
}

/**
 * Heat index, C (Rothfusz; valid from about 27 C and 40 % humidity, otherwise the air temperature).
 * @param humidity - Relative, 0 to 1.
 */
export function heatIndexC(airC: number, humidity: number): number {
  const t = C_TO_F(airC);
  const r = humidity * 100;
  if (t < 80) return airC;
  const f =
    -42.379 +
    2.04901523 * t +
    10.14333127 * r -
    0.22475541 * t * r -
    6.83783e-3 * t * t -
    5.481717e-2 * r * r +
    1.22874e-3 * t * t * r +
    8.5282e-4 * t * r * r -
    1.99e-6 * t * t * r * r;
  return F_TO_C(f);
}

/** Relative humidity from air and dew point, 0 to 1 (Magnus formula, WMO coefficients). */
export function humidityOf(airC: number, dewPointC: number): number {
  const e = (t: number) => Math.exp((17.62 * t) / (243.12 + t));
  return Math.min(1, e(dewPointC) / e(airC));
}

/**
 * Wind felt aboard while running, m/s, as the vector sum of wind and the boat's own.
 * @param headingDeg - Course, degrees true; null gives the worst, dead into it.
 */
export function apparentWindMps(windMps: number, windFromDeg: number, boatMps: number, headingDeg: number | null): number {
  if (headingDeg === null) return windMps + boatMps;
  const off = ((windFromDeg - headingDeg) * Math.PI) / 180;
  return Math.hypot(windMps * Math.cos(off) + boatMps, windMps * Math.sin(off));
}

const BEAUFORT_KNOTS = [1, 4, 7, 11, 17, 22, 28, 34, 41, 48, 56, 64] as const;

/** Beaufort number, 0 to 12. */
export function beaufort(windMps: number): number {
  // Tables are in whole knots.
  const knots = Math.round(windMps * MPS_TO_KNOTS);
  return BEAUFORT_KNOTS.filter((k) => knots >= k).length;
}

/** How long until someone in the water is exhausted. */
export interface ColdWater {
  readonly upToC: number;
  readonly exhaustion: string;
}

const COLD: readonly ColdWater[] = [
  { upToC: 0.3, exhaustion: 'under 15 minutes' },
  { upToC: 4.4, exhaustion: '15 to 30 minutes' },
  { upToC: 10, exhaustion: '30 to 60 minutes' },
  { upToC: 15.6, exhaustion: '1 to 2 hours' },
  { upToC: 21.1, exhaustion: '2 to 7 hours' },
];

/** Band of a water temperature; null above 21.1 C. */
export function coldWaterBand(waterC: number): ColdWater | null {
  return COLD.find((b) => waterC < b.upToC) ?? null;
}
