import type { PlanDesk } from '@bluffwind/contract/plan';

/** Empty for one that the desk does not know. */
export const presentationName = (desk: Pick<PlanDesk, 'presentations'>, id: string): string =>
  desk.presentations.find((p) => p.id === id)?.name ?? '';
