// When a boat may fish a spot, and what shuts it when it may not: by the one judgement and nothing else.
import type { SpotConditions } from '../conditions/spotConditions';
import { judgeSpot } from '../risk/atPlace';
import { findingWords } from '../risk/findingWords';
import { type Finding, shuts } from '../risk/judge';
import { dateWords } from '../rules/seasonWords';
import { openRanges } from '../tide/barWindows';
import { localDate } from '../units/time';
import { MIN_STAY_STEPS, type PlanInputs, type PlanSpot } from './planInputs';
import { saidTime } from '../units/measure';
import { nth } from '../units/indexed';

/**
 * Step ranges in which a spot can be fished.
 * @param stride - Steps that share their conditions. Such a span is open only where the next one is open as well, so that a limit that is
 * crossed on its way does not find the boat there.
 */
export function openSteps(
  inputs: PlanInputs,
  s: number,
  steps: number,
  conditions: (step: number) => SpotConditions,
  stride = 1,
): [number, number][] {
  const spot = nth(inputs.spots, s);
  if (inputs.dockTravelMin[s] === null || rests(inputs, spot) || spot.footing > inputs.footing) return [];
  // Conditions are the same object for the steps that share them.
  const known = new Map<SpotConditions, boolean>();
  const openIn = (c: SpotConditions) => {
    let is = known.get(c);
    if (is === undefined) {
      is = shutBy(inputs, spot, c) === null;
      known.set(c, is);
    }
    return is;
  };
  const open = (t: number) => openIn(conditions(t)) && (stride === 1 || openIn(conditions(Math.min(steps - 1, t + stride))));
  return openRanges(steps, open).filter(([from, to]) => to - from >= MIN_STAY_STEPS);
}

const rests = (inputs: PlanInputs, spot: PlanSpot) => spot.restsUntil !== null && spot.restsUntil > inputs.startsAt;

/** The finding that keeps a boat from fishing a spot in given conditions, or null. Too little water comes before everything else. */
export function shutBy(inputs: Pick<PlanInputs, 'boat' | 'party'>, spot: PlanSpot, c: SpotConditions): Finding | null {
  const shut = judgeSpot(inputs.boat, inputs.party, spot, c).findings.filter(shuts);
  return shut.find((f) => f.quantity === 'keel') ?? shut[0] ?? null;
}

/** Why a spot cannot be fished at all on this trip, in a guide's words. */
export function whyShut(
  inputs: PlanInputs,
  s: number,
  steps: number,
  stride: number,
  conditions: (step: number) => SpotConditions,
): string {
  const spot = nth(inputs.spots, s);
  if (inputs.dockTravelMin[s] === null)
    return inputs.boat.afloat === false ? 'farther from the bank than a cast' : 'no way there for this boat at its draught';
  if (spot.restsUntil !== null && rests(inputs, spot))
    return `left to rest until ${dateWords(localDate(spot.restsUntil, inputs.zone).slice(5))}`;
  if (spot.footing > inputs.footing) return `asks for ${FOOTING[spot.footing - 1]}, more than the party manages`;
  const found = new Map<string, { finding: Finding; times: number }>();
  for (let t = 0; t < steps; t += stride) {
    const why = shutBy(inputs, spot, conditions(t));
    if (!why) continue;
    const so = found.get(why.quantity);
    found.set(why.quantity, { finding: so?.finding ?? why, times: (so?.times ?? 0) + 1 });
  }
  const most = [...found.values()].sort((a, b) => b.times - a.times)[0];
  return most ? shutReason(most.finding) : 'no bait within the skill of the party';
}

const FOOTING = ['no footing', 'sure feet', 'a climb'] as const;

/** What shuts a place, without its figures. */
export function shutReason(f: Finding): string {
  switch (f.quantity) {
    case 'keel':
      return 'too little water on the way in';
    case 'hazard':
      return (f.note ?? 'a hazard').replace(/\.$/, '');
    case 'wind':
    case 'gust':
    case 'wave':
      return `${{ wind: 'wind', gust: 'gusts', wave: 'waves' }[f.quantity]} over the limit`;
    default:
      return lower(findingWords(f));
  }
}

const lower = (s: string) => s.charAt(0).toLowerCase() + s.slice(1);

/** When and by what a spot is shut during a span of steps, in words; empty when it is open. */
export function shutWords(
  inputs: PlanInputs,
  s: number,
  [from, to]: readonly [number, number],
  at: (step: number) => number,
  conditions: (step: number) => SpotConditions,
): string {
  for (let t = from; t < to; t++) {
    const why = shutBy(inputs, nth(inputs.spots, s), conditions(t));
    if (why) return `${shutReason(why)} from ${saidTime(at(t), inputs.zone)}`;
  }
  return '';
}
