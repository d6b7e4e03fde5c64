// All boats of a day together: no two at a spot at once. Lagrangian prices on (spot, step) and on each boat's "at most
// once" by Polyak subgradient, one backward pass a boat and round, give the bound; plans come from boats laid one after
// the other against prices and against what the others hold, then from ruin and recreate.
import { type Relaxed, relax, type Visit } from '../itinerary/relaxation';
import { legOf, solveStays } from '../itinerary/solveItinerary';
import { IMPOSSIBLE, PIN_BONUS, type StayValues, stayValues } from '../itinerary/stayValues';
import { checkProblem } from '../itinerary/problem';
import { seeded } from '../units/seeded';
import type { FleetBoat, FleetPlan, FleetProblem } from './fleetProblem';
import { entryOf, f64, i32, nth, num, row } from '../units/indexed';

interface Boat {
  readonly boat: FleetBoat;
  readonly v: StayValues;
  /** Place of each of its spots. */
  readonly place: Int32Array;
  readonly weight: number;
  lambda: Float64Array;
}

/** Visits of every boat with what they are worth (weighted, pins included). */
interface Whole {
  readonly value: number;
  readonly visits: readonly (readonly Visit[])[];
}

export interface FleetOptions {
  /** Asked now and then; true returns the best so far with its bound. */
  readonly stop?: () => boolean;
  /** Told of each better plan. */
  readonly onBetter?: (plan: FleetPlan) => void;
  readonly seed?: number;
  /** Rounds of prices, and tries of ruin and recreate. */
  readonly rounds?: number;
  readonly tries?: number;
}

const ROUNDS = 400;
const TRIES = 160;
const PLAN_EVERY = 16;
const BEAM = 8;
const DEFLECT = 0.5;

/** Plans a fleet's day. Throws RangeError when a boat's own problem is malformed or its pins cannot be kept with the others'. */
export function solveFleet(
  fleet: FleetProblem,
  { stop = () => false, onBetter, seed = 1, rounds = ROUNDS, tries = TRIES }: FleetOptions = {},
): FleetPlan {
  const random = seeded(seed);
  const places = new Map<string, number>();
  const placeOf = fleet.placeOf ?? ((id: string) => id);
  let last = 0;
  const boats: Boat[] = fleet.boats.map((boat) => {
    checkProblem(boat.problem);
    last = Math.max(last, boat.startStep + boat.problem.steps);
    const weight = boat.weight ?? 1;
    const v = scaled(stayValues(boat.problem, boat.pins ?? []), weight);
    const place = Int32Array.from(boat.problem.spots, (s) => {
      const key = placeOf(s.id);
      if (!places.has(key)) places.set(key, places.size);
      return entryOf(places, key);
    });
    const lambda = Float64Array.from(boat.problem.spots, (s) =>
      boat.pins?.some((x) => x.spot === s.id && x.startStep === undefined) ? PIN_BONUS * weight : 0,
    );
    return { boat, v, place, weight, lambda };
  });
  const width = last + 1;
  let rent = new Float64Array(places.size * width);
  const alone = boats.map((b) => solveStays(b.boat.problem, b.v, { pins: b.boat.pins ?? [], stop, exact: false, rounds: 16, beam: BEAM }));
  const aloneFish = boats.map((b, i) => fishOf(b, alone[i]?.visits ?? []));
  let bound = alone.reduce((sum, a) => sum + a.bound, 0);
  let best: Whole = { value: Number.NEGATIVE_INFINITY, visits: [] };
  const bonus = boats.reduce((sum, b) => sum + (b.boat.pins?.length ?? 0) * PIN_BONUS * b.weight, 0);
  const present = (): FleetPlan => {
    const plans = boats.map((b, i) => {
      const legs = (best.visits[i] ?? []).map((x) => legOf(b.boat.problem, b.v, x));
      return { id: b.boat.id, value: legs.reduce((s, l) => s + l.expected, 0), alone: num(aloneFish, i), legs };
    });
    const value = plans.reduce((s, p) => s + p.value, 0);
    const weighted = plans.reduce((s, p, i) => s + p.value * (boats[i]?.weight ?? 1), 0);
    return { value, bound: Math.max(value, value + (bound - bonus - weighted)), boats: plans };
  };
  const take = (whole: Whole) => {
    if (whole.value <= best.value + 1e-9) return false;
    best = whole;
    onBetter?.(present());
    return true;
  };

  // In turn, in the order given: the plan that is there at once.
  take(
    inTurn(
      fleet,
      boats,
      boats.map((_, i) => i),
      new Map(),
      { alone },
    ),
  );
  const before: { use: Float64Array | null } = { use: null };
  let theta = 1.5;
  let stale = 0;
  for (let round = 0; round < rounds && !stop(); round++) {
    const relaxed = boats.map((b) => relax(b.boat.problem, b.v, b.lambda, { sums: rentSums(b, rent, width), margin: fleet.marginSteps }));
    let value = relaxed.reduce((sum, r) => sum + r.bound, 0);
    for (const x of rent) value += x;
    if (value < bound - 1e-9) {
      bound = value;
      stale = 0;
    } else if (++stale >= 8) {
      theta /= 1.6;
      stale = 0;
    }
    if (bound - best.value < 1e-6) break;
    const moved = step(fleet, boats, relaxed, rent, width, theta * Math.max(1e-6, value - best.value), before);
    if (moved === null) break;
    rent = moved;
    if (round % PLAN_EVERY === PLAN_EVERY - 1) {
      const order = shuffled(boats.length, random);
      const share = num([1, 0.6, 0.3], Math.floor(random() * 3));
      const priced = inTurn(fleet, boats, order, new Map(), { rent, share, width });
      take(polished(fleet, boats, priced, shuffled(boats.length, random)));
    }
  }
  for (let k = 0; k < tries && !stop() && bound - best.value > 1e-6; k++) take(ruined(fleet, boats, best, rent, width, random));
  if (best.value < bonus - 1e-6) {
    throw new RangeError(
      `pins: the pinned stays of ${boats.map((b) => b.boat.id).join(' and ')} cannot all be kept; two of them meet at a spot`,
    );
  }
  return present();
}

function scaled(v: StayValues, weight: number): StayValues {
  if (weight === 1) return v;
  const table = v.table.map((x) => x * weight);
  return { ...v, table, at: (s, a, d) => f64(table, (s * v.width + a) * v.width + d) };
}

function fishOf(b: Boat, visits: readonly Visit[]): number {
  return visits.reduce((sum, x) => sum + legOf(b.boat.problem, b.v, x).expected, 0);
}

/** Rent of a boat's spots on its own clock, summed. */
function rentSums(b: Boat, rent: Float64Array, width: number): Float64Array {
  const { width: own } = b.v;
  const sums = new Float64Array(b.place.length * own);
  b.place.forEach((place, s) => {
    const from = place * width + b.boat.startStep;
    let total = 0;
    for (let t = 0; t < own; t++) {
      sums[s * own + t] = total;
      total += rent[from + t] ?? 0;
    }
  });
  return sums;
}

/** One subgradient step on rents and on each boat's prices; null when the relaxed plans are themselves a plan. */
function step(
  fleet: FleetProblem,
  boats: readonly Boat[],
  relaxed: readonly Relaxed[],
  rent: Float64Array,
  width: number,
  length: number,
  before: { use: Float64Array | null },
) {
  const use = new Float64Array(rent.length);
  const over: Float64Array[] = [];
  let norm = 0;
  boats.forEach((b, i) => {
    const visits = new Float64Array(b.place.length);
    for (const x of relaxed[i]?.path ?? []) {
      visits[x.s] = f64(visits, x.s) + 1;
      const at = i32(b.place, x.s) * width + b.boat.startStep;
      for (let t = Math.max(0, x.arrive - fleet.marginSteps); t < x.depart; t++) use[at + t] = f64(use, at + t) + 1;
    }
    const off = visits.map((n, s) => (n <= 1 && b.lambda[s] === 0 ? 0 : n - 1));
    for (const x of off) norm += x * x;
    over.push(off);
  });
  let here = 0;
  for (let i = 0; i < use.length; i++) {
    const off = f64(use, i) <= 1 && rent[i] === 0 ? 0 : f64(use, i) - 1;
    here += Math.abs(off);
    // Deflected: half of the last direction is kept, which stops prices from swinging between two spots.
    use[i] = off + DEFLECT * (before.use?.[i] ?? 0);
    norm += f64(use, i) ** 2;
  }
  before.use = use;
  if (norm === 0 || (here === 0 && over.every((list) => list.every((x) => x === 0)))) return null;
  const by = length / norm;
  boats.forEach((b, i) => {
    b.lambda = b.lambda.map((x, s) => Math.max(0, x + by * f64(nth(over, i), s)));
  });
  return rent.map((x, i) => Math.max(0, x + by * f64(use, i)));
}

type Held = Map<number, { from: number; to: number }[]>;

function hold(held: Held, b: Boat, visits: readonly Visit[]): void {
  for (const x of visits) {
    const place = i32(b.place, x.s);
    held.set(place, [...(held.get(place) ?? []), { from: b.boat.startStep + x.arrive, to: b.boat.startStep + x.depart }]);
  }
}

/** A boat's stays without those that would meet what is held, less a share of the rent. */
function tableFor(fleet: FleetProblem, b: Boat, held: Held, rent?: { sums: Float64Array; share: number }): StayValues {
  const { width } = b.v;
  const table = Float64Array.from(b.v.table);
  b.place.forEach((place, s) => {
    const base = s * width * width;
    for (const h of held.get(place) ?? []) {
      const [from, to] = [h.from - b.boat.startStep - fleet.marginSteps, h.to - b.boat.startStep + fleet.marginSteps];
      for (let a = 0; a < Math.min(width, to); a++)
        for (let d = Math.max(a + 1, from + 1); d < width; d++) table[base + a * width + d] = IMPOSSIBLE;
    }
    if (rent)
      for (let a = 0; a < width; a++) {
        const paid = f64(rent.sums, s * width + Math.max(0, a - fleet.marginSteps));
        for (let d = a + 1; d < width; d++) {
          const i = base + a * width + d;
          if (table[i] !== IMPOSSIBLE) table[i] = f64(table, i) - rent.share * (f64(rent.sums, s * width + d) - paid);
        }
      }
  });
  return { ...b.v, table, at: (s, a, d) => f64(table, (s * width + a) * width + d) };
}

const worth = (b: Boat, visits: readonly Visit[]) => visits.reduce((sum, x) => sum + b.v.at(x.s, x.arrive, x.depart), 0);

/** Lays boats one after the other, each against what those before it hold. */
function inTurn(
  fleet: FleetProblem,
  boats: readonly Boat[],
  order: readonly number[],
  fixed: ReadonlyMap<number, readonly Visit[]>,
  {
    alone,
    rent,
    share = 1,
    width = 0,
    without,
  }: {
    alone?: readonly { visits: readonly Visit[] }[];
    rent?: Float64Array;
    share?: number;
    width?: number;
    without?: { boat: number; spot: number };
  } = {},
): Whole {
  const held: Held = new Map();
  const visits: (readonly Visit[])[] = boats.map(() => []);
  for (const [i, x] of fixed) {
    visits[i] = x;
    hold(held, nth(boats, i), x);
  }
  for (const i of order) {
    const b = nth(boats, i);
    const free = alone && held.size === 0 ? alone[i]?.visits : undefined;
    if (free) visits[i] = free;
    else {
      const v = tableFor(fleet, b, held, rent ? { sums: rentSums(b, rent, width), share } : undefined);
      if (without?.boat === i) {
        const size = b.v.width ** 2;
        v.table.fill(IMPOSSIBLE, without.spot * size, (without.spot + 1) * size);
      }
      visits[i] = solveStays(b.boat.problem, v, { pins: b.boat.pins ?? [], exact: false, rounds: 4, price: b.lambda, beam: BEAM }).visits;
    }
    hold(held, b, row(visits, i));
  }
  return { value: boats.reduce((sum, b, i) => sum + worth(b, visits[i] ?? []), 0), visits };
}

/** Lays each boat anew, without rent, against what all the others hold. */
function polished(fleet: FleetProblem, boats: readonly Boat[], from: Whole, order: readonly number[]): Whole {
  let now = from;
  for (const i of order) {
    const fixed = new Map(now.visits.flatMap((x, j) => (j === i ? [] : [[j, x] as const])));
    const next = inTurn(fleet, boats, [i], fixed);
    if (next.value > now.value) now = next;
  }
  return now;
}

/** Takes one or two boats off, forbids one of their stays or charges rent, lays them anew, and polishes. */
function ruined(fleet: FleetProblem, boats: readonly Boat[], best: Whole, rent: Float64Array, width: number, random: () => number): Whole {
  const order = shuffled(boats.length, random);
  const taken = order.slice(0, Math.min(order.length, 1 + Math.floor(random() * 3)));
  const fixed = new Map(best.visits.flatMap((x, j) => (taken.includes(j) ? [] : [[j, x] as const])));
  const first = num(taken, 0);
  const stays = best.visits[first] ?? [];
  const stay = stays[Math.floor(random() * stays.length)];
  const options = random() < 0.5 || !stay ? { rent, share: random(), width } : { without: { boat: first, spot: stay.s } };
  const again = inTurn(fleet, boats, taken, fixed, options);
  return polished(fleet, boats, again, order);
}

function shuffled(n: number, random: () => number): number[] {
  const list = Array.from({ length: n }, (_, i) => i);
  for (let i = n - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [list[i], list[j]] = [num(list, j), num(list, i)];
  }
  return list;
}
