// One boat, one day, exactly: Lagrangian bound by Polyak subgradient, repaired paths, a beam, then labels to the proof.
import { searchLabels } from './labels';
import { arrivalStep } from './arrivalStep';
import { checkProblem, type Itinerary, type ItineraryLeg, type ItineraryProblem, type PinnedStay } from './problem';
import { keepsTerms, type Relaxed, relax, timeOrder, type Visit } from './relaxation';
import { waysOf } from './ways';
import { bestStay, PIN_BONUS, type StayValues, stayValues } from './stayValues';
import { f64, i16, nth, num } from '../units/indexed';

const ROUNDS = 80;
const BEAM = 30;

/**
 * Chooses the legs worth most fish.
 * @param pins - Stays that must be kept as they are.
 * @param stop - Asked now and then; true returns the best so far with its bound, proved false.
 * Throws RangeError for a malformed problem or pins that cannot be kept, naming them.
 */
export function solveItinerary(
  problem: ItineraryProblem,
  { pins = [], stop = () => false }: { pins?: readonly PinnedStay[]; stop?: () => boolean } = {},
): Itinerary {
  checkProblem(problem);
  for (const pin of pins) checkPin(problem, pin);
  for (const id of problem.order ?? []) {
    if (!pins.some((x) => x.spot === id)) throw new RangeError(`order: ${id} must be pinned to be put in order`);
  }
  const v = stayValues(problem, pins);
  const solved = solveStays(problem, v, { pins, stop });
  const bonus = pins.length * PIN_BONUS;
  if (solved.value < bonus) throw new RangeError(contradiction(problem, pins));
  const legs = solved.visits.map((x) => legOf(problem, v, x));
  const value = legs.reduce((sum, l) => sum + l.expected, 0);
  return { value, bound: solved.proved ? value : Math.max(value, solved.bound - bonus), proved: solved.proved, legs };
}

/** A way through the day by index, with the bound on any other. */
export interface SolvedStays {
  readonly value: number;
  readonly bound: number;
  readonly proved: boolean;
  readonly visits: readonly Visit[];
}

/**
 * Solves on a table of stays. The problem must be well formed.
 * @param exact - False ends after the beam, without the proof. @param price - Prices of the spots to start from.
 * @param beam - Labels kept per step by the beam.
 */
export function solveStays(
  problem: ItineraryProblem,
  v: StayValues,
  {
    pins = [],
    stop = () => false,
    exact = true,
    rounds = ROUNDS,
    price: from,
    beam: width = BEAM,
  }: { pins?: readonly PinnedStay[]; stop?: () => boolean; exact?: boolean; rounds?: number; price?: Float64Array; beam?: number } = {},
): SolvedStays {
  const n = problem.spots.length;
  let best: { value: number; visits: readonly Visit[] } = { value: 0, visits: [] };
  // A spot that must be visited at no set time would be visited again and again for its bonus: its price takes that away.
  let price =
    from ?? Float64Array.from(problem.spots, (s) => (pins.some((x) => x.spot === s.id && x.startStep === undefined) ? PIN_BONUS : 0));
  let tightest: Relaxed | null = null;
  let step = 1.2;
  let stale = 0;
  for (let round = 0; round < rounds && !stop(); round++) {
    const relaxed = relax(problem, v, price);
    if (!tightest || relaxed.bound < tightest.bound - 1e-12) {
      tightest = relaxed;
      stale = 0;
    } else if (++stale >= 6) {
      step /= 2;
      stale = 0;
    }
    const order = [...new Set(relaxed.path.map((x) => x.s))];
    const repaired = timeOrder(problem, v, order);
    if (repaired && repaired.value > best.value && keepsTerms(problem, repaired.visits)) best = repaired;
    const visits = new Int16Array(n);
    for (const x of relaxed.path) visits[x.s] = i16(visits, x.s) + 1;
    let norm = 0;
    for (let s = 0; s < n; s++) norm += overVisited(i16(visits, s), f64(price, s)) ** 2;
    if (norm === 0 || tightest.bound - best.value < 1e-9) break;
    const length = (step * Math.max(1e-6, relaxed.bound - best.value)) / norm;
    price = Float64Array.from(price, (x, s) => Math.max(0, x + length * overVisited(i16(visits, s), x)));
  }
  if (!tightest) tightest = relax(problem, v, price);
  const beam = searchLabels(problem, v, tightest, best.value, { width, stop });
  if (beam.value > best.value) best = beam;
  let proved = tightest.bound - best.value < 1e-9;
  if (!proved && exact) {
    const full = searchLabels(problem, v, tightest, best.value, { stop });
    if (full.value > best.value) best = full;
    proved = full.complete;
  }
  return { value: best.value, bound: tightest.bound, proved, visits: best.visits };
}

/** Subgradient of "at most once", left out where the price is already zero and the spot is not over-visited. */
function overVisited(visits: number, price: number): number {
  return visits <= 1 && price === 0 ? 0 : visits - 1;
}

/** A visit as a leg, with its presentations in turn. */
export function legOf(p: ItineraryProblem, v: StayValues, x: Visit): ItineraryLeg {
  const spot = nth(p.spots, x.s);
  const startStep = v.startOf(x.s, x.arrive, x.depart);
  const { expected, baits } = bestStay(p, spot, startStep, x.depart);
  return {
    spot: spot.id,
    arriveStep: arrivalStep(spot, x.arrive, startStep),
    startStep,
    departStep: x.depart,
    expected,
    ...(baits.length > 0 ? { baits } : {}),
  };
}

function checkPin(p: ItineraryProblem, pin: PinnedStay): void {
  const i = p.spots.findIndex((s) => s.id === pin.spot);
  if (i < 0) throw new RangeError(`pins: spot ${pin.spot} is not among the spots`);
  const reach = num(p.dockTravelSteps, i);
  const { startStep = reach, departStep = startStep + p.minStaySteps } = pin;
  if (startStep < reach || departStep + reach > p.steps || departStep <= startStep) {
    throw new RangeError(
      `pins: a stay at ${pin.spot} from step ${startStep} to ${departStep} does not fit the trip; the run takes ${reach} steps and the trip has ${p.steps}`,
    );
  }
  if (pin.startStep === undefined) return;
  const open = p.spots[i]?.open;
  if (open && !open.some(([from, to]) => startStep >= from && departStep <= to)) {
    throw new RangeError(`pins: ${pin.spot} cannot be fished from step ${startStep} to ${departStep}; its way in is shut then`);
  }
}

/** Names what cannot be kept together: two pins by their times, the order asked for, or two that are too far apart. */
function contradiction(p: ItineraryProblem, pins: readonly PinnedStay[]): string {
  const wayOf = (a: string, b: string) => p.travelSteps[p.spots.findIndex((s) => s.id === a)]?.[p.spots.findIndex((s) => s.id === b)] ?? 0;
  const timed = pins.filter((x): x is Required<PinnedStay> => x.startStep !== undefined && x.departStep !== undefined);
  const ordered = [...timed].sort((a, b) => a.startStep - b.startStep);
  for (let i = 1; i < ordered.length; i++) {
    const [a, b] = [nth(ordered, i - 1), nth(ordered, i)];
    const way = wayOf(a.spot, b.spot);
    if (a.departStep + way > b.startStep) {
      return `pins: ${a.spot} until step ${a.departStep} and ${b.spot} from step ${b.startStep} contradict each other; the run takes ${way} steps`;
    }
  }
  for (const pin of timed) {
    const first = waysOf(p).first(p.spots.findIndex((s) => s.id === pin.spot));
    if (first > pin.startStep && !solveAlone(p, [pin]))
      return `pins: the sea or the tide shuts the way to ${pin.spot}; the boat cannot be there before ${Math.min(first, p.steps)}`;
  }
  for (const a of pins) {
    for (const b of pins) {
      if (a.spot >= b.spot) continue;
      const two = solveAlone(p, [a, b]);
      if (!two) return `pins: ${a.spot} and ${b.spot} cannot both be kept on this trip; unpin one or give it more time`;
    }
  }
  return `pins: ${pins.map((x) => x.spot).join(', ')} cannot all be kept${p.order?.length ? ' in this order' : ''}; unpin one`;
}

/** Whether one or two pins alone can be kept. */
function solveAlone(p: ItineraryProblem, pins: readonly PinnedStay[]): boolean {
  const v = stayValues(p, pins);
  const order = pins.map((x) => p.spots.findIndex((s) => s.id === x.spot));
  return [order, [...order].reverse()].some((way) => {
    const timed = timeOrder(p, v, way);
    return timed !== null && timed.value >= pins.length * PIN_BONUS && keepsTerms(p, timed.visits);
  });
}
