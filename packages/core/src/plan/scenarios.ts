// Other ways tomorrow may go: the forecast's own members, a stronger or weaker wind, a shift that comes early or late, a
// tide that turns early or late, a spot that is taken.
import type { WaterRecord } from '../conditions/waterRecord';
import { HOUR } from '../units/time';
import { constituentSpeed } from '../tide/constituents';
import { indexAt, type Series } from '../weather/series';
import type { WindSeries } from '../weather/wind';
import { said } from '../units/measure';
import { nth, num } from '../units/indexed';

/** Wind of each member of a forecast, as components at shared instants. */
export interface MemberWinds {
  readonly atMs: readonly number[];
  readonly members: readonly { readonly east: readonly number[]; readonly north: readonly number[] }[];
}

export interface Scenario {
  readonly id: string;
  readonly kind: 'member' | 'wind' | 'shift' | 'tide' | 'taken';
  /** How it is said: "the wind is 3 m/s stronger". */
  readonly words: string;
  readonly water: WaterRecord;
  readonly takenSpotId?: string;
}

const STRONGER_MPS = 3;
const SHIFT_H = 1.5;
const TURN_H = 1;

const onForecast = (s: Series, value: (v: number, at: number) => number): Series => ({
  ...s,
  value: s.value.map((v, i) => (i >= s.forecastFrom ? value(v, num(s.atMs, i)) : v)),
});

function linear(atMs: readonly number[], values: readonly number[], at: number): number | null {
  const i = indexAt(atMs, at);
  const [t0, t1] = [atMs[i], atMs[i + 1]];
  if (t0 === undefined) return null;
  if (t1 === undefined) return t0 === at ? num(values, i) : null;
  return num(values, i) + ((at - t0) / (t1 - t0)) * (num(values, i + 1) - num(values, i));
}

function withMember(wind: WindSeries, m: MemberWinds, member: number): WindSeries {
  const off = (key: 'east' | 'north') => (v: number, at: number) => {
    const own = linear(m.atMs, nth(m.members, member)[key], at);
    const all = m.members.map((x) => linear(m.atMs, x[key], at)).filter((x) => x !== null);
    if (own === null || all.length < m.members.length) return v;
    return v + own - all.reduce((a, b) => a + b, 0) / all.length;
  };
  const next = { east: onForecast(wind.east, off('east')), north: onForecast(wind.north, off('north')), gust: wind.gust };
  return { ...next, gust: gustsAfter(wind, next) };
}

/** Gusts keep their ratio to the wind. */
function gustsAfter(before: WindSeries, after: Pick<WindSeries, 'east' | 'north'>): Series | null {
  if (!before.gust) return null;
  const speed = (w: Pick<WindSeries, 'east' | 'north'>, at: number) => {
    const [e, n] = [linear(w.east.atMs, w.east.value, at), linear(w.north.atMs, w.north.value, at)];
    return e === null || n === null ? null : Math.hypot(e, n);
  };
  return onForecast(before.gust, (v, at) => {
    const [was, is] = [speed(before, at), speed(after, at)];
    return was === null || is === null || was < 0.5 ? v : (v * is) / was;
  });
}

function stronger(wind: WindSeries, by: number): WindSeries {
  const scale = wind.east.value.map((e, i) => {
    const speed = Math.hypot(e, num(wind.north.value, i));
    return speed < 0.3 ? 1 : Math.max(0, speed + by) / speed;
  });
  const scaled = (s: Series): Series => ({ ...s, value: s.value.map((v, i) => (i >= s.forecastFrom ? v * num(scale, i) : v)) });
  const next = { east: scaled(wind.east), north: scaled(wind.north) };
  return { ...next, gust: gustsAfter(wind, next) };
}

/** The wind of so many hours before, from now on. */
export function windLater(wind: WindSeries, hours: number): WindSeries {
  const moved = (s: Series) => onForecast(s, (v, at) => linear(s.atMs, s.value, at - hours * HOUR) ?? v);
  return { east: moved(wind.east), north: moved(wind.north), gust: wind.gust && moved(wind.gust) };
}

/** The tide of an hour ago, or hence: the phases of its constants turned. */
function tideLater(water: WaterRecord, hours: number): WaterRecord {
  if (!water.tide) return water;
  const turn = <C extends { name: string; phaseDeg: number; speedDegPerHour?: number }>(c: C): C => ({
    ...c,
    phaseDeg: c.phaseDeg + (c.speedDegPerHour ?? constituentSpeed(c.name)) * hours,
  });
  return {
    ...water,
    tide: { ...water.tide, constants: water.tide.constants.map(turn) },
    // What the gauge is off belongs to the tide as it was foretold.
    levelM: null,
    currents: water.currents.map((c) => ({ ...c, constants: c.constants.map(turn) })),
  };
}

/** Scenarios of a water for a plan's spots. */
export function scenariosOf(
  water: WaterRecord,
  members: MemberWinds | null,
  planned: readonly { readonly id: string; readonly name: string }[],
): Scenario[] {
  const list: Scenario[] = [];
  const { wind } = water;
  if (wind) {
    members?.members.forEach((_, m) => {
      list.push({
        id: `member ${m}`,
        kind: 'member',
        words: `forecast ${m + 1} is right`,
        water: { ...water, wind: withMember(wind, members, m) },
      });
    });
    for (const by of [STRONGER_MPS, -STRONGER_MPS])
      list.push({
        id: `wind ${by}`,
        kind: 'wind',
        words: `the wind is ${said(STRONGER_MPS, 'wind', 0)} ${by > 0 ? 'stronger' : 'weaker'} than forecast`,
        water: { ...water, wind: stronger(wind, by) },
      });
    for (const h of [-SHIFT_H, SHIFT_H])
      list.push({
        id: `shift ${h}`,
        kind: 'shift',
        words: `the wind's change comes an hour and a half ${h < 0 ? 'early' : 'late'}`,
        water: { ...water, wind: windLater(wind, h) },
      });
  }
  if (water.tide)
    for (const h of [-TURN_H, TURN_H])
      list.push({ id: `tide ${h}`, kind: 'tide', words: `the tide turns an hour ${h < 0 ? 'early' : 'late'}`, water: tideLater(water, h) });
  for (const spot of planned)
    list.push({ id: `taken ${spot.id}`, kind: 'taken', words: `${spot.name} is taken`, water, takenSpotId: spot.id });
  return list;
}
