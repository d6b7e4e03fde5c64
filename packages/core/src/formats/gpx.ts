// GPX 1.1 (and 1.0) waypoints, routes and tracks, read and written. Checked with gpsbabel as a foreign reader and writer.
import { openRing } from './kml';
import { type FilePlace, type PlacesRead, positionFault } from './places';
import { quote, type Refused } from './refused';
import { factsFrom, factsXml } from './spotFacts';
import { escapeXml, walkXml } from './xml';
import { nth } from '../units/indexed';

interface Open {
  shape: FilePlace['shape'];
  name: string;
  note: string;
  points: [number, number][];
  times: (number | null)[];
  line: number;
  /** Attributes of our own extension, and of its hazards. */
  facts: Readonly<Record<string, string>> | null;
  hazards: Readonly<Record<string, string>>[];
}

/** Reads a GPX file: waypoints as points, each route and track segment as a line. */
export function readGpx(text: string): PlacesRead {
  const places: FilePlace[] = [];
  const refused: Refused[] = [];
  let group: Open | null = null;
  let root = false;
  let point: { lat: number; lon: number; bad: boolean } | null = null;
  let waypoint: Open | null = null;
  const end = (o: Open, least: number) => {
    // A closed route of ours was an area: GPX knows none.
    const area = o.facts?.shape === 'area' && o.shape === 'line';
    const points = area ? openRing(o.points) : o.points;
    const facts = o.facts ? factsFrom(o.facts, o.hazards) : null;
    if (points.length >= least)
      places.push({
        name: o.name,
        note: o.note,
        shape: area ? 'area' : o.shape,
        points,
        line: o.line,
        ...(o.times.some((t) => t !== null) ? { times: o.times } : {}),
        ...(facts ? { facts } : {}),
      });
  };
  const isPoint = (n: string) => n === 'wpt' || n === 'rtept' || n === 'trkpt';
  walkXml(text, {
    open(name, a, line) {
      if (name === 'gpx') root = true;
      if (name === 'rte' || name === 'trk')
        group = { shape: 'line', name: '', note: '', points: [], times: [], line, facts: null, hazards: [] };
      const owner = waypoint ?? group;
      if (name === 'spot' && owner) owner.facts = a;
      if (name === 'hazard' && owner?.facts) owner.hazards.push(a);
      if (!isPoint(name)) return;
      const [lat, lon] = [Number(a.lat ?? 'x'), Number(a.lon ?? 'x')];
      const fault = positionFault(lat, lon);
      if (fault) refused.push({ line, text: quote(`${name} lat="${a.lat ?? ''}" lon="${a.lon ?? ''}"`), ...fault });
      point = { lat, lon, bad: fault !== null };
      if (name === 'wpt') waypoint = { shape: 'point', name: '', note: '', points: [], times: [], line, facts: null, hazards: [] };
      const target = name === 'wpt' ? waypoint : group;
      if (!fault && target) {
        target.points.push([lon, lat]);
        target.times.push(null);
      }
    },
    close(name, value) {
      const target = waypoint ?? group;
      if (target && name === 'time' && point && !point.bad) {
        const at = Date.parse(value);
        target.times[target.times.length - 1] = Number.isNaN(at) ? null : at;
      }
      // A name inside a track's point is the point's, not the track's.
      if (target && (waypoint || point === null)) {
        if (name === 'name') target.name = value;
        if (name === 'desc' || (name === 'cmt' && target.note === '')) target.note = value;
      }
      if (isPoint(name)) point = null;
      if (name === 'wpt' && waypoint) {
        end(waypoint, 1);
        waypoint = null;
      }
      if (name === 'trkseg' && group) {
        end(group, 2);
        group = { ...group, points: [], times: [] };
      }
      if ((name === 'rte' || name === 'trk') && group) {
        end(group, 2);
        group = null;
      }
    },
  });
  if (!root)
    refused.push({ line: 1, text: quote(text.slice(0, 60)), reason: 'it is not a GPX file', remedy: 'The first element must be gpx.' });
  return { places, refused };
}

const timeOf = (ms: number | null | undefined): string =>
  ms === null || ms === undefined ? '' : `<time>${new Date(ms).toISOString()}</time>`;

/** Writes places as GPX 1.1, points with their time where it is known; areas become closed routes. */
export function writeGpx(places: readonly Omit<FilePlace, 'line'>[]): string {
  const at = ([lon, lat]: readonly [number, number]) => `lat="${lat.toFixed(7)}" lon="${lon.toFixed(7)}"`;
  const names = (p: Pick<FilePlace, 'name' | 'note' | 'shape' | 'facts'>) =>
    `<name>${escapeXml(p.name)}</name>${p.note ? `<desc>${escapeXml(p.note)}</desc>` : ''}${p.facts ? factsXml(p.facts, p.shape) : ''}`;
  const points = places.filter((p) => p.shape === 'point');
  const lines = places.filter((p) => p.shape !== 'point');
  const body = [
    ...points.map((p) => `  <wpt ${at(nth(p.points, 0))}>${timeOf(p.times?.[0])}${names(p)}</wpt>`),
    ...lines.map((p) => {
      const ring = p.shape === 'area' ? [...p.points, nth(p.points, 0)] : p.points;
      return `  <rte>${names(p)}${ring.map((q) => `<rtept ${at(q)}></rtept>`).join('')}</rte>`;
    }),
  ];
  return `<?xml version="1.0" encoding="UTF-8"?>\n<gpx version="1.1" creator="Bluffwind" xmlns="http://www.topografix.com/GPX/1/1">\n${body.join('\n')}\n</gpx>\n`;
}
