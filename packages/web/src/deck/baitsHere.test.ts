import type { DeckPack } from '@bluffwind/contract/deck';
import { describe, expect, it } from 'vitest';
import { baitsHere } from './baitsHere';

const FROM = Date.UTC(2026, 5, 19, 8);
const pack = {
  presentations: [
    { id: 'a', name: 'Shad' },
    { id: 'b', name: 'Worm' },
    { id: 'c', name: 'Crab' },
  ],
  spots: [
    {
      id: 's',
      hourly: { fromMs: FROM, ratePerHour: [2, 2] },
      baits: [
        { id: 'a', ratePerHour: [0.5, 3] },
        { id: 'b', ratePerHour: [2, 1] },
      ],
    },
    { id: 'old' },
  ],
} as unknown as DeckPack;

describe('baits of a stop', () => {
  it('stand in the order of their rate in this hour, those that do not fit last', () => {
    expect(baitsHere(pack, 's', FROM + 60_000).map((b) => b.name)).toEqual(['Worm', 'Shad', 'Crab']);
    expect(baitsHere(pack, 's', FROM + 3_700_000).map((b) => b.name)).toEqual(['Shad', 'Worm', 'Crab']);
    expect(baitsHere(pack, 's', FROM + 60_000)[0]?.note).toBe('2.0 an hour here now, all rods');
    expect(baitsHere(pack, 's', FROM + 60_000)[2]?.note).toBeUndefined();
  });
  it('keep to the last hour that is told after the end, and stand by name in a pack of before', () => {
    expect(baitsHere(pack, 's', FROM + 9 * 3_600_000).map((b) => b.name)).toEqual(['Shad', 'Worm', 'Crab']);
    expect(baitsHere(pack, 'old', FROM).map((b) => b.name)).toEqual(['Crab', 'Shad', 'Worm']);
  });
});
