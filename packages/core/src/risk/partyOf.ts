import type { PartyAtRisk } from './judge';

/** A guest as far as risk goes. */
export interface GuestAtRisk {
  readonly child: boolean;
  /** 1 first time to 3 knows his way. */
  readonly experience: number;
  /** False only where it is known that he does not. */
  readonly swims: boolean;
}

/** Counts of a party that lower the limits. @param share - Of the boat's limits, 0 to 1. */
export function partyAtRisk(guests: readonly GuestAtRisk[], share: number): PartyAtRisk {
  return {
    children: guests.filter((g) => g.child).length,
    firstTimers: guests.filter((g) => g.experience === 1).length,
    nonSwimmers: guests.filter((g) => !g.swims).length,
    share,
  };
}
