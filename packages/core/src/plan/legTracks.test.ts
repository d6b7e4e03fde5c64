// Stops that are fished under way, and the hours of big lures (T4), on the made-up trip.
import { describe, expect, it } from 'vitest';
import { driftSpeed } from '../tackle/driftSpeed';
import { HOUR } from '../units/time';
import { bigLureHours } from './bigLureHours';
import { legTracks } from './legTracks';
import type { PlanInputs } from './planInputs';
import { rankTrip } from './rankTrip';
import { inputs, START } from './testTrip';

const line = { lengthM: 600, bearingDeg: 45, bedM: [3, 3, 3] };
const hull = { windageM2: 6, hullM2: 2 };

function withSpoon(more: Partial<PlanInputs> = {}): PlanInputs {
  const base = inputs();
  return inputs({
    boat: { ...base.boat, drift: hull },
    spots: base.spots.map((s) => (s.id === 'exposed' ? { ...s, track: line } : s)),
    presentations: base.presentations.map((p) => (p.id === 'shad' ? { ...p, family: 'F14' } : p)),
    ...more,
  });
}
const leg = (spotId: string, presentationId = 'shad') => ({ spotId, presentationId, startMs: START, departMs: START + HOUR });

describe('a stop at a line', () => {
  const trip = withSpoon();
  const ranking = rankTrip(trip);
  it('is told as a drift at the speed of the wind of its hour, at other spots and with other baits as none', () => {
    const [drift, lee, worm] = legTracks(trip, ranking, [leg('exposed'), leg('lee'), leg('exposed', 'worm')]);
    // 4 m/s from 225 over still water, along a line that runs to 45.
    const { speedMps } = driftSpeed({ windMps: 4, windFromDeg: 225, currentMps: 0, currentToDeg: 0, ...hull });
    expect(drift?.text).toContain(`toward 45° at {current ${speedMps.toFixed(1)}}`);
    expect(drift?.text).toMatch(/^Drift along it without a sea anchor/);
    // The made-up water has no currents on file and is not said to be still.
    expect(drift?.mind).toBe('The current is not known: this is by the wind alone.');
    expect([lee, worm]).toEqual([null, null]);
  });
  it('where too little water stands over it says so at that hour', () => {
    const dry = withSpoon({ spots: trip.spots.map((s) => (s.id === 'exposed' ? { ...s, track: { ...line, bedM: [-3, -3, 3] } } : s)) });
    expect(legTracks(dry, ranking, [leg('exposed')])[0]?.mind).toMatch(/too little water/);
  });
  it('is none for people on foot, and for a boat whose hull nobody has told', () => {
    const foot = withSpoon({ boat: { ...trip.boat, afloat: false } });
    const unknown = withSpoon({ boat: { ...trip.boat, drift: undefined } });
    expect(legTracks(foot, ranking, [leg('exposed')])).toEqual([null]);
    expect(legTracks(unknown, ranking, [leg('exposed')])).toEqual([null]);
  });
});

describe('the hours of big lures', () => {
  const hoursOf = (value: (h: number) => number) => {
    const atMs = Array.from({ length: 9 }, (_, h) => START + (h - 1) * HOUR);
    return { atMs, value: atMs.map((_, k) => value(k - 1)), forecastFrom: 0 };
  };
  const flat = (value: number) => hoursOf(() => value);
  const water = (more: Partial<PlanInputs['water']>) => ({ ...inputs().water, clarityM: flat(1), cloud: flat(0.9), ...more });
  const trip = (more: Partial<PlanInputs['water']> = {}, wind = 6) =>
    inputs({
      water: water({ wind: { east: flat(wind), north: flat(0), gust: null }, ...more }),
      presentations: inputs().presentations.map((p) => (p.id === 'shad' ? { ...p, family: 'F7' } : p)),
    });
  const hours = (t: PlanInputs) => bigLureHours(t, rankTrip(t), 'lee');
  it('are those from 10 to 14 h in which wind, clarity and cloud are as they want them', () => {
    const found = hours(trip());
    expect(found?.open).toEqual([[START + 2 * HOUR, START + 6 * HOUR]]);
    expect(found?.text).toBe('Big lures are eaten from {clock 10:00} to {clock 14:00}.');
  });
  it('end where the wind leaves its limits', () => {
    // Between 12 and 13 h it rises from 6 to 12: past 9 m/s at half past. The water of a trip is looked at each quarter of an hour.
    const rising = hoursOf((h) => (h <= 4 ? 6 : 12));
    const found = hours(trip({ wind: { east: rising, north: flat(0), gust: null } }));
    expect(found?.open).toHaveLength(1);
    expect(Math.abs((found?.open[0]?.[1] ?? 0) - (START + 4.5 * HOUR))).toBeLessThanOrEqual(15 * 60_000);
  });
  it('are none when something speaks against them all day, or is not known, and it says which', () => {
    expect(hours(trip({}, 2))?.text).toContain('against them the wind');
    expect(hours(trip({ clarityM: null }))?.text).toContain('is not known');
    expect(hours(trip({ cloud: flat(0.1) }))?.open).toEqual([]);
  });
  it('are not told where no such lure is aboard', () => {
    const none = inputs({ water: water({}) });
    expect(bigLureHours(none, rankTrip(none), 'lee')).toBeNull();
  });
});
