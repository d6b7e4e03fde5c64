import { describe, expect, it } from 'vitest';
import { dayStarts, hourTicks, LABELS, layRibbon, TOP } from './layRibbon';

const SPECS = [
  ['light', 12],
  ['tide', 100],
  ['wind', 80],
] as const;
const asked = { specs: SPECS, ownHeight: 40, pocket: false, all: false, turn: 0 };

describe('layRibbon', () => {
  it('puts lanes below each other at a desk, the screen’s own last, with one unbroken cursor', () => {
    const laid = layRibbon(asked);
    expect(laid.lanes.map((l) => [l.name, l.top])).toEqual([
      ['light', TOP],
      ['tide', TOP + 12],
      ['wind', TOP + 112],
    ]);
    expect(laid.total).toBe(TOP + 192 + 40);
    expect(laid.ownShown).toBe(true);
    expect(laid.inTurn).toBe(0);
    expect(laid.segments).toEqual([[18, laid.total]]);
  });

  it('shows one lane at a time in a pocket, the screen’s own first, then round and round', () => {
    const names = [0, 1, 2, 3].map((turn) => {
      const laid = layRibbon({ ...asked, pocket: true, turn });
      return [laid.ownShown, ...laid.lanes.map((l) => l.name)];
    });
    expect(names).toEqual([
      [true, 'light'],
      [false, 'light', 'tide'],
      [false, 'light', 'wind'],
      [true, 'light'],
    ]);
    expect(layRibbon({ ...asked, pocket: true }).inTurn).toBe(3);
  });

  it('leaves the rows of names and values free of the cursor, and the row above each lane', () => {
    const laid = layRibbon({ ...asked, pocket: true, all: true });
    const [light, tide, wind] = laid.lanes;
    expect(light?.top).toBe(TOP);
    expect(tide?.top).toBe(TOP + 12 + laid.row);
    expect(wind?.top).toBe(TOP + 12 + 100 + 2 * laid.row);
    expect(laid.segments).toEqual([[18, TOP], ...laid.lanes.map((l) => [l.top, l.top + l.height]), [laid.total - 40, laid.total]]);
    // No two of them meet.
    for (const [i, [from]] of laid.segments.slice(1).entries()) expect(from).toBeGreaterThanOrEqual(laid.segments[i]?.[1] ?? 0);
  });

  it('has a place for a ribbon without lanes', () => {
    const laid = layRibbon({ specs: [], ownHeight: null, pocket: true, all: false, turn: 5 });
    expect(laid).toMatchObject({ lanes: [], total: TOP, inTurn: 0, ownShown: false });
    expect(LABELS).toBeGreaterThan(0);
  });
});

describe('hours and days', () => {
  it('names every third hour of a local day, the first half hour left out', () => {
    const from = Date.UTC(2026, 5, 19, 2);
    const ticks = hourTicks(from, from + 12 * 3_600_000, 'Etc/GMT+2', 3);
    // 02:00 UTC is midnight there.
    expect(ticks.map((t) => (t - from) / 3_600_000)).toEqual([3, 6, 9]);
  });

  it('keeps a day of 23 hours one day', () => {
    const from = Date.UTC(2026, 2, 28, 12);
    const days = dayStarts(from, from + 3 * 86_400_000, 'Europe/Berlin');
    expect(days[0]).toBe(from);
    // Clocks went forward on 29 March 2026 at 01:00 UTC: that day has 23 hours.
    expect(days.slice(1).map((d) => new Date(d).toISOString())).toEqual([
      '2026-03-28T23:00:00.000Z',
      '2026-03-29T22:00:00.000Z',
      '2026-03-30T22:00:00.000Z',
    ]);
  });
});
