// KML 2.2 (OGC 07-147r2) placemarks with points, lines and polygons, read and written. Links to other files are not followed.
import { type FilePlace, type PlacesRead, positionFault } from './places';
import { quote, type Refused } from './refused';
import { escapeXml, walkXml } from './xml';
import { nth } from '../units/indexed';

/** Reads a KML file. A link to another file is named among what was refused. */
export function readKml(text: string): PlacesRead {
  const places: FilePlace[] = [];
  const refused: Refused[] = [];
  let root = false;
  let mark: { name: string; note: string; line: number; depth: number } | null = null;
  let shape: 'point' | 'line' | 'area' | null = null;
  let hole = false;
  let depth = 0;
  let found: { shape: 'point' | 'line' | 'area'; points: [number, number][]; line: number }[] = [];
  walkXml(text, {
    open(name, _a, line) {
      depth++;
      if (name === 'kml') root = true;
      if (name === 'NetworkLink')
        refused.push({
          line,
          text: 'NetworkLink',
          reason: 'it points to another file, which is not fetched',
          remedy: 'Save that file itself and import it.',
        });
      if (name === 'Placemark') [mark, found] = [{ name: '', note: '', line, depth }, []];
      if (name === 'Point') shape = 'point';
      if (name === 'LineString') shape = 'line';
      if (name === 'Polygon') shape = 'area';
      if (name === 'innerBoundaryIs') hole = true;
    },
    close(name, value, line) {
      depth--;
      if (mark && depth === mark.depth) {
        if (name === 'name') mark.name = value;
        if (name === 'description') mark.note = value.replace(/<[^<>]*>/g, ' ').trim();
      }
      if (name === 'coordinates' && shape && mark && !hole) {
        const points: [number, number][] = [];
        for (const tuple of value.split(/\s+/).filter(Boolean)) {
          const [lon = Number.NaN, lat = Number.NaN] = tuple.split(',').map(Number);
          const fault = positionFault(lat, lon);
          if (fault) refused.push({ line, text: quote(tuple), ...fault });
          else points.push([lon, lat]);
        }
        found.push({ shape, points, line });
      }
      if (name === 'Point' || name === 'LineString' || name === 'Polygon') shape = null;
      if (name === 'innerBoundaryIs') hole = false;
      if (name === 'Placemark' && mark) {
        for (const f of found) {
          const closed = f.shape === 'area' ? openRing(f.points) : f.points;
          if (closed.length >= { point: 1, line: 2, area: 3 }[f.shape])
            places.push({ name: mark.name, note: mark.note, shape: f.shape, points: closed, line: mark.line });
        }
        mark = null;
      }
    },
  });
  if (!root)
    refused.push({ line: 1, text: quote(text.slice(0, 60)), reason: 'it is not a KML file', remedy: 'The first element must be kml.' });
  return { places, refused };
}

/** A ring without its repeated last point. */
export function openRing(points: readonly (readonly [number, number])[]): [number, number][] {
  const [a, z] = [points[0], points.at(-1)];
  const closed = points.length > 1 && a !== undefined && z !== undefined && a[0] === z[0] && a[1] === z[1];
  return (closed ? points.slice(0, -1) : points).map(([x, y]) => [x, y]);
}

/** Writes places as KML 2.2. */
export function writeKml(places: readonly Omit<FilePlace, 'line'>[]): string {
  const list = (points: readonly (readonly [number, number])[]) =>
    `<coordinates>${points.map(([lon, lat]) => `${lon.toFixed(7)},${lat.toFixed(7)},0`).join(' ')}</coordinates>`;
  const geometry = (p: Pick<FilePlace, 'shape' | 'points'>) => {
    if (p.shape === 'point') return `<Point>${list(p.points.slice(0, 1))}</Point>`;
    if (p.shape === 'line') return `<LineString>${list(p.points)}</LineString>`;
    return `<Polygon><outerBoundaryIs><LinearRing>${list([...p.points, nth(p.points, 0)])}</LinearRing></outerBoundaryIs></Polygon>`;
  };
  const marks = places.map(
    (p) =>
      `    <Placemark><name>${escapeXml(p.name)}</name>${p.note ? `<description>${escapeXml(p.note)}</description>` : ''}${geometry(p)}</Placemark>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n<kml xmlns="http://www.opengis.net/kml/2.2">\n  <Document>\n${marks.join('\n')}\n  </Document>\n</kml>\n`;
}
