// What can be done to a plan: lay, pin, ban, drag, undo, keep. The worker does the arithmetic; this holds what it was asked.
import type { PlanDesk, SavedPlan } from '@bluffwind/contract/plan';
import type { DayPlan } from '@bluffwind/core/plan/layDay';
import type { Quantity } from '@bluffwind/core/risk/judge';
import type { Trigger } from '@bluffwind/core/plan/whatWouldChange';
import { useQueryClient } from '@tanstack/react-query';
import type { Remote } from 'comlink';
import { useCallback, useEffect, useReducer, useState } from 'react';
import { ApiProblem, post } from '../data/api';
import { useSave } from '../data/useSave';
import { deskQuery } from '../data/queries';
import { fish } from '../ui/format';
import type { PlanWorker } from '../workers/plan.worker';
import { newPlanOf } from './newPlanOf';
import { afterDrag, EMPTY, fromSaved, move, pinsOf, type Working } from './planState';
import { useDraft } from './useDraft';

/** Fish by which a plan must be better to be offered. */
const WORTH_OFFERING = 0.3;

interface Asked {
  readonly bans?: readonly string[];
  readonly order?: readonly string[] | null;
  readonly again?: boolean;
  readonly legs?: Working['legs'];
  /** A spot that the plan must visit, at any time. */
  readonly must?: string;
  readonly by: string;
}

export interface PlanDoing {
  readonly shown: Working | null;
  /** Fish of the plan before the last step, or null. */
  readonly before: number | null;
  readonly refused: string | null;
  readonly busy: boolean;
  /** A better plan than the one on screen, offered and not forced. */
  readonly offer: Working | null;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly lay: () => void;
  readonly ban: (spotId: string) => void;
  readonly pin: (spotId: string) => void;
  readonly setAgain: (again: boolean) => void;
  readonly drag: (index: number, byMs: number) => void;
  readonly clear: () => void;
  readonly show: (plan: DayPlan, by: string) => void;
  readonly take: () => void;
  readonly decline: () => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly save: (triggers: readonly Trigger[]) => void;
}

/** The plan of a trip's desk. */
export function usePlan(
  tripId: string,
  desk: PlanDesk | undefined,
  worker: Remote<PlanWorker> | null,
  opened: boolean,
  seen: readonly Quantity[],
): PlanDoing {
  const queries = useQueryClient();
  const [history, step] = useReducer(move, EMPTY);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [offer, setOffer] = useState<Working | null>(null);
  const shown = history.now;
  const savedHere = useDraft(tripId, desk, worker, opened, shown, step);

  const solve = useCallback(
    async ({ must, ...asked }: Asked): Promise<void> => {
      if (!worker) return;
      const from = { bans: [] as readonly string[], again: false, order: null, legs: [] as Working['legs'], ...shown, ...asked };
      setBusy(true);
      const pins = must === undefined ? pinsOf(from) : [...pinsOf(from), { spotId: must }];
      const laid = await worker
        .lay({ pins, bans: from.bans, again: from.again, order: from.order ?? undefined })
        .catch((error: Error) => ({ refused: `The day could not be laid: ${error.message}` }));
      setBusy(false);
      if ('refused' in laid) {
        setRefused(laid.refused);
        return;
      }
      setRefused(null);
      setOffer(null);
      step({
        kind: 'show',
        to: { ...laid.plan, bans: from.bans, again: from.again, order: from.order, saved: null, ms: laid.ms, by: asked.by },
      });
    },
    [worker, shown],
  );

  // Newer water may hold a better day than the one that was kept: it is offered, nothing jumps.
  useEffect(() => {
    const saved = desk?.saved;
    // A plan with a leg that is hidden cannot be weighed against another.
    if (!worker || !opened || !saved || !shown || shown.saved !== saved.version || desk.hiddenLegs > 0) return;
    let current = true;
    void (async () => {
      const pins = pinsOf(shown);
      const [best, now] = [
        await worker.lay({ pins, bans: shown.bans, again: shown.again }),
        await worker.score(shown.legs.map((l) => ({ spotId: l.spotId, startMs: l.startMs, departMs: l.departMs }))),
      ];
      if (!current || 'refused' in best) return;
      const worth = 'refused' in now ? 0 : now.plan.expected;
      if (best.plan.expected > worth + WORTH_OFFERING)
        setOffer({ ...shown, ...best.plan, saved: null, ms: best.ms, by: 'the better plan that was offered' });
    })();
    return () => {
      current = false;
    };
  }, [worker, opened, desk, shown]);

  const lay = useCallback(() => void solve({ order: null, by: 'laid' }), [solve]);
  const ban = useCallback(
    (spotId: string) => {
      const bans = shown?.bans ?? [];
      const next = bans.includes(spotId) ? bans.filter((b) => b !== spotId) : [...bans, spotId];
      const legs = (shown?.legs ?? []).map((l) => (l.spotId === spotId ? { ...l, pinned: false } : l));
      void solve({
        bans: next,
        legs,
        order: shown?.order?.filter((id) => id !== spotId) ?? null,
        by: next.length > bans.length ? 'banned' : 'allowed again',
      });
    },
    [shown, solve],
  );
  const pin = useCallback(
    (spotId: string) => {
      if (!shown?.legs.some((l) => l.spotId === spotId)) {
        void solve({ must: spotId, order: null, by: 'pinned into the plan' });
        return;
      }
      const legs = shown.legs.map((l) => (l.spotId === spotId ? { ...l, pinned: !l.pinned } : l));
      step({ kind: 'show', to: { ...shown, order: null, saved: null, legs, by: 'pinned' } });
    },
    [shown, solve],
  );
  const drag = useCallback(
    (index: number, byMs: number) => {
      if (!shown) return;
      const to = afterDrag(shown.legs, index, byMs);
      if (to.kind === 'order') void solve({ order: to.order, by: 'put in another order' });
      else {
        const legs = shown.legs.map((l, i) => (i === index ? { ...l, startMs: to.startMs, departMs: to.departMs, pinned: true } : l));
        void solve({ legs, order: null, by: 'moved' });
      }
    },
    [shown, solve],
  );
  const keeping = useSave<readonly Trigger[], SavedPlan>({
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
      savedHere(plan.version);
      step({ kind: 'kept', to: { ...fromSaved(plan), order: shown.order, ms: shown.ms } });
      const kept = { version: plan.version, madeAt: plan.madeAt, madeBy: plan.madeBy, expected: plan.expected };
      queries.setQueryData(deskQuery(tripId).queryKey, { ...desk, saved: plan, earlier: [kept, ...desk.earlier] });
      // Other trips' desks hold what this one has taken.
      void queries.invalidateQueries({ queryKey: ['desk'], predicate: (q) => q.queryKey[1] !== tripId });
      setRefused(null);
    },
    onRefused: (error) => {
      setRefused(error instanceof ApiProblem ? `${error.body.detail} ${error.body.remedy}` : error.message);
      if (error instanceof ApiProblem && error.body.code === 'spot_taken') void queries.invalidateQueries({ queryKey: ['desk', tripId] });
    },
  });

  return {
    shown,
    before: history.past.at(-1)?.expected ?? null,
    refused,
    busy: busy || keeping.busy,
    offer,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    lay,
    ban,
    pin,
    drag,
    save: keeping.save,
    setAgain: (again) => void solve({ again, by: again ? 'second visits allowed' : 'one visit a spot' }),
    clear: () => setRefused(null),
    show: (plan, by) => step({ kind: 'show', to: { bans: [], again: false, ...shown, ...plan, order: null, saved: null, ms: null, by } }),
    take: () => {
      if (offer) step({ kind: 'show', to: offer });
      setOffer(null);
    },
    decline: () => setOffer(null),
    undo: () => step({ kind: 'undo' }),
    redo: () => step({ kind: 'redo' }),
  };
}
