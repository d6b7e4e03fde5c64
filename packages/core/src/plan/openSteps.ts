// When a boat may fish a spot, and what shuts it when it may not.
import type { SpotConditions } from '../conditions/spotConditions';
import { clearanceM, openRanges } from '../tide/barWindows';
import { localTime } from '../units/time';
import { MIN_STAY_STEPS, type PlanInputs, type PlanSpot } from './planInputs';

export type Shutting = 'bar' | 'wind' | 'wave';

/** Steps of shelter in which a gust does not reach, m of fetch. */
const SHELTERED_M = 500;

/** Step ranges in which a spot can be fished. */
export function openSteps(inputs: PlanInputs, s: number, steps: number, conditions: (step: number) => SpotConditions): [number, number][] {
  const spot = inputs.spots[s] as PlanSpot;
  if (inputs.dockTravelMin[s] === null || rests(inputs, spot) || spot.footing > inputs.footing) return [];
  return openRanges(steps, (t) => shutBy(inputs, spot, conditions(t)) === null).filter(([from, to]) => to - from >= MIN_STAY_STEPS);
}

const rests = (inputs: PlanInputs, spot: PlanSpot) => spot.restsUntil !== null && spot.restsUntil > inputs.startsAt;

/** What keeps a boat from fishing a spot in given conditions, or null. */
export function shutBy(inputs: Pick<PlanInputs, 'boat'>, spot: PlanSpot, c: SpotConditions): Shutting | null {
  const { boat } = inputs;
  const depth = spot.accessDepthM === null ? spot.depthMaxM : Math.min(spot.accessDepthM, spot.depthMaxM);
  if (clearanceM(depth, c.tideHeightM ?? 0, { draughtM: boat.draughtM, waveM: c.waveM ?? 0 }) < 0) return 'bar';
  if ((c.windGustMps ?? c.windMps ?? 0) > boat.windLimitMps && (c.fetchM ?? 0) > SHELTERED_M) return 'wind';
  return (c.waveM ?? 0) > boat.waveLimitM ? 'wave' : null;
}

/** Why a spot cannot be fished at all on this trip, in a guide's words. */
export function whyShut(
  inputs: PlanInputs,
  s: number,
  steps: number,
  stride: number,
  conditions: (step: number) => SpotConditions,
): string {
  const spot = inputs.spots[s] as PlanSpot;
  if (inputs.dockTravelMin[s] === null) return 'no way there for this boat at its draught';
  if (rests(inputs, spot)) return `left to rest until ${new Date(spot.restsUntil as number).toISOString().slice(0, 10)}`;
  if (spot.footing > inputs.footing) return `asks for ${FOOTING[spot.footing - 1]}, more than the party manages`;
  const counts = { bar: 0, wind: 0, wave: 0 };
  for (let t = 0; t < steps; t += stride) {
    const why = shutBy(inputs, spot, conditions(t));
    if (why) counts[why]++;
  }
  if (counts.bar >= counts.wind && counts.bar >= counts.wave && counts.bar > 0) return 'too little water over the way in during the trip';
  if (counts.wind >= counts.wave && counts.wind > 0) return "gusts over the boat's own limit there during the trip";
  return counts.wave > 0 ? "waves over the boat's own limit there during the trip" : 'no presentation within the skill of the party';
}

const FOOTING = ['no footing', 'sure feet', 'a climb'] as const;

const SHUT_WORDS: Record<Shutting, string> = {
  bar: 'too little water on the way in',
  wind: "gusts over the boat's limit",
  wave: "waves over the boat's limit",
};

/** When and by what a spot is shut during a span of steps, in words; empty when it is open. */
export function shutWords(
  inputs: PlanInputs,
  s: number,
  [from, to]: readonly [number, number],
  at: (step: number) => number,
  conditions: (step: number) => SpotConditions,
): string {
  for (let t = from; t < to; t++) {
    const why = shutBy(inputs, inputs.spots[s] as PlanSpot, conditions(t));
    if (why) return `${SHUT_WORDS[why]} from ${localTime(at(t), inputs.zone)}`;
  }
  return '';
}
