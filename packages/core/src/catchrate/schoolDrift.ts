// How a spot has done lately, as a school that is there or not: a hidden state of four levels that stays for days and then is drawn
// anew (a hidden Markov model filtered forward; Rabiner 1989). How long it stays and how often each level holds are learned from
// the log, by which would have foretold each stop best from the ones before.
import { DAY } from '../units/time';
import type { DriftRows } from './driftRows';
import { f64, i32, nth, num } from '../units/indexed';

const LEVELS = [0.5, 1, 2, 4] as const;
const STAYS_DAYS = [5, 9, 16, 30] as const;
/** How often each level holds. */
const MIXES = [
  [0.35, 0.45, 0.15, 0.05],
  [0.25, 0.6, 0.12, 0.03],
  [0.55, 0.3, 0.1, 0.05],
  [0.2, 0.5, 0.2, 0.1],
  [0.6, 0.25, 0.05, 0.1],
] as const;
const N = LEVELS.length;

/** State of every spot, faded to now. */
export interface SchoolDrift {
  readonly stayDays: number;
  readonly mix: readonly number[];
  /** Multipliers of the levels, scaled so that their mean is 1. */
  readonly levels: readonly number[];
  /** Chances of the levels: index spot * 4 + level. */
  readonly chance: Float64Array;
  /** Sum over stops of y log m - e (m - 1): what it would have added to what was foretold. */
  readonly gain: number;
}

interface Kind {
  readonly stayDays: number;
  readonly mix: readonly number[];
  readonly levels: readonly number[];
}

const KINDS: readonly Kind[] = STAYS_DAYS.flatMap((stayDays) =>
  MIXES.map((mix) => {
    const mean = mix.reduce((s, p, k) => s + p * nth(LEVELS, k), 0);
    return { stayDays, mix, levels: LEVELS.map((l) => l / mean) };
  }),
);

/** Filters the rows to now with the kind that foretells them best. @param phi - Spread of counts against Poisson's, >= 1. */
export function filterSchools(rows: DriftRows, now: number, phi: number, each?: (row: number, multiplier: number) => void): SchoolDrift {
  const tried = KINDS.map((kind) => ({ kind, gain: run(rows, kind, phi).gain }));
  const { kind, gain } = tried.reduce((best, t) => (t.gain > best.gain ? t : best));
  const { chance, last } = run(rows, kind, phi, each);
  for (let s = 0; s < rows.spots; s++) settle(chance, s, Math.max(0, now - f64(last, s)) / DAY, kind);
  return { ...kind, chance, gain };
}

/** Multiplier of a spot. */
export function schoolMultiplier(d: SchoolDrift, spot: number): number {
  let m = 0;
  for (let k = 0; k < N; k++) m += f64(d.chance, spot * N + k) * num(d.levels, k);
  return m;
}

/** Variance of the logarithm of a spot's multiplier. */
export function schoolLogVariance(d: SchoolDrift, spot: number): number {
  let [mean, square] = [0, 0];
  for (let k = 0; k < N; k++) {
    const p = f64(d.chance, spot * N + k);
    const log = Math.log(num(d.levels, k));
    mean += p * log;
    square += p * log * log;
  }
  return Math.max(0, square - mean * mean);
}

/** Days pass: what has not stayed is drawn anew. */
function settle(chance: Float64Array, spot: number, days: number, { stayDays, mix }: Kind): void {
  const stays = Math.exp(-days / stayDays);
  for (let k = 0; k < N; k++) chance[spot * N + k] = stays * f64(chance, spot * N + k) + (1 - stays) * num(mix, k);
}

function run(rows: DriftRows, kind: Kind, phi: number, each?: (row: number, multiplier: number) => void) {
  const chance = new Float64Array(rows.spots * N);
  for (let s = 0; s < rows.spots; s++) for (let k = 0; k < N; k++) chance[s * N + k] = num(kind.mix, k);
  const last = new Float64Array(rows.spots).fill(rows.at[0] ?? 0);
  const logs = kind.levels.map(Math.log);
  let gain = 0;
  for (let i = 0; i < rows.count; i++) {
    const s = i32(rows.spot, i);
    const at = f64(rows.at, i);
    const [y, e] = [f64(rows.fish, i), f64(rows.expected, i)];
    settle(chance, s, (at - f64(last, s)) / DAY, kind);
    let m = 0;
    for (let k = 0; k < N; k++) m += f64(chance, s * N + k) * num(kind.levels, k);
    each?.(i, m);
    gain += y * Math.log(m) - e * (m - 1);
    let total = 0;
    for (let k = 0; k < N; k++) {
      const w = f64(chance, s * N + k) * Math.exp((y * num(logs, k) - e * (num(kind.levels, k) - 1)) / phi);
      chance[s * N + k] = w;
      total += w;
    }
    for (let k = 0; k < N; k++) chance[s * N + k] = total > 0 ? f64(chance, s * N + k) / total : num(kind.mix, k);
    last[s] = at;
  }
  return { chance, last, gain };
}
