import type { NewPlan } from '@bluffwind/contract/plan';
import type { Quantity } from '@bluffwind/core/risk/judge';
import type { Trigger } from '@bluffwind/core/plan/whatWouldChange';
import { v7 } from 'uuid';

/** Triggers kept with a plan. */
const MOST_TRIGGERS = 12;

interface ToKeep {
  /** Version that it replaces, 0 for the first. */
  readonly replaces: number;
  readonly bans: readonly string[];
  readonly again?: boolean;
  readonly without?: readonly string[];
  readonly legs: readonly { readonly spotId: string; readonly startMs: number; readonly departMs: number; readonly pinned: boolean }[];
  readonly triggers: readonly Trigger[];
  /** What is not known and the captain has seen so. */
  readonly seen?: readonly Quantity[];
}

/** A plan as it is sent to be kept, under an id of its own. */
export function newPlanOf({ replaces, bans, again = false, without = [], legs, triggers, seen = [] }: ToKeep): NewPlan {
  const iso = (ms: number) => new Date(ms).toISOString();
  const stay = (l: { spotId: string; startMs: number; departMs: number }) => ({
    spotId: l.spotId,
    startAt: iso(l.startMs),
    departAt: iso(l.departMs),
  });
  return {
    id: v7(),
    replaces,
    bans: [...bans],
    options: { again, without: [...without] },
    seen: [...seen],
    triggers: triggers.slice(0, MOST_TRIGGERS).map(({ sentence, worth, chance, condition, planB }) => ({
      sentence,
      worth,
      chance,
      condition,
      planB: planB.legs.map(stay),
    })),
    legs: legs.map((l) => ({ ...stay(l), pinned: l.pinned })),
  };
}
