import type { PlanDesk } from '@bluffwind/contract/plan';

/** A spot's name on a desk. One that is not on it is kept by another captain, and only that is said of it. */
export function spotName(desk: Pick<PlanDesk, 'spots'>, id: string): string {
  return desk.spots.find((s) => s.id === id)?.name ?? 'a kept spot';
}
