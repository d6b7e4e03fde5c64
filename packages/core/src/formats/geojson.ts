// GeoJSON (RFC 7946) features with points, lines and polygons, read and written.
import { openRing } from './kml';
import { type FilePlace, type PlacesRead, positionFault } from './places';
import { FACTS_KEY, factsFrom, factsJson } from './spotFacts';
import { quote, type Refused, requireSize, UnreadableFile } from './refused';
import { nth } from '../units/indexed';

type Json = Record<string, unknown>;
const isObject = (v: unknown): v is Json => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Reads a GeoJSON text. `line` of a place or refusal is its place among the features, from 1. */
export function readGeoJson(text: string): PlacesRead {
  requireSize(text.length);
  requireShallow(text);
  let root: unknown;
  try {
    root = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new UnreadableFile(
      // biome-ignore lint/plugin: JSON.parse throws errors and nothing else.
      `It is not JSON: ${(error as Error).message}.`,
      'Export the file again from where it came; this one is damaged.',
    );
  }
  const places: FilePlace[] = [];
  const refused: Refused[] = [];
  const features = isObject(root) && root.type === 'FeatureCollection' && Array.isArray(root.features) ? root.features : [root];
  for (const [i, feature] of features.entries()) {
    const line = i + 1;
    const refuse = (reason: string, remedy: string): void => {
      refused.push({ line, text: quote(JSON.stringify(feature) ?? ''), reason, remedy });
    };
    if (!isObject(feature)) {
      refuse('it is not a feature', 'Each feature is an object with a geometry (RFC 7946).');
      continue;
    }
    const bare = feature.type !== 'Feature';
    const geometry = bare ? feature : feature.geometry;
    const properties = !bare && isObject(feature.properties) ? feature.properties : {};
    const words = (key: string) => {
      const said = properties[key];
      return typeof said === 'string' ? said : '';
    };
    const shapes = isObject(geometry) ? shapesOf(geometry, 0) : null;
    if (!shapes || shapes.length === 0) {
      refuse('its geometry is not known', 'Points, lines, polygons and their collections are read (RFC 7946).');
      continue;
    }
    const own = properties[FACTS_KEY];
    const facts = isObject(own) ? factsFrom(own, Array.isArray(own.hazards) ? own.hazards.filter(isObject) : []) : null;
    for (const s of shapes) {
      const points: [number, number][] = [];
      for (const c of s.points) {
        const [lon = Number.NaN, lat = Number.NaN] = (Array.isArray(c) ? c : []).map((v) => (typeof v === 'number' ? v : Number.NaN));
        const fault = positionFault(lat, lon);
        if (fault) refuse(fault.reason, fault.remedy);
        else points.push([lon, lat]);
      }
      const open = s.shape === 'area' ? openRing(points) : points;
      if (open.length >= { point: 1, line: 2, area: 3 }[s.shape])
        places.push({
          name: words('name') || words('title'),
          note: words('note') || words('desc') || words('description'),
          shape: s.shape,
          points: open,
          line,
          ...(facts ? { facts } : {}),
        });
    }
  }
  return { places, refused };
}

/** Features nest a few times; what nests deeper is no such file and would fill the stack. */
const DEEPEST = 100;

function requireShallow(text: string): void {
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === BACKSLASH) i++;
      else if (c === QUOTE) quoted = false;
    } else if (c === QUOTE) quoted = true;
    else if (c === OPEN_ARRAY || c === OPEN_OBJECT) {
      if (++depth > DEEPEST)
        throw new UnreadableFile(`It nests deeper than ${DEEPEST} levels at character ${i + 1}.`, 'This is not a file of places.');
    } else if (c === CLOSE_ARRAY || c === CLOSE_OBJECT) depth--;
  }
}
const [QUOTE, BACKSLASH, OPEN_ARRAY, CLOSE_ARRAY, OPEN_OBJECT, CLOSE_OBJECT] = [34, 92, 91, 93, 123, 125];

function shapesOf(g: Json, depth: number): { shape: 'point' | 'line' | 'area'; points: unknown[] }[] {
  const c = Array.isArray(g.coordinates) ? g.coordinates : [];
  const list = (v: unknown) => (Array.isArray(v) ? v : []);
  switch (g.type) {
    case 'Point':
      return [{ shape: 'point', points: [c] }];
    case 'MultiPoint':
      return c.map((p) => ({ shape: 'point' as const, points: [p] }));
    case 'LineString':
      return [{ shape: 'line', points: c }];
    case 'MultiLineString':
      return c.map((l) => ({ shape: 'line' as const, points: list(l) }));
    case 'Polygon':
      return [{ shape: 'area', points: list(c[0]) }];
    case 'MultiPolygon':
      return c.map((p) => ({ shape: 'area' as const, points: list(list(p)[0]) }));
    case 'GeometryCollection':
      return depth > 8 ? [] : list(g.geometries).flatMap((x) => (isObject(x) ? shapesOf(x, depth + 1) : []));
    default:
      return [];
  }
}

/** Writes places as a FeatureCollection. */
export function writeGeoJson(places: readonly Omit<FilePlace, 'line'>[]): string {
  const geometry = (p: Pick<FilePlace, 'shape' | 'points'>) => {
    const points = p.points.map(([lon, lat]): [number, number] => [Number(lon.toFixed(7)), Number(lat.toFixed(7))]);
    if (p.shape === 'point') return { type: 'Point', coordinates: points[0] };
    if (p.shape === 'line') return { type: 'LineString', coordinates: points };
    return {
      type: 'Polygon',
      coordinates: [[...counterClockwise(points), counterClockwise(points)[0]]],
    };
  };
  const features = places.map((p) => ({
    type: 'Feature',
    properties: { name: p.name, note: p.note, ...(p.facts ? { [FACTS_KEY]: factsJson(p.facts) } : {}) },
    geometry: geometry(p),
  }));
  return `${JSON.stringify({ type: 'FeatureCollection', features }, null, 1)}\n`;
}

/** Exterior rings run counter-clockwise (RFC 7946, 3.1.6). */
function counterClockwise(ring: readonly [number, number][]): [number, number][] {
  const area = ring.reduce((s, [x, y], i) => {
    const [nx, ny] = nth(ring, (i + 1) % ring.length);
    return s + x * ny - nx * y;
  }, 0);
  return area < 0 ? [...ring].reverse() : [...ring];
}
