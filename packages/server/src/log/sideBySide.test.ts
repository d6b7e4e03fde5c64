import { expect, test } from 'vitest';
import { sideBySide } from './sideBySide';

const rods = (tripId: string, arm: string | null, fish: number, bait = 'Soft shad') => ({
  tripId,
  tried: arm === null ? null : ('leader' as const),
  arm,
  bait,
  rodHours: 2,
  bites: fish + 2,
  hooked: fish + 1,
  fish,
});

test('sums the sides of a trial over the trips that fished the same sides', () => {
  expect(
    sideBySide([rods('a', '3 kg', 1), rods('a', '6 kg', 0), rods('a', '3 kg', 2), rods('b', '6 kg', 4), rods('b', '3 kg', 1)]),
  ).toEqual([
    {
      what: 'leader',
      bait: 'Soft shad',
      trips: 2,
      arms: [
        { arm: '3 kg', rodHours: 6, bites: 10, hooked: 7, landed: 4 },
        { arm: '6 kg', rodHours: 4, bites: 8, hooked: 6, landed: 4 },
      ],
    },
  ]);
});

test('sets nothing against what was fished on another trip, with another bait, or with no side of a trial', () => {
  expect(
    sideBySide([rods('a', '3 kg', 1), rods('b', '6 kg', 1), rods('c', '3 kg', 1), rods('c', '6 kg', 1, 'Spoon'), rods('c', null, 3)]),
  ).toEqual([]);
});

test('keeps trips that tried two sides apart from trips that tried three', () => {
  const trials = sideBySide(['3 kg', '6 kg'].map((a) => rods('a', a, 1)).concat(['3 kg', '6 kg', '9 kg'].map((a) => rods('b', a, 1))));
  expect(trials.map((t) => [t.trips, t.arms.length])).toEqual([
    [1, 2],
    [1, 3],
  ]);
});
