import { countRange } from '../catchrate/rangeOf';
import type { ItineraryLeg, PinnedStay } from '../itinerary/problem';
import { scoreItinerary } from '../itinerary/scoreItinerary';
import { solveItinerary } from '../itinerary/solveItinerary';
import { MINUTE } from '../units/time';
import { type PlanInputs, STEP_MIN } from './planInputs';
import { type Ranking, stepAt, stepsOf } from './rankTrip';
import { whyLeftOut } from './whyLeftOut';
import { saidTime } from '../units/measure';
import { nth } from '../units/indexed';
import type { DayPlan, Pin, TimedPin, LayOptions } from './plannedDay';
import { AGAIN, patienceOf, placeOf, itineraryProblem } from './itineraryProblem';

/**
 * Lays the itinerary worth most expected fish.
 * Throws RangeError when pins cannot be kept or nothing can be fished, saying which.
 */
export function layDay(inputs: PlanInputs, ranking: Ranking, options: LayOptions = {}): DayPlan {
  const { pins = [], bans = [], stop } = options;
  const both = pins.find((p) => bans.includes(p.spotId));
  if (both) throw new RangeError(`pins: ${nameOf(inputs, both.spotId)} is both pinned and banned; take one back`);
  const closed = pins.map((p) => ranking.shut.find((s) => s.spotId === p.spotId)).find((s) => s !== undefined);
  if (closed) throw new RangeError(`pins: ${nameOf(inputs, closed.spotId)} is pinned but shut: ${closed.why}`);
  const problem = itineraryProblem(inputs, ranking, options);
  requireBait(inputs, ranking, options.without);
  if (problem.spots.length === 0)
    throw new RangeError(`spots: none can be fished on this trip; ${ranking.shut[0]?.why ?? 'all are banned'}`);
  try {
    const solved = solveItinerary(problem, { pins: pins.map((p) => pinned(inputs, p)), stop });
    if (solved.legs.length === 0) throw new RangeError(`spots: none can be fished on this trip; ${whyNoLegs(inputs, ranking)}`);
    const { runSteps } = scoreItinerary(problem, solved.legs);
    return dayPlan(inputs, ranking, solved.legs, { ...solved, runSteps }, pins);
  } catch (error) {
    throw withNames(inputs, error);
  }
}

function pinned(inputs: PlanInputs, p: Pin): PinnedStay {
  const step = (ms: number | undefined) => (ms === undefined ? undefined : Math.round((ms - inputs.startsAt) / (STEP_MIN * MINUTE)));
  return { spot: p.spotId, startStep: step(p.startMs), departStep: step(p.departMs) };
}

function requireBait(inputs: PlanInputs, ranking: Ranking, without: readonly string[] = []): void {
  if (ranking.baits.some((b) => !without.includes(nth(inputs.presentations, b).id))) return;
  const why = inputs.presentations.flatMap(
    (p) => whyLeftOut(inputs, p) ?? (without.includes(p.id) ? `${p.name} is left to other boats` : []),
  );
  throw new RangeError(
    `presentations: no presentation can be fished on this trip: ${[...new Set(why)].slice(0, 3).join('; ') || 'none is aboard'}`,
  );
}

/** Every spot is open, but no stay is worth while: the party's patience, the time or the fuel is the limit. */
function whyNoLegs(inputs: PlanInputs, ranking: Ranking): string {
  const steps = stepsOf(inputs);
  const patience = patienceOf(inputs);
  if (patience !== null) {
    const best = (ranking.calls[0]?.ratePerRodHour ?? 0) * inputs.rods;
    return `the party's patience of ${patience} min between fish is the limit; the best spot gives one in ${best > 0 ? (60 / best).toFixed(0) : 'no'} min`;
  }
  const nearest = Math.min(...inputs.dockTravelMin.map((m) => m ?? Number.POSITIVE_INFINITY));
  if (2 * nearest > steps * STEP_MIN)
    return `the trip of ${steps * STEP_MIN} min is shorter than the nearest run out and back, ${(2 * nearest).toFixed(0)} min`;
  return 'no spot has fish to expect within its hours';
}

/** Scores legs made or moved by hand with the solver's arithmetic. Throws RangeError when they cannot be sailed. */
export function scoreDay(
  inputs: PlanInputs,
  ranking: Ranking,
  legs: readonly TimedPin[],
  { without, from }: Pick<LayOptions, 'without' | 'from'> = {},
): DayPlan {
  requireBait(inputs, ranking, without);
  const again = new Set(legs.map((l) => l.spotId)).size < legs.length;
  // Only the spots of the legs matter, which keeps a leg that is dragged within a frame.
  const bans = inputs.spots.flatMap((s) => (s.id === from?.spotId || legs.some((l) => l.spotId === s.id) ? [] : [s.id]));
  const problem = itineraryProblem(inputs, ranking, { again, pins: legs, bans, without, from });
  const step = (ms: number) => Math.round((ms - inputs.startsAt) / (STEP_MIN * MINUTE));
  const shut = legs.map((l) => ranking.shut.find((s) => s.spotId === l.spotId)).find((s) => s !== undefined);
  if (shut) throw new RangeError(`legs: ${nameOf(inputs, shut.spotId)} is shut: ${shut.why}`);
  const seen = new Set<string>();
  try {
    const scored = scoreItinerary(
      problem,
      legs.map((l) => {
        const spot = seen.has(l.spotId) ? l.spotId + AGAIN : l.spotId;
        seen.add(l.spotId);
        return { spot, startStep: step(l.startMs), departStep: step(l.departMs) };
      }),
    );
    return dayPlan(inputs, ranking, scored.legs, { bound: scored.value, proved: false, runSteps: scored.runSteps }, []);
  } catch (error) {
    throw withNames(inputs, error);
  }
}

/** Solved legs as a plan in instants. */
export function dayPlan(
  inputs: PlanInputs,
  ranking: Ranking,
  legs: readonly ItineraryLeg[],
  solved: { readonly bound: number; readonly proved: boolean; readonly runSteps?: number },
  pins: readonly Pin[],
): DayPlan {
  const at = (step: number) => stepAt(inputs, step);
  const expected = legs.reduce((sum, l) => sum + l.expected, 0);
  return {
    legs: legs.map((l) => {
      const spotId = placeOf(l.spot);
      const parts = (l.baits ?? []).map((b) => ({ presentationId: b.id, fromMs: at(b.fromStep), toMs: at(b.toStep) }));
      return {
        spotId,
        // biome-ignore lint/plugin: a stop without a bait of its own is one that a call has named.
        presentationId: parts[0]?.presentationId ?? (ranking.calls.find((c) => c.spotId === spotId)?.presentationId as string),
        parts,
        arriveMs: at(l.arriveStep),
        startMs: at(l.startStep),
        departMs: at(l.departStep),
        expected: l.expected,
        ...countRange(l.expected, ranking.model.dispersion),
        pinned: pins.some((p) => p.spotId === spotId),
      };
    }),
    expected,
    // Legs differ from each other by day and spot, so the sum of several is closer to Poisson than one alone.
    ...countRange(expected, ranking.model.dispersion * Math.max(1, legs.length)),
    bound: solved.bound,
    proved: solved.proved,
    runMin: solved.runSteps === undefined ? null : solved.runSteps * STEP_MIN,
  };
}

function nameOf(inputs: PlanInputs, id: string): string {
  return inputs.spots.find((s) => s.id === id)?.name ?? id;
}

/** Puts spot names where the solver, which knows only ids, has put ids, and clock times where it has put steps. */
function withNames(inputs: PlanInputs, error: unknown): unknown {
  if (!(error instanceof RangeError)) return error;
  let text = error.message;
  for (const s of inputs.spots) text = text.replaceAll(s.id, s.name);
  const clock = (step: string) => saidTime(stepAt(inputs, Number(step)), inputs.zone);
  text = text
    .replace(/before (\d+)$/, (_, n: string) => `before ${clock(n)}`)
    .replace(/in step (-?\d+)/g, (_, n: string) => `at ${clock(n)}`)
    .replace(/step (-?\d+) to (-?\d+)/g, (_, a: string, b: string) => `${clock(a)} to ${clock(b)}`)
    .replace(/step (-?\d+)/g, (_, n: string) => clock(n))
    .replace(/(\d+) steps/g, (_, n: string) => `${Number(n) * STEP_MIN} min`)
    .replace(/the trip has (\d+)/, (_, n: string) => `the trip has ${Number(n) * STEP_MIN}`);
  return new RangeError(text);
}
