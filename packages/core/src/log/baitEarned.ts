// What a bait earned for its cost: fish against the bait that went and the rigs that were lost.

export interface BaitCount {
  readonly name: string;
  readonly rodHours: number;
  readonly fish: number;
  /** Bait an hour, in the outfit's money. */
  readonly costPerHour: number;
  /** Rigs lost of it, as far as days were looked back on, and the rod-hours of those days. */
  readonly lost: number;
  readonly lookedBackH: number;
  /** Price of a piece; null where the boxes do not hold one of its name with a price. */
  readonly pieceCost: number | null;
}

export interface BaitEarned extends BaitCount {
  /** Bait and lost pieces over all its rod-hours: losses are taken to have come as often on days that nobody looked back on. */
  readonly cost: number;
  /** Of a landed fish; null where none was landed. */
  readonly costPerFish: number | null;
  readonly lostPerHour: number | null;
}

/** @returns Those that cost something first, the cheapest fish first among them. */
export function baitEarned(counts: readonly BaitCount[]): BaitEarned[] {
  return counts
    .map((c): BaitEarned => {
      const lostPerHour = c.lookedBackH > 0 ? c.lost / c.lookedBackH : null;
      const cost = c.rodHours * c.costPerHour + (c.pieceCost ?? 0) * (lostPerHour ?? 0) * c.rodHours;
      return { ...c, lostPerHour, cost, costPerFish: c.fish > 0 ? cost / c.fish : null };
    })
    .sort(
      (a, b) =>
        Number(b.cost > 0) - Number(a.cost > 0) ||
        (a.costPerFish ?? Number.POSITIVE_INFINITY) - (b.costPerFish ?? Number.POSITIVE_INFINITY) ||
        (a.name < b.name ? -1 : 1),
    );
}
