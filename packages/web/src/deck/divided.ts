import type { TrialPlan, TrialRods } from '@bluffwind/contract/trials';

/** Rods of a bait as lines go in, with what a trial has on them. */
export interface Rods {
  readonly presentationId: string;
  readonly rods: number;
  readonly trial?: TrialRods;
}

/** The rods of a bait divided among what a trial compares, as evenly as they go; together where there is none, or too few of them. */
export function divided({ presentationId, rods }: Rods, trial: TrialPlan | null): Rods[] {
  if (!trial || rods < trial.arms.length) return [{ presentationId, rods }];
  const each = Math.floor(rods / trial.arms.length);
  return trial.arms.map((arm, i) => ({
    presentationId,
    rods: each + (i < rods % trial.arms.length ? 1 : 0),
    trial: { what: trial.what, arm },
  }));
}
