/** A guest as far as risk goes. */
export interface GuestAtRisk {
  readonly child: boolean;
  /** 1 first time to 3 knows his way. */
  readonly experience: number;
  /** Null where nobody has asked: he counts as one who swims, and the party's page says that he was not asked. */
  readonly swims: boolean | null;
}

/** Counts of a party that lower the limits. @param share - Of the boat's limits, 0 to 1. */
export function partyAtRisk(guests: readonly GuestAtRisk[], share: number) {
  return {
    children: guests.filter((g) => g.child).length,
    firstTimers: guests.filter((g) => g.experience === 1).length,
    nonSwimmers: guests.filter((g) => g.swims === false).length,
    share,
  };
}
