import type { DeckPack } from '@bluffwind/contract/deck';
import { crossesTrigger } from '@bluffwind/core/plan/crossedTrigger';
import { sampleWind } from '@bluffwind/core/weather/wind';

export interface WatchedTrigger {
  readonly sentence: string;
  readonly worth: number;
  /** The wind that crosses it, by what the phone has of measured and foretold; null where it holds, or is not known. */
  readonly crossed: { readonly mps: number; readonly atMs: number } | null;
}

/** How long after its hour a trigger is still worth acting on. */
const PAST_MS = 90 * 60_000;

/** What would change the plan, with what of it has come true; what lies behind is left out. */
export function triggersNow(pack: Pick<DeckPack, 'triggers' | 'water'>, nowMs: number): WatchedTrigger[] {
  const { wind } = pack.water;
  return (pack.triggers ?? [])
    .filter((t) => t.condition === null || t.condition.atMs > nowMs - PAST_MS)
    .map(({ sentence, worth, condition }) => {
      const mps = condition ? (sampleWind(wind, condition.atMs)?.mps ?? null) : null;
      return {
        sentence,
        worth,
        crossed: condition !== null && mps !== null && crossesTrigger(condition, mps) ? { mps, atMs: condition.atMs } : null,
      };
    })
    .sort((a, b) => Number(b.crossed !== null) - Number(a.crossed !== null) || b.worth - a.worth);
}
