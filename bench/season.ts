// npm run bench -- season: simulated seasons with hidden truths. How good is each method's choice for tomorrow, what does a
// season of its own decisions catch, and how often do its ranges hold what happened?
import { fitCatchRate } from '@bluffwind/core/catchrate/fitCatchRate';
import type { CatchRateModel } from '@bluffwind/core/catchrate/rateModel';
import { likeWater } from '@bluffwind/core/catchrate/likeWater';
import type { FishedSet, RateWorld } from '@bluffwind/core/catchrate/world';
import { seeded } from '@bluffwind/core/units/seeded';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { normal } from '../sim/src/noise';
import { makeSeason, type Season, type TruthName } from '../sim/src/season';
import { say } from './measure';

const HISTORY_DAYS = 100;
const TEST_DAYS = 40;
const STOPS_A_DAY = 12;
const HOURS = [8, 12, 16] as const;
const TOP = 5;
const SEEDS = 10;
const DECIDED_DAYS = 40;
const DECISIONS = 6;

/** A way to score spot and bait for an instant from what is logged. */
interface Method {
  readonly name: string;
  prepare(world: RateWorld, log: readonly FishedSet[]): (spot: number, bait: number, at: number) => number;
}

const idOf = (list: readonly { id: string }[], i: number) => list[i]?.id ?? '';

/** Fish and hours by key. */
function totals(log: readonly FishedSet[], key: (s: FishedSet) => string) {
  const out = new Map<string, { fish: number; hours: number }>();
  for (const s of log) {
    const t = out.get(key(s)) ?? { fish: 0, hours: 0 };
    t.fish += s.fish;
    t.hours += s.rodHours;
    out.set(key(s), t);
  }
  return out;
}
const both = (s: { spot: string; presentation: string }) => `${s.spot}|${s.presentation}`;

function methods(conditionsOf: Season['conditions']): Method[] {
  return [
    {
      name: 'raw average',
      prepare(world, log) {
        const spots = totals(log, (s) => s.spot);
        const baits = totals(log, (s) => s.presentation);
        const rate = (t: { fish: number; hours: number } | undefined) => (t ? t.fish / t.hours : 0);
        return (s, p) => rate(spots.get(idOf(world.spots, s))) * (1e-6 + rate(baits.get(idOf(world.presentations, p))));
      },
    },
    {
      name: "yesterday's best",
      prepare(world, log) {
        const last = log.at(-1)?.at ?? 0;
        const yesterday = totals(
          log.filter((s) => s.at > last - 0.8 * DAY),
          both,
        );
        const ever = totals(log, (s) => s.spot);
        return (s, p) => {
          const t = yesterday.get(`${idOf(world.spots, s)}|${idOf(world.presentations, p)}`);
          const e = ever.get(idOf(world.spots, s));
          return (t ? t.fish / t.hours : 0) + 1e-3 * (e ? e.fish / e.hours : 0);
        };
      },
    },
    {
      name: 'pooled',
      prepare(world, log) {
        const all =
          log.reduce((x, s) => x + s.fish, 0) /
          Math.max(
            1,
            log.reduce((x, s) => x + s.rodHours, 0),
          );
        const cells = totals(log, both);
        return (s, p) => {
          const t = cells.get(`${idOf(world.spots, s)}|${idOf(world.presentations, p)}`);
          return (3 + (t?.fish ?? 0)) / (3 / all + (t?.hours ?? 0));
        };
      },
    },
    {
      name: 'kernel',
      prepare(world, log) {
        const all =
          log.reduce((x, s) => x + s.fish, 0) /
          Math.max(
            1,
            log.reduce((x, s) => x + s.rodHours, 0),
          );
        const bySpot = new Map(world.spots.map((x) => [x.id, log.filter((s) => s.spot === x.id)]));
        const now = log.at(-1)?.at ?? 0;
        return (s, p, at) => {
          const spot = idOf(world.spots, s);
          const like = likeWater(
            bySpot.get(spot) ?? [],
            { at, spot, presentation: idOf(world.presentations, p), conditions: conditionsOf(s, at) },
            now,
          );
          return (1.5 + like.fish) / (1.5 / all + like.rodHours);
        };
      },
    },
    {
      name: 'Bluffwind',
      prepare(world, log) {
        const model = fitCatchRate(world, log);
        return (s, p, at) => model.rateAt(s, p, at, conditionsOf(s, at));
      },
    },
  ];
}

/** A day of the crew, who half know where the fish are. */
function crewDay(season: Season, day: number, random: () => number): FishedSet[] {
  const { world, start } = season;
  return Array.from({ length: STOPS_A_DAY }, (_, k) => {
    const at = start + day * DAY + (6 + (12 * k) / STOPS_A_DAY) * HOUR;
    const three = Array.from({ length: 8 }, () => [
      Math.floor(random() * world.spots.length),
      Math.floor(random() * world.presentations.length),
    ]) as [number, number][];
    const best = three
      .map((x) => ({ x, score: 0.8 * Math.log(season.rate(x[0], x[1], at)) + 0.9 * normal(random) }))
      .sort((a, b) => b.score - a.score)[0] as { x: [number, number] };
    return season.fish(best.x[0], best.x[1], at, 0.8 + 2.4 * random());
  }).sort((a, b) => a.at - b.at);
}

/** True rate of a method's best few against the best few there are. */
function choiceQuality(season: Season, at: number, score: (s: number, p: number, at: number) => number): number {
  const all = season.world.spots.flatMap((_, s) => season.world.presentations.map((__, p) => ({ s, p, true: season.rate(s, p, at) })));
  const mean = (list: { true: number }[]) => list.slice(0, TOP).reduce((x, c) => x + c.true, 0);
  const chosen = all.map((c) => ({ ...c, score: score(c.s, c.p, at) })).sort((a, b) => b.score - a.score);
  const oracle = [...all].sort((a, b) => b.true - a.true);
  return mean(chosen) / mean(oracle);
}

/** Share of an 80 % range that held a count; a count on its edge counts by the part of its probability that is inside. */
function covered(model: CatchRateModel, set: FishedSet): number {
  const shape = 1 / (model.logVariance(set) + 1 / model.dispersion);
  const mean = model.rate(set) * set.rodHours;
  const below = (n: number) => cumulative(n, shape, mean);
  const [lo, hi] = [below(set.fish - 1), below(set.fish)];
  const inside = Math.max(0, Math.min(hi, 0.9) - Math.max(lo, 0.1));
  return hi > lo ? inside / (hi - lo) : 0;
}

function cumulative(n: number, r: number, mean: number): number {
  if (n < 0) return 0;
  const q = mean / (r + mean);
  let p = (r / (r + mean)) ** r;
  let total = p;
  for (let k = 1; k <= n; k++) {
    p *= (q * (r + k - 1)) / k;
    total += p;
  }
  return Math.min(1, total);
}

/** What a season of a method's own decisions catches, as a share of what the best decisions would. */
function decided(season: Season, history: readonly FishedSet[], method: Method): number {
  let log = [...history];
  let [got, best] = [0, 0];
  for (let day = HISTORY_DAYS; day < HISTORY_DAYS + DECIDED_DAYS; day++) {
    const world = { ...season.world, now: season.start + day * DAY };
    const score = method.prepare(world, log);
    const today: FishedSet[] = [];
    const [used, usedBest] = [new Set<number>(), new Set<number>()];
    for (let k = 0; k < DECISIONS; k++) {
      const at = season.start + day * DAY + (6 + 2 * k) * HOUR;
      const pick = (value: (s: number, p: number) => number, taken: Set<number>) => {
        let top = { s: 0, p: 0, value: -1 };
        for (let s = 0; s < world.spots.length; s++)
          if (!taken.has(s))
            for (let p = 0; p < world.presentations.length; p++) {
              const v = value(s, p);
              if (v > top.value) top = { s, p, value: v };
            }
        taken.add(top.s);
        return top;
      };
      const mine = pick((s, p) => score(s, p, at), used);
      const oracle = pick((s, p) => season.rate(s, p, at), usedBest);
      got += season.rate(mine.s, mine.p, at);
      best += oracle.value;
      today.push(season.fish(mine.s, mine.p, at, 2));
    }
    log = [...log, ...today];
  }
  return got / best;
}

function meanSe(values: readonly number[]): string {
  const n = values.length;
  const mean = values.reduce((a, b) => a + b, 0) / n;
  const sd = Math.sqrt(values.reduce((s, x) => s + (x - mean) ** 2, 0) / (n - 1));
  return `${(100 * mean).toFixed(1)} ±${((100 * sd) / Math.sqrt(n)).toFixed(1)}`;
}

/** Runs the seasons and prints a table for each truth. @param only - Leaves out the seasons of own decisions. */
export function benchSeason({ seeds = SEEDS, decisions = true }: { seeds?: number; decisions?: boolean } = {}): void {
  say(
    `\nSimulated seasons: ${seeds} seeds each, ${HISTORY_DAYS} days of history, then ${TEST_DAYS} days foretold the evening before.\n` +
      'Choice: true rate of the best 5 of 192 that a method names, % of the best 5 there are. Season: its own decisions, % of the best. ± standard error.',
  );
  const cases: [TruthName, 0.4 | 0.64][] = [
    ['matched', 0.4],
    ['matched', 0.64],
    ['thresholds', 0.4],
    ['moving schools', 0.4],
  ];
  for (const [truth, zeros] of cases) {
    const names = methods(() => ({})).map((m) => m.name);
    const quality = new Map<string, number[]>(names.map((n) => [n, []]));
    const caught = new Map<string, number[]>(names.map((n) => [n, []]));
    const cover: number[] = [];
    let blank = 0;
    let stops = 0;
    for (let seed = 1; seed <= seeds; seed++) {
      const season = makeSeason(truth, seed, zeros);
      const random = seeded(seed + 5000);
      let log: FishedSet[] = [];
      for (let day = 0; day < HISTORY_DAYS; day++) log.push(...crewDay(season, day, random));
      const history = log;
      const sums = new Map(names.map((n) => [n, 0]));
      let [inside, held] = [0, 0];
      const all = methods(season.conditions);
      for (let day = HISTORY_DAYS; day < HISTORY_DAYS + TEST_DAYS; day++) {
        const world = { ...season.world, now: season.start + day * DAY };
        const today = crewDay(season, day, random);
        for (const m of all) {
          const score = m.prepare(world, log);
          for (const h of HOURS)
            sums.set(m.name, (sums.get(m.name) ?? 0) + choiceQuality(season, season.start + day * DAY + h * HOUR, score));
        }
        const model = fitCatchRate(world, log);
        for (const set of today) {
          inside += covered(model, set);
          held++;
          if (set.fish === 0) blank++;
          stops++;
        }
        log = [...log, ...today];
      }
      for (const n of names) quality.get(n)?.push((sums.get(n) ?? 0) / TEST_DAYS / HOURS.length);
      cover.push(inside / held);
      if (decisions) for (const m of all) caught.get(m.name)?.push(decided(season, history, m));
    }
    say(`\n  ${truth}, ${((100 * blank) / stops).toFixed(0)} % of stops blank`);
    for (const n of names)
      say(
        `    ${n.padEnd(18)} choice ${meanSe(quality.get(n) ?? []).padEnd(12)}${decisions ? ` season ${meanSe(caught.get(n) ?? [])}` : ''}`,
      );
    say(`    80 % range of a stop's count held ${meanSe(cover)} %`);
  }
}
