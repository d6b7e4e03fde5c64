import type { ItineraryProblem, ShutRanges } from './problem';
import { i16, num, row } from '../units/indexed';

/** When ways are run: a boat that finds its way shut, or longer than a little later, waits where it is until then. */
export interface Ways {
  /** Step of arrival at spot q for leaving spot s in step t; more than the last step when it is never reached. */
  arrive(s: number, q: number, t: number): number;
  /** Step of arrival at the first spot, leaving the dock, or where the boat is, as early as can be. */
  first(q: number): number;
  /** Step of being back at the dock for leaving spot s in step t. */
  home(s: number, t: number): number;
  /** Steps under way of the same runs, the waiting not counted. */
  run(s: number, q: number, t: number): number;
  firstRun(q: number): number;
  homeRun(s: number, t: number): number;
}

const NEVER = 1 << 14;

/** The same with the ways out of the dock in any step. */
interface AllWays extends Ways {
  out(q: number, t: number): number;
  outRun(q: number, t: number): number;
}

/** The ways of a trip that is under way: the first spot is reached from where the boat is, and there it is at once; it does not go back there. */
function begun(all: AllWays, { spot, step }: NonNullable<ItineraryProblem['from']>): Ways {
  return {
    ...all,
    arrive: (s, q, t) => (q === spot ? NEVER : all.arrive(s, q, t)),
    first: (q) => (spot < 0 ? all.out(q, step) : q === spot ? step : all.arrive(spot, q, step)),
    firstRun: (q) => (spot < 0 ? all.outRun(q, step) : q === spot ? 0 : all.run(spot, q, step)),
  };
}

const known = new WeakMap<ItineraryProblem, Ways>();

/** The ways of a problem, worked out once. */
export function waysOf(p: ItineraryProblem): Ways {
  let ways = known.get(p);
  if (!ways) {
    const all = p.shutWays || p.byStep ? timed(p) : open(p);
    ways = p.from ? begun(all, p.from) : all;
    known.set(p, ways);
  }
  return ways;
}

function open(p: ItineraryProblem): AllWays {
  const way = (s: number, q: number) => num(row(p.travelSteps, s), q);
  const home = (s: number) => num(p.dockTravelSteps, s);
  return {
    arrive: (s, q, t) => t + way(s, q),
    first: home,
    home: (s, t) => t + home(s),
    run: way,
    firstRun: home,
    homeRun: home,
    out: (q, t) => t + home(q),
    outRun: home,
  };
}

function timed(p: ItineraryProblem): AllWays {
  const n = p.spots.length;
  const width = p.steps + 1;
  const { level, dockTravelSteps, travelSteps } = p.byStep ?? {
    level: [],
    dockTravelSteps: [p.dockTravelSteps],
    travelSteps: [p.travelSteps],
  };
  const levelAt = (t: number) => level[Math.min(t, level.length - 1)] ?? 0;
  const [table, runs] = [new Int16Array(n * n * width), new Int16Array(n * n * width)];
  const [homes, homeRuns] = [new Int16Array(n * width), new Int16Array(n * width)];
  const [outs, outRuns] = [new Int16Array(n * width), new Int16Array(n * width)];
  for (let s = 0; s < n; s++) {
    const dock = arrivals(p.shutWays?.dock[s] ?? [], (t) => num(row(dockTravelSteps, levelAt(t)), s), p.steps);
    outs.set(dock.at, s * width);
    outRuns.set(dock.run, s * width);
    homes.set(dock.at, s * width);
    homeRuns.set(dock.run, s * width);
    for (let q = 0; q < n; q++) {
      const way = arrivals(p.shutWays?.between[s]?.[q] ?? [], (t) => num(row(row(travelSteps, levelAt(t)), s), q), p.steps);
      table.set(way.at, (s * n + q) * width);
      runs.set(way.run, (s * n + q) * width);
    }
  }
  return {
    arrive: (s, q, t) => i16(table, (s * n + q) * width + t),
    first: (q) => i16(outs, q * width),
    home: (s, t) => i16(homes, s * width + t),
    run: (s, q, t) => i16(runs, (s * n + q) * width + t),
    firstRun: (q) => i16(outRuns, q * width),
    homeRun: (s, t) => i16(homeRuns, s * width + t),
    out: (q, t) => i16(outs, q * width + t),
    outRun: (q, t) => i16(outRuns, q * width + t),
  };
}

/** Step of arrival for each step of leaving, at once or after waiting, whichever is there sooner, and the run that it takes. */
function arrivals(shut: ShutRanges, wayAt: (t: number) => number, steps: number): { at: Int16Array; run: Int16Array } {
  const at = new Int16Array(steps + 1);
  const run = new Int16Array(steps + 1);
  for (let t = steps; t >= 0; t--) {
    const way = wayAt(t);
    const meets = shut.some(([from, to]) => from < t + Math.max(1, way) && to > t);
    const now = meets || !(way <= steps) ? NEVER : Math.min(NEVER, t + way);
    const later = t < steps ? i16(at, t + 1) : NEVER;
    at[t] = Math.min(now, later);
    run[t] = now <= later ? Math.min(way, steps + 1) : i16(run, t + 1);
  }
  return { at, run };
}
