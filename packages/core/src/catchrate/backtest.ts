// The log foretold: each day of the past predicted from what was known the evening before, beside two ways that guides go
// by. Deviance is Poisson's (McCullagh & Nelder 1989, 2.3); lower is better.
import { negativeBinomialQuantile } from './distributions';
import { fitCatchRate } from './fitCatchRate';
import type { FishedSet, RateWorld } from './world';

/** One set as it was foretold and as it went. */
export interface Foretold {
  readonly at: number;
  readonly spot: string;
  readonly presentation: string;
  readonly rodHours: number;
  readonly fish: number;
  /** Fish expected by the model, by each spot's average over all effort, and by the day before's rate. */
  readonly model: number;
  readonly average: number;
  readonly yesterday: number;
  readonly lo80: number;
  readonly hi80: number;
}

export interface BacktestSummary {
  readonly sets: number;
  readonly fish: number;
  readonly expected: number;
  /** Mean Poisson deviance of a set. */
  readonly apart: { readonly model: number; readonly average: number; readonly yesterday: number };
  /** Fish per rod-hour in the third of the effort that each way would have kept. */
  readonly bestThird: { readonly model: number; readonly average: number; readonly yesterday: number; readonly all: number };
  /** Share of sets inside their 80 % range. */
  readonly inside: number;
  /** Sets by what was expected, least to most: rate expected and rate that came. */
  readonly calibration: readonly { readonly expected: number; readonly happened: number; readonly rodHours: number }[];
}

const FIFTHS = 5;

/** Foretells the sets of a day from those before it. @param world - Its now is the start of that day. */
export function foretellDay(world: RateWorld, sets: readonly FishedSet[], untilMs: number): Foretold[] {
  const before = sets.filter((s) => s.at < world.now);
  const day = sets.filter((s) => s.at >= world.now && s.at < untilMs);
  if (day.length === 0 || before.length === 0) return [];
  const model = fitCatchRate(world, before);
  const counted = (s: FishedSet) => (world.counting === undefined || world.counting === 'all' ? s.fish : (s.counts ?? s.fish));
  const total = (list: readonly FishedSet[]) => ({
    fish: list.reduce((x, s) => x + counted(s), 0),
    hours: list.reduce((x, s) => x + s.rodHours, 0),
  });
  const all = total(before);
  const overall = all.fish / all.hours;
  const lastDay = Math.max(...before.map((s) => s.at)) - 20 * 3_600_000;
  const rates = (list: readonly FishedSet[]) => {
    const by = new Map<string, { fish: number; hours: number }>();
    for (const s of list) {
      const t = by.get(s.spot) ?? { fish: 0, hours: 0 };
      t.fish += counted(s);
      t.hours += s.rodHours;
      by.set(s.spot, t);
    }
    return by;
  };
  const ever = rates(before);
  const last = rates(before.filter((s) => s.at >= lastDay));
  const rateOf = (t: { fish: number; hours: number } | undefined) => (t ? t.fish / t.hours : overall);
  return day.map((s) => {
    const expected = model.rate(s) * s.rodHours;
    const shape = 1 / (model.logVariance(s) + 1 / model.dispersion);
    return {
      at: s.at,
      spot: s.spot,
      presentation: s.presentation,
      rodHours: s.rodHours,
      fish: counted(s),
      model: expected,
      average: rateOf(ever.get(s.spot)) * s.rodHours,
      yesterday: (last.has(s.spot) ? rateOf(last.get(s.spot)) : overall) * s.rodHours,
      lo80: negativeBinomialQuantile(0.1, shape, expected),
      hi80: negativeBinomialQuantile(0.9, shape, expected),
    };
  });
}

/** What a run of foretold sets says of the model. Null without any. */
export function summariseBacktest(rows: readonly Foretold[]): BacktestSummary | null {
  if (rows.length === 0) return null;
  const ways = ['model', 'average', 'yesterday'] as const;
  const mean = (of: (r: Foretold) => number) => rows.reduce((x, r) => x + of(r), 0) / rows.length;
  const each = (of: (way: (typeof ways)[number]) => number) => ({ model: of('model'), average: of('average'), yesterday: of('yesterday') });
  const sum = (list: readonly Foretold[], of: (r: Foretold) => number) => list.reduce((x, r) => x + of(r), 0);
  const hours = sum(rows, (r) => r.rodHours);
  const third = (way: (typeof ways)[number]) => {
    const best = [...rows].sort((a, b) => b[way] / b.rodHours - a[way] / a.rodHours || a.at - b.at);
    let kept = 0;
    const list = best.filter((r) => {
      const take = kept < hours / 3;
      if (take) kept += r.rodHours;
      return take;
    });
    return sum(list, (r) => r.fish) / sum(list, (r) => r.rodHours);
  };
  const byExpected = [...rows].sort((a, b) => a.model / a.rodHours - b.model / b.rodHours || a.at - b.at);
  return {
    sets: rows.length,
    fish: sum(rows, (r) => r.fish),
    expected: sum(rows, (r) => r.model),
    apart: each((way) => mean((r) => poissonDeviance(r.fish, r[way]))),
    bestThird: { ...each(third), all: sum(rows, (r) => r.fish) / hours },
    inside: rows.filter((r) => r.fish >= r.lo80 && r.fish <= r.hi80).length / rows.length,
    calibration: Array.from({ length: FIFTHS }, (_, i) => {
      const part = byExpected.slice(Math.floor((i * rows.length) / FIFTHS), Math.floor(((i + 1) * rows.length) / FIFTHS));
      const rodHours = sum(part, (r) => r.rodHours);
      return { expected: sum(part, (r) => r.model) / rodHours, happened: sum(part, (r) => r.fish) / rodHours, rodHours };
    }).filter((b) => b.rodHours > 0),
  };
}

/** Poisson deviance of a count against its mean: 2 (y log(y / mu) - (y - mu)). */
export function poissonDeviance(y: number, mu: number): number {
  const m = Math.max(mu, 1e-6);
  return 2 * ((y > 0 ? y * Math.log(y / m) : 0) - (y - m));
}
