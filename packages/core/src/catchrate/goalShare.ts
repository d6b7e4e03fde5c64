// Which part of the fish the goal counts. For size: measured lengths, as a share of the length asked for, are taken as
// normal with a mean that is pooled over spot and presentation, so that a spot with few measured fish leans on all. For
// what may be kept: the share itself, pooled in the same way (Beta-binomial mean).
import type { Counting, FishedSet } from './world';

/** Fish that the pooled mean is worth. */
const K = 12;
/** Spread of lengths about their mean before any is measured, as a share of the length asked for. */
const SPREAD = 0.22;

export interface ShareFactor {
  readonly name: string;
  readonly multiplier: number;
  readonly fish: number;
  readonly expected: number;
}

/** The share as factors: over all, of the spot, of the presentation; they multiply to the share. */
export type GoalShare = (spot: string, presentation: string) => readonly ShareFactor[];

/** What a log says of the share that counts, or null when every fish does. */
export function goalShare(sets: readonly FishedSet[], counting: Counting): GoalShare | null {
  if (counting === 'all' || counting === 'action') return null;
  return counting === 'long' ? longShare(sets) : keptShare(sets);
}

interface Tally {
  fish: number;
  good: number;
  sum: number;
  squares: number;
}
const empty = (): Tally => ({ fish: 0, good: 0, sum: 0, squares: 0 });

function tallies(sets: readonly FishedSet[], of: (s: FishedSet) => { fish: number; good: number; sum: number; squares: number }) {
  const all = empty();
  const spots = new Map<string, Tally>();
  const presentations = new Map<string, Tally>();
  const add = (t: Tally, x: Tally) => {
    t.fish += x.fish;
    t.good += x.good;
    t.sum += x.sum;
    t.squares += x.squares;
  };
  for (const s of sets) {
    const x = of(s);
    if (x.fish === 0) continue;
    add(all, x);
    for (const [map, key] of [
      [spots, s.spot],
      [presentations, s.presentation],
    ] as const) {
      const t = map.get(key) ?? empty();
      add(t, x);
      map.set(key, t);
    }
  }
  return { all, spots, presentations };
}

function keptShare(sets: readonly FishedSet[]): GoalShare {
  const { all, spots, presentations } = tallies(sets, (s) => ({ fish: s.fish, good: s.counts ?? s.fish, sum: 0, squares: 0 }));
  const share = (all.good + 1) / (all.fish + 2);
  const ratio = (t: Tally | undefined) => (K + (t?.good ?? 0)) / (K + (t?.fish ?? 0) * share);
  return (spot, presentation) => {
    const [s, p] = [spots.get(spot), presentations.get(presentation)];
    const [rs, rp] = [ratio(s), ratio(p)];
    // Never more than every fish.
    const cap = Math.min(1, 1 / (share * rs * rp));
    return [
      { name: 'share that may be kept', multiplier: share, fish: all.good, expected: all.fish },
      { name: 'share that may be kept, this spot', multiplier: rs, fish: s?.good ?? 0, expected: (s?.fish ?? 0) * share },
      { name: 'share that may be kept, this presentation', multiplier: rp * cap, fish: p?.good ?? 0, expected: (p?.fish ?? 0) * share },
    ];
  };
}

function longShare(sets: readonly FishedSet[]): GoalShare {
  const { all, spots, presentations } = tallies(sets, (s) => ({
    fish: s.lengths?.count ?? 0,
    good: s.counts ?? 0,
    sum: s.lengths?.sum ?? 0,
    squares: s.lengths?.squares ?? 0,
  }));
  // Two fish of the length asked for less one spread stand for a log without lengths.
  const mean = (all.sum + 2 * (1 - SPREAD)) / (all.fish + 2);
  const variance = (all.squares - all.fish * mean * mean + 10 * SPREAD ** 2) / (all.fish + 10);
  const sd = Math.sqrt(Math.max(0.01, variance));
  const off = (t: Tally | undefined) => (t ? (t.sum - t.fish * mean) / (K + t.fish) : 0);
  const above = (m: number) => 1 - normalShare((1 - m) / sd);
  return (spot, presentation) => {
    const [s, p] = [spots.get(spot), presentations.get(presentation)];
    const [share, withSpot] = [above(mean), above(mean + off(s))];
    const withBoth = above(mean + off(s) + off(p));
    return [
      { name: 'share that is long enough', multiplier: share, fish: all.good, expected: all.fish },
      { name: 'length of fish at this spot', multiplier: withSpot / share, fish: s?.good ?? 0, expected: (s?.fish ?? 0) * share },
      {
        name: 'length of fish on this presentation',
        multiplier: withBoth / withSpot,
        fish: p?.good ?? 0,
        expected: (p?.fish ?? 0) * share,
      },
    ];
  };
}

/** Share of the normal distribution below z (Abramowitz & Stegun 1964, 7.1.26; absolute error below 1.5e-7). */
export function normalShare(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const erf = 1 - t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-x * x);
  return z >= 0 ? 0.5 * (1 + erf) : 0.5 * (1 - erf);
}
