import type { ItineraryProblem, ShutRanges } from './problem';

/** When ways are run: a boat that finds its way shut waits where it is until it can make the whole run. */
export interface Ways {
  /** Step of arrival at spot q for leaving spot s in step t; more than the last step when it is never reached. */
  arrive(s: number, q: number, t: number): number;
  /** Step of arrival from the dock, leaving as early as can be. */
  first(q: number): number;
  /** Step of being back at the dock for leaving spot s in step t. */
  home(s: number, t: number): number;
}

const NEVER = 1 << 14;
const known = new WeakMap<ItineraryProblem, Ways>();

/** The ways of a problem, worked out once. */
export function waysOf(p: ItineraryProblem): Ways {
  let ways = known.get(p);
  if (!ways) {
    ways = p.shutWays ? timed(p, p.shutWays) : open(p);
    known.set(p, ways);
  }
  return ways;
}

function open(p: ItineraryProblem): Ways {
  return {
    arrive: (s, q, t) => t + (p.travelSteps[s]?.[q] as number),
    first: (q) => p.dockTravelSteps[q] as number,
    home: (s, t) => t + (p.dockTravelSteps[s] as number),
  };
}

function timed(p: ItineraryProblem, shut: NonNullable<ItineraryProblem['shutWays']>): Ways {
  const n = p.spots.length;
  const width = p.steps + 1;
  const table = new Int16Array(n * n * width);
  const homes = new Int16Array(n * width);
  const firsts = new Int16Array(n);
  for (let s = 0; s < n; s++) {
    const dock = arrivals(shut.dock[s] ?? [], p.dockTravelSteps[s] as number, width);
    firsts[s] = dock[0] as number;
    homes.set(dock, s * width);
    for (let q = 0; q < n; q++)
      table.set(arrivals(shut.between[s]?.[q] ?? [], p.travelSteps[s]?.[q] as number, width), (s * n + q) * width);
  }
  return {
    arrive: (s, q, t) => table[(s * n + q) * width + t] as number,
    first: (q) => firsts[q] as number,
    home: (s, t) => homes[s * width + t] as number,
  };
}

/** Step of arrival for each step of leaving: at once, or after the last shut step that the run would meet. */
function arrivals(shut: ShutRanges, way: number, width: number): Int16Array {
  const list = new Int16Array(width);
  for (let t = width - 1; t >= 0; t--) {
    const meets = shut.some(([from, to]) => from < t + Math.max(1, way) && to > t);
    list[t] = !meets ? Math.min(NEVER, t + way) : t + 1 < width ? (list[t + 1] as number) : NEVER;
  }
  return list;
}
