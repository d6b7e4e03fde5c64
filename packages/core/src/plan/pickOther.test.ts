import { describe, expect, it } from 'vitest';
import { searchBait, secondBait } from './pickOther';
import type { PlanPresentation } from './planInputs';
import { inputs } from './testTrip';

const [shad] = inputs().presentations as [PlanPresentation];
const bait = (id: string, more: Partial<PlanPresentation>): PlanPresentation => ({ ...shad, id, name: id, ...more });
const presentations = [
  bait('first', { zone: 'middle', look: 'natural', coverRate: 2 }),
  bait('same-look', { zone: 'bottom', look: 'natural', coverRate: 3 }),
  bait('same-zone', { zone: 'middle', look: 'bait', coverRate: 4 }),
  bait('other', { zone: 'bottom', look: 'bait', coverRate: 5 }),
  bait('also', { zone: 'surface', look: 'bright', coverRate: 1 }),
];
const others = ['first', 'gone', 'same-look', 'same-zone', 'other', 'also'].map((presentationId, i) => ({
  presentationId,
  ratePerRodHour: 6 - i,
}));
const of = (id: string) => presentations.find((p) => p.id === id) as PlanPresentation;

describe('a second bait', () => {
  it('is the best that looks different and fishes elsewhere in the water', () => {
    expect(secondBait({ presentations }, of('first'), others)).toEqual({ presentationId: 'other', ratePerRodHour: 2 });
    expect(secondBait({ presentations }, of('first'), others.slice(5))?.presentationId).toBe('also');
  });
  it('is none where nothing aboard does', () => {
    expect(secondBait({ presentations }, of('first'), others.slice(0, 4))).toBeNull();
    expect(secondBait({ presentations }, of('first'), [])).toBeNull();
  });
});

describe('a bait to search with', () => {
  it('is the best that covers water fast', () => {
    expect(searchBait({ presentations }, of('first'), others)?.presentationId).toBe('same-zone');
    expect(searchBait({ presentations }, of('same-look'), others)?.presentationId).toBe('same-zone');
  });
  it('is none where the first one covers it fast itself, or nothing does', () => {
    expect(searchBait({ presentations }, of('same-zone'), others)).toBeNull();
    expect(searchBait({ presentations }, of('first'), others.slice(5))).toBeNull();
    // The first itself is no other, however fast it is told to be.
    expect(searchBait({ presentations: [bait('first', { coverRate: 5 })] }, of('first'), others)).toBeNull();
  });
});
