// A picture from the air laid on the chart: the straight-line map from its pixels to degrees through points that are known on both.
import { metresPerDegree } from './seaBed';

/** A point that is known in the picture (from its upper left corner, right and down) and on the chart. */
export interface PicturePoint {
  readonly xPx: number;
  readonly yPx: number;
  readonly lat: number;
  readonly lon: number;
}

/** Degrees of a pixel: at the corner, more per pixel to the right, more per pixel down. */
export interface PicturePlace {
  readonly lon: readonly [at: number, right: number, down: number];
  readonly lat: readonly [at: number, right: number, down: number];
}

export interface PictureFit {
  readonly place: PicturePlace;
  /** How far the points lie off on average, m; null for three points, which fit whatever they are. */
  readonly offM: number | null;
  /** Metres a pixel. */
  readonly pixelM: number;
}

/** Points closer to one line than this share of their spread do not say how the picture lies. */
const LEAST_SPREAD = 0.02;
/** A picture from above is nearly as long as wide a pixel; one that comes out more stretched has a point wrong (common practice). */
const MOST_STRETCH = 1.6;

/**
 * Fits a picture by least squares.
 * @param points - Three or more, not on one line. @throws RangeError that says what is wrong and what to do.
 */
export function fitPicture(points: readonly PicturePoint[]): PictureFit {
  if (points.length < 3) throw new RangeError(`points: three are needed, there ${points.length === 1 ? 'is' : 'are'} ${points.length}`);
  const n = points.length;
  const mean = (of: (p: PicturePoint) => number) => points.reduce((s, p) => s + of(p), 0) / n;
  const [x0, y0, lat0, lon0] = [mean((p) => p.xPx), mean((p) => p.yPx), mean((p) => p.lat), mean((p) => p.lon)];
  const perDegree = metresPerDegree(lat0);
  const sum = (a: (p: PicturePoint) => number, b: (p: PicturePoint) => number) => points.reduce((s, p) => s + a(p) * b(p), 0);
  const [x, y] = [(p: PicturePoint) => p.xPx - x0, (p: PicturePoint) => p.yPx - y0];
  const east = (p: PicturePoint) => (p.lon - lon0) * perDegree.lon;
  const north = (p: PicturePoint) => (p.lat - lat0) * perDegree.lat;
  const [xx, xy, yy] = [sum(x, x), sum(x, y), sum(y, y)];
  const whole = xx * yy - xy * xy;
  if (!(whole > LEAST_SPREAD ** 2 * (xx + yy) ** 2)) throw new RangeError('points: they lie on one line; choose one well off to the side');
  const slope = (to: (p: PicturePoint) => number): [number, number] => {
    const [xt, yt] = [sum(x, to), sum(y, to)];
    return [(xt * yy - yt * xy) / whole, (yt * xx - xt * xy) / whole];
  };
  const [e, m] = [slope(east), slope(north)];
  // Right is east and down is south, turned as a whole: the other way round the picture would be seen in a mirror.
  const turned = e[0] * m[1] - e[1] * m[0];
  if (!(turned < 0))
    throw new RangeError('points: two of them are exchanged, or one is at the wrong place; the picture would lie mirrored');
  const [across, along] = [Math.hypot(e[0], m[0]), Math.hypot(e[1], m[1])];
  // Lengths of the directions that are stretched most and least (singular values of the map).
  const [p, q] = [e[0] ** 2 + e[1] ** 2 + m[0] ** 2 + m[1] ** 2, Math.abs(turned)];
  const most = Math.sqrt((p + Math.sqrt(Math.max(0, p * p - 4 * q * q))) / 2);
  if (most / (q / most) > MOST_STRETCH)
    throw new RangeError(
      `points: the picture would be stretched ${(most / (q / most)).toFixed(1)} times as long as wide; one point is at the wrong place, or it was not taken from above`,
    );
  const off = points.map((pt) => Math.hypot(e[0] * x(pt) + e[1] * y(pt) - east(pt), m[0] * x(pt) + m[1] * y(pt) - north(pt)));
  const turn = (at: number, by: [number, number], per: number): [number, number, number] => [
    at - (by[0] * x0 + by[1] * y0) / per,
    by[0] / per,
    by[1] / per,
  ];
  return {
    place: { lon: turn(lon0, e, perDegree.lon), lat: turn(lat0, m, perDegree.lat) },
    offM: n === 3 ? null : Math.sqrt(off.reduce((s, d) => s + d * d, 0) / n),
    pixelM: Math.sqrt(across * along),
  };
}

/** Position of a pixel. */
export function placeOfPixel(p: PicturePlace, xPx: number, yPx: number): { lat: number; lon: number } {
  return { lat: p.lat[0] + p.lat[1] * xPx + p.lat[2] * yPx, lon: p.lon[0] + p.lon[1] * xPx + p.lon[2] * yPx };
}
