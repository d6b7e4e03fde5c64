import { saidDay, saidTime } from '@bluffwind/core/units/measure';
import type { DeckEntry } from '@bluffwind/contract/deck';
import { Problem } from '../errors';
import type { DeckTrip } from './onTrip';

/** How far a phone's clock may run ahead. */
const AHEAD_MS = 2 * 60_000;
/** How long before its trip an entry may be made. */
const EARLY_MS = 12 * 3_600_000;
/** Things are got ready days ahead. */
const EARLY_TICK_MS = 14 * 24 * 3_600_000;

/** Throws Problem when an entry comes from the future or long before its trip. @param zone - Of the outfit, for the words. */
export function requireTime(trip: DeckTrip, entry: Pick<DeckEntry, 'at' | 'kind'>, nowMs: number, zone: string): void {
  const at = Date.parse(entry.at);
  const when = (ms: number) => `${saidTime(ms, zone)} on ${saidDay(ms, zone)}`;
  if (at > nowMs + AHEAD_MS)
    throw new Problem('invalid', `at: ${when(at)} is in the future; check the phone's clock`, [{ field: 'at', message: 'in the future' }]);
  const early = entry.kind === 'tick' ? EARLY_TICK_MS : EARLY_MS;
  if (at < trip.startsAt.getTime() - early)
    throw new Problem(
      'invalid',
      `at: ${when(at)} is more than ${early / 3_600_000} h before the trip, which begins at ${when(trip.startsAt.getTime())}; log it on its day, or check the phone's clock`,
      [{ field: 'at', message: 'before the trip' }],
    );
}
