import { describe, expect, it } from 'vitest';
import { readTideTable, type TideTableTerms } from './tideTable';

const UTC: TideTableTerms = { zone: 'UTC', order: 'dmy', metres: 1 };
const iso = (ms: number) => new Date(ms).toISOString();

describe('a table of tides', () => {
  it('is read with date, time, height and H or L', () => {
    const t = readTideTable('Date,Time,Pred(m),High/Low\n2026-06-19,04:12,3.41,H\n2026-06-19,10:25,0.52,L\n2026-06-19,16:40,3.30,H\n', UTC);
    if (t.kind !== 'turns') throw new Error(t.kind);
    expect(t.turns.map((x) => [iso(x.atMs), x.heightM, x.kind])).toEqual([
      ['2026-06-19T04:12:00.000Z', 3.41, 'high'],
      ['2026-06-19T10:25:00.000Z', 0.52, 'low'],
      ['2026-06-19T16:40:00.000Z', 3.3, 'high'],
    ]);
    expect(t.refused).toEqual([]);
  });

  it('tells highs from lows where the table does not, and takes slashes, commas, feet and a twelve-hour clock', () => {
    const t = readTideTable('19/06/2026 4:12 AM;11,2\n19/06/2026 10:25 AM;1,7\n19/06/2026 4:40 PM;10,8\n', { ...UTC, metres: 0.3048 });
    if (t.kind !== 'turns') throw new Error(t.kind);
    expect(t.turns.map((x) => x.kind)).toEqual(['high', 'low', 'high']);
    expect(t.turns[2]?.atMs).toBe(Date.UTC(2026, 5, 19, 16, 40));
    expect(t.turns[0]?.heightM).toBeCloseTo(3.414, 3);
  });

  it('passes over local times that a clock change leaves out, and reads the others by the zone', () => {
    // Clocks go from 2 to 3 on 29 March 2026 (tz database, CET).
    const t = readTideTable('date,time,height\n2026-03-28,20:00,1.0\n2026-03-29,02:30,3.0\n2026-03-29,08:45,1.1\n', {
      ...UTC,
      zone: 'CET',
    });
    if (t.kind !== 'turns') throw new Error(t.kind);
    expect(t.refused[0]).toMatchObject({ line: 3, reason: expect.stringContaining('does not exist') });
    expect(iso(t.turns[0]?.atMs ?? 0)).toBe('2026-03-28T19:00:00.000Z');
    expect(iso(t.turns[1]?.atMs ?? 0)).toBe('2026-03-29T06:45:00.000Z');
  });

  it('names a missing day and swapped highs and lows', () => {
    const t = readTideTable('2026-06-19,04:00,3.0,H\n2026-06-19,10:00,0.5,H\n2026-06-19,16:00,3.0,H\n2026-06-21,05:00,3.0,H\n', UTC);
    if (t.kind !== 'turns') throw new Error(t.kind);
    expect(t.refused).toMatchObject([{ line: 2, reason: 'a high water that stands below both its neighbours' }]);
    expect(t.gaps.map(([a, b]) => [iso(a), iso(b)])).toEqual([['2026-06-19T16:00:00.000Z', '2026-06-21T05:00:00.000Z']]);
  });

  it('is a series where heights follow each other closely', () => {
    const rows = Array.from({ length: 6 }, (_, k) => `2026-06-19 0${k}:00,${k / 2}`).join('\n');
    const t = readTideTable(`time,level\n${rows}`, UTC);
    expect(t).toMatchObject({ kind: 'heights', gaps: [] });
  });

  it('is a list of constants where it has names, amplitudes and phases', () => {
    const t = readTideTable('Constituent,Amplitude,Phase\nM2,1.399,109.4\nS2,0.213,145.0\nZ0,1.588,0\nK1,,\n', UTC);
    if (t.kind !== 'constants') throw new Error(t.kind);
    expect(t.constants).toEqual([
      { name: 'M2', amplitudeM: 1.399, phaseDeg: 109.4 },
      { name: 'S2', amplitudeM: 0.213, phaseDeg: 145 },
    ]);
    expect(t.z0M).toBe(1.588);
    expect(t.refused).toMatchObject([{ line: 5 }]);
  });

  it('is refused where there is nothing of the kind', () => {
    expect(() => readTideTable('name,colour\nperch,green\n', UTC)).toThrow(/No column has dates or times/);
    expect(() => readTideTable('date,note\n2026-06-19 04:00,calm\n', UTC)).toThrow(/No column has heights/);
  });
});
