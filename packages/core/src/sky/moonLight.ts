// Lit share of the moon by astronomy-engine; a check value is Meeus, Astronomical Algorithms, example 48.a.
import { Body, Illumination } from 'astronomy-engine';

/** Lit share of the moon's disc at an instant, 0 to 1. @param atMs - Unix milliseconds. */
export function moonIllumination(atMs: number): number {
  return Illumination(Body.Moon, new Date(atMs)).phase_fraction;
}
