// A shore out of a file: polygons of GeoJSON with their holes; areas and closed lines of KML, GPX and GeoJSON.
import { readPlaces } from './readPlaces';
import { requireSize, UnreadableFile } from './refused';

type Ring = [lon: number, lat: number][];

/** A line whose ends are nearer than this share of its length is meant to be closed. */
const CLOSED = 0.05;

/**
 * Polygons of a file, each its outer edge and the edges of its holes.
 * Throws UnreadableFile when there is none, saying what was found instead.
 */
export function readShore(text: string): Ring[][] {
  requireSize(text.length);
  const holes = /^\uFEFF?\s*[{[]/.test(text.slice(0, 4000)) ? polygonsOf(text) : null;
  if (holes && holes.length > 0) return holes;
  const { places, refused } = readPlaces(text);
  const polygons = places
    .filter((p) => p.shape === 'area' || (p.shape === 'line' && isClosed(p.points)))
    .map((p) => [p.points.map(([lon, lat]): Ring[number] => [lon, lat])]);
  if (polygons.length > 0) return polygons;
  const open = places.filter((p) => p.shape === 'line').length;
  throw new UnreadableFile(
    open > 0
      ? `The file has ${open} open ${open === 1 ? 'line' : 'lines'} and no closed shore.`
      : `The file has no shore: ${places.length} points, ${refused.length} that could not be read.`,
    'A shore is an area, or a line that comes back to where it began.',
  );
}

function isClosed(points: readonly (readonly [number, number])[]): boolean {
  const [a, b] = [points[0], points.at(-1)];
  if (!a || !b || points.length < 4) return false;
  const length = points.slice(1).reduce((sum, p, i) => sum + Math.hypot(p[0] - (points[i]?.[0] ?? 0), p[1] - (points[i]?.[1] ?? 0)), 0);
  return Math.hypot(a[0] - b[0], a[1] - b[1]) <= CLOSED * length;
}

interface Geometry {
  readonly type?: unknown;
  readonly coordinates?: unknown;
  readonly geometries?: unknown;
  readonly geometry?: unknown;
  readonly features?: unknown;
}

function polygonsOf(text: string): Ring[][] {
  // What is wrong with the file as a whole is told by the reader of places.
  let root: unknown;
  try {
    root = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return [];
  }
  const out: Ring[][] = [];
  const take = (value: unknown, depth: number): void => {
    if (depth > 10 || typeof value !== 'object' || value === null) return;
    // biome-ignore lint/plugin: an object of a file: each member is looked at before it is used.
    const g = value as Geometry;
    for (const part of [g.features, g.geometries]) if (Array.isArray(part)) for (const x of part) take(x, depth + 1);
    if (g.geometry) take(g.geometry, depth + 1);
    const polygons =
      g.type === 'Polygon' ? [g.coordinates] : g.type === 'MultiPolygon' && Array.isArray(g.coordinates) ? g.coordinates : [];
    for (const p of polygons) {
      const rings = (Array.isArray(p) ? p : []).map(ringOf).filter((r) => r.length >= 3);
      if (rings.length > 0) out.push(rings);
    }
  };
  take(root, 0);
  return out;
}

const isPosition = (c: unknown): c is [number, number] =>
  Array.isArray(c) && typeof c[0] === 'number' && typeof c[1] === 'number' && Math.abs(c[0]) <= 180 && Math.abs(c[1]) <= 90;

/** Positions of a ring, without the last where it repeats the first. */
function ringOf(ring: unknown): Ring {
  const points: Ring = (Array.isArray(ring) ? ring : []).filter(isPosition).map(([lon, lat]) => [lon, lat]);
  const [a, b] = [points[0], points.at(-1)];
  if (points.length > 1 && a && b && a[0] === b[0] && a[1] === b[1]) points.pop();
  return points;
}
