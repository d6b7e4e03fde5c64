// Oxygen at saturation, Benson & Krause 1984 as given in Standard Methods 4500-O; 0-40 C, salinity 0-40, 1 atm.

/** Oxygen at saturation, mg/L. @param tempC - Water. @param salinity - Practical, 0 in fresh water. */
export function oxygenSaturation(tempC: number, salinity = 0): number {
  const t = tempC + 273.15;
  const fresh = -139.34411 + 1.575701e5 / t - 6.642308e7 / t ** 2 + 1.2438e10 / t ** 3 - 8.621949e11 / t ** 4;
  const salt = salinity * (0.017674 - 10.754 / t + 2140.7 / t ** 2);
  return Math.exp(fresh - salt);
}
