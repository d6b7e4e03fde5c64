// Depths out of shapes (GeoJSON): points that name their depth, and contours that name it for all of their line.
const DEPTH_NAME = /^(depth|tiefe|valdco|valsou|drval1|elev(ation)?|contour|z|level|hoehe|height)(_?m)?$/i;
/** Corners of one contour that are taken. */
const MOST_OF_LINE = 4000;

interface Shape {
  readonly type?: string;
  readonly coordinates?: unknown;
  readonly geometry?: Shape | null;
  readonly geometries?: readonly Shape[];
  readonly features?: readonly Shape[];
  readonly properties?: Readonly<Record<string, unknown>> | null;
}

/** Depths with their places, as they stand in the file. */
export function depthsOfShapes(root: unknown): { readonly points: { x: number; y: number; z: number }[]; readonly without: number } {
  const points: { x: number; y: number; z: number }[] = [];
  let without = 0;
  const take = (shape: Shape | null | undefined, named: number | null, depth: number): void => {
    if (!shape || depth > 10) return;
    for (const f of shape.features ?? []) take(f, null, depth + 1);
    if (shape.geometry) take(shape.geometry, depthNamed(shape.properties), depth + 1);
    for (const g of shape.geometries ?? []) take(g, named, depth + 1);
    const lines = linesOf(shape);
    for (const line of lines) {
      const kept = line.length > MOST_OF_LINE ? line.filter((_, i) => i % Math.ceil(line.length / MOST_OF_LINE) === 0) : line;
      for (const p of kept) {
        const z = named ?? p[2];
        if (z === undefined || !Number.isFinite(z)) without++;
        else points.push({ x: p[0], y: p[1], z });
      }
    }
  };
  // biome-ignore lint/plugin: what JSON holds is looked at field by field as it is taken.
  take(root as Shape, null, 0);
  return { points, without };
}

function depthNamed(properties: Shape['properties']): number | null {
  for (const [name, value] of Object.entries(properties ?? {})) {
    if (!DEPTH_NAME.test(name.trim()) || value === null || value === '') continue;
    const z = Number(value);
    if (Number.isFinite(z)) return z;
  }
  return null;
}

type Position = readonly [number, number, number?];
const isPosition = (c: unknown): c is Position => Array.isArray(c) && Number.isFinite(c[0]) && Number.isFinite(c[1]);
const positions = (list: unknown): Position[] => (Array.isArray(list) ? list.filter(isPosition) : []);

function linesOf({ type, coordinates }: Shape): Position[][] {
  if (!Array.isArray(coordinates)) return [];
  if (type === 'Point') return isPosition(coordinates) ? [[coordinates]] : [];
  if (type === 'MultiPoint' || type === 'LineString') return [positions(coordinates)];
  if (type === 'MultiLineString' || type === 'Polygon') return coordinates.map(positions);
  if (type === 'MultiPolygon') return coordinates.flatMap((p) => (Array.isArray(p) ? p.map(positions) : []));
  return [];
}
