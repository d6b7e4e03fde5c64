// From the metres of a chart's own projection to degrees (proj4).
import { UnreadableFile } from '@bluffwind/core/formats/refused';
import proj4 from 'proj4';

/** Degrees as they are. */
export const DEGREES = 'EPSG:4326';

/** To [longitude, latitude], degrees of WGS 84. */
export type ToDegrees = (x: number, y: number) => readonly [lon: number, lat: number];

/** The zone of the universal transverse Mercator projection that a place lies in, as its EPSG name. */
export function utmOf(lon: number, lat: number): string {
  const zone = Math.min(60, Math.max(1, Math.floor((lon + 180) / 6) + 1));
  return `EPSG:${(lat < 0 ? 32700 : 32600) + zone}`;
}

/** What proj4 is given for a name: a definition of its own language, or one of the names that need no table. */
function definitionOf(name: string): string {
  const typed = name.trim();
  const code = /^(?:EPSG:)?(\d{4,5})$/i.exec(typed)?.[1];
  if (!code) return typed;
  const n = Number(code);
  if (n === 4326) return '+proj=longlat +datum=WGS84';
  if (n === 3857 || n === 900913) return '+proj=merc +a=6378137 +b=6378137 +lon_0=0 +k=1 +units=m';
  if (n > 32600 && n <= 32660) return `+proj=utm +zone=${n - 32600} +datum=WGS84 +units=m`;
  if (n > 32700 && n <= 32760) return `+proj=utm +zone=${n - 32700} +south +datum=WGS84 +units=m`;
  // Within a metre of WGS 84: the European and the American frame of the same ellipsoid.
  if (n === 4258 || n === 4269) return '+proj=longlat +ellps=GRS80';
  if (n >= 25828 && n <= 25838) return `+proj=utm +zone=${n - 25800} +ellps=GRS80 +units=m`;
  if (n >= 26901 && n <= 26923) return `+proj=utm +zone=${n - 26900} +ellps=GRS80 +units=m`;
  throw new UnreadableFile(
    `The projection EPSG:${n} is not known here.`,
    'Type its proj4 definition (it begins with +proj=), or save the file in degrees or in UTM.',
  );
}

/**
 * How positions of a projection become degrees.
 * @param name - EPSG:4326 and 3857, zones of UTM by their EPSG names, or a definition such as "+proj=utm +zone=25".
 * @throws UnreadableFile when it is neither.
 */
export function toDegrees(name: string): ToDegrees {
  const definition = definitionOf(name);
  if (/\+proj=longlat/.test(definition) && !/\+towgs84/.test(definition)) return (x, y) => [x, y];
  let turn: { forward(p: [number, number]): number[] };
  try {
    turn = proj4(definition, '+proj=longlat +datum=WGS84') as unknown as typeof turn;
  } catch {
    throw new UnreadableFile(
      `"${name.slice(0, 60)}" is no projection that can be used.`,
      'Type EPSG:32625 and the like, or a proj4 definition.',
    );
  }
  return (x, y) => {
    // Far outside its zone a projection throws: such a point is on no chart.
    try {
      const [lon, lat] = turn.forward([x, y]);
      return [lon ?? Number.NaN, lat ?? Number.NaN];
    } catch {
      return [Number.NaN, Number.NaN];
    }
  };
}
