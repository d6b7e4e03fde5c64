/** A field as its column is named: `depthMinM` is `depth_min_m`. */
export const columnName = (field: string): string => field.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);
