// One boat, one day, exactly: Lagrangian bound by Polyak subgradient, repaired paths, a beam, then labels to the proof.
import { searchLabels } from './labels';
import { checkProblem, type Itinerary, type ItineraryLeg, type ItineraryProblem, type PinnedStay } from './problem';
import { type Relaxed, relax, timeOrder, type Visit } from './relaxation';
import { expectedFish, PIN_BONUS, type StayValues, stayValues } from './stayValues';

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
  const v = stayValues(problem, pins);
  const n = problem.spots.length;
  let best: { value: number; visits: readonly Visit[] } = { value: 0, visits: [] };
  let price = new Float64Array(n);
  let tightest: Relaxed | null = null;
  let step = 1.2;
  let stale = 0;
  for (let round = 0; round < ROUNDS && !stop(); round++) {
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
    if (repaired && repaired.value > best.value) best = repaired;
    const visits = new Int16Array(n);
    for (const x of relaxed.path) visits[x.s] = (visits[x.s] as number) + 1;
    let norm = 0;
    for (let s = 0; s < n; s++) norm += overVisited(visits[s] as number, price[s] as number) ** 2;
    if (norm === 0 || tightest.bound - best.value < 1e-9) break;
    const length = (step * Math.max(1e-6, relaxed.bound - best.value)) / norm;
    price = Float64Array.from(price, (x, s) => Math.max(0, x + length * overVisited(visits[s] as number, x)));
  }
  if (!tightest) tightest = relax(problem, v, price);
  const beam = searchLabels(problem, v, tightest, best.value, { width: BEAM, stop });
  if (beam.value > best.value) best = beam;
  let proved = tightest.bound - best.value < 1e-9;
  if (!proved) {
    const exact = searchLabels(problem, v, tightest, best.value, { stop });
    if (exact.value > best.value) best = exact;
    proved = exact.complete;
  }
  const bonus = pins.length * PIN_BONUS;
  if (best.value < bonus) throw new RangeError(contradiction(problem, pins));
  const legs = best.visits.map((x) => legOf(problem, v, x));
  const value = legs.reduce((sum, l) => sum + l.expected, 0);
  return { value, bound: proved ? value : Math.max(value, tightest.bound - bonus), proved, legs };
}

/** Subgradient of "at most once", left out where the price is already zero and the spot is not over-visited. */
function overVisited(visits: number, price: number): number {
  return visits <= 1 && price === 0 ? 0 : visits - 1;
}

function legOf(p: ItineraryProblem, v: StayValues, x: Visit): ItineraryLeg {
  const spot = p.spots[x.s] as ItineraryProblem['spots'][number];
  const startStep = v.startOf(x.s, x.arrive, x.depart);
  return {
    spot: spot.id,
    arriveStep: x.arrive,
    startStep,
    departStep: x.depart,
    expected: expectedFish(p, spot, startStep, x.depart),
  };
}

function checkPin(p: ItineraryProblem, pin: PinnedStay): void {
  const i = p.spots.findIndex((s) => s.id === pin.spot);
  if (i < 0) throw new RangeError(`pins: spot ${pin.spot} is not among the spots`);
  const reach = p.dockTravelSteps[i] as number;
  if (pin.startStep < reach || pin.departStep + reach > p.steps || pin.departStep <= pin.startStep) {
    throw new RangeError(
      `pins: a stay at ${pin.spot} from step ${pin.startStep} to ${pin.departStep} does not fit the trip; the run takes ${reach} steps and the trip has ${p.steps}`,
    );
  }
  const open = p.spots[i]?.open;
  if (open && !open.some(([from, to]) => pin.startStep >= from && pin.departStep <= to)) {
    throw new RangeError(`pins: ${pin.spot} cannot be fished from step ${pin.startStep} to ${pin.departStep}; its way in is shut then`);
  }
}

function contradiction(p: ItineraryProblem, pins: readonly PinnedStay[]): string {
  const ordered = [...pins].sort((a, b) => a.startStep - b.startStep);
  for (let i = 1; i < ordered.length; i++) {
    const [a, b] = [ordered[i - 1] as PinnedStay, ordered[i] as PinnedStay];
    const ia = p.spots.findIndex((s) => s.id === a.spot);
    const ib = p.spots.findIndex((s) => s.id === b.spot);
    const way = p.travelSteps[ia]?.[ib] ?? 0;
    if (a.departStep + way > b.startStep) {
      return `pins: ${a.spot} until step ${a.departStep} and ${b.spot} from step ${b.startStep} contradict each other; the run takes ${way} steps`;
    }
  }
  return 'pins: the pinned stays cannot all be kept; unpin one';
}
