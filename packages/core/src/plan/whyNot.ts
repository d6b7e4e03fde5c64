import { fishedBefore } from './fishedBefore';
import { rateWords as rate2 } from './reasons';
import type { PlanInputs } from './planInputs';
import type { Call, Ranking } from './rankTrip';
import type { Pin } from './plannedDay';
import { saidTime } from '../units/measure';

/** Answers "why not there?" for any spot of a trip, in a guide's words. */
export function whyNot(inputs: PlanInputs, ranking: Ranking, spotId: string, legs: readonly Pick<Pin, 'spotId'>[]): string {
  const name = inputs.spots.find((s) => s.id === spotId)?.name ?? 'It';
  if (legs.some((l) => l.spotId === spotId)) return `${name} is in the plan.`;
  const shut = ranking.shut.find((s) => s.spotId === spotId);
  if (shut) return `${name} is shut: ${shut.why}.`;
  const taken = inputs.taken.find((t) => t.spotId === spotId);
  const call = ranking.calls.find((c) => c.spotId === spotId);
  if (!call) return `${name} is not among the spots of this trip.`;
  const planned = ranking.calls.filter((c) => legs.some((l) => l.spotId === c.spotId));
  const least = planned.at(-1);
  const parts: string[] = [];
  if (call.wayShut.length > 0) {
    const clock = (ms: number) => saidTime(ms, inputs.zone);
    parts.push(call.wayShut.map((w) => `${w.why} on the way there from ${clock(w.fromMs)} to ${clock(w.toMs)}`).join(', '));
  }
  if (taken) {
    const after = fishedBefore([taken], inputs.spots.find((s) => s.id === spotId)?.fadePerHour ?? 0, taken.toMs);
    parts.push(
      `${taken.boat} has it until ${saidTime(taken.toMs, inputs.zone)} and leaves ×${after.toFixed(2)} of it, which comes back over some hours`,
    );
  }
  if (least && call.ratePerRodHour < least.ratePerRodHour) {
    parts.push(`at best ${rate2(call.ratePerRodHour)} a rod-hour, where the least of the plan gives ${rate2(least.ratePerRodHour)}`);
  } else if (least) {
    parts.push(
      `its ${rate2(call.ratePerRodHour)} a rod-hour would do, but its hours and its run of ${runOf(inputs, spotId)} min cost more elsewhere`,
    );
  } else parts.push(`${rate2(call.ratePerRodHour)} a rod-hour at best`);
  const against = call.reasons.filter((r) => r.sign === '-')[0];
  if (against) parts.push(against.text);
  return `${name}: ${parts.join('; ')}.`;
}

function runOf(inputs: PlanInputs, spotId: string): string {
  const i = inputs.spots.findIndex((s) => s.id === spotId);
  return (inputs.dockTravelMin[i] ?? 0).toFixed(0);
}

/** Calls that pass filters of depth, structure and family. */
export function filterCalls(
  inputs: Pick<PlanInputs, 'spots' | 'presentations'>,
  calls: readonly Call[],
  f: { readonly depth?: readonly [number, number] | null; readonly structure?: string | null; readonly family?: string | null },
): Call[] {
  return calls.filter((c) => {
    const spot = inputs.spots.find((s) => s.id === c.spotId);
    const p = inputs.presentations.find((x) => x.id === c.presentationId);
    if (!spot || !p) return false;
    const depth = (spot.depthMinM + spot.depthMaxM) / 2;
    if (f.depth && (depth < f.depth[0] || depth >= f.depth[1])) return false;
    if (f.structure && spot.structure !== f.structure) return false;
    return !f.family || p.family === f.family;
  });
}
