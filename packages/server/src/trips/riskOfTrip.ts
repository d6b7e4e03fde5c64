// What a trip's boat and party bring to the judgement of risk.
import { partyAtRisk } from '@bluffwind/core/risk/partyOf';
import type { BoatRow } from '../db/entities/boats';
import type { ClientRow } from '../db/entities/clients';
import type { TripRow } from '../db/entities/trip';

/** A boat's own limits; those that are null are not known. */
export function limitsOf({ draughtM, windLimitMps, gustLimitMps, waveLimitM, speedMps, roughMps, craft }: BoatRow) {
  return { draughtM, windLimitMps, gustLimitMps, waveLimitM, speedMps, roughMps, afloat: craft === 'boat' };
}

/** Who is aboard, as far as limits go. */
export function partyOfTrip(trip: Pick<TripRow, 'limitShare'>, guests: readonly Pick<ClientRow, 'child' | 'experience' | 'swims'>[]) {
  return partyAtRisk(guests, trip.limitShare);
}
