// The log as columns for the fit, in an order that does not depend on the order in which it came.
import { DAY } from '../units/time';
import { GROUPS, type Lists, levelsOf, WEEK_GROUP } from './groups';
import type { FactorRows } from './penalisedPoisson';
import type { FishedSet, RateWorld } from './world';
import { nth } from '../units/indexed';

/** Half-life of a past stop's weight, days. */
export const HALF_LIFE_DAYS = 400;

/** Groups of the fit: those of a forecast, then the weeks. */
export const FIT_GROUPS = [...GROUPS, WEEK_GROUP];

export interface Encoded extends FactorRows {
  readonly spot: Int32Array;
  readonly presentation: Int32Array;
  readonly at: Float64Array;
  readonly sets: readonly FishedSet[];
}

/** Positions of ids in a world. */
export interface Places {
  readonly spots: ReadonlyMap<string, number>;
  readonly presentations: ReadonlyMap<string, number>;
}

export function placesOf(world: RateWorld): Places {
  return {
    spots: new Map(world.spots.map((s, i) => [s.id, i])),
    presentations: new Map(world.presentations.map((p, i) => [p.id, i])),
  };
}

/** Encodes sets; those that are not usable are refused with RangeError by name. @param after - Rows that these follow. */
export function encode(world: RateWorld, lists: Lists, places: Places, sets: readonly FishedSet[], after?: Encoded): Encoded {
  const fresh = [...sets].sort(canonical);
  const last = after?.sets.at(-1);
  if (after && last && fresh[0] && canonical(fresh[0], last) < 0) return encode(world, lists, places, [...after.sets, ...sets]);
  const offset = after?.count ?? 0;
  const count = offset + fresh.length;
  const int = (old: Int32Array | undefined) => {
    const a = new Int32Array(count);
    if (old) a.set(old);
    return a;
  };
  const float = (old: Float64Array | undefined) => {
    const a = new Float64Array(count);
    if (old) a.set(old);
    return a;
  };
  const codes = FIT_GROUPS.map((_, g) => int(after?.codes[g]));
  const [spot, presentation] = [int(after?.spot), int(after?.presentation)];
  const [at, fish, effort, weight] = [float(after?.at), float(after?.fish), float(after?.effort), float(after?.weight)];
  fresh.forEach((set, k) => {
    const i = offset + k;
    const s = places.spots.get(set.spot);
    const p = places.presentations.get(set.presentation);
    if (s === undefined) throw new RangeError(`stops: unknown spot ${set.spot}`);
    if (p === undefined) throw new RangeError(`stops: unknown presentation ${set.presentation}`);
    if (!(set.rodHours > 0 && set.rodHours < 1e4)) throw new RangeError(`rodHours: expected more than 0, got ${set.rodHours}`);
    if (!(set.fish >= 0 && set.fish < 1e5)) throw new RangeError(`fish: expected 0 or more, got ${set.fish}`);
    const w = 2 ** (-Math.max(0, (world.now - set.at) / DAY) / HALF_LIFE_DAYS);
    const levels = levelsOf(world, lists, s, p, set.at, set.conditions);
    for (let g = 0; g < FIT_GROUPS.length; g++) nth(codes, g)[i] = nth(FIT_GROUPS, g).code(levels, lists);
    spot[i] = s;
    presentation[i] = p;
    at[i] = set.at;
    weight[i] = w;
    fish[i] = w * set.fish;
    effort[i] = w * set.rodHours;
  });
  return { count, codes, fish, effort, weight, spot, presentation, at, sets: after ? [...after.sets, ...fresh] : fresh };
}

function canonical(a: FishedSet, b: FishedSet): number {
  return (
    a.at - b.at ||
    compare(a.spot, b.spot) ||
    compare(a.presentation, b.presentation) ||
    a.rodHours - b.rodHours ||
    a.fish - b.fish ||
    (a.conditions.tideStage ?? -1) - (b.conditions.tideStage ?? -1)
  );
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
