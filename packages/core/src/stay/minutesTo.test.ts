import { describe, expect, it } from 'vitest';
import { HOUR } from '../units/time';
import { minutesTo } from './minutesTo';
import { alternativesFrom } from './stayOrMove';

const FROM = Date.UTC(2026, 5, 19, 8);
const ways = { travelMin: { reef: 12, wall: 5 }, byHour: { fromMs: FROM, minutes: { reef: [12, 18.5, null] } } };

describe('minutes to another spot', () => {
  it('are those of the hour in which one leaves', () => {
    expect([0, 59.9, 60, 119, 120].map((min) => minutesTo(ways, 'reef', FROM + min * 60_000))).toEqual([12, 12, 18.5, 18.5, null]);
  });
  it('are those of calm water before and after the hours that are known, and where the hour changes nothing', () => {
    expect(minutesTo(ways, 'reef', FROM - 1)).toBe(12);
    expect(minutesTo(ways, 'reef', FROM + 3 * HOUR)).toBe(12);
    expect(minutesTo(ways, 'wall', FROM + HOUR)).toBe(5);
    expect(minutesTo({ travelMin: ways.travelMin }, 'reef', FROM + HOUR)).toBe(12);
  });
  it('are none where there is no way', () => {
    expect(minutesTo(ways, 'island', FROM)).toBeNull();
  });
  it('decide where a boat may go, and when it is there', () => {
    const belief = { a: 2, b: 1, fadePerHour: 0.3 };
    const spots = [
      { id: 'here', ...belief, ...ways },
      { id: 'reef', ...belief, travelMin: {} },
      { id: 'wall', ...belief, travelMin: {}, open: [[FROM + HOUR, FROM + HOUR + 4 * 60_000]] as const },
    ];
    const from = (min: number) => alternativesFrom(spots, 'here', new Set(), FROM + min * 60_000).map((a) => [a.id, a.travelMin]);
    expect(from(30)).toEqual([['reef', 12]]);
    expect(from(57)).toEqual([
      ['reef', 12],
      ['wall', 5],
    ]);
    expect(from(70)).toEqual([['reef', 18.5]]);
    // In the third hour the sea has shut the way.
    expect(from(130)).toEqual([]);
  });
});
