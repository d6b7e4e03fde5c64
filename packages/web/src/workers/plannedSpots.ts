import type { PlanDesk } from '@bluffwind/contract/plan';

/** Spots that legs go to, once each, with their names; those that another captain keeps are left out. */
export function plannedSpots(
  desk: Pick<PlanDesk, 'spots'>,
  legs: readonly { readonly spotId: string }[],
): { readonly id: string; readonly name: string }[] {
  return desk.spots.filter((s) => legs.some((l) => l.spotId === s.id)).map(({ id, name }) => ({ id, name }));
}
