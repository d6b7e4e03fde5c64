// Where a run meets the sea: of the cells that its way crosses, those most open to the wind from some side.
import { fetchRose } from '../exposure/fetch';
import { cellOf, type Point, type RunField, waysFrom } from './navigate';
import { depthAt, toPosition } from './seaBed';
import { entryOf, nth, num, row } from '../units/indexed';

/** A place on a way, as far as its waves go. */
export interface SeaPlace {
  readonly lat: number;
  readonly lon: number;
  /** Charted depth, m below datum. */
  readonly depthM: number;
  /** Effective fetch for 36 bearings, m. */
  readonly fetchM: readonly number[];
  /** The bar or other shallow passage that it is, by name; null in deep enough water. */
  readonly bar: string | null;
  /** True where the way crosses water that nobody has sounded. */
  readonly unsounded?: boolean;
}

/** Ways between places with what they take and the sea that they cross. */
export interface SeaWays {
  /** Seconds from place to place; infinity where there is no way. */
  readonly seconds: readonly (readonly number[])[];
  readonly sea: readonly SeaPlace[];
  /** Indices into sea for each way. */
  readonly crossed: readonly (readonly (readonly number[])[])[];
}

/** Ways are looked at every so often, m. */
const SPACING_M = 400;
/** Water that nobody has sounded counts as deep, where waves grow higher than over shallows. */
const NOT_SOUNDED_M = 50;
/** Fetch differences below this do not matter, m. */
const ALIKE_M = 100;

/** Quickest ways of one field that are known already, by the cells of their ends. */
export type KnownWays = Map<string, { readonly seconds: number; readonly cells: Int32Array }>;

/** A bar or other shallow passage as cells of the bed, with its charted depth. */
export interface BarCells {
  readonly name: string;
  readonly chartedDepthM: number;
  readonly cells: ReadonlySet<number>;
}

/**
 * Ways between all places over a field, with the most exposed cells on each and the bars that each crosses. A way back is the way
 * there run the other way.
 * @param roses - Fetch of cells that is known already. @param known - Ways of this very field that are known already: a place that is
 * moved costs its own ways only. What is worked out is added to both.
 */
export function seaWays(
  field: RunField,
  places: readonly Point[],
  bars: readonly BarCells[] = [],
  { roses = new Map<number, number[]>(), known = new Map() }: { roses?: Map<number, number[]>; known?: KnownWays } = {},
): SeaWays {
  const { bed } = field;
  const every = Math.max(1, Math.round(SPACING_M / bed.cellM));
  const sea: SeaPlace[] = [];
  const roseAt = (cell: number, xM: number, yM: number): number[] => {
    let rose = roses.get(cell);
    if (!rose) {
      rose = fetchRose(bed, xM, yM);
      roses.set(cell, rose);
    }
    return rose;
  };
  const index = new Map<number, number>();
  const placeOf = (cell: number): number => {
    // One place speaks for its neighbourhood: the middle of a coarse cell, or the way's own cell where that is dry.
    const [i, j] = [cell % bed.columns, Math.floor(cell / bed.columns)];
    const middle = (n: number, most: number) => Math.min(most - 1, Math.floor(n / every) * every + Math.floor(every / 2));
    const coarse = middle(j, bed.rows) * bed.columns + middle(i, bed.columns);
    const at = nth(bed.depthM, coarse) > 0 ? coarse : cell;
    const known = index.get(at);
    if (known !== undefined) return known;
    const [xM, yM] = [(at % bed.columns) * bed.cellM, Math.floor(at / bed.columns) * bed.cellM];
    sea.push({ ...toPosition(bed, xM, yM), depthM: depthAt(bed, xM, yM) ?? NOT_SOUNDED_M, fetchM: roseAt(at, xM, yM), bar: null });
    index.set(at, sea.length - 1);
    return sea.length - 1;
  };
  const seconds: number[][] = [];
  const crossed: number[][][] = [];
  const barPlaces = new Map<BarCells, number>();
  const barsOn = (cells: Int32Array): number[] =>
    bars.flatMap((bar) => {
      const cell = touched(cells, bed.columns).find((c) => bar.cells.has(c));
      if (cell === undefined) return [];
      let place = barPlaces.get(bar);
      if (place === undefined) {
        const [xM, yM] = [(cell % bed.columns) * bed.cellM, Math.floor(cell / bed.columns) * bed.cellM];
        sea.push({ ...toPosition(bed, xM, yM), depthM: bar.chartedDepthM, fetchM: roseAt(cell, xM, yM), bar: bar.name });
        place = sea.length - 1;
        barPlaces.set(bar, place);
      }
      return [place];
    });
  // One place speaks for all of the unsounded water that a way crosses: its first cell.
  const unsoundedOn = (cells: Int32Array): number[] => {
    const cell = cells.find((c) => Number.isNaN(bed.depthM[c]));
    if (cell === undefined) return [];
    const [xM, yM] = [(cell % bed.columns) * bed.cellM, Math.floor(cell / bed.columns) * bed.cellM];
    sea.push({ ...toPosition(bed, xM, yM), depthM: NOT_SOUNDED_M, fetchM: roseAt(cell, xM, yM), bar: null, unsounded: true });
    return [sea.length - 1];
  };
  for (const _ of places) {
    seconds.push(places.map(() => 0));
    crossed.push(places.map(() => []));
  }
  const between = findWays(field, places, known);
  for (let i = 0; i < places.length; i++) {
    for (let j = i; j < places.length; j++) {
      const way = between(i, j);
      const met = [...mostOpen(sea, [...new Set(Array.from(way.cells, placeOf))]), ...barsOn(way.cells), ...unsoundedOn(way.cells)];
      for (const [a, b] of [[i, j] as const, [j, i] as const]) {
        row(seconds, a)[b] = way.seconds;
        row(crossed, a)[b] = met;
      }
    }
  }
  return { seconds, ...packed(sea, crossed) };
}

/** Works out the ways between places that are not known yet, from the place that lacks most of them first. */
function findWays(field: RunField, places: readonly Point[], known: KnownWays) {
  const cells = places.map((p) => cellOf(field.bed, p));
  const key = (i: number, j: number) => {
    const [a, b] = [num(cells, i), num(cells, j)];
    return a < b ? `${a} ${b}` : `${b} ${a}`;
  };
  for (;;) {
    const lacking = places.map((_, i) => places.flatMap((__, j) => (known.has(key(i, j)) ? [] : [j])));
    const most = Math.max(0, ...lacking.map((l) => l.length));
    if (most === 0) break;
    const i = lacking.findIndex((l) => l.length === most);
    const to = row(lacking, i);
    const ways = waysFrom(
      field,
      nth(places, i),
      to.map((j) => nth(places, j)),
    );
    for (const [k, w] of ways.entries()) known.set(key(i, num(to, k)), { seconds: w.seconds, cells: Int32Array.from(w.cells) });
  }
  return (i: number, j: number) => entryOf(known, key(i, j));
}

/** Cells of a way with those that its longer steps brush, so that it does not leap over a bar of one cell. */
function touched(cells: Int32Array, columns: number): number[] {
  return [...cells].flatMap((c, i) => {
    const before = cells[i - 1];
    if (before === undefined) return [c];
    const [x, y, bx, by] = [c % columns, Math.floor(c / columns), before % columns, Math.floor(before / columns)];
    const [mx, my] = [(x + bx) / 2, (y + by) / 2];
    return [Math.floor(my) * columns + Math.floor(mx), Math.ceil(my) * columns + Math.ceil(mx), c];
  });
}

/** Of places on one way, enough to have the longest fetch towards every bearing. */
function mostOpen(sea: readonly SeaPlace[], on: readonly number[]): number[] {
  const kept: number[] = [];
  for (let b = 0; b < 36; b++) {
    const fetch = (p: number) => num(nth(sea, p).fetchM, b);
    const most = Math.max(0, ...on.map(fetch));
    const place = on.find((p) => fetch(p) === most);
    if (place === undefined || most === 0 || kept.some((p) => fetch(p) > most - ALIKE_M)) continue;
    kept.push(place);
  }
  return kept.sort((a, b) => a - b);
}

/** Leaves out the places that no way needs. */
function packed(sea: readonly SeaPlace[], crossed: readonly (readonly (readonly number[])[])[]): Pick<SeaWays, 'sea' | 'crossed'> {
  const used = [...new Set(crossed.flat(2))].sort((a, b) => a - b);
  const to = new Map(used.map((p, i) => [p, i]));
  return {
    sea: used.map((p) => nth(sea, p)),
    crossed: crossed.map((row) => row.map((way) => way.map((p) => entryOf(to, p)))),
  };
}
