import type { Comparisons } from '@bluffwind/contract/trials';
import type { FishedRow } from '../db/entities/views';

type Trial = Comparisons['trials'][number];
type Rods = Pick<FishedRow, 'tripId' | 'tried' | 'arm' | 'bait' | 'rodHours' | 'bites' | 'hooked' | 'fish'>;

/** Sums of what fished side by side on the same trips; what was fished on one trip only is not set against what was fished on another. */
export function sideBySide(fished: readonly Rods[]): Comparisons['trials'] {
  const onTrip = new Map<string, { tripId: string; what: Trial['what']; bait: string; rods: Rods[] }>();
  for (const rods of fished) {
    if (rods.tried === null || rods.arm === null) continue;
    const key = JSON.stringify([rods.tripId, rods.tried, rods.bait]);
    const known = onTrip.get(key) ?? { tripId: rods.tripId, what: rods.tried, bait: rods.bait, rods: [] };
    known.rods.push(rods);
    onTrip.set(key, known);
  }
  const alike = new Map<string, { what: Trial['what']; bait: string; arms: string[]; trips: Set<string>; rods: Rods[] }>();
  for (const { tripId, what, bait, rods } of onTrip.values()) {
    const arms = [...new Set(rods.map((r) => r.arm as string))].sort();
    if (arms.length < 2) continue;
    const key = JSON.stringify([what, bait, arms]);
    const known = alike.get(key) ?? { what, bait, arms, trips: new Set<string>(), rods: [] };
    known.trips.add(tripId);
    known.rods.push(...rods);
    alike.set(key, known);
  }
  const order = (t: { what: string; bait: string; arms: readonly string[] }) => [t.what, t.bait, ...t.arms].join('\n');
  return [...alike.values()]
    .sort((a, b) => (order(a) < order(b) ? -1 : 1))
    .map(({ what, bait, arms, trips, rods }) => ({
      what,
      bait,
      trips: trips.size,
      arms: arms.map((arm) =>
        armOf(
          arm,
          rods.filter((r) => r.arm === arm),
        ),
      ),
    }));
}

function armOf(arm: string, rods: readonly Rods[]): Trial['arms'][number] {
  const sum = (of: (r: Rods) => number) => rods.reduce((n, r) => n + of(r), 0);
  return { arm, rodHours: sum((r) => r.rodHours), bites: sum((r) => r.bites), hooked: sum((r) => r.hooked), landed: sum((r) => r.fish) };
}
