import type { OutfitView } from '@bluffwind/contract/outfit';
import { localDate, localTime } from '@bluffwind/core/units/time';
import { newDraft, type TripDraft } from '../trips/tripDraft';
import type { Booking } from '../workers/bookings';
import { matchName } from './matchNames';

/** The trip that a booking would make, as a first guess: whatever of boats, captains and waters its words name, the usual ones otherwise. */
export function bookingDraft(b: Booking, outfit: OutfitView, zone: string, myId: string): TripDraft {
  const words = `${b.title} ${b.place} ${b.note}`;
  const date = localDate(b.fromMs, zone);
  const usual = newDraft(outfit, date, myId);
  const captains = outfit.crew.filter((p) => p.role !== 'mate');
  const named = (list: readonly { id: string; name: string }[]) => {
    const hits = list.filter((x) => matchName(words, [x]) !== null);
    return hits.length === 1 ? (hits[0]?.id ?? null) : null;
  };
  const waterId = named(outfit.waters) ?? usual.waterId;
  const kind = outfit.waters.find((w) => w.id === waterId)?.kind;
  return {
    ...usual,
    from: localTime(b.fromMs, zone),
    to: localTime(b.toMs, zone),
    waterId,
    boatId: named(outfit.boats) ?? usual.boatId,
    captainId: named(captains) ?? named(captains.map((p) => ({ ...p, name: p.name.split(' ')[0] ?? p.name }))) ?? usual.captainId,
    speciesIds: outfit.species
      .filter((s) => s.habitat === kind)
      .map((s) => s.id)
      .slice(0, 1),
    clientIds: outfit.clients.filter((c) => matchName(words, [c]) !== null).map((c) => c.id),
    wish: [b.title, b.note]
      .filter((x) => x !== '')
      .join('. ')
      .slice(0, 500),
    meeting: b.place,
  };
}
