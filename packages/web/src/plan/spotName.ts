import type { PlanDesk } from '@bluffwind/contract/plan';

/** A spot's name on a desk. Of one that is not on it only that is said: another captain keeps it, or it has been retired. */
export function spotName(desk: Pick<PlanDesk, 'spots' | 'hiddenLegs'>, id: string): string {
  return desk.spots.find((s) => s.id === id)?.name ?? (desk.hiddenLegs > 0 ? 'a kept spot' : 'a spot out of use');
}
