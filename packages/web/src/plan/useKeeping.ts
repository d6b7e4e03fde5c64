import type { PlanDesk, SavedPlan } from '@bluffwind/contract/plan';
import type { Trigger } from '@bluffwind/core/plan/whatWouldChange';
import type { Quantity } from '@bluffwind/core/risk/judge';
import { useQueryClient } from '@tanstack/react-query';
import { ApiProblem, post } from '../data/api';
import { deskQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { fish } from '../ui/format';
import { newPlanOf } from './newPlanOf';
import type { Working } from './planState';

interface Keeping {
  readonly desk: PlanDesk | undefined;
  readonly shown: Working | null;
  /** What the person saw to be unknown when it was planned. */
  readonly seen: readonly Quantity[];
  readonly onKept: (plan: SavedPlan) => void;
  readonly onRefused: (why: string) => void;
}

/** Keeps the plan on screen as the trip's next version, with what would change it. */
export function useKeeping(tripId: string, { desk, shown, seen, onKept, onRefused }: Keeping) {
  const queries = useQueryClient();
  return useSave<readonly Trigger[], SavedPlan>({
    send: (triggers) =>
      post(
        `/trips/${tripId}/plans`,
        newPlanOf({
          replaces: desk?.saved?.version ?? 0,
          bans: shown?.bans ?? [],
          again: shown?.again ?? false,
          legs: shown?.legs ?? [],
          triggers,
          seen,
        }),
      ),
    touches: [['board'], ['risks'], ['brief'], ['fleet']],
    told: (plan) => `Plan ${plan.version} saved: ${fish(plan.expected)} fish expected.`,
    onStored: (plan) => {
      if (!shown || !desk) return;
      onKept(plan);
      const kept = { version: plan.version, madeAt: plan.madeAt, madeBy: plan.madeBy, expected: plan.expected };
      queries.setQueryData(deskQuery(tripId).queryKey, { ...desk, saved: plan, earlier: [kept, ...desk.earlier] });
      // Other trips' desks hold what this one has taken.
      void queries.invalidateQueries({ queryKey: ['desk'], predicate: (q) => q.queryKey[1] !== tripId });
    },
    onRefused: (error) => {
      onRefused(error instanceof ApiProblem ? `${error.body.detail} ${error.body.remedy}` : error.message);
      if (error instanceof ApiProblem && error.body.code === 'spot_taken') void queries.invalidateQueries({ queryKey: ['desk', tripId] });
    },
  });
}
