// Depths out of the files that charts come in: grids (ASCII, GeoTIFF), and points or contours (zipped shapefile, GeoJSON).
import { type DepthGrid, isAsciiGrid, pointsOfGrid, readAsciiGrid } from '@bluffwind/core/formats/asciiGrid';
import { depthsOfShapes } from '@bluffwind/core/formats/depthShapes';
import type { TrackSounding } from '@bluffwind/core/formats/nmeaLog';
import { positionFault } from '@bluffwind/core/formats/places';
import { type Refused, UnreadableFile } from '@bluffwind/core/formats/refused';
import { inputUnit } from '@bluffwind/core/formats/unitsOf';
import { DEGREES, toDegrees, utmOf } from './projections';

/** A file as it was read once: points in its own coordinates. */
export interface DepthPoints {
  readonly kind: 'grid' | 'points';
  readonly points: readonly { readonly x: number; readonly y: number; readonly z: number }[];
  /** Of a grid too fine to be taken whole: every how manieth cell along each side. */
  readonly every: number;
  /** Points and corners of lines that name no depth. */
  readonly without: number;
  /** What it says of its projection, or what it looks like. */
  readonly projection: string;
  /** Most of its figures are negative: it counts heights, so that depths are below nought. */
  readonly up: boolean;
}

/** How the points are to be understood. */
export interface DepthTerms {
  readonly projection: string;
  readonly unit: string;
  readonly up: boolean;
}

const MOST_POINTS = 200_000;
/** Bytes of a picture that is opened at all. */
const MOST_TIFF_BYTES = 250 * 1024 * 1024;
const MOST_TIFF_CELLS = 40_000_000;
const MOST_REFUSED = 1000;
const DEEPEST_M = 1000;

/** Reads a file of depths. @param near - Where the water lies: [lon, lat]. Throws UnreadableFile. */
export async function readDepthFile(file: File, near: readonly [number, number]): Promise<DepthPoints> {
  if (/\.zip$/i.test(file.name)) return ofShapes(await shapesOf(file), near);
  if (/\.tiff?$/i.test(file.name)) return ofTiff(file, near);
  const text = await file.text();
  if (isAsciiGrid(text)) return ofGrid(readAsciiGrid(text), null, near);
  return ofShapes(jsonOf(text), near);
}

function jsonOf(text: string): object {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, '')) as object;
  } catch {
    throw new UnreadableFile('It is neither a grid nor GeoJSON that can be read.', 'Save it again, or as a table of positions and depths.');
  }
}

/** The layers of a zipped shapefile, in degrees by its own .prj. */
export async function shapesOf(file: File): Promise<object> {
  const { default: shp } = await import('shpjs');
  try {
    const layers = await shp(await file.arrayBuffer());
    return Array.isArray(layers) ? { type: 'FeatureCollection', features: layers } : layers;
  } catch (error) {
    throw new UnreadableFile(
      `It is no zipped shapefile that can be read: ${(error as Error).message}.`,
      'Zip its .shp, .dbf and .prj together, all three with the same name.',
    );
  }
}

function ofShapes(root: object, near: readonly [number, number]): DepthPoints {
  const { points, without } = depthsOfShapes(root);
  if (points.length === 0)
    throw new UnreadableFile(
      'The file names no depths.',
      `Points and contours need a column such as depth${without > 0 ? `; ${without} points have none` : ''}.`,
    );
  const step = Math.ceil(points.length / MOST_POINTS);
  const kept = step === 1 ? points : points.filter((_, i) => i % step === 0);
  return { kind: 'points', points: kept, every: step, without, projection: looksLike(kept, near), up: mostlyNegative(kept) };
}

function ofGrid(grid: DepthGrid, projection: string | null, near: readonly [number, number]): DepthPoints {
  const { points, every } = pointsOfGrid(grid, MOST_POINTS);
  if (points.length === 0) throw new UnreadableFile('Every cell of the grid is empty.', 'Check that it is the layer with the depths.');
  return { kind: 'grid', points, every, without: 0, projection: projection ?? looksLike(points, near), up: mostlyNegative(points) };
}

async function ofTiff(file: File, near: readonly [number, number]): Promise<DepthPoints> {
  const { fromArrayBuffer } = await import('geotiff');
  const unreadable = (why: string) =>
    new UnreadableFile(`It is no GeoTIFF of depths: ${why}.`, 'Save the layer with the depths as a GeoTIFF of one band.');
  if (file.size > MOST_TIFF_BYTES) throw unreadable(`it has ${Math.round(file.size / 1024 / 1024)} MB; cut it to the water`);
  let grid: DepthGrid;
  let code: number | null = null;
  try {
    const image = await (await fromArrayBuffer(await file.arrayBuffer())).getImage();
    const [columns, rows] = [image.getWidth(), image.getHeight()];
    if (columns * rows > MOST_TIFF_CELLS) throw unreadable(`it has ${columns} by ${rows} cells; cut it to the water`);
    const [west, north] = image.getOrigin();
    const [dx, dy] = image.getResolution();
    if (![west, north, dx, dy].every((v) => Number.isFinite(v))) throw unreadable('it does not say where it lies');
    const keys = (image.getGeoKeys() ?? {}) as Record<string, number>;
    const projected = keys.ProjectedCSTypeGeoKey ?? 0;
    const degrees = keys.GeographicTypeGeoKey ?? 0;
    code = projected > 0 && projected < 32767 ? projected : degrees > 0 && degrees < 32767 ? degrees : null;
    const empty = image.getGDALNoData();
    const [band] = (await image.readRasters()) as unknown as ArrayLike<number>[];
    if (!band) throw unreadable('it has no band');
    const z = Float64Array.from(band, (v) => (v === empty || !Number.isFinite(v) || Math.abs(v) > 1e6 ? Number.NaN : v));
    // A pixel's place is its north-western corner, unless the file says that it is its middle; a sounding's is its middle.
    const half = keys.GTRasterTypeGeoKey === 2 ? 0 : 0.5;
    grid = {
      columns,
      rows,
      x0: (west as number) + (dx as number) * half,
      y0: (north as number) + (dy as number) * half,
      dx: dx as number,
      dy: dy as number,
      z,
    };
  } catch (error) {
    if (error instanceof UnreadableFile) throw error;
    throw unreadable((error as Error).message);
  }
  return ofGrid(grid, code === null ? null : `EPSG:${code}`, near);
}

/** Degrees where the figures can be degrees, the zone that the water lies in otherwise. */
function looksLike(points: DepthPoints['points'], near: readonly [number, number]): string {
  return points.every((p) => Math.abs(p.x) <= 180 && Math.abs(p.y) <= 90) ? DEGREES : utmOf(near[0], near[1]);
}

function mostlyNegative(points: DepthPoints['points']): boolean {
  return points.filter((p) => p.z < 0).length > points.length / 2;
}

/** Points of a file as soundings; those that no chart can hold are refused one by one. Throws UnreadableFile for a projection. */
export function soundingsOfPoints(
  read: DepthPoints,
  terms: DepthTerms,
): { soundings: TrackSounding[]; refused: Refused[]; ashore: number } {
  const turn = toDegrees(terms.projection);
  const unit = inputUnit('depthM', terms.unit);
  const soundings: TrackSounding[] = [];
  const refused: Refused[] = [];
  let ashore = 0;
  for (const [i, p] of read.points.entries()) {
    const [lon, lat] = turn(p.x, p.y);
    const soundedM = unit.toSi(terms.up ? -p.z : p.z);
    const fault = positionFault(lat, lon) ?? depthFault(soundedM);
    if (fault) {
      if (refused.length < MOST_REFUSED) refused.push({ line: i + 1, text: `${p.x} ${p.y} ${p.z}`, ...fault });
    } else if (soundedM < -20) ashore++;
    else soundings.push({ lat, lon, soundedM, offsetM: null, atMs: null });
  }
  return { soundings, refused, ashore };
}

const depthFault = (m: number) =>
  m > DEEPEST_M
    ? { reason: `a depth of ${m.toFixed(0)} m cannot be`, remedy: 'Check the unit, and whether depths count up or down.' }
    : null;
