// When a way cannot be run because of the sea on it: waves over the boat's own limit at the most exposed places it crosses.
import { wavesOver } from '../conditions/spotConditions';
import { waterStateOf } from '../conditions/waterRecord';
import type { ShutRanges } from '../itinerary/problem';
import { MINUTE } from '../units/time';
import { type PlanInputs, STEP_MIN } from './planInputs';

export interface ShutWays {
  readonly dock: readonly ShutRanges[];
  readonly between: readonly (readonly ShutRanges[])[];
}

/** Step ranges in which each way is shut. @param stride - Steps between two looks at the sea. */
export function shutWays(inputs: PlanInputs, steps: number, stride: number): ShutWays {
  const waveAt = wavesOver(waterStateOf(inputs.water), inputs.startsAt, inputs.endsAt);
  const looks = Math.ceil(steps / stride);
  const over = inputs.sea.places.map((place) =>
    Array.from(
      { length: looks },
      (_, k) => (waveAt(place, inputs.startsAt + k * stride * STEP_MIN * MINUTE) ?? 0) > inputs.boat.waveLimitM,
    ),
  );
  const rangesOf = (places: readonly number[]): ShutRanges => {
    const ranges: [number, number][] = [];
    for (let k = 0; k < looks; k++) {
      if (!places.some((p) => over[p]?.[k])) continue;
      const [from, to] = [k * stride, Math.min(steps, (k + 1) * stride)];
      const last = ranges.at(-1);
      if (last && last[1] === from) last[1] = to;
      else ranges.push([from, to]);
    }
    return ranges;
  };
  const none = over.every((row) => !row.includes(true));
  if (none) return { dock: inputs.sea.dock.map(() => []), between: inputs.sea.between.map((row) => row.map(() => [])) };
  return { dock: inputs.sea.dock.map(rangesOf), between: inputs.sea.between.map((row) => row.map(rangesOf)) };
}
