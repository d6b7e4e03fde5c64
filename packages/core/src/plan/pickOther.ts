import type { PlanInputs, PlanPresentation } from './planInputs';

/** Another presentation at a spot and hour, with what it is worth there. */
export interface OtherBait {
  readonly presentationId: string;
  readonly ratePerRodHour: number;
}

/** Covers water fast from here on, of 5. */
const FAST_COVER = 4;

/** Best that looks different and fishes elsewhere in the water; null when none is aboard. @param others - Best first. */
export function secondBait(
  inputs: Pick<PlanInputs, 'presentations'>,
  first: PlanPresentation,
  others: readonly OtherBait[],
): OtherBait | null {
  return pickOther(inputs, first, others, (p) => p.look !== first.look && p.zone !== first.zone);
}

/** Best that covers water fast, to find them with before a slower one finishes (P31); null when the first one does. */
export function searchBait(
  inputs: Pick<PlanInputs, 'presentations'>,
  first: PlanPresentation,
  others: readonly OtherBait[],
): OtherBait | null {
  return first.coverRate >= FAST_COVER ? null : pickOther(inputs, first, others, (p) => p.coverRate >= FAST_COVER);
}

function pickOther(
  inputs: Pick<PlanInputs, 'presentations'>,
  first: PlanPresentation,
  others: readonly OtherBait[],
  fits: (p: PlanPresentation) => boolean,
): OtherBait | null {
  return (
    others.find((o) => {
      const p = inputs.presentations.find((x) => x.id === o.presentationId);
      return p !== undefined && p.id !== first.id && fits(p);
    }) ?? null
  );
}
