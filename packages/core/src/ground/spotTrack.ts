// A place that was drawn as a line, as a boat fishes along it: how long it is, where it leads, and what lies under it.
import { depthAt, distanceM, nearestDepth, type SeaBed, toLocal } from './seaBed';

export interface SpotTrack {
  readonly lengthM: number;
  /** From its first point to its last, degrees true. */
  readonly bearingDeg: number;
  /** Depth below datum at even steps from end to end, m, negative where it dries; null where nobody has sounded. */
  readonly bedM: readonly (number | null)[];
}

const STEPS = 40;

/**
 * The track along a line.
 * @param points - [lon, lat], two or more. @throws RangeError for fewer.
 */
export function spotTrack(bed: SeaBed, points: readonly (readonly [number, number])[]): SpotTrack {
  const [first, last] = [points[0], points.at(-1)];
  if (points.length < 2 || !first || !last) throw new RangeError(`points: a track needs at least 2, got ${points.length}`);
  const places = points.map(([lon, lat]) => ({ lat, lon }));
  const lengths = places.slice(1).map((b, i) => distanceM(places[i] ?? b, b));
  const lengthM = lengths.reduce((a, b) => a + b, 0);
  const bedM = Array.from({ length: STEPS + 1 }, (_, k) => {
    const at = alongLine(places, lengths, (lengthM * k) / STEPS);
    const { xM, yM } = toLocal(bed, at.lat, at.lon);
    const d = depthAt(bed, xM, yM) ?? nearestDepth(bed, xM, yM);
    return d === null || Number.isNaN(d) ? null : Math.round(d * 10) / 10;
  });
  const [a, b] = [toLocal(bed, first[1], first[0]), toLocal(bed, last[1], last[0])];
  const bearing = (Math.atan2(b.xM - a.xM, b.yM - a.yM) * 180) / Math.PI;
  return { lengthM: Math.round(lengthM), bearingDeg: Math.round((bearing + 360) % 360), bedM };
}

function alongLine(
  places: readonly { readonly lat: number; readonly lon: number }[],
  lengths: readonly number[],
  atM: number,
): { lat: number; lon: number } {
  let left = atM;
  for (const [i, length] of lengths.entries()) {
    const [a, b] = [places[i], places[i + 1]];
    if (a && b && (left <= length || i === lengths.length - 1)) {
      const share = length === 0 ? 0 : Math.min(1, left / length);
      return { lat: a.lat + (b.lat - a.lat) * share, lon: a.lon + (b.lon - a.lon) * share };
    }
    left -= length;
  }
  return places[0] ?? { lat: 0, lon: 0 };
}
