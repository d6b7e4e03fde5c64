// What the sea bed says of a place that is drawn on the chart: depth range, which way the bank faces, fetch.
import { fetchRose } from '../exposure/fetch';
import { insideRing, middleOf, midpointOf } from './polygon';
import { depthAt, nearestDepth, type SeaBed, toLocal } from './seaBed';
import { row } from '../units/indexed';

/** What can be measured of a place. */
export interface MeasuredSpot {
  readonly lat: number;
  readonly lon: number;
  /** Depths below datum within the place and a boat's swing round it, m; null off the chart. */
  readonly depthMinM: number | null;
  readonly depthMaxM: number | null;
  readonly shoreNormalDeg: number | null;
  readonly fetchM: number[];
}

const SWING_M = 70;
/** Ground higher than this above datum is the bank rather than the spot, m. */
const BANK_M = -0.6;

/** Measures a point, line or area. @param points - Positions as [lon, lat], at least one. */
export function measureSpot(bed: SeaBed, shape: 'point' | 'line' | 'area', points: readonly (readonly [number, number])[]): MeasuredSpot {
  if (points.length === 0) throw new RangeError('points: a place needs at least one');
  const [lon, lat] = shape === 'point' ? row(points, 0) : shape === 'line' ? midpointOf(points) : middleOf(points);
  const middle = toLocal(bed, lat, lon);
  const local = points.map(([x, y]): [number, number] => {
    const p = toLocal(bed, y, x);
    return [p.xM, p.yM];
  });
  const depths = samplesOf(bed, shape, local)
    .map(([x, y]) => depthAt(bed, x, y))
    .filter((d): d is number => d !== null && d > BANK_M);
  const round = (v: number) => Math.round(v * 10) / 10;
  return {
    lat,
    lon,
    depthMinM: depths.length > 0 ? round(Math.min(...depths)) : null,
    depthMaxM: depths.length > 0 ? round(Math.max(...depths)) : null,
    shoreNormalDeg: shoreNormalDeg(bed, middle.xM, middle.yM),
    fetchM: fetchRose(bed, middle.xM, middle.yM),
  };
}

function samplesOf(bed: SeaBed, shape: 'point' | 'line' | 'area', local: readonly [number, number][]): [number, number][] {
  if (shape === 'point') {
    const [x, y] = row(local, 0);
    return [0, 40, SWING_M].flatMap((r) =>
      Array.from({ length: 8 }, (_, a): [number, number] => [x + r * Math.cos((a * Math.PI) / 4), y + r * Math.sin((a * Math.PI) / 4)]),
    );
  }
  if (shape === 'line')
    return local.slice(1).flatMap((b, i) => {
      const a = row(local, i);
      return Array.from({ length: 21 }, (_, s): [number, number] => [a[0] + ((b[0] - a[0]) * s) / 20, a[1] + ((b[1] - a[1]) * s) / 20]);
    });
  const xs = local.map((p) => p[0]);
  const ys = local.map((p) => p[1]);
  const step = Math.max(bed.cellM / 2, (Math.max(...xs) - Math.min(...xs)) / 60, (Math.max(...ys) - Math.min(...ys)) / 60);
  const out: [number, number][] = [...local];
  for (let x = Math.min(...xs); x <= Math.max(...xs); x += step)
    for (let y = Math.min(...ys); y <= Math.max(...ys); y += step) if (insideRing(local, [x, y])) out.push([x, y]);
  return out;
}

/** Bearing from the nearest land within 500 m towards open water, degrees true; null in the open. */
export function shoreNormalDeg(bed: SeaBed, xM: number, yM: number): number | null {
  let east = 0;
  let north = 0;
  let found = false;
  for (let deg = 0; deg < 360; deg += 10) {
    const dx = Math.sin((deg * Math.PI) / 180);
    const dy = Math.cos((deg * Math.PI) / 180);
    for (let r = 50; r <= 500; r += 25) {
      const d = depthAt(bed, xM + dx * r, yM + dy * r) ?? nearestDepth(bed, xM + dx * r, yM + dy * r);
      if (d === null) break;
      if (d < -1.5) {
        east -= dx / r;
        north -= dy / r;
        found = true;
        break;
      }
    }
  }
  return found ? Math.round(((Math.atan2(east, north) * 180) / Math.PI + 360) % 360) % 360 : null;
}
