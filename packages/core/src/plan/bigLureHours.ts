// The hours of a trip in which big lures are eaten (T4), for a crew that has one aboard.
import { bigLureWindow, WINDOW_PARTS, WINDOW_WORDS } from '../catchrate/bigLureWindow';
import { saidTime } from '../units/measure';
import { localHour } from '../units/time';
import type { PlanInputs } from './planInputs';
import { type Ranking, STEP_MS, stepsOf } from './rankTrip';

/** Family of large jointed lures. */
export const BIG_LURES = 'F7';

export interface BigLureHours {
  /** Spans in which everything is as they want it, ms. */
  readonly open: readonly (readonly [number, number])[];
  readonly text: string;
}

/** The window by the water of a spot that is planned, or null where no such lure is aboard or there is no spot. */
export function bigLureHours(inputs: PlanInputs, ranking: Ranking, spotId: string | undefined): BigLureHours | null {
  const s = inputs.spots.findIndex((x) => x.id === spotId);
  if (s < 0 || !ranking.baits.some((b) => inputs.presentations[b]?.family === BIG_LURES)) return null;
  const open: [number, number][] = [];
  const missing = new Set<string>();
  let unknown = false;
  for (let k = 0; k < stepsOf(inputs); k++) {
    const at = inputs.startsAt + k * STEP_MS;
    const met = bigLureWindow(localHour(at, inputs.zone), ranking.conditionsAt(s, k));
    if (met.hour === false) continue;
    for (const part of WINDOW_PARTS) if (met[part] === false) missing.add(WINDOW_WORDS[part]);
    unknown ||= WINDOW_PARTS.some((part) => met[part] === null);
    if (!WINDOW_PARTS.every((part) => met[part] === true)) continue;
    const last = open.at(-1);
    if (last && last[1] === at) last[1] = at + STEP_MS;
    else open.push([at, at + STEP_MS]);
  }
  const spans = open.map(([a, b]) => `${saidTime(a, inputs.zone)} to ${saidTime(b, inputs.zone)}`).join(' and ');
  const text =
    open.length > 0
      ? `Big lures are eaten from ${spans}.`
      : missing.size > 0
        ? `No hour for big lures in this trip: against them ${[...missing].join(', ')}.`
        : unknown
          ? 'Whether big lures are eaten today nobody can say: clarity, wind or cloud is not known.'
          : 'No hour for big lures in this trip: it lies outside 10 to 14 h.';
  return { open, text };
}
