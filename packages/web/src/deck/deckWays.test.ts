import type { DeckPack } from '@bluffwind/contract/deck';
import { describe, expect, it } from 'vitest';
import { withRest } from './takenRest';
import { wayThere } from './wayThere';

// A minute of latitude is a nautical mile, 1852 m, by its old definition.
const spot = (id: string, lat: number, lon: number, travelMin: Record<string, number> = {}) => ({ id, name: id, lat, lon, travelMin });
const pier = spot('Pier', 47.6, -35.2, { Reef: 9 });
const reef = spot('Reef', 47.6 + 1 / 60, -35.2);
const leg = (spotId: string, startAt = '') => ({ spotId, presentationId: 'shad', startAt, departAt: '', expected: 1, lo80: 0, hi80: 2 });
const pack = {
  boat: { speedMps: 10 },
  spots: [pier, reef],
  legs: [leg('Pier'), leg('Reef'), leg('Bank')].map((l) => ({ ...l, secondId: 'worm', table: { stepMin: 5 } })),
} as unknown as DeckPack;

describe('the way to the next stop', () => {
  it('is straight from where the phone is, with the least time that it can take', () => {
    const own = { lat: 47.6, lon: -35.2, accuracyM: 5 };
    expect(wayThere(pack, pack.spots[1] as DeckPack['spots'][number], own, undefined)).toBe('1.9 km N (000°) from here, 4 min or more');
  });
  it('is the charted way from the spot that was left last where the phone is not known', () => {
    expect(wayThere(pack, pack.spots[1] as DeckPack['spots'][number], null, pack.spots[0])).toBe(
      '1.9 km N (000°) from Pier, 9 min by the charted way',
    );
    expect(wayThere(pack, pack.spots[1] as DeckPack['spots'][number], null, undefined)).toBe('');
  });
});

describe('a rest of the day that was taken', () => {
  it('keeps the stops that were fished, and its own after them', () => {
    const now = withRest(pack, [leg('Bank', 'now')], new Set(['Pier']));
    expect(now.legs.map((l) => [l.spotId, l.startAt, l.secondId, l.table !== null])).toEqual([
      ['Pier', '', 'worm', true],
      ['Bank', 'now', 'worm', false],
    ]);
  });
  it('is the plan while none was taken', () => {
    expect(withRest(pack, null, new Set())).toBe(pack);
  });
});
