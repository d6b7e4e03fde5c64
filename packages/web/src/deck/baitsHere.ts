import type { DeckPack } from '@bluffwind/contract/deck';
import { HOUR } from '@bluffwind/core/units/time';
import { rate } from '../ui/format';

/** The trip's baits, the best here and now first, each with its rate; as they stand where the pack does not tell. */
export function baitsHere(pack: DeckPack, spotId: string, nowMs: number): { id: string; name: string; note: string | undefined }[] {
  const spot = pack.spots.find((s) => s.id === spotId);
  const hour = Math.max(0, Math.floor((nowMs - (spot?.hourly?.fromMs ?? nowMs)) / HOUR));
  const rateOf = (id: string) => {
    const list = spot?.baits?.find((b) => b.id === id)?.ratePerHour;
    return list?.[Math.min(hour, list.length - 1)];
  };
  return pack.presentations
    .map((p) => ({ ...p, rate: rateOf(p.id) }))
    .sort((a, b) => (b.rate ?? -1) - (a.rate ?? -1) || a.name.localeCompare(b.name))
    .map(({ id, name, rate: r }) => ({ id, name, note: r === undefined ? undefined : `${rate(r)} an hour here now, all rods` }));
}
