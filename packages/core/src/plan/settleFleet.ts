// A fleet's plans with what boats leave each other of a spot: the solver keeps them apart, this counts what the earlier stay took.
import type { DayPlan } from './plannedDay';
import { layDay, scoreDay } from './layDay';
import type { PlanInputs } from './planInputs';
import type { Ranking } from './rankTrip';
import { nth } from '../units/indexed';

export interface SettlingBoat {
  readonly id: string;
  /** Its own inputs; what boats outside the fleet have stands in taken. */
  readonly inputs: PlanInputs;
  readonly ranking: Ranking;
  /** Presentations that it leaves to others. */
  readonly without: readonly string[];
}

/** Looks of a boat's solver while it is laid anew round the others. */
const LOOKS = 400;

/** A boat's inputs with the others' legs as taken. */
export function amongOthers(boat: SettlingBoat, others: readonly { readonly id: string; readonly legs: DayPlan['legs'] }[]): PlanInputs {
  const taken = others
    .filter((o) => o.id !== boat.id)
    .flatMap((o) => o.legs.map((l) => ({ spotId: l.spotId, fromMs: l.arriveMs, toMs: l.departMs, boat: o.id })));
  return { ...boat.inputs, taken: [...boat.inputs.taken, ...taken] };
}

/**
 * Scores a fleet's plans with what each boat finds left by the others, and lays each boat once more round them, which is kept when
 * the fleet gains by it. Plans that do not stand beside each other are given back as they came.
 * @param plans - One for each boat, in the order of the boats. @param layAnew - False only scores them, as where a loss is shared
 * that the sum of the fish would undo.
 */
export function settleFleet(
  boats: readonly SettlingBoat[],
  plans: readonly DayPlan[],
  { layAnew = true }: { layAnew?: boolean } = {},
): DayPlan[] {
  const named = (list: readonly DayPlan[]) => list.map((p, i) => ({ id: boats[i]?.id ?? '', legs: p.legs }));
  const scored = (list: readonly DayPlan[]): DayPlan[] | null => {
    try {
      return list.map((p, i) => {
        const b = nth(boats, i);
        if (p.legs.length === 0) return p;
        return { ...scoreDay(amongOthers(b, named(list)), b.ranking, p.legs, { without: b.without }), bound: p.bound, proved: false };
      });
    } catch (error) {
      if (error instanceof RangeError) return null;
      throw error;
    }
  };
  const sum = (list: readonly DayPlan[]) => list.reduce((s, p) => s + p.expected, 0);
  let best = scored(plans);
  if (!best) return [...plans];
  for (const [i, b] of layAnew ? boats.entries() : []) {
    let looked = 0;
    let own: DayPlan;
    try {
      own = layDay(amongOthers(b, named(best)), b.ranking, { without: b.without, stop: () => ++looked > LOOKS });
    } catch (error) {
      if (error instanceof RangeError) continue;
      throw error;
    }
    const next = scored(best.map((p, j) => (j === i ? { ...own, bound: p.bound } : p)));
    if (next && sum(next) > sum(best) + 1e-9) best = next;
  }
  return best;
}
