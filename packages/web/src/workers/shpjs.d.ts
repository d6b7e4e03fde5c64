/** Zipped shapefiles to GeoJSON in degrees; it brings no types of its own. */
declare module 'shpjs' {
  export default function shp(zip: ArrayBuffer): Promise<object | readonly object[]>;
}
