/** A wind at an hour at which a plan is no longer the best; limits that are null bind nothing. */
export interface TriggerCondition {
  readonly atMs: number;
  readonly aboveMps: number | null;
  readonly belowMps: number | null;
}

/** Whether a wind is past a trigger's edge. */
export function crossesTrigger(c: TriggerCondition, mps: number): boolean {
  return (c.aboveMps !== null && mps > c.aboveMps) || (c.belowMps !== null && mps < c.belowMps);
}
