// Densities and drag of what hangs in the water. Handbook values: standard gravity (CGPM 1901); sea and fresh water and lead as the trade
// rounds them; drag coefficients of a smooth sphere and of a cylinder across the flow at the speeds of fishing (Hoerner 1965, from memory).

/** Standard gravity, m/s2. */
export const GRAVITY = 9.80665;
/** Density, kg/m3. */
export const SEA_WATER = 1025;
export const FRESH_WATER = 1000;
export const AIR = 1.225;
export const LEAD = 11_340;
/** Drag coefficient of a sphere, Reynolds number 1e3 to 2e5. */
export const SPHERE_CD = 0.44;
/** Drag coefficient of a line across the flow, Reynolds number 1e2 to 1e5. */
export const LINE_CD = 1.2;

/** A sinker as its volume and the face it shows to the flow: the sphere of the same volume. */
export interface Sphere {
  readonly volumeM3: number;
  readonly faceM2: number;
}

/**
 * The sphere of a mass and a density.
 * @param massKg - > 0. @param densityKgM3 - > 0.
 */
export function sphereOf(massKg: number, densityKgM3: number): Sphere {
  const volumeM3 = massKg / densityKgM3;
  return { volumeM3, faceM2: Math.PI * ((3 * volumeM3) / (4 * Math.PI)) ** (2 / 3) };
}
