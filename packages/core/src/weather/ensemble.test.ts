import { describe, expect, it } from 'vitest';
import { HOUR } from '../units/time';
import { type MemberTrack, meanOf, meanWind, memberWinds, spreadOf, windSpread } from './ensemble';

const track = (variable: string, member: number, ...value: number[]): MemberTrack => ({
  variable,
  member,
  atMs: value.map((_, i) => i * HOUR),
  value,
});

describe('a forecast of several members', () => {
  const run = [
    track('windMps', 0, 4, 6),
    track('windMps', 1, 4, 10),
    track('windFromDeg', 0, 350, 180),
    track('windFromDeg', 1, 10, 180),
    track('airTempC', 0, 12, 13),
    track('airTempC', 1, 14, 19),
  ];

  it('has the mean and the edges of a figure', () => {
    expect(meanOf(run, 'airTempC')?.value).toEqual([13, 16]);
    expect(spreadOf(run, 'airTempC')).toEqual({ atMs: [0, HOUR], low: [12, 13], high: [14, 19] });
  });

  it('has the mean of winds about north from the north, not from the south (common practice: by its parts)', () => {
    const mean = meanWind(run);
    // Two winds of 4 m/s from 350 and 10 degrees blow together to the south with 4 cos 10.
    expect(mean?.east.value[0]).toBeCloseTo(0, 9);
    expect(mean?.north.value[0]).toBeCloseTo(-4 * Math.cos((10 * Math.PI) / 180), 9);
    expect(mean?.north.value[1]).toBeCloseTo(8, 9);
  });

  it('has edges of the wind by the speeds of its members', () => {
    const spread = windSpread(run);
    expect(spread?.low.map((v) => Math.round(v * 1e9) / 1e9)).toEqual([4, 6]);
    expect(spread?.high.map((v) => Math.round(v * 1e9) / 1e9)).toEqual([4, 10]);
  });

  it('leaves out a member that tells no direction, and has no wind where none does', () => {
    const lame = run.filter((m) => m.variable !== 'windFromDeg' || m.member !== 1);
    expect(memberWinds(lame)?.members).toHaveLength(1);
    expect(memberWinds(run.filter((m) => m.variable !== 'windFromDeg'))).toBeNull();
    expect(windSpread([])).toBeNull();
    expect(meanOf([], 'airTempC')).toBeNull();
  });
});
