/** A fish on the boat: whose, and when. */
export interface Landed {
  readonly clientId: string | null;
  readonly atMs: number;
}

/**
 * Whose turn the rod is: who has had fewest fish; among those, who has waited longest since his last; among those who have had none, a child
 * first, then in the order of the party (common practice). Null without guests.
 */
export function whoseTurn<G extends { readonly id: string; readonly child: boolean }>(
  guests: readonly G[],
  landed: readonly Landed[],
): G | null {
  const of = (g: G) => landed.filter((k) => k.clientId === g.id);
  const ranked = guests.map((guest, place) => {
    const mine = of(guest);
    return { guest, place, fish: mine.length, lastMs: mine.reduce((last, k) => Math.max(last, k.atMs), Number.NEGATIVE_INFINITY) };
  });
  ranked.sort(
    (a, b) =>
      a.fish - b.fish ||
      (a.lastMs === b.lastMs ? 0 : a.lastMs - b.lastMs) ||
      Number(b.guest.child) - Number(a.guest.child) ||
      a.place - b.place,
  );
  return ranked[0]?.guest ?? null;
}
