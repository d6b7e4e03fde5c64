// A record of tides as sums of squares and products: of its heights, and of the standstill at its turns.
import { DEG } from '../units/angle';
import { DAY, HOUR, MINUTE } from '../units/time';
import { astronomicalArguments } from './astronomicalArguments';
import { constituentSpeed, equilibrium } from './constituents';
import { nodeFactors } from './nodeFactors';

/** Heights above any datum, m, in the order of time. */
export interface HeightRecord {
  readonly atMs: number;
  readonly heightM: number;
}

/** A high or low water. */
export interface TurnRecord extends HeightRecord {
  readonly kind: 'high' | 'low';
}

/** A table gives its times to the minute, and a turn's own moment is soft. */
const TIME_SD_MIN = 1.5;

/** Sums of squares and products of the record: apart for heights and for standstills, since each has noise of its own. */
export interface Normal {
  readonly n: number;
  readonly heights: Sums;
  readonly still: Sums;
}

/** Sums of a record for constituents of these names; a mean level comes before them. */
export function normalEquations(names: readonly string[], heights: readonly HeightRecord[], turns: readonly TurnRecord[]): Normal {
  const n = 2 * names.length + 1;
  const normal = { n, heights: new Sums(n), still: new Sums(n) };
  const omega = names.map((name) => (constituentSpeed(name) * DEG) / HOUR);
  const row = new Float64Array(n);
  const rate = new Float64Array(n);
  const table = dayTables(names);
  const fill = (atMs: number) => {
    const { start, f, vu } = table(atMs);
    row[0] = 1;
    rate[0] = 0;
    for (let i = 0; i < names.length; i++) {
      const w = omega[i] ?? 0;
      const angle = (vu[i] ?? 0) + w * (atMs - start);
      const [c, s] = [(f[i] ?? 0) * Math.cos(angle), (f[i] ?? 0) * Math.sin(angle)];
      row[1 + 2 * i] = c;
      row[2 + 2 * i] = s;
      rate[1 + 2 * i] = -w * HOUR * s;
      rate[2 + 2 * i] = w * HOUR * c;
    }
  };
  for (const h of heights) {
    fill(h.atMs);
    normal.heights.add(row, h.heightM, 1);
  }
  turns.forEach((t, i) => {
    fill(t.atMs);
    normal.heights.add(row, t.heightM, 1);
    const bend = curvature(turns, i);
    // Standing still, to what a minute and a half of time makes of it.
    if (bend > 0) normal.still.add(rate, 0, 1 / ((bend * (TIME_SD_MIN * MINUTE)) / HOUR));
  });
  normal.heights.flush();
  normal.still.flush();
  return normal;
}

/** Rows are summed so many at a time: a sum held in hand is many times faster than one put away after each product. */
const BLOCK = 256;

/** Sums over rows of a linear model: lower half of X'X, X'y, y'y. */
class Sums {
  readonly xx: Float64Array;
  readonly xy: Float64Array;
  yy = 0;
  count = 0;
  private readonly columns: Float64Array[];
  private held = 0;

  constructor(private readonly n: number) {
    this.xx = new Float64Array(n * n);
    this.xy = new Float64Array(n);
    // The last column is y.
    this.columns = Array.from({ length: n + 1 }, () => new Float64Array(BLOCK));
  }

  add(x: Float64Array, y: number, weight: number): void {
    this.columns.forEach((column, i) => {
      column[this.held] = (i < this.n ? (x[i] ?? 0) : y) * weight;
    });
    this.yy += (y * weight) ** 2;
    this.count++;
    if (++this.held === BLOCK) this.flush();
  }

  /** Sums what is held; done once more after the last row. */
  flush(): void {
    const { n, columns, held } = this;
    columns.forEach((a, i) => {
      for (let j = 0; j <= Math.min(i, n - 1); j++) {
        const b = columns[j] ?? a;
        const sum = product(a, b, held);
        if (i < n) this.xx[i * n + j] = (this.xx[i * n + j] ?? 0) + sum;
        else this.xy[j] = (this.xy[j] ?? 0) + sum;
      }
    });
    this.held = 0;
  }
}

/** Sum of the products of two columns; four sums at once, which the processor works on side by side. */
function product(a: Float64Array, b: Float64Array, count: number): number {
  let [p, q, r, s] = [0, 0, 0, 0];
  const whole = count - (count % 4);
  for (let k = 0; k < whole; k += 4) {
    p += (a[k] ?? 0) * (b[k] ?? 0);
    q += (a[k + 1] ?? 0) * (b[k + 1] ?? 0);
    r += (a[k + 2] ?? 0) * (b[k + 2] ?? 0);
    s += (a[k + 3] ?? 0) * (b[k + 3] ?? 0);
  }
  for (let k = whole; k < count; k++) p += (a[k] ?? 0) * (b[k] ?? 0);
  return p + q + r + s;
}

/** How sharply the water turns, m/h per hour, by the turns beside it. */
function curvature(turns: readonly TurnRecord[], i: number): number {
  const here = turns[i];
  if (!here) return 0;
  const beside = [turns[i - 1], turns[i + 1]].flatMap((t) => {
    const hours = t ? Math.abs(t.atMs - here.atMs) / HOUR : 0;
    // A gap in the table is no tide.
    return t && hours > 1 && hours < 18 ? [((Math.PI / hours) ** 2 * Math.abs(t.heightM - here.heightM)) / 2] : [];
  });
  return beside.length === 0 ? 0 : Math.max(0.005, beside.reduce((a, b) => a + b, 0) / beside.length);
}

function dayTables(names: readonly string[]) {
  const known = new Map<number, { start: number; f: Float64Array; vu: Float64Array }>();
  return (atMs: number) => {
    const start = Math.floor(atMs / DAY) * DAY;
    const found = known.get(start);
    if (found) return found;
    const args = astronomicalArguments(start);
    const nodes = nodeFactors(args);
    const each = names.map((name) => equilibrium(name, 0, args, nodes));
    const made = { start, f: Float64Array.from(each, (e) => e.f), vu: Float64Array.from(each, (e) => e.vuDeg * DEG) };
    known.set(start, made);
    return made;
  };
}
