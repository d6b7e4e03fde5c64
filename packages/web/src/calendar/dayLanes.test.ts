import type { TripView } from '@bluffwind/contract/trips';
import { describe, expect, it } from 'vitest';
import { hoursShown, lanesOf, movedTo } from './dayLanes';

const ZONE = 'Atlantic/Azores';
const trip = (id: string, boat: string, captain: string, startsAt: string, endsAt: string) =>
  ({ id, boat: { id: boat, name: boat }, captain: { id: captain, name: captain }, startsAt, endsAt }) as TripView;
const outfit = {
  boats: [
    { id: 'marrow', name: 'Marrow' },
    { id: 'wader', name: 'Wader' },
  ],
  crew: [
    { id: 'runa', name: 'Runa', role: 'owner' },
    { id: 'tobias', name: 'Tobias', role: 'captain' },
    { id: 'odd', name: 'Odd', role: 'mate' },
  ],
} as never;
// The Azores are at UTC in summer.
const trips = [
  trip('late', 'marrow', 'tobias', '2026-06-19T14:00:00Z', '2026-06-19T19:30:00Z'),
  trip('early', 'marrow', 'runa', '2026-06-19T05:30:00Z', '2026-06-19T11:00:00Z'),
  trip('across', 'old', 'runa', '2026-06-19T21:00:00Z', '2026-06-20T03:00:00Z'),
  trip('both', 'marrow', 'tobias', '2026-06-19T10:00:00Z', '2026-06-19T13:00:00Z'),
  trip('other day', 'wader', 'runa', '2026-06-21T10:00:00Z', '2026-06-21T13:00:00Z'),
];
const lanes = (by: 'boat' | 'captain', date = '2026-06-19') => lanesOf(outfit, trips, { date, zone: ZONE, by });

describe('a day in lanes', () => {
  it('has one for every boat, those with nothing to do and those out of use with a trip too', () => {
    expect(lanes('boat').map((l) => [l.id, l.bars.map((b) => b.trip.id)])).toEqual([
      ['marrow', ['early', 'both', 'late']],
      ['wader', []],
      ['old', ['across']],
    ]);
  });
  it('or for every captain, and none for mates', () => {
    expect(lanes('captain').map((l) => [l.id, l.bars.map((b) => b.trip.id)])).toEqual([
      ['runa', ['early', 'across']],
      ['tobias', ['both', 'late']],
    ]);
  });
  it('stands trips that overlap below one another', () => {
    const [marrow] = lanes('boat');
    expect(marrow?.bars.map((b) => [b.fromMin, b.toMin, b.row])).toEqual([
      [330, 660, 0],
      [600, 780, 1],
      [840, 1170, 0],
    ]);
    expect(marrow?.rows).toBe(2);
    expect(lanes('boat')[1]?.rows).toBe(1);
  });
  it('cuts a night’s trip at midnight, on both of its days', () => {
    expect(lanes('boat')[2]?.bars[0]).toMatchObject({ fromMin: 1260, toMin: 1440 });
    const [, , old] = lanes('boat', '2026-06-20');
    expect(old?.bars[0]).toMatchObject({ fromMin: 0, toMin: 180 });
    expect(lanes('boat', '2026-06-22').flatMap((l) => l.bars)).toEqual([]);
  });
  it('shows an hour round every trip, and six to eight where there is none', () => {
    expect(hoursShown(lanes('boat', '2026-06-22'))).toEqual({ from: 6, to: 20 });
    expect(hoursShown(lanes('boat'))).toEqual({ from: 4, to: 24 });
    expect(hoursShown(lanes('captain', '2026-06-20'))).toEqual({ from: 0, to: 20 });
  });
  it('moves a trip by quarters of an hour within its day', () => {
    const bar = { fromMin: 330, toMin: 660, whole: true };
    expect(movedTo(bar, 52)).toEqual({ from: '06:15', to: '11:45' });
    expect(movedTo(bar, -330)).toEqual({ from: '00:00', to: '05:30' });
    expect(movedTo(bar, -345)).toBeNull();
    expect(movedTo(bar, 780)).toBeNull();
    expect(movedTo(bar, 7)).toEqual({ from: '05:30', to: '11:00' });
  });
  it('leaves the hours of a trip that is cut at midnight, whose bar does not hold them', () => {
    for (const date of ['2026-06-19', '2026-06-20']) {
      const bar = lanes('boat', date)[2]?.bars[0];
      if (!bar) throw new Error(`the night's trip does not stand on ${date}`);
      expect(movedTo(bar, -60)).toBeNull();
      expect(movedTo(bar, 60)).toBeNull();
    }
  });
});
