// What can be drawn on a chart: near its water, and areas that do not cross themselves.
import { type SeaBed, toLocal } from '@bluffwind/core/ground/seaBed';
import { kinks } from '@turf/kinks';
import { Problem } from '../errors';

/** How far from the edge of the chart something of a water may lie, m. */
const BEYOND_M = 20_000;
/** An area of more corners is not looked through for crossings: each is held against each. */
const MOST_CORNERS = 3000;

/** Throws Problem when a point lies far from the water that it is said to belong to. */
export function requireNear(bed: SeaBed, points: readonly (readonly [number, number])[]): void {
  const [widthM, heightM] = [bed.columns * bed.cellM, bed.rows * bed.cellM];
  for (const [lon, lat] of points) {
    const { xM, yM } = toLocal(bed, lat, lon);
    if (xM < -BEYOND_M || yM < -BEYOND_M || xM > widthM + BEYOND_M || yM > heightM + BEYOND_M)
      throw new Problem(
        'invalid',
        `points: ${lat.toFixed(3)}, ${lon.toFixed(3)} lies far from this water; check the position and the water chosen`,
        [{ field: 'points', message: 'far from this water' }],
      );
  }
}

/** Throws Problem when an area's edge crosses itself: what lies inside it could be told either way. */
export function requireSimple(points: readonly (readonly [number, number])[]): void {
  if (points.length > MOST_CORNERS)
    throw new Problem('invalid', `points: an area has at most ${MOST_CORNERS} corners, got ${points.length}`, [
      { field: 'points', message: `at most ${MOST_CORNERS}` },
    ]);
  const ring = points.map(([lon, lat]) => [lon, lat]);
  const first = ring[0];
  const last = ring.at(-1);
  if (first && last && (first[0] !== last[0] || first[1] !== last[1])) ring.push([...first]);
  const crossed = kinks({ type: 'Polygon', coordinates: [ring] }).features[0];
  if (!crossed) return;
  const [lon, lat] = crossed.geometry.coordinates as [number, number];
  throw new Problem(
    'invalid',
    `points: the edge crosses itself near ${lat.toFixed(4)}, ${lon.toFixed(4)}; draw it round without crossing`,
    [{ field: 'points', message: 'crosses itself' }],
  );
}
