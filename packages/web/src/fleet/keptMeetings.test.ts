import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import { describe, expect, it } from 'vitest';
import { keptMeetings } from './keptMeetings';

const at = (clock: string) => `2026-06-19T${clock}:00.000Z`;
const boat = (name: string, legs: readonly (readonly [string, string, string])[]) => ({
  trip: { id: name, boat: { name } } as TripView,
  desk: {
    zone: 'Etc/GMT+2',
    spots: [{ id: 'drain', name: 'Dunlin drain' }],
    saved: { legs: legs.map(([spotId, arriveAt, departAt]) => ({ spotId, arriveAt: at(arriveAt), departAt: at(departAt) })) },
  } as unknown as PlanDesk,
});

describe('boats that meet in kept plans', () => {
  it('are named with the spot and the hours that they share, in the water’s own time', () => {
    const all = [boat('Marrow', [['drain', '10:00', '11:00']]), boat('Second Kettle', [['drain', '10:30', '12:00']])];
    expect(keptMeetings(all)).toEqual(['Marrow and Second Kettle meet at Dunlin drain from 08:30 to 09:00 in the plans that are kept.']);
  });
  it('do not meet when one leaves as the other comes, at different spots, or with itself', () => {
    const after = [boat('Marrow', [['drain', '10:00', '11:00']]), boat('Second Kettle', [['drain', '11:00', '12:00']])];
    expect(keptMeetings(after)).toEqual([]);
    const elsewhere = [boat('Marrow', [['drain', '10:00', '11:00']]), boat('Second Kettle', [['quay', '10:00', '11:00']])];
    expect(keptMeetings(elsewhere)).toEqual([]);
    const twice: (readonly [string, string, string])[] = [
      ['drain', '10:00', '11:00'],
      ['drain', '10:00', '11:00'],
    ];
    expect(keptMeetings([boat('Marrow', twice)])).toEqual([]);
  });
});
