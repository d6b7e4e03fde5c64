// A forecast of several members: their middle, and how far they stand apart.
import { num } from '../units/indexed';
import type { Track } from './joinForecast';
import { windComponents, windFromComponents } from './wind';

/** What one member foretells of one variable; all members of a run have the same instants. */
export interface MemberTrack extends Track {
  readonly member: number;
  readonly variable: string;
}

/** Lowest and highest member by time. */
export interface Spread {
  readonly atMs: number[];
  readonly low: number[];
  readonly high: number[];
}

/** Wind of each member, m/s to the east and to the north. */
export interface MemberWinds {
  readonly atMs: number[];
  readonly members: { readonly east: number[]; readonly north: number[] }[];
}

/** Wind of each member that tells speed and direction; null where none does. */
export function memberWinds(run: readonly MemberTrack[]): MemberWinds | null {
  const speeds = run.filter((m) => m.variable === 'windMps');
  const [first] = speeds;
  if (!first) return null;
  const members = speeds.flatMap((speed) => {
    const from = run.find((m) => m.variable === 'windFromDeg' && m.member === speed.member);
    if (!from) return [];
    const parts = speed.value.map((mps, i) => windComponents(mps, num(from.value, i)));
    return [{ east: parts.map((p) => p.east), north: parts.map((p) => p.north) }];
  });
  return members.length === 0 ? null : { atMs: [...first.atMs], members };
}

/** The mean of the members of one variable; null where it is not foretold. Winds are averaged by their parts, not by this. */
export function meanOf(run: readonly MemberTrack[], variable: string): Track | null {
  const members = run.filter((m) => m.variable === variable);
  const [first] = members;
  return first ? { atMs: [...first.atMs], value: first.atMs.map((_, i) => average(members.map((m) => num(m.value, i)))) } : null;
}

/** The mean wind, by its parts; null where it is not foretold. */
export function meanWind(run: readonly MemberTrack[]): { readonly east: Track; readonly north: Track } | null {
  const winds = memberWinds(run);
  if (!winds) return null;
  const { atMs, members } = winds;
  const mean = (part: 'east' | 'north') => ({ atMs, value: atMs.map((_, i) => average(members.map((m) => num(m[part], i)))) });
  return { east: mean('east'), north: mean('north') };
}

/** Between what the members of one variable lie; null where it is not foretold. */
export function spreadOf(run: readonly MemberTrack[], variable: string): Spread | null {
  const members = run.filter((m) => m.variable === variable);
  const [first] = members;
  return first
    ? edges(
        first.atMs,
        members.map((m) => m.value),
      )
    : null;
}

/** Between what the speeds of the members' winds lie, m/s. */
export function windSpread(run: readonly MemberTrack[]): Spread | null {
  const winds = memberWinds(run);
  return winds
    ? edges(
        winds.atMs,
        winds.members.map((m) => m.east.map((east, i) => windFromComponents(east, num(m.north, i)).mps)),
      )
    : null;
}

function edges(atMs: readonly number[], members: readonly (readonly number[])[]): Spread {
  const pick = (choose: (...v: number[]) => number) => atMs.map((_, i) => choose(...members.map((m) => num(m, i))));
  return { atMs: [...atMs], low: pick(Math.min), high: pick(Math.max) };
}

function average(values: readonly number[]): number {
  return values.reduce((a, b) => a + b, 0) / values.length;
}
