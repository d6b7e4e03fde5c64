// Conditions of every spot at every quarter-hour of three days, the spots' own temperatures included.
import { conditionsOver, plainSpot } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { windComponents } from '@bluffwind/core/weather/wind';
import { ms, say, times } from './measure';

const HOUR = 3_600_000;

export function benchConditions(): void {
  say('\nConditions: 24 spots at 288 quarter-hours, temperatures by place included');
  const start = Date.UTC(2026, 5, 19);
  const atMs = Array.from({ length: 240 }, (_, i) => start + (i - 144) * HOUR);
  const of = (value: (at: number) => number) => ({ atMs, value: atMs.map(value), forecastFrom: 144 });
  const wind = (part: 'east' | 'north') => of((t) => windComponents(5 + 3 * Math.sin(t / HOUR / 9), (t / HOUR) * 4)[part]);
  const record = {
    lat: 47.6,
    lon: -35.2,
    tide: { z0M: 1.8, constants: [{ name: 'M2', amplitudeM: 1.2, phaseDeg: 300 }] },
    currents: [],
    levelM: null,
    wind: { east: wind('east'), north: wind('north'), gust: null },
    airTempC: of((t) => 14 + 4 * Math.sin(t / HOUR / 3.8)),
    dewPointC: null,
    visibilityM: null,
    thunder: null,
    pressureHpa: of(() => 1015),
    cloud: of(() => 0.4),
    waterTempC: of(() => 14),
    clarityM: of(() => 2),
    flowM3s: null,
    sources: {},
  };
  const spots = Array.from({ length: 24 }, (_, i) => ({ ...plainSpot(record, 1 + i / 3), bottom: i % 2 ? 'mud' : 'sand' }));
  const taken = times(5, () => {
    const at = conditionsOver(waterStateOf(record), start, start + 72 * HOUR);
    for (const s of spots) for (let q = 0; q < 288; q++) at(s, start + q * 900_000);
  });
  say(`  Bluffwind                ${ms(taken)}`);
}
