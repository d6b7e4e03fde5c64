import type { PlanDesk } from '@bluffwind/contract/plan';
import type { Quantity } from '@bluffwind/core/risk/judge';
import { useState } from 'react';

const NOTHING: readonly Quantity[] = [];

/** A kept plan was kept by somebody who had seen what is not known; if no more is unknown now, that holds. */
function bySaved(desk: PlanDesk | undefined, notKnown: readonly Quantity[]): boolean {
  return desk?.saved != null && notKnown.every((q) => desk.saved?.notKnown.includes(q));
}

/** Whether the person has seen what is not known of the day; what is unknown besides is asked anew. */
export function useSeen(desk: PlanDesk | undefined, notKnown: readonly Quantity[] = NOTHING) {
  const [saw, setSaw] = useState<readonly Quantity[]>(NOTHING);
  const seen = notKnown.every((q) => saw.includes(q)) || bySaved(desk, notKnown);
  return { notKnown, seen, seenOf: seen ? notKnown : NOTHING, see: () => setSaw(notKnown) };
}
