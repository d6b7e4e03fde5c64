import type { SpotFacts } from './spotFacts';

/** A place of a file: a point, line or area with a name. Positions are [lon, lat]. */
export interface FilePlace {
  readonly name: string;
  readonly note: string;
  readonly shape: 'point' | 'line' | 'area';
  readonly points: readonly (readonly [number, number])[];
  /** Instants of a track's points where it has them, Unix ms. */
  readonly times?: readonly (number | null)[];
  readonly line: number;
  /** What a file of ours says of it besides. */
  readonly facts?: SpotFacts;
}

/** A file of places read. */
export interface PlacesRead {
  readonly places: readonly FilePlace[];
  readonly refused: readonly { readonly line: number; readonly text: string; readonly reason: string; readonly remedy: string }[];
}

/** Whether a pair can be a position; says what is wrong otherwise. */
export function positionFault(lat: number, lon: number): { reason: string; remedy: string } | null {
  if (Number.isFinite(lat) && Number.isFinite(lon) && Math.abs(lat) <= 90 && Math.abs(lon) <= 180) return null;
  if (Number.isFinite(lat) && Number.isFinite(lon) && Math.abs(lat) <= 180 && Math.abs(lon) <= 90)
    return { reason: `latitude ${lat} is out of range`, remedy: 'Latitude and longitude look swapped: import it with "swap" chosen.' };
  return { reason: `${lat}, ${lon} is not a position`, remedy: 'Latitude is -90 to 90, longitude -180 to 180, in degrees.' };
}

/** Share of places farther than 200 km from a water that would lie within it if latitude and longitude were swapped. */
export function looksSwapped(places: readonly FilePlace[], near: { lat: number; lon: number }): boolean {
  const far = (lat: number, lon: number) => Math.abs(lat - near.lat) > 2 || Math.abs(lon - near.lon) > 3;
  const all = places.flatMap((p) => p.points);
  const swapped = all.filter(([lon, lat]) => far(lat, lon) && !far(lon, lat)).length;
  return all.length > 0 && swapped > all.length / 2;
}

/** Places with latitude and longitude exchanged. */
export function swapPlaces(places: readonly FilePlace[]): FilePlace[] {
  return places.map((p) => ({ ...p, points: p.points.map(([a, b]): [number, number] => [b, a]) }));
}
