// Ways take longer in a sea: each is held against the waves at its most open places in the hour in which it is run.
import { speedInWaves } from '../ground/speedInWaves';
import { HANDLING_MIN, type PlanInputs, type WaysAt } from './planInputs';
import { nth, num } from '../units/indexed';

/** The ways of a trip, and which of them hold in each step. */
export interface WaysInSteps {
  readonly sets: readonly WaysAt[];
  readonly level: readonly number[];
}

/**
 * The same ways with the minutes that the sea of each hour adds. People on foot and boats without a wave limit are not slowed.
 * @param waveAt - Wave height at a place of the sea in a step, m; null where it is not known. @param stride - Steps between two looks at it.
 */
export function waysBySea(
  inputs: Pick<PlanInputs, 'boat' | 'sea'>,
  { sets, level }: WaysInSteps,
  waveAt: (place: number, step: number) => number | null,
  stride: number,
): WaysInSteps {
  const { boat } = inputs;
  if (boat.afloat === false || boat.waveLimitM === null) return { sets, level };
  const looks = Math.ceil(level.length / stride);
  /** How many times as long each place takes, look by look: by the higher of this look's waves and the next one's. */
  const longer = inputs.sea.places.map((_, p) => {
    const at = Array.from({ length: looks }, (__, k) => boat.speedMps / speedInWaves(boat, waveAt(p, k * stride)));
    return at.map((x, k) => Math.max(x, at[k + 1] ?? x));
  });
  const rough = Array.from({ length: looks }, (_, k) => longer.some((row) => num(row, k) > 1));
  const out = [...sets];
  const known = new Map<string, number>();
  const inSea = level.map((tide, step) => {
    const look = Math.floor(step / stride);
    if (!rough[look]) return tide;
    const key = `${tide} ${look}`;
    let index = known.get(key);
    if (index === undefined) {
      index = out.push(slower(nth(sets, tide), (p) => longer[p]?.[look] ?? 1)) - 1;
      known.set(key, index);
    }
    return index;
  });
  return { sets: out, level: inSea };
}

/** Ways with each run as much longer as its places say in the middle; casting off and anchoring take what they always take. */
function slower(ways: WaysAt, longerAt: (place: number) => number): WaysAt {
  const of = (min: number | null | undefined, places: readonly number[] | undefined): number | null => {
    if (min == null) return null;
    if (!places || places.length === 0) return min;
    const times = places.reduce((sum, p) => sum + longerAt(p), 0) / places.length;
    return min + Math.max(0, min - HANDLING_MIN) * (times - 1);
  };
  return {
    ...ways,
    dockMin: ways.dockMin.map((min, s) => of(min, ways.dockSea[s])),
    betweenMin: ways.betweenMin.map((row, s) => row.map((min, q) => of(min, ways.betweenSea[s]?.[q]))),
  };
}
