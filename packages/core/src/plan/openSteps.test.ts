import { describe, expect, it } from 'vitest';
import type { SpotConditions } from '../conditions/spotConditions';
import { openSteps, shutBy, shutReason, shutWords, whyShut } from './openSteps';
import { inputs, START } from './testTrip';
import { inMetric } from '../units/measure';
import { nth } from '../units/indexed';

const plain = inputs();
const trip = { ...plain, boat: { ...plain.boat, windLimitMps: 13, waveLimitM: 0.8 } };
const spot = (more: Partial<(typeof trip.spots)[number]> = {}) => ({ ...nth(trip.spots, 0), ...more });
const calm = {
  tideHeightM: 1,
  stillWater: false,
  waveM: 0,
  windMps: 3,
  windGustMps: null,
  windFromDeg: 225,
  fetchM: 5000,
  currentMps: 0.1,
  currentToDeg: 0,
  visibilityM: 9000,
  thunder: false,
  sunHeightDeg: 30,
  waterTempC: 17,
  airTempC: 16,
  dewPointC: 10,
};
const water = (more: object = {}) => ({ ...calm, ...more }) as SpotConditions;
const shut = (s: Parameters<typeof shutBy>[1], c: SpotConditions, more: Partial<typeof trip> = {}) =>
  shutBy({ ...trip, ...more }, s, c)?.quantity ?? null;

describe('what shuts a spot', () => {
  it('is the bar when the keel has less than half a metre and half the wave under it', () => {
    // Draught 0.6 m, margin 0.5 m: over a bar that dries 0.2 m the tide must stand at 1.3 m in flat water.
    const barred = spot({ accessDepthM: -0.2 });
    expect(shut(barred, water({ tideHeightM: 1.29 }))).toBe('keel');
    expect(shut(barred, water({ tideHeightM: 1.31 }))).toBeNull();
    // Half of a wave of 0.6 m more.
    expect(shut(barred, water({ tideHeightM: 1.59, waveM: 0.6 }))).toBe('keel');
    expect(shut(barred, water({ tideHeightM: 1.61, waveM: 0.6 }))).toBeNull();
  });

  it('is the boat’s own limit of wind, of gusts a quarter over it, and of waves', () => {
    expect(shut(spot(), water({ windMps: 13.1 }))).toBe('wind');
    expect(shut(spot(), water({ windMps: 9, windGustMps: 16.3 }))).toBe('gust');
    expect(shut(spot(), water({ windMps: 9, windGustMps: 16.2 }))).toBeNull();
    expect(shut(spot(), water({ windGustMps: 11 }), { boat: { ...trip.boat, gustLimitMps: 10 } })).toBe('gust');
    expect(shut(spot(), water({ waveM: 0.81 }))).toBe('wave');
    expect(shut(spot(), water({ waveM: 0.79 }))).toBeNull();
  });

  it('comes at three quarters of the limits for children, first-timers and people who do not swim', () => {
    const party = { children: 0, firstTimers: 1, nonSwimmers: 0 };
    expect(shut(spot(), water({ windMps: 9.8 }), { party })).toBe('wind');
    expect(shut(spot(), water({ waveM: 0.61 }), { party })).toBe('wave');
    expect(shut(spot(), water({ windMps: 9.7, waveM: 0.59 }), { party })).toBeNull();
    expect(shut(spot(), water({ windMps: 9.8 }), { party: { ...party, share: 1 } })).toBeNull();
  });

  it('is a hazard that binds, or any hazard for a party at risk, while it stands', () => {
    const swell = {
      kind: 'swell' as const,
      windSectorDeg: [180, 280] as [number, number],
      windMps: 6,
      waveM: null,
      tideBelowM: null,
      tideAboveM: null,
      note: 'Swell breaks over the head.',
    };
    const blow = water({ windMps: 7, windFromDeg: 226 });
    expect(shut(spot({ hazards: [{ ...swell, binds: true }] }), blow)).toBe('hazard');
    expect(shut(spot({ hazards: [{ ...swell, binds: false }] }), blow)).toBeNull();
    expect(shut(spot({ hazards: [{ ...swell, binds: false }] }), blow, { party: { children: 1, firstTimers: 0, nonSwimmers: 0 } })).toBe(
      'hazard',
    );
    expect(shut(spot({ hazards: [{ ...swell, binds: true }] }), water({ windMps: 7, windFromDeg: 90 }))).toBeNull();
  });

  it('is not what nobody knows, which is said elsewhere', () => {
    expect(shut(spot(), water({ waveM: null, windMps: null, tideHeightM: null, fetchM: null }))).toBeNull();
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
    expect(why(resting)).toBe('left to rest until 20 June');
    expect(openSteps({ ...trip, spots: [spot({ restsUntil: START })] }, 0, 30, fine)).toEqual([[0, 30]]);
    const climb = { ...trip, footing: 2, spots: [spot({ footing: 3 })] };
    expect(why(climb)).toBe('asks for a climb, more than the party manages');
  });

  it('tell what shuts them most, and from when', () => {
    expect(whyShut(trip, 0, 30, 3, gale(0, 30))).toBe('wind over the limit');
    expect(whyShut(trip, 0, 30, 3, (t) => water(t < 20 ? { waveM: 2 } : { windMps: 20 }))).toBe('waves over the limit');
    const words = (from: number) => shutWords(trip, 0, [0, 30], (t) => START + t * 300_000, gale(from, 30));
    expect(inMetric(words(12))).toBe('wind over the limit from 09:00');
    expect(words(30)).toBe('');
  });
});

describe('what is said of a spot that is shut', () => {
  const finding = (quantity: string, more: object = {}) => ({ quantity, level: 'over', value: 3, limit: 2, ...more }) as never;
  it('is what shuts it, without its figures', () => {
    expect(shutReason(finding('keel'))).toBe('too little water on the way in');
    expect(['wind', 'gust', 'wave'].map((q) => shutReason(finding(q)))).toEqual([
      'wind over the limit',
      'gusts over the limit',
      'waves over the limit',
    ]);
    expect(shutReason(finding('hazard', { note: 'No. 4 stone, swell breaks.' }))).toBe('No. 4 stone, swell breaks');
    expect(shutReason(finding('hazard'))).toBe('a hazard');
    expect(inMetric(shutReason(finding('visibility', { value: 400, limit: 1000 })))).toBe(
      'visibility 400 m, under 1000 m'.replace('1000 m', '1.0 km'),
    );
    expect(shutReason(finding('thunder', { value: 1 }))).toBe('thunder about: rods down, leave');
  });
  it('is the bar first, and of other things the first that is told', () => {
    const barred = spot({ accessDepthM: -0.9 });
    expect(shut(barred, water({ tideHeightM: 0, windMps: 30 }))).toBe('keel');
    expect(shut(spot(), water({ windMps: 30, waveM: 3 }))).toBe('wind');
  });
  it('on foot is a cast that does not reach', () => {
    const foot = { ...trip, boat: { ...trip.boat, afloat: false }, dockTravelMin: [null, 5, 8] };
    expect(whyShut(foot, 0, 30, 3, () => water())).toBe('farther from the bank than a cast');
    expect(whyShut({ ...foot, boat: { ...trip.boat, afloat: true } }, 0, 30, 3, () => water())).toBe(
      'no way there for this boat at its draught',
    );
  });
  it('is what shuts it in most of its hours, counted to the end of the trip and no further', () => {
    const at = (waves: number) => (t: number) => (t < waves ? water({ waveM: 2 }) : water({ windMps: 20 }));
    expect(whyShut(trip, 0, 30, 3, at(12))).toBe('wind over the limit');
    expect(whyShut(trip, 0, 30, 3, at(18))).toBe('waves over the limit');
    // Looked at in steps 0 to 27: ten times. As often: the first.
    expect(whyShut(trip, 0, 30, 3, at(15))).toBe('waves over the limit');
    expect(whyShut(trip, 0, 30, 3, (t) => (t < 30 ? water() : water({ windMps: 20 })))).toBe('no bait within the skill of the party');
    expect(whyShut({ ...trip, footing: 1 }, 0, 30, 3, () => water())).toBe('no bait within the skill of the party');
  });
  it('is said from when, of the steps asked for alone', () => {
    const words = (from: number) =>
      shutWords(
        trip,
        0,
        [5, 10],
        (t) => START + t * 300_000,
        (t) => (t >= from ? water({ windMps: 20 }) : water()),
      );
    expect(inMetric(words(7))).toBe('wind over the limit from 08:35');
    expect(words(10)).toBe('');
  });
  it('counts a stay of four steps, and looks past the end at nothing', () => {
    expect(openSteps(trip, 0, 4, () => water())).toEqual([[0, 4]]);
    expect(openSteps(trip, 0, 3, () => water())).toEqual([]);
    const asked: number[] = [];
    const looked = (t: number) => {
      asked.push(t);
      return water();
    };
    openSteps(trip, 0, 8, looked, 3);
    expect(Math.max(...asked)).toBe(7);
    // A spot that is to rest until the start is fished from it.
    expect(openSteps({ ...trip, spots: [spot({ restsUntil: null })] }, 0, 4, () => water())).toEqual([[0, 4]]);
  });
});

describe('a limit that is crossed within a quarter of an hour', () => {
  it('shuts the quarter before it: no boat lies there when it is crossed', () => {
    const [fair, foul] = [water(), water({ windMps: 40 })];
    const over = (step: number) => (step < 12 ? fair : foul);
    expect(openSteps(trip, 1, 24, over)).toEqual([[0, 12]]);
    expect(openSteps(trip, 1, 24, over, 3)).toEqual([[0, 9]]);
    // The last quarter of a trip has no next one.
    expect(openSteps(trip, 1, 12, () => fair, 3)).toEqual([[0, 12]]);
  });
});
