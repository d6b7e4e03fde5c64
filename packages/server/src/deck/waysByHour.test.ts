import { minutesTo } from '@bluffwind/core/stay/minutesTo';
import { HOUR } from '@bluffwind/core/units/time';
import { describe, expect, it } from 'vitest';
import { waysByHour } from './waysByHour';

const FROM = Date.UTC(2026, 5, 19, 8);
const spots = [{ id: 'here' }, { id: 'reef' }, { id: 'bar' }];
const ways = (reef: number, bar: number | null) => ({ betweenMin: [[0, reef, bar], [], []] }) as never;

describe('ways of a spot by the hour', () => {
  it('are the longest of each hour, and none in an hour in which there is once no way', () => {
    // Twelve steps an hour: calm, then rough in the last quarter of the second hour, then rough with the bar dry.
    const level = [...new Array(21).fill(0), ...new Array(3).fill(1), ...new Array(6).fill(2)];
    const { byHour } = waysByHour({ sets: [ways(12, 20), ways(18.26, 24), ways(18.26, null)], level }, 0, spots, FROM);
    expect(byHour).toEqual({ fromMs: FROM, minutes: { reef: [12, 18.3, 18.3], bar: [20, 24, null] } });
    const from = { travelMin: { reef: 12, bar: 20 }, byHour };
    expect([0, 1, 2, 3].map((h) => minutesTo(from, 'bar', FROM + h * HOUR))).toEqual([20, 24, null, 20]);
  });
  it('are not told where they are the same all day', () => {
    expect(waysByHour({ sets: [ways(12, 20)], level: new Array(24).fill(0) }, 0, spots, FROM)).toEqual({});
  });
});
