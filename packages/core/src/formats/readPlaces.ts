import { readGeoJson } from './geojson';
import { readGpx } from './gpx';
import { readKml } from './kml';
import type { PlacesRead } from './places';
import { requireSize, UnreadableFile } from './refused';

/** Reads a file of places by what it holds: GPX, KML or GeoJSON. */
export function readPlaces(text: string): PlacesRead {
  requireSize(text.length);
  const head = text.slice(0, 4000);
  if (/<gpx[\s>]/i.test(head)) return readGpx(text);
  if (/<kml[\s>]/i.test(head)) return readKml(text);
  if (/^\uFEFF?\s*[{[]/.test(head)) return readGeoJson(text);
  if (/^\s*</.test(head) && /<!DOCTYPE/i.test(head)) return readGpx(text);
  throw new UnreadableFile('It is neither GPX, KML nor GeoJSON.', 'Export the places in one of these and import that file.');
}
