import { describe, expect, it } from 'vitest';
import { HOUR } from '../units/time';
import { guessPastMapping, readPastTrips, tripsOf } from './pastTrips';
import { readTable } from './table';

const read = (csv: string, zone = 'UTC') => {
  const table = readTable(csv);
  const mapping = guessPastMapping(table, zone);
  return { mapping, ...readPastTrips(table, mapping) };
};
const dayStartMs = (date: string) => Date.parse(`${date}T07:00:00Z`);
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16);

describe('past trips out of a table', () => {
  it('are read by their headings, whatever their order', () => {
    const { mapping, rows, refused } = read(
      'Place,Date,Lines in,Lines out,Lure,Species,Caught,Length (in),Rods\nDam wall,18/06/2024,6:30 am,8:00 am,Blade,Perch,1,12,2\nWeed edge,18/06/2024,8:30,10:00,Shad,,0,,2\n',
    );
    expect(mapping).toMatchObject({ order: 'dmy', lengthMm: 25.4, columns: { hours: -1 } });
    expect(refused).toEqual([]);
    expect(rows[0]).toMatchObject({
      date: '2024-06-18',
      spot: 'Dam wall',
      bait: 'Blade',
      species: 'Perch',
      fish: 1,
      lengthMm: 305,
      rods: 2,
    });
    expect(clock(rows[0]?.fromMs ?? 0)).toBe('06:30');
    expect(rows[1]).toMatchObject({ fish: 0, lengthMm: null });
  });

  it('keep date and place of the line above where cells were merged', () => {
    const { rows } = read('date,spot,species,cm\n2024-06-18,Dam wall,Perch,30\n,,Perch,28\n');
    expect(rows.map((r) => [r.date, r.spot, r.fish])).toEqual([
      ['2024-06-18', 'Dam wall', 1],
      ['2024-06-18', 'Dam wall', 1],
    ]);
  });

  it('name the lines that cannot be used, and take the others', () => {
    const { rows, refused } = read(
      'date,spot,fish,hours\nsoon,Dam,1,2\n2024-06-18,,1,2\n2024-06-18,Dam,many,2\n2024-06-18,Dam,900,2\n2024-06-18,Dam,1,40\n2024-06-18,Dam,2,1\n',
    );
    expect(refused.map((r) => [r.line, r.reason])).toEqual([
      [2, '"soon" is no date'],
      [3, 'it has no place'],
      [4, '"many" is no figure for fish'],
      [5, '900 fish on one line'],
      [6, '40 hours on one line'],
    ]);
    expect(rows).toHaveLength(1);
  });

  it('become one trip a day with its stops in order; lines of one place are one stop', () => {
    const { rows } = read(
      'date,spot,bait,species,fish,hours\n2024-06-18,Dam,Blade,Perch,3,1.5\n2024-06-18,Dam,Shad,,0,1.5\n2024-06-18,Weed,Shad,Pike,1,1\n2024-06-20,Dam,Blade,,0,2\n',
    );
    const { trips, without } = tripsOf(rows, { usualHours: null, rods: 2, dayStartMs });
    expect(without).toBe(0);
    expect(trips.map((t) => t.date)).toEqual(['2024-06-18', '2024-06-20']);
    const [first] = trips;
    expect(first?.stops.map((s) => [s.spot, clock(s.fromMs), clock(s.toMs), s.sets.map((x) => [x.bait, x.rods, x.fish.length])])).toEqual([
      [
        'Dam',
        '07:00',
        '08:30',
        [
          ['Blade', 2, 3],
          ['Shad', 2, 0],
        ],
      ],
      ['Weed', '08:30', '09:30', [['Shad', 2, 1]]],
    ]);
  });

  it('leave out lines without effort unless somebody says how long a stop usually was', () => {
    const { rows } = read('date,spot,fish\n2024-06-18,Dam,1\n2024-06-18,Weed,0\n');
    expect(tripsOf(rows, { usualHours: null, rods: 1, dayStartMs })).toEqual({ trips: [], without: 2 });
    const { trips } = tripsOf(rows, { usualHours: 1.5, rods: 1, dayStartMs });
    expect((trips[0]?.toMs ?? 0) - (trips[0]?.fromMs ?? 0)).toBe(3 * HOUR);
  });

  it('never let two stops of a day overlap, though their times do', () => {
    const { rows } = read('date,from,to,spot\n2024-06-18,07:00,09:00,Dam\n2024-06-18,08:30,10:00,Weed\n');
    const [trip] = tripsOf(rows, { usualHours: null, rods: 1, dayStartMs }).trips;
    expect(trip?.stops[1]?.fromMs).toBe(trip?.stops[0]?.toMs);
  });
});
