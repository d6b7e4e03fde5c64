// When a way cannot be run: by the one judgement at the most exposed places it crosses and at its bars, hour by hour.
import { type SeaConditions, seaOver } from '../conditions/spotConditions';
import { waterStateOf } from '../conditions/waterRecord';
import type { ShutRanges } from '../itinerary/problem';
import { judgeSea } from '../risk/atPlace';
import { findingWords, QUANTITY_WORDS } from '../risk/findingWords';
import { type Finding, type Judgement, shuts } from '../risk/judge';
import { MINUTE } from '../units/time';
import { type PlanInputs, STEP_MIN, type WaysAt } from './planInputs';
import { waysBySea } from './waysBySea';
import { waysInSteps, waysOfTrip } from './waysByTide';
import { nth, num } from '../units/indexed';

/** Steps in which a way is shut, with what shuts it first in each stretch. */
export interface ShutWay {
  readonly ranges: ShutRanges;
  readonly why: readonly Finding[];
}

export interface ShutWays {
  readonly dock: readonly ShutWay[];
  readonly between: readonly (readonly ShutWay[])[];
  /** Which of the ways, by height of tide and by the sea, hold in each step, and the ways. */
  readonly level: readonly number[];
  readonly sets: readonly WaysAt[];
  /** Judgement at a place of the sea in a step. */
  readonly judgeAt: (place: number, step: number) => Judgement;
}

/** Judges every place that ways cross through a trip. @param stride - Steps between two looks at the sea. */
export function shutWays(inputs: PlanInputs, steps: number, stride: number): ShutWays {
  const water = waterStateOf(inputs.water);
  const at = seaOver(water, inputs.startsAt, inputs.endsAt);
  const looks = Math.ceil(steps / stride);
  const judged = new Map<number, Judgement>();
  const waves = new Map<number, number | null>();
  const judgeAt = (place: number, step: number): Judgement => {
    const look = Math.min(looks - 1, Math.max(0, Math.floor(step / stride)));
    const key = place * looks + look;
    let known = judged.get(key);
    if (!known) {
      const p = nth(inputs.sea.places, place);
      const c: SeaConditions = at(p, inputs.startsAt + look * stride * STEP_MIN * MINUTE);
      known = judgeSea(inputs.boat, inputs.party, c, p.unsounded ? 'unsounded' : p.bar === null ? null : p.depthM);
      judged.set(key, known);
      waves.set(key, c.waveM);
    }
    return known;
  };
  const waveAt = (place: number, step: number): number | null => {
    judgeAt(place, step);
    return waves.get(place * looks + Math.min(looks - 1, Math.floor(step / stride))) ?? null;
  };
  const byTide = { sets: waysOfTrip(inputs), level: waysInSteps(inputs, water, steps) };
  const { sets, level } = waysBySea(inputs, byTide, waveAt, stride);
  const shutAt = inputs.sea.places.map((_, p) =>
    Array.from({ length: looks }, (_, k) => judgeAt(p, k * stride).findings.find(shuts) ?? null),
  );
  const calm = shutAt.every((row) => row.every((f) => f === null));
  const shutOf = (places: (w: WaysAt) => readonly number[]): ShutWay => {
    const ranges: [number, number][] = [];
    const why: Finding[] = [];
    for (let t = 0; t < steps && !calm; t++) {
      const k = Math.floor(t / stride);
      const on = places(nth(sets, num(level, t)));
      // Also where the next look finds it shut: no boat is on its way while a limit is crossed.
      const by = on.map((p) => shutAt[p]?.[k] ?? shutAt[p]?.[k + 1] ?? null).find((f) => f !== null);
      if (!by) continue;
      const last = ranges.at(-1);
      if (last && last[1] === t) last[1] = t + 1;
      else {
        ranges.push([t, t + 1]);
        why.push(by);
      }
    }
    return { ranges, why };
  };
  const n = inputs.spots.length;
  return {
    level,
    sets,
    judgeAt,
    dock: Array.from({ length: n }, (_, s) => shutOf((w) => w.dockSea[s] ?? [])),
    between: Array.from({ length: n }, (_, s) => Array.from({ length: n }, (_, q) => shutOf((w) => w.betweenSea[s]?.[q] ?? []))),
  };
}

/** What shuts a way, in words: "waves over the limit". */
export function wayShutWords(f: Finding | undefined): string {
  if (!f) return 'the sea';
  if (f.quantity === 'keel') return 'too little water on a bar of the way';
  if (f.quantity === 'wind' || f.quantity === 'gust' || f.quantity === 'wave') return `${QUANTITY_WORDS[f.quantity]} over the limit`;
  const words = findingWords(f);
  return words.charAt(0).toLowerCase() + words.slice(1);
}
