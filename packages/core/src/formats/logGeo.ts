// The log for maps and programs: GeoJSON (RFC 7946) and JSON with the cells of the CSV, GPX 1.1 waypoints of the fish.
import { type LogLine, logCells } from './logCsv';
import { writeGpx } from './gpx';

/** A point for every line, with the columns of the CSV as properties, and instants in UTC. @param zone - Of dates and times. */
export function logGeoJson(lines: readonly LogLine[], zone: string): string {
  const features = lines.map((l) => ({
    type: 'Feature',
    geometry: { type: 'Point', coordinates: [Number(l.lon.toFixed(7)), Number(l.lat.toFixed(7))] },
    properties: logRecord(l, zone),
  }));
  return `${JSON.stringify({ type: 'FeatureCollection', features })}\n`;
}

/** The same without places. */
export function logJson(lines: readonly LogLine[], zone: string): string {
  return `${JSON.stringify({ zone, lines: lines.map((l) => logRecord(l, zone)) })}\n`;
}

/** A waypoint for every landed fish at its spot, with its instant. */
export function logGpx(lines: readonly LogLine[]): string {
  return writeGpx(
    lines
      .filter((l) => l.outcome === 'landed')
      .map((l) => ({
        name: l.lengthMm === null ? l.species : `${l.species}, ${(l.lengthMm / 10).toFixed(0)} cm`,
        note: `${l.spot}: ${l.bait}`,
        shape: 'point' as const,
        points: [[l.lon, l.lat] as const],
        times: [l.atMs],
      })),
  );
}

function logRecord(l: LogLine, zone: string) {
  const utc = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
  return { ...logCells(l, zone), began: utc(l.fromMs), ended: utc(l.toMs), at: utc(l.atMs) };
}
