// A grid of depths as text (the ASCII grid of ncols, nrows, xllcorner, cellsize): its cells as points in the grid's own coordinates.
import { requireSize, UnreadableFile } from './refused';
import { nth } from '../units/indexed';

/** A grid in the coordinates that it came in; rows run from north to south. */
export interface DepthGrid {
  readonly columns: number;
  readonly rows: number;
  /** Centre of the north-western cell. */
  readonly x0: number;
  readonly y0: number;
  readonly dx: number;
  /** Negative: to the south. */
  readonly dy: number;
  /** Row by row; NaN where nothing is known. */
  readonly z: Float64Array;
}

const FIRST = /^\s*ncols\s+\d/i;

/** Whether a text begins as such a grid does. */
export const isAsciiGrid = (text: string): boolean => FIRST.test(text.slice(0, 200));

/**
 * Reads an ASCII grid with its corner or the centre of its corner cell given.
 * @throws UnreadableFile naming what its head lacks, or how many figures are there of how many there should be.
 */
export function readAsciiGrid(text: string): DepthGrid {
  requireSize(text.length);
  const head = new Map<string, number>();
  let at = 0;
  for (;;) {
    const line = /^\s*([a-z_]+)\s+(\S+)[ \t\r]*\n/i.exec(text.slice(at, at + 200));
    if (!line) break;
    head.set(nth(line, 1).toLowerCase(), Number(line[2]));
    at += line[0].length;
  }
  const known = (name: string): number => {
    const value = head.get(name);
    if (value === undefined || !Number.isFinite(value))
      throw new UnreadableFile(
        `The head of the grid has no usable ${name}.`,
        'It begins with ncols, nrows, xllcorner, yllcorner and cellsize.',
      );
    return value;
  };
  const [columns, rows, cell] = [known('ncols'), known('nrows'), known('cellsize')];
  if (!(Number.isInteger(columns) && Number.isInteger(rows) && columns > 0 && rows > 0 && columns * rows <= 40_000_000 && cell > 0))
    throw new UnreadableFile(`A grid of ${columns} by ${rows} cells of ${cell} cannot be read.`, 'Cut it to the water and save it again.');
  const corner = (axis: 'x' | 'y') => (head.has(`${axis}llcenter`) ? known(`${axis}llcenter`) : known(`${axis}llcorner`) + cell / 2);
  const [west, south] = [corner('x'), corner('y')];
  const empty = head.get('nodata_value') ?? -9999;
  const z = new Float64Array(columns * rows).fill(Number.NaN);
  let n = 0;
  const figures = /\S+/g;
  figures.lastIndex = at;
  for (let m = figures.exec(text); m !== null; m = figures.exec(text)) {
    const value = Number(m[0]);
    if (Number.isNaN(value))
      throw new UnreadableFile(`Figure ${n + 1} of the grid is "${m[0].slice(0, 20)}".`, 'Only figures follow its head.');
    if (n < z.length && value !== empty) z[n] = value;
    n++;
  }
  if (n !== z.length)
    throw new UnreadableFile(`The grid has ${n} figures where ${columns} by ${rows} are ${z.length}.`, 'It was cut off; save it again.');
  return { columns, rows, x0: west, y0: south + (rows - 1) * cell, dx: cell, dy: -cell, z };
}

/** Cells of a grid as points, every so manieth where there are more than can be taken. @returns Every how manieth along each side. */
export function pointsOfGrid(
  g: DepthGrid,
  most: number,
): { readonly points: { x: number; y: number; z: number }[]; readonly every: number } {
  let known = 0;
  for (const z of g.z) if (!Number.isNaN(z)) known++;
  const every = Math.max(1, Math.ceil(Math.sqrt(known / most)));
  const points: { x: number; y: number; z: number }[] = [];
  for (let r = Math.floor(every / 2); r < g.rows; r += every)
    for (let c = Math.floor(every / 2); c < g.columns; c += every) {
      const z = g.z[r * g.columns + c] ?? Number.NaN;
      if (!Number.isNaN(z)) points.push({ x: g.x0 + c * g.dx, y: g.y0 + r * g.dy, z });
    }
  return { points, every };
}
