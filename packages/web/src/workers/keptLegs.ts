import type { SavedPlan } from '@bluffwind/contract/plan';

/** Legs of a kept plan in instants, as the core reads them. */
export function keptLegs(saved: SavedPlan) {
  const ms = (iso: string) => Date.parse(iso);
  return saved.legs.map((l) => ({
    spotId: l.spotId,
    presentationId: l.presentationId,
    startMs: ms(l.startAt),
    departMs: ms(l.departAt),
    parts: l.parts.map((p) => ({ presentationId: p.presentationId, fromMs: ms(p.fromAt), toMs: ms(p.toAt) })),
  }));
}
