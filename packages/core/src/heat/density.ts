// Density of water at the surface, UNESCO EOS-80 (Millero & Poisson 1981; coefficients from memory); 0-40 C, salinity 0-42.

/** Density, kg/m3. */
export function waterDensity(tempC: number, salinity: number): number {
  const t = tempC;
  const s = salinity;
  const pure = 999.842594 + 6.793952e-2 * t - 9.09529e-3 * t ** 2 + 1.001685e-4 * t ** 3 - 1.120083e-6 * t ** 4 + 6.536332e-9 * t ** 5;
  const a = 8.24493e-1 - 4.0899e-3 * t + 7.6438e-5 * t ** 2 - 8.2467e-7 * t ** 3 + 5.3875e-9 * t ** 4;
  const b = -5.72466e-3 + 1.0227e-4 * t - 1.6546e-6 * t ** 2;
  return pure + a * s + b * s ** 1.5 + 4.8314e-4 * s ** 2;
}
