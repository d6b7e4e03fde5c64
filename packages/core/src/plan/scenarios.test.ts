// Other ways a day may go, each held against its forecast instant by instant.
import { describe, expect, it } from 'vitest';
import { inMetric } from '../units/measure';
import { HOUR } from '../units/time';
import type { Series } from '../weather/series';
import { scenariosOf, windLater } from './scenarios';
import { inputs, START } from './testTrip';
import { nth } from '../units/indexed';

const AT = Array.from({ length: 6 }, (_, i) => START + i * HOUR);
const series = (value: readonly number[], forecastFrom = 2): Series => ({ atMs: AT, value: [...value], forecastFrom });
const wind = { east: series([3, 3, 3, 6, 6, 6]), north: series([4, 4, 4, 8, 8, 8]), gust: series([7, 7, 7, 14, 14, 14]) };
const base = inputs().water;
const water = {
  ...base,
  wind,
  currents: [{ lat: 0, lon: 0, constants: [{ name: 'M2', phaseDeg: 10, amplitude: 1 }] }] as never,
  levelM: series([0, 0, 0, 0, 0, 0]),
};
const of = (id: string, w = water as typeof base, members: Parameters<typeof scenariosOf>[1] = null) =>
  scenariosOf(w, members, []).find((s) => s.id === id);

describe('scenarios', () => {
  it('are a stronger and a weaker wind, an early and a late change, an early and a late tide, and each spot taken', () => {
    const list = scenariosOf(water, null, [{ id: 'lee', name: 'Lee wall' }]);
    expect(list.map((s) => [s.id, s.kind, inMetric(s.words)])).toEqual([
      ['wind 3', 'wind', 'the wind is 3 m/s stronger than forecast'],
      ['wind -3', 'wind', 'the wind is 3 m/s weaker than forecast'],
      ['shift -1.5', 'shift', "the wind's change comes an hour and a half early"],
      ['shift 1.5', 'shift', "the wind's change comes an hour and a half late"],
      ['tide -1', 'tide', 'the tide turns an hour early'],
      ['tide 1', 'tide', 'the tide turns an hour late'],
      ['taken lee', 'taken', 'Lee wall is taken'],
    ]);
    expect(list.at(-1)).toMatchObject({ water, takenSpotId: 'lee' });
  });
  it('speak of no wind and no tide where there is none', () => {
    expect(scenariosOf({ ...water, wind: null }, null, []).map((s) => s.kind)).toEqual(['tide', 'tide']);
    expect(scenariosOf({ ...water, tide: null }, null, []).map((s) => s.kind)).toEqual(['wind', 'wind', 'shift', 'shift']);
    expect(scenariosOf({ ...water, wind: null, tide: null }, { atMs: AT, members: [{ east: [], north: [] }] }, [])).toEqual([]);
  });

  it('keep the direction of a stronger wind and the ratio of its gusts, and what was measured', () => {
    const w = of('wind 3')?.water.wind;
    // 5 m/s become 8, 10 become 13: from the first forecast on.
    expect(w?.east.value).toEqual([3, 3, ...[3 * 1.6, 6 * 1.3, 6 * 1.3, 6 * 1.3].map((v) => expect.closeTo(v, 9))]);
    expect(w?.north.value).toEqual([4, 4, ...[4 * 1.6, 8 * 1.3, 8 * 1.3, 8 * 1.3].map((v) => expect.closeTo(v, 9))]);
    expect(w?.gust?.value).toEqual([7, 7, ...[7 * 1.6, 14 * 1.3, 14 * 1.3, 14 * 1.3].map((v) => expect.closeTo(v, 9))]);
  });
  it('let a weaker wind die and not turn round, and leave a calm alone', () => {
    const light = {
      ...water,
      wind: { ...wind, east: series([1, 1, 1, 1, 0.3, 0]), north: series([0, 0, 0, 0, 0, 0]), gust: null },
    } as typeof base;
    expect(of('wind -3', light)?.water.wind?.east.value).toEqual([1, 1, 0, 0, 0, 0]);
    expect(of('wind -3', light)?.water.wind?.gust).toBeNull();
    // From three tenths on there is a direction to blow from.
    expect(of('wind 3', light)?.water.wind?.east.value).toEqual([1, 1, 4, 4, expect.closeTo(3.3, 9), 0]);
  });
  it('have no gusts follow a wind of less than half a metre', () => {
    const light = {
      ...water,
      wind: { east: series([0.5, 0.5, 0.5, 0.4, 0.5, 0.5]), north: series([0, 0, 0, 0, 0, 0]), gust: series([2, 2, 2, 2, 2, 2]) },
    } as typeof base;
    const gust = of('wind 3', light)?.water.wind?.gust?.value as number[];
    expect(gust[2]).toBeCloseTo(14, 9);
    expect(gust[3]).toBe(2);
  });

  it('bring the wind of before, between its instants too, and what lies before them as it is', () => {
    const late = windLater(wind, 1.5);
    expect(late.east.value).toEqual([3, 3, 3, 3, expect.closeTo(4.5, 9), 6]);
    expect(late.gust?.value).toEqual([7, 7, 7, 7, expect.closeTo(10.5, 9), 14]);
    // Earlier: the last hours have nothing after them.
    expect(windLater(wind, -1).east.value).toEqual([3, 3, 6, 6, 6, 6]);
    expect(windLater(wind, -1.5).east.value).toEqual([3, 3, 6, 6, 6, 6]);
    expect(windLater({ ...wind, gust: null }, 1).gust).toBeNull();
    expect(windLater(wind, 9).east.value).toEqual(wind.east.value);
    expect(of('shift 1.5')?.water.wind).toEqual(late);
    expect(of('shift -1.5')?.water.wind).toEqual(windLater(wind, -1.5));
  });

  it('turn the constants of the tide and of the currents, and drop what the gauge is off', () => {
    const late = of('tide 1')?.water;
    // M2 turns 28.984 degrees an hour (Schureman 1958, table 2).
    expect(late?.tide?.constants[0]?.phaseDeg).toBeCloseTo(300 + 28.984, 3);
    expect(of('tide -1')?.water.tide?.constants[0]?.phaseDeg).toBeCloseTo(300 - 28.984, 3);
    expect(late?.currents[0]).toMatchObject({ lat: 0, constants: [{ name: 'M2', phaseDeg: expect.closeTo(38.984, 3), amplitude: 1 }] });
    expect(late?.levelM).toBeNull();
  });

  it('take each forecast as it differs from the mean of all, between their instants, and only where all speak', () => {
    // Three hours apart; the second member blows 4 m/s harder from the west, the third says nothing of the last hour.
    const atMs = [nth(AT, 0), nth(AT, 3)];
    const members = {
      atMs,
      members: [
        { east: [0, 0], north: [1, 1] },
        { east: [4, 10], north: [1, 1] },
      ],
    };
    const [low, high] = ['member 0', 'member 1'].map((id) => of(id, water as typeof base, members));
    expect(low?.words).toBe('forecast 1 is right');
    expect(low?.water.wind?.north.value).toEqual(wind.north.value);
    // At two hours the members stand 8 apart, at three 10; later they do not speak.
    expect(high?.water.wind?.east.value).toEqual([3, 3, expect.closeTo(3 + 4, 9), expect.closeTo(6 + 5, 9), 6, 6]);
    expect(low?.water.wind?.east.value).toEqual([3, 3, expect.closeTo(3 - 4, 9), expect.closeTo(6 - 5, 9), 6, 6]);
    // Gusts keep their ratio: at three hours 10 m/s become the length of (11, 8).
    expect(high?.water.wind?.gust?.value[3]).toBeCloseTo((14 * Math.hypot(11, 8)) / 10, 9);
    expect(high?.water.wind?.gust?.value[5]).toBe(14);
    const before = { atMs: [nth(AT, 3), nth(AT, 5)], members: members.members };
    expect(of('member 1', water as typeof base, before)?.water.wind?.east.value.slice(0, 3)).toEqual([3, 3, 3]);
  });
});
