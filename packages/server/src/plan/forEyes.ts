import type { SavedPlan } from '@bluffwind/contract/plan';

/** A kept plan for somebody who may not be told of some of its spots: their names, reasons and the plans B with them are left out. */
export function forEyes(plan: SavedPlan, mayKnow: (spotId: string) => boolean): SavedPlan {
  if (plan.legs.every((l) => mayKnow(l.spotId)) && plan.basis.every((b) => mayKnow(b.spotId))) return plan;
  return {
    ...plan,
    triggers: [],
    basis: plan.basis.map((b) => (mayKnow(b.spotId) ? b : { ...b, spotName: 'a kept spot', reasons: [], factors: [], stopIds: [] })),
  };
}
