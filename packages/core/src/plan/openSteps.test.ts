import { describe, expect, it } from 'vitest';
import type { SpotConditions } from '../conditions/spotConditions';
import { openSteps, shutBy, shutWords, whyShut } from './openSteps';
import { inputs, START } from './testTrip';

const trip = inputs();
const spot = (more: Partial<(typeof trip.spots)[number]> = {}) => ({ ...(trip.spots[0] as (typeof trip.spots)[number]), ...more });
const calm = { tideHeightM: 1, waveM: 0, windMps: 3, windGustMps: null, fetchM: 5000 };
const water = (more: object = {}) => ({ ...calm, ...more }) as SpotConditions;

describe('what shuts a spot', () => {
  it('is the bar when the keel has less than half a metre and half the wave under it', () => {
    // Draught 0.6 m, margin 0.5 m: over a bar that dries 0.2 m the tide must stand at 1.3 m in flat water.
    const barred = spot({ accessDepthM: -0.2 });
    expect(shutBy(trip, barred, water({ tideHeightM: 1.29 }))).toBe('bar');
    expect(shutBy(trip, barred, water({ tideHeightM: 1.31 }))).toBeNull();
    // Half of a wave of 0.6 m more.
    expect(shutBy(trip, barred, water({ tideHeightM: 1.59, waveM: 0.6 }))).toBe('bar');
    expect(shutBy(trip, barred, water({ tideHeightM: 1.61, waveM: 0.6 }))).toBeNull();
  });

  it('is the boat’s own limit of gusts, but not where the water is sheltered, and of waves', () => {
    expect(shutBy(trip, spot(), water({ windMps: 9, windGustMps: 13.5 }))).toBe('wind');
    expect(shutBy(trip, spot(), water({ windMps: 9, windGustMps: 12.5 }))).toBeNull();
    // Without gusts in the forecast the wind itself speaks.
    expect(shutBy(trip, spot(), water({ windMps: 13.5 }))).toBe('wind');
    expect(shutBy(trip, spot(), water({ windMps: 9, windGustMps: 20, fetchM: 400 }))).toBeNull();
    expect(shutBy(trip, spot(), water({ waveM: 0.81 }))).toBe('wave');
    expect(shutBy(trip, spot(), water({ waveM: 0.79 }))).toBeNull();
  });

  it('is not what nobody knows', () => {
    expect(shutBy(trip, spot(), water({ waveM: null, windMps: null, tideHeightM: null, fetchM: null }))).toBeNull();
  });
});

describe('the hours of a spot', () => {
  const gale = (from: number, to: number) => (t: number) => water({ windMps: t >= from && t < to ? 20 : 3 });
  it('are the stretches long enough for a stay', () => {
    expect(openSteps(trip, 0, 30, gale(10, 20))).toEqual([
      [0, 10],
      [20, 30],
    ]);
    // Three steps are no stay.
    expect(openSteps(trip, 0, 30, gale(3, 20))).toEqual([[20, 30]]);
    expect(openSteps(trip, 0, 30, gale(0, 30))).toEqual([]);
  });

  it('are none where there is no way, it rests, or the party cannot stand', () => {
    const fine = () => water();
    const why = (t: typeof trip) => whyShut(t, 0, 30, 3, fine);
    const cut = { ...trip, dockTravelMin: [null, 5, 8] };
    expect(openSteps(cut, 0, 30, fine)).toEqual([]);
    expect(why(cut)).toBe('no way there for this boat at its draught');
    const resting = { ...trip, spots: [spot({ restsUntil: START + 86_400_000 })] };
    expect(openSteps(resting, 0, 30, fine)).toEqual([]);
    expect(why(resting)).toBe('left to rest until 2026-06-20');
    expect(openSteps({ ...trip, spots: [spot({ restsUntil: START })] }, 0, 30, fine)).toEqual([[0, 30]]);
    const climb = { ...trip, footing: 2, spots: [spot({ footing: 3 })] };
    expect(why(climb)).toBe('asks for a climb, more than the party manages');
  });

  it('tell what shuts them most, and from when', () => {
    expect(whyShut(trip, 0, 30, 3, gale(0, 30))).toBe("gusts over the boat's own limit there during the trip");
    expect(whyShut(trip, 0, 30, 3, (t) => water(t < 20 ? { waveM: 2 } : { windMps: 20 }))).toBe(
      "waves over the boat's own limit there during the trip",
    );
    const words = (from: number) => shutWords(trip, 0, [0, 30], (t) => START + t * 300_000, gale(from, 30));
    expect(words(12)).toBe("gusts over the boat's limit from 09:00");
    expect(words(30)).toBe('');
  });
});
