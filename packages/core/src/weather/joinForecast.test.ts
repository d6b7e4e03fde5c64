import { expect, it } from 'vitest';
import { HOUR } from '../units/time';
import { joinForecast } from './joinForecast';

const forecast = { atMs: [0, 1, 2, 3, 4, 5, 6, 7, 8].map((h) => h * HOUR), value: [10, 10, 10, 10, 10, 10, 10, 10, 10] };

it('bends a forecast to the last reading and lets it go over six hours', () => {
  const joined = joinForecast({ atMs: [0, HOUR], value: [13, 13] }, forecast, 1.5 * HOUR);
  expect(joined.forecastFrom).toBe(2);
  expect(joined.value[2]).toBeCloseTo(12.5, 9);
  expect(joined.value.at(-1)).toBe(10);
});

it('keeps a forecast as it is when the readings are old', () => {
  const joined = joinForecast({ atMs: [-20 * HOUR], value: [3] }, forecast, 2 * HOUR);
  expect(joined.atMs[1]).toBe(2 * HOUR);
  expect(joined.value[1]).toBe(10);
});
