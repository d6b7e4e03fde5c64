import type { DeckPack } from '@bluffwind/contract/deck';
import { describe, expect, it } from 'vitest';
import { triggersNow } from './triggersNow';

const NOW = Date.UTC(2026, 5, 19, 10);
const HOUR = 3_600_000;
const atMs = Array.from({ length: 13 }, (_, h) => NOW + (h - 6) * HOUR);
/** A wind that rises from 4 to 10 m/s over the day: 7 now. */
const water = {
  wind: {
    east: { atMs, value: atMs.map((_, h) => 4 + h / 2), forecastFrom: 7 },
    north: { atMs, value: atMs.map(() => 0), forecastFrom: 7 },
    gust: null,
  },
} as unknown as DeckPack['water'];
const trigger = (inHours: number, aboveMps: number | null, belowMps: number | null = null) => ({
  sentence: `at ${inHours}`,
  worth: 2,
  condition: { atMs: NOW + inHours * HOUR, aboveMps, belowMps },
});
const seen = (...triggers: NonNullable<DeckPack['triggers']>) => triggersNow({ water, triggers }, NOW);

describe('what would change the day', () => {
  it('has come true where the wind of its hour is past its edge, and holds where it is not', () => {
    const [a, b] = seen(trigger(2, 7.5), trigger(2, 9));
    expect(a?.crossed?.mps).toBeCloseTo(8, 6);
    expect(b?.crossed).toBeNull();
    expect(seen(trigger(1, null, 9))[0]?.crossed?.mps).toBeCloseTo(7.5, 6);
  });
  it('puts what has come true first', () => {
    expect(seen({ ...trigger(2, 20), worth: 9 }, trigger(2, 6)).map((t) => t.crossed !== null)).toEqual([true, false]);
  });
  it('is left out when its hour lies behind, and stays when it has none', () => {
    expect(seen(trigger(-3, 1))).toEqual([]);
    expect(seen({ sentence: 'no bait', worth: 1, condition: null })).toHaveLength(1);
  });
  it('is nothing in a pack of before, and not crossed where the wind is not known', () => {
    expect(triggersNow({ water }, NOW)).toEqual([]);
    expect(triggersNow({ water: { ...water, wind: null } as never, triggers: [trigger(1, 1)] }, NOW)[0]?.crossed).toBeNull();
  });
});
