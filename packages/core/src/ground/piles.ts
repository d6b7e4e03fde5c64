import { compassPoint } from '../units/angle';
import { shadeOf } from '../sky/shade';

/** One pile of a bridge: its number from the first end of the drawn line, from 1. */
export interface Pile {
  readonly number: number;
  readonly lon: number;
  readonly lat: number;
}

/** Piles standing evenly between the ends of a bridge. @param line - Its ends as [lon, lat]. */
export function pilesOf(line: readonly (readonly [number, number])[], count: number): Pile[] {
  const [a, b] = [line[0], line.at(-1)];
  if (!a || !b) return [];
  return Array.from({ length: count }, (_, i) => {
    const share = (i + 1) / (count + 1);
    return { number: i + 1, lon: a[0] + (b[0] - a[0]) * share, lat: a[1] + (b[1] - a[1]) * share };
  });
}

/** What a pile shades at an instant. */
export interface PileShade {
  /** Side that lies in the shade, as one of eight compass points. */
  readonly side: string;
  readonly toDeg: number;
  readonly surfaceM: number;
  readonly displacedM: number;
}

/**
 * Shaded side of a pile and where its shade lies at fish depth; null without sun to speak of.
 * @param deckM - Height of the deck above datum, m. @param waterM - Height of the water above datum, m.
 */
export function pileShade(
  sun: { readonly heightDeg: number; readonly bearingDeg: number },
  deckM: number,
  waterM: number,
  fishDepthM: number,
): PileShade | null {
  const shade = shadeOf(sun.heightDeg, sun.bearingDeg, Math.max(0, deckM - waterM), fishDepthM);
  return shade && { side: compassPoint(shade.toDeg), toDeg: shade.toDeg, surfaceM: shade.surfaceM, displacedM: shade.displacedM };
}
