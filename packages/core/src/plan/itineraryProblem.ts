import type { ItineraryProblem } from '../itinerary/problem';
import { MINUTE } from '../units/time';
import { fishedBefore } from './fishedBefore';
import { MARGIN_STEPS, MIN_STAY_STEPS, type PlanInputs, STEP_MIN } from './planInputs';
import { type Ranking, stepAt, stepsOf } from './rankTrip';
import { nth, num, row } from '../units/indexed';
import type { LayOptions } from './plannedDay';

/** Presentations a leg chooses among. */
const BAITS = 3;

/** Changing over, with the second rod rigged, steps. */
const SWITCH_STEPS = 1;

/** A second visit: rest before it, what it is worth of the first, and how many spots are worth offering it. */
const REST_STEPS = 24;

const AGAIN_WORTH = 0.75;

const AGAIN_SPOTS = 8;

export const AGAIN = ' again';

const MAX_PLANNED = 52;

/** To learn, a party sees several waters, and no long blank: longest stay in steps, wait for a fish in minutes (common practice). */
const LEARN_STAY_STEPS = 15;

const LEARN_PATIENCE_MIN = 30;

/** Longest wait for a fish that a plan lets a party stand, minutes; null when any. */
export function patienceOf(inputs: Pick<PlanInputs, 'patienceMin' | 'counting'>): number | null {
  return inputs.patienceMin ?? (inputs.counting === 'action' ? LEARN_PATIENCE_MIN : null);
}

/** Spot id of an itinerary's spot, which may be a second visit. */
export const placeOf = (id: string): string => (id.endsWith(AGAIN) ? id.slice(0, -AGAIN.length) : id);

/** A trip's ranking as an itinerary problem. Banned spots and spots without a way are left out. */
export function itineraryProblem(
  inputs: PlanInputs,
  ranking: Ranking,
  { bans = [], stays = {}, again = false, order, pins = [], without = [], from }: LayOptions = {},
): ItineraryProblem {
  const steps = stepsOf(inputs);
  const toSteps = (min: number | null | undefined) => (min === null || min === undefined ? steps + 1 : Math.ceil(min / STEP_MIN));
  const stepOf = (ms: number) => (ms - inputs.startsAt) / (STEP_MIN * MINUTE);
  const whole = (ms: number | undefined) => (ms === undefined ? undefined : Math.round(stepOf(inputs.startsAt + ms)));
  const patience = patienceOf(inputs);
  const rank = new Map(ranking.calls.map((c, i) => [c.spotId, i]));
  const longest = inputs.counting === 'action' ? LEARN_STAY_STEPS : undefined;
  const firsts = inputs.spots
    .map((spot, i) => ({ spot, i, id: spot.id, worth: 1 }))
    .filter(
      ({ spot, i }) =>
        // Where the boat is stays in it, shut or not: the ways begin there.
        spot.id === from?.spotId || (!bans.includes(spot.id) && ranking.open[i]?.length && inputs.dockTravelMin[i] !== null),
    )
    // The most that can be planned at once; the worst of a large water are left out.
    .sort(
      (a, b) =>
        Number(b.id === from?.spotId) - Number(a.id === from?.spotId) ||
        Number(pins.some((p) => p.spotId === b.id)) - Number(pins.some((p) => p.spotId === a.id)) ||
        (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0),
    )
    .slice(0, MAX_PLANNED);
  const seconds = again ? firsts.slice(0, AGAIN_SPOTS).map((x) => ({ ...x, id: x.id + AGAIN, worth: AGAIN_WORTH })) : [];
  const kept = [...firsts, ...seconds].sort((a, b) => a.i - b.i || a.id.length - b.id.length);
  const here = from ? kept.findIndex((k) => k.id === from.spotId) : -1;
  return {
    stepMin: STEP_MIN,
    steps,
    ...(from ? { from: { spot: here, step: Math.min(steps, Math.max(0, Math.ceil(stepOf(from.atMs)))) } } : {}),
    minStaySteps: MIN_STAY_STEPS,
    switchSteps: SWITCH_STEPS,
    pauses: inputs.breaks.map((b) => [Math.floor(stepOf(b.fromMs)), Math.ceil(stepOf(b.toMs))] as const),
    leastRatePerHour: patience === null ? 0 : 60 / patience,
    maxRunSteps: inputs.boat.runMin === null ? undefined : Math.floor(inputs.boat.runMin / STEP_MIN),
    order,
    shutWays: seaWays(
      ranking,
      kept.map(({ i }) => i),
    ),
    byStep: tideWays(
      ranking,
      kept.map(({ i }) => i),
      toSteps,
    ),
    dockTravelSteps: kept.map(({ i }) => toSteps(inputs.dockTravelMin[i])),
    travelSteps: kept.map(({ i }) => kept.map(({ i: j }) => (i === j ? 0 : toSteps(inputs.travelMin[i]?.[j])))),
    spots: kept.map(({ spot, i, id, worth }) => {
      const lists = row(ranking.rates, i);
      const best = lists
        .map((list, b) => ({ b, list, most: openMost(list, row(ranking.open, i)) }))
        .filter(({ b }) => !without.includes(nth(inputs.presentations, num(ranking.baits, b)).id))
        .sort((x, y) => y.most - x.most)
        .slice(0, BAITS);
      const others = inputs.taken.filter((t) => t.spotId === spot.id);
      const left = (step: number) => (others.length === 0 ? 1 : fishedBefore(others, spot.fadePerHour, stepAt(inputs, step)));
      const baits = best.map(({ b, list }) => ({
        id: nth(inputs.presentations, num(ranking.baits, b)).id,
        ratePerHour: list.map((r, step) => r * inputs.rods * worth * left(step) * (id === from?.spotId ? from.share : 1)),
      }));
      const stay = stays[spot.id];
      return {
        id,
        ratePerHour: baits[0]?.ratePerHour ?? new Array<number>(steps).fill(0),
        baits,
        fadePerHour: spot.fadePerHour,
        open: row(ranking.open, i),
        blocked: others.map((t) => [Math.floor(stepOf(t.fromMs)) - MARGIN_STEPS, Math.ceil(stepOf(t.toMs)) + MARGIN_STEPS] as const),
        // Where lines are in already, a few minutes more are a stay.
        minStaySteps: whole(stay?.minMin === undefined ? undefined : stay.minMin * MINUTE) ?? (id === from?.spotId ? 1 : undefined),
        maxStaySteps: stay?.maxMin === undefined ? longest : whole(stay.maxMin * MINUTE),
        ...(id === spot.id ? {} : { again: { spot: spot.id, restSteps: REST_STEPS } }),
      };
    }),
  };
}

/** Ways shut by the sea between the spots of a problem; undefined when none is. */
function seaWays({ ways }: Ranking, kept: readonly number[]): ItineraryProblem['shutWays'] {
  const dock = kept.map((i) => ways.dock[i]?.ranges ?? []);
  const between = kept.map((i) => kept.map((j) => ways.between[i]?.[j]?.ranges ?? []));
  return [...dock, ...between.flat()].some((w) => w.length > 0) ? { dock, between } : undefined;
}

/** The ways between the spots of a problem by height of tide and sea; undefined where they are the same all day. */
function tideWays(
  { ways }: Ranking,
  kept: readonly number[],
  toSteps: (min: number | null | undefined) => number,
): ItineraryProblem['byStep'] {
  const { sets } = ways;
  if (sets.length < 2) return undefined;
  return {
    level: ways.level,
    dockTravelSteps: sets.map((w) => kept.map((i) => toSteps(w.dockMin[i]))),
    travelSteps: sets.map((w) => kept.map((i) => kept.map((j) => (i === j ? 0 : toSteps(w.betweenMin[i]?.[j]))))),
  };
}

function openMost(list: readonly number[], open: readonly (readonly [number, number])[]): number {
  let most = 0;
  for (const [from, to] of open) for (let t = from; t < to; t++) most = Math.max(most, num(list, t));
  return most;
}
