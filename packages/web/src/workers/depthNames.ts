/** Whether a file is a chart's depths, by its name; tables and tracks of soundings are read as texts. */
export const isDepthFile = (name: string): boolean => /\.(asc|grd|tiff?|zip|geojson|json)$/i.test(name);
